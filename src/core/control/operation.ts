import { z } from 'zod';
import { oneLine } from '../schema';

const how = oneLine(200).refine((text) => text !== '', 'needs words');

/** The options of a control's own menus that a plan sets before its week. */
export const OPTION_IDS = ['unit', 'clock', 'grouping', 'per-day', 'plain'] as const;
export type OptionId = (typeof OPTION_IDS)[number];

/** What is lost when an option is changed, or the control reset. */
export const WIPES = ['nothing', 'program', 'clock', 'all'] as const;
export type Wipes = (typeof WIPES)[number];

/** Where an option is found and what a change of it wipes. */
const optionSchema = z.strictObject({
	/** The keys that lead there, and what is shown there; empty where that is not known. */
	how: oneLine(200).default(''),
	wipes: z.enum(WIPES).default('program'),
	/** Whether it is reached only while the control is off. */
	onlyWhenOff: z.boolean().default(false)
});
export type OptionPlace = z.infer<typeof optionSchema>;

/**
 * How a control is operated apart from keying its week: where its options are found and what they wipe, how it is reset, how its keys are
 * locked. What is not said is not known.
 */
export const operationSchema = z.strictObject({
	options: z.partialRecord(z.enum(OPTION_IDS), optionSchema).default({}),
	/** How it is brought back to what it left the factory with, as a whole or in part. */
	resets: z
		.array(z.strictObject({ wipes: z.enum(['program', 'clock', 'all']), how }))
		.max(3)
		.default([]),
	/** How its keys are locked; null where they cannot be, or it is not known. */
	lock: z
		.strictObject({
			/** Whether the setpoint can still be changed while it is locked. */
			covers: z.enum(['all', 'all-but-setpoint']).default('all'),
			how,
			/** How the lock is ended. */
			ends: how
		})
		.nullable()
		.default(null)
});
export type Operation = z.infer<typeof operationSchema>;
