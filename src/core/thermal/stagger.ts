import { timeStep, type ControlProfile } from '../control';
import { leadInputs, mark, startsEarlyIn, targetWeek, withComputedLead, type Lead, type Zone } from '../plan';
import { minuteOfDay, WEEK_MINUTES } from '../week';
import { LONGEST_LEAD, risesOf, type RiseLead } from './leads';
import {
	allOf,
	draw,
	EVERY,
	excess,
	plus,
	prepare,
	reachedBy,
	reckoned,
	sourceOf,
	totalOf,
	type HeatedZone,
	type Limit,
	type Source,
	type Total
} from './siteLoad';
import type { Simulation } from './simulate';
import { REACHED_K } from './warmUp';
import { outdoorWeek } from './weather';

/** A rise of a zone and when its setpoint goes up: minutes before the need. */
export interface StaggeredRise {
	readonly at: number;
	readonly minutes: number;
	/** How many of these minutes are for the sake of the others. */
	readonly earlier: number;
	/** False where the room does not get there however early. */
	readonly reached: boolean;
}

/** The starts of a site's zones under its limit. */
export interface Stagger {
	readonly zones: readonly { readonly id: string; readonly rises: readonly StaggeredRise[] }[];
	/** Whether the mean over the window is nowhere over the limit any more; single minutes may be. */
	readonly meanUnder: boolean;
	/** How many settings were tried by running them. */
	readonly tried: number;
}

interface RiseClass {
	readonly zone: number;
	readonly rises: readonly number[];
	/** The minutes by which it may start earlier, in the control's steps; beginning with none. */
	readonly shifts: readonly number[];
}

/** A start on the control's own step, at or before a wanted lead; in minutes before the need, never past the last fall. */
function onStep(rise: RiseLead, lead: number, step: number): number {
	const start = minuteOfDay(rise.at) - lead;
	const snapped = lead + (((start % step) + step) % step);
	return Math.min(snapped, rise.night.minutes);
}

/** How far back a start is ever moved, in minutes. */
const MOST_EARLIER = 240;
/** A watt-minute of power turned on early weighs at first this share of one over the limit; less when nothing else helps. */
const EARLY_WEIGHT = 0.5;
/** The share of the limit that is aimed at. */
const AIM = 0.985;

/**
 * Starts that keep every room in time and the source under its limit: each rise has at least the lead that its room
 * needs at this outdoor temperature, and some begin earlier. Sought by running the zones: of all single moves the one
 * that takes most off the excess, until none is left, then back towards the need as far as the limit allows. A good
 * answer, not proved the best. Rises of a zone at one time of day move together, so that what is keyed stays simple.
 * `onprogress` hears the share done, 0…1.
 */
export function staggerStarts(
	heated: readonly HeatedZone[],
	limit: Limit,
	outdoorC: number,
	onprogress: (share: number) => void = () => {}
): Stagger {
	const outdoor = outdoorWeek(outdoorC);
	// what the controls hold is not quite what is aimed at: a little is kept back
	const aim = { ...limit, limitW: limit.limitW === null ? null : limit.limitW * AIM };
	const zones = heated.map(prepare);
	const rises = zones.map(({ zone, room, profile }) => risesOf(zone, room, profile, outdoorC));
	const needs = zones.map(({ profile }, z) =>
		rises[z]!.map((rise) =>
			onStep(rise, rise.minutes ?? Math.min(LONGEST_LEAD, rise.night.minutes), timeStep(profile))
		)
	);
	const shift = rises.map((all) => all.map(() => 0));
	const leadsOf = (z: number): Lead => ({
		school: 'computed',
		minutes: 0,
		stopMinutes: zones[z]!.zone.lead.stopMinutes,
		computed: {
			outdoorC,
			inputs: '',
			leads: rises[z]!.map((rise, r) => ({
				at: rise.at,
				minutes: Math.min(needs[z]![r]! + shift[z]![r]!, rise.night.minutes, LONGEST_LEAD),
				earlier: 0
			}))
		}
	});
	/** A control that starts by itself is left to do so: its target is that of the computed need. */
	const movable = zones.map(({ zone, profile }) => !startsEarlyIn(zone, profile));
	const run = (z: number) => draw(zones[z]!, targetWeek({ ...zones[z]!.zone, lead: leadsOf(z) }), outdoor);
	// the lead is reckoned from rest; where the week itself leaves the room short at its need, it gets more
	const ends: Pick<Simulation, 'end' | 'control'>[] = [];
	zones.forEach(({ profile }, z) => {
		for (let tries = 0; tries < 8; tries++) {
			const made = run(z).run;
			ends[z] = made;
			let short = false;
			rises[z]!.forEach((rise, r) => {
				if (rise.minutes === null || profile.temperature === null) return;
				const most = Math.min(rise.night.minutes, LONGEST_LEAD);
				if (reachedBy(zones[z]!, made, rise.at) >= rise.night.comfortC - REACHED_K || needs[z]![r]! >= most)
					return;
				needs[z]![r] = onStep(
					rise,
					Math.min(most, needs[z]![r]! + Math.max(10, timeStep(profile))),
					timeStep(profile)
				);
				short = true;
			});
			if (!short) break;
		}
	});
	const known = new Map<string, Total>();
	let tried = 0;
	/** What a zone draws with its shifts as they stand; every setting is run once. */
	const again = (z: number): Total => {
		const key = `${z} ${shift[z]!.join()}`;
		const before = known.get(key);
		if (before) return before;
		tried++;
		const { power, variance } = draw(
			zones[z]!,
			targetWeek({ ...zones[z]!.zone, lead: leadsOf(z) }),
			outdoor,
			ends[z]
		);
		known.set(key, { power, variance });
		return { power, variance };
	};
	const drawn = zones.map((_, z) => again(z));
	const allW = allOf(zones);
	let total = totalOf(drawn);

	const classes: RiseClass[] = [];
	zones.forEach(({ profile }, z) => {
		if (!movable[z]) return;
		const byTime = new Map<string, number[]>();
		rises[z]!.forEach((rise, r) => {
			const key = `${minuteOfDay(rise.at)} ${rise.night.comfortC}`;
			byTime.set(key, [...(byTime.get(key) ?? []), r]);
		});
		const step = Math.max(timeStep(profile), 15 - (15 % timeStep(profile)));
		for (const members of byTime.values()) {
			const most = Math.max(
				...members.map((r) => Math.min(rises[z]![r]!.night.minutes, LONGEST_LEAD) - needs[z]![r]!)
			);
			const count = Math.max(0, Math.floor(Math.min(most, MOST_EARLIER) / step));
			classes.push({
				zone: z,
				rises: members,
				shifts: Array.from({ length: count + 1 }, (_, k) => k * step)
			});
		}
	});
	const shiftOf = (one: RiseClass) => shift[one.zone]![one.rises[0]!]!;
	const setShift = (one: RiseClass, minutes: number) => {
		for (const r of one.rises) shift[one.zone]![r] = minutes;
	};

	/** Whether the week is over its limit anywhere between a class's earliest start and its needs. */
	const near = (one: RiseClass, load: Float64Array) =>
		one.rises.some((r) => {
			const at = rises[one.zone]![r]!.at;
			for (let back = -60; back <= needs[one.zone]![r]! + shiftOf(one) + 60; back += EVERY)
				if (load[Math.floor(((at - back + 2 * WEEK_MINUTES) % WEEK_MINUTES) / EVERY)]! > aim.limitW!)
					return true;
			return false;
		});
	const first = excess(total, aim, allW);
	let now = first;
	let weight = EARLY_WEIGHT;
	while (now > 0 && weight > 1e-4) {
		const most = reckoned(total, aim, allW);
		let best: { gain: number; one: RiseClass; minutes: number; next: Total; left: number } | null = null;
		for (const one of classes) {
			if (!near(one, most)) continue;
			const kept = shiftOf(one);
			const base = plus(total, drawn[one.zone]!, -1);
			for (const minutes of one.shifts) {
				if (minutes === kept) continue;
				setShift(one, minutes);
				const next = again(one.zone);
				const left = excess(plus(base, next), aim, allW);
				const early = (minutes - kept) * one.rises.length * zones[one.zone]!.room.emitter.ratedW;
				const gain = now - left - weight * early;
				if (left < now && gain > 1e-6 && (!best || gain > best.gain))
					best = { gain, one, minutes, next, left };
			}
			setShift(one, kept);
		}
		if (!best) {
			weight /= 8;
			continue;
		}
		setShift(best.one, best.minutes);
		drawn[best.one.zone] = best.next;
		total = totalOf(drawn);
		now = excess(total, aim, allW);
		onprogress(0.9 * (1 - now / first));
	}
	// back towards the need, as far as the limit allows, those that were moved most first
	for (const one of [...classes].sort((a, b) => shiftOf(b) - shiftOf(a))) {
		for (const minutes of one.shifts) {
			const kept = shiftOf(one);
			if (minutes >= kept) break;
			setShift(one, minutes);
			const next = again(one.zone);
			const left = excess(plus(plus(total, drawn[one.zone]!, -1), next), aim, allW);
			if (left > now) setShift(one, kept);
			else {
				drawn[one.zone] = next;
				total = totalOf(drawn);
				now = left;
			}
		}
	}
	onprogress(1);
	return {
		meanUnder: now === 0,
		tried,
		zones: zones.map(({ id }, z) => ({
			id,
			rises: rises[z]!.map((rise, r) => {
				const minutes = leadsOf(z).computed!.leads[r]!.minutes;
				return { at: rise.at, minutes, earlier: minutes - needs[z]![r]!, reached: rise.minutes !== null };
			})
		}))
	};
}

/** A zone with the starts of a stagger as its lead; one whose control starts early by itself is left as it is. */
export function withStagger(heated: HeatedZone, stagger: Stagger, outdoorC: number): Zone {
	const { zone, profile } = heated;
	const found = stagger.zones.find((one) => one.id === heated.id);
	if (!found || startsEarlyIn(zone, profile)) return zone;
	return withComputedLead(
		zone,
		outdoorC,
		found.rises.map(({ at, minutes, earlier }) => ({ at, minutes, earlier }))
	);
}

/** A mark of everything that a stagger depends on: the zones' rooms, weeks and controls, the source, its limit, the outdoor temperature. */
export function staggerInputs(heated: readonly HeatedZone[], limit: Limit, outdoorC: number): string {
	return mark([
		limit,
		outdoorC,
		heated.map(({ zone }) => [zone.name, leadInputs(zone), zone.control, zone.options, zone.lead.stopMinutes])
	]);
}

/** The zones of a site whose rooms are described, by what feeds them. */
export function heatedBy(
	zones: readonly { readonly id: string; readonly zone: Zone; readonly profile: ControlProfile }[],
	source: Source
): HeatedZone[] {
	return zones.flatMap(({ id, zone, profile }) =>
		zone.room && sourceOf(zone.room) === source ? [{ id, zone, room: zone.room, profile }] : []
	);
}
