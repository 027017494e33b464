import { wallAt, MINUTE_MS } from '../civil';
import { isSwitch } from '../control';
import { settled, withoutPower, type Operable } from '../machine';
import { designDay, simulate, simulateBoth } from '../thermal';
import { DAY_MINUTES } from '../week';
import { heldOver, withoutEnded } from './held';
import { ready } from './room';
import { anchored, secondsOf, withClock, LOG_MINUTES, type LogPoint, type World } from './world';

/** What a receiver does with the call of its control: it follows; or, having heard nothing for long, does as it is made. */
export function receiverStands({
	profile,
	around,
	heardMs,
	atMs
}: World): 'follows' | 'off' | 'stays' | 'part-time' {
	const { receiver } = profile.operation;
	if (!profile.habits.paired || around.linked) return 'follows';
	const aloneMs = (receiver?.aloneAfterMinutes ?? 60) * MINUTE_MS;
	return atMs - heardMs < aloneMs ? 'stays' : (receiver?.alone ?? 'off');
}

/** The K by which the sun has a sensor read too warm at a wall minute of the day: most at noon. */
const sunAt = (minute: number, sunK: number) =>
	sunK * Math.max(0, Math.sin((Math.PI * (minute - 9 * 60)) / (6 * 60)));

/** The world after so many seconds: the room warmed and cooled minute by minute, its menus left by themselves. */
export function pass(world: World, seconds: number): World {
	const toMs = world.atMs + seconds * 1000;
	const first = Math.floor(world.atMs / MINUTE_MS);
	const minutes = Math.floor(toMs / MINUTE_MS) - first;
	const heard = world.around.linked ? { heardMs: toMs } : {};
	const moved = minutes > 0 ? roomRun(world, first * MINUTE_MS, minutes) : world;
	const machine = settled(world.profile, moved.machine, secondsOf(world, toMs));
	return withoutEnded(withClock({ ...moved, ...heard, machine, atMs: toMs }));
}

function roomRun(world: World, fromMs: number, minutes: number): World {
	const { profile, around } = world;
	const { model, regulation } = ready(profile, around);
	const outdoor = designDay(around.outdoorC, around.rangeK);
	const wall = wallAt(around.timeZone, fromMs);
	const toMs = fromMs + minutes * MINUTE_MS;
	const outdoorC = new Float64Array(minutes);
	const setpointC = new Float64Array(minutes).fill(NaN);
	const set: (number | null)[] = Array<number | null>(minutes).fill(null);
	const coolC = new Float64Array(minutes).fill(NaN);
	const stands = receiverStands({ ...world, atMs: toMs });
	for (const { fromMs: from, toMs: to, setC, coolC: cool } of heldOver(world, fromMs, toMs))
		for (
			let i = Math.max(0, Math.ceil((from - fromMs) / MINUTE_MS));
			i < Math.min(minutes, Math.ceil((to - fromMs) / MINUTE_MS));
			i++
		) {
			set[i] = setC;
			coolC[i] = cool ?? NaN;
		}
	for (let i = 0; i < minutes; i++) {
		const minute = (wall + i) % DAY_MINUTES;
		outdoorC[i] = outdoor(minute);
		const wanted = set[i] ?? NaN;
		const follows = isSwitch(profile)
			? wanted >= 0.5
				? ALWAYS_C
				: NaN
			: wanted - sunAt(minute, around.sunK);
		setpointC[i] =
			stands === 'follows'
				? follows
				: stands === 'off'
					? NaN
					: stands === 'stays'
						? world.relay.on
							? ALWAYS_C
							: NaN
						: // a third of every half hour (common practice)
							minute % 30 < 10
							? ALWAYS_C
							: NaN;
	}
	const asks = {
		model,
		regulation: stands === 'follows' && !isSwitch(profile) ? regulation : { ...regulation, by: SWITCHED },
		outdoorC,
		start: world.temperatures,
		control: world.relay
	};
	const both =
		profile.cooling && stands === 'follows'
			? simulateBoth({ ...asks, heatC: setpointC, coolC, side: world.side })
			: null;
	const run = both ?? simulate({ ...asks, setpointC, record: true });
	const points = Array.from({ length: minutes }, (_, i): LogPoint => ({
		atMs: fromMs + (i + 1) * MINUTE_MS,
		roomC: run.air[i]!,
		outdoorC: outdoorC[i]!,
		setC: set[i]!,
		coolC: Number.isNaN(coolC[i]!) ? null : coolC[i]!,
		heats: run.heating[i] === 1,
		cools: both?.cooling[i] === 1
	}));
	const log = world.log.length + minutes > LOG_MINUTES * 1.1 ? world.log.slice(-LOG_MINUTES) : world.log;
	const side = both?.side ?? world.side;
	return { ...world, temperatures: run.end, relay: run.control, side, log: [...log, ...points] };
}

/** Above any room: what is switched on by time alone, or by a receiver, heats whatever the room is. */
const ALWAYS_C = 60;
const SWITCHED = { kind: 'on-off', differentialK: 0.1 } as const;

/** Its power gone for so many minutes: nothing heats, and the clock and what it does not keep may be lost. */
export function cutPower(world: World, minutes: number): World {
	const { profile } = world;
	const first = Math.floor(world.atMs / MINUTE_MS);
	// a world in which nobody calls for heat, for so long
	const dark = roomRun(
		{ ...world, around: { ...world.around, linked: false }, heardMs: -Infinity, profile: silent(profile) },
		first * MINUTE_MS,
		minutes
	);
	const atMs = world.atMs + minutes * MINUTE_MS;
	const machine = withoutPower(profile, dark.machine, minutes * 60, secondsOf(world, atMs));
	const lost = machine.memory.clock !== dark.machine.memory.clock;
	const next: World = {
		...dark,
		profile,
		around: world.around,
		heardMs: atMs,
		machine,
		done: [],
		atMs
	};
	return withClock(lost ? anchored(next, machine.memory.clock) : next);
}

/** A control of which a receiver hears nothing, and that then stays off. */
const silent = (profile: Operable): Operable => ({
	...profile,
	habits: { ...profile.habits, paired: true },
	operation: {
		...profile.operation,
		receiver: { pairing: '-', ownKey: '', alone: 'off', aloneAfterMinutes: 1, lamps: [] }
	}
});
