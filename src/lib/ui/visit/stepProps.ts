import type { ControlProfile } from '$core/control';
import type { OnSite, Zone } from '$core/plan';

/** What every step of a visit at a control is given. */
export interface StepProps {
	readonly zone: Zone;
	readonly profile: ControlProfile;
	readonly onSite: OnSite;
	readonly set: <K extends keyof OnSite>(key: K, value: OnSite[K]) => void;
}
