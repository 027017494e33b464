import { MINUTE_MS } from '../civil';
import type { ControlProfile } from '../control';
import { aboveBand, clamp, type Layer, type LayerSpan, type Prepared } from './layers';
import { periodSpans, samePeriod, type OwnedPeriod } from './periods';

/** What a control holds over a stretch of time, and what set it. */
export interface RunSpan {
	readonly fromMs: number;
	/** Infinity where only a person ends it. */
	readonly toMs: number;
	/** The heating setpoint in °C (0/1 on a switch); null: off altogether. */
	readonly heatC: number | null;
	/** The cooling setpoint in °C; null where it does not cool. */
	readonly coolC: number | null;
	/** What set it; limits only where they changed it. */
	readonly by: Layer;
	/** What the limits changed, where they did. */
	readonly limited: Layer | null;
	/** The exception that rules, by its id. */
	readonly exception: string | null;
	/** The period of the program, also where something stronger rules. */
	readonly owned: OwnedPeriod;
}

/** A stretch before the limits. Written out field by field: a year has thousands of them. */
interface Draft {
	fromMs: number;
	toMs: number;
	heatC: number | null;
	coolC: number | null;
	by: Layer;
	exception: string | null;
	owned: OwnedPeriod;
}

const draft = (
	fromMs: number,
	toMs: number,
	heatC: number | null,
	coolC: number | null,
	by: Layer,
	exception: string | null,
	owned: OwnedPeriod
): Draft => ({ fromMs, toMs, heatC, coolC, by, exception, owned });

const cut = (of: Draft, fromMs: number, toMs: number): Draft =>
	draft(fromMs, toMs, of.heatC, of.coolC, of.by, of.exception, of.owned);

/** Rises brought forward by the minutes of an early start, never to before the change before them. */
function startedEarly(
	spans: readonly Draft[],
	earlyMinutes: number,
	profile: ControlProfile
): readonly Draft[] {
	if (earlyMinutes === 0) return spans;
	const result: Draft[] = [];
	for (const [i, span] of spans.entries()) {
		const next = spans[i + 1];
		if (!next || (next.heatC ?? 0) <= (span.heatC ?? 0)) {
			result.push(span);
			continue;
		}
		const at = Math.max(span.fromMs, next.fromMs - earlyMinutes * MINUTE_MS);
		if (at > span.fromMs) result.push(cut(span, span.fromMs, at));
		result.push(
			draft(
				at,
				span.toMs,
				next.heatC,
				aboveBand(span.coolC, next.heatC ?? 0, profile),
				'early-start',
				null,
				span.owned
			)
		);
	}
	return result;
}

/** The spans with those of a stronger layer laid over them. */
function overlay(base: readonly Draft[], layer: Layer, spans: readonly LayerSpan[]): readonly Draft[] {
	const result: Draft[] = [];
	let i = 0;
	for (const under of base) {
		let from = under.fromMs;
		while (i < spans.length && spans[i]!.toMs <= from) i++;
		for (let j = i; j < spans.length && spans[j]!.fromMs < under.toMs; j++) {
			const over = spans[j]!;
			const start = Math.max(over.fromMs, from);
			const end = Math.min(over.toMs, under.toMs);
			if (end <= start) continue;
			if (start > from) result.push(cut(under, from, start));
			result.push(draft(start, end, over.heatC, over.coolC, layer, over.id, under.owned));
			from = end;
		}
		if (from === under.fromMs) result.push(under);
		else if (from < under.toMs) result.push(cut(under, from, under.toMs));
	}
	return result;
}

/**
 * What a control holds from one instant to another, event by event: no minute is stepped through. In order,
 * without gaps; neighbours differ in setpoint or in what set it. Over a clock change its own clock decides:
 * an event inside the skipped hour acts at the jump.
 */
export function timeline(prepared: Prepared, fromMs: number, toMs: number): RunSpan[] {
	const { profile, settings } = prepared.input;
	const { changeover } = settings;
	const reach = prepared.earlyMinutes * MINUTE_MS;
	const periods = periodSpans(prepared.plan, prepared.segments(fromMs - reach, toMs + reach));
	const cools = profile.cooling !== null;
	let drafts: readonly Draft[] = startedEarly(
		periods.map(({ fromMs: from, toMs: to, owned }) =>
			draft(
				from,
				to,
				owned.period.heatC,
				cools ? owned.period.coolC : null,
				owned.special ? 'special-day' : 'program',
				null,
				owned
			)
		),
		prepared.earlyMinutes,
		profile
	);
	for (const { layer, spans } of prepared.layers) drafts = overlay(drafts, layer, spans);
	const result: RunSpan[] = [];
	let last: { -readonly [K in keyof RunSpan]: RunSpan[K] } | null = null;
	for (const one of drafts) {
		const start = Math.max(one.fromMs, fromMs);
		const end = Math.min(one.toMs, toMs);
		if (end <= start) continue;
		const clamped = clamp(one.heatC, one.by, profile, settings);
		const limited = clamped === one.heatC ? null : one.by;
		const by = limited ? 'limits' : one.by;
		const heatC = changeover === 'cool-only' && cools ? null : clamped;
		const coolC = changeover === 'heat-only' ? null : one.coolC;
		if (
			last &&
			last.heatC === heatC &&
			last.coolC === coolC &&
			last.by === by &&
			last.limited === limited &&
			last.exception === one.exception &&
			(one.exception !== null || samePeriod(last.owned, one.owned))
		) {
			last.toMs = end;
			continue;
		}
		last = {
			fromMs: start,
			toMs: end,
			heatC,
			coolC,
			by,
			limited,
			exception: one.exception,
			owned: one.owned
		};
		result.push(last);
	}
	return result;
}
