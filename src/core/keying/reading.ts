import { optionChoices, optionShown, isOperable, type Stroke } from '../machine';
import type { ControlProfile } from '../control';
import { settingItems } from './cardItems';
import type { Known } from './known';
import { KeyPlanner } from './planner';
import { atRest } from './stand';
import type { ReadBackGroup } from './readBack';
import { groupsToRead, type ToHold } from './zoneCard';

/** The settings of a control as they are looked at before its week: of those that are chosen all that its display can show. */
export function settingsToRead(profile: ControlProfile, { channels, grouping, menu }: ToHold): ReadBackGroup {
	const items = settingItems(profile, channels[0]!.options, grouping, menu);
	return {
		section: 'Settings',
		aside: 'as they stand',
		fields: items.map(({ id, what, shows, unit, goal }) => {
			const entry = goal.of === 'menu' ? menu.find((one) => one.entry.id === goal.id)?.entry : undefined;
			const words =
				goal.of === 'option'
					? optionChoices(profile, goal.id).map((_, at) => optionShown(profile, goal.id, at))
					: entry?.values.kind === 'choices'
						? entry.values.choices.map((choice) => choice.shows)
						: undefined;
			return { id, what, shows, unit, goal, ...(words ? { words } : {}) };
		})
	};
}

/** All that is looked at where a control is read before it is keyed: its settings, then its week. */
export function allToRead(profile: ControlProfile, hold: ToHold): ReadBackGroup[] {
	const settings = settingsToRead(profile, hold);
	const known = new Set(settings.fields.map(({ id }) => id));
	const week = groupsToRead(profile, hold).map((group) => ({
		...group,
		fields: group.fields.filter(({ id }) => !known.has(id))
	}));
	return [settings, ...week].filter(({ fields }) => fields.length > 0);
}

/** The keys that page through what is read: to each value from the one before it, the first of a group from rest. null where nobody described them. */
export function pagingKeys(
	profile: ControlProfile,
	known: Known,
	{ fields }: ReadBackGroup
): (readonly Stroke[] | null)[] {
	if (!isOperable(profile)) return fields.map(() => null);
	const planner = new KeyPlanner(profile, atRest(known));
	return fields.map(({ goal }) => planner.look(goal));
}
