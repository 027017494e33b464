import { expect, it } from 'vitest';
import { shippedProfiles } from '../control';
import { readLamps, readValues, writeLamps, writeValues } from '.';

const none = { kind: 'choices' as const, choices: [] };

it('the values of every entry that ships are written as a person would, and read again as they were', () => {
	const entries = shippedProfiles.flatMap(({ menu }) => menu);
	expect(entries.length).toBeGreaterThan(40);
	for (const { values } of entries)
		expect(readValues(writeValues(values), values), writeValues(values)).toEqual({ ok: true, value: values });
});

it('reads a range with a comma, without a step, and says what it cannot read', () => {
	expect(readValues('0,2 to 3 by 0,1 K', none)).toEqual({
		ok: true,
		value: { kind: 'figure', unit: 'K', min: 0.2, max: 3, step: 0.1 }
	});
	expect(readValues('1–12 an hour', none)).toEqual({
		ok: true,
		value: { kind: 'figure', unit: 'an hour', min: 1, max: 12, step: 1 }
	});
	for (const wrong of ['', 'Air', '1 to 9 parsecs', '1 to 9 by 0'])
		expect(readValues(wrong, none)).toMatchObject({ ok: false });
});

it('reads what a lamp shows and means, and leaves out what says neither', () => {
	for (const { operation } of shippedProfiles)
		if (operation.receiver)
			expect(readLamps(writeLamps(operation.receiver.lamps))).toEqual(operation.receiver.lamps);
	expect(readLamps(' red : it heats;; green; blue:it waits: long ')).toEqual([
		{ shows: 'red', means: 'it heats' },
		{ shows: 'blue', means: 'it waits: long' }
	]);
});
