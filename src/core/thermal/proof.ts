import { type ControlProfile } from '../control';
import { heldInZone, levelOf, target, type Room, type Zone } from '../plan';
import { DAY_MINUTES, mapWeek, WEEK_MINUTES, type WeekSteps } from '../week';
import { floorLimitOf } from './classes';
import {
	laidOut,
	ledBy,
	longestNight,
	ownStart,
	risesOf,
	setpointForRun,
	settableWeek,
	type Permission,
	type RiseLead
} from './leads';
import { type Closed } from './periodic';
import { governedOf, surfaceOf, timeConstantHours, type RoomModel } from './roomModel';
import { byMinute, simulate, type Simulation } from './simulate';
import { enoughDownTo, overnightLow, warmUpCurve, type Night, type WarmUp } from './warmUp';
import { DAILY_RANGE_K, designDay } from './weather';

/** The warmest setpoint that a zone's control holds, in °C. */
export function warmestHeld(zone: Zone, profile: ControlProfile): number {
	return Math.max(...zone.levels.map((level) => heldInZone(zone, profile, level.setpointC)));
}

/** What frost level keeps, in °C, where the zone has no lower level: common practice is 5 to 7. */
const FROST_C = 7;

/** Setpoints by minute with the frost level in the place of every setback. */
export function frostBetween(setpointC: Float64Array, zone: Zone, warmestC: number): Float64Array {
	const frostC = Math.min(FROST_C, ...zone.levels.map((level) => level.setpointC));
	return setpointC.map((c) => (c < warmestC - 0.01 ? frostC : c));
}

/** A way of running a room over the same week. */
export interface Way {
	/** What it takes in each hour from Monday 00:00, in kWh. */
	readonly hoursKWh: readonly number[];
	readonly kWhPerDay: number;
	readonly coldMinutes: number;
	readonly coldestC: number;
	readonly startsPerDay: number;
}

/** Minutes of the week that are cold while warmth is wanted, by what would mend them. */
export interface ColdBy {
	/** What feeds the room may not run then. */
	readonly sourceMinutes: number;
	/** The control holds another week than is asked of it. */
	readonly weekMinutes: number;
	/** The setpoint rises too late: no lead, or a shorter one than the room needs. */
	readonly leadMinutes: number;
	/** Left with every lead that the room needs: a limit, the swing of the control, or an emitter that is too small. */
	readonly restMinutes: number;
}

export interface Proof {
	readonly outdoorC: number;
	readonly timeConstantHours: number;
	/** What the control governs, and so what is held against what is wanted. */
	readonly governs: 'air' | 'floor' | 'nothing';
	/** The week as the control runs it, every fifth minute from Monday 00:00: °C, and share of the five minutes heated. */
	readonly days: {
		readonly air: readonly number[];
		/** The floor's surface; null where no floor heats. */
		readonly floor: readonly number[] | null;
		readonly set: readonly number[];
		readonly wanted: readonly number[];
		readonly outdoor: readonly number[];
		readonly heating: readonly number[];
		/** 1 where what feeds the room may run, 0 where not; null where nothing holds it back. */
		readonly may: readonly number[] | null;
	};
	readonly night: Night | null;
	readonly curve: readonly WarmUp[];
	/** The lowest outdoor temperature down to which half an hour is enough; null where it never is. */
	readonly halfHourDownTo: number | null;
	readonly rises: readonly RiseLead[];
	/** What the minutes that are cold while warmth is wanted come from. */
	readonly cold: ColdBy;
	readonly ways: { readonly steady: Way; readonly programmed: Way; readonly frost: Way };
	/** How far what is governed falls in its longest night with the heating off. */
	readonly overnightLowC: number | null;
	/** For each differential in K or cycle rate: the swing of the room in K and starts an hour, on an ordinary afternoon. */
	readonly regulation: readonly {
		readonly setting: number;
		readonly swingK: number;
		readonly startsPerHour: number;
	}[];
	readonly floor: { readonly warmestC: number; readonly limitC: number } | null;
	/** Whether any minute of the week is under 5 °C at this outdoor temperature. */
	readonly frost: boolean;
}

const HALF_HOUR = 30;
const EVERY = 5;

/** Days of a typical week. */
const DAYS = WEEK_MINUTES / DAY_MINUTES;

/** What a run takes hour by hour, in kWh: what its emitter is given while it heats, scaled to the heat in J that it takes in all. */
export function hoursOf(
	run: Pick<Simulation, 'heating' | 'emitter'>,
	heatJ: number,
	{ electricW, water }: RoomModel
): number[] {
	const watts = (minute: number) =>
		!run.heating[minute]
			? 0
			: electricW +
				(water ? Math.max(0, water.conductance * (water.temperatureC - run.emitter[minute]!)) : 0);
	const hours = Array.from({ length: run.heating.length / 60 }, (_, hour) => {
		let sum = 0;
		for (let minute = hour * 60; minute < (hour + 1) * 60; minute++) sum += watts(minute);
		return sum / 60_000;
	});
	const all = hours.reduce((a, b) => a + b, 0);
	const scale = all > 0 ? heatJ / 3.6e6 / all : 0;
	return hours.map((kWh) => kWh * scale);
}

function way(closed: Closed, model: RoomModel): Way {
	const { run, heatJ } = closed;
	return {
		hoursKWh: hoursOf(run, heatJ, model),
		kWhPerDay: heatJ / 3.6e6 / DAYS,
		coldMinutes: run.coldMinutes,
		coldestC: run.coldest.c,
		startsPerDay: run.starts / DAYS
	};
}

const hundredth = (value: number) => Math.round(value * 100) / 100;

/** Of values by minute every fifth, to the hundredth, for a week. */
const sampled = (values: ArrayLike<number>) =>
	Array.from({ length: WEEK_MINUTES / EVERY }, (_, i) => hundredth(values[i * EVERY]!));

/** What is governed alone of {@link proofOf} (the air, or the floor on its sensor), in °C every five minutes from Monday 00:00: quick enough to follow a drag. */
export function roomWeek(
	zone: Zone,
	room: Room,
	profile: ControlProfile,
	heldTarget: WeekSteps<number>,
	outdoorC: number,
	permission: Permission = null
): number[] {
	const { ready, set, closed } = laidOut(zone, room, profile, heldTarget, outdoorC, permission);
	const run = ownStart(zone, profile, set, () => risesOf(zone, room, profile, outdoorC));
	const { air, emitter } = closed(run, true).run;
	const { model } = ready;
	return Array.from({ length: WEEK_MINUTES / EVERY }, (_, i) =>
		hundredth(governedOf(model, air[i * EVERY]!, emitter[i * EVERY]!))
	);
}

/**
 * Minutes of a week in which what is governed is itself over half a kelvin under what is wanted ({@link COLD_TOLERANCE_K}), for each of
 * several held weeks in °C at an outdoor temperature (mean of the day, °C); none on a switch. Equal weeks are run once.
 */
export function feltMinutes(
	zone: Zone,
	room: Room,
	profile: ControlProfile,
	heldWeeks: readonly WeekSteps<number>[],
	outdoorC: number,
	permission: Permission = null
): number[] {
	const known = new Map<string, number>();
	let rises: RiseLead[] | undefined;
	return heldWeeks.map((held) => {
		const key = JSON.stringify(held);
		const had = known.get(key);
		if (had !== undefined) return had;
		const { set, closed } = laidOut(zone, room, profile, held, outdoorC, permission);
		const run = ownStart(zone, profile, set, () => (rises ??= risesOf(zone, room, profile, outdoorC)));
		const minutes = closed(run).run.coldMinutes;
		known.set(key, minutes);
		return minutes;
	});
}

/** See {@link ColdBy}: the same week run without what holds the source back, as it is asked for, and with every lead that is needed. */
function coldBy(
	coldMinutes: number,
	zone: Zone,
	room: Room,
	profile: ControlProfile,
	heldTarget: WeekSteps<number>,
	outdoorC: number,
	permission: Permission,
	rises: readonly RiseLead[]
): ColdBy {
	if (coldMinutes === 0) return { sourceMinutes: 0, weekMinutes: 0, leadMinutes: 0, restMinutes: 0 };
	const free = (week: WeekSteps<number>, lead: (set: Float64Array) => Float64Array) => {
		const { set, closed } = laidOut(zone, room, profile, week, outdoorC, null);
		return closed(lead(set)).run.coldMinutes;
	};
	const own = (set: Float64Array) => ownStart(zone, profile, set, () => rises);
	const asked = mapWeek(target(zone).week, (id) => heldInZone(zone, profile, levelOf(zone, id).setpointC));
	const left = [
		permission ? free(heldTarget, own) : coldMinutes,
		free(asked, own),
		free(settableWeek(zone, profile), (set) => ledBy(set, rises))
	];
	// a week that is warmer by chance mends nothing
	const [open, full, led] = left.map((minutes, i) => Math.min(coldMinutes, ...left.slice(0, i), minutes));
	return {
		sourceMinutes: coldMinutes - open!,
		weekMinutes: open! - full!,
		leadMinutes: full! - led!,
		restMinutes: led!
	};
}

/**
 * What a room will do under its held week at an outdoor temperature (mean of the day, °C): the week run through, the
 * warm-up against outdoor temperature, steady against programmed against frost level, how far it falls, how it swings.
 * `heldTarget` is the held week in °C. Cold counts against the wanted week, not the setpoint. Where what feeds the room may run only by
 * `permission`, every way is run under that; the leads are those of the room alone, which the permission then has to follow.
 */
export function proofOf(
	zone: Zone,
	room: Room,
	profile: ControlProfile,
	heldTarget: WeekSteps<number>,
	outdoorC: number,
	permission: Permission = null
): Proof {
	const { ready, outdoor, set, want, closed } = laidOut(
		zone,
		room,
		profile,
		heldTarget,
		outdoorC,
		permission
	);
	const warmest = warmestHeld(zone, profile);
	const rises = risesOf(zone, room, profile, outdoorC);
	const week = closed(
		ownStart(zone, profile, set, () => rises),
		true
	);
	const programmed = week.run;
	const steady = closed(
		new Float64Array(WEEK_MINUTES).fill(setpointForRun(profile, profile.temperature ? warmest : 1)),
		true
	);
	const frost = closed(frostBetween(set, zone, warmest), true);
	const longest = profile.temperature ? longestNight(zone, profile) : null;
	const night = longest?.night ?? null;
	const aboveMean = designDay(0, DAILY_RANGE_K);
	const curve = longest ? warmUpCurve(room, longest.night, aboveMean, longest.at) : [];
	const settings = room.regulation.kind === 'on-off' ? [0.3, 0.5, 1, 2] : [2, 3, 6, 9];
	const afternoon = 2 * DAY_MINUTES;
	const limitC = floorLimitOf(room);
	return {
		outdoorC,
		timeConstantHours: timeConstantHours(ready.model),
		governs: !profile.temperature ? 'nothing' : room.sensor === 'floor' ? 'floor' : 'air',
		days: {
			air: sampled(programmed.air),
			floor:
				ready.model.surfaceShare === null
					? null
					: sampled(programmed.air.map((air, i) => surfaceOf(ready.model, air, programmed.emitter[i]!))),
			set: sampled(set),
			wanted: sampled(want),
			outdoor: sampled(outdoor),
			heating: Array.from(
				{ length: WEEK_MINUTES / EVERY },
				(_, i) =>
					programmed.heating.subarray(i * EVERY, (i + 1) * EVERY).reduce((sum, on) => sum + on, 0) / EVERY
			),
			may:
				permission &&
				sampled(
					byMinute(
						mapWeek(permission, (on) => (on ? 1 : 0)),
						WEEK_MINUTES
					)
				)
		},
		night,
		curve,
		halfHourDownTo: enoughDownTo(curve, HALF_HOUR),
		rises,
		cold: coldBy(programmed.coldMinutes, zone, room, profile, heldTarget, outdoorC, permission, rises),
		ways: {
			steady: way(steady, ready.model),
			programmed: way(week, ready.model),
			frost: way(frost, ready.model)
		},
		overnightLowC: longest ? overnightLow(room, longest.night, outdoorC, aboveMean, longest.at) : null,
		regulation: settings.map((setting) => {
			const run = simulate({
				model: ready.model,
				regulation: {
					...ready.regulation,
					by:
						room.regulation.kind === 'on-off'
							? { kind: 'on-off', differentialK: setting }
							: { kind: 'cycling', perHour: setting, bandK: room.regulation.bandK }
				},
				outdoorC: new Float64Array(afternoon).fill(outdoorC),
				setpointC: new Float64Array(afternoon).fill(profile.temperature ? warmest : 60),
				record: true
			});
			const day = run.air.subarray(DAY_MINUTES);
			return {
				setting,
				swingK:
					day.reduce((a, b) => Math.max(a, b), -Infinity) - day.reduce((a, b) => Math.min(a, b), Infinity),
				startsPerHour: run.starts / (afternoon / 60)
			};
		}),
		floor: limitC === null ? null : { warmestC: programmed.warmestSurfaceC!, limitC },
		frost: programmed.coldest.c < 5
	};
}
