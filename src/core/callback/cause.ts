import type { ControlProfile, Program } from '../control';
import type { Asking } from '../house';
import type { OnSite, Zone } from '../plan';
import type { QuestionId } from './facts';

/** What can be the matter. */
export const CAUSE_KINDS = [
	'clock-off',
	'weekday-off',
	'left-manual',
	'left-off',
	'left-away',
	'factory-week',
	'day-not-copied',
	'step-slip',
	'starts-early',
	'source-later',
	'source-off',
	'no-radio',
	'receiver-held',
	'no-power',
	'locked',
	'limit',
	'sensor',
	'offset',
	'changeover',
	'slow-room',
	'weak-emitter',
	'somebody-changed',
	'override-ended',
	'boost',
	'channel-off',
	'water-first',
	'sensor-low',
	'blockage',
	'cycle-rate',
	'comfort',
	'no-fault',
	'other'
] as const;
export type CauseKind = (typeof CAUSE_KINDS)[number];

/** A cause with its changed world: when the heating runs and when the room is warm in it, and what would be answered. */
export interface Cause {
	readonly id: string;
	readonly kind: CauseKind;
	/** Minutes by which its clock is ahead, days by which its weekday is; the day that holds the day before (1 to 7), or ten times the first of the days that hold what another is meant to have, and that (a hundred more: one day alone); of a slip see {@link slipOf}. */
	readonly figure: number;
	/** Weight before anything was said: the trade's own frequency (common practice, from memory), and what the record tells. */
	readonly prior: number;
	/** By slot of the week: 1 while the heating runs. */
	readonly heats: Uint8Array;
	/** By slot of the week: 1 while the room is warm. */
	readonly warm: Uint8Array;
	/** By slot of the week: how warm it is asked to be, from 0 (the lowest that is asked for) to 1 (the highest). */
	readonly levels: Float64Array;
	/** What its display says it is set to: the range in °C, by slot of the week; null where it shows none. */
	readonly setC: ((slot: number) => readonly [from: number, to: number]) | null;
	/** How likely anything that is felt or seen of its week is said where nobody can tell which week it runs, from 0 to 1; null where its world tells. */
	readonly anyWeek: number | null;
	/** What is answered to a question where this is the matter; any answer as likely as another where it is not named. */
	readonly answers: { readonly [Id in QuestionId]?: string | undefined };
}

/** What is known of a zone whose household calls. */
export interface CalledZone {
	readonly zone: Zone;
	readonly profile: ControlProfile;
	readonly program: Program;
	readonly onSite: OnSite;
	/** What lets its source run, where a control does; null without. */
	readonly governor: Asking | null;
	/** Outside on the days that were spoken of, in °C. */
	readonly outdoorC: number;
	/** Minutes by which a clock that is changed by hand, and was not, is ahead by now; 0 where none is missed. */
	readonly missedChangeMinutes: number;
}
