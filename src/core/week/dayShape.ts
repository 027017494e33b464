import { DAY_MINUTES } from './weekMinute';
import { joinDays, splitByDay, type Span, type WeekSteps } from './weekSteps';

/**
 * Editing one day of a drawn week. The rule a person can rely on: an edit to a day changes that
 * day, 00:00 to 24:00, and no other. A riser is the vertical between two treads; riser 0 of a day
 * stands at 00:00 and joins it to the day before.
 */
export type DayShape<V> = readonly Span<V>[];

/** The shape with equal neighbours merged and empty stretches dropped. */
function tidy<V>(spans: readonly Span<V>[]): Span<V>[] {
	const result: Span<V>[] = [];
	for (const span of spans) {
		if (span.to <= span.from) continue;
		const last = result.at(-1);
		if (last && last.value === span.value) result[result.length - 1] = { ...last, to: span.to };
		else result.push(span);
	}
	return result;
}

/** The minute range (both ends included) into which riser `index` ≥ 1 can be dragged without passing its neighbours. */
export function riserRange<V>(shape: DayShape<V>, index: number, step: number): [number, number] {
	const before = shape[index - 1]!;
	const after = shape[index]!;
	return [Math.min(before.from + step, before.to), Math.max(after.to - step, after.from)];
}

/** Riser `index` ≥ 1 moved to `minute`, kept between its neighbours at least `step` minutes apart. */
export function moveRiser<V>(shape: DayShape<V>, index: number, minute: number, step: number): DayShape<V> {
	const [earliest, latest] = riserRange(shape, index, step);
	const at = Math.min(Math.max(minute, earliest), latest);
	return tidy(
		shape.map((span, i) =>
			i === index - 1 ? { ...span, to: at } : i === index ? { ...span, from: at } : span
		)
	);
}

/** The value of the day before drawn on until `minute`: how the riser at 00:00 is moved. */
export function carryInUntil<V>(shape: DayShape<V>, carried: V, minute: number): DayShape<V> {
	return paint(shape, 0, minute, carried);
}

/** The stretch from `from` to `to` (minutes of the day) given one value. */
export function paint<V>(shape: DayShape<V>, from: number, to: number, value: V): DayShape<V> {
	const start = Math.max(0, from);
	const end = Math.min(DAY_MINUTES, to);
	if (end <= start) return shape;
	return tidy([
		...shape.map((span) => ({ ...span, to: Math.min(span.to, start) })),
		{ from: start, to: end, value },
		...shape.map((span) => ({ ...span, from: Math.max(span.from, end) }))
	]);
}

/** Tread `index` given another value. */
export function setTread<V>(shape: DayShape<V>, index: number, value: V): DayShape<V> {
	const span = shape[index];
	return span ? paint(shape, span.from, span.to, value) : shape;
}

/** A riser added at `minute`: from there to the end of the tread it falls in, the value is `value`. */
export function addRiser<V>(shape: DayShape<V>, minute: number, value: V): DayShape<V> {
	const span = shape.find((s) => s.from <= minute && minute < s.to);
	return span ? paint(shape, minute, span.to, value) : shape;
}

/** Riser `index` ≥ 1 cleared: the tread before it runs on to the end of the tread after it. */
export function clearRiser<V>(shape: DayShape<V>, index: number): DayShape<V> {
	const before = shape[index - 1];
	const after = shape[index];
	return before && after ? paint(shape, after.from, after.to, before.value) : shape;
}

/** The week with one day's shape replaced. */
export function withDay<V>(week: WeekSteps<V>, day: number, shape: DayShape<V>): WeekSteps<V> {
	return joinDays(splitByDay(week).map((spans, i) => (i === day ? shape : spans)));
}
