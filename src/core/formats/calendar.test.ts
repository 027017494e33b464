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
});
