import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import type { z } from 'zod';
import { settingRefusal, zoneSettings } from '$core/checks';
import { shippedProfiles } from '$core/control';
import { controlFileSchema, jobSchema, readWith } from '$core/formats';
import { newZone, noteOnSite, nothingNoted, ON_SITE_WORDS, type OnSiteKey } from '$core/plan';
import { operations } from './operations';

/** What no person should read: a name or a path from the code, or the words of the schema library. */
const FROM_THE_CODE =
	/[a-z][A-Z]|[[\]{}]|\bundefined\b|\bNaN\b|\bnull\b|expected|received|Invalid|Unrecognized|Too (big|small)|[<>]=|ZodError/;
/** What a person wrote themselves, or must write, stands in quotes. */
const spoken = (sentence: string) => sentence.replace(/"[^"]*"|“[^”]*”/g, '""');
function check(sentence: string, of: string) {
	expect(spoken(sentence), of).not.toMatch(FROM_THE_CODE);
	expect(sentence, of).toMatch(/^["(]?[\p{Lu}“"].*\.$/su);
}

/** Every place in a document, as the way to it. */
const places = (value: unknown, way: string[] = []): string[][] =>
	value !== null && typeof value === 'object'
		? [way, ...Object.entries(value).flatMap(([key, inner]) => places(inner, [...way, key]))]
		: [way];
const bad = fc.constantFrom<unknown>(
	null,
	true,
	-1e9,
	1e300,
	0.123456789,
	'',
	'\u0000',
	'x'.repeat(6000),
	'no-such-thing',
	'2026-02-30',
	[],
	[[]],
	{},
	{ a: 1 }
);
/** A document with one place of it damaged. */
const damaged = (document: object) => {
	const all = places(document).filter((way) => way.length > 0);
	return fc.tuple(fc.constantFrom(...all), bad, fc.boolean()).map(([way, value, extra]) => {
		const copy = structuredClone(document) as Record<string, unknown>;
		let at = copy;
		for (const key of way.slice(0, -1)) at = at[key] as Record<string, unknown>;
		const last = way.at(-1)!;
		const inner = at[last];
		if (extra && inner !== null && typeof inner === 'object' && !Array.isArray(inner))
			(inner as Record<string, unknown>).surplusField = value;
		else at[last] = value;
		return copy;
	});
};

const job = JSON.parse(readFileSync('demo/tallow-quay-workshops.job.json', 'utf8')) as {
	zones: object[];
	site: object;
};
const zone = Object.fromEntries(
	Object.entries(job.zones[0]!).filter(([key]) => key !== 'keyed' && key !== 'onSite')
);
/** Documents that come near to what each operation takes. */
const near: Record<string, object> = {
	zone: {
		zone,
		revision: 1,
		after: null,
		profile: shippedProfiles[0]!,
		timeZone: 'Europe/Berlin',
		at: '2026-11-25T10:00'
	},
	site: {
		...job.site,
		revision: 1,
		changes: [{ id: 'a', revision: 1, zone }],
		order: ['a'],
		edits: [{ key: 'roomC', value: 1 }]
	},
	more: {
		who: 'A',
		note: '',
		signedOff: true,
		days: 3,
		outdoorC: 2,
		telephone: '1',
		name: 'N',
		from: '2026-11-25T10:00',
		to: '2026-11-26T10:00'
	}
};

it('a change of a few fields is taken as it was sent: nothing that nobody sent is filled in', () => {
	const { takes } = operations.find((op) => op.id === 'changeSite')!;
	expect(takes!.parse({ note: 'North door' })).toEqual({ note: 'North door' });
});

describe('a refusal', () => {
	it.each<[string, z.ZodType, object]>([
		['a job file', jobSchema, job],
		...shippedProfiles.map((profile): [string, z.ZodType, object] => [
			`the file of a ${profile.id}`,
			controlFileSchema,
			{ format: 'fond-quarter/control', version: 1, profile }
		])
	])('of %s damaged anywhere speaks as a person does', (name, schema, document) => {
		let refused = 0;
		fc.assert(
			fc.property(damaged(document), (one) => {
				const read = readWith(schema, one);
				if (read.ok) return;
				refused++;
				check(read.problem.sentence, name);
			}),
			{ numRuns: name === 'a job file' ? 300 : 120 }
		);
		expect(refused).toBeGreaterThan(20);
	});

	it('of anything that an operation takes speaks as a person does', () => {
		let refused = 0;
		for (const { id, takes } of operations) {
			if (!takes) continue;
			const schema = takes as z.ZodType;
			for (const document of [{}, [], 'text', null, ...Object.values(near)])
				fc.assert(
					fc.property(
						typeof document === 'object' && document !== null && Object.keys(document).length > 0
							? damaged(document)
							: fc.constant(document),
						(one) => {
							const read = readWith(schema, one);
							if (read.ok) return;
							refused++;
							check(read.problem.sentence, id);
						}
					),
					{ numRuns: 12 }
				);
		}
		expect(refused).toBeGreaterThan(200);
	});

	it('of a setting or a note on site speaks as a person does', () => {
		const values = [
			null,
			-1e9,
			1e9,
			Number.NaN,
			'x'.repeat(500),
			'2026-02-30',
			true,
			['sun'],
			['no-such']
		] as const;
		for (const key of Object.keys(ON_SITE_WORDS) as OnSiteKey[])
			for (const value of values) {
				const noted = noteOnSite(nothingNoted, [{ key, value }]);
				if ('refused' in noted) check(noted.refused, key);
			}
		for (const profile of shippedProfiles)
			for (const setting of zoneSettings)
				for (const value of values) {
					const one = { zone: newZone('Z', profile), onSite: nothingNoted, profile };
					const refusal = settingRefusal(setting, one, value as never);
					if (refusal !== null) check(refusal, setting.id);
				}
	});
});
