import { describe, expect, it } from 'vitest';
import { anyMemoryOf } from '../../../tests/support/keyedMemory';
import { operable } from '../../../tests/support/anyZone';
import { sampleZone } from '../checks';
import { instantOf, wallAt, wallMinute, weekdayOfDay } from '../civil';
import { cardAsNew, keysFrom, strokesToRest, zoneCard, type Goal, type ToKey } from '../keying';
import { menuAt, menuFields, type Stroke } from '../machine';
import {
	begin,
	canHave,
	changed,
	commissioned as keyedIn,
	cutPower,
	FAULTS,
	heldOver,
	pass,
	plant,
	rehearsed,
	seeded,
	stillWrong,
	strokeAt,
	strokesOf,
	type Fault,
	type Planted,
	type World
} from '.';

const PLACE = 'Europe/Dublin';
const startMs = instantOf(PLACE, wallMinute('2026-01-06T12:00'));
const commissioned = (profile: (typeof operable)[number]): World =>
	pass(begin(profile, startMs, { timeZone: PLACE }, anyMemoryOf(profile)), 3600);

/** What it holds over the next nine days, as one text. */
const nineDays = (world: World) =>
	JSON.stringify(
		heldOver(world, world.atMs, world.atMs + 9 * 86_400_000).map(({ fromMs, setC }) => [
			fromMs - world.atMs,
			setC
		])
	);

const cardOf = (profile: (typeof operable)[number]): ToKey => {
	const { card } = zoneCard(sampleZone(profile), profile);
	return { items: card.items, ...card.operated! };
};
const strokesAt = (world: World, strokes: readonly Stroke[]): World =>
	strokes.reduce(
		(now, stroke) => (stroke.do === 'wait' ? pass(now, stroke.seconds + 1) : strokeAt(now, stroke)),
		world
	);

/** The clock set by its own menu: each of its fields stepped to the right time, and taken. */
function clockSet(world: World): World {
	const { panel } = world.profile;
	const menu = panel.places.findIndex(({ fields }) => fields.includes('clock-hour'));
	const place = panel.places[menu]!;
	let now = strokesAt(world, place.way);
	const wall = wallAt(PLACE, now.atMs);
	const right = {
		'clock-day': weekdayOfDay(Math.floor(wall / 1440)),
		'clock-hour': Math.floor((wall % 1440) / 60),
		'clock-minute': wall % 60
	};
	for (const field of menuFields(world.profile, place)) {
		const at = menuAt(world.profile, now.machine.memory, field, (now.atMs - now.startMs) / 1000)!;
		const steps = field.id in right ? right[field.id as keyof typeof right] - at : 0;
		const key = steps > 0 ? place.up : place.down;
		if (steps !== 0) now = strokesAt(now, [{ do: 'press', key, times: Math.abs(steps) }]);
		now = strokesAt(now, [place.take]);
	}
	return strokesAt(now, now.machine.place ? place.leave : []);
}

/** Somebody who puts right what is wrong: the clock at its menu, the mode, the menus, the week by what the card asks for. */
function byKeys({ world, planned, mode }: Planted, card: ToKey): World {
	const { profile } = world;
	let now = changed(world, { linked: true, sunK: 0 });
	const reach = (goal: Goal) => {
		const keys = keysFrom(profile, now.machine, goal)!;
		now = strokesAt(now, [...keys.way, ...(keys.change ?? []), ...keys.take]);
		now = strokesAt(now, strokesToRest(profile, now.machine));
	};
	if (profile.habits.clock.summerTime !== 'no-clock') now = clockSet(now);
	for (const { id } of profile.menu)
		if (now.machine.memory.menu[id] !== planned.menu[id])
			reach({ of: 'menu', id, position: planned.menu[id]! });
	for (let n = 0; n < 900; n++) {
		const next = rehearsed(profile, card, now.machine);
		if (next.at === 'done') break;
		now = strokesAt(now, next.at === 'leaving' ? next.strokes : strokesOf(next.keys!).slice(0, 1));
	}
	const modes = profile.panel.modes;
	if (modes && now.machine.mode !== mode)
		now = strokesAt(
			now,
			keysFrom(profile, now.machine, { of: 'mode', name: modes.names[mode]!, when: 'after' })!.way
		);
	return now;
}

describe('faults of a stand-in', () => {
	it('each can be planted where the control can have it, shows in what it does, and is told from one that is mended', () => {
		const seen = new Map<Fault, number>();
		for (const profile of operable)
			for (const fault of FAULTS) {
				const world = commissioned(profile);
				expect(
					stillWrong(plant(world, fault === 'sensor-in-sun' ? fault : 'sensor-in-sun', seeded(1)), world)
				).toEqual([]);
				if (!canHave(world, fault)) continue;
				for (let seed = 1; seed <= 4; seed++) {
					const planted = plant(world, fault, seeded(seed));
					const name = `${profile.id} ${fault} ${seed}`;
					expect(stillWrong(planted, planted.world), name).not.toEqual([]);
					// what is wrong shows: another setpoint some time in nine days, or a receiver or sensor that is not as it should be
					const shows =
						nineDays(planted.world) !== nineDays(world) ||
						!planted.world.around.linked ||
						planted.world.around.sunK > 0 ||
						stillWrong(planted, planted.world).includes('clock');
					expect(shows, name).toBe(true);
					seen.set(fault, (seen.get(fault) ?? 0) + 1);
				}
			}
		for (const fault of FAULTS) expect(seen.get(fault) ?? 0, fault).toBeGreaterThan(3);
	});

	it('each is put right by the keys, but for the two that are mended beside it: the pairing and the sun', () => {
		const mended = new Map<Fault, number>();
		for (const profile of operable)
			for (const fault of FAULTS) {
				const card = cardOf(profile);
				const world = pass(
					keyedIn(begin(profile, startMs, { timeZone: PLACE }), cardAsNew(profile, card).memory),
					3600
				);
				if (!canHave(world, fault)) continue;
				const planted = plant(world, fault, seeded(7));
				expect(stillWrong(planted, byKeys(planted, card)), `${profile.id} ${fault}`).toEqual([]);
				mended.set(fault, (mended.get(fault) ?? 0) + 1);
			}
		for (const fault of FAULTS) expect(mended.get(fault) ?? 0, fault).toBeGreaterThan(0);
	});

	it('the same seed plants the same', () => {
		const world = commissioned(operable[0]!);
		const twice = [1, 2].map(() => plant(world, 'hands-at-the-keys', seeded(9)).world.machine.memory.days);
		expect(twice[0]).toEqual(twice[1]);
	});

	it('batteries that were out for an hour lose at most what the control says that it loses', () => {
		for (const profile of operable) {
			const world = commissioned(profile);
			const { reserveMinutes, programKept } = profile.habits.clock;
			if (reserveMinutes === null) continue;
			expect(
				stillWrong(
					plant(world, 'sensor-in-sun', seeded(1)),
					cutPower(world, Math.max(0, reserveMinutes - 1))
				),
				profile.id
			).toEqual([]);
			const out = plant(world, 'batteries-out', seeded(1));
			if (programKept) expect(stillWrong(out, out.world), profile.id).not.toContain('week');
		}
	});
});
