import isSame from 'fast-deep-equal';
import { instantOf, offsetAt, wallAt, weekdayOfDay, MINUTE_MS } from '../civil';
import { isSwitch } from '../control';
import { factoryClock, isDated, start, type MachineState, type Memory, type Operable } from '../machine';
import type { Room } from '../plan';
import { shownAt, wallSegments, type ControlClock, type Done } from '../run';
import { restAt, type ControlState, type Side } from '../thermal';
import { DAY_MINUTES } from '../week';
import { ready, usualRoom } from './room';

/** What stands about a stand-in: where it hangs, what it heats, the weather. */
export interface Surroundings {
	readonly timeZone: string;
	readonly room: Room;
	/** Mean and daily range of the outdoor temperature, in °C and K. */
	readonly outdoorC: number;
	readonly rangeK: number;
	/** Whether the window stands open: four times the loss. */
	readonly windowOpen: boolean;
	/** Whether control and receiver hear each other. */
	readonly linked: boolean;
	/** K that the sensor reads too warm at noon, in the sun. */
	readonly sunK: number;
}

/** A minute that has passed. */
export interface LogPoint {
	readonly atMs: number;
	readonly roomC: number;
	readonly outdoorC: number;
	/** °C (0/1 on a switch); null where it is off altogether. */
	readonly setC: number | null;
	/** °C above which it cools; null where it does not. */
	readonly coolC: number | null;
	readonly heats: boolean;
	readonly cools: boolean;
}

/** A stand-in in its world at one moment: the control with all that it holds, its clock, the room, and what has been. */
export interface World {
	readonly profile: Operable;
	readonly around: Surroundings;
	readonly startMs: number;
	readonly atMs: number;
	/** Its seconds are those since `startMs`; its clock is set anew from `clock` whenever time passes. */
	readonly machine: MachineState;
	readonly clock: ControlClock;
	/** What somebody did over its week and has not ended: a change by hand, a boost, a hold, an absence, each from when on. How it ends its run tells. */
	readonly done: readonly Done[];
	/** Air, fabric, emitter, sensor in °C. */
	readonly temperatures: readonly number[];
	readonly relay: ControlState;
	/** Which it was about last, where it also cools. */
	readonly side: Side;
	/** When the receiver last heard its control. */
	readonly heardMs: number;
	/** Minute by minute, oldest first; the last days of them. */
	readonly log: readonly LogPoint[];
}

const WEEK_MIN = 7 * DAY_MINUTES;
/** How much of its log a stand-in keeps: four weeks of minutes. */
export const LOG_MINUTES = 4 * WEEK_MIN;

/** A stand-in with a memory and its clock right; or, without one, as new, its clock never set. Its room is at rest. */
export function begin(
	profile: Operable,
	startMs: number,
	around: Partial<Surroundings> & Pick<Surroundings, 'timeZone'>,
	memory?: Memory
): World {
	const room = around.room ?? usualRoom(profile);
	const full: Surroundings = {
		outdoorC: 4,
		rangeK: 6,
		windowOpen: false,
		linked: true,
		sunK: 0,
		...around,
		room
	};
	const { model, regulation } = ready(profile, full);
	const world: World = {
		profile,
		around: full,
		startMs,
		atMs: startMs,
		machine: start(profile, memory),
		clock: {
			follows: profile.habits.clock.summerTime !== 'by-hand',
			anchors: [{ atMs: startMs, errorSeconds: 0 }],
			driftSecondsPerDay: 0
		},
		done: [],
		temperatures: restAt({ model, regulation }, isSwitch(profile) ? 18 : 17, full.outdoorC),
		side: 'heat',
		relay: { on: false, stoppedMinutes: 1e9, anticipatedK: 0, feltC: 17 },
		heardMs: startMs,
		log: []
	};
	return withClock(memory ? world : anchored(world, factoryClock(profile, 0)));
}

/** A stand-in that was keyed and set right by itself: it holds a memory, runs its program, and its clock is right. */
export function commissioned(world: World, memory: Memory): World {
	const { atMs, machine, clock } = world;
	const next: World = {
		...world,
		machine: { ...machine, memory, mode: 0, locked: false, asks: null, place: null, before: null, trail: [] },
		clock: { ...clock, anchors: [...clock.anchors, { atMs, errorSeconds: 0 }] },
		done: []
	};
	return withClock(changed(next, { linked: true, sunK: 0, windowOpen: false }));
}

/** Seconds of the machine's own clock at an instant. */
export const secondsOf = ({ startMs }: World, ms: number) => (ms - startMs) / 1000;

/** What the clock of a stand-in shows at an instant, in wall minutes. */
const shownBy = ({ around, clock }: Pick<World, 'around' | 'clock'>, atMs: number): number =>
	shownAt(wallSegments(around.timeZone, clock, atMs, atMs + MINUTE_MS)[0]!, atMs);

/** The minute of its week that the clock of a stand-in shows at an instant. */
export const clockShows = (world: Pick<World, 'around' | 'clock'>, atMs: number): number =>
	weekMinute(shownBy(world, atMs));

function weekMinute(wall: number): number {
	const day = Math.floor(wall / DAY_MINUTES);
	return weekdayOfDay(day) * DAY_MINUTES + (wall - day * DAY_MINUTES);
}

/** The stand-in with its display's clock as it goes. */
export function withClock(world: World): World {
	const { machine, atMs } = world;
	const shown = shownBy(world, atMs);
	// the second within the minute counts for when it shows the next one
	const atSeconds = Math.floor(secondsOf(world, atMs) / 60) * 60;
	const clock = { minute: weekMinute(shown), date: Math.floor(shown / DAY_MINUTES), atSeconds };
	// within a minute it is the same control
	if (isSame(clock, machine.memory.clock)) return world;
	return { ...world, machine: { ...machine, memory: { ...machine.memory, clock } } };
}

/** A clock that was set, or lost, to what its memory shows: what it is off by from then on, by its date where it has one, else within half a week. */
export function anchored(world: World, { minute, date }: Memory['clock']): World {
	const right = wallAt(world.around.timeZone, world.atMs);
	const apart = (((minute - weekMinute(right)) % WEEK_MIN) + WEEK_MIN) % WEEK_MIN;
	const error = isDated(world.profile)
		? date * DAY_MINUTES + (minute % DAY_MINUTES) - right
		: apart > WEEK_MIN / 2
			? apart - WEEK_MIN
			: apart;
	return {
		...world,
		clock: {
			...world.clock,
			anchors: [...world.clock.anchors, { atMs: world.atMs, errorSeconds: error * 60 }]
		}
	};
}

/** By how many seconds the clock of a stand-in is ahead of the right time, whole days among them. */
export function clockErrorSeconds({ around, clock, atMs }: World): number {
	const [segment] = wallSegments(around.timeZone, clock, atMs, atMs + MINUTE_MS);
	return Math.round((segment!.wallMs - (atMs + offsetAt(around.timeZone, atMs) * MINUTE_MS)) / 1000);
}

/** The world with something about it otherwise. */
export function changed(world: World, part: Partial<Surroundings>): World {
	const around = { ...world.around, ...part };
	return { ...world, around, ...(part.linked ? { heardMs: world.atMs } : {}) };
}

/** The instant at which the right time is next a weekday (0 = Monday) and minute of the day. */
export function nextAt({ around, atMs }: World, day: number, minute: number): number {
	const wall = wallAt(around.timeZone, atMs);
	const now = weekMinute(wall);
	const ahead = (day * DAY_MINUTES + minute - now + WEEK_MIN) % WEEK_MIN || WEEK_MIN;
	return instantOf(around.timeZone, wall + ahead);
}
