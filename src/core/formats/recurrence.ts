import { dateFromDays, daysFromDate, daysInMonth, isLeapYear, weekdayOfDay } from '../civil';
import { DAY_MINUTES } from '../week';

type Frequency = 'YEARLY' | 'MONTHLY' | 'WEEKLY' | 'DAILY' | 'HOURLY' | 'MINUTELY';

/** A recurrence rule (RFC 5545 §3.3.10) in wall time. Lists that are empty say nothing. */
export interface RecurrenceRule {
	readonly frequency: Frequency;
	readonly interval: number;
	readonly count: number | null;
	/** Weekdays, Monday 0, with which of them in the month or year where one is named (0: every one). */
	readonly byDay: readonly { readonly weekday: number; readonly nth: number }[];
	readonly byMonth: readonly number[];
	readonly byMonthDay: readonly number[];
	readonly byYearDay: readonly number[];
	readonly byWeekNo: readonly number[];
	readonly byHour: readonly number[];
	readonly byMinute: readonly number[];
	readonly bySetPos: readonly number[];
	/** The weekday that weeks begin with, Monday 0. */
	readonly weekStart: number;
}

/** The parts of a rule (RFC 5545 §3.3.10); seconds say nothing here. */
const KNOWN_PARTS = new Set([
	'FREQ',
	'UNTIL',
	'COUNT',
	'INTERVAL',
	'WKST',
	...['SECOND', 'MINUTE', 'HOUR', 'DAY', 'MONTHDAY', 'YEARDAY', 'WEEKNO', 'MONTH', 'SETPOS'].map(
		(by) => `BY${by}`
	)
]);
const WEEKDAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];

/** A rule as it is written, or what is wrong with it in words. Its end (UNTIL) is read by whoever knows the zone it is in. */
export function readRule(text: string): RecurrenceRule | { readonly wrong: string } {
	const parts = new Map<string, string>();
	for (const part of text.toUpperCase().split(';').filter(Boolean)) {
		const [name, value] = part.split('=');
		if (value === undefined || value === '') return { wrong: `"${part.slice(0, 40)}" says nothing` };
		parts.set(name!.trim(), value.trim());
	}
	const strange = [...parts.keys()].find((name) => !KNOWN_PARTS.has(name));
	if (strange !== undefined)
		return { wrong: `its rule has a part that is not known: ${strange.slice(0, 20)}` };
	const frequency = parts.get('FREQ');
	if (frequency === 'SECONDLY') return { wrong: 'it recurs every second' };
	if (!frequency || !['YEARLY', 'MONTHLY', 'WEEKLY', 'DAILY', 'HOURLY', 'MINUTELY'].includes(frequency))
		return { wrong: `how often it recurs ("${(frequency ?? '').slice(0, 20)}") is not known` };
	let wrong: string | null = null;
	const list = (name: string, least: number, most: number): number[] =>
		(parts.get(name)?.split(',') ?? []).map((one) => {
			const value = Number(one);
			if (!Number.isInteger(value) || value < least || value > most || (least < 0 && value === 0))
				wrong ??= `${name} cannot be "${one.slice(0, 20)}"`;
			return value;
		});
	const whole = (name: string): number | null => {
		const written = parts.get(name);
		if (written === undefined) return null;
		const value = Number(written);
		if (!Number.isInteger(value) || value < 1) wrong ??= `${name} cannot be "${written.slice(0, 20)}"`;
		return value;
	};
	const byDay = (parts.get('BYDAY')?.split(',') ?? []).map((one) => {
		const match = /^([+-]?\d{1,2})?(MO|TU|WE|TH|FR|SA|SU)$/.exec(one);
		if (!match) wrong ??= `BYDAY cannot be "${one.slice(0, 20)}"`;
		return { weekday: WEEKDAYS.indexOf(match?.[2] ?? 'MO'), nth: Number(match?.[1] ?? 0) };
	});
	const weekStart = WEEKDAYS.indexOf(parts.get('WKST') ?? 'MO');
	if (weekStart < 0) wrong ??= 'WKST names no weekday';
	const rule: RecurrenceRule = {
		frequency: frequency as Frequency,
		interval: whole('INTERVAL') ?? 1,
		count: whole('COUNT'),
		byDay,
		byMonth: list('BYMONTH', 1, 12),
		byMonthDay: list('BYMONTHDAY', -31, 31),
		byYearDay: list('BYYEARDAY', -366, 366),
		byWeekNo: list('BYWEEKNO', -53, 53),
		byHour: list('BYHOUR', 0, 23),
		byMinute: list('BYMINUTE', 0, 59),
		bySetPos: list('BYSETPOS', -366, 366),
		weekStart
	};
	if (rule.bySetPos.length > 0 && (frequency === 'HOURLY' || frequency === 'MINUTELY'))
		wrong ??= 'BYSETPOS within an hour';
	return wrong === null ? rule : { wrong };
}

/** The end of a rule (UNTIL) as it is written: its wall minute, and whether that is UTC, or a day; null where it has none. */
export function endOfRule(
	text: string
): { readonly wall: number; readonly utc: boolean; readonly day: boolean } | null {
	const until = /(?:^|;)UNTIL=(\d{4})(\d{2})(\d{2})(?:T(\d{2})(\d{2})\d{2}(Z)?)?/i.exec(text);
	if (!until) return null;
	const [year, month, day, hour, minute] = until.slice(1, 6).map((part) => Number(part ?? 0));
	const wall = daysFromDate({ year: year!, month: month!, day: day! }) * DAY_MINUTES + hour! * 60 + minute!;
	return { wall, utc: until[6] !== undefined, day: until[4] === undefined };
}

/** How much may be computed of a whole file: looked at or counted. Running out of it throws {@link OutOfBudget}. */
export interface Budget {
	left: number;
}
export class OutOfBudget extends Error {}
const spend = (budget: Budget, steps: number) => {
	budget.left -= steps;
	if (budget.left < 0) throw new OutOfBudget();
};

/** Days of the month or year counted from either end. */
const isAmong = (list: readonly number[], at: number, length: number) =>
	list.includes(at) || list.includes(at - length - 1);

/** The numbers of the week that a day is in, counted from both ends of the year that the week belongs to (RFC 5545, BYWEEKNO: the first has at least four days). */
function weekNumbers(days: number, weekStart: number): readonly [number, number] {
	const toStart = (weekdayOfDay(days) - weekStart + 7) % 7;
	// the day of its week that is fourth says to which year the week belongs
	const middle = days - toStart + 3;
	const { year } = dateFromDays(middle);
	const first = (of: number) => {
		const fourth = daysFromDate({ year: of, month: 1, day: 4 });
		return fourth - ((weekdayOfDay(fourth) - weekStart + 7) % 7);
	};
	const number = Math.floor((days - toStart - first(year)) / 7) + 1;
	return [number, number - Math.round((first(year + 1) - first(year)) / 7) - 1];
}

/** Whether a day is one of those that a rule names. What the rule does not say its first occurrence says (RFC 5545 §3.3.10). */
function dayTest(rule: RecurrenceRule, firstDay: number): (days: number) => boolean {
	const { frequency, byDay, byMonthDay, byYearDay, byWeekNo } = rule;
	const start = dateFromDays(firstDay);
	const saysDay = byDay.length + byMonthDay.length + byYearDay.length + byWeekNo.length > 0;
	const byMonth =
		frequency === 'YEARLY' && !saysDay && rule.byMonth.length === 0 ? [start.month] : rule.byMonth;
	const monthDays =
		!saysDay && (frequency === 'YEARLY' || frequency === 'MONTHLY') ? [start.day] : byMonthDay;
	const weekdays = !saysDay && frequency === 'WEEKLY' ? [{ weekday: weekdayOfDay(firstDay), nth: 0 }] : byDay;
	const inMonth = frequency === 'MONTHLY' || (frequency === 'YEARLY' && byMonth.length > 0);
	const nthCounts = (frequency === 'MONTHLY' || frequency === 'YEARLY') && byWeekNo.length === 0;
	const lists = [byMonth, monthDays, byYearDay, byWeekNo, weekdays];
	if (lists.every((list) => list.length === 0)) return () => true;
	return (days) => {
		const { year, month, day } = dateFromDays(days);
		if (byMonth.length > 0 && !byMonth.includes(month)) return false;
		const length = daysInMonth(year, month);
		if (monthDays.length > 0 && !isAmong(monthDays, day, length)) return false;
		const ofYear = days - daysFromDate({ year, month: 1, day: 1 }) + 1;
		const yearLength = isLeapYear(year) ? 366 : 365;
		if (byYearDay.length > 0 && !isAmong(byYearDay, ofYear, yearLength)) return false;
		if (byWeekNo.length > 0) {
			const [front, back] = weekNumbers(days, rule.weekStart);
			if (!byWeekNo.includes(front) && !byWeekNo.includes(back)) return false;
		}
		if (weekdays.length === 0) return true;
		const weekday = weekdayOfDay(days);
		const [at, of] = inMonth ? [day, length] : [ofYear, yearLength];
		return weekdays.some(
			({ weekday: wanted, nth }) =>
				wanted === weekday &&
				(nth === 0 ||
					!nthCounts ||
					(nth > 0 ? Math.ceil(at / 7) === nth : Math.ceil((of - at + 1) / 7) === -nth))
		);
	};
}

/** A stretch of days that a rule looks at as one: a year, a month, a week, a day. `index` counts them. */
function periods({ frequency, weekStart }: RecurrenceRule) {
	switch (frequency) {
		case 'YEARLY':
			return {
				of: (days: number) => dateFromDays(days).year,
				from: (index: number) => daysFromDate({ year: index, month: 1, day: 1 })
			};
		case 'MONTHLY':
			return {
				of(days: number) {
					const { year, month } = dateFromDays(days);
					return year * 12 + month - 1;
				},
				from: (index: number) =>
					daysFromDate({ year: Math.floor(index / 12), month: (((index % 12) + 12) % 12) + 1, day: 1 })
			};
		case 'WEEKLY': {
			// day 4 (1970-01-05) is a Monday
			const origin = 4 + weekStart;
			return {
				of: (days: number) => Math.floor((days - origin) / 7),
				from: (index: number) => origin + index * 7
			};
		}
		default:
			return { of: (days: number) => days, from: (index: number) => index };
	}
}

/** Occurrences inside a day for rules that recur within one: every so many hours or minutes from the first. */
function withinDay(rule: RecurrenceRule, first: number, days: number): number[] {
	const step = rule.interval * (rule.frequency === 'HOURLY' ? 60 : 1);
	const from = days * DAY_MINUTES;
	const begin = rule.frequency === 'HOURLY' ? Math.floor(first / 60) * 60 : first;
	let at = begin + Math.ceil(Math.max(0, from - begin) / step) * step;
	const found: number[] = [];
	const minutes = rule.byMinute.length > 0 ? [...rule.byMinute].sort((a, b) => a - b) : [first % 60];
	for (; at < from + DAY_MINUTES; at += step) {
		const ofDay = at - from;
		if (rule.byHour.length > 0 && !rule.byHour.includes(Math.floor(ofDay / 60))) continue;
		if (rule.frequency === 'HOURLY') found.push(...minutes.map((minute) => at + minute));
		else if (rule.byMinute.length === 0 || rule.byMinute.includes(ofDay % 60)) found.push(at);
	}
	return found;
}

/**
 * The occurrences of a rule, as wall minutes, from its first (which need not match it) up to `last`, of those only that begin at `from` or
 * later and before `to`. What cannot matter is not looked at: without a count the search begins at `from`, and it ends at `to`
 * though the rule never occurs. A day that does not exist is passed over, as RFC 5545 §3.3.10 says.
 */
export function* occurrences(
	rule: RecurrenceRule,
	first: number,
	last: number,
	from: number,
	to: number,
	budget: Budget
): Generator<number> {
	const end = Math.min(last + 1, to);
	const firstDay = Math.floor(first / DAY_MINUTES);
	const isDay = dayTest(rule, firstDay);
	const { of, from: startOf } = periods(rule);
	const daily = rule.frequency === 'HOURLY' || rule.frequency === 'MINUTELY';
	const interval = daily ? 1 : rule.interval;
	const origin = of(firstDay);
	// occurrences that are counted must be looked at one by one, whenever they were
	const searched = rule.count === null ? Math.max(first, from) : first;
	const skipped = Math.floor((of(Math.floor(searched / DAY_MINUTES)) - origin) / interval);
	const times = daily
		? []
		: (rule.byHour.length > 0 ? rule.byHour : [Math.floor((first % DAY_MINUTES) / 60)])
				.flatMap((hour) =>
					(rule.byMinute.length > 0 ? rule.byMinute : [first % 60]).map((minute) => hour * 60 + minute)
				)
				.sort((a, b) => a - b);
	let counted = 0;
	for (let index = origin + Math.max(0, skipped) * interval; ; index += interval) {
		const [begin, after] = [startOf(index), startOf(index + 1)];
		if (begin * DAY_MINUTES >= end) return;
		spend(budget, after - begin);
		const set: number[] = [];
		for (let days = begin; days < after; days++) {
			if (!isDay(days)) continue;
			const inDay = daily ? withinDay(rule, first, days) : times.map((minute) => days * DAY_MINUTES + minute);
			spend(budget, inDay.length);
			set.push(...inDay);
		}
		const chosen =
			rule.bySetPos.length === 0 ? set : set.filter((_, i) => isAmong(rule.bySetPos, i + 1, set.length));
		for (const wall of chosen) {
			if (wall < first) continue;
			if (wall >= end) return;
			if (rule.count !== null && counted++ >= rule.count) return;
			if (wall >= from) yield wall;
		}
	}
}
