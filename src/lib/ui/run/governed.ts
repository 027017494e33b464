import { wallAt } from '$core/civil';
import type { ControlProfile, Program } from '$core/control';
import type { Zone } from '$core/plan';
import { resolve, runOfZone } from '$core/run';
import type { WeekSteps } from '$core/week';
import { waitsAt } from '$core/words';

/** What governs the source of a zone, with what it is to hold. */
export interface Governor {
	readonly zone: Zone;
	readonly profile: ControlProfile;
	readonly program: Program;
}

/**
 * What a zone waits for at a moment, in a sentence, by what the control that governs its source does then; null where it does not wait, or
 * nothing governs its source. `setpointC` is what its own control holds.
 */
export function waitsForGovernor(
	feeding: { readonly source: string; readonly governor: string; readonly may: WeekSteps<boolean> } | null,
	governor: Governor | null | undefined,
	zone: { readonly held: WeekSteps<number>; readonly isSwitch: boolean },
	setpointC: number | null,
	{ timeZone, nowMs, atMs }: { readonly timeZone: string; readonly nowMs: number; readonly atMs: number }
): string | null {
	if (!feeding || !governor) return null;
	const run = runOfZone(governor.zone, governor.profile, governor.program, { timeZone, nowMs });
	const governs = { state: resolve(run, atMs), isSwitch: governor.profile.temperature === null };
	return waitsAt(feeding, zone, setpointC, governs, wallAt(timeZone, atMs));
}
