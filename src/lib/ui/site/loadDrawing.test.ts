import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { SiteLoad } from '$core/thermal';
import { loadDay, loadScale, loadSteps } from './loadDrawing';

const withPeak = (peakW: number) => ({ peakW }) as SiteLoad;

describe('the drawing of a load', () => {
	it('has room for every load and for the limit, and few round ticks', () => {
		fc.assert(
			fc.property(
				fc.array(fc.double({ min: 0, max: 500_000, noNaN: true }), { maxLength: 3 }),
				fc.option(fc.double({ min: 100, max: 500_000, noNaN: true })),
				(peaks, limitW) => {
					const { y, ticks } = loadScale(peaks.map(withPeak), limitW, 200);
					for (const w of [0, ...peaks, limitW ?? 0]) {
						expect(y(w)).toBeGreaterThanOrEqual(0);
						expect(y(w)).toBeLessThanOrEqual(200);
					}
					expect(y(0)).toBe(200);
					expect(ticks.length).toBeGreaterThanOrEqual(2);
					expect(ticks.length).toBeLessThanOrEqual(6);
					const step = ticks[1]!;
					expect([1, 2, 5]).toContain(Number(step.toExponential()[0]));
					expect(ticks).toEqual(ticks.map((_, i) => i * step));
				}
			)
		);
	});

	it('goes through every slot of the day at its height, level stretches in one go', () => {
		const week = Array.from({ length: 7 * 288 }, (_, i) => Math.floor(i / 12) * 10);
		const day = loadDay(week, 2);
		expect(day).toHaveLength(288);
		expect([day[0], day.at(-1)]).toEqual([480, 710]);
		const path = loadSteps(day, 576, (w) => 1000 - w, false);
		expect(path.startsWith('M0 520.0H24.0V510.0')).toBe(true);
		expect(path.match(/V/g)).toHaveLength(23);
		expect(path.endsWith('H576')).toBe(true);
		expect(loadSteps([5, 5], 10, (w) => 10 - w, true)).toBe('M0 5.0H10V10H0Z');
	});
});
