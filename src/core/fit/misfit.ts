import { DAY_MINUTES, zipSpans, type WeekSteps } from '../week';
import type { Weights } from './cost';

/** A stretch of the week in which the held week is off the target by one constant amount. Minutes of the week; °C. */
export interface MisfitSpan {
	readonly from: number;
	readonly to: number;
	readonly wantedC: number;
	readonly heldC: number;
	/** True where it is the cooling setpoint that is off: "cold" then means too little cooling. */
	readonly cooling?: boolean;
}

/** Where a held week differs from its target, and by how much. */
export interface Misfit {
	/** K·min too cold and too warm over the week (minutes, on a switch). */
	readonly coldKelvinMinutes: number;
	readonly warmKelvinMinutes: number;
	/** Minutes of the week that are too cold and too warm at all. */
	readonly coldMinutes: number;
	readonly warmMinutes: number;
	/** J of the fit: weighted K·min. */
	readonly weighted: number;
	/** Every differing stretch, cut at midnights, in order. */
	readonly spans: readonly MisfitSpan[];
	/** The single stretch with the most weighted K·min; null when nothing differs. */
	readonly worst: MisfitSpan | null;
}

/** What a stretch weighs under the given weights, in weighted K·min; never negative. */
export function weightedOf(span: MisfitSpan, weights: Weights): number {
	const short = span.cooling ? span.heldC - span.wantedC : span.wantedC - span.heldC;
	return (span.to - span.from) * (short > 0 ? weights.cold * short : weights.warm * -short);
}

/** Compares two weeks in °C (0/1 for switches). */
export function misfitOf(target: WeekSteps<number>, held: WeekSteps<number>, weights: Weights): Misfit {
	const spans: MisfitSpan[] = [];
	let coldKelvinMinutes = 0;
	let warmKelvinMinutes = 0;
	let coldMinutes = 0;
	let warmMinutes = 0;
	for (const { from, to, value } of zipSpans(target, held)) {
		const [wantedC, heldC] = value;
		const short = wantedC - heldC;
		if (Math.abs(short) < 1e-9) continue;
		const minutes = to - from;
		if (short > 0) {
			coldKelvinMinutes += minutes * short;
			coldMinutes += minutes;
		} else {
			warmKelvinMinutes -= minutes * short;
			warmMinutes += minutes;
		}
		for (let at = from; at < to;) {
			const until = Math.min(to, (Math.floor(at / DAY_MINUTES) + 1) * DAY_MINUTES);
			spans.push({ from: at, to: until, wantedC, heldC });
			at = until;
		}
	}
	let worst: MisfitSpan | null = null;
	for (const span of spans)
		if (!worst || weightedOf(span, weights) > weightedOf(worst, weights)) worst = span;
	return {
		coldKelvinMinutes,
		warmKelvinMinutes,
		coldMinutes,
		warmMinutes,
		weighted: weights.cold * coldKelvinMinutes + weights.warm * warmKelvinMinutes,
		spans,
		worst
	};
}

/** The misfit of both setpoints together; `cool` was taken of the negated cooling weeks, so that too little cooling counts as cold. */
export function withCooling(heat: Misfit, cool: Misfit, weights: Weights): Misfit {
	const spans = [
		...heat.spans,
		...cool.spans.map((span) => ({ ...span, wantedC: -span.wantedC, heldC: -span.heldC, cooling: true }))
	].sort((a, b) => a.from - b.from);
	/** Minutes of the week in which either setpoint is off on this side. */
	const minutesOff = (short: boolean) => {
		let end = 0;
		let minutes = 0;
		for (const span of spans) {
			if (isShort(span) !== short) continue;
			minutes += Math.max(0, span.to - Math.max(span.from, end));
			end = Math.max(end, span.to);
		}
		return minutes;
	};
	const worst = spans.reduce<MisfitSpan | null>(
		(most, span) => (!most || weightedOf(span, weights) > weightedOf(most, weights) ? span : most),
		null
	);
	return {
		coldKelvinMinutes: heat.coldKelvinMinutes + cool.coldKelvinMinutes,
		warmKelvinMinutes: heat.warmKelvinMinutes + cool.warmKelvinMinutes,
		coldMinutes: minutesOff(true),
		warmMinutes: minutesOff(false),
		weighted: heat.weighted + cool.weighted,
		spans,
		worst
	};
}

/** Whether a span is on the side that hurts: too cold while heating, too little cooling while cooling. */
export function isShort(span: MisfitSpan): boolean {
	return span.cooling ? span.heldC > span.wantedC : span.wantedC > span.heldC;
}
