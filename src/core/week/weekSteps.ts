import { DAY_MINUTES, WEEK_DAYS, WEEK_MINUTES, wrapWeek } from './weekMinute';

/** From `at` (week minute) on, the value is `value`, until the next step. */
export interface Step<V> {
	readonly at: number;
	readonly value: V;
}

/**
 * A step function over the week that closes on itself: before the first step of Monday the last
 * step of Sunday still rules. Canonical: times rise strictly, neighbours differ (cyclically), and a
 * constant week is one step at minute 0. Two weeks are the same function exactly when their
 * canonical steps are equal.
 */
export type WeekSteps<V> = readonly Step<V>[];

/** A stretch of the week or of a day, `from` included, `to` not, with one value. */
export interface Span<V> {
	readonly from: number;
	readonly to: number;
	readonly value: V;
}

/**
 * The canonical week of any list of steps. Order does not matter; of two steps at the same minute
 * the later in the list counts. Times wrap round. Throws on an empty list: a week always has a value.
 */
export function buildWeek<V>(steps: Iterable<Step<V>>): WeekSteps<V> {
	const byTime = new Map<number, V>();
	for (const step of steps) byTime.set(wrapWeek(step.at), step.value);
	if (byTime.size === 0) throw new RangeError('a week needs at least one step');
	const sorted = [...byTime].sort((a, b) => a[0] - b[0]);
	const result: Step<V>[] = [];
	let before = sorted.at(-1)![1];
	for (const [at, value] of sorted) {
		if (value !== before) result.push({ at, value });
		before = value;
	}
	return result.length > 0 ? result : [{ at: 0, value: sorted[0]![1] }];
}

/** The week that holds one value throughout. */
export function constantWeek<V>(value: V): WeekSteps<V> {
	return [{ at: 0, value }];
}

/** The value at a week minute; minutes outside 0 … 10 079 wrap round. */
export function valueAt<V>(week: WeekSteps<V>, weekMinute: number): V {
	const minute = wrapWeek(weekMinute);
	let low = 0;
	let high = week.length;
	while (low < high) {
		const middle = (low + high) >> 1;
		if (week[middle]!.at <= minute) low = middle + 1;
		else high = middle;
	}
	return (low === 0 ? week.at(-1)! : week[low - 1]!).value;
}

/** The week as stretches from minute 0 to 10 080 in order; the one over Sunday midnight is cut there. */
export function spansOf<V>(week: WeekSteps<V>): Span<V>[] {
	const spans: Span<V>[] = [];
	const first = week[0]!;
	if (first.at > 0) spans.push({ from: 0, to: first.at, value: week.at(-1)!.value });
	week.forEach((step, index) => {
		const to = week[index + 1]?.at ?? WEEK_MINUTES;
		spans.push({ from: step.at, to, value: step.value });
	});
	return spans;
}

/** Seven lists of stretches in minutes of the day (0 … 1440), Monday first; neighbours differ within a day. */
export function splitByDay<V>(week: WeekSteps<V>): Span<V>[][] {
	const days: Span<V>[][] = Array.from({ length: WEEK_DAYS }, () => []);
	for (const span of spansOf(week)) {
		const lastDay = Math.ceil(span.to / DAY_MINUTES) - 1;
		for (let day = Math.floor(span.from / DAY_MINUTES); day <= lastDay; day++) {
			const start = day * DAY_MINUTES;
			days[day]!.push({
				from: Math.max(span.from - start, 0),
				to: Math.min(span.to - start, DAY_MINUTES),
				value: span.value
			});
		}
	}
	return days;
}

/** The inverse of {@link splitByDay}: seven lists of stretches that fill their days. */
export function joinDays<V>(days: readonly (readonly Span<V>[])[]): WeekSteps<V> {
	if (days.length !== WEEK_DAYS) throw new RangeError('a week has seven days');
	return buildWeek(
		days.flatMap((spans, day) =>
			spans.map((span) => ({ at: day * DAY_MINUTES + span.from, value: span.value }))
		)
	);
}

/** The week whose value is `change(value)` everywhere. */
export function mapWeek<V, W>(week: WeekSteps<V>, change: (value: V) => W): WeekSteps<W> {
	return buildWeek(week.map((step) => ({ at: step.at, value: change(step.value) })));
}

/** Stretches of the week on which both weeks are constant, in order from minute 0, with both values. */
export function zipSpans<A, B>(first: WeekSteps<A>, second: WeekSteps<B>): Span<readonly [A, B]>[] {
	const left = spansOf(first);
	const right = spansOf(second);
	const result: Span<readonly [A, B]>[] = [];
	let i = 0;
	let j = 0;
	let from = 0;
	while (from < WEEK_MINUTES) {
		const a = left[i]!;
		const b = right[j]!;
		const to = Math.min(a.to, b.to);
		result.push({ from, to, value: [a.value, b.value] });
		if (a.to === to) i++;
		if (b.to === to) j++;
		from = to;
	}
	return result;
}

/** Whether two canonical weeks are the same function. */
export function sameWeek<V>(first: WeekSteps<V>, second: WeekSteps<V>): boolean {
	return (
		first.length === second.length &&
		first.every((step, i) => step.at === second[i]!.at && step.value === second[i]!.value)
	);
}

/** The week with the shape of one day (00:00 to 24:00) laid over other days. */
export function copyDay<V>(week: WeekSteps<V>, from: number, onto: readonly number[]): WeekSteps<V> {
	const days = splitByDay(week);
	const source = days[from]!;
	return joinDays(days.map((spans, day) => (onto.includes(day) ? source : spans)));
}

/** For each day, the first day (0 … 6) with the very same shape from 00:00 to 24:00; its own number if there is none before it. */
export function firstAlike<V>(week: WeekSteps<V>): number[] {
	const keys = splitByDay(week).map((spans) => JSON.stringify(spans.map((span) => [span.from, span.value])));
	return keys.map((key) => keys.indexOf(key));
}
