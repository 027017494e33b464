import { timeStep, type ControlProfile } from '../control';
import { heldInZone, levelOf, wantedWeek, type Room, type Zone } from '../plan';
import { DAY_MINUTES, mapWeek, WEEK_MINUTES, wrapWeek, type WeekSteps } from '../week';
import { floorLimitOf } from './classes';
import { closeIdeal, IDEAL_STEP, runIdeal, stateAt } from './ideal';
import { periodic, type Closed } from './periodic';
import { governedOf, heldAt, surfaceOf, timeConstantHours, type RoomModel } from './roomModel';
import { byMinute, readyRoom, simulate, type Simulation } from './simulate';
import {
	enoughDownTo,
	highestOf,
	idealRoom,
	leadOfNight,
	overnightLow,
	REACHED_K,
	warmUpCurve,
	type Night,
	type WarmUp
} from './warmUp';
import { DAILY_RANGE_K, designDay, outdoorWeek } from './weather';

/** Longest lead that is ever typed. */
export const LONGEST_LEAD = 720;

/** A held value as a run takes it: °C, or on a switch always on (60 °C) or off (NaN). */
export function setpointForRun(profile: ControlProfile, c: number): number {
	if (profile.temperature) return c;
	return c >= 0.5 ? 60 : NaN;
}

/** The warmest setpoint that a zone's control holds, in °C. */
export function warmestHeld(zone: Zone, profile: ControlProfile): number {
	return Math.max(...zone.levels.map((level) => heldInZone(zone, profile, level.setpointC)));
}

/** When what feeds a room may run; null where nothing holds it back. */
export type Permission = WeekSteps<boolean> | null;

/** Setpoints by minute, off (NaN) where what feeds the room may not run: a control that calls then calls in vain. */
export function gatedBy(permission: Permission, setpointC: Float64Array): Float64Array {
	if (!permission) return setpointC;
	const may = byMinute(
		mapWeek(permission, (on) => (on ? 1 : 0)),
		setpointC.length
	);
	return setpointC.map((c, minute) => (may[minute] ? c : NaN));
}

/** What frost level keeps, in °C, where the zone has no lower level: common practice is 5 to 7. */
const FROST_C = 7;

/** Setpoints by minute with the frost level in the place of every setback. */
export function frostBetween(setpointC: Float64Array, zone: Zone, warmestC: number): Float64Array {
	const frostC = Math.min(FROST_C, ...zone.levels.map((level) => level.setpointC));
	return setpointC.map((c) => (c < warmestC - 0.01 ? frostC : c));
}

/** A rise of the wanted week and the time its room needs for it. */
export interface RiseLead {
	/** Week minute of the need. */
	readonly at: number;
	readonly night: Night;
	/** Minutes, on the control's step; null where the room does not get there. */
	readonly minutes: number | null;
	readonly highestC: number;
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

/** The wanted week as the control can be set to it, in °C (0/1 on a switch). */
const settableWeek = (zone: Zone, profile: ControlProfile) =>
	mapWeek(wantedWeek(zone), (id) => heldInZone(zone, profile, levelOf(zone, id).setpointC));

/** The rises of a wanted week, as far as its control can be set, with the nights before them: how long it was lower, from what to what. */
export function nightsOf(zone: Zone, profile: ControlProfile): { at: number; night: Night }[] {
	const steps = settableWeek(zone, profile);
	const c = (i: number) => steps[(i + steps.length) % steps.length]!.value;
	return steps.flatMap((step, i) => {
		if (steps.length < 2 || c(i) <= c(i - 1)) return [];
		// back to the last time it was as warm as now: everything between is the night
		let back = 1;
		while (back < steps.length && c(i - back) < c(i)) back++;
		const began = steps[(i - back + 1 + steps.length) % steps.length]!.at;
		const lowest = Math.min(...Array.from({ length: back - 1 }, (_, k) => c(i - 1 - k)));
		const minutes = wrapWeek(step.at - began) || WEEK_MINUTES;
		return [{ at: step.at, night: { beforeC: c(i - back), setbackC: lowest, minutes, comfortC: c(i) } }];
	});
}

/** How often the leads are found anew from the week that they make, at most, and within how many minutes they stand. */
const LEAD_ROUNDS = 40;
const LEAD_STANDS_MINUTES = 0.5;
const WEEK_STEPS = WEEK_MINUTES / IDEAL_STEP;

/** At a need a room is judged warm within so much of what is wanted, in K, and half of what its control swings by. */
const JUDGED_K = 0.1;
/** How often leads are lengthened until a run of the room with its own control is warm at every need. */
const JUDGED_ROUNDS = 24;

/**
 * Leads as a run of the room with its own control proves them, in whole steps: one with which the room is not warm at its need is lengthened until it is; null where the
 * longest does not warm it, or the whole night before it. `ideal` are those of a room regulated ideally: a control that swings, that waits between starts,
 * and whose sensor lags is later.
 */
function judgedLeads(
	zone: Zone,
	room: Room,
	profile: ControlProfile,
	outdoorC: number,
	nights: readonly { readonly at: number; readonly night: Night }[],
	ideal: readonly (number | null)[],
	step: number
): (number | null)[] {
	const { ready, set, closed } = laidOut(zone, room, profile, settableWeek(zone, profile), outdoorC, null);
	const { by } = ready.regulation;
	const within = JUDGED_K + (by.kind === 'on-off' ? by.differentialK : by.bandK) / 2;
	const longest = ({ night }: { readonly night: Night }) =>
		Math.floor(Math.min(LONGEST_LEAD, night.minutes) / step) * step;
	/** How far what is governed is under what is wanted at each need, with these leads in the week, in K. */
	const shortK = (leads: readonly (number | null)[]) => {
		const setpointC = set.slice();
		nights.forEach(({ at, night }, i) => {
			for (let back = 1; back <= Math.min(leads[i] ?? LONGEST_LEAD, night.minutes); back++) {
				const minute = (at - back + WEEK_MINUTES) % WEEK_MINUTES;
				setpointC[minute] = Math.max(setpointC[minute]!, night.comfortC);
			}
		});
		const { air, emitter } = closed(setpointC, true).run;
		return nights.map(({ at, night }) => {
			const last = (at - 1 + WEEK_MINUTES) % WEEK_MINUTES;
			return night.comfortC - governedOf(ready.model, air[last]!, emitter[last]!);
		});
	};
	let leads = ideal.map((minutes, i) =>
		Math.min(longest(nights[i]!), minutes === null ? LONGEST_LEAD : Math.ceil(minutes / step - 1e-9) * step)
	);
	let short = shortK(leads);
	for (let round = 0; round < JUDGED_ROUNDS; round++) {
		const next = leads.map((lead, i) => {
			const { night } = nights[i]!;
			if (short[i]! <= within) return lead;
			const kPerMinute = (night.comfortC - night.setbackC) / Math.max(lead, step);
			// what does not come by little steps comes by larger ones
			const more = Math.max(2 ** Math.floor(round / 6), Math.floor((short[i]! - within) / kPerMinute / step));
			return Math.min(longest(nights[i]!), lead + more * step);
		});
		if (next.every((lead, i) => lead === leads[i])) break;
		leads = next;
		short = shortK(leads);
	}
	return leads.map((lead, i) => (short[i]! <= within ? lead : null));
}

/**
 * The lead of every rise on design days of that mean outdoor temperature, rounded up to the control's step, or to five
 * minutes: the latest beginning with which the room is warm at its need. The room is run through its week, closed on itself,
 * with the leads themselves in it, so that a slow room starts from where it really is: they are found anew until they stand, each time half way (a longer
 * lead makes a warmer room, and that a shorter lead). Not reached (null) where they come to no stand. None on a switch, which governs no temperature.
 */
export function risesOf(zone: Zone, room: Room, profile: ControlProfile, outdoorC: number): RiseLead[] {
	if (!profile.temperature) return [];
	const ideal = idealRoom(room);
	// finer than five minutes nobody can foretell
	const step = Math.max(timeStep(profile), IDEAL_STEP);
	const outdoor = designDay(outdoorC, DAILY_RANGE_K);
	const outdoorBySteps = Float64Array.from({ length: WEEK_STEPS }, (_, i) => outdoor((i + 0.5) * IDEAL_STEP));
	const plain = sampledEvery(byMinute(settableWeek(zone, profile), WEEK_MINUTES), IDEAL_STEP);
	const highestC = highestOf(ideal, outdoorC);
	const nights = nightsOf(zone, profile);
	if (nights.length === 0) return [];
	const warmest = Math.max(...plain);
	let guess: ArrayLike<number> = heldAt(ideal.model, Math.min(warmest, highestC), outdoorC).state;
	/** The leads that the week with these leads in it asks for. */
	const askedBy = (leads: readonly (number | null)[]) => {
		const setpointC = plain.slice();
		nights.forEach(({ at, night }, i) => {
			for (let back = 1; back * IDEAL_STEP <= Math.min(leads[i] ?? LONGEST_LEAD, night.minutes); back++) {
				const slot = (Math.round(at / IDEAL_STEP) - back + WEEK_STEPS) % WEEK_STEPS;
				setpointC[slot] = Math.max(setpointC[slot]!, night.comfortC);
			}
		});
		const week = closeIdeal(ideal, guess, setpointC, outdoorBySteps);
		guess = stateAt(week, 0).slice();
		return nights.map(({ at, night }) => {
			const goalC = night.comfortC - REACHED_K;
			if (highestC < goalC) return null;
			const steps = Math.min(Math.round(night.minutes / IDEAL_STEP), WEEK_STEPS - 1);
			const from = (Math.round(at / IDEAL_STEP) - steps + WEEK_STEPS) % WEEK_STEPS;
			const ofNight = (values: Float64Array) =>
				Float64Array.from({ length: steps }, (_, i) => values[(from + i) % WEEK_STEPS]!);
			const nightOutdoorC = ofNight(outdoorBySteps);
			const track = runIdeal(ideal, stateAt(week, from), ofNight(plain), nightOutdoorC);
			return leadOfNight(ideal, track, goalC, nightOutdoorC)?.minutes ?? null;
		});
	};
	let leads: readonly (number | null)[] = nights.map(() => 0);
	for (let round = 0; round < LEAD_ROUNDS; round++) {
		const before = leads;
		const asked = askedBy(before);
		const stands = asked.every(
			(lead, i) => Math.abs((lead ?? LONGEST_LEAD) - (before[i] ?? LONGEST_LEAD)) <= LEAD_STANDS_MINUTES
		);
		// one that was not reached may be, once the room is as warm as that leaves it
		leads =
			round === 0
				? asked
				: asked.map((lead, i) => {
						const [now, then] = [lead ?? LONGEST_LEAD, before[i] ?? LONGEST_LEAD];
						return stands ? lead : (now + then) / 2;
					});
		if (stands) break;
	}
	const judged = judgedLeads(zone, room, profile, outdoorC, nights, leads, step);
	return nights.map(({ at, night }, i) => ({ at, night, minutes: judged[i]!, highestC }));
}

/** The longest night before a rise to the zone's warmest, with its need: the one that the curve is drawn for; null where there is none. */
function longestNight(
	zone: Zone,
	profile: ControlProfile
): { readonly at: number; readonly night: Night } | null {
	const nights = nightsOf(zone, profile);
	const warmest = Math.max(...nights.map(({ night }) => night.comfortC));
	// a night, not a weekend: of the usual lengths the longest
	const usual = nights.filter(({ night }) => night.comfortC === warmest && night.minutes <= DAY_MINUTES);
	const among = usual.length > 0 ? usual : nights.filter(({ night }) => night.comfortC === warmest);
	return among.reduce<{ at: number; night: Night } | null>(
		(best, one) => (!best || one.night.minutes > best.night.minutes ? one : best),
		null
	);
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

/** The wanted week in °C (0/1 on a switch). */
const wantedWeekC = (zone: Zone) => mapWeek(wantedWeek(zone), (id) => levelOf(zone, id).setpointC);

/** A room and a held week laid out by minute for a run at an outdoor temperature. */
function laidOut(
	zone: Zone,
	room: Room,
	profile: ControlProfile,
	heldTarget: WeekSteps<number>,
	outdoorC: number,
	permission: Permission
) {
	const ready = readyRoom(room, profile.habits.minimumOffMinutes);
	const outdoor = outdoorWeek(outdoorC);
	const set = byMinute(heldTarget, WEEK_MINUTES).map((c) => setpointForRun(profile, c));
	const want = byMinute(wantedWeekC(zone), WEEK_MINUTES);
	/** A week that ends as it began. */
	const closed = (setpointC: Float64Array, record = false) =>
		periodic({
			...ready,
			outdoorC: outdoor,
			setpointC: gatedBy(permission, setpointC),
			// a switch governs no temperature: nothing is held against it
			...(profile.temperature ? { wantedC: want } : {}),
			record
		});
	return { ready, outdoor, set, want, closed };
}

/** Every so many minutes the value there. */
const sampledEvery = (values: Float64Array, minutes: number) =>
	Float64Array.from({ length: values.length / minutes }, (_, i) => values[i * minutes]!);

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
	const { air, emitter } = closed(set, true).run;
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
	return heldWeeks.map((held) => {
		const key = JSON.stringify(held);
		const had = known.get(key);
		if (had !== undefined) return had;
		const { set, closed } = laidOut(zone, room, profile, held, outdoorC, permission);
		const minutes = closed(set).run.coldMinutes;
		known.set(key, minutes);
		return minutes;
	});
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
	const week = closed(set, true);
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
		rises: risesOf(zone, room, profile, outdoorC),
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
