import { driftOf, offsetAt, transitionsBetween, type Drift, DAY_MS, MINUTE_MS } from '../civil';
import type { ControlProfile } from '../control';
import type { ClockReading } from '../plan';

/** A moment at which a control's clock was known to be right, or off by so much: from then on a clock changed by hand keeps that day's offset. */
export interface ClockAnchor {
	readonly atMs: number;
	readonly errorSeconds: number;
}

/** How a control's clock goes against the right time at its place. */
export interface ControlClock {
	/** Whether it changes for summer time without a hand: by itself, or by a rule that was keyed. */
	readonly follows: boolean;
	/** At least one, in order of time. */
	readonly anchors: readonly ClockAnchor[];
	readonly driftSecondsPerDay: number;
}

/** Whether a control's clock changes for summer time without a hand. */
const changesItself = ({ habits }: ControlProfile) => habits.clock.summerTime !== 'by-hand';

/** A clock that is right at an instant and was set then. */
export function rightClock(profile: ControlProfile, atMs: number): ControlClock {
	return {
		follows: changesItself(profile),
		anchors: [{ atMs, errorSeconds: 0 }],
		driftSecondsPerDay: 0
	};
}

/** The drift that the last two looks at a clock tell; null where they tell none. See {@link driftOf}. */
export function driftOfReadings(
	profile: ControlProfile,
	readings: readonly ClockReading[],
	timeZone: string
): Drift | null {
	return driftOf(
		readings
			.filter((reading) => !reading.lost)
			.map((reading) => ({ ...reading, atMs: Date.parse(reading.at) })),
		timeZone,
		changesItself(profile)
	);
}

/** A control's clock as its readings tell, its drift with it; never checked, it counts as right and set at `nowMs`. */
export function clockFromReadings(
	profile: ControlProfile,
	readings: readonly ClockReading[],
	timeZone: string,
	nowMs: number
): ControlClock {
	if (readings.length === 0) return rightClock(profile, nowMs);
	const anchors = readings.map((reading) => ({
		atMs: Date.parse(reading.at),
		errorSeconds: reading.set ? 0 : reading.errorSeconds + reading.daysAhead * 86_400
	}));
	return {
		follows: changesItself(profile),
		anchors: anchors.sort((a, b) => a.atMs - b.atMs),
		driftSecondsPerDay: driftOfReadings(profile, readings, timeZone)?.secondsPerDay ?? 0
	};
}

/** A stretch in which the control's clock goes evenly. */
export interface WallSegment {
	readonly fromMs: number;
	readonly toMs: number;
	/** What its clock shows at `fromMs`, in ms of wall time. */
	readonly wallMs: number;
	/** Wall ms gained for each ms. */
	readonly rate: number;
}

/** How a control's clock goes between two instants, in stretches without a jump. */
export function wallSegments(
	timeZone: string,
	clock: ControlClock,
	fromMs: number,
	toMs: number
): WallSegment[] {
	const { anchors, driftSecondsPerDay } = clock;
	const marks = new Set([fromMs]);
	for (const anchor of anchors) if (anchor.atMs > fromMs && anchor.atMs < toMs) marks.add(anchor.atMs);
	if (clock.follows)
		for (const change of transitionsBetween(timeZone, fromMs + 1, toMs)) marks.add(change.atMs);
	const starts = [...marks].sort((a, b) => a - b);
	return starts.map((start, i) => {
		const before = anchors.findLast((one) => one.atMs <= start);
		const anchor = before ?? anchors[0]!;
		// how it went before anybody looked is not known
		const drift = before ? driftSecondsPerDay : 0;
		// what it was off by at a look holds a missed change already: from there a clock changed by hand keeps that day's offset
		const offset = offsetAt(timeZone, clock.follows ? start : anchor.atMs);
		const error = anchor.errorSeconds + (drift * (start - anchor.atMs)) / DAY_MS;
		return {
			fromMs: start,
			toMs: starts[i + 1] ?? toMs,
			wallMs: start + offset * MINUTE_MS + Math.round(error * 1000),
			rate: 1 + drift / 86_400
		};
	});
}

/** The wall minute that a segment's clock shows at an instant. */
export function shownAt(segment: WallSegment, ms: number): number {
	return Math.floor((segment.wallMs + (ms - segment.fromMs) * segment.rate) / MINUTE_MS);
}

/** The first instant (whole ms) of a segment at which its clock shows at least this wall minute; it may lie past its end. */
export function firstShowing(segment: WallSegment, wallMinute: number): number {
	let ms = segment.fromMs + Math.ceil((wallMinute * MINUTE_MS - segment.wallMs) / segment.rate);
	if (ms <= segment.fromMs) return segment.fromMs;
	// binary dust of a drifting clock
	while (ms > segment.fromMs && shownAt(segment, ms - 1) >= wallMinute) ms--;
	while (shownAt(segment, ms) < wallMinute) ms++;
	return ms;
}
