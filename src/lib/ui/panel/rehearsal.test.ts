import { expect, it } from 'vitest';
import { sampleZone } from '$core/checks';
import { findProfile } from '$core/control';
import { zoneCard } from '$core/keying';
import type { Operable } from '$core/machine';
import { beforeWords, scoreAdvice, scoreWords } from '$core/words';
import { Rehearsal } from './rehearsal.svelte';

function rehearsalOf(id: string) {
	const profile = findProfile(id) as Operable;
	const { card } = zoneCard(sampleZone(profile), profile);
	return new Rehearsal(profile, { items: card.items, ...card.operated! });
}
/** Does all that is asked for, until it holds the week. */
function keyAll(rehearsal: Rehearsal) {
	for (let n = 0; n < 400 && rehearsal.now.at !== 'done'; n++)
		for (const stroke of rehearsal.strokes) rehearsal.standIn.stroke(stroke);
}

it('who presses what is asked for presses no more than it takes; a slip is counted, and costs presses', () => {
	const clean = rehearsalOf('switch-timer');
	keyAll(clean);
	expect(clean.now.at).toBe('done');
	expect(clean.score).toMatchObject({ slips: 0, thrownOut: 0 });
	expect(clean.score.pressed).toBeLessThanOrEqual(clean.score.needed);
	expect(scoreWords(clean.score)).toContain('no slip');

	const slipped = rehearsalOf('switch-timer');
	for (const stroke of slipped.strokes.slice(0, 1)) slipped.standIn.stroke(stroke);
	for (let n = 0; n < 5; n++) slipped.standIn.stroke({ do: 'press', key: 'clock', times: 1 });
	keyAll(slipped);
	expect(slipped.now.at).toBe('done');
	expect(slipped.score.slips).toBe(5);
	expect(scoreAdvice(slipped.score)).toMatch(/a press too many/);
	expect(scoreAdvice({ ...slipped.score, thrownOut: 2 })).toMatch(/menu closed 2 times/);
	slipped.again();
	expect(slipped.score).toMatchObject({ pressed: 0, slips: 0 });
	expect(slipped.now.at).toBe('value');
});

it('its clock runs as fast as it is told at rest, and as the hand does in a menu, which it leaves by itself', () => {
	const { standIn } = rehearsalOf('switch-timer');
	standIn.speed = 3600;
	standIn.pass(1000);
	expect(standIn.display.aside).toBe('01:00');
	standIn.stroke({ do: 'press', key: 'program', times: 1 });
	standIn.pass(19_000);
	expect(standIn.leavesInSeconds).toBeCloseTo(1, 6);
	standIn.pass(1500);
	expect(standIn.state.place).toBeNull();
	standIn.cut(3 * 60);
	expect(standIn.display.aside).toMatch(/^04:/);
});

it('tells how long each value took, and at its end how it went, once', () => {
	const profile = findProfile('switch-timer') as Operable;
	const { card } = zoneCard(sampleZone(profile), profile);
	const values: number[] = [];
	const ends: number[] = [];
	const rehearsal = new Rehearsal(
		profile,
		{ items: card.items, ...card.operated! },
		{},
		{
			onvalue: (presses, seconds) => values.push(presses, seconds),
			ondone: ({ pressed }) => ends.push(pressed)
		}
	);
	keyAll(rehearsal);
	expect(values.length / 2).toBeGreaterThan(4);
	expect(values.every((one) => one >= 0)).toBe(true);
	expect(ends).toEqual([rehearsal.score.pressed]);
	expect(beforeWords([rehearsal.score])).toMatch(/^Before: \d+ presses in \d+ s, no slip\.$/);
});
