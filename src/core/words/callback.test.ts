import { describe, expect, it } from 'vitest';
import { CAUSE_KINDS, QUESTION_IDS, QUESTIONS, type CauseKind } from '../callback';
import { shippedProfiles } from '../control';
import { answerWords, askingWords, headlineWords, matterWords, mendWords, outcomeWords } from '.';

describe('what is said on a call', () => {
	it('never sends anybody behind a cover, and blames nobody', () => {
		const all = [
			...QUESTION_IDS.map(askingWords),
			...QUESTION_IDS.flatMap((id) => QUESTIONS[id].map((answer) => answerWords(id, answer))),
			...CAUSE_KINDS.map(outcomeWords),
			...shippedProfiles.flatMap((profile) =>
				CAUSE_KINDS.flatMap((kind) => [
					mendWords({ kind }, profile),
					matterWords({ kind, figure: 1 }, profile)
				])
			)
		];
		for (const text of all) {
			expect(text, text).not.toMatch(/undefined|NaN|\[object/);
			expect(text.replace(/do not open it/g, ''), text).not.toMatch(
				/\b(open|unscrew|take off|remove) (it|the (cover|case|lid|housing|boiler))\b/i
			);
			expect(text, text).not.toMatch(/\b(your|the customer.s) (fault|mistake)|you (have )?(broken|forgot)/i);
		}
		// no two answers to a question read alike
		for (const id of QUESTION_IDS) {
			const answers = QUESTIONS[id].map((answer) => answerWords(id, answer));
			expect(new Set(answers).size, id).toBe(answers.length);
		}
	});

	it('every mend is a sentence', () => {
		for (const profile of shippedProfiles)
			for (const kind of CAUSE_KINDS) expect(mendWords({ kind }, profile)).toMatch(/[.!]$/);
	});

	it('the headline keeps the capital of a day, and of nothing else', () => {
		const first = (kind: CauseKind, figure: number) =>
			headlineWords(
				{ cause: { id: '', kind, figure, prior: 1 }, share: 0.6, explains: [] },
				shippedProfiles[0]!
			);
		expect(first('day-not-copied', 17)).toBe('Most likely Monday and days like it have Sunday’s times.');
		expect(first('clock-off', 60)).toBe('Most likely clock 1 h fast.');
	});
});
