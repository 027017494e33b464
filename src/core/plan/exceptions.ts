import { z } from 'zod';
import { oneLine } from '../schema';
import { shortNote, slug } from '../control';

const years = (text: string) => {
	const year = Number(text.slice(0, 4));
	return year >= 2000 && year < 2100;
};

/** A date `YYYY-MM-DD` that exists, 2000 to 2099. */
export const isoDate = z.iso
	.date('is no date that exists, as in 2026-12-24')
	.refine(years, 'must lie between 2000 and 2099');

/** A local time at the site, `YYYY-MM-DDTHH:MM`, 2000 to 2099. */
export const localDateTime = z.iso
	.datetime({ local: true, precision: -1, error: 'is no date and time that exists, as in 2026-12-24T14:00' })
	.refine(years, 'must lie between 2000 and 2099');

const id = z.string().min(1).max(40);
const setpointC = z.number().min(0).max(60);

/** Something that departs from the weekly program, in local time at the site. */
export const exceptionSchema = z
	.discriminatedUnion('kind', [
		/** Nobody there from `leave` to `back`; what is keyed for it depends on the control. */
		z.strictObject({
			kind: z.literal('absence'),
			id,
			leave: localDateTime,
			back: localDateTime,
			setpointC,
			note: shortNote.default(''),
			/** Who keys it: left out, the household. */
			keyedBy: z.enum(['household', 'installer']).optional(),
			/** Whether it is keyed by now. */
			keyed: z.boolean().optional()
		}),
		/** A date that runs another weekday's program (0 = Monday), or one level all day. */
		z.strictObject({
			kind: z.literal('special-day'),
			id,
			date: isoDate,
			runs: z.union([z.strictObject({ like: z.int().min(0).max(6) }), z.strictObject({ level: slug })]),
			note: shortNote.default('')
		}),
		z.strictObject({ kind: z.literal('override'), id, from: localDateTime, setpointC }),
		/** On to the next change of the program at once. */
		z.strictObject({ kind: z.literal('advance'), id, from: localDateTime }),
		z.strictObject({
			kind: z.literal('hold'),
			id,
			from: localDateTime,
			until: localDateTime.nullable(),
			setpointC
		}),
		z.strictObject({
			kind: z.literal('boost'),
			id,
			from: localDateTime,
			steps: z.int().min(1).max(24),
			setpointC
		}),
		z.strictObject({
			kind: z.literal('manual'),
			id,
			from: localDateTime,
			until: localDateTime.nullable(),
			setpointC
		}),
		z.strictObject({ kind: z.literal('off'), id, from: localDateTime, until: localDateTime.nullable() })
	])
	.superRefine((exception, context) => {
		if (exception.kind === 'absence' && exception.back <= exception.leave)
			context.addIssue({ code: 'custom', path: ['back'], message: 'comes before the departure' });
		if ('until' in exception && exception.until !== null && exception.until <= exception.from)
			context.addIssue({ code: 'custom', path: ['until'], message: 'comes before the beginning' });
	});
export type Exception = z.infer<typeof exceptionSchema>;
export type Absence = Extract<Exception, { kind: 'absence' }>;
export type SpecialDay = Extract<Exception, { kind: 'special-day' }>;

/** The most departures kept for a zone. */
export const MOST_EXCEPTIONS = 400;

/** A zone's departures from its program; each with an id of its own, a date special only once. */
export const exceptionsSchema = z
	.array(exceptionSchema)
	.max(MOST_EXCEPTIONS)
	.superRefine((all, context) => {
		const ids = new Set<string>();
		const dates = new Set<string>();
		all.forEach((one, index) => {
			if (ids.has(one.id))
				context.addIssue({ code: 'custom', path: [index, 'id'], message: 'is used twice' });
			ids.add(one.id);
			if (one.kind !== 'special-day') return;
			if (dates.has(one.date))
				context.addIssue({
					code: 'custom',
					path: [index, 'date'],
					message: `is a special day already (${one.date})`
				});
			dates.add(one.date);
		});
	});

/** Something taking place in the room, from a calendar: local times at the site. */
export const bookingSchema = z
	.strictObject({ name: oneLine(120), from: localDateTime, to: localDateTime })
	.refine((booking) => booking.to > booking.from, { path: ['to'], message: 'comes before the beginning' });
export type Booking = z.infer<typeof bookingSchema>;

/** The most bookings kept for a zone: forty-five a week for a year. */
export const MOST_BOOKINGS = 2500;
