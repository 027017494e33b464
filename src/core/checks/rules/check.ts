import { allowedOptions, limitWords, setpointWithUnit, type ControlProfile } from '../../control';
import type { Misfit } from '../../fit';
import type { Keyed } from '../../keying';
import { unitOf, usedLevels, type OnSite, type Zone } from '../../plan';

/** How much a check weighs: it stops the sign-off, wants a look, or is worth knowing. */
export type Severity = 'stop' | 'look' | 'note';

/** Something that was forgotten or is out of the usual, and where it is mended. */
export interface Check {
	/** The rule, and under it what is overruled. */
	readonly id: string;
	readonly severity: Severity;
	readonly sentence: string;
	/** What to do, and the view of the zone where it is done. */
	readonly mend: {
		readonly words: string;
		readonly view: 'week' | 'key-in' | 'read-back' | 'clock' | 'proof' | 'away' | 'visit';
	};
}

/** Everything that is known of a zone when it is checked. */
export interface Checked {
	readonly zone: Zone;
	readonly profile: ControlProfile;
	readonly onSite: OnSite;
	readonly keyed: Keyed;
	readonly done: number;
	readonly of: number;
	/** Groups of days read back from the display as planned, and groups in all. */
	readonly read: number;
	readonly toRead: number;
	/** Whether this firm signs off only what was read back. */
	readonly readBackStops: boolean;
	readonly misfit: Pick<Misfit, 'coldMinutes' | 'warmMinutes'>;
	readonly groupingName: string;
	readonly timeZone: string;
	readonly nowMs: number;
}

/** One rule: what it finds, or null. */
export type Rule = (checked: Checked) => Check | null;

/** What is mended on the visit's page. */
export const visit = (words: string) => ({ words, view: 'visit' as const });

/** A setpoint in a zone's own figures. */
export const say = ({ zone, profile }: Checked, c: number) =>
	setpointWithUnit(profile, allowedOptions(profile, zone.options), c);
/** A threshold in a zone's own figures, on its safe side. */
export const limit = ({ zone, profile }: Checked, c: number, side: 'most' | 'least') =>
	limitWords(unitOf(zone, profile), c, side);

/** The setpoints in use, warmest first, in °C; none on a switch. */
export function used({ zone, profile }: Checked): number[] {
	if (!profile.temperature) return [];
	const ids = usedLevels(zone);
	return zone.levels
		.filter((level) => ids.has(level.id))
		.map((level) => level.setpointC)
		.sort((a, b) => b - a);
}
