import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readCalendar } from '.';

const wrap = (...lines: string[]) =>
	['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//x//y//EN', ...lines, 'END:VCALENDAR', ''].join('\r\n');
const event = (...lines: string[]) => [
	'BEGIN:VEVENT',
	...(lines.some((line) => line.startsWith('UID:')) ? [] : ['UID:one@hall']),
	...lines,
	'END:VEVENT'
];
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
				...event('UID:off', 'SUMMARY:Off', 'STATUS:CANCELLED', 'DTSTART:20260701T120000Z', 'DURATION:PT1H'),
				...event('UID:mark', 'SUMMARY:Mark', 'DTSTART:20260701T120000Z')
			)
		);
		expect(content.days.map((day) => day.date)).toEqual(['2026-12-24', '2026-12-25', '2026-12-26']);
		expect(content.bookings).toEqual([]);
		// told one by one
		expect(content.leftOut).toEqual([
			{ name: 'Off', date: '2026-07-01', why: 'it is cancelled' },
			{ name: 'Mark', date: '2026-07-01', why: 'it has no end' }
		]);
	});

	it('reads several calendars in a file, blank lines before them, and of one event the version that was written last', () => {
		const first = wrap(...event('SUMMARY:Choir', 'SEQUENCE:1', 'DTSTART:20260701T120000Z', 'DURATION:PT1H'));
		const second = wrap(
			...event('SUMMARY:Choir', 'SEQUENCE:3', 'DTSTART:20260701T170000Z', 'DURATION:PT1H'),
			...event('SUMMARY:Choir', 'SEQUENCE:2', 'DTSTART:20260701T150000Z', 'DURATION:PT1H'),
			...event('UID:two@hall', 'SUMMARY:Dance', 'DTSTART:20260702T170000Z', 'DURATION:PT1H')
		);
		const { bookings, leftOut } = read(`\r\n\r\n${first}${second}`);
		expect(bookings.map((one) => `${one.name} ${one.from}`)).toEqual([
			'Choir 2026-07-01T19:00',
			'Dance 2026-07-02T19:00'
		]);
		expect(leftOut.map((one) => one.why)).toEqual(Array(2).fill('a later version of it is in the file'));
	});

	it('goes on otherwise from an occurrence on, but for single ones that are changed again', () => {
		const { bookings } = read(
			wrap(
				...event(
					'SUMMARY:Choir',
					'DTSTART;TZID=Europe/Berlin:20260105T190000',
					'DURATION:PT1H',
					'RRULE:FREQ=WEEKLY;COUNT=6'
				),
				...event(
					'SUMMARY:Choir, later',
					'RECURRENCE-ID;TZID=Europe/Berlin;RANGE=THISANDFUTURE:20260119T190000',
					'DTSTART;TZID=Europe/Berlin:20260120T200000',
					'DURATION:PT2H'
				),
				...event(
					'SUMMARY:Concert',
					'RECURRENCE-ID;TZID=Europe/Berlin:20260202T190000',
					'DTSTART;TZID=Europe/Berlin:20260203T180000',
					'DURATION:PT4H'
				)
			)
		);
		expect(bookings.map((one) => `${one.name} ${one.from.slice(5)}–${one.to.slice(11)}`)).toEqual([
			'Choir 01-05T19:00–20:00',
			'Choir 01-12T19:00–20:00',
			'Choir, later 01-20T20:00–22:00',
			'Choir, later 01-27T20:00–22:00',
			'Concert 02-03T18:00–22:00',
			'Choir, later 02-10T20:00–22:00'
		]);
	});

	it('goes on otherwise by the wall clock, over a clock change and from before the time that is asked for', () => {
		const text = wrap(
			...event(
				'SUMMARY:Fair',
				'DTSTART;TZID=Europe/Berlin:20260307T190000',
				'DURATION:PT1H',
				'RRULE:FREQ=WEEKLY;COUNT=6'
			),
			...event(
				'SUMMARY:Fair',
				'RECURRENCE-ID;TZID=Europe/Berlin;RANGE=THISANDFUTURE:20260321T190000',
				'DTSTART;TZID=Europe/Berlin:20260322T200000',
				'DURATION:PT1H'
			)
		);
		// of the night of 29 March an hour is missing, and the fair is at eight all the same
		expect(read(text).bookings.map((one) => one.from.slice(5))).toEqual([
			'03-07T19:00',
			'03-14T19:00',
			'03-22T20:00',
			'03-29T20:00',
			'04-05T20:00',
			'04-12T20:00'
		]);
		const later = text.replace('20260322T200000', '20260331T200000');
		expect(read(later, '2026-04-21', '2026-05-01').bookings.map((one) => one.from)).toEqual([
			'2026-04-21T20:00'
		]);
	});

	it('takes exclusions of the other kind, additions with an end, days that end when they begin, and 29 February only where there is one', () => {
		const timed = read(
			wrap(
				...event(
					'DTSTART:20260105T080000Z',
					'DURATION:PT1H',
					'RRULE:FREQ=DAILY;COUNT=4',
					'EXDATE;VALUE=DATE:20260106',
					'RDATE;VALUE=PERIOD:20260110T080000Z/20260110T110000Z,20260111T080000Z/PT2H'
				)
			)
		);
		expect(timed.bookings.map((one) => `${one.from.slice(8)}–${one.to.slice(11)}`)).toEqual([
			'05T09:00–10:00',
			'07T09:00–10:00',
			'08T09:00–10:00',
			'10T09:00–12:00',
			'11T09:00–11:00'
		]);
		const days = (...lines: string[]) =>
			read(wrap(...event(...lines)), '2026-01-01', '2033-01-01').days.map((day) => day.date);
		expect(days('DTSTART;VALUE=DATE:20260105', 'RRULE:FREQ=DAILY;COUNT=3', 'EXDATE:20260106T120000')).toEqual(
			['2026-01-05', '2026-01-07']
		);
		expect(days('DTSTART;VALUE=DATE:20260105', 'DTEND;VALUE=DATE:20260105')).toEqual(['2026-01-05']);
		expect(days('DTSTART;VALUE=DATE:20240229', 'RRULE:FREQ=YEARLY')).toEqual(['2028-02-29', '2032-02-29']);
	});

	it('knows time zones by their Windows names (CLDR), and at the end of a path', () => {
		const at = (zone: string) =>
			read(wrap(...event(`DTSTART;TZID=${zone}:20260701T120000`, 'DURATION:PT1H'))).bookings[0]!.from;
		expect(at('W. Europe Standard Time')).toBe('2026-07-01T12:00');
		expect(at('GMT Standard Time')).toBe('2026-07-01T13:00');
		expect(at('Eastern Standard Time')).toBe('2026-07-01T18:00');
		expect(at('/example.org/20260101/America/New_York')).toBe('2026-07-01T18:00');
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
		expect(refusal(wrap(...event('SUMMARY:Nothing')))).toBe(
			'The event at line 5 has no beginning (DTSTART).'
		);
		expect(refusal(wrap(...event('DTSTART:2026-07-01 12:00')))).not.toBeNull();
	});

	it('tells and lists what it cannot take, and takes the rest: no one event is fatal, none is lost in silence', () => {
		const hour = 'DURATION:PT1H';
		const content = read(
			wrap(
				...event('UID:a', 'SUMMARY:Choir', 'DTSTART:20260701T120000Z', hour),
				...event('UID:b', 'SUMMARY:Reminder', 'TRANSP:TRANSPARENT', 'DTSTART:20260702T120000Z', hour),
				...event('UID:c', 'SUMMARY:Holiday', 'TRANSP:TRANSPARENT', 'DTSTART;VALUE=DATE:20260703'),
				...event('UID:d', 'SUMMARY:Easter', 'DTSTART:20260704T120000Z', hour, 'RRULE:FREQ=YEARLY;BYEASTER=0'),
				...event('UID:e', 'SUMMARY:Never', 'DTSTART:20260705T120000Z', hour, 'RRULE:FREQ=SOMETIMES'),
				...event('UID:f', 'SUMMARY:Tick', 'DTSTART:20260706T120000Z', hour, 'RRULE:FREQ=SECONDLY'),
				...event('UID:g', 'SUMMARY:Odd day', 'DTSTART:20260707T120000Z', hour, 'RRULE:FREQ=WEEKLY;BYDAY=XX'),
				...event('UID:h', 'SUMMARY:Hobbits', 'DTSTART;TZID=Middle/Earth:20260708T120000', hour)
			)
		);
		expect(content.bookings).toEqual([
			{ name: 'Choir', from: '2026-07-01T14:00', to: '2026-07-01T15:00' },
			{ name: 'Hobbits', from: '2026-07-08T12:00', to: '2026-07-08T13:00' }
		]);
		// a public holiday keeps nobody busy, and is a whole day all the same
		expect(content.days).toEqual([{ name: 'Holiday', date: '2026-07-03' }]);
		expect(content.leftOut.map(({ name, why }) => `${name}: ${why}`)).toEqual([
			'Reminder: it is marked as free: it keeps nothing busy',
			'Easter: its rule has a part that is not known: BYEASTER',
			'Never: how often it recurs ("SOMETIMES") is not known',
			'Tick: it recurs every second',
			'Odd day: BYDAY cannot be "XX"'
		]);
		expect(content.notes).toEqual([
			'The time zone "Middle/Earth" is neither known nor described in the file: what is in it (Hobbits) is taken as local time here.'
		]);
	});

	it('leaves out what an old rule leaves out, and reads the line ends of any machine', () => {
		const text = wrap(
			...event(
				'SUMMARY:Choir',
				'DTSTART:20260105T190000Z',
				'DURATION:PT2H',
				'RRULE:FREQ=WEEKLY;COUNT=5',
				'EXRULE:FREQ=WEEKLY;INTERVAL=2;UNTIL=20260125T000000Z'
			)
		);
		const dates = ['2026-01-12', '2026-01-26', '2026-02-02'];
		for (const end of ['\r\n', '\n', '\r'])
			expect(read(text.replaceAll('\r\n', end)).bookings.map((one) => one.from.slice(0, 10))).toEqual(dates);
	});

	it('reads twenty thousand events, and says when more would be kept than can be', () => {
		const many = Array.from({ length: 20_000 }, (_, i) =>
			event(`UID:${i}`, `SUMMARY:N${i}`, `DTSTART:${2010 + (i % 10)}0701T120000Z`, 'DURATION:PT1H')
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
		expect(refusal(series('DTSTART:20260101T080000Z', 'RRULE:FREQ=MINUTELY'))).toMatch(/more than 20000/);
		const lost = Array.from({ length: 500 }, (_, i) =>
			event(`UID:${i}`, 'DTSTART:00010101T080000Z', 'DURATION:PT1H', `${never};COUNT=9`)
		);
		expect(refusal(wrap(...lost.flat()))).toMatch(/recur more often, or are more, than can be read/);
	});

	it('takes of what reaches from the first year to the last only what was asked for', () => {
		const ever = wrap(
			...event('SUMMARY:Ever', 'DTSTART;VALUE=DATE:00010101', 'DTEND;VALUE=DATE:99991231'),
			...event('UID:two', 'SUMMARY:Always', 'DTSTART:00010101T000000Z', 'DTEND:99991231T000000Z')
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
