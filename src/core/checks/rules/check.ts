import type { ControlProfile } from '../../control';
import type { Misfit } from '../../fit';
import type { Gap } from '../../house';
import type { KeyingStanding } from '../../keying';
import { usedLevels, type Exception, type Occupant, type OnSite, type Zone } from '../../plan';
import type { AwayFacts, ClockFacts } from '../../run';

/** How much a check weighs: it stops the sign-off, wants a look, or is worth knowing. */
export type Severity = 'stop' | 'look' | 'note';

/** The view of a zone where something is mended. */
export type MendView = 'week' | 'key-in' | 'read-back' | 'clock' | 'proof' | 'away' | 'visit';

/** What a rule finds, by the rule. Temperatures in °C, differences in K, lengths of time in minutes, heights in m. */
export type Found =
	| { readonly id: 'keyed-missing'; readonly left: number; readonly of: number }
	| { readonly id: 'unread'; readonly read: number; readonly toRead: number }
	| { readonly id: 'test-missing'; readonly standing: 'missing' | 'under-way' }
	| {
			readonly id: 'test-missing';
			readonly standing: 'failed';
			readonly step: OnSite['test'][number]['step'] | null;
	  }
	| { readonly id: 'left-in'; readonly leftIn: OnSite['leftIn'] }
	| { readonly id: 'left-standing'; readonly away: Extract<AwayFacts, { kind: 'endless' }> }
	| { readonly id: 'unpaired' | 'control-outside' | 'lock-code' | 'lock-missing' | 'fan' | 'stored-program' }
	| { readonly id: 'undrawn' | 'floor-finish' | 'double-lead' | 'lead-stale' }
	| { readonly id: 'settings-changed'; readonly what: 'unit' | 'grouping' }
	| { readonly id: 'power-density'; readonly isWattsPerM2: number; readonly mostWattsPerM2: number }
	| { readonly id: 'floor-limit'; readonly setC: number; readonly limitC: number }
	| { readonly id: 'setback'; readonly depthK: number }
	| { readonly id: 'comfort-high'; readonly setC: number; readonly mostC: number }
	/** The lowest level in use where that is too low; null where frost protection is switched off. */
	| { readonly id: 'frost'; readonly lowestC: number | null; readonly leastC: number }
	| { readonly id: 'high-limit'; readonly limitC: number; readonly setC: number; readonly binds: boolean }
	| {
			readonly id: 'frail';
			readonly who: OnSite['occupants'];
			/** What of its plan goes there. */
			readonly by: 'week' | Exception['kind'];
			/** Null where it is switched off. */
			readonly setC: number | null;
			readonly leastC: number;
	  }
	/** The stretches in which it asks for warmth and its source may not run. */
	| { readonly id: 'unfed'; readonly source: string; readonly gaps: readonly Gap[] }
	/** What governs its source is switched off. */
	| { readonly id: 'source-off'; readonly source: string; readonly governor: string }
	/** What governs its source is planned to be away, switched off, from a local time to another. */
	| {
			readonly id: 'source-away';
			readonly source: string;
			readonly governor: string;
			readonly leave: string;
			readonly back: string;
	  }
	| { readonly id: 'misfit'; readonly coldMinutes: number; readonly warmMinutes: number }
	| { readonly id: 'clock'; readonly clock: ClockFacts }
	/** The day of the next change, `YYYY-MM-DD`. */
	| { readonly id: 'summer-time'; readonly date: string }
	/** The day on which they were due, `YYYY-MM-DD`; null where it is not known when they were fitted. */
	| { readonly id: 'batteries'; readonly due: string | null }
	| { readonly id: 'sensor-place'; readonly troubles: OnSite['sensorTroubles'] }
	| { readonly id: 'sensor-place'; readonly heightM: number }
	| { readonly id: 'hot-water'; readonly storeC: number | null; readonly leastC: number }
	| { readonly id: 'differential'; readonly isK: number; readonly leastK: number }
	/** By how much the control reads under the thermometer; over it is negative. */
	| { readonly id: 'offset'; readonly leftK: number };

/** Something that was forgotten or is out of the usual, how much it weighs, and where it is mended. */
export type Finding = Found & { readonly severity: Severity; readonly view: MendView };

/** What feeds a zone, by its name, and the zone that governs it. */
export interface Fed {
	readonly source: string;
	/** The stretches in which the zone asks for warmth and its source may not run. */
	readonly gaps: readonly Gap[];
	readonly governor: Pick<Zone, 'name' | 'exceptions'> & {
		readonly id: string;
		/** What its control was left in, as far as that was noted. */
		readonly leftIn: OnSite['leftIn'];
	};
}

/** Everything that is known of a zone when it is checked. */
export interface Checked extends KeyingStanding {
	readonly zone: Zone;
	readonly profile: ControlProfile;
	readonly onSite: OnSite;
	/** Who lives or works on its site. */
	readonly livesHere: readonly Occupant[];
	/** Whether this firm signs off only what was read back. */
	readonly readBackStops: boolean;
	readonly misfit: Pick<Misfit, 'coldMinutes' | 'warmMinutes'>;
	/** What feeds it, what governs that, and when it asks in vain; left out where nothing governs what feeds it. */
	readonly unfed?: Fed | undefined;
	readonly timeZone: string;
	readonly nowMs: number;
}

/** One rule: what it finds, or null. */
export type Rule = (checked: Checked) => Finding | null;

/** The setpoints in use, warmest first, in °C; none on a switch. */
export function used({ zone, profile }: Checked): number[] {
	if (!profile.temperature) return [];
	const ids = usedLevels(zone);
	return zone.levels
		.filter((level) => ids.has(level.id))
		.map((level) => level.setpointC)
		.sort((a, b) => b - a);
}
