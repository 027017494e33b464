import { z } from 'zod';
import { buildWeek, constantWeek, DAY_MINUTES, type Step, type WeekSteps } from '../week';
import { slug } from './profile';

const minute = z.int().min(0).max(DAY_MINUTES);
const days = z.array(z.int().min(0).max(6)).min(1);

/** A program as a control holds it: day groups, each with its periods. Setpoints in °C, times in minutes of the day. */
export const programSchema = z.discriminatedUnion('form', [
	z.strictObject({
		form: z.literal('events'),
		grouping: slug,
		groups: z.array(
			z.strictObject({
				days,
				/** In rising order of time; the setpoint holds until the next event, over midnight too. */
				events: z.array(z.strictObject({ at: minute, setpointC: z.number() }))
			})
		)
	}),
	z.strictObject({
		form: z.literal('slots'),
		grouping: slug,
		slotMinutes: z.int().min(1),
		/** The setpoint of each named setting, the same all week. */
		settings: z.array(z.strictObject({ name: slug, setpointC: z.number() })),
		groups: z.array(
			z.strictObject({
				days,
				/** For each slot from midnight the index of its setting. */
				slots: z.array(z.int().min(0))
			})
		)
	}),
	z.strictObject({
		form: z.literal('pairs'),
		grouping: slug,
		groups: z.array(z.strictObject({ days, pairs: z.array(z.strictObject({ on: minute, off: minute })) }))
	})
]);
export type Program = z.infer<typeof programSchema>;
export type EventsProgram = Extract<Program, { form: 'events' }>;
export type SlotsProgram = Extract<Program, { form: 'slots' }>;
export type PairsProgram = Extract<Program, { form: 'pairs' }>;

function stepsOfDay(group: Program['groups'][number], program: Program): Step<number>[] {
	if (program.form === 'events') {
		const { events } = group as EventsProgram['groups'][number];
		return events.map((event) => ({ at: event.at, value: event.setpointC }));
	}
	if (program.form === 'slots') {
		const { slots } = group as SlotsProgram['groups'][number];
		return slots.map((setting, slot) => ({
			at: slot * program.slotMinutes,
			value: program.settings[setting]!.setpointC
		}));
	}
	const { pairs } = group as PairsProgram['groups'][number];
	return [
		{ at: 0, value: 0 },
		...pairs.flatMap((pair) => [
			{ at: pair.on, value: 1 },
			// an end at 24:00 needs no step: the next day begins off by itself
			...(pair.off < DAY_MINUTES ? [{ at: pair.off, value: 0 }] : [])
		])
	];
}

/**
 * The held week: what the program does over seven days, in °C (0/1 for a switch). Before the first
 * event of a day the last of the day before still rules; slots and pairs carry nothing over. A
 * program without any event holds `emptyC`.
 */
export function expandProgram(program: Program, emptyC: number): WeekSteps<number> {
	const steps = program.groups.flatMap((group) => {
		const ofDay = stepsOfDay(group, program);
		return group.days.flatMap((day) =>
			ofDay.map((step) => ({ at: day * DAY_MINUTES + step.at, value: step.value }))
		);
	});
	return steps.length === 0 ? constantWeek(emptyC) : buildWeek(steps);
}

/**
 * How many values a person keys for a program: two an event or pair, one a slot, one a setting;
 * periods left empty count one each, for clearing them.
 */
export function valuesToKey(program: Program, perDay: number): number {
	switch (program.form) {
		case 'events':
			return program.groups.reduce((sum, g) => sum + 2 * g.events.length + (perDay - g.events.length), 0);
		case 'pairs':
			return program.groups.reduce((sum, g) => sum + 2 * g.pairs.length + (perDay - g.pairs.length), 0);
		case 'slots':
			return program.settings.length + program.groups.reduce((sum, g) => sum + g.slots.length, 0);
	}
}
