import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findProfile } from '$core/control';
import { fitZone } from '$core/fit';
import { newZone, wantedWeek, withWanted, type Zone } from '$core/plan';
import { buildWeek, splitByDay, valueAt } from '$core/week';
import { heightScale, minuteAt, misfitRects, stepPath, timeX } from '$core/drawing';
import {
	dayCopied,
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
import { drawnWeek, weekScale } from './weekRows';

const stat = findProfile('six-step-room-stat')!;
const zone = withWanted(
	newZone('Loft', stat),
	buildWeek(
		[0, 1, 2, 3, 4].flatMap((d) => [
			{ at: d * 1440 + 360, value: 'comfort' },
			{ at: d * 1440 + 1260, value: 'eco' }
		])
	)
);
const at = (z: Zone, minute: number) => valueAt(wantedWeek(z), minute);

describe('the height scale', () => {
	it('is broken under 14 °C, warmer is higher, and all stays inside', () => {
		fc.assert(
			fc.property(
				fc.uniqueArray(fc.integer({ min: 5, max: 30 }), { minLength: 1, maxLength: 8 }),
				(setpoints) => {
					const scale = heightScale(setpoints, 50);
					const sorted = [...setpoints].sort((a, b) => a - b);
					sorted.forEach((c, i) => {
						expect(scale.y(c)).toBeGreaterThan(0);
						expect(scale.y(c)).toBeLessThan(50);
						if (i > 0) expect(scale.y(c)).toBeLessThan(scale.y(sorted[i - 1]!));
						expect(scale.nearest(scale.y(c), setpoints)).toBe(c);
					});
					expect(scale.breakAt !== null).toBe(sorted[0]! < 14 && sorted.at(-1)! >= 14);
				}
			)
		);
	});

	it('and the time axis turn pixels and minutes into each other on the step', () => {
		fc.assert(
			fc.property(fc.integer({ min: 0, max: 144 }), fc.integer({ min: 300, max: 1600 }), (tens, width) => {
				expect(minuteAt(timeX(tens * 10, width), width, 10)).toBe(tens * 10);
			})
		);
		expect(minuteAt(-40, 500, 10)).toBe(0);
		expect(minuteAt(900, 500, 10)).toBe(1440);
	});

	it('draws a step line and the rectangles between two of them', () => {
		const y = (c: number) => 100 - c;
		const wanted = [
			{ from: 0, to: 720, value: 16 },
			{ from: 720, to: 1440, value: 20 }
		];
		expect(stepPath(wanted, 144, y)).toBe('M0,84L72,84L72,80L144,80L144,80');
		const held = [
			{ from: 0, to: 780, value: 16 },
			{ from: 780, to: 1440, value: 20 }
		];
		expect(misfitRects(wanted, held, 144, y)).toEqual([{ x: 72, y: 80, width: 6, height: 4, cold: true }]);
	});
});

describe('edits on the drawn week', () => {
	it('move a riser between its neighbours, the one at midnight into its day', () => {
		expect(at(riserMoved(zone, { day: 0, riser: 1 }, 300, 10), 300)).toBe('comfort');
		expect(risersOf(riserMoved(zone, { day: 0, riser: 1 }, 2000, 10), 0)[0]!.minute).toBe(1250);
		const late = treadSet(zone, 6, 0, 'comfort');
		expect(risersOf(late, 0)[0]).toEqual({ riser: 0, minute: 0 });
		const moved = riserMoved(late, { day: 0, riser: 0 }, 90, 10);
		expect([at(moved, 89), at(moved, 90)]).toEqual(['comfort', 'eco']);
		expect(placeAfterMove(moved, { day: 0, riser: 0 })).toEqual({ day: 0, riser: 1 });
	});

	it('add a change that always shows, and clear it again', () => {
		expect(at(riserAdded(zone, 2, 120, 'eco'), 2 * 1440 + 130)).toBe('comfort');
		const added = riserAdded(zone, 2, 120, 'frost');
		expect(at(added, 2 * 1440 + 130)).toBe('frost');
		const place = riserAt(added, 2, 120)!;
		expect(wantedWeek(riserCleared(added, place))).toEqual(wantedWeek(zone));
		expect(middleOfTread(zone, { day: 0, riser: 1 }, 10)).toBe(810);
	});

	it('step through levels by warmth, and copy days', () => {
		expect([
			steppedLevel(zone, 'eco', 1),
			steppedLevel(zone, 'eco', -1),
			steppedLevel(zone, 'comfort', 1)
		]).toEqual(['comfort', 'frost', null]);
		const copied = dayCopied(zone, 0, [5, 6]);
		expect(splitByDay(wantedWeek(copied))[6]).toEqual(splitByDay(wantedWeek(zone))[0]);
	});
});

describe('the drawn week', () => {
	it('says for each day what is off, or that it is like another', () => {
		const even = drawnWeek(zone, stat, fitZone(zone, stat), 600, 50);
		expect(even.days.map((day) => day.says.text)).toEqual([
			'fits',
			'as Mon',
			'as Mon',
			'as Mon',
			'as Mon',
			'fits',
			'as Sat'
		]);
		const odd = { ...treadSet(zone, 2, 1, 'frost'), grouping: '5-2' };
		const week = drawnWeek(odd, stat, fitZone(odd, stat), 600, 50);
		expect(week.days[2]!.says).toEqual({ text: '15 h warm', kind: 'warm' });
		expect(week.days[2]!.misfit).toHaveLength(1);
		expect(week.days[0]!.misfit).toEqual([]);
	});

	it('draws the target line only where a lead makes it another', () => {
		expect(drawnWeek(zone, stat, null, 600, 50).days[0]!.targetLine).toBe('');
		const led = { ...zone, lead: { ...zone.lead, school: 'fixed' as const, minutes: 30 } };
		const day = drawnWeek(led, stat, fitZone(led, stat), 1440, 50).days[0]!;
		expect(day.targetLine).toMatch(/^M0,[\d.]+L330,/);
		expect(day.line).toMatch(/^M0,[\d.]+L360,/);
		expect(day.says.kind).toBe('fine');
	});

	it('drawn after another is as drawn by itself; the days of which nothing changed are the very same', () => {
		const week = fc.array(
			fc.record({
				at: fc.integer({ min: 0, max: 1007 }).map((ten) => ten * 10),
				value: fc.constantFrom('comfort', 'eco', 'frost')
			}),
			{ minLength: 1, maxLength: 20 }
		);
		fc.assert(
			fc.property(
				week,
				week,
				fc.constantFrom(zone.levels, [...zone.levels].reverse()),
				(one, other, levels) => {
					const first = withWanted(zone, buildWeek(one));
					const second = { ...withWanted(zone, buildWeek(other)), levels };
					const scale = weekScale(zone.levels, stat, 50);
					const before = drawnWeek(first, stat, fitZone(first, stat), 600, 50, scale);
					const after = drawnWeek(second, stat, fitZone(second, stat), 600, 50, scale, before);
					expect(after).toEqual(drawnWeek(second, stat, fitZone(second, stat), 600, 50, scale));
					const again = drawnWeek({ ...second }, stat, fitZone(second, stat), 600, 50, scale, after);
					again.days.forEach((day, i) => expect(day).toBe(after.days[i]));
				}
			),
			{ numRuns: 25 }
		);
	});

	it('draws a corridor for a control that also cools', () => {
		const both = findProfile('heat-and-cool-stat')!;
		const office = withWanted(
			newZone('Office', both),
			buildWeek([
				{ at: 480, value: 'comfort' },
				{ at: 1080, value: 'eco' }
			])
		);
		const [monday] = drawnWeek(office, both, fitZone(office, both), 600, 50).days;
		expect(monday!.coolLine).not.toBe('');
		expect(monday!.heldCoolLine).toBe(monday!.coolLine);
	});
});
