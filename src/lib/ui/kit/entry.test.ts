import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { readDate, readDecimal, readTime, writeDate, writeTime } from './entry';

describe('what a person writes into a field', () => {
	test('numbers take a comma, and say their bounds with the unit', () => {
		expect(readDecimal('20,5')).toEqual({ ok: true, value: 20.5 });
		expect(readDecimal(' −3 ')).toEqual({ ok: true, value: -3 });
		expect(readDecimal('', { empty: true })).toEqual({ ok: true, value: null });
		for (const [text, bounds, said] of [
			['warm', {}, '"warm" is not a number.'],
			['1e3', {}, '"1e3" is not a number.'],
			['40', { most: 35, unit: '°C' }, '40 °C is too high: at most 35 °C.'],
			['2.5', { whole: true }, '"2.5" is not a whole number.'],
			['', {}, 'A number is needed here.']
		] as const)
			expect(readDecimal(text, bounds)).toEqual({ ok: false, sentence: said });
	});

	test('a date is read in the order of the place, and year first everywhere', () => {
		expect(readDate('3.4.26', 'dmy')).toEqual({ ok: true, value: '2026-04-03' });
		expect(readDate('3/4/2026', 'mdy')).toEqual({ ok: true, value: '2026-03-04' });
		expect(readDate('2026-03-29', 'dmy')).toEqual({ ok: true, value: '2026-03-29' });
		expect(readDate('29 03 2026', 'mdy').ok).toBe(false);
		expect(readDate('31.2.2026', 'dmy')).toEqual({
			ok: false,
			sentence: '"31.2.2026" is not a date: day, month, year, as 31.01.2027.'
		});
	});

	test('what is written is read again, for every day and every minute', () => {
		const day = fc.date({ min: new Date('1970-01-01'), max: new Date('2099-12-31'), noInvalidDate: true });
		fc.assert(
			fc.property(day, fc.constantFrom('dmy', 'mdy', 'ymd'), (date, order) => {
				const iso = date.toISOString().slice(0, 10);
				expect(readDate(writeDate(iso, order), order)).toEqual({ ok: true, value: iso });
			})
		);
		for (let minute = 0; minute < 1440; minute++) {
			const time = `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
			for (const clock of ['24', '12'] as const)
				expect(readTime(writeTime(time, clock), clock)).toEqual({ ok: true, value: time });
		}
	});

	test('times as they are thumbed in', () => {
		const times = ['6', '630', '0630', '6.30', '6:30 pm', '12 am', '12:05p'];
		expect(times.map((text) => readTime(text, '12'))).toEqual(
			['06:00', '06:30', '06:30', '06:30', '18:30', '00:00', '12:05'].map((value) => ({ ok: true, value }))
		);
		for (const text of ['24:00', '6:60', '13 pm', 'noon', '']) expect(readTime(text, '24').ok).toBe(false);
	});
});
