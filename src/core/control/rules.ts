import { z } from 'zod';
import { oneLine } from '../schema';
import { WIPES } from './operation';
import { gestureSchema, HAND_ACTS, placeFieldSchema } from './panelParts';

/**
 * A control as states with rules. Whatever a hand, idleness or a slide does to it is a rule of the state in which it is; the first rule that
 * fits is done. A panel is made into this; a control file may say it itself, where the parts of a panel cannot.
 */

/** A state by its name. `rest` is the normal display, `locked` the same with its keys locked; `rest>…` is a part of a way pressed at rest. */
const stateId = z.string().min(1).max(80);
export type StateId = z.infer<typeof stateId>;

/** Where in the program a state stands: each counts from 0. A group is a place in the round of days that are keyed together. */
const cursor = z.enum(['channel', 'group', 'step']);
export type Cursor = z.infer<typeof cursor>;

/** What must be so for a rule to fit. What is not said may be any way. */
const whenSchema = z.strictObject({
	/** Its modes, by their places, of which it must be in one. */
	mode: z.array(z.int().min(0).max(5)).optional(),
	/** It runs a program, and is not set to one setpoint. */
	week: z.literal(true).optional(),
	/** The cursor stands on the last step of the day, on the last group of the round, or (false) not yet. */
	last: z.strictObject({ step: z.boolean().optional(), group: z.boolean().optional() }).optional(),
	/** Nothing stands in the step under the cursor, or (false) something does. */
	cleared: z.boolean().optional(),
	/** Days are keyed one by one, not as groups. */
	singles: z.literal(true).optional()
});
export type When = z.infer<typeof whenSchema>;

const direction = z.union([z.literal(1), z.literal(-1)]);

/** One value that a control keeps: an option, a setpoint, a figure of its clock or of an absence, an entry of its own menus; of the setpoints kept for the week which. */
const valueSchema = z.strictObject({ id: placeFieldSchema, setpoint: z.int().min(0).max(5).default(0) });

/** What a rule does, one thing. */
const actSchema = z.discriminatedUnion('do', [
	/** The value under the cursor one step up or down. */
	z.strictObject({ do: z.literal('change'), by: direction }),
	/** The figure that it holds at rest one step up or down; where its program rules, a change by hand. */
	z.strictObject({ do: z.literal('turn'), by: direction }),
	/** What stands in the field is taken: whatever it shows, or only where it was changed. */
	z.strictObject({ do: z.literal('take'), only: z.literal('changed').optional() }),
	/** What was changed in the field and not taken is forgotten. */
	z.strictObject({ do: z.literal('drop') }),
	/** The field is put to a position. */
	z.strictObject({ do: z.literal('write'), position: z.int().min(0).max(5) }),
	/** The step under the cursor is taken out of the day. */
	z.strictObject({ do: z.literal('clear') }),
	/** A cursor goes on by one, round where it is a group, or to a place. */
	z.strictObject({
		do: z.literal('go'),
		cursor,
		by: direction.optional(),
		to: z.int().min(0).max(95).optional()
	}),
	/** The next day onto which the day under the cursor could be copied is chosen, or the one before it. */
	z.strictObject({ do: z.literal('choose'), by: direction.optional(), wraps: z.literal(false).optional() }),
	/**
	 * The day is copied onto the one chosen, of a block onto each up to it; onto the next where none is. The cursor goes there, or stays on the day that is
	 * copied. Where it says them, it is certain weekdays that are copied, onto others, wherever the cursor stands.
	 */
	z.strictObject({
		do: z.literal('copy'),
		block: z.boolean().optional(),
		wraps: z.literal(false).optional(),
		stays: z.literal(true).optional(),
		from: z.int().min(0).max(6).optional(),
		onto: z.array(z.int().min(0).max(6)).min(1).max(6).optional()
	}),
	/** What is keyed from here on is stored only where that is said, and is otherwise lost. */
	z.strictObject({ do: z.literal('begin') }),
	z.strictObject({ do: z.literal('store') }),
	z.strictObject({ do: z.literal('abandon') }),
	/** A value goes up or down at once, wherever the cursor stands. */
	z.strictObject({ do: z.literal('add'), value: valueSchema, by: direction }),
	/** The figure that it holds in its mode is kept as one of the setpoints for the week, warmest 0. */
	z.strictObject({ do: z.literal('keep'), setpoint: z.int().min(0).max(5) }),
	/** The stored week whose number stands in the field under the cursor goes over the program. */
	z.strictObject({ do: z.literal('load') }),
	z.strictObject({ do: z.literal('mode'), to: z.union([z.int().min(0).max(5), z.literal('next')]) }),
	z.strictObject({
		do: z.literal('hand'),
		what: z.enum(HAND_ACTS),
		channel: z.int().min(0).max(3).optional()
	}),
	z.strictObject({ do: z.literal('lock'), on: z.boolean() }),
	z.strictObject({ do: z.literal('wipe'), what: z.enum(WIPES).exclude(['nothing']) })
]);
export type Act = z.infer<typeof actSchema>;

/** One thing that a hand does, what it does in a state, and the state after it; without that the state stays. */
const ruleSchema = z.strictObject({
	by: gestureSchema,
	when: whenSchema.optional(),
	do: z.array(actSchema).max(6).default([]),
	to: stateId.optional()
});
export type Rule = z.infer<typeof ruleSchema>;

/** What the cursor stands on: a field of a day's step by its name, as `time`, `temperature`, `on/hour` (of a strip the slot itself, ''); or one value that the control keeps. */
const fieldSchema = z.discriminatedUnion('of', [
	z.strictObject({ of: z.literal('day'), name: z.string().max(16) }),
	/** The days themselves, which are chosen by going through them. */
	z.strictObject({ of: z.literal('group') }),
	z.strictObject({ of: z.literal('value'), ...valueSchema.shape })
]);
export type FieldRef = z.infer<typeof fieldSchema>;

export const stateSchema = z.strictObject({
	id: stateId,
	/** What its display says there, and beside it. */
	title: oneLine(24).default(''),
	aside: oneLine(16).default(''),
	/** null where no value can be changed. */
	field: fieldSchema.nullable().default(null),
	rules: z.array(ruleSchema).max(120).default([]),
	/** The state whose rules go for what its own do not name. */
	like: stateId.optional(),
	/** What it does by itself once no key was touched for so long, and the state after it; null seconds: it stays. The same is done where a slide is put elsewhere. */
	idle: z
		.strictObject({
			seconds: z.int().min(3).max(600).nullable(),
			do: z.array(actSchema).max(4).default([]),
			to: stateId.default('rest')
		})
		.nullable()
		.default(null),
	/** The mode, by its place, in which alone it is come to, and whether the control is put back from it afterwards. */
	needs: z.strictObject({ mode: z.int().min(0).max(5), back: z.boolean() }).optional()
});
export type State = z.infer<typeof stateSchema>;

/** What cannot be in a control's states: two of one name, a name that leads nowhere or round to itself, no normal display, a mode or a lock that the control has not. */
export function stateFaults(
	states: readonly State[],
	{ modes, isLocked }: { readonly modes: number; readonly isLocked: boolean }
): { path: (string | number)[]; message: string }[] {
	const of = new Map(states.map((state) => [state.id, state]));
	const faults: { path: (string | number)[]; message: string }[] = [];
	if (!of.has('rest')) faults.push({ path: [], message: 'must have the normal display, called rest' });
	if (isLocked && !of.has('locked'))
		faults.push({ path: [], message: 'must have the normal display with its keys locked, called locked' });
	states.forEach(({ id, like, idle, rules, needs }, i) => {
		if (states.findIndex((one) => one.id === id) !== i)
			faults.push({ path: [i, 'id'], message: 'is the name of another state as well' });
		const known = (path: (string | number)[], to: string | undefined) => {
			if (to !== undefined && !of.has(to))
				faults.push({ path: [i, ...path], message: `is no state of it: ${to}` });
		};
		known(['like'], like);
		const seen = new Set([id]);
		for (let at = like; at !== undefined; at = of.get(at)?.like) {
			if (seen.has(at)) {
				faults.push({ path: [i, 'like'], message: 'is like itself in the end' });
				break;
			}
			seen.add(at);
		}
		known(['idle', 'to'], idle?.to);
		if (needs && needs.mode >= modes)
			faults.push({ path: [i, 'needs', 'mode'], message: 'is none of its modes' });
		rules.forEach(({ to, do: acts }, j) => {
			known(['rules', j, 'to'], to);
			acts.forEach((act, k) => {
				const path = [i, 'rules', j, 'do', k];
				if (act.do === 'lock' && !isLocked) faults.push({ path, message: 'is of a lock that it has not' });
				if (act.do === 'mode' && (modes === 0 || (act.to !== 'next' && act.to >= modes)))
					faults.push({ path, message: 'is none of its modes' });
			});
		});
	});
	return faults;
}
