import fc from 'fast-check';
import {
	blankProfile,
	blankProgram,
	profileSchema,
	standardGroupings,
	startingPanel,
	type ProgramForm
} from '../../src/core/control';
import type { Operable } from '../../src/core/machine';

const OPTIONS = ['unit', 'clock', 'grouping', 'per-day'] as const;

const anyForm = fc.oneof(
	fc
		.record({
			stepMinutes: fc.constantFrom(5, 10, 15, 30),
			perDay: fc.subarray([2, 3, 4, 6], { minLength: 1, maxLength: 2 }),
			clearable: fc.boolean(),
			modes: fc.constantFrom(null, ['comfort', 'eco'], ['comfort', 'eco', 'frost']),
			beforeFirst: fc.constantFrom('carried' as const, 'coolest-mode' as const)
		})
		.map((part) => ({
			...blankProgram('events'),
			...part,
			beforeFirst: part.modes ? part.beforeFirst : 'carried'
		})),
	fc
		.record({
			slotMinutes: fc.constantFrom(30, 60),
			settings: fc.constantFrom(['comfort', 'eco'], ['comfort', 'eco', 'frost'])
		})
		.map((part) => ({ ...blankProgram('slots'), ...part })),
	fc
		.record({
			stepMinutes: fc.constantFrom(5, 15, 30),
			perDay: fc.subarray([2, 3, 4], { minLength: 1, maxLength: 2 }),
			endsAtMidnight: fc.boolean(),
			settings: fc.constantFrom(null, ['comfort', 'eco']),
			keyedAs: fc.constantFrom('times' as const, 'steps' as const)
		})
		.map((part) => ({ ...blankProgram('pairs'), ...part }))
) as fc.Arbitrary<ProgramForm>;

/** A control that nobody shipped, with the usual keys: any form of program, any way of going through it, copying, wiping, leaving. */
export const anyProfile: fc.Arbitrary<Operable> = fc
	.record({
		program: anyForm,
		groupings: fc.subarray([...standardGroupings], { minLength: 1 }),
		eventOrder: fc.constantFrom('time-first' as const, 'temperature-first' as const),
		timeEntry: fc.constantFrom('whole' as const, 'hour-then-minute' as const),
		units: fc.constantFrom(['C'], ['F'], ['C', 'F']),
		clockFormats: fc.constantFrom(['24'], ['12'], ['12', '24']),
		copy: fc.constantFrom(null, 'next-day' as const, 'any-day' as const, 'block' as const),
		allDays: fc.boolean(),
		runsOnAfter: fc.constantFrom(null, 4, 12),
		correctsSingly: fc.boolean(),
		timeoutSeconds: fc.constantFrom(null, 20, 60),
		wipes: fc.constantFrom('nothing' as const, 'program' as const, 'clock' as const),
		// of two options that each bring everything back none could be keyed
		wipesAll: fc.constantFrom(null, ...OPTIONS),
		afterLast: fc.constantFrom('first-again' as const, 'next-day' as const),
		keeps: fc.boolean(),
		leaves: fc.boolean()
	})
	.map((any) => {
		const { program, groupings, units, clockFormats, copy, wipes, wipesAll } = any;
		const blank = blankProfile('Any', program.form);
		const isSwitch = program.form === 'pairs' && program.settings === null;
		const profile = profileSchema.parse({
			...blank,
			program,
			groupings,
			temperature: isSwitch ? null : { minC: 5, maxC: 30, stepC: 0.5, units },
			clockFormats,
			keying: {
				...blank.keying,
				eventOrder: any.eventOrder,
				timeEntry: any.timeEntry,
				timeoutSeconds: any.timeoutSeconds,
				correctsSingly: any.correctsSingly,
				allDays: any.allDays,
				copy: copy && { onto: copy, presses: copy === 'next-day' ? 1 : 3 },
				presses: { ...blank.keying.presses, runsOnAfter: any.runsOnAfter }
			},
			operation: {
				options: Object.fromEntries(
					OPTIONS.map((id) => [id, { wipes: id === wipesAll ? ('all' as const) : wipes }])
				)
			}
		});
		const panel = startingPanel(profile);
		return {
			...profile,
			panel: {
				...panel,
				program: {
					...panel.program!,
					afterLast: any.afterLast,
					keeps: any.keeps,
					// a menu that is left by itself has no way out of its own
					leave: any.leaves || any.timeoutSeconds === null ? panel.program!.leave : []
				}
			}
		};
	});
