import { beforeEach, expect, it } from 'vitest';
import { keepJson } from '../browserStore';
import { keepRehearsal, pastRehearsals } from './ownRehearsals';

const score = { pressed: 60, needed: 50, seconds: 80, slips: 1, thrownOut: 0 };
beforeEach(() => void keepJson('fond-quarter/rehearsals', null));

it('keeps the last rehearsals of all controls, and tells those of one, the last first', () => {
	for (let n = 0; n < 70; n++) keepRehearsal(n % 2 ? 'a' : 'b', { ...score, slips: n }, n);
	const of = pastRehearsals('a');
	expect(of).toHaveLength(30);
	expect([of[0]!.slips, of.at(-1)!.slips]).toEqual([69, 11]);
	expect(pastRehearsals('c')).toEqual([]);
});

it('passes over what is no rehearsal', () => {
	keepJson('fond-quarter/rehearsals', [null, { control: 'a' }, { control: 'a', atMs: 1, ...score }, 7]);
	expect(pastRehearsals('a')).toHaveLength(1);
	keepJson('fond-quarter/rehearsals', 'nothing of ours');
	expect(pastRehearsals('a')).toEqual([]);
});
