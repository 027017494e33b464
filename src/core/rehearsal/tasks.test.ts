import { describe, expect, it } from 'vitest';
import { operable } from '../../../tests/support/anyZone';
import { sampleZone } from '../checks';
import { awayPlaceAt } from '../control';
import { cardAsNew, zoneCard, type ToKey } from '../keying';
import type { Operable } from '../machine';
import {
	begin,
	commissioned,
	drawTask,
	pass,
	plannedWeek,
	rehearsed,
	strokeAt,
	strokesOf,
	taskNeeds,
	taskNow,
	type Task,
	type World,
	doneOf
} from '.';

const cardOf = (profile: Operable): ToKey => {
	const { card } = zoneCard(sampleZone(profile), profile);
	return { items: card.items, ...card.operated! };
};
const fresh = (profile: Operable) => begin(profile, Date.UTC(2027, 10, 2, 9), { timeZone: 'Europe/Berlin' });

/** Somebody who does what is asked for, until nothing is; how many strokes that took. */
function doneBy(
	task: Exclude<Task, { kind: 'week' }>,
	card: ToKey,
	from: World
): { world: World; strokes: number } {
	let world = commissioned(from, task.memory);
	for (let strokes = 0; ;) {
		const now = taskNow(task, card, world);
		if (now.at === 'done') return { world, strokes };
		const next = now.at === 'leaving' ? now.strokes : now.keys ? strokesOf(now.keys) : [];
		if (next.length === 0 || strokes > 200)
			throw new Error(`${world.profile.id}: nothing leads on from ${now.at}`);
		const [stroke] = next;
		world = stroke!.do === 'wait' ? pass(world, stroke!.seconds + 1) : strokeAt(world, stroke!);
		strokes++;
	}
}

describe('what can be rehearsed at a stand-in', () => {
	it.each(operable)(
		'$name: a slip in its week is found by what it holds, and put right; the same with the same seed',
		(profile) => {
			const card = cardOf(profile);
			const world = fresh(profile);
			for (const seed of [1, 2, 3, 4]) {
				const task = drawTask('slip', card, world, seed);
				if (!task || task.kind !== 'slip') {
					expect(profile.program.form).toBe('plain');
					continue;
				}
				expect(drawTask('slip', card, world, seed)).toEqual(task);
				expect(taskNow(task, card, commissioned(world, task.memory)).at).toBe('value');
				const needs = taskNeeds(task, card, world);
				expect(needs).toBeGreaterThan(0);
				const done = doneBy(task, card, world);
				expect(plannedWeek(profile, card).length).toBeGreaterThan(0);
				expect(done.world.machine.place).toBeNull();
			}
		}
	);

	it.each(operable)('$name: a holiday is set by what is asked for, where it takes one', (profile) => {
		const card = cardOf(profile);
		const world = fresh(profile);
		for (const seed of [1, 2, 3, 4]) {
			const task = drawTask('holiday', card, world, seed);
			expect(task !== null).toBe(awayPlaceAt(profile.panel) >= 0);
			if (task?.kind !== 'holiday') continue;
			const { world: after } = doneBy(task, card, world);
			const absence = doneOf(after, 'absence');
			expect(absence).toMatchObject(task.setpointC !== null ? { setpointC: task.setpointC } : {});
			// it ends on the day of return or, where whole days are counted, less than two before it
			const backMs = Date.parse(`${task.back}:00+01:00`);
			expect(absence!.toMs).toBeLessThanOrEqual(backMs);
			expect(absence!.toMs).toBeGreaterThan(backMs - 48 * 3_600_000);
			expect(taskNeeds(task, card, world)).toBeGreaterThan(1);
		}
	});

	it('asks for nothing of a channel for which nothing is planned', () => {
		const profile = operable.find(({ id }) => id === 'two-channel-programmer')!;
		const card = cardOf(profile);
		expect(card.planned.map((week) => week.length)).toEqual([7, 0]);
		const world = commissioned(fresh(profile), cardAsNew(profile, card).memory);
		expect(rehearsed(profile, card, world.machine)).toEqual({ at: 'done' });
	});

	it('says of a strip its stretches, of steps each value, of a channel alone its own', () => {
		const of = (id: string) => {
			const profile = operable.find((one) => one.id === id)!;
			return plannedWeek(profile, cardOf(profile));
		};
		expect(of('hour-strip-keypad')[0]!.values[0]).toEqual({
			what: expect.stringMatching(/^00:00 to \d\d:00$/),
			shows: 'Eco'
		});
		expect(of('six-step-room-stat')[0]!.values[0]!.what).toMatch(/^step 1$|^Wake$/);
		expect(of('two-channel-programmer').map(({ section }) => section.split(',')[0])).toEqual([
			'Heating',
			'Heating',
			'Heating'
		]);
	});
});
