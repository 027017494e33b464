import { expect, test } from 'vitest';
import { answersTo } from './answersTo';

test('find goes by the beginnings of words, in any order', () => {
	const words = 'Proof Bindery cold mornings warm in time';
	for (const asked of ['', 'cold mor', 'bind proof', 'TIME', 'warm, cold'])
		expect(answersTo(words, asked)).toBe(true);
	for (const asked of ['old', 'proof kitchen', 'ornings']) expect(answersTo(words, asked)).toBe(false);
	expect(answersTo('Küche Straße 4', 'stra kü')).toBe(true);
});
