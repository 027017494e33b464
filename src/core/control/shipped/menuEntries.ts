import type { z } from 'zod';
import type { menuEntrySchema, MenuMeaning } from '../menu';

/** Entries of the shipped controls’ own menus: words, ranges and figures of our own. */
type EntryInput = z.input<typeof menuEntrySchema>;

export const choices = (
	id: string,
	print: string,
	means: MenuMeaning,
	/** As `Band: on-off, Pulse: cycling`: what it shows, and what that is. */
	all: string,
	factory = 0
): EntryInput => ({
	id,
	print,
	means,
	values: {
		kind: 'choices',
		choices: all.split(', ').map((one) => {
			const [shows, is = ''] = one.split(': ');
			return { shows: shows!, is };
		})
	},
	factory
});
export const switching = (id: string, print: string, means: MenuMeaning, factory: 'on' | 'off'): EntryInput =>
	choices(id, print, means, 'Off: off, On: on', factory === 'on' ? 1 : 0);
export const degrees = (
	id: string,
	print: string,
	means: MenuMeaning,
	minC: number,
	maxC: number,
	factory: number
): EntryInput => ({ id, print, means, values: { kind: 'degrees', minC, maxC }, factory });
export const kelvin = (
	id: string,
	print: string,
	means: MenuMeaning,
	[min, max, step]: readonly [number, number, number],
	factory: number
): EntryInput => ({ id, print, means, values: { kind: 'figure', unit: 'K', min, max, step }, factory });
export const cycles = (factory: number, max = 12): EntryInput => ({
	id: 'cycles',
	print: 'Per hour',
	means: 'cycles',
	values: { kind: 'figure', unit: 'an hour', min: 1, max, step: 1 },
	factory
});
export const sensor = (factory = 0): EntryInput =>
	choices('sensor', 'Sensor', 'sensor', 'Air: air, Floor: floor, Both: air-with-floor-guard', factory);
export const light = choices('light', 'Light', 'none', 'Short, Long, Off');
export const tone = choices('tone', 'Key tone', 'none', 'On, Off');
export const offset = kelvin('offset', 'Correct by', 'offset', [-5, 5, 0.5], 0);

/** Figures that a control with modes keeps for each of them, apart from its setpoint. */
export const perMode = (...modes: readonly (readonly [id: string, print: string])[]): EntryInput[] =>
	modes.flatMap(([id, print]): EntryInput[] => [
		{
			id: `${id}-cool`,
			print: `${print} cool`,
			name: `${print.toLowerCase()}: cool above`,
			means: 'per-mode',
			values: { kind: 'degrees', minC: 18, maxC: 35 },
			factory: 26
		},
		{
			id: `${id}-damp`,
			print: `${print} humid`,
			name: `${print.toLowerCase()}: humidity at most`,
			means: 'per-mode',
			values: { kind: 'figure', unit: '%', min: 30, max: 90, step: 5 },
			factory: 60
		},
		{
			...choices(`${id}-fan`, `${print} fan`, 'per-mode', 'Low, High, Off'),
			name: `${print.toLowerCase()}: fan`
		}
	]);

/** Minutes that what it drives stays off before it starts again. */
export const restMinutes: EntryInput = {
	id: 'rest',
	print: 'Rest',
	means: 'minimum-off',
	values: { kind: 'figure', unit: 'min', min: 0, max: 10, step: 1 },
	factory: 5
};
