import fc from 'fast-check';
import { Temporal } from 'temporal-polyfill';
import { describe, expect, it } from 'vitest';
import { instantOf, wallAt, wallMinute } from '../civil';
import { findProfile } from '../control';
import {
	clockFromReadings,
	driftOfReadings,
	firstShowing,
	rightClock,
	shownAt,
	wallSegments,
	type ControlClock
} from './controlClock';

const BERLIN = 'Europe/Berlin';
const at = (local: string) => instantOf(BERLIN, wallMinute(local));
const byItself = findProfile('six-step-room-stat')!;
const byHand = findProfile('radio-stat')!;
const look = (date: string, errorSeconds: number, set = false, lost = false) => ({
	at: new Date(at(`${date}T12:00`)).toISOString(),
	errorSeconds,
	daysAhead: 0,
	set,
	lost
});
/** The instant in a span at which a clock first shows a local time. */
function showsAt(clock: ControlClock, local: string, from: string, to: string): number {
	const wall = wallMinute(local);
	for (const segment of wallSegments(BERLIN, clock, at(from), at(to))) {
		const ms = firstShowing(segment, wall);
		if (ms < segment.toMs) return ms;
	}
	throw new Error('never shown');
}

describe('the clock of a control', () => {
	it('set right and seldom looked at goes on drifting, as its last two looks tell', () => {
		expect(byItself.habits.clock.summerTime).not.toBe('by-hand');
		// two minutes behind after sixty days: two seconds a day, four minutes after another sixty
		const readings = [look('2026-01-01', 500, true), look('2026-03-02', -120)];
		expect(driftOfReadings(byItself, readings, BERLIN)!.secondsPerDay).toBeCloseTo(-2, 6);
		const clock = clockFromReadings(byItself, readings, BERLIN, at('2026-03-02T12:00'));
		const late = (local: string) =>
			(showsAt(clock, local, '2026-01-01T12:00', '2026-06-01T00:00') - at(local)) / 1000;
		expect(late('2026-01-01T12:01')).toBeCloseTo(0, 0);
		expect(late('2026-01-31T12:00')).toBeCloseTo(60, 0);
		expect(late('2026-05-01T12:00')).toBeCloseTo(240, 0);
		// how it went before the first look is not known
		expect(
			showsAt(clock, '2025-11-01T12:00', '2025-10-30T12:00', '2026-01-01T12:00') - at('2025-11-01T12:00')
		).toBe(0);
		// set again, it starts from right
		const again = clockFromReadings(byItself, [...readings, look('2026-05-01', -240, true)], BERLIN, 0);
		expect(again.driftSecondsPerDay).toBeCloseTo(-2, 2);
		expect(showsAt(again, '2026-05-01T12:01', '2026-05-01T12:00', '2026-06-01T00:00')).toBeCloseTo(
			at('2026-05-01T12:01'),
			-2
		);
		// one that had lost its time tells no drift
		expect(
			driftOfReadings(byItself, [look('2026-01-01', 0, true), look('2026-03-02', 0, false, true)], BERLIN)
		).toBeNull();
	});

	it('takes a missed change once: found an hour slow, it stays an hour slow, and does not drift', () => {
		const shown = (readings: Parameters<typeof clockFromReadings>[1], local: string) => {
			const clock = clockFromReadings(byHand, readings, BERLIN, at('2026-04-10T12:00'));
			const wall = shownAt(wallSegments(BERLIN, clock, at(local), at(local) + 1)[0]!, at(local));
			return `${String(Math.floor(wall / 60) % 24).padStart(2, '0')}:${String(wall % 60).padStart(2, '0')}`;
		};
		const missed = [look('2026-03-01', 0, true), look('2026-04-10', -3600)];
		expect(shown(missed, '2026-03-20T11:01')).toBe('11:01');
		expect(shown(missed, '2026-04-01T11:01')).toBe('10:01');
		expect(shown(missed, '2026-05-10T11:01')).toBe('10:01');
		// seen to be right after the change, somebody has changed it; in winter again it is an hour ahead
		const changed = [look('2026-03-01', 0, true), look('2026-04-10', 0)];
		expect(shown(changed, '2026-05-10T11:01')).toBe('11:01');
		expect(shown(changed, '2026-11-10T11:01')).toBe('12:01');
	});

	it('that follows summer time and is right shows what the tz database does, and one left alone the offset of the day it was set', () => {
		const right = rightClock(byItself, at('2026-01-01T12:00'));
		const left = rightClock(byHand, at('2026-01-01T12:00'));
		fc.assert(
			fc.property(fc.integer({ min: 0, max: 365 * 1440 }), (minutes) => {
				const ms = at('2026-01-01T12:00') + minutes * 60_000;
				const local = Temporal.Instant.fromEpochMilliseconds(ms).toZonedDateTimeISO(BERLIN);
				const shown = (clock: ControlClock) => shownAt(wallSegments(BERLIN, clock, ms, ms + 1)[0]!, ms);
				expect(shown(right)).toBe(wallMinute(local.toPlainDateTime().toString().slice(0, 16)));
				expect(shown(left)).toBe(shown(right) - (local.offset === '+02:00' ? 60 : 0));
			})
		);
	});

	it('goes in stretches without a gap, and first shows a minute when it had not before', () => {
		const reading = fc.record({
			day: fc.integer({ min: 0, max: 300 }),
			errorSeconds: fc.integer({ min: -4000, max: 4000 }),
			set: fc.boolean()
		});
		const from = at('2026-01-01T00:00');
		fc.assert(
			fc.property(
				fc.array(reading, { minLength: 1, maxLength: 5 }),
				fc.integer({ min: 0, max: 365 * 1440 }),
				fc.boolean(),
				(looks, minute, hand) => {
					const readings = looks.map(({ day, errorSeconds, set }) => ({
						at: new Date(from + day * 86_400_000).toISOString(),
						errorSeconds,
						daysAhead: 0,
						set,
						lost: false
					}));
					const clock = clockFromReadings(hand ? byHand : byItself, readings, BERLIN, from);
					const to = from + 365 * 86_400_000;
					const segments = wallSegments(BERLIN, clock, from, to);
					expect([segments[0]!.fromMs, segments.at(-1)!.toMs]).toEqual([from, to]);
					const wall = wallAt(BERLIN, from) + minute;
					for (const [i, segment] of segments.entries()) {
						if (i > 0) expect(segment.fromMs).toBe(segments[i - 1]!.toMs);
						const ms = firstShowing(segment, wall);
						expect(shownAt(segment, ms)).toBeGreaterThanOrEqual(wall);
						if (ms > segment.fromMs) expect(shownAt(segment, ms - 1)).toBeLessThan(wall);
					}
				}
			)
		);
	});
});
