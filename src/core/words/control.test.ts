import { describe, expect, it } from 'vitest';
import { blankProfile, findProfile, shippedProfiles } from '../control';
import { FACT_TOPICS, lockWords, profileFacts, profileInShort, resetWords } from '.';

describe('a control in sentences', () => {
	it('is told whole, topic by topic, each sentence ended once', () => {
		for (const profile of [...shippedProfiles, blankProfile('Hall dial', 'slots')]) {
			const facts = profileFacts(profile);
			expect(facts.map(({ topic }) => topic)).toEqual(
				FACT_TOPICS.filter((topic) => facts.some((one) => one.topic === topic))
			);
			for (const { sentences } of facts) {
				expect(sentences.length).toBeGreaterThan(0);
				for (const sentence of sentences) expect(sentence, profile.id).toMatch(/^[A-Z\d(].*[^.\s]\.$/);
			}
			expect(profileInShort(profile)).toMatch(/^Holds .*\.$/);
		}
	});

	it('changes its words with what it tells of', () => {
		const stat = findProfile('six-step-room-stat')!;
		const said = (part: object) =>
			profileFacts({ ...stat, ...part })
				.flatMap(({ sentences }) => sentences)
				.join(' ');
		expect(said({})).toContain('Holds six or four changes a day, in steps of 10 minutes');
		expect(said({ program: { ...stat.program, perDay: [2], stepMinutes: 1 } })).toContain(
			'two changes a day, to the minute'
		);
		expect(said({})).toContain(
			'Day grouping: Hold Menu 5\u00a0s, then press OK twice; a change wipes the week.'
		);
		expect(said({})).toContain('Its keys lock, but the setpoint stays free: Hold + and − together');
		expect(said({ operation: { ...stat.operation, options: {}, resets: [], lock: null } })).toContain(
			'Where it is set is not said of unit, clock format, day grouping, steps a day and with or without a program'
		);
		expect(lockWords(stat)).toBe(
			'Hold + and − together 3\u00a0s. To end it: Hold + and − together 3\u00a0s.'
		);
		expect(resetWords(stat)).toEqual(['Hold Menu and − together 10\u00a0s: wipes everything.']);
		expect(said({ startsEarly: true })).toContain('key the time of need');
		expect(said({ startsEarly: false })).toContain('preheat goes into the week');
	});
});
