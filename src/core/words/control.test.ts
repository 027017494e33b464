import { describe, expect, it } from 'vitest';
import { blankProfile, findProfile, shippedProfiles } from '../control';
import { FACT_TOPICS, profileFacts, profileInShort } from '.';

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
		expect(said({ startsEarly: true })).toContain('key the time of need');
		expect(said({ startsEarly: false })).toContain('the lead is typed');
	});
});
