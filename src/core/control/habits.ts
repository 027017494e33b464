import { z } from 'zod';
import { oneLine } from '../schema';

/** What a person does for it; empty where the keys say so. */
const how = oneLine(200).default('');
const minutes = (most: number) => z.int().min(1).max(most);

/** A change by hand that ends by itself. */
const override = z.strictObject({
	/** At the program's next change, or after a fixed time. */
	ends: z.enum(['next-change', 'after-minutes']),
	/** Counts only where it ends after a fixed time. */
	minutes: minutes(1440).default(120),
	how
});

/** A change by hand that stays: until a person ends it, or until a time that is set with it. */
const hold = z.strictObject({
	until: z
		.array(z.enum(['ended', 'time']))
		.min(1)
		.max(2),
	how
});

/** Heat now, for a number of steps or until the program's next change. */
const boost = z.strictObject({
	ends: z.enum(['after-steps', 'next-change']),
	stepMinutes: minutes(240),
	mostSteps: z.int().min(1).max(24),
	how
});

/** Absence with a setpoint and an end of its own. */
const holiday = z.discriminatedUnion('by', [
	/** A number of days from the moment it is set. */
	z.strictObject({
		by: z.literal('days'),
		mostDays: z.int().min(1).max(999),
		/** Whether the day on which it is set is day 1. */
		todayCounts: z.boolean(),
		/** At midnight after the last day, or so many times 24 hours after it was set. */
		ends: z.enum(['midnight', 'same-time']),
		how
	}),
	/** The date of return, or that date with a time. */
	z.strictObject({ by: z.literal('return-date'), ends: z.enum(['midnight', 'time']), how }),
	/** First and last day, kept beforehand; whole days. */
	z.strictObject({ by: z.literal('periods'), mostPeriods: z.int().min(1).max(20), how }),
	/** It lasts until a person ends it. */
	z.strictObject({ by: z.literal('until-ended'), how })
]);

/** How the control keeps time, and what it loses without power. */
const clock = z.strictObject({
	/** Changes by itself; by a rule that is keyed; by hand; or there is no clock. */
	summerTime: z.enum(['by-itself', 'by-rule', 'by-hand', 'no-clock']),
	/** Minutes that the clock runs on without power; null where it never stops within a battery's life. */
	reserveMinutes: z.int().min(0).max(525_600).nullable(),
	/** Whether the program outlasts the clock. */
	programKept: z.boolean(),
	/** What the clock shows after it was lost: weekday (0 = Monday) and minute of the day. */
	factoryDay: z.int().min(0).max(6).default(0),
	factoryMinute: z.int().min(0).max(1439).default(0),
	how
});

/**
 * What a control does apart from its program: changes by hand, absence, frost, limits, early start, its
 * clock. What it has not is null. `how` says what a person does at it, for the card and the customer's page.
 */
export const habitsSchema = z.strictObject({
	power: z.enum(['mains', 'batteries']).default('mains'),
	/** Whether it speaks by radio to a receiver, with which it must be paired. */
	paired: z.boolean().default(false),
	override: override.nullable().default(null),
	hold: hold.nullable().default(null),
	boost: boost.nullable().default(null),
	/** Goes on to the program's next change at once, until that change comes. */
	advance: z.strictObject({ how }).nullable().default(null),
	holiday: holiday.nullable().default(null),
	/** Dates that run another weekday's program, or one mode all day. */
	specialDays: z
		.strictObject({ most: z.int().min(1).max(60), how })
		.nullable()
		.default(null),
	/** Stays at one setpoint until it is put back on its program. */
	manual: z.strictObject({ how }).nullable().default(null),
	/** Off, and the temperature it still keeps (°C); null where off is off. */
	off: z
		.strictObject({ keepsC: z.number().min(3).max(12).nullable(), how })
		.nullable()
		.default(null),
	/** Whether a high and a low limit can be set, and whether they bind the program as well as the hand. */
	limits: z.strictObject({ bindProgram: z.boolean() }).nullable().default(null),
	/** Whether it comes with a sensor that lies in the floor, and governs that. */
	floorSensor: z.boolean().default(false),
	/** The most minutes by which a control that starts early does so. */
	earlyStartMostMinutes: minutes(480).default(120),
	/** What its fan can be set to; null where it drives none. */
	fan: z
		.array(z.enum(['auto', 'on', 'circulate']))
		.min(1)
		.nullable()
		.default(null),
	/** Minutes that what it switches stays off before it may start again. */
	minimumOffMinutes: z.int().min(0).max(30).default(0),
	clock: clock.default({
		summerTime: 'by-hand',
		reserveMinutes: 60,
		programKept: true,
		factoryDay: 0,
		factoryMinute: 0,
		how: ''
	})
});
export type Habits = z.infer<typeof habitsSchema>;
