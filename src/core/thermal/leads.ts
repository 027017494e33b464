import { timeStep, type ControlProfile } from '../control';
import { heldInZone, levelOf, mostOwnStart, startsEarlyIn, wantedWeek, type Room, type Zone } from '../plan';
import { DAY_MINUTES, mapWeek, WEEK_MINUTES, wrapWeek, type WeekSteps } from '../week';
import { closeIdeal, IDEAL_STEP, runIdeal, stateAt } from './ideal';
import { periodic } from './periodic';
import { governedOf, heldAt } from './roomModel';
import { byMinute, readyRoom } from './simulate';
import { highestOf, idealRoom, leadOfNight, REACHED_K, type Night } from './warmUp';
import { DAILY_RANGE_K, designDay, outdoorWeek } from './weather';

/** Longest lead that is ever typed. */
export const LONGEST_LEAD = 720;

/** A held value as a run takes it: °C, or on a switch always on (60 °C) or off (NaN). */
export function setpointForRun(profile: ControlProfile, c: number): number {
	if (profile.temperature) return c;
	return c >= 0.5 ? 60 : NaN;
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

/** A rise of the wanted week and the time its room needs for it. */
export interface RiseLead {
	/** Week minute of the need. */
	readonly at: number;
	readonly night: Night;
	/** Minutes, on the control's step; null where the room does not get there. */
	readonly minutes: number | null;
	readonly highestC: number;
}

/** The wanted week as the control can be set to it, in °C (0/1 on a switch). */
export const settableWeek = (zone: Zone, profile: ControlProfile) =>
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

/** Setpoints by minute with each rise begun its lead before its need; one without a lead (null) as early as `mostMinutes`, and none earlier. */
export function ledBy(
	setpointC: Float64Array,
	rises: readonly Pick<RiseLead, 'at' | 'night' | 'minutes'>[],
	mostMinutes = LONGEST_LEAD
): Float64Array {
	const led = setpointC.slice();
	for (const { at, night, minutes } of rises)
		for (let back = 1; back <= Math.min(minutes ?? mostMinutes, mostMinutes, night.minutes); back++) {
			const minute = (at - back + WEEK_MINUTES) % WEEK_MINUTES;
			led[minute] = Math.max(led[minute]!, night.comfortC);
		}
	return led;
}

/** Setpoints by minute as a control that finds its own start runs them, as early as it may; those of another as they are. */
export const ownStart = (
	zone: Zone,
	profile: ControlProfile,
	setpointC: Float64Array,
	rises: () => readonly RiseLead[]
): Float64Array =>
	profile.temperature && startsEarlyIn(zone, profile)
		? ledBy(setpointC, rises(), mostOwnStart(zone, profile))
		: setpointC;

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
		const setpointC = ledBy(
			set,
			nights.map((one, i) => ({ ...one, minutes: leads[i]! }))
		);
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
	// what is still short gets all there is, and where that is not enough so do the others: not reached is only what that does not warm
	for (const all of [false, true]) {
		if (short.every((k) => k <= within)) break;
		const most = leads.map((lead, i) => (all || short[i]! > within ? longest(nights[i]!) : lead));
		const left = shortK(most);
		if (all && left.every((k, i) => k > within || short[i]! <= within)) break;
		[leads, short] = [most, left];
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
export function longestNight(
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

/** The wanted week in °C (0/1 on a switch). */
const wantedWeekC = (zone: Zone) => mapWeek(wantedWeek(zone), (id) => levelOf(zone, id).setpointC);

/** A room and a held week laid out by minute for a run at an outdoor temperature. */
export function laidOut(
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
