import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { z } from 'zod';
import { shippedProfiles, type ControlProfile } from '$core/control';
import {
	clockRequest,
	clockResponse,
	computeRequest,
	fitResponse,
	keyInResponse,
	resolveRequest,
	resolveResponse,
	roomRequest,
	simulateResponse,
	timelineRequest,
	timelineResponse,
	warmUpResponse,
	type Problem
} from '$core/formats';
import { newZone, roomSchema, withWanted, zoneSchema, type Zone } from '$core/plan';
import { buildWeek } from '$core/week';
import { computeFit, computeKeyIn } from './zone';
import { computeWarmUp, computeSimulate } from './room';
import { computeClock, computeResolve, computeTimeline } from './run';

type Made = { value: unknown } | { problem: Problem };
/** Every computing operation: what it takes, gives, and answers. */
function operations(zone: Zone, outdoorC: number): [string, z.ZodType, () => Made][] {
	const place = { zone, timeZone: 'Europe/Berlin' };
	return [
		['fit', fitResponse, () => computeFit(computeRequest.parse({ zone }))],
		['key-in', keyInResponse, () => computeKeyIn(computeRequest.parse({ zone }))],
		[
			'resolve',
			resolveResponse,
			() => computeResolve(resolveRequest.parse({ ...place, at: '2026-03-29T02:30', roomC: 18 }))
		],
		[
			'timeline',
			timelineResponse,
			() =>
				computeTimeline(timelineRequest.parse({ ...place, from: '2026-03-27T00:00', to: '2026-04-02T00:00' }))
		],
		['clock', clockResponse, () => computeClock(clockRequest.parse(place), Date.UTC(2026, 2, 1))],
		['warm-up', warmUpResponse, () => computeWarmUp(roomRequest.parse({ zone, outdoorC }))],
		['simulate', simulateResponse, () => computeSimulate(roomRequest.parse({ zone, outdoorC }))]
	];
}

const anyRoom = fc
	.record({
		build: fc.constantFrom('very-light', 'medium', 'very-heavy'),
		kind: fc.constantFrom('radiator', 'electric-panel', 'floor-cable', 'wet-floor', 'towel-rail'),
		sensor: fc.constantFrom('air', 'floor', 'air-with-floor-guard'),
		ratedW: fc.integer({ min: 200, max: 4000 })
	})
	.map(({ build, kind, sensor, ratedW }) =>
		roomSchema.parse({
			floorAreaM2: 20,
			heightM: 2.5,
			build,
			loss: { by: 'figure', wattsPerKelvin: 60 },
			emitter: { kind, ratedW, waterC: 45 },
			sensor: kind === 'floor-cable' || kind === 'wet-floor' ? sensor : 'air'
		})
	);
const anySteps = fc.array(
	fc.record({ at: fc.integer({ min: 0, max: 10_079 }), pick: fc.integer({ min: 0, max: 2 }) }),
	{ minLength: 1, maxLength: 24 }
);
/** A zone of a profile with a random week, room and options. */
const anyZone = (profile: ControlProfile) =>
	fc
		.record({
			steps: anySteps,
			room: anyRoom,
			fahrenheit: fc.boolean(),
			plain: fc.boolean(),
			channel: fc.integer({ min: 0, max: 1 }),
			lift: fc.integer({ min: -20, max: 20 })
		})
		.map(({ steps, room, fahrenheit, plain, channel, lift }): Zone => {
			const fresh = newZone('Any', profile);
			const levels = fresh.levels.map((level) =>
				profile.temperature ? { ...level, setpointC: level.setpointC + lift / 10 } : level
			);
			const byMinute = new Map(steps.map(({ at, pick }) => [at, levels[pick % levels.length]!.id]));
			const week = buildWeek([...byMinute].map(([at, value]) => ({ at, value })));
			return zoneSchema.parse({
				...withWanted({ ...fresh, levels }, week),
				room,
				options: {
					...fresh.options,
					unit: fahrenheit && profile.temperature?.units.includes('F') ? 'F' : fresh.options.unit,
					plain: plain && profile.canBePlain,
					channel
				}
			});
		});

describe('every computing operation', () => {
	it.each(shippedProfiles.map((profile) => [profile.id, profile] as const))(
		'answers %s by its own schema, whatever the week',
		(_, profile) => {
			fc.assert(
				fc.property(anyZone(profile), fc.integer({ min: -15, max: 18 }), (zone, outdoorC) => {
					for (const [name, schema, make] of operations(zone, outdoorC)) {
						const made = make();
						expect('problem' in made ? made.problem : null, name).toBeNull();
						const read = schema.safeParse('value' in made ? made.value : null);
						expect(read.error?.issues ?? [], name).toEqual([]);
					}
				}),
				{ numRuns: 8 }
			);
		}
	);
});

describe('every end of what may be asked', () => {
	const instants = [
		'0000-01-01',
		'0001-01-01',
		'1582-10-15',
		'1970-01-01',
		'2038-01-19',
		'2200-12-31',
		'9999-12-31'
	];
	const zones = [
		'UTC',
		'Europe/Berlin',
		'Australia/Lord_Howe',
		'America/New_York',
		'Africa/Casablanca',
		'Pacific/Apia'
	];
	const times = instants.flatMap((date) => [`${date}T00:00`, `${date}T23:59`]);
	const profiles = [...shippedProfiles];

	it('is answered by its schema or refused in words, never a failure', () => {
		let answered = 0;
		let refused = 0;
		const hold = (
			name: string,
			schema: z.ZodType,
			request: z.ZodType,
			asked: unknown,
			make: (body: never) => Made
		) => {
			const body = request.safeParse(asked);
			if (!body.success) return void refused++;
			const made = make(body.data as never);
			if ('problem' in made) {
				expect(made.problem.sentence, name).toMatch(/^[A-Z"].*\.$/);
				return void refused++;
			}
			expect(schema.safeParse(made.value).error?.issues ?? [], name).toEqual([]);
			answered++;
		};
		for (const [i, timeZone] of zones.entries())
			for (const [j, at] of times.entries()) {
				const profile = profiles[(i * times.length + j) % profiles.length]!;
				const zone = newZone('Any', profile);
				for (const withoutPowerMinutes of [0, 1_000_000])
					for (const instant of [`${at}:00Z`, `${at}:59+14:00`, `${at}:00-12:00`])
						hold(
							'clock',
							clockResponse,
							clockRequest,
							{ zone, timeZone, at: instant, withoutPowerMinutes },
							(body) => computeClock(body, Date.UTC(2026, 2, 1))
						);
				for (const roomC of [-40, 60, undefined])
					hold('resolve', resolveResponse, resolveRequest, { zone, timeZone, at, roomC }, computeResolve);
				const year = Number(at.slice(0, 4));
				for (const to of [
					times[(j + 1) % times.length]!,
					`${String(Math.min(9999, year + 2)).padStart(4, '0')}-12-31T23:59`
				])
					hold(
						'timeline',
						timelineResponse,
						timelineRequest,
						{ zone, timeZone, from: at, to },
						computeTimeline
					);
			}
		expect(answered).toBeGreaterThan(200);
		expect(refused).toBeGreaterThan(20);
	}, 120_000);
});
