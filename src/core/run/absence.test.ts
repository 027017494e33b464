import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { localTime, wallMinute } from '../civil';
import { habitsSchema, shippedProfiles, type ControlProfile, type Habits } from '../control';
import { absenceConflictWords, absenceKey } from '../words';
import { absenceSpan, endOfDays, planAbsence } from './absence';

const DAY = 1440;
const base = shippedProfiles.find((one) => one.habits.clock.summerTime !== 'no-clock')!;
const holding = (holiday: Habits['holiday']): ControlProfile => ({
	...base,
	habits: habitsSchema.parse({ ...base.habits, holiday })
});
const counting = (todayCounts: boolean, ends: 'midnight' | 'same-time', mostDays = 99) =>
	holding({ by: 'days', mostDays, todayCounts, ends, how: 'Key the days.' });
const words = (local: string) => local;

/** Any absence from an hour to forty days, in minutes since 2027-01-01. */
const absences = fc
	.tuple(fc.integer({ min: 0, max: 60 * DAY }), fc.integer({ min: 60, max: 40 * DAY }))
	.map(([leave, length]) => {
		const first = wallMinute('2027-01-01T00:00');
		return { leave: localTime(first + leave), back: localTime(first + leave + length) };
	});

describe('a holiday that counts days', () => {
	it('is keyed for as many as are over before the return, counted one by one as the control does', () => {
		fc.assert(
			fc.property(
				absences,
				fc.boolean(),
				fc.constantFrom('midnight' as const, 'same-time' as const),
				(absence, todayCounts, ends) => {
					const [leave, back] = [wallMinute(absence.leave), wallMinute(absence.back)];
					// the control's own way: at each midnight, or each time 24 hours are over, one day less is left
					const endsAfter = (days: number) => {
						let left = days;
						if (ends === 'same-time') return leave + days * DAY;
						for (let wall = leave + 1; ; wall++) {
							if (wall % DAY !== 0) continue;
							if (todayCounts || Math.floor(leave / DAY) + 1 < wall / DAY) left--;
							if (left === 0) return wall;
						}
					};
					let most = 0;
					while (endsAfter(most + 1) <= back) most++;
					const span = absenceSpan(counting(todayCounts, ends), absence);
					if (most === 0) expect(span.byHand).toBe('too-short');
					else {
						expect(span.days).toBe(most);
						expect(span.toWall).toBe(endsAfter(most));
						expect(endOfDays({ todayCounts, ends }, leave, most)).toBe(endsAfter(most));
					}
				}
			),
			{ numRuns: 60 }
		);
	});

	it('longer than it counts is keyed for the most it can, and says so', () => {
		const absence = { leave: '2027-01-08T14:00', back: '2027-03-01T18:00' };
		const plan = planAbsence(counting(true, 'midnight', 31), absence);
		expect(absenceKey(plan, words)).toBe('31 days');
		expect(absenceConflictWords(plan.conflicts[0]!, words)).toBe(
			'That would be 52 days; this control counts to 31.'
		);
		expect(plan.wasteMinutes).toBe(wallMinute('2027-03-01T18:00') - wallMinute('2027-02-08T00:00'));
		expect(
			absenceKey(
				planAbsence(counting(true, 'same-time'), { leave: absence.leave, back: '2027-01-09T14:00' }),
				words
			)
		).toBe('1 day');
	});
});

describe('any holiday', () => {
	const kinds: Habits['holiday'][] = [
		null,
		{ by: 'until-ended', how: 'Start it.' },
		{ by: 'return-date', ends: 'midnight', how: 'Key the date.' },
		{ by: 'return-date', ends: 'time', how: 'Key the date and the time.' },
		{ by: 'periods', mostPeriods: 3, how: 'Key both days.' },
		{ by: 'days', mostDays: 30, todayCounts: true, ends: 'midnight', how: 'Key the days.' }
	];

	it('never keeps the rooms cold after the return, and what it leaves out of the absence is what it says', () => {
		fc.assert(
			fc.property(absences, fc.constantFrom(...kinds), (absence, holiday) => {
				const plan = planAbsence(holding(holiday), absence);
				const [leave, back] = [wallMinute(absence.leave), wallMinute(absence.back)];
				expect(plan.coldMinutes).toBe(0);
				expect(plan.fromWall).toBeGreaterThanOrEqual(leave);
				if (plan.toWall === null) {
					expect(['until-ended', 'by-hand']).toContain(plan.by);
					expect(plan.conflicts.length).toBeGreaterThan(0);
				} else {
					expect(plan.toWall).toBeGreaterThan(plan.fromWall);
					expect(plan.toWall).toBeLessThanOrEqual(back);
					expect(plan.wasteMinutes).toBe(plan.fromWall - leave + (back - plan.toWall));
					expect(plan.conflicts.length > 0).toBe(plan.wasteMinutes > 0 || plan.days === 30);
				}
			}),
			{ numRuns: 300 }
		);
	});

	it('is keyed in the control’s own way', () => {
		const absence = { leave: '2027-01-08T14:00', back: '2027-01-17T18:00' };
		expect(kinds.map((kind) => absenceKey(planAbsence(holding(kind), absence), words))).toEqual([
			'by hand',
			'start it',
			'return 2027-01-17',
			'return 2027-01-17T18:00',
			'2027-01-09 to 2027-01-16',
			'9 days'
		]);
		const oneDay = { leave: '2027-01-08T08:00', back: '2027-01-08T18:00' };
		expect(kinds.map((kind) => absenceSpan(holding(kind), oneDay).byHand)).toEqual([
			'no-setting',
			null,
			'one-day',
			null,
			'no-whole-day',
			'too-short'
		]);
		// a control without a clock counts nothing
		const clockless = {
			...holding(kinds[5]!),
			habits: {
				...holding(kinds[5]!).habits,
				clock: { ...base.habits.clock, summerTime: 'no-clock' as const }
			}
		};
		expect(absenceSpan(clockless, absence).byHand).toBe('no-setting');
	});
});
