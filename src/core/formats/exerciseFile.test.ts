import { describe, expect, it } from 'vitest';
import { sampleZone } from '../checks';
import { shippedProfiles } from '../control';
import { isOperable } from '../machine';
import { readExerciseFile, writeExerciseFile } from '.';

describe('an exercise as a file', () => {
	const profile = shippedProfiles.find(isOperable)!;
	const zone = sampleZone(profile);
	const text = writeExerciseFile({
		timeZone: 'Europe/Dublin',
		profile,
		zones: [{ ...zone, note: 'the lodger is ill' }],
		broken: { fault: 'hour-missed', seed: 5 }
	});

	it('of every control is read as it was written, without what tells of the people', () => {
		for (const one of shippedProfiles.filter(isOperable)) {
			const written = { timeZone: 'UTC', profile: one, zones: [sampleZone(one)], broken: null };
			const read = readExerciseFile(writeExerciseFile(written));
			if (!read.ok) throw new Error(`${one.id}: ${read.problem.path} ${read.problem.sentence}`);
			expect(read.value.zones[0]!.wanted).toEqual(written.zones[0]!.wanted);
		}
		expect(text).not.toContain('lodger');
		expect(readExerciseFile(text)).toMatchObject({
			ok: true,
			value: { broken: { fault: 'hour-missed', seed: 5 } }
		});
	});

	it('that is none is refused in a sentence', () => {
		const refused = (wrong: string) => {
			const read = readExerciseFile(wrong);
			return read.ok ? '' : `${read.problem.path}: ${read.problem.sentence}`;
		};
		expect(refused('{')).toContain('not JSON');
		expect(refused('{"format":"fond-quarter/job","version":2}')).toContain('exercise file');
		expect(refused(text.replace('hour-missed', 'gremlins'))).toContain('broken.fault');
		const document = JSON.parse(text) as { profile: { panel: unknown } };
		expect(refused(JSON.stringify({ ...document, profile: { ...document.profile, panel: null } }))).toContain(
			'are not described'
		);
	});
});
