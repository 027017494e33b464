import { describe, expect, it } from 'vitest';
import { factoryOptions, findProfile, profileSchema, shippedProfiles } from '../control';
import { fitZone } from '../fit';
import { readControlFile, writeControlFile } from '../formats';
import { keyCard, learnPace, startingPace, type CardItem, type KeyCard } from '../keying';
import { profileSense, sampleZone } from '.';
import { profileFacts, senseWords } from '../words';

const stat = findProfile('six-step-room-stat')!;
const found = (change: object) => {
	const profile = profileSchema.parse({ ...structuredClone(stat), ...change });
	return profileSense(profile).map((finding) => `${finding.severity} ${finding.path}`);
};

/** The parts of a card in the order that wipes and locks nothing: mode off, unit, clock, grouping, number of steps, setpoints of the week, program, mode auto. */
const ORDER = [
	/^mode\/before/,
	/^setting\/unit$/,
	/^setting\/clock$/,
	/^setting\/grouping$/,
	/^setting\//,
	/./
];

/**
 * Whether a card keeps to the order in which nothing keyed is lost again: unit before grouping before program,
 * off before and auto after. Returns the first item out of order; null when there is none.
 */
function outOfOrder(card: KeyCard): CardItem | null {
	const rank = (item: CardItem) =>
		item.id === 'mode/after' ? ORDER.length : ORDER.findIndex((part) => part.test(item.id));
	return card.items.find((item, i) => i > 0 && rank(item) < rank(card.items[i - 1]!)) ?? null;
}

describe('a profile’s sense', () => {
	it.each(shippedProfiles)('finds nothing against $name', (profile) => {
		expect(profileSense(profile)).toEqual([]);
	});

	const events = stat.program as object;
	const keys = stat.keying;
	it.each([
		['look temperature.stepC', { temperature: { minC: 5, maxC: 30, stepC: 0.7, units: ['C'] } }],
		['stop temperature', { temperature: { minC: 20, maxC: 22, stepC: 5, units: ['C'] } }],
		['look temperature.minC', { temperature: { minC: 12, maxC: 30, stepC: 0.5, units: ['C'] } }],
		[
			'stop cooling.maxC',
			{ cooling: { deadBandK: 10, maxC: 15 }, temperature: { ...stat.temperature!, minC: 7 } }
		],
		['look program.perDay', { program: { ...events, perDay: [6, 6] } }],
		['stop groupings', { program: { ...events, weekend: { saturday: 4, sunday: 4 } } }],
		['look groupings[1]', { groupings: [stat.groupings[1]!, { ...stat.groupings[1]!, id: 'other' }] }],
		['look keying.copy', { groupings: [stat.groupings[1]!] }],
		['look keying.bracket', { keying: { ...keys, bracket: { before: 'Off', after: 'Off' } } }],
		[
			'look operation.options',
			{ operation: { options: { unit: { wipes: 'all' }, grouping: { wipes: 'all' } } } }
		],
		['stop keying.timeoutSeconds', { keying: { ...keys, timeoutSeconds: 5 } }]
	])('finds %s', (finding, change) => {
		expect(found(change)).toContain(finding);
	});

	it('says what no keys can be like, and a control file of that kind is not read', () => {
		const { panel } = stat;
		const said = (change: object) => {
			const profile = profileSchema.parse({ ...structuredClone(stat), panel: { ...panel!, ...change } });
			return profileSense(profile)
				.filter(({ fact }) => fact.kind === 'operation')
				.map(({ severity, fact }) => `${severity} ${senseWords(fact)}`);
		};
		const idle = said({ keys: [...panel!.keys, { id: 'fan', print: 'Fan' }] });
		expect(idle).toEqual(['stop Fan does nothing anywhere: say what it does, or take it out.']);
		const opens = said({ rest: { up: 'menu', down: 'minus' } });
		expect(opens).toEqual([
			'stop “Press Menu” is said twice at its normal display: the second is never done.'
		]);
		const stays = profileSchema.parse({
			...structuredClone(stat),
			keying: { ...stat.keying, timeoutSeconds: null },
			panel: { ...panel!, program: { ...panel!.program!, leave: [] } }
		});
		const read = readControlFile(writeControlFile(stays));
		expect(read).toMatchObject({
			ok: false,
			problem: { sentence: 'In the week no key and no time leads back to the normal display.' }
		});
		expect(readControlFile(writeControlFile(stat)).ok).toBe(true);
	});
});

it('says which settings bring everything back, each what the other has set', () => {
	const profile = profileSchema.parse({
		...structuredClone(stat),
		operation: { options: { unit: { wipes: 'all' }, grouping: { wipes: 'all' } } }
	});
	expect(profileSense(profile).map(({ fact }) => senseWords(fact))).toContain(
		'Unit and Day grouping each bring everything back: what is set first is lost by the next.'
	);
});

describe('a card', () => {
	it.each(shippedProfiles)('of the $name keeps unit, grouping, program and mode in order', (profile) => {
		const zone = sampleZone(profile);
		const { chosen } = fitZone(zone, profile);
		const card = keyCard(profile, factoryOptions(profile), chosen.grouping, chosen.program);
		expect(outOfOrder(card)).toBeNull();
		if (profile.keying.bracket) {
			expect(card.items[0]).toMatchObject({ what: 'mode', shows: profile.keying.bracket.before });
			expect(card.items.at(-1)).toMatchObject({ what: 'mode', shows: profile.keying.bracket.after });
		}
		// the other way round it is found
		expect(outOfOrder({ ...card, items: [...card.items].reverse() }) === null).toBe(
			new Set(card.items.map((item) => item.id.split('/')[0])).size <= 1
		);
	});

	it('says what a copied day shows until it is put right', () => {
		const zone = sampleZone(stat);
		const { chosen } = fitZone({ ...zone, grouping: '7-day' }, stat);
		const { items } = keyCard(stat, factoryOptions(stat), chosen.grouping, chosen.program);
		const corrected = items.filter((item) => item.from !== null);
		expect(corrected.length).toBeGreaterThan(0);
		for (const item of corrected) {
			expect(item.from).not.toBe(item.shows);
			expect(item.presses).toBeGreaterThan(stat.keying.presses.field);
		}
		expect(items.every((item) => item.presses > 0)).toBe(true);
	});
});

describe('a profile’s facts', () => {
	it('are whole sentences for every family, with nothing left unsaid or unfilled', () => {
		for (const profile of shippedProfiles)
			for (const fact of profileFacts(profile))
				for (const sentence of fact.sentences)
					expect(sentence, profile.name).toMatch(/^[A-Z0-9](?!.*(undefined|null|NaN)).*[.]$/);
	});

	it('say different weekends, modes, cooling and the mode around keying', () => {
		const text = (id: string) =>
			profileFacts(findProfile(id)!)
				.flatMap((fact) => fact.sentences)
				.join(' ');
		expect(text('six-four-four-stat')).toContain('six changes on weekdays, four on Saturday, four on Sunday');
		expect(text('plant-clock')).toContain('Set it to Off before keying and to Auto afterwards.');
		expect(text('heat-and-cool-stat')).toContain('at least 2 K above heating');
		expect(text('dial-stat')).toContain('comfort, eco or frost');
		expect(text('two-channel-programmer')).toContain('for each of heating and hot water');
	});
});

describe('a person’s pace', () => {
	const samples = (seconds: number, n: number) => Array.from({ length: n }, () => ({ presses: 5, seconds }));

	it('is the starting one until there is enough to go by', () => {
		expect(learnPace(samples(12, 7))).toBe(startingPace);
	});

	it('is the median: a slow person is twice as slow, and one long pause changes nothing', () => {
		const slow = learnPace([...samples(12, 20), { presses: 1, seconds: 110 }, { presses: 1, seconds: 900 }]);
		expect(slow.pressSeconds).toBeCloseTo(1.4, 6);
		expect(slow.lookSeconds).toBeCloseTo(5, 6);
	});

	it('takes no notice of values ticked off in one go', () => {
		expect(learnPace([...samples(0.1, 50), ...samples(6, 7)])).toBe(startingPace);
	});
});
