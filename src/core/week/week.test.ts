import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	addRiser,
	buildWeek,
	clearRiser,
	clockTime,
	constantWeek,
	copyDay,
	dayRange,
	duration,
	firstAlike,
	joinDays,
	mapWeek,
	moveRiser,
	paint,
	sameWeek,
	setTread,
	spansOf,
	splitByDay,
	valueAt,
	WEEK_MINUTES,
	withDay,
	zipSpans,
	type WeekSteps
} from '.';

const anyWeek = fc
	.array(
		fc.record({ at: fc.integer({ min: 0, max: WEEK_MINUTES - 1 }), value: fc.integer({ min: 5, max: 25 }) }),
		{
			minLength: 1,
			maxLength: 40
		}
	)
	.map((steps) => buildWeek(steps));
const anyMinute = fc.integer({ min: -20_000, max: 30_000 });
const anyDay = fc.integer({ min: 0, max: 6 });

/** The same function written out minute by minute, without any of the code under test. */
function byMinute(week: WeekSteps<number>): number[] {
	const minutes: number[] = [];
	let value = week.at(-1)!.value;
	for (let minute = 0; minute < WEEK_MINUTES; minute++) {
		const step = week.find((candidate) => candidate.at === minute);
		if (step) value = step.value;
		minutes.push(value);
	}
	return minutes;
}

describe('step functions over the week', () => {
	it('repeat weekly, before the first step of Monday too', () => {
		fc.assert(
			fc.property(anyWeek, anyMinute, (week, minute) => {
				expect(valueAt(week, minute)).toBe(valueAt(week, minute + WEEK_MINUTES));
			})
		);
		expect(
			valueAt(
				buildWeek([
					{ at: 600, value: 'C' },
					{ at: 9000, value: 'E' }
				]),
				10
			)
		).toBe('E');
	});

	it('are canonical: rebuilding from any covering spans gives the same steps', () => {
		fc.assert(
			fc.property(anyWeek, (week) => {
				expect(buildWeek(spansOf(week).map((s) => ({ at: s.from, value: s.value })))).toEqual(week);
				expect(joinDays(splitByDay(week))).toEqual(week);
			})
		);
		expect(
			buildWeek([
				{ at: 5, value: 1 },
				{ at: 5, value: 2 },
				{ at: 90, value: 2 }
			])
		).toEqual([{ at: 0, value: 2 }]);
		expect(() => buildWeek([])).toThrow(RangeError);
	});

	it('reads at any minute what stands there when it is written out', () => {
		fc.assert(
			fc.property(anyWeek, (week) => {
				const written = byMinute(week);
				expect(written.map((_, minute) => valueAt(week, minute))).toEqual(written);
			}),
			{ numRuns: 20 }
		);
	});

	it('zip and map as their values do', () => {
		fc.assert(
			fc.property(anyWeek, anyWeek, anyMinute, (a, b, minute) => {
				const m = ((minute % WEEK_MINUTES) + WEEK_MINUTES) % WEEK_MINUTES;
				const span = zipSpans(a, b).find((s) => s.from <= m && m < s.to)!;
				expect(span.value).toEqual([valueAt(a, m), valueAt(b, m)]);
				expect(
					valueAt(
						mapWeek(a, (v) => v > 15),
						m
					)
				).toBe(valueAt(a, m) > 15);
			})
		);
	});

	it('copy a day and leave the others as they were', () => {
		fc.assert(
			fc.property(anyWeek, anyDay, anyDay, (week, from, onto) => {
				const before = splitByDay(week);
				const after = splitByDay(copyDay(week, from, [onto]));
				expect(after[onto]).toEqual(before[from]);
				for (let day = 0; day < 7; day++) if (day !== onto) expect(after[day]).toEqual(before[day]);
			})
		);
	});

	it('tell like days apart from unlike ones', () => {
		expect(firstAlike(constantWeek('E'))).toEqual([0, 0, 0, 0, 0, 0, 0]);
		const week = withDay(constantWeek('E'), 3, [
			{ from: 0, to: 300, value: 'E' },
			{ from: 300, to: 1440, value: 'C' }
		]);
		expect(firstAlike(week)).toEqual([0, 0, 0, 3, 0, 0, 0]);
	});
});

describe('editing a drawn day', () => {
	const edit = fc.record({
		day: anyDay,
		at: fc.integer({ min: 0, max: 1439 }),
		value: fc.integer({ min: 5, max: 25 })
	});

	it('changes that day and no other', () => {
		fc.assert(
			fc.property(
				anyWeek,
				edit,
				fc.constantFrom('move', 'set', 'add', 'clear', 'paint'),
				(week, { day, at, value }, kind) => {
					const days = splitByDay(week);
					const shape = days[day]!;
					const riser = shape.length - 1;
					if ((kind === 'move' || kind === 'clear') && riser < 1) return;
					const changed =
						kind === 'move'
							? moveRiser(shape, riser, at, 10)
							: kind === 'set'
								? setTread(shape, riser, value)
								: kind === 'add'
									? addRiser(shape, at, value)
									: kind === 'clear'
										? clearRiser(shape, riser)
										: paint(shape, at, at + 50, value);
					const after = splitByDay(withDay(week, day, changed));
					for (let other = 0; other < 7; other++)
						if (other !== day) expect(after[other]).toEqual(days[other]);
					expect(after[day]![0]!.from).toBe(0);
					expect(after[day]!.at(-1)!.to).toBe(1440);
				}
			)
		);
	});

	it('keeps a dragged riser between its neighbours', () => {
		const shape = [
			{ from: 0, to: 300, value: 16 },
			{ from: 300, to: 600, value: 20 },
			{ from: 600, to: 1440, value: 16 }
		];
		expect(moveRiser(shape, 1, 900, 10)[1]).toEqual({ from: 590, to: 600, value: 20 });
		expect(moveRiser(shape, 2, -50, 10)[2]).toEqual({ from: 310, to: 1440, value: 16 });
	});

	it('clears a change so that the one before runs on', () => {
		const shape = [
			{ from: 0, to: 300, value: 16 },
			{ from: 300, to: 600, value: 20 },
			{ from: 600, to: 1440, value: 12 }
		];
		expect(clearRiser(shape, 2)).toEqual([
			{ from: 0, to: 300, value: 16 },
			{ from: 300, to: 1440, value: 20 }
		]);
	});
});

describe('words for times', () => {
	it('are what a person says', () => {
		expect(clockTime(1440)).toBe('24:00');
		expect(duration(220)).toBe('3 h 40');
		expect(duration(60)).toBe('1 h');
		expect(dayRange([0, 1, 2, 3, 4])).toBe('Mon–Fri');
		expect(dayRange([5, 6, 1])).toBe('Tue, Sat, Sun');
		expect(sameWeek(constantWeek(1), constantWeek(1))).toBe(true);
	});
});
