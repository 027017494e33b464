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
		/** The setpoint of each mode, warmest first, where events choose among modes; else null. */
		modes: z.array(z.strictObject({ name: slug, setpointC: z.number() })).nullable(),
		/** What rules before the first event of a day: a setpoint, or null for what the day before ended on. */
		beforeFirstC: z.number().nullable(),
		groups: z.array(
			z.strictObject({
				days,
				/** In rising order of time; the setpoint holds until the next event, over midnight too. */
				events: z.array(
					z.strictObject({
						at: minute,
						setpointC: z.number(),
						/** The cooling setpoint, on a control that also cools. */
						coolC: z.number().optional()
					})
				)
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
		/** The two setpoints, on and off: 1 and 0 where the control only switches. */
		onC: z.number(),
		offC: z.number(),
		groups: z.array(z.strictObject({ days, pairs: z.array(z.strictObject({ on: minute, off: minute })) }))
	}),
	z.strictObject({
		form: z.literal('plain'),
		grouping: slug,
		setpointC: z.number(),
		coolC: z.number().optional(),
		groups: z.tuple([z.strictObject({ days })])
	})
]);
export type Program = z.infer<typeof programSchema>;

/** Which of a program's setpoints: that for heating, or that for cooling. */
export type Side = 'heat' | 'cool';

function stepsOfDays(program: Program, side: Side): { days: readonly number[]; steps: Step<number>[] }[] {
	switch (program.form) {
		case 'plain': {
			const value = side === 'cool' ? program.coolC! : program.setpointC;
			return [{ days: program.groups[0].days, steps: [{ at: 0, value }] }];
		}
		case 'events':
			return program.groups.map((group) => ({
				days: group.days,
				steps: [
					...(program.beforeFirstC === null ? [] : [{ at: 0, value: program.beforeFirstC }]),
					...group.events.map((event) => ({
						at: event.at,
						value: side === 'cool' ? event.coolC! : event.setpointC
					}))
				]
			}));
		case 'slots':
			return program.groups.map((group) => ({
				days: group.days,
				steps: group.slots.map((setting, slot) => ({
					at: slot * program.slotMinutes,
					value: program.settings[setting]!.setpointC
				}))
			}));
		case 'pairs':
			return program.groups.map((group) => ({
				days: group.days,
				steps: [
					{ at: 0, value: program.offC },
					...group.pairs.flatMap((pair) => [
						{ at: pair.on, value: program.onC },
						// an end at 24:00 needs no step: the next day begins off by itself
						...(pair.off < DAY_MINUTES ? [{ at: pair.off, value: program.offC }] : [])
					])
				]
			}));
	}
}

/**
 * The held week: what the program does over seven days, in °C (0/1 for a switch), of its heating or
 * its cooling setpoint. Before the first event of a day the last of the day before still rules, or
 * the program's own setpoint for it; slots and pairs carry nothing over. A program without any event
 * holds `emptyC`.
 */
export function expandProgram(program: Program, emptyC: number, side: Side = 'heat'): WeekSteps<number> {
	const steps = stepsOfDays(program, side).flatMap(({ days: group, steps: ofDay }) =>
		group.flatMap((day) => ofDay.map((step) => ({ at: day * DAY_MINUTES + step.at, value: step.value })))
	);
	return steps.length === 0 ? constantWeek(emptyC) : buildWeek(steps);
}

/**
 * How many values a person keys for a program: a time and what it changes to for each event or pair
 * end, one a slot, one a setting; periods left empty count one each, for clearing them. `periodsOn`
 * says how many periods a day holds.
 */
export function valuesToKey(program: Program, periodsOn: (day: number) => number): number {
	switch (program.form) {
		case 'events': {
			const each = program.groups[0]?.events[0]?.coolC === undefined ? 2 : 3;
			return program.groups.reduce(
				(sum, g) => sum + each * g.events.length + Math.max(0, periodsOn(g.days[0]!) - g.events.length),
				program.modes?.length ?? 0
			);
		}
		case 'pairs':
			return program.groups.reduce(
				(sum, g) => sum + 2 * g.pairs.length + Math.max(0, periodsOn(g.days[0]!) - g.pairs.length),
				program.onC === 1 && program.offC === 0 ? 0 : 2
			);
		case 'slots':
			return program.settings.length + program.groups.reduce((sum, g) => sum + g.slots.length, 0);
		case 'plain':
			return program.coolC === undefined ? 1 : 2;
	}
}
