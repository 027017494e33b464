import { weekdayOfDay } from '../civil';
import type { Program } from '../control';
import { DAY_MINUTES, WEEK_DAYS } from '../week';
import { firstShowing, shownAt, type WallSegment } from './controlClock';

/** A stretch of a day's program, from `at` (minute of the day) to the next one's. */
export interface Period {
	readonly at: number;
	/** Its number on the control from 1; 0 for what rules before the first by itself. */
	readonly number: number;
	readonly heatC: number;
	readonly coolC: number | null;
}

/** A period on the day it belongs to; past midnight it still belongs to the day before. */
export interface OwnedPeriod {
	readonly day: number;
	readonly period: Period;
	/** Whether a special day made it so. */
	readonly special: boolean;
}

/** What a date runs instead of its weekday's program: another weekday's, or one setpoint all day. */
export type SpecialRun =
	{ readonly like: number } | { readonly heatC: number; readonly coolC: number | null };

/** A program laid out by weekday (0 = Monday), and the dates that depart from it. */
export interface DayPlan {
	readonly weekdays: readonly (readonly Period[])[];
	readonly special: ReadonlyMap<number, SpecialRun>;
	/** What rules where no day has any period. */
	readonly emptyC: number;
	readonly emptyCoolC: number | null;
}

function periodsOf(program: Program): (readonly Period[])[] {
	const days: Period[][] = Array.from({ length: WEEK_DAYS }, () => []);
	/** In the order in which its clock comes to them, whatever order they were keyed in. */
	const put = (on: readonly number[], periods: readonly Period[]) => {
		const sorted = [...periods].sort((a, b) => a.at - b.at);
		on.forEach((day) => (days[day] = sorted));
	};
	switch (program.form) {
		case 'plain':
			put(program.groups[0].days, [
				{ at: 0, number: 1, heatC: program.setpointC, coolC: program.coolC ?? null }
			]);
			break;
		case 'events':
			for (const group of program.groups) {
				const periods = group.events.map((event, i) => ({
					at: event.at,
					number: i + 1,
					heatC: event.setpointC,
					coolC: event.coolC ?? null
				}));
				const before = program.beforeFirstC;
				put(
					group.days,
					before !== null && periods.every(({ at }) => at !== 0)
						? [{ at: 0, number: 0, heatC: before, coolC: null }, ...periods]
						: periods
				);
			}
			break;
		case 'slots':
			for (const group of program.groups) {
				const periods: Period[] = [];
				group.slots.forEach((setting, slot) => {
					const heatC = program.settings[setting]!.setpointC;
					if (periods.at(-1)?.heatC !== heatC || slot === 0)
						periods.push({ at: slot * program.slotMinutes, number: slot + 1, heatC, coolC: null });
				});
				put(group.days, periods);
			}
			break;
		case 'pairs':
			for (const group of program.groups) {
				const periods: Period[] = [];
				group.pairs.forEach((pair, i) => {
					// on and off at the same minute is never on
					if (pair.on === pair.off) return;
					periods.push({ at: pair.on, number: i + 1, heatC: program.onC, coolC: null });
					if (pair.off < DAY_MINUTES)
						periods.push({ at: pair.off, number: i + 1, heatC: program.offC, coolC: null });
				});
				put(
					group.days,
					periods.some(({ at }) => at === 0)
						? periods
						: [{ at: 0, number: 0, heatC: program.offC, coolC: null }, ...periods]
				);
			}
	}
	return days;
}

/** A program by weekday, with the dates that depart from it. `emptyC` rules where there is no period at all. */
export function dayPlan(
	program: Program,
	special: ReadonlyMap<number, SpecialRun>,
	emptyC: number,
	emptyCoolC: number | null
): DayPlan {
	return { weekdays: periodsOf(program), special, emptyC, emptyCoolC };
}

/** Number of the period that fills a special day of one setpoint. */
const ALL_DAY = 99;

function ofDay(plan: DayPlan, day: number): { periods: readonly Period[]; special: boolean } {
	const run = plan.special.get(day);
	if (!run) return { periods: plan.weekdays[weekdayOfDay(day)]!, special: false };
	if ('like' in run) return { periods: plan.weekdays[run.like]!, special: true };
	return { periods: [{ at: 0, number: ALL_DAY, heatC: run.heatC, coolC: run.coolC }], special: true };
}

/**
 * What still rules at a day's midnight: the last period of the days before. A special day of one setpoint
 * hands nothing on: after it rules what its weekday's own program would have handed on.
 */
function carriedInto(plan: DayPlan, day: number): OwnedPeriod {
	for (let back = day - 1; back >= day - WEEK_DAYS - 1; back--) {
		const run = plan.special.get(back);
		const fixed = run !== undefined && !('like' in run);
		const { periods, special } = fixed
			? { periods: plan.weekdays[weekdayOfDay(back)]!, special: false }
			: ofDay(plan, back);
		const last = periods.at(-1);
		if (last) return { day: back, period: last, special };
	}
	const period = { at: 0, number: 0, heatC: plan.emptyC, coolC: plan.emptyCoolC };
	return { day: Number.NEGATIVE_INFINITY, period, special: false };
}

/** The periods of one day in order from 00:00, what is carried into it first. */
function dayInOrder(plan: DayPlan, day: number): { at: number; owned: OwnedPeriod }[] {
	const { periods, special } = ofDay(plan, day);
	const list = periods.map((period) => ({ at: period.at, owned: { day, period, special } }));
	return periods[0]?.at === 0 ? list : [{ at: 0, owned: carriedInto(plan, day) }, ...list];
}

/** The period that rules when the control's clock shows a wall minute. */
export function periodAt(plan: DayPlan, wallMinute: number): OwnedPeriod {
	const day = Math.floor(wallMinute / DAY_MINUTES);
	const minute = wallMinute - day * DAY_MINUTES;
	const { periods, special } = ofDay(plan, day);
	for (let i = periods.length - 1; i >= 0; i--)
		if (periods[i]!.at <= minute) return { day, period: periods[i]!, special };
	return carriedInto(plan, day);
}

/** Whether two are the very same period of the same day. */
export function samePeriod(a: OwnedPeriod, b: OwnedPeriod): boolean {
	return a.day === b.day && a.period.number === b.period.number && a.period.at === b.period.at;
}

/** A period's stretch of time. */
export interface PeriodSpan {
	readonly fromMs: number;
	readonly toMs: number;
	readonly owned: OwnedPeriod;
}

/** The periods through which a control goes along its clock's segments, in order and without gaps. */
export function periodSpans(plan: DayPlan, segments: readonly WallSegment[]): PeriodSpan[] {
	const spans: { fromMs: number; toMs: number; owned: OwnedPeriod }[] = [];
	const add = (fromMs: number, toMs: number, owned: OwnedPeriod) => {
		if (toMs <= fromMs) return;
		const last = spans.at(-1);
		if (last && samePeriod(last.owned, owned)) last.toMs = toMs;
		else spans.push({ fromMs, toMs, owned });
	};
	for (const segment of segments) {
		const first = shownAt(segment, segment.fromMs);
		const firstDay = Math.floor(first / DAY_MINUTES);
		const lastDay = Math.floor(shownAt(segment, segment.toMs) / DAY_MINUTES);
		let from = segment.fromMs;
		let ruling = periodAt(plan, first);
		for (let day = firstDay; day <= lastDay; day++)
			for (const { at, owned } of dayInOrder(plan, day)) {
				const wall = day * DAY_MINUTES + at;
				if (wall <= first) continue;
				const start = firstShowing(segment, wall);
				if (start >= segment.toMs) break;
				if (samePeriod(ruling, owned)) continue;
				add(from, start, ruling);
				from = start;
				ruling = owned;
			}
		add(from, segment.toMs, ruling);
	}
	return spans;
}
