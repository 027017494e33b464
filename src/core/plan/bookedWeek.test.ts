import { describe, expect, it } from 'vitest';
import { splitByDay } from '../week';
import { findProfile } from '../control';
import {
	bookedDays,
	bookingChanges,
	bookingSchema,
	daysApart,
	exceptionsSchema,
	inWeekOf,
	isUndrawn,
	mondayOf,
	newZone,
	weekOfBookings,
	weeksAfter,
	withBookings,
	type Booking,
	type Exception
} from '.';

const on = (date: string, from: string, to: string, name = 'x'): Booking => ({
	name,
	from: `${date}T${from}`,
	to: `${date}T${to}`
});
const tuesdays = ['2026-01-06', '2026-01-13', '2026-01-20', '2026-01-27'];

describe('a week that follows bookings', () => {
	it('takes for each weekday the pattern that serves the most of its dates', () => {
		const bookings = [
			...tuesdays.slice(0, 3).map((date) => on(date, '19:30', '21:30')),
			on(tuesdays[3]!, '20:00', '22:30'),
			// one wedding in four Saturdays: three dates are served by an empty one
			on('2026-01-10', '12:00', '23:30')
		];
		const days = splitByDay(weekOfBookings(bookings, 'warm', 'rest'));
		expect(days[1]).toEqual([
			{ from: 0, to: 1170, value: 'rest' },
			{ from: 1170, to: 1290, value: 'warm' },
			{ from: 1290, to: 1440, value: 'rest' }
		]);
		expect(days[5]).toEqual([{ from: 0, to: 1440, value: 'rest' }]);
	});

	it('joins what touches, and runs a booking past midnight into the next day', () => {
		const bookings = [
			on('2026-01-09', '18:00', '20:00'),
			on('2026-01-09', '20:00', '22:00'),
			{ name: 'ball', from: '2026-01-10T21:00', to: '2026-01-11T01:00' }
		];
		const days = bookedDays(bookings);
		expect(days).toHaveLength(7);
		expect(days[4]!.stretches).toEqual([[1080, 1320]]);
		expect(days[6]!.stretches).toEqual([[0, 60]]);
		expect(splitByDay(weekOfBookings(bookings, 'warm', 'rest'))[6]![0]).toEqual({
			from: 0,
			to: 60,
			value: 'warm'
		});
		expect(weekOfBookings([], 'warm', 'rest')).toEqual([{ at: 0, value: 'rest' }]);
	});

	it('measures what is missing and what is to spare', () => {
		expect(daysApart([[600, 720]], [[630, 800]])).toEqual({ missing: 30, spare: 80 });
		expect(daysApart([], [])).toEqual({ missing: 0, spare: 0 });
	});
});

describe('a calendar read again', () => {
	const choir = tuesdays.map((date) => on(date, '19:30', '21:30', 'choir'));
	const wedding = on('2026-01-10', '12:00', '23:30', 'wedding');

	it('says what is new, moved and gone, of what lies ahead', () => {
		const before = [...choir, wedding];
		const later = on(tuesdays[3]!, '20:00', '22:00', 'choir');
		const after = [...choir.slice(0, 3), later, on('2026-01-17', '10:00', '12:00', 'fair')];
		const { added, moved, gone } = bookingChanges(before, after, '2026-01-05');
		expect(added.map(({ name }) => name)).toEqual(['fair']);
		expect(moved).toEqual([{ was: choir[3], is: later }]);
		expect(gone).toEqual([wedding]);
		// the same again is no change, in whatever order; nor is what is over by then
		expect(bookingChanges(before, [...before].reverse(), '2026-01-05')).toEqual({
			added: [],
			moved: [],
			gone: []
		});
		expect(bookingChanges(before, after, '2026-01-12').gone).toEqual([]);
		// of two that moved the first is the first
		const two = [on(tuesdays[1]!, '9:00'.padStart(5, '0'), '10:00', 'choir'), later];
		expect(bookingChanges(choir.slice(1, 4), [choir[2]!, ...two], '2026-01-05').moved).toEqual([
			{ was: choir[1], is: two[0] },
			{ was: choir[3], is: two[1] }
		]);
	});

	it('or each week keyed by itself: just what is booked in it, and its special days are in it', () => {
		const profile = findProfile('plant-clock')!;
		const special = (date: string, note: string): Exception => ({
			kind: 'special-day',
			id: note,
			date,
			runs: { like: 1 },
			note
		});
		const zone = {
			...newZone('Hall', profile),
			bookings: [...choir, wedding],
			exceptions: [special('2026-01-10', 'wedding'), special('2026-01-24', 'stocktaking')]
		};
		const first = inWeekOf(zone, profile, '2026-01-05', 'comfort', 'eco');
		const warm = (of: typeof first) =>
			splitByDay(of.wanted.map(({ at, level }) => ({ at, value: level }))).flatMap((spans, day) =>
				spans.filter(({ value }) => value === 'comfort').map(({ from, to }) => [day, from, to])
			);
		expect(warm(first)).toEqual([
			[1, 1170, 1290],
			[5, 720, 1410]
		]);
		expect(first.exceptions.map((one) => one.id)).toEqual(['stocktaking']);
		expect([first.bookedWeek, first.grouping]).toEqual(['2026-01-05', profile.groupings.at(-1)!.id]);
		expect(warm(inWeekOf(first, profile, weeksAfter('2026-01-05', 1), 'comfort', 'eco'))).toEqual([
			[1, 1170, 1290]
		]);
		// a week with nothing booked rests throughout; a calendar that is forgotten ends the way
		const empty = inWeekOf(zone, profile, '2026-02-02', 'comfort', 'eco');
		expect([empty.wanted.length, isUndrawn(empty, profile)]).toEqual([1, false]);
		expect(withBookings(first, []).bookedWeek).toBeNull();
		expect(['2026-01-05', '2026-01-11', '2026-01-12'].map(mondayOf)).toEqual([
			'2026-01-05',
			'2026-01-05',
			'2026-01-12'
		]);
	});

	it('takes away the special days of what is gone or moved, and no other', () => {
		const day = (date: string, note: string): Exception => ({
			kind: 'special-day',
			id: `${date} ${note}`,
			date,
			runs: { like: 5 },
			note
		});
		const fair = on('2026-01-17', '10:00', '12:00', 'fair');
		const zone = {
			...newZone('Hall', findProfile('plant-clock')!),
			bookings: [wedding, fair],
			exceptions: [
				day('2026-01-10', 'wedding'),
				day('2026-01-17', 'fair'),
				// what a person planned by hand stays, also on such a day
				day('2026-01-24', 'stocktaking'),
				{ ...day('2026-01-10', 'our own'), id: 'own' }
			]
		};
		const again = withBookings(zone, [on('2026-01-11', '12:00', '23:30', 'wedding'), fair]);
		expect(again.exceptions.map((one) => ('note' in one ? one.note : ''))).toEqual([
			'fair',
			'stocktaking',
			'our own'
		]);
		expect(again.bookings).toHaveLength(2);
	});
});

describe('what departs from the week', () => {
	const refusal = (one: object) => {
		const read = exceptionsSchema.safeParse([{ id: 'a', ...one }]);
		return read.success ? null : `${read.error.issues[0]!.path.join('.')} ${read.error.issues[0]!.message}`;
	};

	it('has dates that exist, and ends after it begins', () => {
		const away = { kind: 'absence', setpointC: 7 };
		expect(refusal({ ...away, leave: '2026-02-27T10:00', back: '2026-03-02T10:00' })).toBeNull();
		expect(refusal({ ...away, leave: '2026-02-30T10:00', back: '2026-03-02T10:00' })).toMatch(
			/^0.leave is no date and time that exists/
		);
		expect(refusal({ ...away, leave: '2026-02-27T10:00', back: '2026-02-27T10:00' })).toBe(
			'0.back comes before the departure'
		);
		expect(refusal({ ...away, leave: '1970-01-01T00:00', back: '1970-01-02T10:00' })).toMatch(
			/must lie between 2000 and 2099/
		);
		expect(refusal({ kind: 'hold', from: '2026-02-27T10:00', until: '2026-02-27T09:00', setpointC: 7 })).toBe(
			'0.until comes before the beginning'
		);
		expect(refusal({ kind: 'special-day', date: '2027-02-29', runs: { like: 6 } })).toMatch(
			/^0.date is no date that exists/
		);
		expect(bookingSchema.safeParse(on('2026-01-09', '18:00', '18:00')).success).toBe(false);
	});

	it('names a special day once', () => {
		const day = (id: string) => ({ kind: 'special-day', id, date: '2026-12-25', runs: { like: 6 } });
		const read = exceptionsSchema.safeParse([day('a'), day('b')]);
		expect(read.error?.issues[0]!.message).toBe('is a special day already (2026-12-25)');
	});
});
