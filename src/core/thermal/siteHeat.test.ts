import { describe, expect, it } from 'vitest';
import { findProfile } from '../control';
import { newZone, roomSchema, withWanted } from '../plan';
import { buildWeek } from '../week';
import {
	heatedBy,
	interlock,
	siteLoad,
	staggerInputs,
	staggerStarts,
	startsByDifferential,
	withStagger,
	type HeatedZone,
	type Limit,
	type Stagger
} from '.';

const stat = findProfile('six-step-room-stat')!;
const LOSS = 45;
const panel = (name: string, ratedW: number, need = 420): HeatedZone => {
	const room = roomSchema.parse({
		floorAreaM2: 18,
		heightM: 2.4,
		build: 'medium',
		loss: { by: 'figure', wattsPerKelvin: LOSS },
		emitter: { kind: 'electric-panel', ratedW }
	});
	const week = buildWeek(
		[0, 1, 2, 3, 4, 5, 6].flatMap((day) => [
			{ at: day * 1440 + need, value: 'comfort' },
			{ at: day * 1440 + 1320, value: 'eco' }
		])
	);
	return { id: name, zone: { ...withWanted(newZone(name, stat), week), room }, room, profile: stat };
};
const limit = (limitW: number | null): Limit => ({ limitW, windowMinutes: 15 });
const given = (zones: readonly HeatedZone[], stagger: Stagger, outdoorC: number) =>
	zones.map((one) => ({ ...one, zone: withStagger(one, stagger, outdoorC) }));
/** The same stagger with every rise of the zones moved by other minutes. */
const shifted = (stagger: Stagger, by: (zone: number, earlier: number) => number): Stagger => ({
	...stagger,
	zones: stagger.zones.map(({ id, rises }, z) => ({
		id,
		rises: rises.map((rise) => ({ ...rise, minutes: rise.minutes + by(z, rise.earlier) }))
	}))
});

describe('a site on one supply', () => {
	it('draws all it can when all start at once, and on average what its rooms lose', () => {
		const zones = ['A', 'B', 'C'].map((name) => panel(name, 1800));
		const load = siteLoad(zones, limit(4000), 0);
		expect([load.allW, load.peakW, load.atOnce]).toEqual([5400, 5400, 3]);
		expect(load.peakAt % 1440).toBeGreaterThan(390);
		expect(load.peakAt % 1440).toBeLessThan(480);
		expect(load.overMinutes).toBeGreaterThan(0);
		// what is expected adds up to the heat of the week, whatever it is spread over
		const expected =
			load.zones.reduce((sum, { powerW }) => sum + powerW.reduce((a, b) => a + b, 0), 0) / 12_000;
		expect(expected / load.kWh).toBeCloseTo(1, 2);
		// held at comfort day and night: loss times the difference, and a little more, because a panel warms the walls above the air
		const comfort = Math.max(...zones[0]!.zone.levels.map((level) => level.setpointC));
		expect(load.steadyW / (3 * LOSS * comfort)).toBeGreaterThan(1);
		expect(load.steadyW / (3 * LOSS * comfort)).toBeLessThan(1.06);
	});

	it('is brought under its limit by earlier starts alone, every room in time, and nothing is moved for nothing', () => {
		const zones = ['A', 'B', 'C', 'D', 'E', 'F'].map((name) => panel(name, 2000));
		expect(siteLoad(zones, limit(10500), 8).overMinutes).toBeGreaterThan(0);
		const stagger = staggerStarts(zones, limit(10500), 8);
		expect(stagger.meanUnder).toBe(true);
		const load = siteLoad(given(zones, stagger, 8), limit(10500), 8);
		expect(load.peakW).toBeLessThanOrEqual(10500);
		expect(load.zones.map(({ late }) => late)).toEqual(zones.map(() => []));
		const earlier = stagger.zones.map(({ rises }) => Math.max(...rises.map((rise) => rise.earlier)));
		expect(earlier.some((minutes) => minutes > 0)).toBe(true);
		expect(earlier.some((minutes) => minutes === 0)).toBe(true);
		for (const { rises } of stagger.zones)
			for (const rise of rises) expect(rise.minutes % 10, 'on the control’s step').toBe(0);
		earlier.forEach((minutes, z) => {
			if (minutes === 0) return;
			const back = shifted(stagger, (zone, more) => (zone === z ? -more : 0));
			expect(siteLoad(given(zones, back, 8), limit(10500 * 0.985), 8).overMinutes).toBeGreaterThan(0);
		});
	});

	it('finds starts under the limit wherever trying all of them, an hour apart, does', () => {
		const zones = [panel('A', 2000), panel('B', 1500, 400), panel('C', 1800, 450)];
		const hours = [0, 60, 120, 180, 240];
		let lost = 0;
		for (const [limitW, outdoorC] of [
			[4400, 2],
			[4800, -2],
			[3300, 5]
		] as const) {
			if (staggerStarts(zones, limit(limitW), outdoorC).meanUnder) continue;
			lost++;
			const base = staggerStarts(zones, limit(null), outdoorC);
			for (const a of hours)
				for (const b of hours)
					for (const c of hours) {
						const trial = given(
							zones,
							shifted(base, (z) => [a, b, c][z]!),
							outdoorC
						);
						expect(siteLoad(trial, limit(limitW * 0.985), outdoorC).overMinutes).toBeGreaterThan(0);
					}
		}
		expect(lost, 'limits that nothing keeps, so that the trial means something').toBeGreaterThan(0);
	}, 120_000);

	it('leaves a control alone that starts early by itself, and says when no starts can help', () => {
		const self: HeatedZone = { ...panel('Self', 2000), profile: findProfile('four-step-floor-stat')! };
		const zones = [self, panel('B', 2000), panel('C', 2000)];
		const stagger = staggerStarts(zones, limit(4600), 0);
		expect(given(zones, stagger, 0)[0]!.zone.lead).toEqual(self.zone.lead);
		expect(stagger.zones[0]!.rises.every((rise) => rise.earlier === 0)).toBe(true);
		expect(staggerStarts([panel('A', 2000), panel('B', 2000)], limit(900), 0).meanUnder).toBe(false);
	});

	it('tells the mean from the worst instant, and an interlock keeps even that under the limit, for earlier starts', () => {
		const zones = ['A', 'B', 'C', 'D', 'E', 'F', 'G', 'H', 'I'].map((name) => {
			const one = panel(name, 1200);
			const room = { ...one.room, loss: { by: 'figure' as const, wattsPerKelvin: 20 } };
			return { ...one, room, zone: { ...one.zone, room } };
		});
		const seven = limit(7000);
		// the mean of a quarter of an hour holds, and yet more than the five that 7 kW bears heat at one minute
		const stagger = staggerStarts(zones, seven, 10);
		const held = siteLoad(given(zones, stagger, 10), seven, 10);
		expect(held.peakW).toBeLessThanOrEqual(7000);
		expect(held.worstW).toBeGreaterThan(7000);
		expect(held.worstW).toBeCloseTo(held.atOnce * 1200, 6);
		const locked = interlock(zones, seven, 10)!;
		expect(locked.atMost).toBe(5);
		expect(locked.worstW).toBeLessThanOrEqual(7000);
		expect(locked.earlierMinutes).toBeGreaterThan(0);
		// with its starts every zone rises earlier by that, on its lead alone
		for (const { zone } of locked.zones)
			for (const lead of zone.lead.computed!.leads) expect(lead.earlier).toBe(locked.earlierMinutes);
		// nothing to lock where all may heat at once, nothing to be done where not even one may
		expect(interlock(zones, limit(11_000), 10)).toBeNull();
		expect(interlock(zones, limit(1000), 10)).toBeNull();
		expect(interlock(zones, limit(null), 10)).toBeNull();
	}, 120_000);

	it('counts a boiler’s starts: a wider differential gives fewer', () => {
		const wet = [1, 2, 3].map((i): HeatedZone => {
			const one = panel(`R${i}`, 1500, 390 + 10 * i);
			const room = { ...one.room, emitter: { ...one.room.emitter, kind: 'radiator' as const, waterC: 65 } };
			return { ...one, room, zone: { ...one.zone, room } };
		});
		const starts = startsByDifferential(wet, 5);
		expect(starts.map(({ differentialK }) => differentialK)).toEqual([0.3, 0.5, 1, 2]);
		expect(starts[3]!.startsPerDay).toBeLessThan(starts[0]!.startsPerDay);
		expect(heatedBy(wet, 'electric')).toEqual([]);
		expect(heatedBy(wet, 'water')).toHaveLength(3);
	});

	it('marks what it was computed from: another week or limit is another mark, a lead taken from it is not', () => {
		const zones = [panel('A', 2000), panel('B', 2000)];
		const mark = staggerInputs(zones, limit(3000), 0);
		const after = given(zones, staggerStarts(zones, limit(3000), 0), 0);
		expect(staggerInputs(after, limit(3000), 0)).toBe(mark);
		expect(staggerInputs(zones, limit(3100), 0)).not.toBe(mark);
		expect(staggerInputs([zones[0]!, panel('B', 2000, 430)], limit(3000), 0)).not.toBe(mark);
	});
});
