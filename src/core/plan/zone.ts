import { z } from 'zod';
import { oneLine, without } from '../schema';
import {
	controlOptionsSchema,
	factoryOptions,
	levelsSchema,
	shortName,
	shortNote,
	slug,
	startingLevels,
	wantedCooling,
	type ControlProfile,
	type Level
} from '../control';
import { boxNameSchema, type Box } from './box';
import { bookingSchema, exceptionsSchema, MOST_BOOKINGS, type Exception } from './exceptions';
import { applyLead, leadSchema, noLead, type Lead, type Target } from './lead';
import { mark } from './mark';
import { roomSchema } from './room';
import { roomUseId } from './roomUse';
import { routineSchema, routineWeek } from './routine';
import { clockReadingSchema, MOST_READINGS, settingsSchema } from './settings';
import { buildWeek, constantWeek, mapWeek, sameWeek, WEEK_MINUTES, type WeekSteps } from '../week';

/** The wanted week in a file: level names by week minute (Monday 00:00 = 0), each holding until the next, over Sunday midnight too. */
const wantedSchema = z
	.array(
		z.strictObject({
			at: z
				.int()
				.min(0)
				.max(WEEK_MINUTES - 1),
			level: slug
		})
	)
	.min(1)
	.max(2000)
	.superRefine((steps, context) => {
		steps.forEach((step, index) => {
			if (index > 0 && step.at <= steps[index - 1]!.at)
				context.addIssue({
					code: 'custom',
					path: [index, 'at'],
					message: 'does not come after the step before it'
				});
		});
	})
	.transform((steps) =>
		buildWeek(steps.map((step) => ({ at: step.at, value: step.level }))).map((step) => ({
			at: step.at,
			level: step.value
		}))
	);

const weight = z.int().min(0).max(1000);

/** What a day grouping costs: the weighted misfit of its week, in K·min (minutes on a switch), and the values to key. */
export const groupingCostSchema = z.strictObject({ weighted: z.number(), values: z.int() });
export type GroupingCost = z.infer<typeof groupingCostSchema>;

/** What of a zone must agree with the rest of it: levels that are named, and where its heat comes from. */
export function zoneSense(
	zone: {
		readonly levels: readonly Level[];
		readonly wanted: readonly { readonly at: number; readonly level: string }[];
		readonly exceptions: z.infer<typeof exceptionsSchema>;
		readonly routine: z.infer<typeof routineSchema> | null;
		readonly fedBy: string | null;
		readonly governs: string | null;
	},
	context: Pick<z.core.$RefinementCtx, 'addIssue'>
): void {
	zone.wanted.forEach((step, index) => {
		if (!zone.levels.some((level) => level.id === step.level))
			context.addIssue({
				code: 'custom',
				path: ['wanted', index, 'level'],
				message: `names no level of this zone ("${step.level}")`
			});
	});
	zone.exceptions.forEach((one, index) => {
		if (one.kind !== 'special-day' || !('level' in one.runs)) return;
		const { level } = one.runs;
		if (!zone.levels.some((known) => known.id === level))
			context.addIssue({
				code: 'custom',
				path: ['exceptions', index, 'runs'],
				message: `names no level of this zone ("${level}")`
			});
	});
	if (zone.governs !== null && zone.governs === zone.fedBy)
		context.addIssue({
			code: 'custom',
			path: ['fedBy'],
			message: 'is the source that this zone itself lets run: heat would go in a circle'
		});
	zone.routine?.dayTypes.forEach((type, t) => {
		const named = [...type.spans.map((span) => span.level), ...(type.otherwise ? [type.otherwise] : [])];
		const lost = named.find((id) => !zone.levels.some((level) => level.id === id));
		if (lost !== undefined)
			context.addIssue({
				code: 'custom',
				path: ['routine', 'dayTypes', t],
				message: `(${type.name}) names no level of this zone ("${lost}")`
			});
	});
}

/**
 * A zone: a room, loop or radiator governed by one channel of one control, with the week it should live. What belongs to the control stands
 * in it as it is seen from the zone; the control keeps it once for all its channels: see {@link boxOf}.
 */
export const zoneSchema = z
	.strictObject({
		name: shortName,
		note: shortNote.default(''),
		/** The dwelling that it belongs to, by its name: a flat of a landlord's house. Empty: the house itself. */
		dwelling: oneLine(80).default(''),
		/** The type of which that dwelling is one of many, by its name: rooms called alike in dwellings of one type are meant to live alike. Empty: it is no one's like. */
		type: oneLine(80).default(''),
		/** What its control is called and where it hangs. */
		box: boxNameSchema.prefault({}),
		/** The id of the control profile. */
		control: slug,
		options: controlOptionsSchema,
		levels: levelsSchema,
		wanted: wantedSchema,
		/** What the room is used for, where it was said. */
		use: roomUseId.nullable().default(null),
		/** The day types the wanted week was made from; null where it was drawn. The two may part: see {@link followsRoutine}. */
		routine: routineSchema.nullable().default(null),
		/** What a minute too cold and a minute too warm weigh in the fit. */
		weights: z
			.strictObject({ cold: weight, warm: weight })
			.refine((weights) => weights.cold + weights.warm > 0, 'cannot both be nought'),
		/** When the setpoint moves before the need. */
		lead: leadSchema.default(noLead),
		/** The chosen day grouping; null leaves the choice to the fit. */
		grouping: slug.nullable(),
		/** What each day grouping costs the other channels of its control; null where it has none. Computed: what is sent is not kept. */
		otherChannels: z.record(slug, groupingCostSchema).nullable().default(null),
		/** The room as a survey describes it; null where it was not. */
		room: roomSchema.nullable().default(null),
		/** The source of the site that it gets its heat from; null where it makes its own, or it is not said. */
		fedBy: slug.nullable().default(null),
		/** The source of the site that may run only in the hours of this zone's week; null for every zone that is a room. */
		governs: slug.nullable().default(null),
		/** What is set at the control apart from its program. */
		settings: settingsSchema.prefault({}),
		/** Absences, special days and changes by hand. */
		exceptions: exceptionsSchema.default([]),
		/** What takes place in the room, from a calendar. */
		bookings: z.array(bookingSchema).max(MOST_BOOKINGS).default([]),
		/** The Monday of the week whose bookings the wanted week is, where each week is keyed by itself; null for one week for good. */
		bookedWeek: z.iso.date().nullable().default(null),
		/** What its clock was found to show, oldest first. */
		clockReadings: z.array(clockReadingSchema).max(MOST_READINGS).default([])
	})
	.superRefine(zoneSense);
export type Zone = z.infer<typeof zoneSchema>;

/** What of a zone belongs to its control; the channel is the zone's own. */
export function boxOf({ box, control, options, grouping, settings, clockReadings }: Zone): Box {
	return { ...box, control, options: without(options, 'channel'), grouping, settings, clockReadings };
}

/** A zone as its control has it: everything that belongs to the box is the box's. */
export function onBox<Z extends Zone>(zone: Z, { name, place, note, options, ...rest }: Box): Z {
	const { channel } = zone.options;
	return { ...zone, ...rest, box: { name, place, note }, options: { ...options, channel } };
}

/** The fields of a zone that stand in it as seen: those of its control, and what is computed. */
export const SEEN_FIELDS = [
	'box',
	'control',
	'options',
	'grouping',
	'otherChannels',
	'settings',
	'clockReadings'
] as const satisfies readonly (keyof Zone)[];

/** What of a zone is its own: all but what {@link boxOf} gives and what is computed. */
export function zonePart(zone: Zone) {
	return { ...without(zone, ...SEEN_FIELDS), channel: zone.options.channel };
}

const { name, control, options, exceptions, bookedWeek, clockReadings } = zoneSchema.shape;
/** What of a zone tells when somebody must come: read by itself where thousands are looked through. */
export const zoneNoticeSchema = z.object({
	name,
	control,
	options,
	exceptions,
	bookedWeek,
	clockReadings
});
export type ZoneNotice = z.infer<typeof zoneNoticeSchema>;

/** Whether a zone's week keeps one level throughout, as a new zone's does. */
export const isOneLevel = (zone: Pick<Zone, 'wanted'>): boolean => zone.wanted.length === 1;

/**
 * Whether nobody has said yet how people live here: one level throughout, and no routine that wants just that
 * ({@link allWeek}), nor a week in which nothing is booked. Never of a control without a program, which can hold nothing else.
 */
export const isUndrawn = (
	zone: Pick<Zone, 'wanted' | 'routine' | 'bookedWeek'>,
	{ program }: Pick<ControlProfile, 'program'>
): boolean =>
	zone.routine === null && zone.bookedWeek === null && isOneLevel(zone) && program.form !== 'plain';

/** The wanted week as a step function of level ids. */
export function wantedWeek(zone: Zone): WeekSteps<string> {
	return zone.wanted.map((step) => ({ at: step.at, value: step.level }));
}

/** The zone with another wanted week. */
export function withWanted(zone: Zone, week: WeekSteps<string>): Zone {
	return { ...zone, wanted: week.map((step) => ({ at: step.at, level: step.value })) };
}

/** Whether the wanted week is the one its routine gives; true where there is no routine. */
export function followsRoutine(zone: Zone): boolean {
	if (!zone.routine) return true;
	return sameWeek(
		wantedWeek(zone),
		routineWeek(zone.routine, (id) => levelOf(zone, id).setpointC)
	);
}

/** The zone with its wanted week made anew from a routine. */
export function withRoutine(zone: Zone, routine: NonNullable<Zone['routine']>): Zone {
	return withWanted(
		{ ...zone, routine },
		routineWeek(routine, (id) => levelOf(zone, id).setpointC)
	);
}

/** The ids of the levels that a zone's week, routine or special days use. */
export function usedLevels(zone: Zone): Set<string> {
	return new Set([
		...zone.wanted.map((step) => step.level),
		...(zone.routine?.dayTypes.flatMap((type) => [
			...type.spans.map((span) => span.level),
			...(type.otherwise ? [type.otherwise] : [])
		]) ?? []),
		...zone.exceptions.flatMap((one) =>
			one.kind === 'special-day' && 'level' in one.runs ? [one.runs.level] : []
		)
	]);
}

/** The zone with other levels; special days of a level that is gone get the coolest one. */
export function withLevels(zone: Zone, levels: Zone['levels']): Zone {
	const coolest = levels.reduce((a, b) => (b.setpointC < a.setpointC ? b : a));
	const known = (id: string) => levels.some((level) => level.id === id);
	return {
		...zone,
		levels,
		exceptions: zone.exceptions.map((one) =>
			one.kind === 'special-day' && 'level' in one.runs && !known(one.runs.level)
				? { ...one, runs: { level: coolest.id } }
				: one
		)
	};
}

/** The level with this id; throws if the zone has none (a checked zone always has). */
export function levelOf(zone: Pick<Zone, 'levels'>, id: string): Level {
	const level = zone.levels.find((candidate) => candidate.id === id);
	if (!level) throw new RangeError(`no level ${id}`);
	return level;
}

/** The week the setpoint should follow, of level ids: the wanted week after lead and early stop. */
export function target(zone: Zone): Target {
	return applyLead(wantedWeek(zone), zone.lead, (id) => levelOf(zone, id).setpointC);
}

/** The target week in °C (0/1 on a switch). */
export function targetWeek(zone: Zone): WeekSteps<number> {
	return mapWeek(target(zone).week, (id) => levelOf(zone, id).setpointC);
}

/** The target week of the cooling setpoint, in °C; a level without one asks for no cooling. */
export function coolingTargetWeek(zone: Zone, profile: ControlProfile): WeekSteps<number> {
	return mapWeek(target(zone).week, (id) => wantedCooling(levelOf(zone, id), profile));
}

/** A new zone on a control: its starting levels, a plain week of the lower level, nothing chosen. */
export function newZone(name: string, profile: ControlProfile): Zone {
	const levels = startingLevels(profile);
	const resting = levels[1]!;
	return withWanted(
		{
			name,
			note: '',
			dwelling: '',
			type: '',
			box: boxNameSchema.parse({}),
			control: profile.id,
			options: factoryOptions(profile),
			levels,
			wanted: [],
			use: null,
			routine: null,
			weights: { cold: 4, warm: 1 },
			lead: noLead,
			grouping: null,
			otherChannels: null,
			room: null,
			fedBy: null,
			governs: null,
			settings: settingsSchema.parse({}),
			exceptions: [],
			bookings: [],
			bookedWeek: null,
			clockReadings: []
		},
		constantWeek(resting.id)
	);
}

/** Whether a control can do what departs from the week: a hold on one without a hold it cannot; an absence and a special day are done by hand where nothing else does them. */
export function canDo(
	{ habits }: Pick<ControlProfile, 'habits'>,
	{ kind }: Pick<Exception, 'kind'>
): boolean {
	return kind === 'absence' || kind === 'special-day' || habits[kind] !== null;
}

/**
 * The zone on another control. Where one only switches and the other does not, levels are replaced:
 * what was the warmest becomes on (or comfort), all else off (or eco), so that the drawn times stay. Its
 * settings go back to none, and its clock has not been looked at. What its exceptions need and the other has not goes: see {@link canDo}.
 */
export function onControl(zone: Zone, from: ControlProfile, to: ControlProfile): Zone {
	const moved = {
		...zone,
		control: to.id,
		box: boxNameSchema.parse({}),
		options: factoryOptions(to),
		grouping: null,
		otherChannels: null,
		settings: settingsSchema.parse({}),
		clockReadings: [],
		// what was done at the other one is not done here, and what this one cannot do is planned no more
		exceptions: zone.exceptions.filter((one) => canDo(to, one))
	};
	if ((from.temperature === null) === (to.temperature === null)) return moved;
	const levels = startingLevels(to);
	const warmest = Math.max(...zone.levels.map((level) => level.setpointC));
	const week = mapWeek(wantedWeek(zone), (id) =>
		levelOf(zone, id).setpointC === warmest ? levels[0]!.id : levels[1]!.id
	);
	return withWanted(withLevels({ ...moved, routine: null }, levels), week);
}

/** A mark of everything that a computed lead depends on: room, levels and wanted week. Another mark means another lead. */
export function leadInputs(zone: Zone): string {
	return mark([zone.room, zone.levels.map((level) => [level.id, level.setpointC]), zone.wanted]);
}

/** The zone with leads that were computed for it as it is now, at an outdoor temperature in °C; when it stops stays. */
export function withComputedLead(
	zone: Zone,
	outdoorC: number,
	leads: NonNullable<Lead['computed']>['leads']
): Zone {
	return {
		...zone,
		lead: { ...zone.lead, school: 'computed', computed: { outdoorC, leads, inputs: leadInputs(zone) } }
	};
}

/** Whether a computed lead was computed from another room or week than the zone has now. */
export function leadIsStale(zone: Zone): boolean {
	const { lead } = zone;
	return lead.school === 'computed' && lead.computed?.inputs !== leadInputs(zone);
}
