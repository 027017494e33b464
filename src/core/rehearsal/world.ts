import { instantOf, offsetAt, wallAt, weekdayOfDay, MINUTE_MS } from '../civil';
import { isSwitch, type HandAct, type Level, type Program } from '../control';
import {
	entryValue,
	factoryClock,
	menuAt,
	modeHolds,
	programOf,
	settled,
	setpointAt,
	start,
	withoutPower,
	type MachineState,
	type Memory,
	type Operable
} from '../machine';
import { roomSchema, settingsSchema, type Room } from '../plan';
import { prepareRun, shownAt, timeline, wallSegments, type ControlClock, type Prepared } from '../run';
import {
	designDay,
	readyRoom,
	restAt,
	roomModel,
	simulate,
	type ControlState,
	type Regulation,
	type RoomModel
} from '../thermal';
import { DAY_MINUTES } from '../week';

/** What somebody did at the control's face: a change of the setpoint, heat for a while, a hold, an absence, the next change now. */
export interface Override {
	readonly what: 'change' | HandAct;
	readonly setpointC: number;
	/** Where it is to begin later: an absence that was set beforehand. */
	readonly fromMs?: number;
	/** Infinity where a person ends it. */
	readonly untilMs: number;
	/** Steps of a boost. */
	readonly steps: number;
}

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
	readonly heats: boolean;
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
	readonly override: Override | null;
	/** An absence that was set, in force or beforehand: it stands over what is changed by hand. */
	readonly absence: Override | null;
	/** Air, fabric, emitter, sensor in °C. */
	readonly temperatures: readonly number[];
	readonly relay: ControlState;
	/** When the receiver last heard its control. */
	readonly heardMs: number;
	/** Minute by minute, oldest first; the last days of them. */
	readonly log: readonly LogPoint[];
}

const WEEK_MIN = 7 * DAY_MINUTES;
/** How much of its log a stand-in keeps: four weeks of minutes. */
export const LOG_MINUTES = 4 * WEEK_MIN;

/** A room of the usual size to hang a stand-in in, by what such a control governs (common practice). */
export function usualRoom(profile: Operable): Room {
	const floor = /floor/.test(profile.family);
	return roomSchema.parse({
		floorAreaM2: 16,
		heightM: 2.5,
		build: 'medium',
		loss: { by: 'survey', insulation: 'fair', exposedM2: 26 },
		emitter: { kind: floor ? 'floor-cable' : 'radiator', ratedW: floor ? 1800 : 1700 },
		sensor: floor ? 'air-with-floor-guard' : 'air',
		finish: floor ? 'tile' : null
	});
}

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
		override: null,
		absence: null,
		temperatures: restAt({ model, regulation }, isSwitch(profile) ? 18 : 17, full.outdoorC),
		relay: { on: false, stoppedMinutes: 1e9, anticipatedK: 0, feltC: 17 },
		heardMs: startMs,
		log: []
	};
	return withClock(memory ? world : anchored(world, factoryClock(profile, 0).minute));
}

/** A stand-in that was keyed and set right by itself: it holds a memory, runs its program, and its clock is right. */
export function commissioned(world: World, memory: Memory): World {
	const { atMs, machine, clock } = world;
	const next: World = {
		...world,
		machine: { ...machine, memory, mode: 0, locked: false, asks: null, place: null, trail: [] },
		clock: { ...clock, anchors: [...clock.anchors, { atMs, errorSeconds: 0 }] },
		override: null,
		absence: null
	};
	return withClock(changed(next, { linked: true, sunK: 0, windowOpen: false }));
}

const models = new WeakMap<
	Room,
	{ readonly closed: RoomModel; readonly open: RoomModel; regulation: Regulation }
>();

/** The room's equations with the window as it stands, and how the control switches. */
function ready(profile: Operable, { room, windowOpen }: Surroundings) {
	let made = models.get(room);
	if (!made) {
		const { model, regulation } = readyRoom(room, profile.habits.minimumOffMinutes);
		made = { closed: model, open: roomModel(withWindowOpen(room)), regulation };
		models.set(room, made);
	}
	return { model: windowOpen ? made.open : made.closed, regulation: made.regulation };
}

/** A room that loses four times as much (common practice for a window that stands wide open). */
function withWindowOpen(room: Room): Room {
	const { loss } = room;
	return loss.by === 'survey'
		? { ...room, loss: { ...loss, exposedM2: loss.exposedM2 * 4 } }
		: { ...room, loss: { ...loss, wattsPerKelvin: loss.wattsPerKelvin * 4 } };
}

/** Seconds of the machine's own clock at an instant. */
export const secondsOf = ({ startMs }: World, ms: number) => (ms - startMs) / 1000;

/** The minute of its week that the clock of a stand-in shows at an instant. */
export function clockShows({ around, clock }: Pick<World, 'around' | 'clock'>, atMs: number): number {
	const shown = shownAt(wallSegments(around.timeZone, clock, atMs, atMs + MINUTE_MS)[0]!, atMs);
	return weekMinute(shown);
}

function weekMinute(wall: number): number {
	const day = Math.floor(wall / DAY_MINUTES);
	return weekdayOfDay(day) * DAY_MINUTES + (wall - day * DAY_MINUTES);
}

/** The stand-in with its display's clock as it goes. */
export function withClock(world: World): World {
	const { machine, atMs } = world;
	const minute = clockShows(world, atMs);
	// the second within the minute counts for when it shows the next one
	const atSeconds = Math.floor(secondsOf(world, atMs) / 60) * 60;
	return { ...world, machine: { ...machine, memory: { ...machine.memory, clock: { minute, atSeconds } } } };
}

/** A clock that was set, or lost, to show a minute of the week: what it is off by from then on. */
export function anchored(world: World, minute: number): World {
	const right = weekMinute(wallAt(world.around.timeZone, world.atMs));
	const apart = (((minute - right) % WEEK_MIN) + WEEK_MIN) % WEEK_MIN;
	const error = apart > WEEK_MIN / 2 ? apart - WEEK_MIN : apart;
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

/** What the limits of its menus hold down; of a control without them nothing. */
export function settingsOf({ profile, machine }: World) {
	const { menu, options } = machine.memory;
	const figure = (means: 'high-limit' | 'low-limit') => {
		const entry = profile.menu.find((one) => one.means === means);
		const at = entry && menu[entry.id];
		return entry && at !== undefined ? entryValue(profile, options.unit, entry, at) : null;
	};
	return settingsSchema.parse({
		highLimitC: figure('high-limit'),
		lowLimitC: figure('low-limit')
	});
}

/** Whether it starts early by itself, by its menus where they say so. */
export function startsEarly(profile: Operable, { menu }: Memory): boolean {
	const entry = profile.menu.find(({ means }) => means === 'early-start');
	const at = entry && menu[entry.id];
	if (!entry || at === undefined || entry.values.kind !== 'choices') return profile.startsEarly;
	return entry.values.choices[at]?.is !== 'off';
}

const prepared = new WeakMap<Memory['days'], { readonly key: string; readonly of: Prepared | null }>();

/** Its program made ready to run; null where a step of it is not known. */
export function preparedOf(world: World, channel = 0): Prepared | null {
	const { profile, machine, around, clock } = world;
	const { memory } = machine;
	const settings = settingsOf(world);
	const early = startsEarly(profile, memory);
	const key = JSON.stringify([
		memory.options,
		memory.setpoints,
		memory.kept,
		settings,
		early,
		clock,
		channel
	]);
	const known = prepared.get(memory.days);
	if (known?.key === key) return known.of;
	const program = programOf(profile, memory, channel);
	const options = { ...memory.options, channel };
	const made =
		program &&
		prepareRun({
			profile,
			options,
			levels: [coolest(program, profile)],
			program,
			settings,
			startsEarly: early,
			exceptions: [],
			timeZone: around.timeZone,
			clock
		});
	prepared.set(memory.days, { key, of: made });
	return made;
}

const coolest = (program: Program, profile: Operable): Level => ({
	id: 'coolest',
	letter: 'C',
	name: 'Coolest',
	note: '',
	setpointC: program.form === 'pairs' ? program.offC : (profile.temperature?.minC ?? 0),
	coolC: null
});

/** A stretch with one setpoint. */
interface Held {
	readonly fromMs: number;
	readonly toMs: number;
	readonly setC: number | null;
}

/** Stretches with an override laid over them, from where it begins to where it ends. */
function over(spans: readonly Held[], override: Override | null): Held[] {
	if (!override) return [...spans];
	const { fromMs: first = -Infinity, untilMs, setpointC } = override;
	return spans.flatMap(({ fromMs, toMs, setC }) => {
		const beginMs = Math.min(toMs, Math.max(fromMs, first));
		const endMs = Math.max(beginMs, Math.min(toMs, untilMs));
		return [
			{ fromMs, toMs: beginMs, setC },
			{ fromMs: beginMs, toMs: endMs, setC: setpointC },
			{ fromMs: endMs, toMs, setC }
		].filter((one) => one.fromMs < one.toMs);
	});
}

/** What it holds from one instant to another, in one channel: °C (0/1 on a switch); null where it is off, or nobody knows. */
export function heldOver(world: World, fromMs: number, toMs: number, channel = 0): Held[] {
	const { profile, machine, override, absence } = world;
	const whole = (setC: number | null): Held[] => [{ fromMs, toMs, setC }];
	const holds = modeHolds(profile, machine);
	if (holds.by === 'figure') {
		const at = menuAt(profile, machine.memory, holds.field, 0);
		return whole(at === undefined ? null : setpointAt(profile, machine.memory.options.unit, at));
	}
	if (holds.by === 'on') return whole(1);
	if (holds.by === 'off') return whole(profile.temperature ? (profile.habits.off?.keepsC ?? null) : 0);
	// what only cools heats nothing
	if (holds.by === 'program' && holds.side === 'cool') return whole(null);
	const ready = preparedOf(world, channel);
	if (!ready) return whole(null);
	const spans = timeline(ready, fromMs, toMs).map((span): Held => ({
		fromMs: span.fromMs,
		toMs: span.toMs,
		setC: span.heatC
	}));
	return over(over(spans, override), absence);
}

/** What it holds now. */
export const setpointNow = (world: World, channel = 0): number | null =>
	heldOver(world, world.atMs, world.atMs + 1, channel)[0]?.setC ?? null;

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
	const lasting = (one: Override | null) => (one && one.untilMs > toMs ? one : null);
	const machine = settled(world.profile, moved.machine, secondsOf(world, toMs));
	return withClock({
		...moved,
		...heard,
		machine,
		override: lasting(world.override),
		absence: lasting(world.absence),
		atMs: toMs
	});
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
	const stands = receiverStands({ ...world, atMs: toMs });
	for (const { fromMs: from, toMs: to, setC } of heldOver(world, fromMs, toMs))
		for (
			let i = Math.max(0, Math.ceil((from - fromMs) / MINUTE_MS));
			i < Math.min(minutes, Math.ceil((to - fromMs) / MINUTE_MS));
			i++
		)
			set[i] = setC;
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
	const run = simulate({
		model,
		regulation: stands === 'follows' && !isSwitch(profile) ? regulation : { ...regulation, by: SWITCHED },
		outdoorC,
		setpointC,
		start: world.temperatures,
		control: world.relay,
		record: true
	});
	const points = Array.from({ length: minutes }, (_, i): LogPoint => ({
		atMs: fromMs + (i + 1) * MINUTE_MS,
		roomC: run.air[i]!,
		outdoorC: outdoorC[i]!,
		setC: set[i]!,
		heats: run.heating[i] === 1
	}));
	const log = world.log.length + minutes > LOG_MINUTES * 1.1 ? world.log.slice(-LOG_MINUTES) : world.log;
	return { ...world, temperatures: run.end, relay: run.control, log: [...log, ...points] };
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
		override: null,
		absence: null,
		atMs
	};
	return withClock(lost ? anchored(next, machine.memory.clock.minute) : next);
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
