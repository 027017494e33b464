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
	/** The receiver that it speaks to by radio; null where there is none, or nothing of it is known. */
	receiver: z
		.strictObject({
			/** What is done at both ends to pair them. */
			pairing: how,
			/** What the key of the receiver itself does; empty where it has none. */
			ownKey: oneLine(200).default(''),
			/** What it does when it has heard nothing from its control for so long. */
			alone: z.enum(['off', 'stays', 'part-time']),
			aloneAfterMinutes: z.int().min(1).max(1440),
			/** What its lamp shows, and what that means. */
			lamps: z
				.array(
					z.strictObject({ shows: oneLine(40).refine((text) => text !== '', 'needs words'), means: how })
				)
				.max(8)
				.default([])
		})
		.nullable()
		.default(null),
	/** What it counts: hours of heating and the like; where that is seen, and what puts it back to nought. Empty where it counts nothing. */
	counts: oneLine(200).default(''),
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
