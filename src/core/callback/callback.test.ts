import fc from 'fast-check';
import { wallMinute } from '../civil';
import { describe, expect, it } from 'vitest';
import { ALL, called, slowRoom, sourceFrom } from '../../../tests/support/calledZone';
import {
	causesOf,
	contradiction,
	shownClock,
	weigh,
	factsSchema,
	likeliestPair,
	taught,
	unaskable,
	gainOf,
	likelihood,
	nextQuestion,
	QUESTION_IDS,
	QUESTIONS,
	rank,
	SLOTS,
	type CalledZone,
	type Cause,
	type Fact,
	type Ranked
} from '.';
import { understand } from '../heard';
import { withWanted } from '../plan';
import { buildWeek } from '../week';

/** “Cold in the mornings, comes on at” so many minutes of the day. */
const said = (at: number): Fact[] => [
	{ kind: 'feels', what: 'cold', days: [0, 1, 2, 3, 4], from: 360, to: 480 },
	{ kind: 'turns', to: 'on', days: [0, 1, 2, 3, 4], at }
];
/** Asks and is answered as where a cause is the matter, until nothing more is asked. */
function interview(
	causes: readonly Cause[],
	facts: readonly Fact[],
	truth: Cause
): { ranked: Ranked[]; asked: number } {
	const known = [...facts];
	for (let asked = 0; ; asked++) {
		const ranked = rank(causes, known);
		const next = nextQuestion(ranked, known);
		if (!next) return { ranked, asked };
		const answer = truth.answers[next.question];
		// who cannot say is not asked again
		known.push({ kind: 'answer', question: next.question, answer: answer ?? QUESTIONS[next.question][0]! });
	}
}

describe('what is the matter', () => {
	it('cold in the mornings, comes on at nine: another cause on each of four zones, within three answers', () => {
		const cases: [string, CalledZone, number, string][] = [
			[
				'its hand-changed clock was left',
				called('hour-strip-keypad', { missedChangeMinutes: -60 }),
				420,
				'clock-off/-60'
			],
			['left on manual', called('day-by-day-panel-stat', {}, { leftIn: 'manual' }), 540, 'left-manual/-1'],
			[
				'fed by a boiler with later hours',
				called(
					'six-step-room-stat',
					{
						governor: sourceFrom(540, 1320)
					},
					{},
					(zone) => ({ ...zone, fedBy: 'boiler' })
				),
				540,
				'source-later'
			],
			[
				'a room too slow in frost',
				called('six-step-room-stat', { outdoorC: -6 }, {}, (zone) => ({ ...zone, room: slowRoom })),
				540,
				'slow-room'
			]
		];
		for (const [name, zone, at, id] of cases) {
			const causes = causesOf(zone);
			const truth = causes.find((cause) => cause.id === id)!;
			expect(truth, name).toBeDefined();
			const { ranked, asked } = interview(
				causes,
				id === 'left-manual/-1' ? said(at).slice(0, 1) : said(at),
				truth
			);
			expect(ranked[0]!.cause.id, name).toBe(id);
			expect(asked, name).toBeLessThanOrEqual(3);
		}
	});

	it('what the record says of it weighs: a hold with no end, a lock, a pairing that was lost', () => {
		const shareOf = (of: CalledZone, id: string) =>
			rank(causesOf(of), []).find(({ cause }) => cause.id === id)!.share;
		const held = called('line-voltage-stat', {}, {}, (zone) => ({
			...zone,
			exceptions: [{ id: 'h', kind: 'hold', from: '2026-01-05T08:00', until: null, setpointC: 16, note: '' }]
		}));
		expect(shareOf(held, 'left-manual/-1')).toBeGreaterThan(
			2 * shareOf(called('line-voltage-stat'), 'left-manual/-1')
		);
		expect(shareOf(called('radio-stat', {}, { paired: false }), 'no-radio')).toBeGreaterThan(
			2 * shareOf(called('radio-stat'), 'no-radio')
		);
		expect(shareOf(called('six-step-room-stat', {}, { lockSet: true }), 'somebody-changed')).toBeLessThan(
			shareOf(called('six-step-room-stat'), 'somebody-changed') / 2
		);
	});

	it('a time just after midnight is near a change just before it', () => {
		const cause = causesOf(called('hour-strip-keypad')).at(-1)!;
		const heats = new Uint8Array(SLOTS);
		// from ten to midnight on to one, every day
		for (let d = 0; d < 7; d++) heats.fill(1, d * 144 + 143, d * 144 + 144).fill(1, d * 144, d * 144 + 6);
		const fact: Fact = { kind: 'turns', to: 'on', days: ALL, at: 5 };
		expect(likelihood({ ...cause, heats }, fact)).toBeGreaterThan(0.5);
	});

	it('shares sum to one, and facts that a cause foretells never lower it against one that does not', () => {
		const causes = causesOf(called('hour-strip-keypad'));
		expect(new Set(causes.map(({ id }) => id)).size).toBe(causes.length);
		for (const { heats, warm } of causes) expect([heats.length, warm.length]).toEqual([SLOTS, SLOTS]);
		fc.assert(
			fc.property(
				fc.nat(causes.length - 1),
				fc.integer({ min: 0, max: 1439 }),
				fc.subarray(ALL, { minLength: 1 }),
				(n, at, days) => {
					const facts: Fact[] = [{ kind: 'turns', to: 'on', days, at }];
					const ranked = rank(causes, facts);
					expect(ranked.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
					const [one, other] = [causes[n]!, causes[0]!];
					const shareOf = (cause: Cause, of: readonly Ranked[]) => of.find((r) => r.cause === cause)!.share;
					const before = rank(causes, []);
					const more = likelihood(one, facts[0]!) >= likelihood(other, facts[0]!);
					const ratio =
						shareOf(one, ranked) / shareOf(other, ranked) / (shareOf(one, before) / shareOf(other, before));
					expect(more ? ratio >= 1 - 1e-9 : ratio < 1).toBe(true);
				}
			)
		);
	});

	it('posterior and gain equal the counting of small worlds one by one', () => {
		// worlds drawn by the causes' own weights and answers, counted
		const causes = causesOf(called('plain-stat')).slice(0, 5);
		const ranked = rank(causes, []);
		for (const question of QUESTION_IDS) {
			const { gainBits, answers } = gainOf(ranked, question);
			const all = QUESTIONS[question];
			const sum = causes.reduce((total, { prior }) => total + prior, 0);
			const joint = causes.map((cause) =>
				all.map((answer) => (cause.prior / sum) * likelihood(cause, { kind: 'answer', question, answer }))
			);
			const log = (p: number) => (p > 0 ? p * Math.log2(p) : 0);
			// mutual information by its definition
			let bits = 0;
			joint.forEach((row) => {
				const ofCause = row.reduce((a, b) => a + b, 0);
				row.forEach((p, a) => {
					const ofAnswer = joint.reduce((total, other) => total + other[a]!, 0);
					bits += log(p) - (p > 0 ? p * Math.log2(ofCause * ofAnswer) : 0);
				});
			});
			expect(gainBits).toBeCloseTo(bits, 9);
			expect(answers.reduce((total, { share }) => total + share, 0)).toBeCloseTo(1, 9);
			expect(joint.flat().reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
		}
	});

	it('asks nothing that was answered or that the record knows, and nothing once one cause is likely enough', () => {
		const causes = causesOf(called('radio-stat'));
		const facts: Fact[] = [{ kind: 'feels', what: 'cold', days: ALL, from: 0, to: 1440 }];
		let known: Fact[] = facts;
		const asked: string[] = [];
		for (;;) {
			const next = nextQuestion(rank(causes, known), known, ['rooms']);
			if (!next) break;
			asked.push(next.question);
			known = [...known, { kind: 'answer', question: next.question, answer: QUESTIONS[next.question][0]! }];
		}
		expect(new Set(asked).size).toBe(asked.length);
		expect(asked).not.toContain('rooms');
		expect(nextQuestion([{ cause: causes[0]!, share: 0.9, explains: [] }], [])).toBeNull();
	});
});

describe('what was said', () => {
	const ids = (ranked: readonly Ranked[]) => ranked.map(({ cause }) => cause.id);

	it('that cannot both be so is told; a pair is named where no single cause explains all', () => {
		const cold: Fact = { kind: 'feels', what: 'cold', days: [0, 1], from: 360, to: 540 };
		expect(contradiction([cold, { ...cold, what: 'hot', days: [1] }])).toEqual([0, 1]);
		expect(contradiction([cold, { ...cold, what: 'hot', days: [2] }])).toBeNull();
		const says = (answer: string): Fact => ({ kind: 'answer', question: 'mode', answer });
		expect(contradiction([cold, says('manual'), says('off')])).toEqual([1, 2]);
		// late by an hour, and blinking at the receiver
		const causes = causesOf(called('radio-stat'));
		const facts: Fact[] = [
			{ kind: 'turns', to: 'on', days: ALL, at: 420 },
			{ kind: 'turns', to: 'off', days: ALL, at: 660 },
			{ kind: 'answer', question: 'clock-shows', answer: 'hour-behind' },
			{ kind: 'answer', question: 'lamp', answer: 'out-or-blinks' },
			{ kind: 'answer', question: 'heater-asked', answer: 'cold' }
		];
		const pair = likeliestPair(rank(causes, facts), facts)!;
		expect(pair.causes.map(({ id }) => id).sort()).toEqual(['clock-off/-60', 'no-radio']);
		expect(pair.odds).toBeGreaterThan(1);
		// one cause explains all: no pair
		expect(likeliestPair(rank(causes, facts.slice(0, 3)), facts.slice(0, 3))).toBeNull();
	});

	it('is weighed by what this firm’s closed calls were, twenty of which weigh as much as the trade', () => {
		const causes = causesOf(called('radio-stat'));
		const share = (of: readonly Cause[]) =>
			rank(of, [])
				.filter(({ cause }) => cause.kind === 'sensor')
				.reduce((sum, one) => sum + one.share, 0);
		const before = share(causes);
		expect(share(taught(causes, {}))).toBeCloseTo(before, 12);
		const often = taught(causes, { sensor: 20 });
		// twenty of the trade's with its share, and twenty of the firm's, all of them so
		expect(share(often)).toBeCloseTo((20 * before + 20) / 40, 9);
		expect(ids(rank(often, []))[0]).toBe('sensor');
	});

	it('is understood from plain sentences; names and what is not said are passed over', () => {
		const of = (text: string) => understand(text);
		expect(of('on at three at night since Sunday')).toEqual([
			{ kind: 'turns', to: 'on', days: ALL, at: 180 }
		]);
		expect(of('Schlafzimmer')).toEqual([]);
		expect(of('The Mondays are cold until ten')).toMatchObject([{ kind: 'feels', days: [0], to: 600 }]);
		expect(of('goes off at 8 pm at weekends')).toEqual([
			{ kind: 'turns', to: 'off', days: [5, 6], at: 1200 }
		]);
		expect(of('hot water but no heating')).toContainEqual({
			kind: 'answer',
			question: 'water',
			answer: 'yes'
		});
		expect(of('')).toEqual([]);
		// whatever is written, what comes of it is a fact that can be kept
		fc.assert(fc.property(fc.string(), (text) => factsSchema.safeParse(of(text)).success));
		fc.assert(
			fc.property(
				fc.array(
					fc.constantFrom(
						'on',
						'off',
						'at',
						'comes',
						'cold',
						'never',
						'half past',
						'99',
						'24',
						'0:75',
						'night',
						'until',
						'sunday',
						'hot',
						'am'
					),
					{ maxLength: 9 }
				),
				(words) => factsSchema.safeParse(of(words.join(' '))).success
			)
		);
	});

	it('never has a question asked whose answer the control, the house or the record gives', () => {
		expect(unaskable(called('plain-stat'))).toEqual(expect.arrayContaining(['clock-shows', 'lamp', 'water']));
		expect(unaskable(called('radio-stat'))).not.toContain('lamp');
		expect(
			unaskable(called('six-step-room-stat', {}, {}, (zone) => ({ ...zone, fedBy: 'boiler' })))
		).not.toContain('water');
	});

	it('a clock and a day that are read off tell how far it is ahead, and by how many days', () => {
		// Wednesday 7 January 2026, 10:42
		const real = wallMinute('2026-01-07T10:42');
		const told = (day: number | null, minute: number) =>
			shownClock(day, minute, real).map((fact) =>
				fact.kind === 'clock' ? fact.aheadMinutes : fact.kind === 'weekday' ? `${fact.aheadDays} d` : fact
			);
		expect(told(2, 642)).toEqual([0, '0 d']);
		expect(told(2, 702)).toEqual([60, '0 d']);
		expect(told(4, 822)).toEqual([180, '2 d']);
		expect(told(1, 642)).toEqual([0, '6 d']);
		expect(told(null, 622)).toEqual([-20]);
		expect(told(2, 1362)).toEqual([720, '0 d']);
		// over midnight: it shows Thursday, ten minutes past it, at ten to twelve on Wednesday night
		expect(shownClock(3, 10, wallMinute('2026-01-07T23:50'))).toEqual([
			{ kind: 'clock', is: 'fast', aheadMinutes: 20 },
			{ kind: 'weekday', aheadDays: 0 }
		]);
	});

	it('a figure that was read off is a cause of its own; words, lamps and keys mean what the control says', () => {
		const first = (control: string, facts: Fact[]) =>
			weigh(called(control), { facts, passed: [], counts: {} }).ranked[0]!.cause;
		expect(first('six-step-room-stat', [{ kind: 'clock', is: 'fast', aheadMinutes: 95 }])).toMatchObject({
			kind: 'clock-off',
			figure: 95
		});
		const lamp = (colour: string, is: 'steady' | 'blinking'): Fact => ({
			kind: 'lamp',
			where: 'receiver',
			colour,
			is
		});
		const never: Fact = { kind: 'feels', what: 'cold', days: ALL, from: 0, to: 1440 };
		// twelve degrees are what it is set to, or how cold the room is
		const twelve = (of: 'set' | 'room'): Fact => ({
			kind: 'shows',
			degrees: 12,
			unit: 'C',
			days: ALL,
			at: null,
			of
		});
		const set = weigh(called('six-step-room-stat'), {
			facts: [never, twelve('set')],
			passed: [],
			counts: {}
		});
		expect(set.ranked[0]!.cause).toMatchObject({ kind: 'left-manual', figure: -1 });
		const room = weigh(called('six-step-room-stat'), {
			facts: [never, twelve('room')],
			passed: [],
			counts: {}
		});
		expect(room.ranked.map(({ explains }) => explains[1])).toEqual(room.ranked.map(() => 1));
		expect(first('radio-stat', [never, lamp('red', 'blinking')]).kind).toBe('no-radio');
		expect(first('radio-stat', [never, lamp('red', 'steady')]).kind).not.toBe('no-radio');
		expect(
			first('six-step-room-stat', [never, { kind: 'keys', do: 'back', degrees: null, afterMinutes: 120 }])
				.kind
		).toBe('override-ended');
	});

	it('many days that differ make it no likelier that one was missed', () => {
		const zone = called('day-by-day-panel-stat', {}, {}, (of) =>
			withWanted(
				of,
				buildWeek(
					ALL.flatMap((day) => [
						{ at: day * 1440 + 300 + 30 * day, value: 'comfort' },
						{ at: day * 1440 + 1320, value: 'eco' }
					])
				)
			)
		);
		const prior = causesOf(zone)
			.filter(({ kind }) => kind === 'day-not-copied')
			.reduce((sum, cause) => sum + cause.prior, 0);
		expect(prior).toBeCloseTo(3, 6);
	});
});
