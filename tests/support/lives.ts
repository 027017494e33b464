import fc from 'fast-check';
import { instantOf, wallMinute } from '../../src/core/civil';
import { displayTime, type PanelGesture } from '../../src/core/control';
import { cardAsNew, strokesToRest, zoneCard, type ToKey } from '../../src/core/keying';
import {
	degreesAt,
	degreesShown,
	modeHolds,
	operationFaults,
	type Operable,
	type Stroke
} from '../../src/core/machine';
import {
	begin,
	commissioned,
	cutPower,
	displayOf,
	heldOver,
	pass,
	preparedOf,
	rehearsed,
	setpointNow,
	startsEarly,
	standing,
	strokeAt,
	strokesOf,
	type World
} from '../../src/core/rehearsal';
import { resolve } from '../../src/core/run';
import { duration } from '../../src/core/week';
import { customerLines } from '../../src/core/words';
import { anyHabits } from './anyHabits';
import { anyZone, operable } from './anyZone';
import { seededRandom } from './random';

const PLACE = 'Europe/Dublin';
/** Days in winter, in summer, and before either change of the clocks. */
const DAYS = ['2026-01-14', '2026-07-08', '2026-03-28', '2026-10-24', '2026-12-30'];
const ACTS = 6;
const MOST_ASKED = 600;

const sampled = <T>(of: fc.Arbitrary<T>, seed: number): T => fc.sample(of, { seed, numRuns: 1 })[0]!;

/** Every gesture and key that somebody may lay a hand on. */
function hands({ panel }: Operable): readonly (readonly PanelGesture[])[] {
	const { modes, hand, rest, lock, places, program, boosts, states } = panel;
	const tap = (key: string): PanelGesture => ({ do: 'press', key, times: 1 });
	return [
		...Object.values(hand),
		...boosts,
		...(modes?.next ? [[modes.next]] : []),
		...(modes?.each ?? []),
		...(states ?? []).flatMap(({ id, rules }) => (id === 'rest' ? rules.map(({ by }) => [by]) : [])),
		...(rest ? [[tap(rest.up)], [tap(rest.down)], [{ ...tap(rest.up), times: 3 } as PanelGesture]] : []),
		...(lock ? [lock.way, lock.ends] : []),
		...places.map(({ way, up, take }) => [...way, tap(up), take]),
		...places.map(({ way, down, take }) => [...way, take, tap(down), take]),
		...(program ? [[...program.way, ...(program.channels[0] ?? []), tap(program.up), program.take]] : []),
		...panel.keys.filter(({ kind }) => kind === 'key').map(({ id }) => [tap(id)])
	];
}

const done = (world: World, strokes: readonly Stroke[]): World =>
	strokes.reduce((now, stroke) => {
		const after = strokeAt(now, stroke);
		return stroke.do === 'wait' ? pass(after, stroke.seconds) : pass(after, 1);
	}, world);

/** At rest, as whoever stops keying leaves it. */
const atRest = (world: World): World =>
	pass(done(world, world.machine.locked ? [] : strokesToRest(world.profile, world.machine)), 70);

/**
 * A control that is lived with: any shipped one or one that nobody described before, its card keyed, then whatever a household does at it, power
 * cuts and days between. Gives what differs: between the stand-in minute by minute and the run of the same in one go; between what it holds and
 * what it shows; between what the household is told and what then happens; between its memory and its plan once the card was keyed again.
 */
export function lived(seed: number, own?: Operable): string[] {
	const random = seededRandom(seed);
	const chance = (below: number) => Math.floor(random() * below);
	const pick = <T>(of: readonly T[]): T => of[chance(of.length)]!;
	const profile = own ?? (chance(2) === 0 ? pick(operable) : sampled(anyHabits, seed));
	const differs: string[] = operationFaults(profile).map((fault) => `its keys: ${JSON.stringify(fault)}`);
	const zone = sampled(anyZone(profile), seed);
	const { card } = zoneCard(zone, profile);
	const toKey: ToKey = { items: card.items, ...card.operated! };
	const { memory } = cardAsNew(profile, toKey);
	const startMs = instantOf(PLACE, wallMinute(`${pick(DAYS)}T00:00`)) + chance(1440) * 60_000;
	let world = commissioned(begin(profile, startMs, { timeZone: PLACE, outdoorC: 4 + chance(20) }), memory);
	const log: string[] = [];
	const tell = (what: string) => differs.push(`${what} [${profile.id}; ${log.join('; ')}]`);

	for (let n = 0; n < ACTS; n++) {
		if (chance(8) === 0) {
			const minutes = pick([1, 50, 90, 3000]);
			log.push(`no power for ${minutes} min`);
			world = cutPower(world, minutes);
		} else {
			const hand = pick(hands(profile));
			const times = pick([1, 1, 2]);
			log.push(`${JSON.stringify(hand)} × ${times}`);
			const before = world;
			for (let i = 0; i < times; i++) world = done(world, hand as readonly Stroke[]);
			told(before, world, hand, times, tell);
		}
		world = atRest(world);
		shown(world, tell);
		const after = { ...world, log: [] };
		for (let left = 1 + chance(1500); left > 0;) {
			const minutes = Math.min(left, 1 + chance(400));
			world = pass(world, minutes * 60);
			left -= minutes;
		}
		const passed = world.log.filter(({ atMs }) => atMs > after.atMs);
		asOne(after, passed, tell);
	}
	keyedAgain(unlocked(world), toKey, tell);
	return differs;
}

/** What was lived through minute by minute is what the run says in one go, and at any moment. */
function asOne(from: World, passed: World['log'], tell: (what: string) => void): void {
	const spans = heldOver(from, from.atMs, from.atMs + 9 * 86_400_000);
	const holds = modeHolds(from.profile, from.machine);
	const ready = preparedOf(from);
	for (const [i, { atMs, setC }] of passed.entries()) {
		const ms = atMs - 60_000;
		if (ms < from.atMs) continue;
		const once = spans.find(({ toMs }) => toMs > ms)!.setC;
		if (once !== setC) return tell(`lived ${setC} and in one go ${once}, ${i} min on`);
		if (i % 97 !== 0 || holds.by !== 'program' || holds.side === 'cool' || !ready) continue;
		const run = resolve(ready, ms).heatC;
		if (run !== setC) return tell(`lived ${setC}, at that moment ${run}, ${i} min on`);
	}
}

/** What it shows at rest is what it holds. */
function shown(world: World, tell: (what: string) => void): void {
	const { profile, machine } = world;
	const { unit } = machine.memory.options;
	const setC = setpointNow(world);
	const { shows } = displayOf(world);
	const holds = modeHolds(profile, machine);
	if (setC === null || machine.place || machine.asks || (holds.by === 'off' && profile.temperature)) return;
	const right = profile.temperature
		? degreesShown(profile, unit, degreesAt(profile, unit, setC))
		: setC >= 0.5
			? 'On'
			: 'Off';
	// a program is shown as it is keyed, before its limits and before it starts early
	const isEarly = holds.by === 'program' && standing(world).length === 0;
	if (shows !== right && !isEarly) tell(`shows ${shows} and holds ${right}`);
}

/** What the household is told of a change by hand and of a boost happens: how it ends. */
function told(
	before: World,
	after: World,
	hand: readonly PanelGesture[],
	times: number,
	tell: (what: string) => void
): void {
	const { profile, machine } = after;
	const { habits, panel } = profile;
	const over = standing(after).at(-1);
	if (!over || before.machine.place || modeHolds(profile, machine).by !== 'program') return;
	const { options } = machine.memory;
	const page = customerLines(profile, { ...options, channel: 0 }, PLACE, after.atMs)[0]!.sentences.join(' ');
	const ends = over.toMs === Infinity ? null : displayTime(Math.round(over.toMs / 60_000) % 1440, '24');
	const minutes = (over.toMs - over.done.fromMs) / 60_000;
	if (hand === panel.hand.boost && over.done.kind === 'boost' && habits.boost?.ends === 'after-steps') {
		if (Math.abs(minutes - habits.boost.stepMinutes * (over.done.steps ?? 1)) > 0.01)
			tell(`a boost of ${minutes} min to ${ends}, ${times} times`);
		if (!page.includes(duration(habits.boost.stepMinutes * habits.boost.mostSteps)))
			tell(`nothing said of how long a boost is: ${page}`);
	}
	if (over.done.kind === 'override' && habits.override?.ends === 'after-minutes') {
		if (Math.abs(minutes - habits.override.minutes) > 0.01) tell(`a change by hand of ${minutes} min`);
		if (!page.includes(`after ${duration(habits.override.minutes)}`))
			tell(`nothing said of when a change ends: ${page}`);
	}
	if (over.done.kind === 'override' && habits.override?.ends === 'next-change') {
		const week = heldOver({ ...after, done: [] }, over.done.fromMs, over.toMs + 60_000);
		// nothing of its week changes before its end
		const before = week.filter(({ fromMs }) => fromMs < over.toMs).map(({ setC }) => setC);
		if (new Set(before).size > 1 && !startsEarly(profile, machine.memory))
			tell(`a change by hand goes over changes: ${before.join(', ')}`);
		if (!/next usual time|stays where/.test(page)) tell(`nothing said of its end: ${page}`);
	}
}

/** The lock ended by its own keys, so that it can be keyed. */
function unlocked(world: World): World {
	const { lock } = world.profile.panel;
	if (!world.machine.locked || !lock) return world;
	const digits = lock.code
		? [...world.machine.code].flatMap((figure): Stroke[] => [
				...(Number(figure) > 0 ? [{ do: 'press' as const, key: lock.code!.up, times: Number(figure) }] : []),
				lock.code!.take as Stroke
			])
		: [];
	return done(world, [...(lock.ends as readonly Stroke[]), ...digits]);
}

/** Whatever was done to it, its card brings it back to the plan. */
function keyedAgain(from: World, card: ToKey, tell: (what: string) => void): World {
	let world = from;
	for (let n = 0; n < MOST_ASKED; n++) {
		const asked = rehearsed(world.profile, card, world.machine);
		if (asked.at === 'done') {
			const { days } = world.machine.memory;
			const differs =
				!card.options.plain &&
				card.planned.some((week, channel) =>
					week.some((content, day) => JSON.stringify(content) !== JSON.stringify(days[channel]?.[day]))
				);
			if (differs && world.profile.program.form !== 'plain')
				tell('says that all is in, and its memory is not the plan');
			return world;
		}
		const strokes = asked.at === 'leaving' ? asked.strokes : asked.keys ? strokesOf(asked.keys) : [];
		if (strokes.length === 0) break;
		world = done(world, strokes);
	}
	tell('its card never comes to an end');
	return world;
}
