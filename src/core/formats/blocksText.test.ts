import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shippedProfiles } from '../control';
import { readBlocks, writeBlocks } from '.';
import { groupingWords } from '../words';

const said = (text: string) => {
	const read = readBlocks(text);
	return read.ok ? read.value : read.problem.sentence;
};

describe('groups of days as text', () => {
	it('are what is meant, whatever parts them', () => {
		const groups = [[0, 1, 2, 3], [4], [5, 6]];
		for (const text of [
			'Mon-Thu, Fri, Sat-Sun',
			'Mon–Thu / Fri / Sat–Sun',
			'mon - thu | fri | sat sun',
			'Monday-Thursday; Friday; Saturday, Sunday',
			'Mon, Tue, Wed, Thu / Fri / Sat and Sun'
		])
			expect(said(text), text).toEqual(groups);
		expect(said('Mon Wed Fri / Tue Thu / Sat-Sun')).toEqual([
			[0, 2, 4],
			[1, 3],
			[5, 6]
		]);
	});

	it('written and read are the same, and so is the form in which the program says them', () => {
		const grouping = fc
			.array(fc.integer({ min: 0, max: 6 }), { minLength: 7, maxLength: 7 })
			.map((of) => [...new Set(of)].map((group) => of.flatMap((one, day) => (one === group ? [day] : []))));
		fc.assert(
			fc.property(grouping, (groups) => {
				// a group of seven is said as every day
				expect(said(writeBlocks(groups))).toEqual(groups);
			})
		);
		for (const profile of shippedProfiles)
			for (const one of profile.groupings)
				if (one.groups.length > 1 && one.groups.length < 7)
					expect(said(groupingWords(one))).toEqual(one.groups);
	});

	it('are refused with what is wrong, never made every day in silence', () => {
		expect(said('Mon-Thu, Fry, Sat-Sun')).toBe('"Fry" names no day; write groups as Mon-Fri / Sat-Sun.');
		expect(said('Mon-Fri / Fri-Sun')).toBe('Friday is there twice, in "Mon-Fri" and "Fri-Sun".');
		expect(said('Mon-Fri / Sat')).toBe('Sunday is in no group.');
		expect(said('  ')).toMatch(/^No days are named/);
	});
});
