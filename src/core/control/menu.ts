import { z } from 'zod';
import { oneLine } from '../schema';
import { WIPES } from './operation';

/** What an entry of a control's menus means for the heating; `none` has no meaning for it: brightness, key tone. */
export const MENU_MEANINGS = [
	'sensor',
	'floor-limit',
	'high-limit',
	'low-limit',
	'regulation',
	'differential',
	'cycles',
	'early-start',
	'frost',
	'frost-level',
	'offset',
	'fan',
	'changeover',
	'summer-time',
	'stored-program',
	'minimum-off',
	'manual-figure',
	'per-mode',
	'none'
] as const;
export type MenuMeaning = (typeof MENU_MEANINGS)[number];

/** What the values of an entry can say, by its meaning; a meaning that is not here is a figure. */
export const MENU_CHOICES = {
	sensor: ['air', 'floor', 'air-with-floor-guard'],
	regulation: ['on-off', 'cycling'],
	'early-start': ['off', 'on'],
	frost: ['off', 'on'],
	fan: ['auto', 'on', 'circulate'],
	changeover: ['automatic', 'heat-only', 'cool-only'],
	'summer-time': ['off', 'on'],
	'stored-program': ['own', 'stored']
} as const satisfies Partial<Record<MenuMeaning, readonly string[]>>;

const entryId = z
	.string()
	.max(24)
	.regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, 'must be lower-case letters and figures joined by hyphens');
const shown = (most: number) => oneLine(most).refine((text) => text !== '', 'needs words');
const figure = z.number().min(-100).max(2000);

/** What an entry can be set to. */
const valuesSchema = z.discriminatedUnion('kind', [
	/** Values gone through in a round, as the display shows each, and what it says. */
	z.strictObject({
		kind: z.literal('choices'),
		choices: z
			.array(z.strictObject({ shows: shown(12), is: oneLine(24).default('') }))
			.min(2)
			.max(12)
	}),
	/** Degrees in the control's own steps, between two in °C. */
	z.strictObject({ kind: z.literal('degrees'), minC: figure, maxC: figure }),
	/** Any other figure. */
	z.strictObject({
		kind: z.literal('figure'),
		unit: z.enum(['K', 'min', 'h', '%', 'an hour', '']).default(''),
		min: figure,
		max: figure,
		step: z.number().min(0.01).max(100)
	})
]);

/** An entry of a control's own menus: what its display calls it, what it can be set to, what it means and what a change of it wipes. */
export const menuEntrySchema = z.strictObject({
	id: entryId,
	/** What the display calls it. */
	print: shown(16),
	/** What it is called in words; empty: as its meaning is. */
	name: oneLine(40).default(''),
	means: z.enum(MENU_MEANINGS).default('none'),
	values: valuesSchema,
	/** How it is set as new: the place of the choice from 0, °C, or the figure. */
	factory: figure,
	wipes: z.enum(WIPES).default('nothing')
});
export type MenuEntry = z.infer<typeof menuEntrySchema>;

const MEANING_NAMES: Readonly<Record<MenuMeaning, string>> = {
	sensor: 'sensor',
	'floor-limit': 'floor limit',
	'high-limit': 'highest setting',
	'low-limit': 'lowest setting',
	regulation: 'regulation',
	differential: 'differential',
	cycles: 'cycles an hour',
	'early-start': 'has optimum start',
	frost: 'frost protection',
	'frost-level': 'frost temperature',
	offset: 'offset of the sensor',
	fan: 'fan',
	changeover: 'heating and cooling',
	'summer-time': 'clock change automatic',
	'stored-program': 'program in use',
	'minimum-off': 'shortest time off',
	'manual-figure': 'manual temperature',
	'per-mode': 'per mode',
	none: ''
};

/** What an entry is called in words. */
export const entryName = ({ name, means, print }: MenuEntry): string => name || MEANING_NAMES[means] || print;

/** What cannot be in a menu: two entries of one name, a range the wrong way round, a meaning that no value of it says. */
export function menuFaults(menu: readonly MenuEntry[]): { path: (string | number)[]; message: string }[] {
	return menu.flatMap(({ id, means, values, factory }, i) => {
		const faults: { path: (string | number)[]; message: string }[] = [];
		const fault = (path: string, message: string) => faults.push({ path: [i, path], message });
		if (menu.findIndex((other) => other.id === id) !== i) fault('id', 'is the name of another entry as well');
		const said = (MENU_CHOICES as Partial<Record<MenuMeaning, readonly string[]>>)[means];
		if (said && values.kind !== 'choices') fault('values', 'must be a choice for what it means');
		if (said && values.kind === 'choices' && values.choices.every(({ is }) => !said.includes(is)))
			fault('values', 'does not say which of them is which');
		const [low, high] =
			values.kind === 'choices'
				? [0, values.choices.length - 1]
				: values.kind === 'degrees'
					? [values.minC, values.maxC]
					: [values.min, values.max];
		if (low >= high) fault('values', 'must run from a lower to a higher value');
		else if (factory < low || factory > high) fault('factory', 'is none of its values');
		return faults;
	});
}
