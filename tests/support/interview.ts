import {
	byMatter,
	causesOf,
	nextQuestion,
	QUESTIONS,
	rank,
	unaskable,
	type CalledZone,
	type Fact,
	type QuestionId,
	type Ranked
} from '../../src/core/callback';
import { findProfile } from '../../src/core/control';
import { cardAsNew, zoneCard } from '../../src/core/keying';
import { isOperable, type Memory, type Operable } from '../../src/core/machine';
import { newZone, withWanted } from '../../src/core/plan';
import {
	calledOf,
	CAUSES_OF,
	householdAnswers,
	livedThrough,
	type Planted,
	type Random
} from '../../src/core/rehearsal';
import { buildWeek } from '../../src/core/week';

/** A family's week: warm mornings and evenings on working days, most of the day at the weekend. */
const family = buildWeek(
	[0, 1, 2, 3, 4, 5, 6].flatMap((day) => {
		const at = day * 1440;
		return day < 5
			? [
					{ at: at + 360, value: 'comfort' },
					{ at: at + 510, value: 'eco' },
					{ at: at + 990, value: 'comfort' },
					{ at: at + 1320, value: 'eco' }
				]
			: [
					{ at: at + 480, value: 'comfort' },
					{ at: at + 1380, value: 'eco' }
				];
	})
);

/** A shipped control with a family's week keyed into it by its card. */
export function familyOn(id: string): { readonly profile: Operable; readonly memory: Memory } {
	const profile = findProfile(id)!;
	if (!isOperable(profile)) throw new Error(id);
	const levels = newZone('Parlour', profile).levels.map(({ id: level }) => level);
	const week = levels.includes('comfort')
		? family
		: family.map(({ at, value }) => ({ at, value: value === 'comfort' ? levels[0]! : levels.at(-1)! }));
	const zone = withWanted(newZone('Parlour', profile), week);
	const { card } = zoneCard(zone, profile);
	return { profile, memory: cardAsNew(profile, { items: card.items, ...card.operated! }).memory };
}

/** How a call about something planted went. */
export interface Interviewed {
	readonly ranked: readonly Ranked[];
	readonly asked: number;
	/** The place of what it was among what is likely, from 1, before any question and after the last. */
	readonly first: number;
	readonly last: number;
	/** What was thought likely of what it was, in the end. */
	readonly share: number;
}

/** The facts that a household reports, with an honest noise: a time is told up to a quarter of an hour off, an answer is wrong one time in ten. */
function noisy(fact: Fact, random: Random): Fact {
	if (fact.kind === 'turns')
		return { ...fact, at: Math.min(1439, Math.max(0, fact.at + Math.round((random() - 0.5) * 2) * 15)) };
	if (fact.kind === 'answer' && random() < 0.1) {
		const all: readonly string[] = QUESTIONS[fact.question];
		return { ...fact, answer: all[Math.floor(random() * all.length)]! };
	}
	return fact;
}

/**
 * A call about something planted in a stand-in, asked and answered until nothing more is asked, or four answers were given. `tells` are
 * questions that the household answers with what it reports, before it is asked anything.
 */
export function interview(
	planted: Planted,
	called: CalledZone = calledOf(planted),
	random: Random | null = null,
	{
		mostAnswers = 4,
		tells = []
	}: { readonly mostAnswers?: number; readonly tells?: readonly QuestionId[] } = {}
): Interviewed {
	const said = (fact: Fact) => (random ? noisy(fact, random) : fact);
	const causes = causesOf(called);
	const kinds = CAUSES_OF[planted.fault];
	const passed: QuestionId[] = [...unaskable(called)];
	const told = tells.flatMap((question): Fact[] => {
		const answer = passed.includes(question) ? null : householdAnswers(planted, question);
		return answer === null ? [] : [{ kind: 'answer', question, answer }];
	});
	let facts = [...livedThrough(planted), ...told].map(said);
	let ranked = rank(causes, facts);
	const placeOf = (of: readonly Ranked[]) => {
		const seen = [...new Set(of.map(({ cause }) => cause.kind))];
		return 1 + Math.min(...kinds.map((kind) => seen.indexOf(kind)).filter((at) => at >= 0), seen.length);
	};
	const first = placeOf(byMatter(ranked));
	let asked = 0;
	while (asked < mostAnswers) {
		const next = nextQuestion(ranked, facts, passed);
		if (!next) break;
		const answer = householdAnswers(planted, next.question);
		if (answer === null) passed.push(next.question);
		else {
			asked++;
			facts = [...facts, said({ kind: 'answer', question: next.question, answer })];
			ranked = rank(causes, facts);
		}
	}
	const share = ranked
		.filter(({ cause }) => kinds.includes(cause.kind))
		.reduce((sum, one) => sum + one.share, 0);
	return { ranked, asked, first, last: placeOf(byMatter(ranked)), share };
}
