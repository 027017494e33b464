import { type ControlProfile, type MenuEntry, type MenuMeaning } from '../control';
import { entryAt, entryShown, entryValue } from '../machine';
import { earlyStartAsked, type FINISHES, type Zone } from '../plan';
import { floorLimitOf } from '../thermal';

type Finish = (typeof FINISHES)[number];

/** Why an entry of a control's menus is to stand as it is: what of the survey, the week or the settings asks for it. */
export type MenuWhy =
	| {
			readonly because:
				'by-hand' | 'limit' | 'setting' | 'nothing-freezes' | 'changes-by-itself' | 'own-week';
	  }
	| { readonly because: 'sensor'; readonly sensor: 'air' | 'floor' | 'air-with-floor-guard' | 'no-floor' }
	/** The floor's limit in °C; `finish` is null where the limit was set by itself or no finish is known. */
	| { readonly because: 'floor'; readonly limitC: number; readonly finish: Finish | null }
	| { readonly because: 'regulation'; readonly kind: 'on-off' | 'cycling' }
	| { readonly because: 'lead'; readonly lead: 'typed' | 'by-itself' }
	| { readonly because: 'level'; readonly level: string };

/** An entry of a control's menus as it is to stand, and why. */
export interface MenuWanted {
	readonly entry: MenuEntry;
	/** On the entry's own scale. */
	readonly position: number;
	readonly shows: string;
	readonly unit: string;
	readonly why: MenuWhy;
	/** Whether it stands so as new. */
	readonly isFactory: boolean;
}

/** A value and its reason: of a choice what it says, else °C or a figure. */
type Asked = readonly [value: string | number, why: MenuWhy] | null;

/** What a zone, with its control's settings, asks of an entry by what it means; null where nothing is asked. */
function asked(means: MenuMeaning, zone: Zone): Asked {
	const { room, settings, lead } = zone;
	switch (means) {
		case 'sensor': {
			if (!room) return null;
			const floor = floorLimitOf(room) !== null;
			return [room.sensor, { because: 'sensor', sensor: floor ? room.sensor : 'no-floor' }];
		}
		case 'floor-limit': {
			const limitC = room && floorLimitOf(room);
			if (!room || limitC === null) return null;
			return [limitC, { because: 'floor', limitC, finish: room.floorLimitC === null ? room.finish : null }];
		}
		case 'high-limit':
			return settings.highLimitC === null ? null : [settings.highLimitC, { because: 'limit' }];
		case 'low-limit':
			return settings.lowLimitC === null ? null : [settings.lowLimitC, { because: 'limit' }];
		case 'regulation':
			return room && [room.regulation.kind, { because: 'regulation', kind: room.regulation.kind }];
		case 'differential':
			return room?.regulation.kind === 'on-off'
				? [room.regulation.differentialK, { because: 'regulation', kind: 'on-off' }]
				: null;
		case 'cycles':
			return room?.regulation.kind === 'cycling'
				? [room.regulation.perHour, { because: 'regulation', kind: 'cycling' }]
				: null;
		case 'early-start': {
			const asked = earlyStartAsked(lead);
			return asked && [asked, { because: 'lead', lead: asked === 'on' ? 'by-itself' : 'typed' }];
		}
		case 'frost':
			return ['on', { because: 'nothing-freezes' }];
		case 'frost-level': {
			const frost = zone.levels.find(({ id }) => id === 'frost');
			return frost ? [frost.setpointC, { because: 'level', level: frost.name }] : null;
		}
		case 'fan':
			return [settings.fan, { because: 'setting' }];
		case 'changeover':
			return [settings.changeover, { because: 'setting' }];
		case 'summer-time':
			return ['on', { because: 'changes-by-itself' }];
		case 'stored-program':
			return zone.options.plain ? null : ['own', { because: 'own-week' }];
		default:
			return null;
	}
}

/** Where a value stands on the scale of an entry; null where none of its choices says it. */
function positionOf(
	profile: ControlProfile,
	unit: 'C' | 'F',
	entry: MenuEntry,
	value: string | number
): number | null {
	const { values, means } = entry;
	if (typeof value === 'number') {
		if (values.kind === 'choices') return null;
		const at = entryAt(profile, unit, entry, value);
		// a floor's limit lets nothing through that it should not: down to the next step
		const isOver = means === 'floor-limit' && entryValue(profile, unit, entry, at) > value + 1e-9;
		return isOver ? at - 1 : at;
	}
	if (values.kind !== 'choices') return null;
	const at = values.choices.findIndex(({ is }) => is === value);
	return at < 0 ? null : at;
}

/**
 * How the entries of a control's menus are to stand, in their order: what was set by hand for this control, else what
 * survey, week and settings of its zones ask for, the first that says anything. Entries of which nothing is said are
 * left out: they stay as they are.
 */
export function menuWanted(zones: readonly Zone[], profile: ControlProfile): MenuWanted[] {
	const [first] = zones;
	if (!first) return [];
	const { unit } = first.options;
	return profile.menu.flatMap((entry): MenuWanted[] => {
		const byHand = first.settings.menu[entry.id];
		const [position, why] =
			byHand !== undefined
				? [entryAt(profile, unit, entry, byHand), { because: 'by-hand' } as const]
				: derived(profile, unit, entry, zones);
		if (position === null) return [];
		return [
			{
				entry,
				position,
				...entryShown(profile, unit, entry, position),
				why,
				isFactory: entryAt(profile, unit, entry, entry.factory) === position
			}
		];
	});
}

function derived(
	profile: ControlProfile,
	unit: 'C' | 'F',
	entry: MenuEntry,
	zones: readonly Zone[]
): readonly [number | null, MenuWhy] {
	for (const zone of zones) {
		const said = asked(entry.means, zone);
		if (!said) continue;
		const at = positionOf(profile, unit, entry, said[0]);
		if (at !== null) return [at, said[1]];
	}
	return [null, { because: 'setting' }];
}
