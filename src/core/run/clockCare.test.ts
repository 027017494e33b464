import { describe, expect, it } from 'vitest';
import { driftOf, instantOf, minutesAhead, wallMinute } from '../civil';
import { factoryOptions, findProfile, timeLeft } from '../control';
import { newZone, type Zone } from '../plan';
import { afterPowerLoss, clockValues, demandOf } from '.';
import {
	customerLines,
	clockChanges,
	powerLossSentence,
	reserveSentence,
	summerTimeSentences,
	awayStanding,
	clockStanding,
	errorWords
} from '../words';

const profileOf = (id: string) => findProfile(id)!;
const at = (local: string, zone = 'Europe/Berlin') => instantOf(zone, wallMinute(local));
const plain = factoryOptions(profileOf('six-step-room-stat'));

describe('the clock of a control', () => {
	it('is keyed in its own format and day numbering', () => {
		const ms = at('2026-03-01T14:05');
		expect(clockValues(profileOf('six-step-room-stat'), plain, 'Europe/Berlin', ms)).toMatchObject({
			time: '14:05',
			day: '7',
			isoDate: '2026-03-01'
		});
		expect(
			clockValues(profileOf('switch-timer'), { ...plain, clock: '12' }, 'America/New_York', ms)
		).toMatchObject({ time: '8:05 am', day: 'Sun' });
		const sunday = { ...profileOf('six-step-room-stat'), dayNumbering: 'sunday-is-1' as const };
		expect(clockValues(sunday, plain, 'Europe/Berlin', ms).day).toBe('1');
	});

	it('says what a change of clocks does to it until somebody comes', () => {
		const changes = (id: string) =>
			clockChanges(profileOf(id), plain, 'Europe/Berlin', at('2026-01-01T00:00'));
		expect(changes('radio-stat').map((one) => [one.isoDate, one.from, one.to, one.byHand])).toEqual([
			['2026-03-29', '02:00', '03:00', true],
			['2026-10-25', '03:00', '02:00', true]
		]);
		expect(changes('radio-stat')[0]!.sentence).toMatch(/Put forward 1 h/);
		expect(changes('radio-stat')[1]!.sentence).toMatch(/Put back 1 h/);
		expect(changes('six-step-room-stat')[0]!).toMatchObject({ byHand: false });
		expect(clockChanges(profileOf('radio-stat'), plain, 'Asia/Kolkata', at('2026-01-01T00:00'))).toEqual([]);
		expect(summerTimeSentences('Asia/Kolkata', plain, 2026)).toEqual([
			'No clock change at this place (Asia/Kolkata).'
		]);
		expect(summerTimeSentences('Australia/Lord_Howe', plain, 2026)[1]).toMatch(/not an hour/);
		expect(summerTimeSentences('Africa/Casablanca', plain, 2026)[0]).toMatch(/follow no one rule/);
	});

	it('loses after its reserve what its profile says, and no sooner', () => {
		const lost = (id: string, minutes: number) => {
			const { clockLost, programLost } = afterPowerLoss(profileOf(id), minutes);
			return [clockLost, programLost];
		};
		expect(lost('radio-stat', 5)).toEqual([false, false]);
		expect(lost('radio-stat', 6)).toEqual([true, true]);
		expect(lost('line-voltage-stat', 4320)).toEqual([false, false]);
		expect(lost('line-voltage-stat', 4321)).toEqual([true, false]);
		expect(lost('heat-and-cool-stat', 500_000)).toEqual([false, false]);
		expect(lost('plain-stat', 500_000)).toEqual([false, false]);
		expect(powerLossSentence(profileOf('line-voltage-stat'), plain, 5000)).toContain('shows Monday 08:00');
		expect(reserveSentence(profileOf('dial-stat'))).toMatch(/a few seconds/);
	});

	it('is off by the nearer way round, and drifts from the last two looks', () => {
		expect([minutesAhead(5, 1435), minutesAhead(1435, 5), minutesAhead(600, 600)]).toEqual([10, -10, 0]);
		const look = (date: string, errorSeconds: number, set = false) => ({
			atMs: at(`${date}T12:00`),
			errorSeconds,
			set
		});
		// set right, then two minutes behind after sixty days: two seconds a day, five minutes off after 150
		const drift = driftOf([look('2026-01-01', 500, true), look('2026-03-02', -120)], 'Europe/Berlin')!;
		expect(drift.secondsPerDay).toBeCloseTo(-2, 6);
		expect(Math.round((drift.worstAtMs! - at('2026-03-02T12:00')) / 86_400_000)).toBe(90);
		expect(driftOf([look('2026-01-01', 0)], 'Europe/Berlin')).toBeNull();
		expect(driftOf([look('2026-01-01', 0), look('2026-01-01', 60)], 'Europe/Berlin')).toBeNull();
		expect(driftOf([look('2026-01-01', 0), look('2026-04-01', 3600 * 9)], 'Europe/Berlin')).toBeNull();
		// an hour that a change explains is no drift, whether it was missed or made up for; half an hour at Lord Howe
		const hours = (readings: Parameters<typeof driftOf>[0], place = 'Europe/Berlin') =>
			driftOf(readings, place)!.secondsPerDay;
		expect(hours([look('2026-03-01', 0, true), look('2026-04-10', -3600)])).toBe(0);
		expect(hours([look('2026-03-01', 0, true), look('2026-04-10', -3640)])).toBeCloseTo(-1, 2);
		expect(hours([look('2026-04-10', -3600), look('2026-04-30', 20)])).toBeCloseTo(1, 2);
		expect(hours([look('2026-03-01', 0, true), look('2026-05-10', 1800)], 'Australia/Lord_Howe')).toBe(0);
		expect(hours([look('2026-03-01', 0, true), look('2026-05-10', 1800)], 'Asia/Tokyo')).toBeGreaterThan(20);
		// a yearly look: a clock that changes by itself drifted all of it; one changed by hand that missed the spring did not
		const itself = driftOf(
			[look('2025-11-20', 0, true), look('2026-11-20', 8 * 365)],
			'Europe/Berlin',
			true
		)!;
		expect(itself.secondsPerDay).toBeCloseTo(8, 6);
		const days = (at('2026-08-01T12:00') - at('2026-01-01T12:00')) / 86_400_000;
		expect(hours([look('2026-01-01', 0, true), look('2026-08-01', 5 * days - 3600)])).toBeCloseTo(5, 6);
		// two winters on, a spring missed is no slow clock; and both changes missed are nothing
		expect(hours([look('2025-01-01', 0, true), look('2026-08-01', -3600)])).toBe(0);
		expect(hours([look('2026-01-01', 0, true), look('2026-12-01', 334)])).toBeCloseTo(1, 1);
		// one that changes by itself and is an hour off after a month did not change
		expect(
			driftOf([look('2026-03-10', 0, true), look('2026-04-10', -3600)], 'Europe/Berlin', true)!.secondsPerDay
		).toBe(0);
	});

	it('stands on the board: never checked, off, left behind by a change, lost', () => {
		const standing = (readings: Zone['clockReadings'], id = 'radio-stat', now = '2026-11-01T12:00') =>
			clockStanding(
				{ ...newZone('Z', profileOf(id)), clockReadings: readings },
				profileOf(id),
				'Europe/Berlin',
				at(now)
			);
		const reading = (local: string, errorSeconds: number, set: boolean, lost = false) => ({
			at: new Date(at(local)).toISOString(),
			errorSeconds,
			daysAhead: 0,
			set,
			lost
		});
		expect(standing([])).toMatchObject({ words: 'not checked', bad: false });
		expect(standing([reading('2026-10-01T12:00', 0, true)])).toMatchObject({
			words: 'not changed since Sun 25 Oct',
			bad: true
		});
		expect(standing([reading('2026-10-01T12:00', 0, true)], 'six-step-room-stat')).toMatchObject({
			bad: false
		});
		expect(standing([reading('2026-10-30T12:00', -240, false)])).toMatchObject({
			words: '4 min slow',
			bad: true
		});
		expect(standing([reading('2026-10-30T12:00', 0, false, true)])).toMatchObject({
			words: 'lost its time',
			bad: true
		});
		expect(standing([], 'plain-stat').words).toBe('has none');
		expect([errorWords(3720), errorWords(-45), errorWords(10)]).toEqual([
			'1 h 02 fast',
			'1 min slow',
			'right'
		]);
	});
});

describe('what a person reads', () => {
	it('of what is left on', () => {
		const zone = {
			...newZone('Z', profileOf('radio-stat')),
			exceptions: [{ kind: 'manual', id: 'm', from: '2026-01-01T10:00', until: null, setpointC: 22 }]
		} as Zone;
		expect(awayStanding(zone, profileOf('radio-stat'), 'UTC', at('2026-01-02T10:00', 'UTC'))).toEqual({
			kind: 'wrong',
			words: 'left on manual',
			bad: true
		});
		expect(awayStanding(zone, profileOf('radio-stat'), 'UTC', at('2026-01-01T09:00', 'UTC')).bad).toBe(false);
		expect([timeLeft(95 * 60_000), timeLeft(50 * 3_600_000), timeLeft(59_000)]).toEqual([
			'1 h 35',
			'2 days 2 h',
			'1 min'
		]);
	});

	it('on the customer’s page: each control’s own way, and its clock', () => {
		const lines = (id: string) =>
			customerLines(profileOf(id), plain, 'Europe/Berlin', at('2026-11-24T12:00')).map(
				(one) => `${one.title}: ${one.sentences.join(' ')}`
			);
		expect(lines('touch-floor-stat').join('\n')).toMatch(/ends automatically after 2 h/);
		expect(lines('hour-strip-keypad').join('\n')).toMatch(
			/The day you set it does not count; it ends at the hour/
		);
		expect(lines('hour-strip-keypad').join('\n')).toMatch(
			/by hand on Sun 28 Mar \(02:00 becomes 03:00\) and Sun 31 Oct/
		);
		expect(lines('six-step-room-stat').join('\n')).toMatch(
			/When the clocks change: The clock changes automatically/
		);
		expect(lines('plain-stat').join('\n')).not.toMatch(/clocks change/);
	});

	it('of what it calls for: heat under one setpoint, cooling over the other, rest between, and a wait after a stop', () => {
		const stat = profileOf('heat-and-cool-stat');
		const { settings } = newZone('Z', stat);
		const call = (roomC: number, stopped: number | null = null) =>
			demandOf(stat, settings, { heatC: 20, coolC: 25 }, roomC, 1_000_000, stopped);
		expect([call(19).call, call(22).call, call(26).call]).toEqual(['heat', 'none', 'cool']);
		expect(call(26, 900_000)).toEqual({ call: 'none', waitsUntilMs: 1_200_000, fan: 'rests' });
		expect(demandOf(stat, { ...settings, fan: 'circulate' }, { heatC: 20, coolC: 25 }, 22, 0).fan).toBe(
			'runs part of every hour'
		);
	});
});
