import { heldSetpoint, timeStep, type ControlProfile } from '../control';
import { levelOf, wantedWeek, type Room, type Zone } from '../plan';
import { DAY_MINUTES, mapWeek, WEEK_MINUTES, wrapWeek, type WeekSteps } from '../week';
import { floorLimitOf } from './classes';
import { roomModel, timeConstantHours } from './roomModel';
import { byMinute, outdoorByMinute, readyRoom, simulate, type Simulation } from './simulate';
import { enoughDownTo, overnightLow, warmUp, warmUpCurve, type Night, type WarmUp } from './warmUp';
import { DAILY_RANGE_K, designDay } from './weather';

/** A week runs in before the one that is looked at. */
const RUN_IN = WEEK_MINUTES;
/** Longest lead that is ever typed. */
export const LONGEST_LEAD = 720;

/** A held value as a run takes it: °C, or on a switch always on (60 °C) or off (NaN). */
export function setpointForRun(profile: ControlProfile, c: number): number {
	if (profile.temperature) return c;
	return c >= 0.5 ? 60 : NaN;
}

/** The warmest setpoint that a zone's control holds, in °C. */
export function warmestHeld(zone: Zone, profile: ControlProfile): number {
	return Math.max(...zone.levels.map((level) => heldSetpoint(profile, zone.options, level.setpointC)));
}

/** Setpoints by minute with the frost level in the place of every setback. */
export function frostBetween(setpointC: Float64Array, zone: Zone, warmestC: number): Float64Array {
	const frostC = Math.min(7, ...zone.levels.map((level) => level.setpointC));
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
	readonly kWhPerDay: number;
	readonly coldMinutes: number;
	readonly coldestC: number;
	readonly startsPerDay: number;
}

/** The rises of a wanted week with the nights before them: how long it was lower, from what to what. */
export function nightsOf(zone: Zone): { at: number; night: Night }[] {
	const steps = wantedWeek(zone);
	const c = (i: number) => levelOf(zone, steps[(i + steps.length) % steps.length]!.value).setpointC;
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

/** How long before a need the outdoor temperature counts for its lead, in minutes. */
const MORNING = 240;

/** The lead of every rise on a day of that mean outdoor temperature (a morning is colder), rounded up to the control's step, or to five minutes. */
export function risesOf(zone: Zone, room: Room, profile: ControlProfile, outdoorC: number): RiseLead[] {
	const model = roomModel(room);
	// finer than five minutes nobody can foretell
	const step = Math.max(timeStep(profile), 5);
	const outdoor = designDay(outdoorC, DAILY_RANGE_K);
	return nightsOf(zone).map(({ at, night }) => {
		let sum = 0;
		for (let back = 15; back <= MORNING; back += 15) sum += outdoor(at - back);
		const { minutes, highestC } = warmUp(room, night, sum / (MORNING / 15), model);
		return {
			at,
			night,
			minutes: minutes === null || minutes > LONGEST_LEAD ? null : Math.ceil(minutes / step) * step,
			highestC
		};
	});
}

/** The longest night before a rise to the zone's warmest: the one that the curve is drawn for; null where there is none. */
export function longestNight(zone: Zone): Night | null {
	const nights = nightsOf(zone).map(({ night }) => night);
	const warmest = Math.max(...nights.map((night) => night.comfortC));
	// a night, not a weekend: of the usual lengths the longest
	const usual = nights.filter((night) => night.comfortC === warmest && night.minutes <= DAY_MINUTES);
	const among = usual.length > 0 ? usual : nights.filter((night) => night.comfortC === warmest);
	return among.reduce<Night | null>(
		(best, night) => (!best || night.minutes > best.minutes ? night : best),
		null
	);
}

export interface Proof {
	readonly outdoorC: number;
	readonly timeConstantHours: number;
	/** The week as the control runs it, every fifth minute from Monday 00:00: °C, and share of the five minutes heated. */
	readonly days: {
		readonly air: readonly number[];
		readonly set: readonly number[];
		readonly wanted: readonly number[];
		readonly outdoor: readonly number[];
		readonly heating: readonly number[];
	};
	readonly night: Night | null;
	readonly curve: readonly WarmUp[];
	/** The lowest outdoor temperature down to which half an hour is enough; null where it never is. */
	readonly halfHourDownTo: number | null;
	readonly rises: readonly RiseLead[];
	readonly ways: { readonly steady: Way; readonly programmed: Way; readonly frost: Way };
	/** How far the room falls in its longest night with the heating off. */
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

function way(run: Simulation, days: number): Way {
	return {
		kWhPerDay: run.heatJ / 3.6e6 / days,
		coldMinutes: run.coldMinutes,
		coldestC: run.coldest.c,
		startsPerDay: run.starts / days
	};
}

/** A room and a held week laid out by minute for a run at an outdoor temperature. */
function laidOut(
	zone: Zone,
	room: Room,
	profile: ControlProfile,
	heldTarget: WeekSteps<number>,
	outdoorC: number
) {
	const ready = readyRoom(room, profile.habits.minimumOffMinutes);
	const minutes = RUN_IN + WEEK_MINUTES;
	const outdoor = outdoorByMinute(designDay(outdoorC, DAILY_RANGE_K), minutes);
	const set = byMinute(heldTarget, minutes).map((c) => setpointForRun(profile, c));
	const want = byMinute(
		mapWeek(wantedWeek(zone), (id) => levelOf(zone, id).setpointC),
		minutes
	);
	const wantedC = profile.temperature ? want : new Float64Array(minutes).fill(-100);
	/** A run of two weeks of which the second counts. */
	const second = (setpointC: Float64Array, record = false) => {
		const first = simulate({
			...ready,
			outdoorC: outdoor.subarray(0, RUN_IN),
			setpointC: setpointC.subarray(0, RUN_IN)
		});
		return simulate({
			...ready,
			outdoorC: outdoor.subarray(RUN_IN),
			setpointC: setpointC.subarray(RUN_IN),
			wantedC: wantedC.subarray(RUN_IN),
			start: first.end,
			record
		});
	};
	return { ready, minutes, outdoor, set, want, second };
}

/** Of values by minute every fifth, to the hundredth, for a week. */
const sampled = (values: ArrayLike<number>, from = 0) =>
	Array.from({ length: WEEK_MINUTES / EVERY }, (_, i) => Math.round(values[from + i * EVERY]! * 100) / 100);

/** The room's air alone of {@link proofOf}, in °C every five minutes from Monday 00:00: quick enough to follow a drag. */
export function roomWeek(
	zone: Zone,
	room: Room,
	profile: ControlProfile,
	heldTarget: WeekSteps<number>,
	outdoorC: number
): number[] {
	const { set, second } = laidOut(zone, room, profile, heldTarget, outdoorC);
	return sampled(second(set, true).air);
}

/**
 * What a room will do under its held week at an outdoor temperature (mean of the day, °C): the week run through, the
 * warm-up against outdoor temperature, steady against programmed against frost level, how far it falls, how it swings.
 * `heldTarget` is the held week in °C. Cold counts against the wanted week, not the setpoint.
 */
export function proofOf(
	zone: Zone,
	room: Room,
	profile: ControlProfile,
	heldTarget: WeekSteps<number>,
	outdoorC: number
): Proof {
	const { ready, minutes, outdoor, set, want, second } = laidOut(zone, room, profile, heldTarget, outdoorC);
	const warmest = warmestHeld(zone, profile);
	const programmed = second(set, true);
	const steady = second(
		new Float64Array(minutes).fill(setpointForRun(profile, profile.temperature ? warmest : 1))
	);
	const frost = second(frostBetween(set, zone, warmest));
	const night = longestNight(zone);
	const curve = night ? warmUpCurve(room, night) : [];
	const settings = room.regulation.kind === 'on-off' ? [0.3, 0.5, 1, 2] : [2, 3, 6, 9];
	const afternoon = 2 * DAY_MINUTES;
	const limitC = floorLimitOf(room);
	return {
		outdoorC,
		timeConstantHours: timeConstantHours(ready.model),
		days: {
			air: sampled(programmed.air),
			set: sampled(set, RUN_IN),
			wanted: sampled(want, RUN_IN),
			outdoor: sampled(outdoor, RUN_IN),
			heating: Array.from(
				{ length: WEEK_MINUTES / EVERY },
				(_, i) =>
					programmed.heating.subarray(i * EVERY, (i + 1) * EVERY).reduce((sum, on) => sum + on, 0) / EVERY
			)
		},
		night,
		curve,
		halfHourDownTo: enoughDownTo(curve, HALF_HOUR),
		rises: risesOf(zone, room, profile, outdoorC),
		ways: { steady: way(steady, 7), programmed: way(programmed, 7), frost: way(frost, 7) },
		overnightLowC: night ? overnightLow(room, night, outdoorC) : null,
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
