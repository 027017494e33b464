import { describe, expect, it } from 'vitest';
import { anyMemoryOf } from '../../../tests/support/keyedMemory';
import { operable } from '../../../tests/support/anyZone';
import { instantOf, wallMinute } from '../civil';
import {
	begin,
	canHave,
	cutPower,
	FAULTS,
	heldOver,
	pass,
	plant,
	seeded,
	stillWrong,
	type Fault,
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
