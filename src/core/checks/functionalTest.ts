import { allowedOptions, heldSetpoint, type ControlProfile } from '../control';
import type { OnSite, Zone } from '../plan';
import { floorLimitOf } from '../thermal';

/**
 * How the call for heat is brought about or ended: by the setpoint; by it once a limit of the control is moved for the test and put back
 * after it; or not by any setting just now, so that what is sensed must become cooler or warmer.
 */
export type TestWay = 'set' | 'limit' | 'sensed';

/** What a functional test sets a control to: a little above what it shows now, then a little below. */
export interface TestSetpoints {
	/** What is governed, as it was measured: the floor on its sensor, or the room; null where it was not. */
	readonly shownC: number | null;
	readonly governs: 'room' | 'floor';
	/** On the control's own scale; null where nothing was measured. */
	readonly raiseC: number | null;
	readonly lowerC: number | null;
	readonly raiseBy: TestWay;
	readonly lowerBy: TestWay;
	/** The highest that it may be set to for the test, and what says so; and the lowest. */
	readonly mostC: number;
	readonly mostBy: 'floor' | 'high-limit' | 'range';
	readonly leastC: number;
}

/** How far above what is shown a control is set, in K: common practice. */
export const TEST_STEP_K = 3;

/** A call is certain this far from what is shown, in K, or a whole differential where that is more: common practice. */
const CERTAIN_K = 1;

/**
 * The setpoints of a functional test at a control that governs a temperature: {@link TEST_STEP_K} above and below what the
 * room or the floor shows now, on the control's own scale, never past its range, its limits, or the limit of a heated
 * floor whose temperature it sets; where that makes no certain call, or ends none, how else. Null on a control that only switches.
 */
export function testSetpoints(zone: Zone, profile: ControlProfile, onSite: OnSite): TestSetpoints | null {
	const { temperature } = profile;
	if (!temperature) return null;
	const options = allowedOptions(profile, zone.options);
	const floor = zone.room?.sensor === 'floor';
	const floorC = floor ? floorLimitOf(zone.room!) : null;
	const { highLimitC, lowLimitC } = zone.settings;
	const caps: { c: number; by: TestSetpoints['mostBy'] }[] = [
		{ c: temperature.maxC, by: 'range' },
		...(floorC === null ? [] : [{ c: floorC, by: 'floor' as const }])
	];
	const free = caps.reduce((a, b) => (b.c < a.c ? b : a));
	const cap =
		highLimitC !== null && highLimitC < free.c ? { c: highLimitC, by: 'high-limit' as const } : free;
	/** On the scale, and never past a limit by the rounding. */
	const held = (c: number, highC: number, lowC: number | null) =>
		heldSetpoint(profile, options, c, { lowC, highC });
	const shownC = floor ? onSite.floorC : onSite.roomC;
	const by = zone.room?.regulation;
	const certainK = Math.max(CERTAIN_K, by?.kind === 'on-off' ? by.differentialK : 0) - 1e-9;
	/** The setpoint within the limits, else without those that can be moved, else neither will do. */
	const reach = (wantedC: number, isFar: (c: number) => boolean): readonly [number, TestWay] => {
		const within = held(wantedC, cap.c, lowLimitC);
		if (isFar(within)) return [within, 'set'];
		const beyond = held(wantedC, free.c, null);
		return isFar(beyond) ? [beyond, 'limit'] : [within, 'sensed'];
	};
	const [raiseC, raiseBy] =
		shownC === null ? ([null, 'set'] as const) : reach(shownC + TEST_STEP_K, (c) => c - shownC >= certainK);
	const [lowerC, lowerBy] =
		shownC === null ? ([null, 'set'] as const) : reach(shownC - TEST_STEP_K, (c) => shownC - c >= certainK);
	return {
		shownC,
		governs: floor ? 'floor' : 'room',
		raiseC,
		raiseBy,
		lowerC,
		lowerBy,
		mostC: held(cap.c, cap.c, null),
		mostBy: cap.by,
		leastC: held(temperature.minC, cap.c, lowLimitC)
	};
}
