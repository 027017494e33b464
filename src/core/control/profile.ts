import { z } from 'zod';
import { oneLine, someLines } from '../schema';
import { WEEK_DAYS } from '../week';
import { awayFaults } from './awayPlace';
import { habitsSchema } from './habits';
import { menuEntrySchema, menuFaults } from './menu';
import { operationSchema, type OptionId } from './operation';
import { panelFaults, panelSchema } from './panel';
import { entryOfField } from './panelParts';

/** What a person may call things: one line, no control characters. */
export const shortName = z
	.string()
	.trim()
	.min(1, 'needs a name')
	.max(80, 'is longer than 80 characters')
	// eslint-disable-next-line no-control-regex
	.regex(/^[^\u0000-\u001f\u007f]*$/, 'has line breaks or control characters in it');

/** A free line or two of words. */
export const shortNote = someLines(400);

/** Lower-case words joined by hyphens: the name of a thing inside a file. */
export const slug = z
	.string()
	.max(60)
	.regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'must be lower-case letters and figures joined by hyphens');

/** What a mode can hold that is no entry of the control's menus; see the panel's modes. */
const MODE_HOLDS = /^(kept|on|heat-only|cool-only|setpoint-[1-6])$/;

const daysOfGroup = z
	.array(z.int().min(0).max(6))
	.min(1)
	.max(WEEK_DAYS)
	.refine((days) => new Set(days).size === days.length, 'names a day twice');

/** How the days are put together: each group of days shares one program. Day 0 is Monday. */
export const groupingSchema = z.strictObject({
	id: slug,
	name: shortName,
	groups: z
		.array(daysOfGroup)
		.min(1)
		.max(WEEK_DAYS)
		.refine(
			(groups) => new Set(groups.flat()).size === WEEK_DAYS && groups.flat().length === WEEK_DAYS,
			'must hold each of the seven days once'
		)
});
export type Grouping = z.infer<typeof groupingSchema>;

const wholeHourStep = z
	.int()
	.min(1)
	.max(60)
	.refine((minutes) => 60 % minutes === 0, 'must divide the hour');

/** Events: at each the setpoint changes and holds until the next, over midnight too. */
const eventsForm = z.strictObject({
	form: z.literal('events'),
	stepMinutes: wholeHourStep,
	/** The numbers of events a day that can be switched between; the first is the factory's. */
	perDay: z.array(z.int().min(1).max(12)).min(1).max(12),
	/** True: an event may be cleared, so a day holds at most that many; false: a day holds exactly that many. */
	clearable: z.boolean(),
	/** Other numbers of events on Saturday and Sunday; null where all days hold as many. */
	weekend: z
		.strictObject({ saturday: z.int().min(1).max(12), sunday: z.int().min(1).max(12) })
		.nullable()
		.default(null),
	/** Names of the modes that an event chooses from, warmest first, each with one setpoint for the whole week; null where every event has a setpoint of its own. */
	modes: z.array(slug).min(2).max(6).nullable().default(null),
	/** What rules before the first event of a day: the last of the day before, or the coolest mode. */
	beforeFirst: z.enum(['carried', 'coolest-mode']).default('carried'),
	/** What the control calls its events, in their order; null where it numbers them. */
	eventNames: z.array(shortName).min(1).max(12).nullable().default(null)
});

/** Slots: one value for each stretch of equal length from midnight; nothing carries over. */
const slotsForm = z.strictObject({
	form: z.literal('slots'),
	slotMinutes: z.literal([15, 30, 60]),
	/** The names of the setpoints that a slot chooses from, warmest first; each setpoint is set once for the whole week. */
	settings: z.array(slug).min(2).max(3)
});

/** Pairs: on at one time, off at another, within the day; off before the first. With `settings`, on and off are two setpoints, set once for the week. */
const pairsForm = z.strictObject({
	form: z.literal('pairs'),
	stepMinutes: wholeHourStep,
	perDay: z.array(z.int().min(1).max(8)).min(1).max(8),
	/** Whether a pair may end at 24:00. */
	endsAtMidnight: z.boolean(),
	/** Names of the two setpoints, warmer first; null where the control only switches. */
	settings: z.tuple([slug, slug]).nullable().default(null),
	/** Whether a pair is keyed as two times, or as two steps of a time and then on or off as a field of its own. */
	keyedAs: z.enum(['times', 'steps']).default('times'),
	/** Names of the channels, each with pairs of its own; null where there is one. */
	channels: z.array(shortName).min(2).max(4).nullable().default(null)
});

/** No program: one setpoint, kept. */
const plainForm = z.strictObject({ form: z.literal('plain') });

/** What form the control's program has. */
export const programFormSchema = z.discriminatedUnion('form', [eventsForm, slotsForm, pairsForm, plainForm]);
export type ProgramForm = z.infer<typeof programFormSchema>;
export type EventsForm = z.infer<typeof eventsForm>;
export type SlotsForm = z.infer<typeof slotsForm>;
export type PairsForm = z.infer<typeof pairsForm>;

const words = oneLine(200).refine((text) => text !== '', 'needs words');

/** How the program is keyed: the order of fields and the words for getting in and out. */
export const keyGrammarSchema = z.strictObject({
	/** What to do to reach programming. */
	enter: words,
	/** What to do when the last value is in. */
	leave: words,
	/** Whether each event asks for its time or its temperature first. */
	eventOrder: z.enum(['time-first', 'temperature-first']),
	/** Whether a time is one value, or the hour and then the minute. */
	timeEntry: z.enum(['whole', 'hour-then-minute']),
	/** Seconds without a key after which programming is left by itself; null if it stays. */
	timeoutSeconds: z.int().min(5).max(600).nullable(),
	/** The key that takes a value and goes on to the next. */
	confirm: words,
	/** Presses to reach a day within programming, to take a field, and for one step of change. */
	presses: z
		.strictObject({
			enter: z.int().min(0).max(30),
			leave: z.int().min(0).max(30),
			day: z.int().min(0).max(30),
			field: z.int().min(0).max(10),
			step: z.int().min(1).max(5),
			/** The most presses a change takes where holding the key runs on; null where every step is a press. */
			runsOnAfter: z.int().min(2).max(60).nullable()
		})
		.default({ enter: 2, leave: 1, day: 1, field: 1, step: 1, runsOnAfter: 8 }),
	/** How a day can be copied: not at all, onto the day after it, onto any chosen day, or onto every day up to a chosen one; and the presses for it. */
	copy: z
		.strictObject({
			onto: z.enum(['next-day', 'any-day', 'block']),
			presses: z.int().min(1).max(30),
			/** False where it does not go on from the last day to the first. */
			wraps: z.literal(false).optional()
		})
		.nullable()
		.default(null),
	/** Whether one entry can fill all days at once. */
	allDays: z.boolean().default(false),
	/** The mode it must be set to before anything is keyed, and the one to leave it in, as its display names them; null where it takes values while it runs. */
	bracket: z.strictObject({ before: shortName, after: shortName }).nullable().default(null),
	/** Whether a single field of a day can be put right; false where a slip means doing the day again. */
	correctsSingly: z.boolean().default(true)
});
export type KeyGrammar = z.infer<typeof keyGrammarSchema>;

/** How the control names days: in letters, or by a figure beginning with Monday or Sunday as 1. */
export const dayNumberingSchema = z.enum(['names', 'monday-is-1', 'sunday-is-1']);

/**
 * A control profile: what such a control can hold and how it is keyed. Capabilities, never a maker.
 * Temperatures in °C; `stepC` and the limits bind every setpoint.
 */
export const profileSchema = z
	.strictObject({
		id: slug,
		name: shortName,
		family: slug,
		summary: shortNote,
		/** null for a control that only switches. */
		temperature: z
			.strictObject({
				minC: z.number().min(-10).max(60),
				maxC: z.number().min(-10).max(90),
				stepC: z.number().min(0.1).max(5),
				units: z
					.array(z.enum(['C', 'F']))
					.min(1)
					.max(2)
			})
			.nullable(),
		/** A control that also cools: a second setpoint at every event, at least the dead band above the first. */
		cooling: z
			.strictObject({ deadBandK: z.number().min(0.5).max(10), maxC: z.number().min(15).max(60) })
			.nullable()
			.default(null),
		/** Whether the control learns to start before the time keyed, so that no lead is to be typed. */
		startsEarly: z.boolean().default(false),
		/** Whether the control can be set to hold one setpoint and no program. */
		canBePlain: z.boolean().default(false),
		clockFormats: z
			.array(z.enum(['24', '12']))
			.min(1)
			.max(2),
		dayNumbering: dayNumberingSchema,
		program: programFormSchema,
		groupings: z.array(groupingSchema).min(1).max(8),
		keying: keyGrammarSchema,
		habits: habitsSchema.prefault({}),
		operation: operationSchema.prefault({}),
		/** What stands in its own menus beside the options that a plan sets, in their order; empty where that is not known. */
		menu: z.array(menuEntrySchema).max(40).default([]),
		/** Its keys and where they lead; null where nobody has described them yet. */
		panel: panelSchema.nullable().default(null)
	})
	.superRefine((profile, context) => {
		const { temperature, program } = profile;
		if (temperature && temperature.maxC <= temperature.minC)
			context.addIssue({
				code: 'custom',
				path: ['temperature', 'maxC'],
				message: 'must be above the lowest'
			});
		const switches = program.form === 'pairs' && program.settings === null;
		if (switches && temperature)
			context.addIssue({
				code: 'custom',
				path: ['temperature'],
				message: 'must be left out: on/off pairs hold no temperature'
			});
		if (profile.cooling && (program.form !== 'events' || program.modes))
			context.addIssue({
				code: 'custom',
				path: ['cooling'],
				message: 'goes only with events that have setpoints of their own'
			});
		if (program.form === 'events' && program.beforeFirst === 'coolest-mode' && !program.modes)
			context.addIssue({
				code: 'custom',
				path: ['program', 'beforeFirst'],
				message: 'names a mode, but the program has none'
			});
		if (
			program.form === 'events' &&
			program.eventNames &&
			program.eventNames.length < Math.max(...program.perDay)
		)
			context.addIssue({
				code: 'custom',
				path: ['program', 'eventNames'],
				message: 'names fewer events than a day holds'
			});
		if (!switches && !temperature)
			context.addIssue({
				code: 'custom',
				path: ['temperature'],
				message: 'is missing: this program form holds setpoints'
			});
		const { habits } = profile;
		if (habits.off?.keepsC && !temperature)
			context.addIssue({
				code: 'custom',
				path: ['habits', 'off', 'keepsC'],
				message: 'must be left out: a switch keeps no temperature'
			});
		if (habits.limits && !temperature)
			context.addIssue({
				code: 'custom',
				path: ['habits', 'limits'],
				message: 'must be left out: a switch has no limits'
			});
		for (const { path, message } of menuFaults(profile.menu))
			context.addIssue({ code: 'custom', path: ['menu', ...path], message });
		const entries = new Set(profile.menu.map(({ id }) => id));
		profile.panel?.places.forEach((place, i) =>
			place.fields.forEach((field, j) => {
				const entry = entryOfField(field);
				if (entry !== null && !entries.has(entry))
					context.addIssue({
						code: 'custom',
						path: ['panel', 'places', i, 'fields', j],
						message: `is no entry of its menus: ${entry}`
					});
			})
		);
		profile.panel?.states?.forEach(({ field }, i) => {
			const entry = field?.of === 'value' ? entryOfField(field.id) : null;
			if (entry !== null && !entries.has(entry))
				context.addIssue({
					code: 'custom',
					path: ['panel', 'states', i, 'field', 'id'],
					message: `is no entry of its menus: ${entry}`
				});
		});
		for (const { path, message } of profile.panel ? panelFaults(profile.panel) : [])
			context.addIssue({ code: 'custom', path: ['panel', ...path], message });
		for (const [mode, entry] of Object.entries(profile.panel?.modes?.figures ?? {}))
			if (
				entry !== undefined &&
				!MODE_HOLDS.test(entry) &&
				profile.menu.find(({ id }) => id === entry)?.values.kind !== 'degrees'
			)
				context.addIssue({
					code: 'custom',
					path: ['panel', 'modes', 'figures', mode],
					message: `is no temperature of its menus: ${entry}`
				});
		for (const { path, message } of awayFaults(profile.panel, habits.holiday))
			context.addIssue({ code: 'custom', path: ['panel', ...path], message });
		const ids = profile.groupings.map((grouping) => grouping.id);
		if (new Set(ids).size !== ids.length)
			context.addIssue({ code: 'custom', path: ['groupings'], message: 'has two day groupings of one name' });
	});
export type ControlProfile = z.infer<typeof profileSchema>;

/** What an installer chooses among a profile's offers for one zone. */
export const controlOptionsSchema = z.strictObject({
	unit: z.enum(['C', 'F']),
	clock: z.enum(['24', '12']),
	/** Events or pairs a day; ignored by forms without a choice. */
	perDay: z.int().min(1).max(12),
	/** The channel that governs the zone, from 0; ignored where there is one. */
	channel: z.int().min(0).max(3).default(0),
	/** True: set to hold one setpoint, no program. */
	plain: z.boolean().default(false)
});
export type ControlOptions = z.infer<typeof controlOptionsSchema>;

/** The numbers of events or pairs a day between which a control can be switched; none where there is nothing to choose. */
export function perDayOffers(profile: ControlProfile): readonly number[] {
	const { program } = profile;
	return program.form === 'events' || program.form === 'pairs' ? program.perDay : [];
}

/** Whether a control leaves something to choose at an option. */
export function isOffered(profile: ControlProfile, id: OptionId): boolean {
	switch (id) {
		case 'unit':
			return (profile.temperature?.units.length ?? 0) > 1;
		case 'clock':
			return profile.clockFormats.length > 1;
		case 'grouping':
			return profile.groupings.length > 1;
		case 'per-day':
			return perDayOffers(profile).length > 1;
		case 'plain':
			return profile.canBePlain;
	}
}

/** The names of a control's channels; null where it has one. */
export function channelsOf(profile: ControlProfile): readonly string[] | null {
	return profile.program.form === 'pairs' ? profile.program.channels : null;
}

/** The form that counts: the profile's, or plain where the control is set to hold one setpoint. */
export function formInUse(profile: ControlProfile, options: ControlOptions): ProgramForm {
	return profile.canBePlain && options.plain ? { form: 'plain' } : profile.program;
}

/** Events of one day (0 = Monday): Saturday and Sunday can hold other numbers. */
export function eventsOn(form: EventsForm, perDay: number, day: number): number {
	if (!form.weekend || day < 5) return perDay;
	return day === 5 ? form.weekend.saturday : form.weekend.sunday;
}

/** The groupings a control offers as it is set: one of every day alike where it holds no program. */
export function groupingsInUse(profile: ControlProfile, options: ControlOptions): readonly Grouping[] {
	return formInUse(profile, options).form === 'plain'
		? [{ id: 'always', name: 'always', groups: [[0, 1, 2, 3, 4, 5, 6]] }]
		: profile.groupings;
}

/** What a profile's controls are set to when they leave the factory: the first of each offer. */
export function factoryOptions(profile: ControlProfile): ControlOptions {
	return {
		unit: profile.temperature?.units[0] ?? 'C',
		clock: profile.clockFormats[0]!,
		perDay: perDayOffers(profile)[0] ?? 1,
		channel: 0,
		plain: false
	};
}

/** The options with everything the profile does not offer brought back to its factory setting. */
export function allowedOptions(profile: ControlProfile, options: ControlOptions): ControlOptions {
	const factory = factoryOptions(profile);
	return {
		unit: profile.temperature?.units.includes(options.unit) ? options.unit : factory.unit,
		clock: profile.clockFormats.includes(options.clock) ? options.clock : factory.clock,
		perDay: perDayOffers(profile).includes(options.perDay) ? options.perDay : factory.perDay,
		channel: options.channel < (channelsOf(profile)?.length ?? 1) ? options.channel : 0,
		plain: profile.canBePlain && options.plain
	};
}

/** Whether the control only switches on and off. */
export function isSwitch(profile: ControlProfile): boolean {
	return profile.temperature === null;
}

/** The number of minutes on which the control's times fall. */
export function timeStep(profile: ControlProfile): number {
	const { program } = profile;
	if (program.form === 'slots') return program.slotMinutes;
	return program.form === 'plain' ? 10 : program.stepMinutes;
}
