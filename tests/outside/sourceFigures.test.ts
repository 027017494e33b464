/**
 * Boilers and heat pumps against published figures. All from memory: EN 15316-4-1 (2008), annex for condensing boilers; EN 14825 rating points
 * of air-to-water heat pumps of the better kind as their data sheets state them, for a pump rated 4.5 at 7 °C outside and 35 °C flow.
 */
import { describe, expect, it } from 'vitest';
import { boilerEfficiency, flowFor, performanceAt } from '../../src/core/thermal';

describe('what makes heat, against published figures (from memory)', () => {
	it('a condensing boiler: 6 to 8 % better at 30 °C return than at 60 °C (EN 15316-4-1; part-load tests of EN 15502)', () => {
		const [hot, cool] = [boilerEfficiency(0.97, 60), boilerEfficiency(0.97, 30)];
		expect(hot).toBeCloseTo(0.97, 9);
		expect(cool / hot).toBeGreaterThan(1.055);
		expect(cool / hot).toBeLessThan(1.085);
		// no colder water helps any more, and none makes it worse than its hottest
		expect(boilerEfficiency(0.97, 5)).toBe(boilerEfficiency(0.97, 25));
		expect(boilerEfficiency(0.97, 95)).toBe(boilerEfficiency(0.97, 80));
	});

	it('a heat pump of 4.5 at A7/W35 at the other rating points, within 12 %', () => {
		const points = [
			{ outdoorC: 2, flowC: 35, performance: 3.6 },
			{ outdoorC: -7, flowC: 35, performance: 2.9 },
			{ outdoorC: 7, flowC: 45, performance: 3.5 },
			{ outdoorC: 7, flowC: 55, performance: 2.8 },
			{ outdoorC: -7, flowC: 55, performance: 2.05 }
		];
		expect(performanceAt(4.5, 7, 35)).toBeCloseTo(4.5, 9);
		for (const { outdoorC, flowC, performance } of points) {
			const ratio = performanceAt(4.5, outdoorC, flowC) / performance;
			expect(Math.abs(ratio - 1), `A${outdoorC}/W${flowC}`).toBeLessThan(0.12);
		}
	});

	it('about 2.5 % of performance for every kelvin of hotter water (common practice: 2 to 3 %)', () => {
		const perK = 1 - performanceAt(4.5, 2, 41) / performanceAt(4.5, 2, 40);
		expect(perK).toBeGreaterThan(0.018);
		expect(perK).toBeLessThan(0.032);
	});

	it('a radiator at half its output needs about 59 % of its excess temperature (EN 442, exponent 1.3)', () => {
		expect((flowFor(0.5, 70, 1.3) - 20) / 50).toBeCloseTo(0.5 ** (1 / 1.3), 9);
		expect(flowFor(1, 55, 1.3)).toBe(55);
		expect(flowFor(0, 55, 1.3)).toBe(20);
	});
});
