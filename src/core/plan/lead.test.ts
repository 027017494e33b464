import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { buildWeek, valueAt, WEEK_MINUTES } from '../week';
import { applyLead, noLead, type Lead } from '.';

const setpoint = (level: string) => ({ frost: 7, eco: 16, mid: 18, comfort: 20 })[level]!;
const fixed = (minutes: number, stopMinutes = 0): Lead => ({
	...noLead,
	school: 'fixed',
	minutes,
	stopMinutes
});
const steps = (...list: [number, string][]) => buildWeek(list.map(([at, value]) => ({ at, value })));

describe('the lead', () => {
	const day = steps([360, 'comfort'], [1320, 'eco']);

	it('is nothing at the time of need, and nothing where the control has optimum start', () => {
		expect(applyLead(day, noLead, setpoint).week).toBe(day);
		expect(applyLead(day, { ...fixed(45), school: 'control' }, setpoint).week).toBe(day);
	});

	it('brings rises forward, falls by the early stop, round Sunday too', () => {
		expect(applyLead(day, fixed(30), setpoint).week).toEqual(steps([330, 'comfort'], [1320, 'eco']));
		expect(applyLead(day, fixed(30, 20), setpoint).week).toEqual(steps([330, 'comfort'], [1300, 'eco']));
		const monday = steps([10, 'comfort'], [600, 'eco']);
		expect(applyLead(monday, fixed(30), setpoint).week).toEqual(
			steps([WEEK_MINUTES - 20, 'comfort'], [600, 'eco'])
		);
	});

	it('never reaches past the last fall, and says so', () => {
		const lunch = steps([360, 'comfort'], [720, 'eco'], [740, 'comfort'], [1320, 'eco']);
		const target = applyLead(lunch, fixed(30), setpoint);
		expect(target.week).toEqual(steps([330, 'comfort'], [1320, 'eco']));
		expect(target.short).toEqual([{ at: 740, givenMinutes: 20 }]);
	});

	it('merges leads that overlap: the warmest wins', () => {
		const stairs = steps([360, 'mid'], [380, 'comfort'], [1320, 'eco']);
		expect(applyLead(stairs, fixed(60), setpoint).week).toEqual(
			steps([300, 'mid'], [320, 'comfort'], [1320, 'eco'])
		);
	});

	it('never makes the week cooler than wanted, nor changes anything outside the leads', () => {
		const anyWeek = fc
			.array(
				fc.record({
					at: fc.integer({ min: 0, max: WEEK_MINUTES - 1 }),
					value: fc.constantFrom('frost', 'eco', 'mid', 'comfort')
				}),
				{ minLength: 1, maxLength: 20 }
			)
			.map((list) => buildWeek(list));
		fc.assert(
			fc.property(
				anyWeek,
				fc.integer({ min: 1, max: 200 }),
				fc.array(fc.integer({ min: 0, max: WEEK_MINUTES - 1 }), { minLength: 20, maxLength: 20 }),
				(week, minutes, probes) => {
					const target = applyLead(week, fixed(minutes), setpoint).week;
					for (const minute of probes) {
						const wanted = setpoint(valueAt(week, minute));
						const set = setpoint(valueAt(target, minute));
						expect(set).toBeGreaterThanOrEqual(wanted);
						const soon = Math.max(
							...Array.from({ length: minutes + 1 }, (_, i) => setpoint(valueAt(week, minute + i)))
						);
						expect(set).toBeLessThanOrEqual(soon);
					}
				}
			)
		);
	});
});
