import { describe, expect, it } from 'vitest';
import { dateOfDay, dayNumber, instantOf, wallMinute } from '$core/civil';
import { findProfile } from '$core/control';
import { fitZone } from '$core/fit';
import { newZone, withWanted, type Exception, type Zone } from '$core/plan';
import { rightClock, runOfZone } from '$core/run';
import { buildWeek } from '$core/week';
import { datedDays, mondayOf } from './datedDays';
import { readClock } from './readClock';
import { stripRow, yearAhead } from './yearStrip';

const ZONE = 'Europe/Berlin';
const at = (local: string) => instantOf(ZONE, wallMinute(local));
const stat = findProfile('radio-stat')!;
const daily: Zone = withWanted(
	newZone('Flat', stat),
	buildWeek(
		[0, 1, 2, 3, 4, 5, 6].flatMap((day) => [
			{ at: day * 1440 + 360, value: 'comfort' },
			{ at: day * 1440 + 1320, value: 'eco' }
		])
	)
);
const program = fitZone(daily, stat).chosen.program;
const run = (exceptions: Exception[], follows: boolean) => {
	const nowMs = at('2026-03-20T12:00');
	return runOfZone({ ...daily, exceptions }, stat, program, {
		timeZone: ZONE,
		nowMs,
		clock: { ...rightClock(stat, nowMs), follows }
	});
};

describe('dates drawn by elapsed time', () => {
	it('make a day of 23 or 25 hours as long as it is, and mark the jump', () => {
		const spring = datedDays(run([], true), '2026-03-28', 3, 10, 40).days;
		expect(spring.map((day) => day.width)).toEqual([240, 230, 240]);
		expect(spring[1]!.jump).toEqual({ x: 20, words: 'forward 1 h' });
		expect(spring[0]!.jump).toBeNull();
		const autumn = datedDays(run([], true), '2026-10-25', 1, 10, 40).days[0]!;
		expect(autumn.width).toBe(250);
		expect(autumn.jump).toEqual({ x: 30, words: 'back 1 h' });
	});

	it('mark where a clock left as it was holds something else: an hour each morning and evening', () => {
		const { days } = datedDays(run([], false), '2026-03-28', 3, 10, 40, run([], true));
		expect(days[0]!.apart).toEqual([]);
		expect(days[2]!.apart.map((rect) => [Math.round(rect.x), Math.round(rect.width), rect.cold])).toEqual([
			[60, 10, true],
			[220, 10, false]
		]);
	});

	it('mark what is stronger than the program, and begin on the Monday of an instant’s week', () => {
		const boost: Exception = { kind: 'boost', id: 'b', from: '2026-03-25T10:00', steps: 2, setpointC: 23 };
		const { days, labels } = datedDays(run([boost], true), mondayOf(ZONE, at('2026-03-25T10:30')), 7, 10, 40);
		expect(days[0]!.date).toBe('2026-03-23');
		expect(days[2]!.strong).toEqual([{ x: 100, width: 20, by: 'boost' }]);
		expect(labels[0]!.text).toBe('23.0');
		expect(mondayOf(ZONE, at('2026-03-29T23:30'))).toBe('2026-03-23');
		expect(mondayOf(ZONE, at('2026-03-30T00:00'))).toBe('2026-03-30');
	});
});

describe('a year strip', () => {
	const strip = yearAhead(ZONE, at('2026-11-24T12:00'));

	it('begins on the first of the month and shows thirteen of them with both clock changes', () => {
		expect(dateOfDay(strip.firstDay)).toBe('2026-11-01');
		expect(strip.months.map((month) => month.name).join(' ')).toBe(
			'Nov Dec Jan Feb Mar Apr May Jun Jul Aug Sep Oct Nov'
		);
		expect(strip.days).toBe(dayNumber('2027-12-01') - dayNumber('2026-11-01'));
		expect(strip.changes.map((change) => change.words)).toEqual([
			'28 Mar, clocks forward',
			'31 Oct, clocks back'
		]);
		expect(strip.today).toBeCloseTo(23.5, 6);
	});

	it('shows an absence as the control holds it, and what nobody ended to the end', () => {
		const exceptions: Exception[] = [
			{
				kind: 'absence',
				id: 'a',
				leave: '2026-12-04T14:00',
				back: '2026-12-13T18:00',
				setpointC: 7,
				note: 'south'
			},
			{ kind: 'hold', id: 'h', from: '2026-11-20T10:00', until: null, setpointC: 18 },
			{ kind: 'special-day', id: 's', date: '2026-12-25', runs: { like: 6 }, note: '' },
			{ kind: 'off', id: 'past', from: '2026-05-01T10:00', until: '2026-05-02T10:00' }
		];
		const plant = stripRow({ ...daily, exceptions }, findProfile('plant-clock')!, strip, 'z', null).spans;
		const day = (date: string) => dayNumber(date) - strip.firstDay;
		// dated days only: from the day after leaving to the day before the return
		expect(plant[0]).toMatchObject({
			from: day('2026-12-05'),
			to: day('2026-12-13'),
			kind: 'away',
			words: 'south'
		});
		expect(plant[1]).toMatchObject({ to: strip.days, kind: 'stays' });
		expect(plant[2]).toMatchObject({ from: day('2026-12-25'), to: day('2026-12-26'), kind: 'special' });
		expect(plant).toHaveLength(3);
		const counting = stripRow({ ...daily, exceptions }, findProfile('hour-strip-keypad')!, strip, 'z', null)
			.spans[0]!;
		expect(counting.from).toBeCloseTo(day('2026-12-04') + 14 / 24, 6);
		expect(counting.to).toBeCloseTo(day('2026-12-13') + 14 / 24, 6);
		const byHand = stripRow({ ...daily, exceptions }, findProfile('plain-stat')!, strip, 'z', null).spans[0]!;
		expect(byHand.to).toBeCloseTo(day('2026-12-13') + 18 / 24, 6);
	});
});

describe('a clock read on site', () => {
	const now = at('2026-11-24T23:58');
	const read = (shows: string, day: number | null = null) => {
		const reading = readClock({ shows, day, set: false }, ZONE, now);
		if (typeof reading === 'string') throw new Error(reading);
		return [reading.errorSeconds / 60, reading.daysAhead];
	};

	it('is off by the nearer way round midnight, and its day counts from there', () => {
		expect(read('23:58')).toEqual([0, 0]);
		expect(read('11:55 pm')).toEqual([-3, 0]);
		// four minutes ahead it shows Wednesday rightly
		expect(read('00:02', 2)).toEqual([4, 0]);
		expect(read('00:02', 1)).toEqual([4, -1]);
		expect(read('23:58', 4)).toEqual([0, 3]);
		expect(read('22:58')).toEqual([-60, 0]);
	});

	it('is refused where the time is not certain', () => {
		expect(readClock({ shows: '6.25', day: null, set: false }, ZONE, now)).toMatch(/is unclear/);
	});
});
