import fc from 'fast-check';
import { expect, it } from 'vitest';
import { anyZone, operable } from '../../../tests/support/anyZone';
import { satisfies, zoneCard } from '../keying';
import { newZone, withWanted } from '../plan';
import { constantWeek } from '../week';
import { press, start, type MachineState, type Operable, type Stroke } from '../machine';
import { isAsked, rehearsed, strokesOf, type Rehearsed } from '.';

const asks = (now: Rehearsed): readonly Stroke[] =>
	now.at === 'leaving' ? now.strokes : now.at === 'value' && now.keys ? strokesOf(now.keys) : [];

/** Keys what is asked for next until all is in; before some of it strokes that nobody asked for. Gives the strokes that were. */
function keyIt(
	profile: Operable,
	state: MachineState,
	card: Parameters<typeof rehearsed>[1],
	slips: Stroke[][],
	byOne: boolean
) {
	let [now, at, pressed] = [state, 0, 0];
	const waiting = [...slips];
	for (let n = 0; n < 4000; n++) {
		const asked = rehearsed(profile, card, now);
		if (asked.at === 'done') return { now, pressed, asked };
		for (const slip of n % 5 === 4 ? (waiting.shift() ?? []) : []) now = press(profile, now, slip, (at += 1));
		const again = rehearsed(profile, card, now);
		for (const whole of byOne ? asks(again).slice(0, 1) : asks(again)) {
			// a press at a time, asked anew after each
			const stroke = byOne && whole.do === 'press' ? { ...whole, times: 1 } : whole;
			pressed++;
			at += stroke.do === 'wait' ? stroke.seconds : 1;
			now = press(profile, now, stroke, at);
		}
	}
	throw new Error(
		`${profile.id} never holds what is planned: ${JSON.stringify(rehearsed(profile, card, now))}`
	);
}

it('whatever somebody presses in between, the next keys are told from where the control stands, until it holds the card', () => {
	for (const profile of operable) {
		const keys = profile.panel.keys.filter(({ kind }) => kind !== 'recessed').map(({ id }) => id);
		const slip = fc.array(
			fc.record({
				do: fc.constant('press' as const),
				key: fc.constantFrom(...keys),
				times: fc.integer({ min: 1, max: 3 })
			}),
			{ maxLength: 4 }
		);
		fc.assert(
			fc.property(anyZone(profile), fc.array(slip, { maxLength: 4 }), fc.boolean(), (zone, slips, byOne) => {
				const { card } = zoneCard(zone, profile);
				const { now } = keyIt(
					profile,
					start(profile),
					{ items: card.items, ...card.operated! },
					slips,
					byOne
				);
				expect(now.place).toBeNull();
				// what the control holds is what was planned, in every channel that the card keys
				const { planned, options } = card.operated!;
				const { plain } = options;
				if (!plain && profile.program.form !== 'plain')
					expect(now.memory.days[zone.options.channel]).toEqual(planned[zone.options.channel]);
				for (const { goal } of card.items)
					if (goal.of === 'kept' || goal.of === 'setpoint')
						expect(satisfies(profile, { memory: now.memory, unsure: [], mode: now.mode }, goal)).toBe(true);
			}),
			{ numRuns: 4 }
		);
	}
}, 120_000);

it('who does just what is asked is never told of a slip', () => {
	for (const profile of operable)
		fc.assert(
			fc.property(anyZone(profile), (zone) => {
				const { card } = zoneCard(zone, profile);
				const whole = { items: card.items, ...card.operated! };
				let [state, at] = [start(profile), 0];
				for (let n = 0; n < 600; n++) {
					const now = rehearsed(profile, whole, state);
					if (now.at === 'done') return;
					expect(now.at === 'value' ? now.index : 0, `${profile.id}: ${JSON.stringify(now)}`).not.toBeNull();
					for (const stroke of asks(now))
						state = press(profile, state, stroke, (at += stroke.do === 'wait' ? stroke.seconds : 1));
				}
				throw new Error(`${profile.id} never holds what is planned`);
			}),
			{ numRuns: 4 }
		);
});

it('a stroke that the card asks for is none of the slips', () => {
	const stat = operable[0]!;
	const at = (first: Stroke): Rehearsed => ({ at: 'leaving', strokes: [first] });
	const press2: Stroke = { do: 'press', key: 'plus', times: 2 };
	expect(isAsked(at(press2), { do: 'press', key: 'plus', times: 1 })).toBe(true);
	expect(isAsked(at(press2), { do: 'press', key: 'minus', times: 1 })).toBe(false);
	expect(
		isAsked(at({ do: 'hold', keys: ['menu'], seconds: 5 }), { do: 'hold', keys: ['menu'], seconds: 7 })
	).toBe(true);
	expect(isAsked({ at: 'done' }, press2)).toBe(false);
	expect(stat.panel.keys.some(({ id }) => id === 'plus')).toBe(true);
});

it('a menu left in the middle that turns its week off is no end: the way is told anew', () => {
	const profile = operable.find(({ id }) => id === 'line-voltage-stat')!;
	const fresh = newZone('Any', profile);
	const zone = {
		...fresh,
		options: { ...fresh.options, unit: 'F' as const, clock: '12' as const },
		grouping: '5-2'
	};
	const { card } = zoneCard(withWanted(zone, constantWeek(zone.levels[0]!.id)), profile);
	const slip = ['day', 'up'].map((key): Stroke => ({ do: 'press', key, times: 1 }));
	const whole = { items: card.items, ...card.operated! };
	for (let wait = 0; wait < 6; wait++)
		expect(
			keyIt(profile, start(profile), whole, [...Array.from({ length: wait }, () => []), slip], true).now.place
		).toBeNull();
});
