import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readCalendar } from '.';

const wrap = (...lines: string[]) =>
	['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//y//EN', ...lines, 'END:VCALENDAR', ''].join('\r\n');
const event = (...lines: string[]) => ['BEGIN:VEVENT', 'UID:one@hall', ...lines, 'END:VEVENT'];
const read = (text: string, from = '2026-01-01', to = '2027-01-01') => {
	const result = readCalendar(text, 'Europe/Berlin', from, to);
	if (!result.ok) throw new Error(result.problem.sentence);
	return result.value;
};
const refusal = (text: string) => {
	const result = readCalendar(text, 'Europe/Berlin', '2026-01-01', '2027-01-01');
	return result.ok ? null : result.problem.sentence;
};

describe('a calendar read', () => {
	it('keeps a weekly booking at its hour across a clock change, and leaves out what is excluded', () => {
		const { bookings } = read(
			wrap(
				...event(
					'SUMMARY:Choir',
					'DTSTART;TZID=Europe/Berlin:20260318T193000',
					'DTEND;TZID=Europe/Berlin:20260318T213000',
					'RRULE:FREQ=WEEKLY;UNTIL=20260408T173000Z',
					'EXDATE;TZID=Europe/Berlin:20260401T193000'
				)
			)
		);
		// UNTIL is 19:30 summer time on 8 April: that evening still counts
		expect(bookings).toEqual([
			{ name: 'Choir', from: '2026-03-18T19:30', to: '2026-03-18T21:30' },
			{ name: 'Choir', from: '2026-03-25T19:30', to: '2026-03-25T21:30' },
			{ name: 'Choir', from: '2026-04-08T19:30', to: '2026-04-08T21:30' }
		]);
	});

	it('brings other zones to the site’s time: by name, by the file’s own description, UTC', () => {
		const own = [
			'BEGIN:VTIMEZONE',
			'TZID:Town hall',
			'BEGIN:STANDARD',
			'DTSTART:19700101T000000',
			'TZOFFSETFROM:+0300',
			'TZOFFSETTO:+0300',
			'END:STANDARD',
			'END:VTIMEZONE'
		];
		const at = (start: string) =>
			read(wrap(...own, ...event(`DTSTART${start}`, 'DURATION:PT1H'))).bookings[0]!.from;
		expect(at(';TZID=America/New_York:20260701T120000')).toBe('2026-07-01T18:00');
		expect(at(';TZID=Town hall:20260701T120000')).toBe('2026-07-01T11:00');
		expect(at(':20260701T120000Z')).toBe('2026-07-01T14:00');
		const floating = read(wrap(...event('DTSTART:20260701T120000', 'DURATION:PT1H')));
		expect(floating.bookings[0]!.from).toBe('2026-07-01T12:00');
		expect(floating.notes).toEqual(['One event has no time zone: taken as local time here.']);
	});

	it('expands endless series only as far as asked, changes single occurrences, takes additions', () => {
		const { bookings } = read(
			wrap(
				...event(
					'SUMMARY:Yoga',
					'DTSTART:20260105T080000Z',
					'DTEND:20260105T090000Z',
					'RRULE:FREQ=DAILY',
					'RDATE:20260105T150000Z'
				),
				...event(
					'SUMMARY:Yoga late',
					'RECURRENCE-ID:20260106T080000Z',
					'DTSTART:20260106T180000Z',
					'DTEND:20260106T190000Z'
				)
			),
			'2026-01-05',
			'2026-01-08'
		);
		expect(bookings.map((one) => `${one.name} ${one.from}`)).toEqual([
			'Yoga 2026-01-05T09:00',
			'Yoga 2026-01-05T16:00',
			'Yoga late 2026-01-06T19:00',
			'Yoga 2026-01-07T09:00'
		]);
	});

	it('takes whole days apart from bookings, and leaves out what is cancelled or has no length', () => {
		const content = read(
			wrap(
				...event('SUMMARY:Winter closing', 'DTSTART;VALUE=DATE:20261224', 'DTEND;VALUE=DATE:20261227'),
				...event('SUMMARY:Off', 'STATUS:CANCELLED', 'DTSTART:20260701T120000Z', 'DURATION:PT1H'),
				...event('SUMMARY:Mark', 'DTSTART:20260701T120000Z')
			)
		);
		expect(content.days.map((day) => day.date)).toEqual(['2026-12-24', '2026-12-25', '2026-12-26']);
		expect(content.bookings).toEqual([]);
		expect(content.notes).toHaveLength(2);
	});

	it('refuses what it cannot be sure of, by line, and takes nothing of it', () => {
		expect(refusal('Dear all,')).toBe('Line 1: a calendar file begins with BEGIN:VCALENDAR.');
		const folded = wrap(
			...event('SUMMARY:A very long', 'name that was folded wrongly', 'DTSTART:20260701T120000Z')
		);
		expect(refusal(folded)).toMatch(/^Line 7 neither continues the line before it nor names anything/);
		expect(refusal(wrap(...event('DTSTART:20260701T120000Z')).replace('END:VEVENT\r\n', ''))).toMatch(
			/^Line 7 ends VCALENDAR, but VEVENT is open/
		);
		expect(refusal(wrap(...event('DTSTART:20260701T120000Z')).replace(/END:VEVENT[\s\S]*/, ''))).toMatch(
			/cut short/
		);
		expect(refusal(wrap(...event('DTSTART;TZID=Middle/Earth:20260701T120000')))).toBe(
			'Line 6 names the time zone "Middle/Earth", which is neither known nor described in the file.'
		);
		expect(refusal(wrap(...event('SUMMARY:Nothing')))).toBe(
			'The event at line 5 has no beginning (DTSTART).'
		);
		expect(refusal(wrap(...event('DTSTART:2026-07-01 12:00')))).not.toBeNull();
		expect(refusal(wrap(...event('DTSTART:20260701T120000Z', 'RRULE:FREQ=SOMETIMES')))).not.toBeNull();
	});

	it('reads twenty thousand events, and says when more would be kept than can be', () => {
		const many = Array.from({ length: 20_000 }, (_, i) =>
			event(`SUMMARY:N${i}`, `DTSTART:${2010 + (i % 10)}0701T120000Z`, 'DURATION:PT1H')
		).flat();
		expect(read(wrap(...many)).bookings).toEqual([]);
		expect(
			refusal(wrap(...event('DTSTART:20260101T000000Z', 'DURATION:PT1M', 'RRULE:FREQ=MINUTELY')))
		).toMatch(/more than 20000 occurrences/);
	});

	it('of rules that never occur, recur without end or began long ago is done all the same', () => {
		const series = (...lines: string[]) => wrap(...event('DURATION:PT1H', ...lines));
		const never = 'RRULE:FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30';
		expect(read(series('DTSTART:20260101T080000Z', never)).bookings).toEqual([]);
		// RFC 5545 §3.3.10: what does not exist is passed over; 2 March is nobody's 30 February
		const yearly = 'RRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=28,29,30';
		const days = read(wrap(...event('DTSTART;VALUE=DATE:20200101', yearly)), '2026-01-01', '2029-01-01').days;
		expect(days.map((day) => day.date)).toEqual(['2026-02-28', '2027-02-28', '2028-02-28', '2028-02-29']);
		const century = read(series('DTSTART:18990101T080000Z', 'RRULE:FREQ=DAILY'), '2026-03-01', '2026-03-03');
		expect(century.bookings.map((one) => one.from)).toEqual(['2026-03-01T09:00', '2026-03-02T09:00']);
		const counted = read(series('DTSTART:20251230T080000Z', 'RRULE:FREQ=DAILY;COUNT=4'));
		expect(counted.bookings).toHaveLength(2);
		expect(refusal(series('DTSTART:20260101T080000Z', 'RRULE:FREQ=SECONDLY'))).toBe(
			'"Booking" cannot be read: it recurs every second.'
		);
		expect(refusal(series('DTSTART:20260101T080000Z', 'RRULE:FREQ=MINUTELY'))).toMatch(/more than 20000/);
		const lost = Array.from({ length: 500 }, () =>
			event('DTSTART:00010101T080000Z', 'DURATION:PT1H', `${never};COUNT=9`)
		);
		expect(refusal(wrap(...lost.flat()))).toMatch(/recur more often, or are more, than can be read/);
	});

	it('takes of what reaches from the first year to the last only what was asked for', () => {
		const ever = wrap(
			...event('SUMMARY:Ever', 'DTSTART;VALUE=DATE:00010101', 'DTEND;VALUE=DATE:99991231'),
			...event('SUMMARY:Always', 'DTSTART:00010101T000000Z', 'DTEND:99991231T000000Z')
		);
		const { days, bookings } = read(ever, '2026-03-01', '2026-03-04');
		expect(days.map((day) => day.date)).toEqual(['2026-03-01', '2026-03-02', '2026-03-03']);
		expect(bookings).toEqual([{ name: 'Always', from: '2026-03-01T00:00', to: '2026-03-04T00:00' }]);
		expect(refusal(wrap(...event('DTSTART:20260230T080000Z', 'DURATION:PT1H')))).toBe(
			'Line 6 names a day that does not exist: 20260230.'
		);
	});

	it('is not held up by a line made of quotes, nor by any other damage', () => {
		expect(refusal(wrap(...event(`DTSTART;X=${'"'.repeat(60_000)}`)))).toMatch(/neither continues/);
		const text = wrap(
			...event(
				'SUMMARY:Yoga',
				'DTSTART:20260105T080000Z',
				'DTEND:20260105T090000Z',
				'RRULE:FREQ=WEEKLY;BYDAY=MO'
			)
		);
		const part = fc.constantFrom(
			'',
			':',
			';',
			'"',
			'0',
			'-1',
			'99999999999',
			'T',
			'=',
			'\r\n',
			'BYDAY=9XX',
			'\u0000',
			'Z'
		);
		fc.assert(
			fc.property(fc.nat(text.length), fc.nat(12), part, (at, less, more) => {
				const result = readCalendar(
					text.slice(0, at) + more + text.slice(at + less),
					'Europe/Berlin',
					'2026-01-01',
					'2027-01-01'
				);
				if (result.ok) return;
				expect(result.problem.sentence).toMatch(/^["A-Z].*\.$/su);
				expect(result.problem.sentence).not.toMatch(
					/undefined|NaN|TypeError|Cannot read prop|is not a function/
				);
			}),
			{ numRuns: 400 }
		);
	});
});
