import { z } from 'zod';
import { oneLine } from '../schema';
import { OPTION_IDS } from './operation';

export const keyId = z
	.string()
	.max(24)
	.regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'must be lower-case letters and figures joined by hyphens');
export const print = (most: number) => oneLine(most).refine((text) => text !== '', 'needs words');

/** One thing that a hand does at a panel. */
export const gestureSchema = z.discriminatedUnion('do', [
	z.strictObject({ do: z.literal('press'), key: keyId, times: z.int().min(1).max(60).default(1) }),
	/** One key, or up to three together, held for so many seconds. */
	z.strictObject({
		do: z.literal('hold'),
		keys: z.array(keyId).min(1).max(3),
		seconds: z.int().min(1).max(30)
	}),
	/** A key tapped while others are held; those do nothing when they are let go. */
	z.strictObject({ do: z.literal('tap'), key: keyId, held: z.array(keyId).min(1).max(2) }),
	/** A slide or dial put to one of its positions. */
	z.strictObject({ do: z.literal('set'), key: keyId, to: print(16) })
]);
export type PanelGesture = z.infer<typeof gestureSchema>;

/** The keys that a gesture touches. */
export const keysOf = (gesture: PanelGesture): readonly string[] =>
	gesture.do === 'hold'
		? gesture.keys
		: gesture.do === 'tap'
			? [...gesture.held, gesture.key]
			: [gesture.key];

/** What an absence is asked for: its setpoint; days away; the first and the last day; the return. Taking the last of them begins it. */
export const AWAY_FIELDS = [
	'away-setpoint',
	'away-days',
	'first-month',
	'first-day',
	'last-month',
	'last-day',
	'back-month',
	'back-day',
	'back-hour',
	'back-minute'
] as const;
export type AwayField = (typeof AWAY_FIELDS)[number];
/** Whether a field of a place belongs to an absence. */
export const isAwayField = (field: string): field is AwayField =>
	(AWAY_FIELDS as readonly string[]).includes(field);

/** The fields of a clock; its time as hour and minute or as one; the date of one that knows its weekday by it. */
export const CLOCK_FIELDS = [
	'clock-day',
	'clock-hour',
	'clock-minute',
	'clock-time',
	'clock-year',
	'clock-month',
	'clock-date'
] as const;

/** What stands in a place that is no program: options, setpoints kept for the week, the clock, an absence. */
export const PLACE_FIELDS = [
	...OPTION_IDS,
	'setpoints',
	'setpoint',
	'cool-setpoint',
	...CLOCK_FIELDS,
	...AWAY_FIELDS
] as const;
/** A field of a place, or an entry of the control's own menus by its id. */
export const placeFieldSchema = z.union([
	z.enum(PLACE_FIELDS),
	z.templateLiteral(['menu/', z.string().regex(/^[a-z0-9]+(-[a-z0-9]+)*$/)])
]);
export type PlaceField = z.infer<typeof placeFieldSchema>;
/** The entry of the control's menus that a field of a place is; null for a field that every control has. */
export const entryOfField = (field: PlaceField): string | null =>
	field.startsWith('menu/') ? field.slice('menu/'.length) : null;

/** What somebody of the household does at rest. */
export const HAND_ACTS = ['boost', 'hold', 'advance', 'away', 'toggle'] as const;
export type HandAct = (typeof HAND_ACTS)[number];
