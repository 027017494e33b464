import { findProfile, type ControlProfile } from '$core/control';
import type { Zone } from '$core/plan';

/** The profile of a zone's control; the first shipped one if the site has lost it, so that the zone still opens. */
export function profileOf(zone: Pick<Zone, 'control'>, own: readonly ControlProfile[]): ControlProfile {
	return findProfile(zone.control, own) ?? findProfile('six-step-room-stat')!;
}
