import { scaleLinear } from 'd3-scale';
import { area, curveStepAfter, line } from 'd3-shape';
import { DAY_MINUTES, type Span } from '../week';

/** Setpoints below this are frost and the like: the height scale is broken under them. */
const BREAK_BELOW_C = 14;

/** Where a temperature stands in a day's drawing, top = 0. */
export interface HeightScale {
	/** Pixels from the top for a setpoint in °C. */
	y(setpointC: number): number;
	/** Pixels from the top for any temperature in °C: as {@link y} at the setpoints, and without a jump between them. */
	between(c: number): number;
	/** Pixels from the top where the scale is broken; null if it runs through. */
	readonly breakAt: number | null;
	readonly height: number;
	/** The setpoint of `setpoints` whose line is nearest to a height. */
	nearest(y: number, setpoints: readonly number[]): number;
}

/**
 * A height scale for the setpoints of a zone, in °C, over `height` pixels. Where some lie under 14 °C and some above, the
 * lower ones share the bottom quarter and the scale is broken, so that comfort and setback stay apart. With `overshoot` there
 * is room above the highest setpoint for what a room does there.
 */
export function heightScale(
	setpointsC: readonly number[],
	height: number,
	{ overshoot = false }: { readonly overshoot?: boolean } = {}
): HeightScale {
	const sorted = [...new Set(setpointsC)].sort((a, b) => a - b);
	const high = sorted.filter((c) => c >= BREAK_BELOW_C);
	const low = sorted.filter((c) => c < BREAK_BELOW_C);
	const top = height * (overshoot ? 0.27 : 0.14);
	/** The lowest of these setpoints at one height, the highest at another; a single one in the middle. */
	const between = (setpoints: readonly number[], lowest: number, highest: number) => {
		const [least, most] = [setpoints[0] ?? 0, setpoints.at(-1) ?? 0];
		const middle = (lowest + highest) / 2;
		// a single setpoint has no length on the scale: a kelvin is as much as a tenth of the height
		return least === most
			? scaleLinear([least, least + 1], [middle, middle - height / 10])
			: scaleLinear([least, most], [lowest, highest]);
	};
	const broken = high.length > 0 && low.length > 0;
	const upper = broken
		? between(high, high.length > 1 ? height * (overshoot ? 0.69 : 0.62) : top * 2, top)
		: between(sorted, height * 0.76, top);
	const lower = broken ? between(low, height * 0.95, height * (low.length > 1 ? 0.84 : 0.91)) : upper;
	const y = (c: number) => (broken && c < BREAK_BELOW_C ? lower(c) : upper(c));
	// where the scale is broken, what a room does between frost and setback runs straight through the break
	const through = broken
		? scaleLinear([low.at(-1)!, high[0]!], [lower(low.at(-1)!), upper(high[0]!)])
		: upper;
	return {
		y,
		between: (c) => (!broken || c >= high[0]! ? upper(c) : c <= low.at(-1)! ? lower(c) : through(c)),
		breakAt: broken ? height * 0.76 : null,
		height,
		nearest: (at, setpoints) =>
			setpoints.reduce((best, c) => (Math.abs(y(c) - at) < Math.abs(y(best) - at) ? c : best))
	};
}

/** The scale of a day's minutes over `width` pixels. */
export const dayScale = (width: number) => scaleLinear([0, DAY_MINUTES], [0, width]);

/** Pixels from the left for a minute of the day. */
export function timeX(minute: number, width: number): number {
	return (minute / DAY_MINUTES) * width;
}

/** The minute of the day at a place, on the given step, within the day. */
export function minuteAt(x: number, width: number, step: number): number {
	const minute = Math.round(((x / width) * DAY_MINUTES) / step) * step;
	return Math.min(Math.max(minute, 0), DAY_MINUTES);
}

/** A day's stretches as corners of a step line: where each begins, and where the last ends. */
const corners = (
	spans: readonly Span<number>[],
	width: number,
	y: (c: number) => number
): [number, number][] => [
	...spans.map((span): [number, number] => [timeX(span.from, width), y(span.value)]),
	[timeX(spans.at(-1)!.to, width), y(spans.at(-1)!.value)]
];

const steps = line().curve(curveStepAfter).digits(1);

/** The path of a day's step line from the left edge to the right. */
export function stepPath(spans: readonly Span<number>[], width: number, y: (c: number) => number): string {
	return steps(corners(spans, width, y))!;
}

/** The area under a day's step line down to the foot of the drawing. */
export function stepArea(
	spans: readonly Span<number>[],
	width: number,
	height: number,
	y: (c: number) => number
): string {
	return area().curve(curveStepAfter).digits(1).y0(height)(corners(spans, width, y))!;
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

const curve = line().digits(1);

/** A day of a room's own temperature. */
export interface RoomLine {
	/** Kept within the drawing. */
	readonly path: string;
	/** Where it was warmer than the drawing has room for, from and to in pixels. */
	readonly over: readonly { readonly from: number; readonly to: number }[];
}

/** The line of a day of a room's temperatures in °C, given for every five minutes of the week. */
export function roomLine(
	weekC: ArrayLike<number>,
	day: number,
	width: number,
	scale: Pick<HeightScale, 'between' | 'height'>
): RoomLine {
	const points: [number, number][] = [];
	const over: { from: number; to: number }[] = [];
	for (let slot = 0; slot <= DAY_SLOTS; slot += DRAWN) {
		const x = timeX(slot * 5, width);
		const y = scale.between(weekC[(day * DAY_SLOTS + slot) % weekC.length]!);
		points.push([x, Math.min(Math.max(y, 1), scale.height - 1)]);
		if (y >= 1) continue;
		const last = over.at(-1);
		if (last && x - last.to < timeX(30, width)) last.to = x;
		else over.push({ from: x, to: x });
	}
	return { path: curve(points)!, over };
}
