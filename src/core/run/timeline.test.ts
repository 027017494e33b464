import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { wallMinute } from '../civil';
import { shippedProfiles } from '../control';
import { fitZone } from '../fit';
import { newZone, settingsSchema, withWanted, type Exception } from '../plan';
import { buildWeek, WEEK_MINUTES } from '../week';
import { prepareRun, resolve, rightClock, timeline, type ControlClock } from '.';
import { at, changes, prepared, profileOf, utc } from '../../../tests/support/preparedRun';

describe('clock changes', () => {
	const times = ['02:30', '22:00'] as const;

	it('an event inside the skipped hour acts at the jump', () => {
		const spans = timeline(
			prepared('radio-stat', { times, clock: { ...rightClock(profileOf('radio-stat'), 0), follows: true } }),
			at('2026-03-28T23:00'),
			at('2026-03-29T12:00')
		);
		expect(changes(spans)).toEqual([
			['2026-03-28T22:00', 16],
			['2026-03-29T01:00', 20]
		]);
	});

	it('in the repeated hour the wall clock decides', () => {
		const spans = timeline(
			prepared('six-step-room-stat', { times }),
			at('2026-10-25T00:00'),
			at('2026-10-25T12:00')
		);
		// on at 02:30 summer time, back to before it when 03:00 turns into 02:00, on again at 02:30
		expect(changes(spans)).toEqual([
			['2026-10-24T22:00', 16],
			['2026-10-25T00:30', 20],
			['2026-10-25T01:00', 16],
			['2026-10-25T01:30', 20]
		]);
	});

	it('a clock changed by hand is an hour out until someone sets it', () => {
		const profile = profileOf('radio-stat');
		const set = (atMs: number) => ({ atMs, errorSeconds: 0 });
		const clock: ControlClock = {
			follows: false,
			anchors: [set(at('2026-03-01T12:00')), set(at('2026-04-02T09:00'))],
			driftSecondsPerDay: 0
		};
		const run = prepared('radio-stat', { clock });
		const wakes = (date: string) =>
			timeline(run, at(`${date}T03:00`), at(`${date}T12:00`)).find((span) => span.heatC === 20)!.fromMs;
		expect(wakes('2026-03-28')).toBe(at('2026-03-28T06:00'));
		expect(wakes('2026-03-29')).toBe(at('2026-03-29T07:00'));
		expect(wakes('2026-04-02')).toBe(at('2026-04-02T07:00'));
		expect(wakes('2026-04-03')).toBe(at('2026-04-03T06:00'));
		const late = {
			follows: true,
			anchors: [{ atMs: at('2026-01-01T00:00'), errorSeconds: -600 }],
			driftSecondsPerDay: -6
		};
		// ten minutes behind, and six seconds more every day: eleven after ten days
		const behind = prepared('radio-stat', { clock: late });
		const rise = timeline(behind, at('2026-01-11T00:00'), at('2026-01-11T12:00')).find(
			(span) => span.heatC === 20
		)!;
		// by 06:11 the clock has lost another second and a half
		expect((rise.fromMs - at('2026-01-11T06:11')) / 1000).toBeCloseTo(1.6, 0);
		expect(profile.habits.clock.summerTime).toBe('by-hand');
	});
});

describe('the timeline', () => {
	const zones = ['Europe/Berlin', 'America/New_York', 'Australia/Lord_Howe', 'Asia/Kolkata', 'Europe/London'];
	const local = fc
		.integer({ min: wallMinute('2026-03-20T00:00'), max: wallMinute('2026-04-12T00:00') })
		.map((wall) => new Date(wall * 60_000).toISOString().slice(0, 16));
	const setpointC = fc.integer({ min: 10, max: 26 });
	const later = (from: string, minutes: number) =>
		new Date(Date.parse(`${from}:00Z`) + minutes * 60_000).toISOString().slice(0, 16);
	const exception = fc
		.record({
			from: local,
			setpointC,
			kind: fc.constantFrom(
				'override',
				'advance',
				'hold',
				'boost',
				'manual',
				'off',
				'absence',
				'special-day',
				'special-like'
			),
			length: fc.integer({ min: 30, max: 6000 })
		})
		.map(({ from, setpointC: c, kind, length }): Exception => {
			const id = `${from}${kind}${length}`;
			const until = later(from, length);
			switch (kind) {
				case 'override':
					return { kind, id, from, setpointC: c };
				case 'advance':
					return { kind, id, from };
				case 'boost':
					return { kind, id, from, steps: 1 + (length % 5), setpointC: c };
				case 'hold':
				case 'manual':
					return { kind, id, from, until: length % 3 === 0 ? until : later(from, 700), setpointC: c };
				case 'off':
					return { kind, id, from, until };
				case 'absence':
					return { kind, id, leave: from, back: until, setpointC: c, note: '' };
				case 'special-like':
					return { kind: 'special-day', id, date: from.slice(0, 10), runs: { like: length % 7 }, note: '' };
				default:
					return { kind: 'special-day', id, date: from.slice(0, 10), runs: { level: 'eco' }, note: '' };
			}
		});

	it('is what stepping through every minute would give, over clock changes and with clocks that are off', () => {
		const everything = shippedProfiles.filter(
			(profile) => profile.temperature && profile.program.form !== 'plain'
		);
		const all = {
			...profileOf('six-step-room-stat').habits,
			hold: profileOf('heat-and-cool-stat').habits.hold,
			advance: profileOf('two-channel-programmer').habits.advance,
			specialDays: profileOf('plant-clock').habits.specialDays,
			earlyStartMostMinutes: 90
		};
		fc.assert(
			fc.property(
				fc.record({
					profile: fc.constantFrom(...everything).map((profile) => ({
						...profile,
						habits: { ...all, holiday: profile.habits.holiday },
						startsEarly: profile.id.length % 2 === 0
					})),
					steps: fc.array(
						fc.record({
							at: fc.integer({ min: 0, max: WEEK_MINUTES - 1 }),
							value: fc.constantFrom('comfort', 'eco', 'frost')
						}),
						{ minLength: 2, maxLength: 20 }
					),
					exceptions: fc.uniqueArray(exception, {
						maxLength: 8,
						selector: (one) => (one.kind === 'special-day' ? one.date : one.id)
					}),
					timeZone: fc.constantFrom(...zones),
					follows: fc.boolean(),
					errorSeconds: fc.integer({ min: -4000, max: 4000 }),
					highLimitC: fc.option(fc.integer({ min: 15, max: 22 })),
					start: local
				}),
				({ profile, steps, exceptions, timeZone, follows, errorSeconds, highLimitC, start }) => {
					const zone = withWanted(newZone('Z', profile), buildWeek(steps));
					const run = prepareRun({
						profile,
						options: zone.options,
						levels: zone.levels,
						program: fitZone(zone, profile).chosen.program,
						settings: settingsSchema.parse({ highLimitC, earlyStartMinutes: 40 }),
						exceptions,
						timeZone,
						clock: {
							follows,
							anchors: [{ atMs: at('2026-03-01T00:00', timeZone), errorSeconds }],
							driftSecondsPerDay: 0
						}
					});
					const from = at(start, timeZone);
					const to = from + 3 * 86_400_000;
					const spans = timeline(run, from, to);
					expect(spans[0]!.fromMs).toBe(from);
					expect(spans.at(-1)!.toMs).toBe(to);
					let i = 0;
					for (let ms = from; ms < to; ms += 60_000) {
						while (spans[i]!.toMs <= ms) {
							expect(spans[i + 1]!.fromMs).toBe(spans[i]!.toMs);
							i++;
						}
						const { heatC, coolC, by, exception: ruling } = resolve(run, ms);
						const span = spans[i]!;
						if (heatC !== span.heatC || coolC !== span.coolC || by !== span.by || ruling !== span.exception)
							expect({ at: utc(ms), heatC, coolC, by, ruling }).toEqual({
								at: utc(ms),
								heatC: span.heatC,
								coolC: span.coolC,
								by: span.by,
								ruling: span.exception
							});
					}
				}
			),
			{ numRuns: 20 }
		);
	});
});
