import { dateOfDay, wallAt } from '../civil';
import type { ControlProfile } from '../control';
import { dueOf } from '../checks';
import { weeksAfter, type Absence, type OnSiteNotice, type ZoneNotice } from '../plan';
import {
	awayFacts,
	changeStands,
	lastRightMs,
	nextTransitions,
	planAbsence,
	type AbsencePlan,
	type AwayFacts,
	type DayByHand
} from '../run';

/** What it is that somebody must come or call for. */
export type DueWhat =
	/** A change of clocks is behind, and nobody set the clock after it. */
	| { readonly kind: 'clock'; readonly missed: true }
	/** By how many minutes the clock is to be set on; back is negative. */
	| { readonly kind: 'clock'; readonly missed: false; readonly shiftMinutes: number }
	| { readonly kind: 'batteries' }
	/** It runs on something that does not end by itself. */
	| { readonly kind: 'left-on'; readonly endless: Extract<AwayFacts, { kind: 'endless' }> }
	/** What it was left in on the last visit, where that is not its program. */
	| { readonly kind: 'left-on'; readonly leftIn: NonNullable<OnSiteNotice['leftIn']> }
	/** A planned absence that is to be keyed, or that somebody must end on return. */
	| {
			readonly kind: 'absence';
			readonly act: 'key' | 'end';
			readonly absence: Absence;
			readonly plan: AbsencePlan;
	  }
	/** A booking that stays cold unless somebody sets the control on that day. */
	| { readonly kind: 'by-hand'; readonly day: DayByHand }
	/** The week of a Monday is to be keyed, where each is keyed by itself. */
	| { readonly kind: 'week-card'; readonly monday: string }
	| { readonly kind: 'promised'; readonly promised: string };

/** Something that somebody must come or call for. */
export interface DueFact {
	/** `YYYY-MM-DD`; today's date for what is due since some time. */
	readonly on: string;
	readonly what: DueWhat;
	readonly zoneId: string;
	readonly zoneName: string;
	readonly late: boolean;
}

/** A zone of which is asked what is due. */
export interface DueZone {
	readonly id: string;
	/** The control that it hangs on: what is due at that is due once. */
	readonly boxId?: string;
	readonly zone: ZoneNotice;
	readonly onSite: OnSiteNotice;
	readonly profile: ControlProfile;
	/** The dates on which bookings stay cold unless somebody sets it. */
	readonly byHand?: readonly DayByHand[];
}

/** What was promised to somebody who called, until when. */
export interface Promised {
	/** Empty for the whole house. */
	readonly zoneId: string;
	readonly zoneName: string;
	readonly promised: string;
	/** `YYYY-MM-DD`. */
	readonly on: string;
}

/** How far ahead a due list looks, in days. */
export const DUE_DAYS = 400;

/**
 * What is due at a site, soonest first: clocks changed by hand (missed ones too, until a reading says that the clock was
 * set after them), batteries, holidays and holds left on, planned holidays, bookings that are set by hand, promised returns, those to who called among them.
 */
export function dueFacts(
	zones: readonly DueZone[],
	timeZone: string,
	nowMs: number,
	promises: readonly Promised[] = []
): DueFact[] {
	const dateAt = (ms: number) => dateOfDay(Math.floor(wallAt(timeZone, ms) / 1440));
	const today = dateAt(nowMs);
	const last = dateAt(nowMs + DUE_DAYS * 86_400_000);
	const all = zones.flatMap(({ id, boxId, zone, onSite, profile, byHand = [] }): DueFact[] => {
		const due: DueFact[] = [];
		const on = boxId === undefined ? [] : zones.filter((one) => one.boxId === boxId);
		const isFirst = on.length === 0 || on[0]!.id === id;
		const boxName = on.length > 1 ? on.map((one) => one.zone.name).join(' and ') : zone.name;
		const put = (on: string, what: DueWhat) => {
			const ofBox = what.kind === 'clock' || what.kind === 'batteries' || 'leftIn' in what;
			if (on > last || (ofBox && !isFirst)) return;
			due.push({ on, what, zoneId: id, zoneName: ofBox ? boxName : zone.name, late: on < today });
		};
		if (profile.habits.clock.summerTime === 'by-hand') {
			const right = lastRightMs(zone.clockReadings);
			const changes = nextTransitions(timeZone, right ?? nowMs, 40).map((change) => ({
				...change,
				stands: changeStands(right, change.atMs, nowMs)
			}));
			const missed = changes.findLast(({ stands }) => stands === 'missed');
			if (missed) put(dateAt(missed.atMs), { kind: 'clock', missed: true });
			for (const { atMs, stands, afterMinutes, beforeMinutes } of changes)
				if (stands === 'ahead')
					put(dateAt(atMs), { kind: 'clock', missed: false, shiftMinutes: afterMinutes - beforeMinutes });
		}
		if (profile.habits.power === 'batteries' && onSite.batteriesOn !== null)
			put(dueOf(onSite.batteriesOn, onSite.batteryMonths), { kind: 'batteries' });
		const away = awayFacts(zone, timeZone, nowMs);
		if (away.kind === 'endless') put(today, { kind: 'left-on', endless: away });
		if (onSite.leftIn !== null && onSite.leftIn !== 'automatic')
			put(today, { kind: 'left-on', leftIn: onSite.leftIn });
		for (const one of zone.exceptions) {
			if (one.kind !== 'absence') continue;
			const plan = planAbsence(profile, one);
			const [leave, back] = [one.leave.slice(0, 10), one.back.slice(0, 10)];
			// whether a household keyed it nobody hears
			const stands = one.keyedBy === 'installer' ? back > today : leave >= today;
			if (!one.keyed && stands) put(leave, { kind: 'absence', act: 'key', absence: one, plan });
			if (plan.toWall === null && back >= today)
				put(back, { kind: 'absence', act: 'end', absence: one, plan });
		}
		for (const day of byHand) if (day.date >= today) put(day.date, { kind: 'by-hand', day });
		if (zone.bookedWeek !== null) {
			const monday = weeksAfter(zone.bookedWeek, 1);
			put(monday, { kind: 'week-card', monday });
		}
		if (onSite.promisedBy !== null) put(onSite.promisedBy, { kind: 'promised', promised: onSite.promised });
		return due;
	});
	const called = promises
		.filter(({ on }) => on <= last)
		.map(({ on, zoneId, zoneName, promised }): DueFact => {
			return { on, what: { kind: 'promised', promised }, zoneId, zoneName, late: on < today };
		});
	return [...all, ...called].sort((a, b) =>
		a.on === b.on ? a.zoneName.localeCompare(b.zoneName) : a.on < b.on ? -1 : 1
	);
}
