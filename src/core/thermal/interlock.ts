import { WEEK_MINUTES, type WeekSteps } from '../week';
import { startsEarlyIn, targetWeek, withComputedLead, type Zone } from '../plan';
import { LONGEST_LEAD, nightsOf, risesOf, setpointForRun, type RiseLead } from './leads';
import { governedOf, sourcePower, surfaceOf } from './roomModel';
import { byMinute, COLD_TOLERANCE_K } from './simulate';
import { allOf, draw, mostOf, prepare, type HeatedZone, type Limit } from './siteLoad';
import { exactStep, take } from './stepper';
import { outdoorWeek } from './weather';

/** What an interlock that lets only so many zones heat at once does in a typical week. */
export interface Interlock {
	/** The most zones that it lets heat at one minute. */
	readonly atMost: number;
	/** The highest load at any minute, in W: never over the limit. */
	readonly worstW: number;
	/** Minutes by which every start comes earlier so that each room is warm in time all the same; null where even four hours are not enough. */
	readonly earlierMinutes: number | null;
	/** The heat of the week with it and those starts, in kWh. */
	readonly kWh: number;
	/** The zones with their leads so lengthened; those that start by themselves are left as they are. */
	readonly zones: readonly { readonly id: string; readonly zone: Zone }[];
}

/** A load-shedding relay hands the turn on no sooner than after so many minutes: relays and boilers bear no quicker. */
const LEAST_TURN_MINUTES = 5;
/** The earlier starts that are tried, in minutes. */
const TRIED = [0, 15, 30, 45, 60, 90, 120, 180, 240] as const;

/** The most zones that may heat at once whatever they are: the largest of them together stay under the limit. Null without a limit, or where not even one may. */
export function atMostUnder(zones: readonly HeatedZone[], { limitW }: Limit): number | null {
	if (limitW === null) return null;
	const largest = zones.map((one) => mostOf(prepare(one))).sort((a, b) => b - a);
	let sum = 0;
	let count = 0;
	for (const w of largest) {
		if (sum + w > limitW + 1e-6) break;
		sum += w;
		count++;
	}
	return count === 0 ? null : count;
}

/**
 * A typical week of zones of which at most `atMost` heat at one minute: who is furthest under its setpoint has the turn, for
 * five minutes at least. Each control switches as it does by itself; without the turn it waits. The second of two weeks counts.
 */
function runTogether(
	zones: readonly HeatedZone[],
	weeks: readonly WeekSteps<number>[],
	atMost: number,
	outdoorC: number
): { readonly governed: readonly Float64Array[]; readonly worstW: number; readonly kWh: number } {
	const outdoor = outdoorWeek(outdoorC);
	const rooms = zones.map((one, z) => {
		const ready = prepare(one).ready;
		const { model, regulation } = ready;
		const { by } = regulation;
		const setpointC = byMinute(weeks[z]!, WEEK_MINUTES).map((c) => setpointForRun(one.profile, c));
		// near its own week already: what is shared changes it only a little
		const near = draw(prepare(one), weeks[z]!, outdoor).run;
		const bandK = by.kind === 'cycling' ? by.bandK : 0;
		return {
			model,
			setpointC,
			x: Float64Array.from(near.end),
			off: exactStep(model, false, 60),
			on: exactStep(model, true, 60),
			reach: by.kind === 'on-off' ? by.differentialK / 2 : bandK / 6,
			bandK,
			anticipation: by.kind === 'cycling' ? 1 - Math.exp(-(by.perHour * Math.LN2) / 30) : 0,
			anticipated: near.control.anticipatedK,
			guardC: regulation.guardC ?? Infinity,
			minimumOff: regulation.minimumOffMinutes,
			heats: false,
			turn: 0,
			stopped: -Infinity,
			governed: new Float64Array(WEEK_MINUTES)
		};
	});
	const sums = new Float64Array(2);
	let worstW = 0;
	for (let minute = 0; minute < 2 * WEEK_MINUTES; minute++) {
		const at = minute % WEEK_MINUTES;
		if (minute === WEEK_MINUTES) {
			sums.fill(0);
			worstW = 0;
		}
		const calling: { z: number; short: number }[] = [];
		rooms.forEach((room, z) => {
			const set = room.setpointC[at]!;
			const sensed = room.x[3]! + room.anticipated - room.bandK / 2;
			const guarded = surfaceOf(room.model, room.x[0]!, room.x[2]!) >= room.guardC;
			const wants = !guarded && (room.heats ? sensed < set + room.reach : sensed <= set - room.reach);
			if (!wants) {
				if (room.heats) room.stopped = minute;
				room.heats = false;
			} else if (room.heats || minute - room.stopped >= room.minimumOff)
				calling.push({ z, short: room.heats && room.turn < LEAST_TURN_MINUTES ? Infinity : set - sensed });
		});
		calling.sort((a, b) => b.short - a.short);
		calling.forEach(({ z }, place) => {
			const room = rooms[z]!;
			const has = place < atMost;
			if (has && !room.heats) room.turn = 0;
			if (!has && room.heats) room.stopped = minute;
			room.heats = has;
		});
		let drawnW = 0;
		for (const room of rooms) {
			if (room.bandK > 0)
				room.anticipated += ((room.heats ? room.bandK : 0) - room.anticipated) * room.anticipation;
			take(room.heats ? room.on : room.off, room.x, outdoor[at]!, sums);
			if (room.heats) {
				room.turn++;
				drawnW += sourcePower(room.model, true, room.x[2]!);
			}
			room.governed[at] = governedOf(room.model, room.x[0]!, room.x[2]!);
		}
		worstW = Math.max(worstW, drawnW);
	}
	return { governed: rooms.map((room) => room.governed), worstW, kWh: sums[0]! / 3.6e6 };
}

/** The warmest that a room was in the twenty minutes before a need. */
function reached(governed: Float64Array, need: number): number {
	let highest = -Infinity;
	for (let back = 1; back <= 20; back++)
		highest = Math.max(highest, governed[(need - back + WEEK_MINUTES) % WEEK_MINUTES]!);
	return highest;
}

const lengthened = (zone: Zone, rises: readonly RiseLead[], outdoorC: number, earlier: number): Zone =>
	withComputedLead(
		zone,
		outdoorC,
		rises.map((rise) => {
			const need = rise.minutes ?? LONGEST_LEAD;
			const minutes = Math.min(need + earlier, rise.night.minutes, LONGEST_LEAD);
			return { at: rise.at, minutes, earlier: Math.max(0, minutes - need) };
		})
	);

/**
 * What an interlock under a limit costs: the fewest earlier minutes, the same for every start, with which each room is as
 * warm at its needs as it would be without it. Null where no limit is set, not even one zone may heat under it, or all may
 * at once. `onprogress` hears the share done.
 */
export function interlock(
	heated: readonly HeatedZone[],
	limit: Limit,
	outdoorC: number,
	onprogress: (share: number) => void = () => {}
): Interlock | null {
	const atMost = atMostUnder(heated, limit);
	if (atMost === null || atMost >= heated.length || allOf(heated.map(prepare)) <= limit.limitW!) return null;
	const rises = heated.map(({ zone, room, profile }) => risesOf(zone, room, profile, outdoorC));
	const zonesAt = (earlier: number) =>
		heated.map((one, z) =>
			startsEarlyIn(one.zone, one.profile) ? one.zone : lengthened(one.zone, rises[z]!, outdoorC, earlier)
		);
	// what no start can make warm is not the interlock's doing
	const free = runTogether(heated, zonesAt(0).map(targetWeek), heated.length, outdoorC);
	const short = (governed: readonly Float64Array[]) =>
		heated.some(({ zone, profile }, z) =>
			nightsOf(zone, profile).some(
				({ at, night }) =>
					profile.temperature !== null &&
					reached(governed[z]!, at) <
						Math.min(night.comfortC - COLD_TOLERANCE_K, reached(free.governed[z]!, at) - 0.1)
			)
		);
	let last: ReturnType<typeof runTogether> | null = null;
	for (const [i, earlier] of TRIED.entries()) {
		const zones = zonesAt(earlier);
		last = runTogether(heated, zones.map(targetWeek), atMost, outdoorC);
		onprogress((i + 1) / TRIED.length);
		if (!short(last.governed))
			return {
				atMost,
				worstW: last.worstW,
				earlierMinutes: earlier,
				kWh: last.kWh,
				zones: zones.map((zone, z) => ({ id: heated[z]!.id, zone }))
			};
	}
	return { atMost, worstW: last!.worstW, earlierMinutes: null, kWh: last!.kWh, zones: [] };
}
