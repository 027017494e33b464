import { DAY_MINUTES } from './weekMinute';
import type { Span } from './weekSteps';

/** Setpoints below this are frost and the like: the height scale is broken under them. */
const BREAK_BELOW_C = 14;

/** Where a temperature stands in a day's drawing, top = 0. */
export interface HeightScale {
	/** Pixels from the top for a setpoint in °C. */
	y(setpointC: number): number;
	/** Pixels from the top where the scale is broken; null if it runs through. */
	readonly breakAt: number | null;
	readonly height: number;
	/** The setpoint of `setpoints` whose line is nearest to a height. */
	nearest(y: number, setpoints: readonly number[]): number;
}

/**
 * A height scale for the setpoints of a zone. Where some lie under 14 °C and some above, the lower
 * ones share the bottom fifth and the scale is broken, so that comfort and setback stay apart.
 */
export function heightScale(setpointsC: readonly number[], height: number): HeightScale {
	const sorted = [...new Set(setpointsC)].sort((a, b) => a - b);
	const high = sorted.filter((c) => c >= BREAK_BELOW_C);
	const low = sorted.filter((c) => c < BREAK_BELOW_C);
	const top = height * 0.14;
	const bottom = height * 0.9;
	const between = (c: number, from: number, to: number, yFrom: number, yTo: number) =>
		to === from ? (yFrom + yTo) / 2 : yFrom + ((c - from) / (to - from)) * (yTo - yFrom);
	let y: (c: number) => number;
	let breakAt: number | null = null;
	if (high.length > 0 && low.length > 0) {
		const highBottom = height * 0.56;
		const lowTop = height * (low.length > 1 ? 0.74 : 0.86);
		breakAt = height * 0.66;
		const lowMin = low[0]!;
		const lowMax = low.at(-1)!;
		y = (c) =>
			c >= BREAK_BELOW_C
				? between(c, high[0]!, high.at(-1)!, high.length > 1 ? highBottom : top * 2, top)
				: between(c, lowMin, lowMax, bottom, lowTop);
	} else {
		const min = sorted[0] ?? 0;
		const max = sorted.at(-1) ?? 1;
		y = (c) => between(c, min, max, height * 0.76, top);
	}
	return {
		y,
		breakAt,
		height,
		nearest: (at, setpoints) =>
			setpoints.reduce((best, c) => (Math.abs(y(c) - at) < Math.abs(y(best) - at) ? c : best))
	};
}

/** Pixels from the left for a minute of the day. */
export function timeX(minute: number, width: number): number {
	return (minute / DAY_MINUTES) * width;
}

/** The minute of the day at a place, on the given step, within the day. */
export function minuteAt(x: number, width: number, step: number): number {
	const minute = Math.round(((x / width) * DAY_MINUTES) / step) * step;
	return Math.min(Math.max(minute, 0), DAY_MINUTES);
}

/** The path of a day's step line from the left edge to the right. */
export function stepPath(spans: readonly Span<number>[], width: number, y: (c: number) => number): string {
	return spans
		.map((span, i) => {
			const level = y(span.value).toFixed(1);
			const to = timeX(span.to, width).toFixed(1);
			return i === 0 ? `M0 ${level}H${to}` : `V${level}H${to}`;
		})
		.join('');
}

/** The area under a day's step line down to the foot of the drawing. */
export function stepArea(
	spans: readonly Span<number>[],
	width: number,
	height: number,
	y: (c: number) => number
): string {
	return `${stepPath(spans, width, y)}V${height}H0Z`;
}

/** A rectangle between wanted and held where they differ. */
export interface MisfitRect {
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
	readonly cold: boolean;
}

/** The rectangles between a day's wanted and held lines. */
export function misfitRects(
	wanted: readonly Span<number>[],
	held: readonly Span<number>[],
	width: number,
	y: (c: number) => number
): MisfitRect[] {
	const rects: MisfitRect[] = [];
	for (const w of wanted) {
		for (const h of held) {
			const from = Math.max(w.from, h.from);
			const to = Math.min(w.to, h.to);
			if (to <= from || Math.abs(w.value - h.value) < 1e-9) continue;
			const [a, b] = [y(w.value), y(h.value)];
			rects.push({
				x: timeX(from, width),
				y: Math.min(a, b),
				width: timeX(to - from, width),
				height: Math.max(Math.abs(a - b), 2),
				cold: w.value > h.value
			});
		}
	}
	return rects;
}

/** Slots of five minutes in a day. */
const DAY_SLOTS = DAY_MINUTES / 5;
/** Of these every second is drawn: on the widest screens two pixels apart. */
const DRAWN = 2;

/** The path of a day of a room's temperatures, given for every five minutes of the week; broken where it leaves the drawing. */
export function roomPath(
	weekC: ArrayLike<number>,
	day: number,
	width: number,
	scale: Pick<HeightScale, 'y' | 'height'>
): string {
	const tenths = (pixels: number) => Math.round(pixels * 10) / 10;
	let path = '';
	let drawing = false;
	for (let slot = 0; slot <= DAY_SLOTS; slot += DRAWN) {
		const y = scale.y(weekC[(day * DAY_SLOTS + slot) % weekC.length]!);
		const inside = y >= 0 && y <= scale.height;
		if (inside) path += `${drawing ? 'L' : 'M'}${tenths(timeX(slot * 5, width))} ${tenths(y)}`;
		drawing = inside;
	}
	return path;
}
