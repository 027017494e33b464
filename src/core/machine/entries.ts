import type { ControlProfile, MenuEntry } from '../control';
import { degreesAt, degreesShown, setpointAt, type Scale } from './fields';

type Unit = 'C' | 'F';

/** The scale on which an entry of a control's menus moves: choices go round. */
export function entryScale(profile: ControlProfile, unit: Unit, { values }: MenuEntry): Scale {
	switch (values.kind) {
		case 'choices':
			return { low: 0, high: values.choices.length - 1, round: true };
		case 'degrees':
			return {
				low: degreesAt(profile, unit, values.minC),
				high: degreesAt(profile, unit, values.maxC),
				round: false
			};
		case 'figure':
			return { low: 0, high: Math.round((values.max - values.min) / values.step), round: false };
	}
}

/** The position of a value (the place of a choice, °C, or a figure) on the scale of an entry: the nearest that it has. */
export function entryAt(profile: ControlProfile, unit: Unit, entry: MenuEntry, value: number): number {
	const { values } = entry;
	const { low, high } = entryScale(profile, unit, entry);
	const at =
		values.kind === 'degrees'
			? degreesAt(profile, unit, value)
			: values.kind === 'figure'
				? Math.round((value - values.min) / values.step)
				: Math.round(value);
	return Math.min(high, Math.max(low, at));
}

/** The value at a position of an entry: the place of a choice, °C, or the figure. */
export function entryValue(profile: ControlProfile, unit: Unit, { values }: MenuEntry, at: number): number {
	if (values.kind === 'degrees') return setpointAt(profile, unit, at);
	return values.kind === 'figure' ? Math.round((values.min + at * values.step) * 1000) / 1000 : at;
}

/** What the display shows at a position of an entry, and the unit behind it. A difference is shown in the control's own degrees. */
export function entryShown(
	profile: ControlProfile,
	unit: Unit,
	entry: MenuEntry,
	at: number
): { shows: string; unit: string } {
	const { values } = entry;
	if (values.kind === 'choices') return { shows: values.choices[at]?.shows ?? '', unit: '' };
	if (values.kind === 'degrees') return { shows: degreesShown(profile, unit, at), unit: `°${unit}` };
	const figure = entryValue(profile, unit, entry, at);
	const isK = values.unit === 'K';
	const shown = isK && unit === 'F' ? Math.round(figure * 18) / 10 : figure;
	const decimals =
		Number.isInteger(values.step) && Number.isInteger(values.min) && !(isK && unit === 'F') ? 0 : 1;
	return { shows: shown.toFixed(decimals), unit: isK ? `°${unit}` : values.unit };
}

/** How the entries of a control's menus stand as new. */
export const factoryMenu = (profile: ControlProfile, unit: Unit): Record<string, number> =>
	Object.fromEntries(profile.menu.map((entry) => [entry.id, entryAt(profile, unit, entry, entry.factory)]));

/** The entry of a control with this id; undefined where it has none. */
export const entryOf = (profile: ControlProfile, id: string): MenuEntry | undefined =>
	profile.menu.find((entry) => entry.id === id);
