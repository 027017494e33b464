import { z } from 'zod';
import { AWAY_FIELDS, CLOCK_FIELDS, OPTION_IDS } from '../control';

const position = z.int().min(-1000).max(100_000);
const day = z.int().min(0).max(6);
const channel = z.int().min(0).max(3);

/** What one value of a card is to bring about at the control. Positions are on the field's own scale, in the control's steps. */
export const goalSchema = z.discriminatedUnion('of', [
	z.strictObject({ of: z.literal('option'), id: z.enum(OPTION_IDS), position }),
	/** An entry of the control's own menus. */
	z.strictObject({ of: z.literal('menu'), id: z.string().max(24), position }),
	/** A setpoint kept for the week, by its place among them, warmest 0. */
	z.strictObject({ of: z.literal('setpoint'), index: z.int().min(0).max(5), position }),
	/** The setpoint kept without a program. */
	z.strictObject({ of: z.literal('kept'), side: z.enum(['heat', 'cool']), position }),
	/** A field of the program, of the group that begins with `day`, or of all days at once; position null clears its step. */
	z.strictObject({
		of: z.literal('field'),
		channel,
		day,
		all: z.boolean(),
		key: z.string().max(24),
		position: position.nullable(),
		/** How many slots of a strip that is written are to hold it, beginning with that of the key: keyed in one run. */
		slots: z.int().min(1).max(96).optional()
	}),
	/** A day copied onto others, each by the first day of its group; `onto` is the last of them, that is chosen. */
	z.strictObject({ of: z.literal('copy'), channel, from: day, onto: day, over: z.array(day).min(1).max(7) }),
	/** What is set of an absence. */
	z.strictObject({ of: z.literal('away'), field: z.enum(AWAY_FIELDS), position }),
	z.strictObject({ of: z.literal('clock'), field: z.enum(CLOCK_FIELDS), position }),
	/** A mode: asked for before the week, or once it is in. */
	z.strictObject({ of: z.literal('mode'), name: z.string().max(16), when: z.enum(['before', 'after']) })
]);
export type Goal = z.infer<typeof goalSchema>;
export type GoalOf<Of extends Goal['of']> = Extract<Goal, { of: Of }>;

/** Of a run of slots their keys, one after the other; of any other field its own. */
export const keysOfRun = ({ key, slots }: { readonly key: string; readonly slots?: number | undefined }) =>
	slots === undefined ? [key] : Array.from({ length: slots }, (_, i) => String(Number(key) + i));

/** The step of a day that a field's key belongs to, from 0. */
export const stepOfKey = (key: string): number => Number(key.split('/')[0]) - 1;
