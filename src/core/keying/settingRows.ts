import {
	entryName,
	menuWay,
	type ControlProfile,
	type Grouping,
	type PanelGesture,
	type PlaceField,
	type Wipes
} from '../control';
import { entryAt, entryShown, optionShown } from '../machine';
import type { Zone } from '../plan';
import { menuWanted, type MenuWhy } from './atControl';
import { settingItems } from './cardItems';

/** One setting of a control: how it is to stand, how it comes, where it is found, what a change of it wipes, and why it stands so. */
export interface SettingRow {
	/** The option, or `menu/` and the entry's id. */
	readonly field: PlaceField;
	readonly name: string;
	/** What the display is to show; null where nothing is asked: it stays as it is. */
	readonly shows: string | null;
	readonly unit: string;
	/** What the display shows as new, without the unit. */
	readonly asNew: string;
	readonly differs: boolean;
	/** The way to it from rest; empty where no menu has it. */
	readonly way: readonly PanelGesture[];
	readonly wipes: Wipes;
	readonly onlyWhenOff: boolean;
	/** null for the options that are chosen for the control, and for what stays as it is. */
	readonly why: MenuWhy | null;
	/** Whether it means nothing for the heating. */
	readonly isIdle: boolean;
}

/**
 * How a control is to be set, in the order in which it is keyed, and after that the entries of its menus that stay as they
 * are. `zones` are those that hang on it, by channel.
 */
export function settingRows(
	zones: readonly Zone[],
	profile: ControlProfile,
	grouping: Grouping
): SettingRow[] {
	const { options } = zones[0]!;
	const placeOf = (field: PlaceField) => {
		const found = menuWay(profile, field);
		return { way: found?.way ?? [], onlyWhenOff: found?.onlyWhenOff ?? false };
	};
	const wanted = menuWanted(zones, profile);
	const set = settingItems(profile, options, grouping, wanted).flatMap((item): SettingRow[] => {
		const { goal } = item;
		const base = { name: item.what, shows: item.shows, unit: item.unit, why: item.why, isIdle: false };
		if (goal.of === 'option') {
			const asNew = optionShown(profile, goal.id, 0);
			const wipes = profile.operation.options[goal.id]?.wipes ?? 'program';
			return [{ ...base, field: goal.id, asNew, differs: asNew !== item.shows, wipes, ...placeOf(goal.id) }];
		}
		if (goal.of !== 'menu') return [];
		const { entry, isFactory } = wanted.find((one) => one.entry.id === goal.id)!;
		const field = `menu/${entry.id}` as const;
		return [
			{
				...base,
				field,
				asNew: asNewOf(profile, options.unit, entry),
				differs: !isFactory,
				wipes: entry.wipes,
				...placeOf(field)
			}
		];
	});
	const rest = profile.menu
		.filter(({ id }) => !wanted.some(({ entry }) => entry.id === id))
		.map((entry): SettingRow => {
			const field = `menu/${entry.id}` as const;
			return {
				field,
				name: entryName(entry),
				shows: null,
				unit: entryShown(profile, options.unit, entry, entryAt(profile, options.unit, entry, entry.factory))
					.unit,
				asNew: asNewOf(profile, options.unit, entry),
				differs: false,
				wipes: entry.wipes,
				why: null,
				isIdle: entry.means === 'none',
				...placeOf(field)
			};
		});
	return [...set, ...rest];
}

const asNewOf = (profile: ControlProfile, unit: 'C' | 'F', entry: ControlProfile['menu'][number]): string =>
	entryShown(profile, unit, entry, entryAt(profile, unit, entry, entry.factory)).shows;
