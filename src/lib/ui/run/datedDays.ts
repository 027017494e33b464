import { dateOfDay, dateWords, dayNumber, instantOf, transitionsBetween, wallAt, HOUR_MS } from '$core/civil';
import { displaySetpoint, heldSetpoint, type ControlProfile } from '$core/control';
import { timeline, type Prepared, type RunSpan } from '$core/run';
import { DAY_MINUTES, duration } from '$core/week';
import { heightScale, type HeightScale } from '$core/drawing';

/** A rectangle between two lines of a dated day, in pixels. */
export interface ApartRect {
	readonly x: number;
	readonly y: number;
	readonly width: number;
	readonly height: number;
	readonly cold: boolean;
}

/** One date as it is drawn: by elapsed time, so that a day of 23 or 25 hours is as long as it is. */
export interface DatedDay {
	readonly date: string;
	/** `Sun 29 Mar` */
	readonly label: string;
	readonly fromMs: number;
	readonly toMs: number;
	/** Pixels wide. */
	readonly width: number;
	readonly line: string;
	readonly area: string;
	readonly coolLine: string;
	/** Where another timeline of the same date holds something else. */
	readonly apart: readonly ApartRect[];
	/** Stretches in which something stronger than the program rules. */
	readonly strong: readonly { readonly x: number; readonly width: number; readonly by: RunSpan['by'] }[];
	/** The jump of the clock on this date, in pixels from the left, and what it is. */
	readonly jump: { readonly x: number; readonly words: string } | null;
}

export interface DatedDrawing {
	readonly scale: HeightScale;
	readonly labels: readonly { readonly y: number; readonly text: string }[];
	readonly days: readonly DatedDay[];
	/** Pixels an hour. */
	readonly hourWidth: number;
}

/** Where off altogether is drawn: at the foot, under any setpoint. */
const OFF_C = 0;

/** The height scale of everything that several timelines of one zone hold. */
function scaleOf(
	prepared: Prepared,
	spans: readonly RunSpan[],
	profile: ControlProfile,
	height: number
): HeightScale {
	const { options, levels } = prepared.input;
	const used = spans.flatMap((span) => [span.heatC ?? OFF_C, ...(span.coolC === null ? [] : [span.coolC])]);
	const own = levels.map((level) => heldSetpoint(profile, options, level.setpointC));
	return heightScale([...used, ...own], height);
}

/**
 * Consecutive dates of a zone as step lines by elapsed time. With `against` the other timeline is compared and
 * what lies between is marked: cold where this one holds less.
 */
export function datedDays(
	prepared: Prepared,
	firstDate: string,
	count: number,
	hourWidth: number,
	height: number,
	against: Prepared | null = null
): DatedDrawing {
	const { timeZone, profile, options } = prepared.input;
	const first = dayNumber(firstDate);
	const midnight = (day: number) => instantOf(timeZone, day * DAY_MINUTES);
	const [fromMs, toMs] = [midnight(first), midnight(first + count)];
	const spans = timeline(prepared, fromMs, toMs);
	const others = against ? timeline(against, fromMs, toMs) : null;
	const scale = scaleOf(prepared, others ? [...spans, ...others] : spans, profile, height);
	const changes = transitionsBetween(timeZone, fromMs, toMs);
	const yOf = (c: number | null) => scale.y(c ?? OFF_C);

	const labels: { y: number; text: string }[] = [];
	const held = [...new Set(spans.map((span) => span.heatC))].sort((a, b) => (b ?? OFF_C) - (a ?? OFF_C));
	for (const c of held) {
		const y = yOf(c);
		if (labels.length === 0 || Math.abs(y - labels.at(-1)!.y) >= 11)
			labels.push({ y, text: c === null ? 'off' : displaySetpoint(profile, options, c) });
	}

	const days = Array.from({ length: count }, (_, i): DatedDay => {
		const day = first + i;
		const [start, end] = [midnight(day), midnight(day + 1)];
		const x = (ms: number) => ((Math.min(Math.max(ms, start), end) - start) / HOUR_MS) * hourWidth;
		const within = (list: readonly RunSpan[]) =>
			list.filter((span) => span.fromMs < end && span.toMs > start);
		const here = within(spans);
		const path = (of: (span: RunSpan) => number) =>
			here
				.map(
					(span, n) =>
						`${n === 0 ? `M0 ${of(span).toFixed(1)}` : `V${of(span).toFixed(1)}`}H${x(span.toMs).toFixed(1)}`
				)
				.join('');
		const line = path((span) => yOf(span.heatC));
		const apart = others
			? within(others).flatMap((other) =>
					here.flatMap((span) => {
						const [a, b] = [Math.max(span.fromMs, other.fromMs, start), Math.min(span.toMs, other.toMs, end)];
						if (b <= a || span.heatC === other.heatC) return [];
						const [top, bottom] = [yOf(span.heatC), yOf(other.heatC)].sort((p, q) => p - q) as [
							number,
							number
						];
						return [
							{
								x: x(a),
								y: top,
								width: x(b) - x(a),
								height: Math.max(2, bottom - top),
								cold: (span.heatC ?? OFF_C) < (other.heatC ?? OFF_C)
							}
						];
					})
				)
			: [];
		const change = changes.find((one) => one.atMs >= start && one.atMs < end);
		const date = dateOfDay(day);
		return {
			date,
			label: dateWords(date, 'short'),
			fromMs: start,
			toMs: end,
			width: x(end),
			line,
			area: `${line}V${height}H0Z`,
			coolLine:
				profile.cooling && here.every((span) => span.coolC !== null)
					? path((span) => scale.y(span.coolC!))
					: '',
			apart,
			strong: here
				.filter((span) => span.by !== 'program')
				.map((span) => ({ x: x(span.fromMs), width: x(span.toMs) - x(span.fromMs), by: span.by })),
			jump: change
				? {
						x: x(change.atMs),
						words: `${change.afterMinutes > change.beforeMinutes ? 'forward' : 'back'} ${duration(Math.abs(change.afterMinutes - change.beforeMinutes))}`
					}
				: null
		};
	});
	return { scale, labels, days, hourWidth };
}

/** The first date of the seven drawn round an instant: the Monday of its week at the site. */
export function mondayOf(timeZone: string, ms: number): string {
	const day = Math.floor(wallAt(timeZone, ms) / DAY_MINUTES);
	return dateOfDay(day - ((((day + 3) % 7) + 7) % 7));
}
