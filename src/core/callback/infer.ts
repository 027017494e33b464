import type { Cause, CauseKind } from './cause';
import { answersTo } from './causes';
import { QUESTION_IDS, type Fact, type QuestionId } from './facts';
import { likelihood } from './likelihood';

/** A cause without its world: what it is called by, and its weight before anything was said. */
export type Named = Pick<Cause, 'id' | 'kind' | 'figure' | 'prior'>;

/** A cause with what it is worth after what was said: shares sum to one. */
export interface Ranked<Of extends Named = Cause> {
	readonly cause: Of;
	readonly share: number;
	/** For each fact, by its place: how likely it is said where this is the matter, from 0 to 1. */
	readonly explains: readonly number[];
}

/** One mouth's second word about how it feels and when it runs counts less: both come of one impression (fitted on drawn calls: with 0.6 and with 1 fewer of 300 are first). */
const SECOND_WORD = 0.8;
/** What the facts of a call count for, by their places: the first of those that are felt and seen fully, the others less. */
function countsOf(facts: readonly Fact[]): number[] {
	let before = 0;
	return facts.map(({ kind }) =>
		kind === 'feels' || kind === 'turns' || kind === 'shift' ? (before++ === 0 ? 1 : SECOND_WORD) : 1
	);
}

/** Causes by what they are worth after facts, the likeliest first (Bayes' rule). */
export function rank(causes: readonly Cause[], facts: readonly Fact[]): Ranked[] {
	const counts = countsOf(facts);
	const weighed = causes.map((cause) => {
		const explains = facts.map((fact) => likelihood(cause, fact));
		const weight = explains.reduce((product, one, i) => product * one ** counts[i]!, cause.prior);
		return { cause, explains, weight };
	});
	const sum = weighed.reduce((all, { weight }) => all + weight, 0);
	return weighed
		.map(({ cause, explains, weight }) => ({ cause, explains, share: weight / sum }))
		.sort((a, b) => b.share - a.share);
}

/** Causes of which the figure is all that tells them apart: ranked as one, by all of their figures. */
const SUMMED: readonly CauseKind[] = ['clock-off', 'weekday-off', 'day-not-copied', 'step-slip'];
/** What is likely by what is the matter, each with its likeliest figure; the likeliest first. Shares sum to one. */
export function byMatter<Of extends Named>(ranked: readonly Ranked<Of>[]): Ranked<Of>[] {
	const found = new Map<string, Ranked<Of>>();
	for (const one of ranked) {
		const key = SUMMED.includes(one.cause.kind) ? one.cause.kind : one.cause.id;
		const first = found.get(key);
		found.set(key, first ? { ...first, share: first.share + one.share } : one);
	}
	return [...found.values()].sort((a, b) => b.share - a.share);
}

const entropy = (shares: readonly number[]): number =>
	shares.reduce((sum, p) => (p > 0 ? sum - p * Math.log2(p) : sum), 0);

/** What a question costs: one by telephone is cheap, a look at the display dearer, at the receiver or a heater dearer still. */
const COSTS: Readonly<Record<QuestionId, number>> = {
	since: 1,
	rooms: 1,
	'which-days': 1,
	water: 1,
	'set-to': 1.4,
	'clock-shows': 1.4,
	mode: 1.4,
	keys: 1.4,
	lamp: 1.8,
	'heater-asked': 2
};

/** A question with what it is expected to tell, in bits, and what is likeliest after each answer. */
export interface Asking<Of extends Named = Cause> {
	readonly question: QuestionId;
	readonly gainBits: number;
	readonly answers: readonly { readonly answer: string; readonly share: number; readonly likeliest: Of }[];
}

/** What a question is expected to tell of causes that are worth so much. */
export function gainOf(ranked: readonly Ranked[], question: QuestionId): Asking {
	const before = entropy(ranked.map(({ share }) => share));
	const answers = answersTo(question).map((answer) => {
		const fact: Fact = { kind: 'answer', question, answer };
		const joint = ranked.map(({ cause, share }) => share * likelihood(cause, fact));
		const share = joint.reduce((sum, one) => sum + one, 0);
		const after = joint.map((one) => one / share);
		return {
			answer,
			share,
			after: entropy(after),
			likeliest: ranked[after.indexOf(Math.max(...after))]!.cause
		};
	});
	const expected = answers.reduce((sum, { share, after }) => sum + share * after, 0);
	return {
		question,
		gainBits: before - expected,
		answers: answers.map(({ answer, share, likeliest }) => ({ answer, share, likeliest }))
	};
}

/** One cause is likely enough to act on. */
export const LIKELY_ENOUGH = 0.85;
/** Less than this is not worth a question, in bits. */
const LEAST_GAIN_BITS = 0.08;

/** The next question: that which tells most for what it costs. null where one cause is likely enough, or nothing more can be told so. */
export function nextQuestion(
	ranked: readonly Ranked[],
	facts: readonly Fact[],
	known: readonly QuestionId[] = []
): Asking | null {
	if ((byMatter(ranked)[0]?.share ?? 0) >= LIKELY_ENOUGH) return null;
	const asked = new Set<QuestionId>([
		...known,
		...facts.flatMap((fact) => (fact.kind === 'answer' ? [fact.question] : []))
	]);
	const open = QUESTION_IDS.filter((id) => !asked.has(id)).map((id) => gainOf(ranked, id));
	const best = open.reduce<Asking | null>(
		(a, b) => (a === null || b.gainBits / COSTS[b.question] > a.gainBits / COSTS[a.question] ? b : a),
		null
	);
	return best && best.gainBits >= LEAST_GAIN_BITS ? best : null;
}

/** Two causes at once, with what they are worth against every single one. */
export interface RankedPair<Of extends Named = Cause> {
	readonly causes: readonly [Of, Of];
	/** Against the likeliest single cause: above 1 where the two explain more than any one. */
	readonly odds: number;
	readonly explains: readonly number[];
}

/** So little of a fact is not explained. */
const UNEXPLAINED = 0.15;
/** Pairs are looked for among the likeliest of each kind, so many. */
const PAIRED_KINDS = 12;

/** The likeliest two causes at once, where the likeliest single one leaves something unexplained and two explain more than it; null else. */
export function likeliestPair(ranked: readonly Ranked[], facts: readonly Fact[]): RankedPair | null {
	const [first] = ranked;
	if (!first || first.explains.every((one) => one >= UNEXPLAINED)) return null;
	const kinds = new Map(ranked.toReversed().map((one) => [one.cause.kind, one.cause]));
	// the best of a kind for each fact alone too: what is to be explained beside the first may be rare
	const explained = new Map(ranked.map(({ cause, explains }) => [cause, explains]));
	const best = facts.flatMap((_, i) =>
		ranked
			.map(({ cause, explains }) => ({ cause, worth: cause.prior * explains[i]! }))
			.sort((a, b) => b.worth - a.worth)
			.slice(0, 3)
			.map(({ cause }) => cause)
	);
	const among = [...new Set([...[...kinds.values()].slice(-PAIRED_KINDS), ...best])].filter(
		({ kind }) => kind !== 'other'
	);
	const sum = ranked.reduce((all, { cause }) => all + cause.prior, 0);
	const single = first.explains.reduce((product, one) => product * one, first.cause.prior / sum);
	let found: RankedPair | null = null;
	for (const [i, a] of among.entries())
		for (const b of among.slice(i + 1)) {
			if (a.kind === b.kind) continue;
			const explains = facts.map((_, f) => Math.max(explained.get(a)![f]!, explained.get(b)![f]!));
			const weight = explains.reduce((product, one) => product * one, (a.prior * b.prior) / sum ** 2);
			if (weight > (found?.odds ?? 1) * single)
				found = { causes: a.prior >= b.prior ? [a, b] : [b, a], odds: weight / single, explains };
		}
	return found;
}
