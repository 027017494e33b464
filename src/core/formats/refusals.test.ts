import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { readJobFile } from './jobFile';
import { quoted, readWith } from '../schema';

const schema = z.strictObject({
	name: z.string().min(1).max(5),
	zones: z.array(z.strictObject({ at: z.int().min(0).max(10), kind: z.enum(['day', 'night']) })).max(2)
});
const said = (value: unknown) => {
	const read = readWith(schema, value);
	return read.ok ? 'taken' : read.problem.sentence;
};
const zone = { at: 1, kind: 'day' };

describe('what is wrong with a document', () => {
	it('is said in one sentence that names the place and the want', () => {
		expect(said({ name: 'a', zones: [zone] })).toBe('taken');
		expect(said({ zones: [] })).toBe('Name is missing.');
		expect(said({ name: 7, zones: [] })).toBe('Name must be text.');
		expect(said({ name: 'abcdef', zones: [] })).toBe('Name must be at most 5 characters.');
		expect(said({ name: 'a', zones: [zone, zone, zone] })).toBe('Zones must be at most 2 entries.');
		expect(said({ name: 'a', zones: [zone, { ...zone, at: 1.5 }] })).toBe(
			'Zone 2, time must be a whole number.'
		);
		expect(said({ name: 'a', zones: [{ ...zone, at: 11 }] })).toBe('Zone 1, time must be at most 10.');
		expect(said({ name: 'a', zones: [{ ...zone, kind: 'noon' }] })).toBe(
			'Zone 1, kind must be "day" or "night".'
		);
		expect(said({ name: 'a', zones: [], colour: 'red' })).toBe(
			'The document has a field that is not known here: "colour".'
		);
		expect(said([])).toBe('The document must be a record.');
	});

	it('of a real job file damaged anywhere is a sentence too, short enough to be read', () => {
		const job = JSON.parse(readFileSync('demo/tallow-quay-workshops.job.json', 'utf8')) as object;
		/** Every place in a document, as the way to it. */
		const places = (value: unknown, way: (string | number)[] = []): (string | number)[][] =>
			value !== null && typeof value === 'object'
				? [way, ...Object.entries(value).flatMap(([key, inner]) => places(inner, [...way, key]))]
				: [way];
		const all = places(job).filter((way) => way.length > 0);
		const bad = fc.constantFrom<unknown>(null, -1e9, 1e300, '\u0000', [], {}, [[]], 'x'.repeat(5000), true);
		let refused = 0;
		fc.assert(
			fc.property(fc.constantFrom(...all), bad, (way, value) => {
				const damaged = structuredClone(job) as Record<string, unknown>;
				let at: Record<string, unknown> = damaged;
				for (const key of way.slice(0, -1)) at = at[key] as Record<string, unknown>;
				at[way.at(-1)!] = value;
				const read = readJobFile(JSON.stringify(damaged));
				if (read.ok) return;
				refused++;
				expect(read.problem.sentence).toMatch(/^[^\n\p{Cc}]{5,300}\.$/u);
				expect(read.problem.sentence).not.toMatch(/undefined|\[object|Invalid input|ZodError/);
			}),
			{ numRuns: 120 }
		);
		expect(refused).toBeGreaterThan(60);
	});

	it('shows what was written back in one line, its beginning where it is long', () => {
		expect(quoted('ten\npast\t8')).toBe('"ten past 8"');
		expect(quoted('x'.repeat(500))).toHaveLength(42);
	});
});
