import { isShort, weightedOf, type Misfit, type MisfitSpan, type Weights } from '../fit';
import { clockTime, DAY_MINUTES, dayOf, dayRange, duration, minuteOfDay } from '../week';

/** What the side of a misfit is called where it is the cooling that does not hold. */
const coolingWords = (span: MisfitSpan): string =>
	span.cooling ? (isShort(span) ? 'cooling too little, ' : 'cooling too hard, ') : '';

/** The same misfit on one or several days. */
export interface MisfitSentence {
	readonly days: readonly number[];
	readonly from: number;
	readonly to: number;
	readonly cold: boolean;
	/** "Thu 13:10–14:00, 50 min at 17.0 instead of 20.5" */
	readonly text: string;
	/** Weighted K·min over all its days, for putting the worst first. */
	readonly weighted: number;
}

/**
 * The misfit in words, worst first; the same stretch on several days is said once.
 * `say` puts a setpoint in °C into the control's own figures.
 */
export function misfitSentences(
	misfit: Misfit,
	weights: Weights,
	say: (setpointC: number) => string
): MisfitSentence[] {
	const alike = new Map<string, MisfitSpan[]>();
	for (const span of misfit.spans) {
		const key = [minuteOfDay(span.from), span.to - span.from, span.wantedC, span.heldC, span.cooling].join();
		alike.set(key, [...(alike.get(key) ?? []), span]);
	}
	return [...alike.values()]
		.map((spans) => {
			const first = spans[0]!;
			const days = spans.map((span) => dayOf(span.from));
			const from = minuteOfDay(first.from);
			const to = from + (first.to - first.from);
			const all = to - from === DAY_MINUTES ? 'all day' : `${clockTime(from)}–${clockTime(to)}`;
			return {
				days,
				from,
				to,
				cold: isShort(first),
				text: `${dayRange(days)} ${all}, ${duration(to - from)} ${coolingWords(first)}at ${say(first.heldC)} instead of ${say(first.wantedC)}`,
				weighted: spans.reduce((sum, span) => sum + weightedOf(span, weights), 0)
			};
		})
		.sort((a, b) => b.weighted - a.weighted);
}
