import { expect, it } from 'vitest';
import { foldedUnder } from './folding';

const zones = (lives: string, alarms: readonly number[] = []) =>
	[...lives].map((life, i) => ({ id: String(i), life, alarms: alarms.includes(i) }));

it('zones that live alike in a row are folded under the first, where there are many', () => {
	expect(foldedUnder(zones('aaaaaaaaaaaa'))).toEqual({});
	expect(foldedUnder(zones('aaabbbcabcabc'))).toEqual({ 0: ['1', '2'], 3: ['4', '5'] });
});

it('what alarms stands for itself, and parts no run', () => {
	expect(foldedUnder(zones('aaaaabbbbbbbb', [0, 2, 12]))).toEqual({
		0: ['1', '3', '4'],
		5: ['6', '7', '8', '9', '10', '11']
	});
});
