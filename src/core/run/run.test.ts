import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { instantOf, wallMinute } from '../civil';
import {
	factoryOptions,
	findProfile,
	shippedProfiles,
	startingLevels,
	type ControlProfile
} from '../control';
import { fitZone } from '../fit';
import { newZone, settingsSchema, withWanted, type Exception, type Settings } from '../plan';
import { buildWeek, WEEK_MINUTES } from '../week';
import {
	aheadOf,
	planAbsence,
	prepareRun,
	resolve,
	rightClock,
	timeline,
	type ControlClock,
	type Prepared,
	type RunSpan
} from '.';

const ZONE = 'Europe/Berlin';
const at = (local: string, zone = ZONE) => instantOf(zone, wallMinute(local));
const profileOf = (id: string) => findProfile(id)!;
/** The starts of stretches whose setpoint differs from the one before: spare events that repeat it are passed over. */
const changes = (spans: readonly RunSpan[]) =>
	spans.filter((span, i) => span.heatC !== spans[i - 1]?.heatC).map((span) => [utc(span.fromMs), span.heatC]);
const utc = (ms: number) => new Date(ms).toISOString().slice(0, 16);

/** A control that holds, every day: eco 16 from 22:00, comfort 20 from 06:00 (or on and off at those times). */
function prepared(
	id: string,
	more: {
		exceptions?: Exception[];
		settings?: Partial<Settings>;
		clock?: ControlClock;
		profile?: ControlProfile;
		timeZone?: string;
		times?: readonly [string, string];
	} = {}
): Prepared {
	const profile = more.profile ?? profileOf(id);
	const levels = startingLevels(profile);
	const [on, off] = (more.times ?? ['06:00', '22:00']).map((time) => wallMinute(`2026-01-01T${time}`) % 1440);
	const zone = withWanted(
		newZone('Z', profile),
		buildWeek(
			[0, 1, 2, 3, 4, 5, 6].flatMap((day) => [
				{ at: day * 1440 + on!, value: levels[0]!.id },
				{ at: day * 1440 + off!, value: levels[1]!.id }
			])
		)
	);
	return prepareRun({
		profile,
		options: factoryOptions(profile),
		levels,
		program: fitZone(zone, profile).chosen.program,
		settings: settingsSchema.parse(more.settings ?? {}),
		exceptions: more.exceptions ?? [],
		timeZone: more.timeZone ?? ZONE,
		clock: more.clock ?? rightClock(profile, at('2026-01-10T12:00'))
	});
}

const now = (run: Prepared, local: string) => {
	const state = resolve(run, at(local));
	const ahead = aheadOf(run, at(local));
	return { c: state.heatC, by: state.by, until: ahead.now.toMs, next: ahead.next?.heatC ?? null };
};

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
	const away = (id: string, leave: string, back: string) =>
		planAbsence(profileOf(id), { leave, back }, words);
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
					const plan = planAbsence(profile, { leave: local(leaveAt), back: local(leaveAt + length) }, words);
					if (plan.toWall === null) return;
					const capped = plan.conflicts.some((one) => one.includes('counts to'));
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
		const set = (atMs: number) => ({ atMs, errorSeconds: 0, set: true });
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
			anchors: [{ atMs: at('2026-01-01T00:00'), errorSeconds: -600, set: false }],
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
							anchors: [{ atMs: at('2026-03-01T00:00', timeZone), errorSeconds, set: !follows }],
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
