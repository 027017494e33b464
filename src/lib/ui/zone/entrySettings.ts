import type { MenuEntry } from '$core/control';
import type { Settings } from '$core/plan';
import { without } from '$core/schema';

/**
 * The settings of a control with one entry of its menus put to a value (the place of a choice, °C, or a figure); null leaves it to the plan
 * again. What the program reckons with has a home of its own among the settings; everything else is kept by the entry.
 */
export function settingsWithEntry(settings: Settings, entry: MenuEntry, value: number | null): Settings {
	const { means, values } = entry;
	const says = values.kind === 'choices' && value !== null ? (values.choices[value]?.is ?? '') : '';
	const others = { ...settings, menu: without(settings.menu, entry.id) };
	switch (means) {
		case 'high-limit':
			return { ...others, highLimitC: value };
		case 'low-limit':
			return { ...others, lowLimitC: value };
		case 'fan':
			return { ...others, fan: (says || 'auto') as Settings['fan'] };
		case 'changeover':
			return { ...others, changeover: (says || 'automatic') as Settings['changeover'] };
		default:
			return value === null ? others : { ...others, menu: { ...others.menu, [entry.id]: value } };
	}
}
