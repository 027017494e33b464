import { z } from 'zod';
import { slug } from '../control';

/** What is set at the control for good, apart from its program. Temperatures in °C. */
export const settingsSchema = z.strictObject({
	/** Limits that clamp what it is set to; null where none is set. */
	highLimitC: z.number().min(5).max(60).nullable().default(null),
	lowLimitC: z.number().min(0).max(40).nullable().default(null),
	/** Minutes by which it starts early at present, on a control that does; null for half its most. */
	earlyStartMinutes: z.int().min(0).max(480).nullable().default(null),
	fan: z.enum(['auto', 'on', 'circulate']).default('auto'),
	/** What it may do, on a control that also cools. */
	changeover: z.enum(['automatic', 'heat-only', 'cool-only']).default('automatic'),
	/** Entries of its own menus that were chosen by hand, by their id: the place of the choice from 0, °C, or the figure. */
	menu: z.record(slug, z.number().min(-100).max(2000)).default({})
});
export type Settings = z.infer<typeof settingsSchema>;

/** One look at the control's clock against the right time. */
export const clockReadingSchema = z.strictObject({
	/** The instant of the look, in ISO 8601 with offset Z. */
	at: z.iso.datetime(),
	/** Seconds by which it was ahead; behind is negative. */
	errorSeconds: z.int().min(-5_000_000_000).max(5_000_000_000),
	/** Days by which its weekday was ahead, −3 to 3; 0 where right. */
	daysAhead: z.int().min(-3).max(3).default(0),
	/** Whether it was set right then. */
	set: z.boolean(),
	/** True where it had lost its time and stood at its factory setting or an impossible year. */
	lost: z.boolean().default(false)
});
/** How many looks at one clock are kept. */
export const MOST_READINGS = 400;
export type ClockReading = z.infer<typeof clockReadingSchema>;
