import type { CalledZone, Cause, CauseKind } from './cause';
import { causesOf, taught, unaskable } from './causes';
import { settled } from './settled';
import { contradiction, type Fact, type QuestionId } from './facts';
import {
	byMatter,
	likeliestPair,
	nextQuestion,
	rank,
	type Asking,
	type Named,
	type Ranked,
	type RankedPair
} from './infer';
import { matchLog, type LogMatch } from './log';

/** A call as it is weighed: what was said and what nobody could say, and what earlier calls of the firm were. */
export interface Said {
	readonly facts: readonly Fact[];
	readonly passed: readonly QuestionId[];
	readonly counts: Readonly<Partial<Record<CauseKind, number>>>;
}

/** A week in the world of a cause. */
export type CauseWorld = Pick<Cause, 'heats' | 'warm' | 'levels'>;

/** What is likely after what was said, and what to ask next: plain data, for another thread to send. */
export interface Weighed {
	/** All that may be the matter, each with its likeliest figure, the likeliest first. */
	readonly ranked: readonly Ranked<Named>[];
	/** The question that tells most; null where what was said cannot all be so, or no question tells anything. */
	readonly asking: Asking<Named> | null;
	readonly pair: RankedPair<Named> | null;
	/** The places of two facts that cannot both be so; null where all can. */
	readonly clash: readonly [number, number] | null;
	/** The week as it should run, and as the likeliest cause has it run. */
	readonly planned: CauseWorld;
	readonly likeliest: CauseWorld;
	/** How a log that is among the facts goes with the planned week; null without one. */
	readonly log: LogMatch | null;
}

const named = ({ id, kind, figure, prior }: Cause): Named => ({ id, kind, figure, prior });
const world = ({ heats, warm, levels }: Cause): CauseWorld => ({ heats, warm, levels });

/** Weighs a call about a zone. */
export function weigh(called: CalledZone, { facts: said, passed, counts }: Said): Weighed {
	const facts = said.map((fact) => settled(fact, called.profile));
	const causes = taught(causesOf(called, facts), counts);
	const ranked = rank(causes, facts);
	const matters = byMatter(ranked);
	const clash = contradiction(facts);
	const asking = clash ? null : nextQuestion(ranked, facts, [...passed, ...unaskable(called)]);
	const pair = likeliestPair(ranked, facts);
	// what is nothing in particular leaves the week as it should be
	const planned = world(causes.at(-1)!);
	const log = facts.find((fact) => fact.kind === 'log');
	return {
		ranked: matters.map((one) => ({ ...one, cause: named(one.cause) })),
		asking: asking && {
			...asking,
			answers: asking.answers.map((one) => ({ ...one, likeliest: named(one.likeliest) }))
		},
		pair: pair && { ...pair, causes: [named(pair.causes[0]), named(pair.causes[1])] },
		clash,
		planned,
		likeliest: world(matters[0]!.cause),
		log: log ? matchLog(planned.levels, log) : null
	};
}
