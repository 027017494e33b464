import type { SiteLoad } from '$core/thermal';

/** Slots of five minutes in a day. */
const DAY_SLOTS = 288;

/** The slots of one day of a week's load. */
export function loadDay(week: readonly number[], day: number): readonly number[] {
	return week.slice(day * DAY_SLOTS, (day + 1) * DAY_SLOTS);
}

/** A height scale from nought to what the loads and the limit need, with its ticks in W. */
export function loadScale(
	loads: readonly SiteLoad[],
	limitW: number | null,
	height: number
): { y(w: number): number; readonly ticks: readonly number[] } {
	const top = Math.max(1000, ...loads.map((load) => load.peakW), limitW ?? 0) * 1.08;
	const rough = top / 4;
	const power = 10 ** Math.floor(Math.log10(rough));
	const step = [1, 2, 5, 10].map((n) => n * power).find((n) => n >= rough)!;
	const ticks = Array.from({ length: Math.floor(top / step) + 1 }, (_, i) => i * step);
	return { y: (w) => height * (1 - w / top), ticks };
}

/** The path of a day's load in slots of five minutes; with `foot` closed down to `base` as an area. */
export function loadSteps(
	values: readonly number[],
	width: number,
	y: (w: number) => number,
	foot: boolean,
	base = y(0)
): string {
	const slot = width / values.length;
	const line = values
		.map((w, i) =>
			i > 0 && w === values[i - 1]
				? ''
				: `${i === 0 ? 'M0 ' : `H${(i * slot).toFixed(1)}V`}${y(w).toFixed(1)}`
		)
		.join('');
	return foot ? `${line}H${width}V${base}H0Z` : `${line}H${width}`;
}
