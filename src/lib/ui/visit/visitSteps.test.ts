import { describe, expect, it } from 'vitest';
import { testSetpoints } from '$core/checks';
import { findProfile, shippedProfiles } from '$core/control';
import { newZone, nothingNoted, roomSchema, TEST_STEPS } from '$core/plan';
import { boxesTogether } from '../zone/boxes';
import {
	delayLeft,
	nextTestStep,
	placeAfter,
	placeKept,
	stepsAt,
	testWords,
	VISIT_STEPS,
	type VisitPlace
} from './visitSteps';

/** The steps of zones each with a control of its own. */
const apart = (ids: readonly string[]) => stepsAt(ids.map((boxId) => ({ boxId })));

describe('the way through a visit', () => {
	it('leads through every step of every zone to the sign-off, and back the same way', () => {
		const steps = stepsAt([{ boxId: 'a' }, { boxId: 'b' }, { boxId: 'c' }]);
		const way: VisitPlace[] = [{ zone: 0, step: 'found' }];
		while (way.at(-1)!.step !== 'sign-off') way.push(placeAfter(way.at(-1)!, steps, 1));
		expect(way).toHaveLength(3 * VISIT_STEPS.length + 1);
		expect(placeAfter(way.at(-1)!, steps, 1)).toEqual(way.at(-1));
		const back = [way.at(-1)!];
		while (back.length < way.length) back.push(placeAfter(back.at(-1)!, steps, -1));
		expect(back.reverse()).toEqual(way.with(-1, { ...way.at(-1)!, step: 'sign-off' }));
		expect(placeAfter(way[0]!, steps, -1)).toEqual(way[0]);
	});

	it('does what belongs to a control once, however many zones hang on it, and tests each', () => {
		const order = boxesTogether([
			{ id: '1', boxId: 'p' },
			{ id: '2', boxId: 'stat' },
			{ id: '3', boxId: 'p' }
		]);
		expect(order.map(({ id }) => id)).toEqual(['1', '3', '2']);
		const steps = stepsAt(order);
		expect(steps[0]).toEqual(['found', 'settings', 'clock', 'key-in', 'test']);
		expect(steps[1]).toEqual(['test', 'leave']);
		expect(steps[2]).toEqual(VISIT_STEPS.map(([id]) => id));
		expect(placeAfter({ zone: 0, step: 'test' }, steps, 1)).toEqual({ zone: 1, step: 'test' });
		expect(placeAfter({ zone: 1, step: 'test' }, steps, -1)).toEqual({ zone: 0, step: 'test' });
		// kept at a step that its control has at another of its zones
		expect(placeKept({ zone: 0, step: 'clock', zoneId: '3' }, ['1', '3', '2'], steps)).toEqual({
			zone: 1,
			step: 'test'
		});
	});

	it('sets a control a few kelvin above what is shown now, then below, and never past a limit', () => {
		for (const profile of shippedProfiles)
			for (const shownC of [null, 4, 17.3, 24, 29.6]) {
				const floorRoom = roomSchema.parse({
					floorAreaM2: 10,
					heightM: 2.4,
					build: 'medium',
					loss: { by: 'figure', wattsPerKelvin: 30 },
					emitter: { kind: 'floor-cable', ratedW: 1000 },
					sensor: 'floor',
					finish: 'wood'
				});
				for (const room of profile.temperature ? [null, floorRoom] : [null])
					for (const unit of profile.temperature?.units ?? ['C' as const]) {
						const fresh = newZone('Z', profile);
						const zone = { ...fresh, room, options: { ...fresh.options, unit } };
						const onSite = { ...nothingNoted, roomC: room ? null : shownC, floorC: room ? shownC : null };
						const test = testSetpoints(zone, profile, onSite);
						const said = (step: 'raise' | 'lower') => testWords(step, zone, profile, onSite).does;
						if (!test) {
							expect([said('raise'), said('lower')]).toEqual(['Switch it on.', 'Switch it off.']);
							continue;
						}
						const most = Math.min(profile.temperature!.maxC, room ? 27 : Infinity);
						expect(test.mostC).toBeLessThanOrEqual(most);
						if (shownC === null) {
							expect(said('raise')).toContain(room ? 'the floor shows now, at most' : 'the room shows now');
							continue;
						}
						expect(test.raiseC).toBeLessThanOrEqual(most);
						if (test.raiseBy === 'sensed') expect(said('raise')).toMatch(/it cannot be tested now\.$/);
						else {
							expect(test.raiseC! - shownC).toBeGreaterThanOrEqual(1);
							expect(test.raiseC! - shownC).toBeLessThan(4.5);
						}
						if (test.lowerBy === 'sensed') expect(said('lower')).toMatch(/cannot be set far enough below/);
						else expect(shownC - test.lowerC!).toBeGreaterThanOrEqual(1);
						expect(said('raise')).not.toContain(unit === 'F' ? '°C' : '°F');
						expect(said('lower')).not.toContain(unit === 'F' ? '°C' : '°F');
					}
			}
		const plain = findProfile('plain-stat')!;
		expect(testWords('automatic', newZone('Z', plain), plain, nothingNoted).does).toBe(
			'Set it back to what was agreed.'
		);
		const stat = findProfile('six-step-room-stat')!;
		const words = (step: 'raise' | 'automatic' | 'warm', roomC: number | null) =>
			testWords(step, newZone('Z', stat), stat, { ...nothingNoted, roomC }).does;
		expect(words('raise', 18)).toBe('Set it to 21.0\u00a0°C, above the 18.0\u00a0°C of the room.');
		expect(words('automatic', 18)).toBe('Put it back on its program.');
		// a hot emitter is touched with care
		expect(words('warm', null)).toMatch(/with care: it may be hot/);
	});

	it('makes a call, and ends one, near the limits too: by a limit moved for the test, or by what is sensed', () => {
		const stat = findProfile('six-step-room-stat')!;
		const said = (step: 'raise' | 'lower' | 'automatic', roomC: number, settings: object) => {
			const zone = newZone('Z', stat);
			return testWords(step, { ...zone, settings: { ...zone.settings, ...settings } }, stat, {
				...nothingNoted,
				roomC
			}).does.replaceAll('\u00a0', ' ');
		};
		// 0.1 K over what is shown is no call on a good control
		expect(said('raise', 20.9, { highLimitC: 21 })).toBe(
			'Its maximum setpoint is 21.0 °C, which makes it uncertain: put that limit up to 24.0 °C for the test. Set it to 24.0 °C, above the 20.9 °C of the room.'
		);
		expect(said('automatic', 20.9, { highLimitC: 21 })).toBe(
			'Put it back on its program. Put its maximum setpoint back to 21.0 °C.'
		);
		expect(said('lower', 16.5, { lowLimitC: 16 })).toContain('Its minimum setpoint is 16.0 °C');
		expect(said('lower', 16.5, { lowLimitC: 16 })).toContain('Set it to 13.5 °C, below the 16.5 °C');
		expect(said('automatic', 18, { lowLimitC: 12, highLimitC: 24 })).toBe('Put it back on its program.');
		// at 4 °C the lowest setting never stops it
		expect(said('raise', 4, {})).toBe('Set it to 7.0 °C, above the 4.0 °C of the room.');
		expect(said('lower', 4, {})).toContain(
			'Set that, and warm its sensor with your hand until the call ends.'
		);
		const narrow = { kind: 'on-off', differentialK: 2.5 } as const;
		const room = roomSchema.parse({
			floorAreaM2: 12,
			heightM: 2.4,
			build: 'medium',
			loss: { by: 'figure', wattsPerKelvin: 30 },
			emitter: { kind: 'radiator', ratedW: 1200 },
			regulation: narrow
		});
		const wide = { ...newZone('Z', stat), room };
		const test = testSetpoints({ ...wide, settings: { ...wide.settings, highLimitC: 20 } }, stat, {
			...nothingNoted,
			roomC: 18
		})!;
		expect(test.raiseBy).toBe('limit');
	});

	it('waits out what a control holds back after its setpoint was raised', () => {
		const at = (minute: number) => new Date(Date.UTC(2026, 10, 25, 9, minute)).toISOString();
		const raised = [{ step: 'raise' as const, at: at(0), seen: true, readingC: null }];
		expect(nextTestStep([])).toBe('raise');
		expect(nextTestStep(raised)).toBe('call');
		expect(nextTestStep(TEST_STEPS.map((step) => ({ ...raised[0]!, step })))).toBeNull();
		expect(delayLeft([], 5, Date.parse(at(0)))).toBe(0);
		expect([0, 1, 4, 5, 60].map((minute) => delayLeft(raised, 5, Date.parse(at(minute))))).toEqual([
			300, 240, 60, 0, 0
		]);
		expect(delayLeft(raised, 0, Date.parse(at(0)))).toBe(0);
	});

	it('stays at its zone while others are added, moved and removed, and goes on where that is gone', () => {
		const place = { zone: 1, step: 'test', zoneId: 'b' } as const;
		expect(placeKept(place, ['x', 'a', 'b'], apart(['x', 'a', 'b']))).toEqual({ zone: 2, step: 'test' });
		expect(placeKept(place, ['a', 'c'], apart(['a', 'c']))).toEqual({ zone: 1, step: 'found' });
		expect(placeKept(place, ['a'], apart(['a']))).toEqual({ zone: 0, step: 'found' });
		expect(placeKept({ ...place, step: 'sign-off' }, ['a'], apart(['a']))).toEqual({
			zone: 0,
			step: 'sign-off'
		});
		// kept before zones were kept with it
		expect(placeKept({ zone: 7, step: 'leave' }, ['a', 'b'], apart(['a', 'b']))).toEqual({
			zone: 1,
			step: 'leave'
		});
		expect(placeKept(place, [], apart([]))).toEqual({ zone: 0, step: 'found' });
	});
});
