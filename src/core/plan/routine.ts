import { z } from 'zod';
import { groupName, shortName, slug, type Level } from '../control';
import {
	buildWeek,
	clockTime,
	DAY_MINUTES,
	DAY_SHORT,
	firstAlike,
	splitByDay,
	WEEK_DAYS,
	WEEK_MINUTES,
	type WeekSteps
} from '../week';

/** Part of a day type with a level of its own, in minutes from its midnight; `to` may lie past the next one. */
const spanSchema = z
	.strictObject({
		from: z
			.int()
			.min(0)
			.max(DAY_MINUTES - 1),
		to: z
			.int()
			.min(1)
			.max(2 * DAY_MINUTES - 1),
		level: slug
	})
	.refine((span) => span.to > span.from, 'ends before it begins')
	.refine((span) => span.to - span.from <= DAY_MINUTES, 'is longer than a day');
export type RoutineSpan = z.infer<typeof spanSchema>;

const dayTypeSchema = z.strictObject({
	id: slug,
	name: shortName,
	spans: z.array(spanSchema).max(24),
	/** The level outside all spans; null where the spans are meant to fill the day. */
	otherwise: slug.nullable()
});
export type DayType = z.infer<typeof dayTypeSchema>;

/** A minute of a day type as a person says it: 25:30 is 01:30 of the day after. */
export function routineTime(minute: number): string {
	return minute <= DAY_MINUTES ? clockTime(minute) : `${clockTime(minute - DAY_MINUTES)} next day`;
}

const spanWords = (span: RoutineSpan) => `${routineTime(span.from)}–${routineTime(span.to)}`;

/** Day types with the levels wanted in them, and the day type of each weekday, Monday first. */
export const routineSchema = z
	.strictObject({
		dayTypes: z.array(dayTypeSchema).min(1).max(WEEK_DAYS),
		week: z.array(slug).length(WEEK_DAYS)
	})
	.superRefine((routine, context) => {
		routine.dayTypes.forEach((type, t) => {
			if (routine.dayTypes.findIndex((other) => other.id === type.id) !== t)
				context.addIssue({
					code: 'custom',
					path: ['dayTypes', t, 'id'],
					message: 'is used by two day types'
				});
			type.spans.forEach((span, s) =>
				type.spans.slice(0, s).forEach((before) => {
					if (before.from < span.to && span.from < before.to)
						context.addIssue({
							code: 'custom',
							path: ['dayTypes', t, 'spans', s],
							message: `(${type.name}, ${spanWords(span)}) overlaps ${spanWords(before)}`
						});
				})
			);
		});
		routine.week.forEach((id, day) => {
			if (!routine.dayTypes.some((type) => type.id === id))
				context.addIssue({
					code: 'custom',
					path: ['week', day],
					message: `names no day type of this routine ("${id}")`
				});
		});
		if (context.issues.length > 0) return;
		const covered = cover(routine, () => 0);
		for (let day = 0; day < WEEK_DAYS; day++) {
			const t = routine.dayTypes.findIndex((type) => type.id === routine.week[day]);
			const from = covered.indexOf(null, day * DAY_MINUTES);
			if (from < 0 || from >= (day + 1) * DAY_MINUTES || routine.dayTypes[t]!.otherwise !== null) continue;
			let to = from;
			while (to < (day + 1) * DAY_MINUTES && covered[to] === null) to++;
			const [first, last] = [from - day * DAY_MINUTES, to - day * DAY_MINUTES];
			context.addIssue({
				code: 'custom',
				path: ['dayTypes', t, 'spans'],
				message: `(${routine.dayTypes[t]!.name}) leaves ${DAY_SHORT[day]} ${clockTime(first)}–${clockTime(last)} without a level`
			});
			return;
		}
	});
export type Routine = z.infer<typeof routineSchema>;

type Covered = (string | null)[];

/** The level of every minute of the week that a span covers; null elsewhere. `setpointOf` decides where a span from the day before meets the day's own: the warmer rules. */
function cover(routine: Routine, setpointOf: (level: string) => number): Covered {
	const own: Covered = new Array<string | null>(WEEK_MINUTES).fill(null);
	const typeOf = (day: number) => routine.dayTypes.find((type) => type.id === routine.week[day])!;
	for (let day = 0; day < WEEK_DAYS; day++)
		for (const span of typeOf(day).spans)
			own.fill(span.level, day * DAY_MINUTES + span.from, day * DAY_MINUTES + Math.min(span.to, DAY_MINUTES));
	const covered = [...own];
	for (let day = 0; day < WEEK_DAYS; day++)
		for (const span of typeOf(day).spans)
			for (let past = 0; past < span.to - DAY_MINUTES; past++) {
				const minute = (((day + 1) % WEEK_DAYS) * DAY_MINUTES + past) % WEEK_MINUTES;
				const there = own[minute]!;
				if (own[minute] === null || setpointOf(span.level) > setpointOf(there)) covered[minute] = span.level;
			}
	return covered;
}

/**
 * The wanted week of a sound routine, of level ids. A span past midnight runs on into the next day;
 * where it meets one of that day's own the warmer of the two rules. `setpointOf` gives a level's °C.
 */
export function routineWeek(routine: Routine, setpointOf: (level: string) => number): WeekSteps<string> {
	const covered = cover(routine, setpointOf);
	const rest = routine.week.map((id) => routine.dayTypes.find((type) => type.id === id)!.otherwise);
	const steps: { at: number; value: string }[] = [];
	for (let minute = 0; minute < WEEK_MINUTES; minute++) {
		const value = covered[minute] ?? rest[Math.floor(minute / DAY_MINUTES)]!;
		if (steps.at(-1)?.value !== value) steps.push({ at: minute, value });
	}
	return buildWeek(steps);
}

/**
 * The routine that a drawn week amounts to: one day type for each different day. What rules otherwise is its
 * longest level, of equally long ones the coolest by `setpointOf` (°C).
 */
export function routineOfWeek(week: WeekSteps<string>, setpointOf: (level: string) => number): Routine {
	const days = splitByDay(week);
	const alike = firstAlike(week);
	const firsts = [...new Set(alike)];
	return {
		dayTypes: firsts.map((first) => {
			const spans = days[first]!;
			const minutes = new Map<string, number>();
			for (const span of spans) minutes.set(span.value, (minutes.get(span.value) ?? 0) + span.to - span.from);
			const otherwise = [...minutes].sort(
				(a, b) => b[1] - a[1] || setpointOf(a[0]) - setpointOf(b[0])
			)[0]![0];
			const like = alike.flatMap((of, day) => (of === first ? [day] : []));
			return {
				id: `day-${first + 1}`,
				name: groupName(like),
				spans: spans
					.filter((span) => span.value !== otherwise)
					.map((span) => ({ from: span.from, to: span.to, level: span.value })),
				otherwise
			};
		}),
		week: alike.map((first) => `day-${first + 1}`)
	};
}

/** The routine of somebody who wants one level all the week. */
export function allWeek({ id }: Pick<Level, 'id'>): Routine {
	return {
		dayTypes: [{ id: 'day-1', name: 'Every day', spans: [], otherwise: id }],
		week: new Array<string>(WEEK_DAYS).fill('day-1')
	};
}

/** A pattern of life to start from. Times are our own examples. */
export interface RoutineTemplate {
	readonly id: string;
	readonly name: string;
	readonly words: string;
	/** Day types as name, days (0 = Monday) and spans of [from, to] in hours wanted warm. */
	readonly days: readonly {
		readonly name: string;
		readonly on: readonly number[];
		readonly warm: readonly (readonly [number, number])[];
	}[];
	/** What it heats: a room, or a store of hot water, which is warm an hour after it is begun. */
	readonly heats?: 'water';
	/** What rules outside: the level under the warmest, or the coolest of all. */
	readonly rest: 'setback' | 'coolest';
}

const weekdays = [0, 1, 2, 3, 4];
const weekend = [5, 6];
const whole = [...weekdays, ...weekend];

export const routineTemplates: readonly RoutineTemplate[] = [
	{
		id: 'out-all-day',
		name: 'Out all day',
		words: 'mornings and evenings on weekdays, all day at the weekend',
		days: [
			{
				name: 'Working day',
				on: weekdays,
				warm: [
					[6.5, 8 + 1 / 3],
					[17, 22.5]
				]
			},
			{ name: 'Day off', on: weekend, warm: [[8, 23]] }
		],
		rest: 'setback'
	},
	{
		id: 'one-home-day',
		name: 'One day at home',
		words: 'four working days away, Wednesday at home',
		days: [
			{
				name: 'Working day',
				on: [0, 1, 3, 4],
				warm: [
					[6.5, 8 + 1 / 3],
					[17, 22.5]
				]
			},
			{ name: 'Home day', on: [2], warm: [[7, 22.5]] },
			{ name: 'Day off', on: weekend, warm: [[8, 23]] }
		],
		rest: 'setback'
	},
	{
		id: 'home-all-day',
		name: 'Home all day',
		words: 'every day alike',
		days: [{ name: 'Every day', on: whole, warm: [[7, 22.5]] }],
		rest: 'setback'
	},
	{
		id: 'early-shift',
		name: 'Early shift',
		words: 'up before five, home after lunch',
		days: [
			{
				name: 'Shift day',
				on: weekdays,
				warm: [
					[4.25, 5.5],
					[13.75, 21.5]
				]
			},
			{ name: 'Day off', on: weekend, warm: [[8, 23]] }
		],
		rest: 'setback'
	},
	{
		id: 'late-weekend',
		name: 'Late at the weekend',
		words: 'Friday and Saturday past midnight',
		days: [
			{ name: 'Weeknight', on: [0, 1, 2, 3, 6], warm: [[17, 22.5]] },
			{ name: 'Late night', on: [4, 5], warm: [[17, 25]] }
		],
		rest: 'setback'
	},
	{
		id: 'opening-hours',
		name: 'Opening hours',
		words: 'a shop, office or workshop, closed at the weekend',
		days: [
			{ name: 'Open', on: weekdays, warm: [[7.5, 17.5]] },
			{ name: 'Closed', on: weekend, warm: [] }
		],
		rest: 'setback'
	},
	{
		id: 'some-evenings',
		name: 'Some evenings',
		words: 'a hall used twice a week and on Sunday morning',
		days: [
			{ name: 'Evening', on: [1, 3], warm: [[18.5, 21.5]] },
			{ name: 'Sunday', on: [6], warm: [[9, 12]] },
			{ name: 'Empty', on: [0, 2, 4, 5], warm: [] }
		],
		rest: 'coolest'
	},
	{
		id: 'water-morning-evening',
		name: 'Morning and evening',
		words: 'hot when they get up, and for baths and dishes at night',
		days: [
			{
				name: 'Working day',
				on: weekdays,
				warm: [
					[5.5, 7],
					[17, 19]
				]
			},
			{
				name: 'Day off',
				on: weekend,
				warm: [
					[7, 8.5],
					[17, 19]
				]
			}
		],
		heats: 'water',
		rest: 'coolest'
	},
	{
		id: 'water-once',
		name: 'Once a day',
		words: 'a large cylinder, heated through before they get up',
		days: [{ name: 'Every day', on: whole, warm: [[4.5, 7]] }],
		heats: 'water',
		rest: 'coolest'
	},
	{
		id: 'water-all-day',
		name: 'All day',
		words: 'a small cylinder, or many people',
		days: [{ name: 'Every day', on: whole, warm: [[5.5, 22]] }],
		heats: 'water',
		rest: 'coolest'
	}
];

/** The templates for what a zone heats: a room, or a store of hot water. */
export const templatesFor = (heatsWater: boolean): readonly RoutineTemplate[] =>
	routineTemplates.filter(({ heats }) => (heats === 'water') === heatsWater);

/** A template as a routine of a zone's own levels: its warmest for warm, the next or its coolest for the rest. */
export function routineFromTemplate(template: RoutineTemplate, levels: readonly Level[]): Routine {
	const ranked = [...levels].sort((a, b) => b.setpointC - a.setpointC);
	const warm = ranked[0]!.id;
	const rest = (template.rest === 'coolest' ? ranked.at(-1)! : (ranked[1] ?? ranked[0]!)).id;
	const id = (t: number) => `day-${t + 1}`;
	const week = new Array<string>(WEEK_DAYS);
	template.days.forEach((type, t) => type.on.forEach((day) => (week[day] = id(t))));
	return {
		dayTypes: template.days.map((type, t) => ({
			id: id(t),
			name: type.name,
			spans: type.warm.map(([from, to]) => ({
				from: Math.round(from * 60),
				to: Math.round(to * 60),
				level: warm
			})),
			otherwise: rest
		})),
		week
	};
}
