import { describe, expect, it } from 'vitest';
import { instantOf, wallMinute } from '../civil';
import { findProfile, localWords, momentWords, shippedProfiles } from '../control';
import { fitZone } from '../fit';
import {
	newZone,
	routineFromTemplate,
	routineTemplates,
	withRoutine,
	type Booking,
	type Exception,
	type Zone
} from '../plan';
import { buildWeek } from '../week';
import { bookedDates, rightClock, runOfZone } from '../run';
import { momentInWords } from '.';

const ZONE = 'Europe/Paris';
const at = (local: string) => instantOf(ZONE, wallMinute(local));
const profileOf = (id: string) => findProfile(id)!;

/** A zone out all day on weekdays, on a control, ready at noon of Tuesday 3 March 2026. */
function said(
	id: string,
	local: string,
	exceptions: Exception[] = [],
	change: (zone: Zone) => Zone = (zone) => zone
) {
	const profile = profileOf(id);
	const plain = newZone('Z', profile);
	const zone = change({
		...withRoutine(plain, routineFromTemplate(routineTemplates[0]!, plain.levels)),
		exceptions
	});
	const program = fitZone(zone, profile).chosen.program;
	const nowMs = at('2026-03-01T12:00');
	const clock = { ...rightClock(profile, nowMs), follows: true };
	return momentInWords(runOfZone(zone, profile, program, { timeZone: ZONE, nowMs, clock }), at(local));
}

describe('any moment in words', () => {
	it('says what rules, until when, and what follows', () => {
		const boost: Exception = { kind: 'boost', id: 'b', from: '2026-03-03T10:20', steps: 3, setpointC: 22.5 };
		const words = said('six-step-room-stat', '2026-03-03T10:25', [boost]);
		expect(words.sentence.replaceAll('\u00a0', ' ')).toBe('22.5 °C until 11:50 (boost), then Eco 16.0 °C');
		expect(words.left).toBe('1 h 25 left');
		expect(words.chain.map((link) => [link.layer, link.rules])).toEqual([
			['program', false],
			['boost', true]
		]);
		expect(words.clock).toBeNull();
	});

	it('names a day, then a date, the farther off it is', () => {
		const options = { unit: 'C', clock: '24', perDay: 6, channel: 0, plain: false } as const;
		const from = wallMinute('2026-03-03T10:00');
		expect(momentWords(wallMinute('2026-03-03T19:10'), from, options)).toBe('19:10');
		expect(momentWords(wallMinute('2026-03-06T06:30'), from, options)).toBe('Fri 06:30');
		expect(momentWords(wallMinute('2026-03-20T06:30'), from, options)).toBe('Fri 20 Mar 06:30');
		expect(momentWords(wallMinute('2026-03-02T06:30'), from, { ...options, clock: '12' })).toBe(
			'Mon 2 Mar 6:30 am'
		);
		expect(localWords('2026-12-24', options)).toBe('Thu 24 Dec');
	});

	it('speaks each control’s own way of counting', () => {
		const tuesday = '2026-03-03T18:00';
		const plain = (text: string) => text.replaceAll('\u00a0', ' ');
		expect(plain(said('hour-strip-keypad', tuesday).sentence)).toMatch(
			/^Comfort 20\.0 °C until .* \(Tue from 17:00\)/
		);
		expect(plain(said('switch-timer', tuesday).sentence)).toMatch(/^On until 22:30 \(Tue pair 2\), then Off/);
		expect(plain(said('plant-clock', tuesday).sentence)).toMatch(/Tue period \d/);
		expect(plain(said('touch-floor-stat', tuesday).sentence)).toMatch(/Tue (on|back)( again)?/);
		expect(plain(said('plain-stat', tuesday).sentence)).toMatch(/until someone turns it \(set by hand\)$/);
		expect(plain(said('heat-and-cool-stat', tuesday).sentence)).toMatch(/cooling above 25\.0 °C/);
		// what the limit lets through is what is keyed; a hand that asks for more is held down by it
		const limited = (zone: Zone) => ({ ...zone, settings: { ...zone.settings, highLimitC: 18 } });
		expect(plain(said('six-step-room-stat', tuesday, [], limited).sentence)).toMatch(
			/^Comfort 18\.0 °C until .* \(Tue step \d\)/
		);
		const byHand: Exception = { kind: 'override', id: 'o', from: tuesday, setpointC: 22 };
		expect(plain(said('six-step-room-stat', tuesday, [byHand], limited).sentence)).toMatch(
			/^Comfort 18\.0 °C until .* \(limit\)/
		);
	});

	it('says so where its own clock shows another time', () => {
		const profile = profileOf('radio-stat');
		const zone = newZone('Z', profile);
		const program = fitZone(zone, profile).chosen.program;
		const nowMs = at('2026-03-01T12:00');
		const late = runOfZone(zone, profile, program, { timeZone: ZONE, nowMs });
		expect(momentInWords(late, at('2026-04-01T12:00')).clock).toBe('Its own clock shows Wed 11:00.');
		const behind = (errorSeconds: number) =>
			runOfZone(zone, profile, program, {
				timeZone: ZONE,
				nowMs,
				clock: { follows: true, anchors: [{ atMs: nowMs, errorSeconds }], driftSecondsPerDay: 0 }
			});
		expect(momentInWords(behind(-20), at('2026-04-01T12:00')).clock).toBeNull();
		expect(momentInWords(behind(-90), at('2026-04-01T12:00')).clock).toBe('Its own clock shows Wed 11:58.');
		expect(momentInWords(late, at('2026-03-20T12:00')).clock).toBeNull();
	});

	it('has an answer for every shipped control at any moment, with the last link ruling', () => {
		for (const { id } of shippedProfiles)
			for (const local of ['2026-03-29T02:30', '2026-10-25T02:30', '2026-07-01T00:00']) {
				const words = said(id, local);
				expect(words.sentence, id).toMatch(/^\S.* until .* \(.*\)/);
				expect(words.chain.at(-1)!.rules).toBe(true);
			}
	});
});

describe('dates that bookings leave to a hand', () => {
	const hall = profileOf('plant-clock');
	const held = buildWeek([
		{ at: 1440 + 1170, value: 20 },
		{ at: 1440 + 1290, value: 7 }
	]);
	const levels = newZone('Z', hall).levels;
	const bookings: Booking[] = [
		{ name: 'Choir', from: '2026-03-03T19:30', to: '2026-03-03T21:30' },
		{ name: 'Lecture', from: '2026-03-12T19:30', to: '2026-03-12T21:30' },
		{ name: 'Ball', from: '2026-03-14T18:00', to: '2026-03-14T23:00' }
	];
	const dates = (most: number, since = '2026-03-01', zone: Partial<Zone> = {}) =>
		bookedDates(
			{ ...newZone('Z', hall), bookings, ...zone },
			{ ...hall, habits: { ...hall.habits, specialDays: most === 0 ? null : { most, how: '' } } },
			held,
			{ warm: levels[0]!, rest: levels[1]!, since }
		);

	it('take a special day where one of its weekdays fits, the rest are said with their hours', () => {
		const all = dates(6);
		// the Tuesday of the second week is warm for nobody; Thursday runs as Tuesday; the ball fits no weekday
		expect(all.map((date) => [date.date, date.runs])).toEqual([
			['2026-03-10', { level: 'eco' }],
			['2026-03-12', { like: 1 }],
			['2026-03-14', { like: 1 }]
		]);
		expect(dates(0).map((date) => date.sentence)).toEqual([
			'2 h warm by the week with nobody there: by hand: Eco',
			'booked 19:30–21:30, 2 h with its warm-up cold by the week: by hand: Comfort 19:30–21:30',
			'booked 18:00–23:00, 5 h with its warm-up cold by the week: by hand: Comfort 18:00–23:00'
		]);
	});

	it('are none of the other weeks, where each week is keyed by itself', () => {
		expect(dates(6, '2026-03-01', { bookedWeek: '2026-03-02' })).toEqual([]);
		expect(dates(0, '2026-03-01', { bookedWeek: '2026-03-09' }).map(({ date }) => date)).toEqual(
			dates(0).map(({ date }) => date)
		);
	});

	it('are done only when nothing is missing: the rest of a special day is by hand, and what is kept takes no place twice', () => {
		const like = { kind: 'special-day', id: 'a', date: '2026-03-14', runs: { like: 1 }, note: '' } as const;
		const ball = (exceptions: Zone['exceptions'], most = 1) =>
			dates(most, '2026-03-13', { exceptions }).map(({ sentence, done, kept }) => [sentence, done, kept]);
		const rest = 'special day, run as Tuesday, and by hand: Comfort 18:00–19:30, 21:30–23:00';
		expect(ball([])).toEqual([
			[`booked 18:00–23:00, 5 h with its warm-up cold by the week: ${rest}`, false, false]
		]);
		expect(ball([like])).toEqual([[`booked 18:00–23:00, 3 h cold on its special day: ${rest}`, false, true]]);
		// a control full of special days has none to propose, and one that is past takes no place
		const elsewhere = { ...like, date: '2026-04-14' };
		expect(ball([elsewhere])[0]![0]).not.toContain('special day');
		expect(ball([{ ...like, date: '2026-03-01' }])[0]![0]).toContain('special day');
		// one that serves its date is nothing to be said
		const thursday = { ...like, date: '2026-03-12' };
		expect(dates(6, '2026-03-11', { exceptions: [thursday] }).map(({ date }) => date)).toEqual([
			'2026-03-14'
		]);
	});

	it('want their warm-up: in the week, on special days, by hand', () => {
		const lead = { school: 'fixed', minutes: 25, stopMinutes: 0, computed: null } as const;
		const led = dates(6, '2026-03-01', { lead });
		expect(led.map(({ date, byHand }) => [date, byHand])).toEqual([
			['2026-03-03', [[1145, 1170]]],
			['2026-03-10', []],
			['2026-03-12', [[1145, 1170]]],
			[
				'2026-03-14',
				[
					[1055, 1170],
					[1290, 1380]
				]
			]
		]);
		// soon after midnight it begins the day before
		const early = dates(0, '2026-03-01', {
			lead,
			bookings: [{ name: 'x', from: '2026-03-07T00:10', to: '2026-03-07T02:00' }]
		});
		expect(early.filter(({ byHand }) => byHand.length > 0).map(({ date, byHand }) => [date, byHand])).toEqual(
			[
				['2026-03-06', [[1425, 1440]]],
				['2026-03-07', [[0, 120]]]
			]
		);
	});

	it('go to the coldest dates first where there are few, and leave out what is past', () => {
		const two = dates(2);
		expect(two.filter((date) => date.runs !== null).map((date) => date.date)).toEqual([
			'2026-03-12',
			'2026-03-14'
		]);
		expect(dates(6, '2026-03-13').map((date) => date.date)).toEqual(['2026-03-14']);
	});
});
