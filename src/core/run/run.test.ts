import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { wallMinute } from '../civil';
import { shippedProfiles } from '../control';
import { type Exception } from '../plan';
import { absenceKey } from '../words';
import { planAbsence, resolve, rightClock } from '.';
import { at, now, prepared, profileOf } from '../../../tests/support/preparedRun';

describe('what ends when, by each profile’s own way', () => {
	const from = '2026-01-12T10:10';

	it('an override at the next change, or after its fixed time', () => {
		const override: Exception = { kind: 'override', id: 'o', from, setpointC: 22.5 };
		expect(now(prepared('six-step-room-stat', { exceptions: [override] }), '2026-01-12T10:30')).toEqual({
			c: 22.5,
			by: 'override',
			until: at('2026-01-12T22:00'),
			next: 16
		});
		expect(now(prepared('touch-floor-stat', { exceptions: [override] }), '2026-01-12T10:30')).toMatchObject({
			c: 22.5,
			until: at('2026-01-12T12:10'),
			next: 20
		});
		// the day-by-day stat has none: any change leaves it in manual
		expect(now(prepared('day-by-day-panel-stat', { exceptions: [override] }), '2026-01-12T10:30').by).toBe(
			'program'
		);
	});

	it('a boost after its steps (no more than it has), or at the end of the current program', () => {
		const boost: Exception = { kind: 'boost', id: 'b', from: '2026-01-12T23:05', steps: 3, setpointC: 20 };
		expect(now(prepared('hour-strip-keypad', { exceptions: [boost] }), '2026-01-12T23:30')).toEqual({
			c: 20,
			by: 'boost',
			until: at('2026-01-13T00:35'),
			next: 16
		});
		expect(now(prepared('dial-stat', { exceptions: [boost] }), '2026-01-12T23:30').until).toBe(
			at('2026-01-13T06:00')
		);
		const tooMany: Exception = { ...boost, steps: 9 };
		expect(
			now(prepared('two-channel-programmer', { exceptions: [tooMany] }), '2026-01-12T23:30')
		).toMatchObject({
			until: at('2026-01-13T02:05'),
			next: 0
		});
	});

	it('a hold never, or at its time; manual and off stay; off keeps frost where it has it', () => {
		const hold: Exception = { kind: 'hold', id: 'h', from, until: null, setpointC: 18 };
		const run = prepared('line-voltage-stat', { exceptions: [hold], settings: { earlyStartMinutes: 0 } });
		expect(now(run, '2026-03-01T03:00')).toMatchObject({ c: 18, by: 'hold', next: null });
		const timed: Exception = { ...hold, until: '2026-01-12T15:00' };
		expect(now(prepared('heat-and-cool-stat', { exceptions: [timed] }), '2026-01-12T14:59')).toMatchObject({
			c: 18,
			until: at('2026-01-12T15:00'),
			next: 20
		});
		const off: Exception = { kind: 'off', id: 'f', from, until: null };
		const manual: Exception = { kind: 'manual', id: 'm', from, until: null, setpointC: 23 };
		expect(now(prepared('dial-stat', { exceptions: [manual] }), '2026-01-15T03:00')).toMatchObject({
			c: 23,
			by: 'manual'
		});
		expect(now(prepared('dial-stat', { exceptions: [manual, off] }), '2026-01-15T03:00')).toMatchObject({
			c: 5,
			by: 'off'
		});
		expect(now(prepared('line-voltage-stat', { exceptions: [off] }), '2026-01-15T03:00').c).toBeNull();
		expect(now(prepared('switch-timer', { exceptions: [off] }), '2026-01-15T12:00').c).toBe(0);
	});

	it('an advance brings the next change now, and that change ends it', () => {
		const advance: Exception = { kind: 'advance', id: 'a', from };
		expect(now(prepared('two-channel-programmer', { exceptions: [advance] }), '2026-01-12T11:00')).toEqual({
			c: 0,
			by: 'override',
			until: at('2026-01-12T22:00'),
			next: 0
		});
	});

	it('special days run another day, or one level, and hand on what their weekday would have', () => {
		const closed: Exception = {
			kind: 'special-day',
			id: 's',
			date: '2026-01-14',
			runs: { level: 'frost' },
			note: ''
		};
		const run = prepared('plant-clock', { exceptions: [closed] });
		expect(now(run, '2026-01-14T12:00')).toMatchObject({
			c: 7,
			by: 'special-day',
			until: at('2026-01-15T00:00')
		});
		expect(now(run, '2026-01-15T12:00')).toMatchObject({ c: 20, by: 'program' });
	});

	it('limits clamp hand and program alike only where the profile says so, and say so', () => {
		const settings = { highLimitC: 19 };
		expect(now(prepared('six-step-room-stat', { settings }), '2026-01-12T12:00')).toMatchObject({
			c: 19,
			by: 'limits'
		});
		expect(now(prepared('heat-and-cool-stat', { settings }), '2026-01-12T12:00')).toMatchObject({
			c: 20,
			by: 'program'
		});
		const hold: Exception = { kind: 'hold', id: 'h', from, until: null, setpointC: 24 };
		expect(now(prepared('heat-and-cool-stat', { settings, exceptions: [hold] }), '2026-01-12T12:00').c).toBe(
			19
		);
	});

	it('starts early by itself, never before the change before', () => {
		const run = prepared('four-step-floor-stat', { settings: { earlyStartMinutes: 45 } });
		expect(now(run, '2026-01-12T05:14').by).toBe('program');
		expect(now(run, '2026-01-12T05:15')).toMatchObject({
			c: 20,
			by: 'early-start',
			until: at('2026-01-12T06:00')
		});
		const close = prepared('four-step-floor-stat', {
			settings: { earlyStartMinutes: 120 },
			times: ['23:00', '22:00']
		});
		expect(now(close, '2026-01-12T22:00').by).toBe('early-start');
		expect(now(close, '2026-01-12T21:59').by).toBe('program');
	});

	it('keeps the dead band under a hand', () => {
		const hold: Exception = { kind: 'hold', id: 'h', from, until: null, setpointC: 24.5 };
		const { heatC, coolC } = resolve(
			prepared('heat-and-cool-stat', { exceptions: [hold] }),
			at('2026-01-12T12:00')
		);
		expect([heatC, coolC]).toEqual([24.5, 26.5]);
		const only = prepared('heat-and-cool-stat', { settings: { changeover: 'cool-only' } });
		expect(resolve(only, at('2026-01-12T12:00'))).toMatchObject({ heatC: null, coolC: 25 });
	});
});

describe('away', () => {
	const words = (local: string) => local.replace('T', ' ');
	const away = (id: string, leave: string, back: string) => {
		const plan = planAbsence(profileOf(id), { leave, back });
		return { ...plan, key: absenceKey(plan, words) };
	};
	// Friday 14:00 to the Sunday of the week after, 18:00: nine nights
	const [leave, back] = ['2026-01-09T14:00', '2026-01-18T18:00'];

	it('nine nights on a control that counts days, one with a date of return, one with dated days', () => {
		// today is day 1, over at midnight after the last: nine days end on the 18th at 00:00
		expect(away('six-step-room-stat', leave, back)).toMatchObject({
			key: '9 days',
			toWall: wallMinute('2026-01-18T00:00')
		});
		// nine times 24 hours from leaving
		expect(away('hour-strip-keypad', leave, back)).toMatchObject({
			key: '9 days',
			toWall: wallMinute('2026-01-18T14:00'),
			wasteMinutes: 240,
			coldMinutes: 0
		});
		expect(away('dial-stat', leave, back)).toMatchObject({
			key: 'return 2026-01-18',
			toWall: wallMinute('2026-01-18T00:00')
		});
		expect(away('two-channel-programmer', leave, back)).toMatchObject({
			key: 'return 2026-01-18 18:00',
			wasteMinutes: 0,
			conflicts: []
		});
		const plant = away('plant-clock', leave, back);
		expect(plant).toMatchObject({
			key: '2026-01-10 to 2026-01-17',
			when: 'any day before',
			wasteMinutes: 600 + 1080
		});
		expect(plant.conflicts).toHaveLength(2);
		expect(away('touch-floor-stat', leave, back).toWall).toBeNull();
		expect(away('plain-stat', leave, back).by).toBe('by-hand');
	});

	it('never ends after the return, and never a day sooner than it must', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(...shippedProfiles),
				fc.integer({ min: 29_000_000, max: 29_600_000 }),
				fc.integer({ min: 60, max: 40_000 }),
				(profile, leaveAt, length) => {
					const local = (wall: number) => new Date(wall * 60_000).toISOString().slice(0, 16);
					const plan = planAbsence(profile, { leave: local(leaveAt), back: local(leaveAt + length) });
					if (plan.toWall === null) return;
					const capped = plan.conflicts.some((one) => one.kind === 'beyond');
					expect(plan.toWall).toBeLessThanOrEqual(leaveAt + length);
					if (!capped) expect(leaveAt + length - plan.toWall).toBeLessThan(1440);
					expect(plan.fromWall - leaveAt).toBeLessThan(1440);
				}
			)
		);
	});

	it('is over by the control’s own clock, also across a clock change it does not know of', () => {
		const absence: Exception = {
			kind: 'absence',
			id: 'a',
			leave: '2026-03-27T14:00',
			back: '2026-03-30T20:00',
			setpointC: 7,
			note: ''
		};
		const clock = rightClock(profileOf('radio-stat'), at('2026-03-01T12:00'));
		const run = prepared('radio-stat', { exceptions: [absence], clock });
		// keyed 3 days, over at its own midnight of the 30th: one hour late by the right time
		expect(now(run, '2026-03-28T12:00')).toMatchObject({
			c: 7,
			by: 'holiday',
			until: at('2026-03-30T01:00')
		});
	});
});
