import type { z } from 'zod';
import { weigh, type CalledZone, type Named } from '$core/callback';
import { understand } from '$core/heard';
import { findProfile } from '$core/control';
import { fitZone } from '$core/fit';
import type { callbackRequest, callbackResponse, Problem } from '$core/formats';
import { nothingNoted } from '$core/plan';
import { buildWeek } from '$core/week';
import {
	answerWords,
	askingWords,
	contradictionWords,
	explainsWords,
	matterWords,
	mendWords
} from '$core/words';
import { unknownControl } from './zone';

/** What may be the matter with a zone whose household calls, as the API answers it. */
export function computeCallback(
	request: z.output<typeof callbackRequest>
): { value: z.input<typeof callbackResponse> } | { problem: Problem } {
	const { zone, said, passed, outdoorC, missedChangeMinutes, fed, counts } = request;
	const profile = request.profile ?? findProfile(zone.control);
	if (!profile) return unknownControl(zone.control);
	const facts = [...request.facts, ...understand(said)];
	const called: CalledZone = {
		zone,
		profile,
		program: fitZone(zone, profile).chosen.program,
		onSite: zone.onSite ?? nothingNoted,
		governor: fed && {
			isSwitch: true,
			levels: [],
			held: buildWeek(fed.map(({ at, on }) => ({ at, value: on ? 1 : 0 })))
		},
		outdoorC,
		missedChangeMinutes
	};
	const { ranked, asking, pair, clash } = weigh(called, { facts, passed, counts });
	const next = facts.length === 0 ? null : asking;
	if (clash) {
		const [i, j] = clash;
		return { problem: { path: `facts[${j}]`, sentence: contradictionWords(facts[i]!, facts[j]!) } };
	}
	const sum = ranked.reduce((all, { cause }) => all + cause.prior, 0);
	const named = (cause: Named) => ({
		kind: cause.kind,
		figure: cause.figure,
		words: matterWords(cause, profile)
	});
	return {
		value: {
			facts: facts.map((fact) => ({ ...fact })),
			causes: ranked.map(({ cause, share, explains }) => ({
				...named(cause),
				share,
				explains: explainsWords(facts, explains),
				priorShare: cause.prior / sum,
				explainsEach: [...explains]
			})),
			pair: pair && { causes: pair.causes.map(named), odds: pair.odds },
			next: next && {
				question: next.question,
				words: askingWords(next.question),
				gainBits: next.gainBits,
				answers: next.answers.map(({ answer, share, likeliest }) => ({
					answer,
					words: answerWords(next.question, answer),
					share,
					likeliest: named(likeliest)
				}))
			},
			mend: mendWords(ranked[0]!.cause, profile)
		}
	};
}
