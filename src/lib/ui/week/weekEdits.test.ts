import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findProfile, timeStep } from '$core/control';
import { newZone, wantedWeek, withWanted, zoneSchema, type Zone } from '$core/plan';
import { buildWeek, valueAt } from '$core/week';
import {
	dayCopied,
	dayShapes,
	middleOfTread,
	placeAfterMove,
	riserAdded,
	riserAt,
	riserCleared,
	riserMoved,
	risersOf,
	steppedLevel,
	treadSet
} from './weekEdits';

const stat = findProfile('six-step-room-stat')!;
const STEP = timeStep(stat);
const blank = newZone('Hall', stat);
const LEVELS = blank.levels.map((level) => level.id);

/** A zone with any week on the control's raster. */
const zones = fc
	.array(fc.tuple(fc.nat(10_080 / STEP - 1), fc.constantFrom(...LEVELS)), { minLength: 1, maxLength: 20 })
	.map((risers) => withWanted(blank, buildWeek(risers.map(([n, value]) => ({ at: n * STEP, value })))));
/** A zone with one of its risers. */
const risers = fc
	.tuple(zones, fc.nat(), fc.nat())
	.filter(([zone, day]) => risersOf(zone, day % 7).length > 0)
	.map(([zone, day, n]) => {
		const all = risersOf(zone, day % 7);
		const { riser, minute } = all[n % all.length]!;
		return { zone, place: { day: day % 7, riser }, minute };
	});
const minutes = (zone: Zone, day: number) => risersOf(zone, day).map((riser) => riser.minute);
/** Every ten minutes of a stretch of the week. */
const read = (zone: Zone, from: number, to: number) => {
	const week = wantedWeek(zone);
	return Array.from({ length: Math.ceil((to - from) / STEP) }, (_, i) => valueAt(week, from + i * STEP));
};

describe('an edit of the drawn week', () => {
	it('moves a riser no further than its neighbours and touches nothing beyond them', () => {
		fc.assert(
			fc.property(risers, fc.integer({ min: -300, max: 1800 }), ({ zone, place, minute }, to) => {
				const aim = Math.round(to / STEP) * STEP;
				const moved = riserMoved(zone, place, aim, STEP);
				expect(zoneSchema.safeParse(moved).success).toBe(true);
				const at = placeAfterMove(moved, place);
				const now = risersOf(moved, at.day).find((one) => one.riser === at.riser);
				const others = minutes(zone, place.day).filter((one) => one !== minute);
				const before = Math.max(0, ...others.filter((one) => one < minute));
				const after = Math.min(1440, ...others.filter((one) => one > minute));
				if (now) {
					expect(now.minute % STEP).toBe(0);
					expect(now.minute).toBeGreaterThanOrEqual(before);
					expect(now.minute).toBeLessThanOrEqual(after);
				}
				const day = place.day * 1440;
				expect(read(moved, day, day + before)).toEqual(read(zone, day, day + before));
				expect(read(moved, day + after, day + 1440)).toEqual(read(zone, day + after, day + 1440));
			})
		);
	});

	it('moved there and back is as it was, where nothing was in the way', () => {
		fc.assert(
			fc.property(risers, ({ zone, place, minute }) => {
				const others = minutes(zone, place.day).filter((one) => one !== minute);
				const free = !others.some((one) => Math.abs(one - minute) <= 2 * STEP);
				fc.pre(free && minute > 2 * STEP && minute < 1440 - 2 * STEP);
				const there = riserMoved(zone, place, minute + STEP, STEP);
				expect(there).not.toEqual(zone);
				expect(wantedWeek(riserMoved(there, placeAfterMove(there, place), minute, STEP))).toEqual(
					wantedWeek(zone)
				);
			})
		);
	});

	it('adds a change that shows, which cleared again leaves the week as it was', () => {
		fc.assert(
			fc.property(
				zones,
				fc.nat(6),
				fc.integer({ min: 1, max: 143 }),
				fc.constantFrom(...LEVELS),
				(zone, day, n, level) => {
					const minute = n * STEP;
					fc.pre(!minutes(zone, day).includes(minute));
					const added = riserAdded(zone, day, minute, level);
					const place = riserAt(added, day, minute);
					expect(place).not.toBeNull();
					expect(minutes(added, day)).toContain(minute);
					// what stands before it stays, on this day and on all others before
					expect(read(added, day * 1440, day * 1440 + minute)).toEqual(
						read(zone, day * 1440, day * 1440 + minute)
					);
					const cleared = riserCleared(added, place!);
					expect(minutes(cleared, day)).not.toContain(minute);
					expect(zoneSchema.safeParse(cleared).success).toBe(true);
				}
			)
		);
	});

	it('gives a stretch a level, and no other', () => {
		fc.assert(
			fc.property(risers, fc.constantFrom(...LEVELS), ({ zone, place, minute }, level) => {
				const set = treadSet(zone, place.day, place.riser, level);
				const end = Math.min(1440, ...minutes(zone, place.day).filter((one) => one > minute));
				const day = place.day * 1440;
				expect(new Set(read(set, day + minute, day + end))).toEqual(new Set([level]));
				expect(read(set, day, day + minute)).toEqual(read(zone, day, day + minute));
				expect(middleOfTread(zone, place, STEP) % STEP).toBe(0);
			})
		);
	});

	it('copies a day so that the others look like it, once and for all', () => {
		fc.assert(
			fc.property(zones, fc.nat(6), fc.uniqueArray(fc.nat(6)), (zone, from, onto) => {
				const copied = dayCopied(zone, from, onto);
				const shapes = dayShapes(copied).map((shape) => JSON.stringify(shape));
				for (const day of onto) expect(shapes[day]).toBe(shapes[from]);
				expect(wantedWeek(dayCopied(copied, from, onto))).toEqual(wantedWeek(copied));
			})
		);
	});

	it('steps through the levels by warmth, to either end', () => {
		const byWarmth = [...blank.levels].sort((a, b) => a.setpointC - b.setpointC).map(({ id }) => id);
		for (const [i, id] of byWarmth.entries()) {
			expect(steppedLevel(blank, id, 1)).toBe(byWarmth[i + 1] ?? null);
			expect(steppedLevel(blank, id, -1)).toBe(byWarmth[i - 1] ?? null);
		}
	});
});
