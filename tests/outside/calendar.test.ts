/**
 * The exported iCalendar file (RFC 5545) read back by two libraries, occurrence by occurrence over two years and all
 * four clock changes in them: `ical.js` (with the file's own VTIMEZONE) and `rrule` (in wall time).
 */
import { readdirSync, readFileSync } from 'node:fs';
import ICAL from 'ical.js';
import { RRule, rrulestr } from 'rrule';
import { describe, expect, it } from 'vitest';
import { dateOfDay, dayNumber, instantOf, wallAt, wallMinute } from '../../src/core/civil';
import { findProfile } from '../../src/core/control';
import { fitZone } from '../../src/core/fit';
import { readJobFile, writeCalendar } from '../../src/core/formats';
import { occurrences, readRule } from '../../src/core/formats/recurrence';
import { newZone, withWanted, type Exception } from '../../src/core/plan';
import { rightClock, runOfZone, timeline } from '../../src/core/run';
import { buildWeek } from '../../src/core/week';
import { stateWords } from '../../src/core/words';

let state = 4711;
function random(below: number): number {
	state = (Math.imul(state, 1664525) + 1013904223) | 0;
	return Math.floor(((state >>> 0) / 4294967296) * below);
}

const DAYS = 730;
const FROM = '2026-01-05';

/** Two years of a zone by its exported file and by its own timeline, as [instant, state] where the state changes. */
function bothWays(timeZone: string, control: string, exceptions: Exception[], earlyMost = 0) {
	const shipped = findProfile(control)!;
	const profile =
		earlyMost > 0
			? { ...shipped, startsEarly: true, habits: { ...shipped.habits, earlyStartMostMinutes: earlyMost } }
			: shipped;
	const zone = {
		...withWanted(
			newZone('Hall', profile),
			buildWeek(
				// between 01:00 and 04:00 nothing changes: there clocks do
				Array.from({ length: 24 }, () => ({
					at: random(7) * 1440 + 240 + random(110) * 10,
					value: ['comfort', 'eco', 'frost'][random(3)]!
				}))
			)
		),
		exceptions
	};
	const nowMs = instantOf(timeZone, wallMinute('2026-01-05T00:00'));
	const { chosen } = fitZone(zone, profile);
	const right = runOfZone(zone, profile, chosen.program, {
		timeZone,
		nowMs,
		clock: { ...rightClock(profile, nowMs), follows: true }
	});
	const text = writeCalendar({
		prepared: right,
		held: chosen.held,
		heldCool: chosen.heldCool,
		name: 'Hall',
		uid: 'z',
		fromDate: FROM,
		days: DAYS,
		nowMs
	});
	const from = instantOf(timeZone, wallMinute(`${FROM}T00:00`));
	const to = instantOf(timeZone, (dayNumber(FROM) + DAYS) * 1440);
	const expected = timeline(right, from, to).map(
		(span) => [span.fromMs, stateWords(right, span.heatC, span.coolC)] as const
	);
	return { text, from, to, expected: changesOf(expected) };
}

function changesOf(list: readonly (readonly [number, string])[]) {
	return list
		.filter((one, i) => one[1] !== list[i - 1]?.[1])
		.map(([ms, words]) => `${new Date(ms).toISOString()} ${words}`);
}

const plain = (summary: string) => summary.replace(/ \([^)]*\)$/, '');

function byIcalJs(text: string, from: number, to: number) {
	const root = new ICAL.Component(ICAL.parse(text) as string);
	const zone = new ICAL.Timezone(root.getFirstSubcomponent('vtimezone')!);
	ICAL.TimezoneService.reset();
	ICAL.TimezoneService.register(zone, zone.tzid);
	const found: [number, string][] = [];
	for (const component of root.getAllSubcomponents('vevent')) {
		const event = new ICAL.Event(component);
		const iterator = event.iterator();
		for (let next = iterator.next(); next; next = iterator.next()) {
			const ms = next.toUnixTime() * 1000;
			if (ms >= to) break;
			found.push([ms, plain(event.summary)]);
			if (!event.isRecurring()) break;
		}
	}
	const sorted = found.sort((a, b) => a[0] - b[0]);
	const before = sorted.filter(([ms]) => ms <= from).at(-1)!;
	return changesOf([[from, before[1]], ...sorted.filter(([ms]) => ms > from)]);
}

function byRrule(text: string, timeZone: string, from: number, to: number) {
	const unfolded = text.replace(/\r\n[ \t]/g, '');
	const found: [number, string][] = [];
	for (const [, body] of unfolded.matchAll(/BEGIN:VEVENT\r\n([\s\S]*?)END:VEVENT/g)) {
		const value = (name: string) => new RegExp(`^${name}[^:]*:(.*)$`, 'm').exec(body!)?.[1]?.trim();
		const wall = (written: string) => `${written}Z`;
		const exdates = value('EXDATE')?.split(',').map(wall).join(',');
		const rule = value('RRULE');
		const set = rrulestr(
			[
				`DTSTART:${wall(value('DTSTART')!)}`,
				rule ? `RRULE:${rule}` : 'RRULE:FREQ=DAILY;COUNT=1',
				...(exdates ? [`EXDATE:${exdates}`] : [])
			].join('\n'),
			{ forceset: true }
		);
		for (const date of set.between(new Date(from - 9 * 86_400_000), new Date(to + 86_400_000), true)) {
			const ms = instantOf(timeZone, Math.floor(date.getTime() / 60_000));
			if (ms < to) found.push([ms, plain(value('SUMMARY')!.replaceAll('\\,', ','))]);
		}
	}
	const sorted = found.sort((a, b) => a[0] - b[0]);
	const before = sorted.filter(([ms]) => ms <= from).at(-1)!;
	return changesOf([[from, before[1]], ...sorted.filter(([ms]) => ms > from)]);
}

const away: Exception[] = [
	{ kind: 'absence', id: 'a', leave: '2026-03-27T14:00', back: '2026-04-06T18:00', setpointC: 7, note: '' },
	{ kind: 'override', id: 'o', from: '2026-05-12T10:20', setpointC: 22 },
	{ kind: 'absence', id: 'b', leave: '2026-10-23T09:00', back: '2026-10-30T12:00', setpointC: 9, note: '' },
	{ kind: 'off', id: 'f', from: '2027-06-01T00:00', until: '2027-08-30T12:00' },
	{ kind: 'special-day', id: 's', date: '2026-12-25', runs: { like: 6 }, note: '' },
	{ kind: 'special-day', id: 't', date: '2027-03-28', runs: { level: 'frost' }, note: '' }
];

describe('an exported calendar', () => {
	it.each([
		['Europe/Berlin', 'six-step-room-stat'],
		['America/New_York', 'plant-clock'],
		['Australia/Lord_Howe', 'dial-stat'],
		['Asia/Kolkata', 'hour-strip-keypad'],
		['Africa/Casablanca', 'radio-stat']
	])('of two years in %s on a %s is read alike by ical.js and rrule', (timeZone, control) => {
		for (const exceptions of [[], away]) {
			const { text, from, to, expected } = bothWays(timeZone, control, exceptions);
			expect(expected.length).toBeGreaterThan(200);
			expect(byRrule(text, timeZone, from, to)).toEqual(expected);
			expect(byIcalJs(text, from, to)).toEqual(expected);
			for (const line of text.split('\r\n'))
				expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
		}
		expect(dateOfDay(Math.floor(wallAt(timeZone, 0) / 1440)).startsWith('19')).toBe(true);
	});
});

/** The zones of the demo sites as they are exported on a day. */
function exported(nowMs: number): { readonly name: string; readonly text: string }[] {
	const files = readdirSync('demo').filter((file) => file.endsWith('.job.json'));
	return files.flatMap((file) => {
		const job = readJobFile(readFileSync(`demo/${file}`, 'utf8'));
		if (!job.ok) throw new Error(job.problem.sentence);
		const { site, zones, profiles } = job.value;
		return zones.map((zone, i) => {
			const profile = findProfile(zone.control, profiles)!;
			const { chosen } = fitZone(zone, profile);
			const { timeZone } = site;
			const clock = { ...rightClock(profile, nowMs), follows: true };
			const text = writeCalendar({
				prepared: runOfZone(zone, profile, chosen.program, { timeZone, nowMs, clock }),
				held: chosen.held,
				heldCool: chosen.heldCool,
				name: zone.name,
				uid: `${file}-${i}`,
				fromDate: dateOfDay(Math.floor(wallAt(timeZone, nowMs) / 1440)),
				days: DAYS,
				nowMs
			});
			return { name: `${site.name}, ${zone.name}`, text };
		});
	});
}

describe('the calendars of all demo zones', () => {
	const uids = (text: string) =>
		new ICAL.Component(ICAL.parse(text) as string)
			.getAllSubcomponents('vevent')
			.map((event) => String(event.getFirstPropertyValue('uid')));
	const noon = Date.parse('2026-11-26T12:00:00Z');

	it('are short, read by ical.js, and double nothing when they are imported again a day later', () => {
		const [today, tomorrow] = [exported(noon), exported(noon + 86_400_000)];
		expect(today.length).toBeGreaterThan(25);
		for (const [i, { name, text }] of today.entries()) {
			const [first, again] = [uids(text), uids(tomorrow[i]!.text)];
			expect(new Set(first).size, name).toBe(first.length);
			expect(first.length, name).toBeLessThanOrEqual(200);
			// what is new is what came into the two years with the day, at most
			const fresh = again.filter((uid) => !first.includes(uid));
			expect(fresh.length, `${name}: ${fresh.join(' ')}`).toBeLessThanOrEqual(6);
			// written out by ical.js and read again it is the same
			const twice = new ICAL.Component(
				ICAL.parse(new ICAL.Component(ICAL.parse(text) as string).toString()) as string
			);
			expect(uids(twice.toString()), name).toEqual(first);
		}
	});

	it('of a control that starts early say the early start every week, not every day anew', () => {
		const { text, from, to, expected } = bothWays('Europe/Berlin', 'six-step-room-stat', away, 90);
		expect(byIcalJs(text, from, to)).toEqual(expected);
		expect(uids(text).length).toBeLessThan(120);
		expect(expected.length).toBeGreaterThan(1000);
	});
});

describe('a recurrence', () => {
	const pick = <T>(...of: readonly T[]): T => of[random(of.length)]!;
	/** A list in order: the reference counts positions as they are written. */
	const some = <T>(most: number, make: () => T) =>
		[...new Set(Array.from({ length: random(most) + 1 }, make))]
			.sort((a, b) => Number(a) - Number(b))
			.join(',');
	const days = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'] as const;
	/** A rule of any kind, also one that never occurs. */
	function anyRule(): string {
		const frequency = pick('YEARLY', 'MONTHLY', 'MONTHLY', 'WEEKLY', 'WEEKLY', 'DAILY', 'HOURLY');
		const parts = [`FREQ=${frequency}`];
		if (random(2)) parts.push(`INTERVAL=${random(4) + 1}`);
		if (random(3) === 0) parts.push(`COUNT=${random(40) + 1}`);
		if (random(4) === 0) parts.push(`WKST=${pick(...days)}`);
		if (random(3) === 0) parts.push(`BYMONTH=${some(3, () => random(12) + 1)}`);
		if (frequency !== 'WEEKLY' && random(3) === 0)
			parts.push(`BYMONTHDAY=${some(3, () => pick(1, 5, 15, 28, 29, 30, 31, -1, -3))}`);
		if (random(2)) {
			// the reference takes days with and without a number in one rule for both at once: not mixed here
			const nth = (frequency === 'MONTHLY' || frequency === 'YEARLY') && random(2) === 1;
			parts.push(`BYDAY=${some(2, () => `${nth ? pick('1', '2', '-1', '5', '-5') : ''}${pick(...days)}`)}`);
		} else if (frequency === 'YEARLY' && random(3) === 0)
			parts.push(`BYYEARDAY=${some(3, () => pick(1, 60, 100, 366, -1, -306))}`);
		if (frequency !== 'HOURLY' && random(4) === 0) parts.push(`BYHOUR=${some(2, () => random(24))}`);
		if (frequency !== 'HOURLY' && random(4) === 0) parts.push(`BYMINUTE=${some(2, () => random(4) * 15)}`);
		if (random(5) === 0 && parts.length > 2 && frequency !== 'HOURLY')
			// past the end of a short set the reference takes what is not there: first and last alone
			parts.push(`BYSETPOS=${pick('1', '-1')}`);
		return parts.join(';');
	}

	it('is expanded as rrule expands it, rule by rule: RFC 5545 §3.3.10', () => {
		let compared = 0;
		for (let round = 0; round < 400; round++) {
			const text = anyRule();
			const start = new Date(Date.UTC(2024, random(12), random(28) + 1, random(24), random(4) * 15));
			const [from, to] = [Date.UTC(2026, 0, 1), Date.UTC(2027, 6, 1)];
			const rule = readRule(text);
			if ('wrong' in rule) throw new Error(`${text}: ${rule.wrong}`);
			const reference = new RRule({ ...RRule.parseString(text), dtstart: start });
			const expected = reference.between(new Date(from), new Date(to - 1), true).map((one) => one.getTime());
			const found = [
				...occurrences(rule, start.getTime() / 60_000, Infinity, from / 60_000, to / 60_000, { left: 1e7 })
			].map((wall) => wall * 60_000);
			expect([...new Set(found)], `${text} from ${start.toISOString()}`).toEqual([...new Set(expected)]);
			compared += expected.length;
		}
		expect(compared).toBeGreaterThan(10_000);
	});
});
