import { MINUTE_MS } from '../civil';
import { aboveBand, clamp, type Layer, type LayerSpan, type Prepared } from './layers';
import { periodAt, samePeriod, type OwnedPeriod } from './periods';
import { shownAt } from './controlClock';
import { timeline, type RunSpan } from './timeline';

/** One link of the chain from the program to the answer. */
export interface ChainLink {
	readonly layer: Layer;
	readonly heatC: number | null;
	readonly coolC: number | null;
	/** When it ends by itself; null where it does not, or for the program, whose end is the answer's. */
	readonly untilMs: number | null;
	/** The span of an exception; null for the program, early start and limits. */
	readonly span: LayerSpan | null;
	readonly owned: OwnedPeriod;
}

/** What a control holds at an instant, and why. */
export interface Resolved {
	readonly atMs: number;
	/** What the control's own clock shows, in wall minutes. */
	readonly shownMinute: number;
	readonly heatC: number | null;
	readonly coolC: number | null;
	readonly by: Layer;
	readonly exception: string | null;
	readonly owned: OwnedPeriod;
	/** From the program up to what rules. */
	readonly chain: readonly ChainLink[];
}

/**
 * What a control holds at one instant, looked up directly: the period that its clock shows, an early start,
 * and every stronger layer in its order of precedence (docs/domain.md §10), then the limits. Returns the whole
 * chain; its last link is the answer.
 */
export function resolve(prepared: Prepared, atMs: number): Resolved {
	const { profile, settings } = prepared.input;
	const reach = prepared.earlyMinutes * MINUTE_MS;
	const segments = prepared.segments(atMs, atMs + reach + MINUTE_MS);
	const shownMinute = shownAt(segments[0]!, atMs);
	const owned = periodAt(prepared.plan, shownMinute);
	const chain: ChainLink[] = [];
	let state = {
		heatC: owned.period.heatC as number | null,
		coolC: profile.cooling ? owned.period.coolC : null
	};
	let by: Layer = owned.special ? 'special-day' : 'program';
	const link = (span: LayerSpan | null) =>
		chain.push({
			layer: by,
			...state,
			untilMs: span && span.toMs < Infinity ? span.toMs : null,
			span,
			owned
		});
	link(null);

	for (let minute = 1; minute <= prepared.earlyMinutes; minute++) {
		const then = atMs + minute * MINUTE_MS;
		const segment = segments.find((one) => then >= one.fromMs && then < one.toMs)!;
		const next = periodAt(prepared.plan, shownAt(segment, then));
		if (samePeriod(next, owned)) continue;
		if (next.period.heatC > owned.period.heatC) {
			by = 'early-start';
			state = {
				heatC: next.period.heatC,
				coolC: aboveBand(state.coolC, next.period.heatC, profile)
			};
			link(null);
		}
		break;
	}

	let exception: string | null = null;
	for (const { layer, spans } of prepared.layers) {
		const span = spans.find((one) => one.fromMs <= atMs && atMs < one.toMs);
		if (!span) continue;
		by = layer;
		exception = span.id;
		state = { heatC: span.heatC, coolC: span.coolC };
		link(span);
	}

	const heatC = clamp(state.heatC, by, profile, settings);
	if (heatC !== state.heatC) {
		by = 'limits';
		state = { ...state, heatC };
		link(null);
	}
	return {
		atMs,
		shownMinute,
		heatC: settings.changeover === 'cool-only' && profile.cooling ? null : state.heatC,
		coolC: settings.changeover === 'heat-only' ? null : state.coolC,
		by,
		exception,
		owned,
		chain
	};
}

/** How far ahead the next change is looked for: past any weekly program's longest quiet. */
const LOOK_AHEAD_MS = 15 * 86_400_000;

/** The stretch that rules at an instant and the one after it; `next` is null where nothing changes for a fortnight. */
export function aheadOf(
	prepared: Prepared,
	atMs: number
): { readonly now: RunSpan; readonly next: RunSpan | null } {
	const open = prepared.layers
		.flatMap(({ spans }) => spans)
		.find((one) => one.fromMs <= atMs && atMs < one.toMs);
	const reach =
		open && open.toMs < Infinity ? Math.max(LOOK_AHEAD_MS, open.toMs - atMs + 86_400_000) : LOOK_AHEAD_MS;
	const [now, next] = timeline(prepared, atMs, atMs + reach);
	return { now: now!, next: next ?? null };
}
