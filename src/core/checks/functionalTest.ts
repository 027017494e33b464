import { allowedOptions, heldSetpoint, type ControlProfile } from '../control';
import type { OnSite, Zone } from '../plan';
import { floorLimitOf } from '../thermal';

/** What a functional test sets a control to: a little above what it shows now, then a little below. */
export interface TestSetpoints {
	/** What is governed, as it was measured: the floor on its sensor, or the room; null where it was not. */
	readonly shownC: number | null;
	readonly governs: 'room' | 'floor';
	/** On the control's own scale; null where nothing was measured. */
	readonly raiseC: number | null;
	readonly lowerC: number | null;
	/** The highest that it may be set to for the test, and what says so. */
	readonly mostC: number;
	readonly mostBy: 'floor' | 'high-limit' | 'range';
	/** Whether what is governed is as warm already as it may be set: it must cool first. */
	readonly tooWarm: boolean;
}

/** A call for heat is certain this far above what is shown, whatever the differential, in K: common practice. */
export const TEST_STEP_K = 3;

/**
 * The setpoints of a functional test at a control that governs a temperature: {@link TEST_STEP_K} above and below what the
 * room or the floor shows now, on the control's own scale, never past its range, its high limit, or the limit of a heated
 * floor whose temperature it sets. Null on a control that only switches.
 */
export function testSetpoints(zone: Zone, profile: ControlProfile, onSite: OnSite): TestSetpoints | null {
	const { temperature } = profile;
	if (!temperature) return null;
	const options = allowedOptions(profile, zone.options);
	const floor = zone.room?.sensor === 'floor';
	const floorC = floor ? floorLimitOf(zone.room!) : null;
	const caps: { c: number; by: TestSetpoints['mostBy'] }[] = [
		{ c: temperature.maxC, by: 'range' },
		...(zone.settings.highLimitC === null
			? []
			: [{ c: zone.settings.highLimitC, by: 'high-limit' as const }]),
		...(floorC === null ? [] : [{ c: floorC, by: 'floor' as const }])
	];
	const cap = caps.reduce((a, b) => (b.c < a.c ? b : a));
	/** On the scale, and never past a limit by the rounding. */
	const held = (c: number) => heldSetpoint(profile, options, c, { lowC: null, highC: cap.c });
	const shownC = floor ? onSite.floorC : onSite.roomC;
	const raiseC = shownC === null ? null : held(shownC + TEST_STEP_K);
	return {
		shownC,
		governs: floor ? 'floor' : 'room',
		raiseC,
		lowerC: shownC === null ? null : held(shownC - TEST_STEP_K),
		mostC: held(cap.c),
		mostBy: cap.by,
		tooWarm: shownC !== null && raiseC! <= shownC
	};
}
