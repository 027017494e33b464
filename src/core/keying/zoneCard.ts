import { allowedOptions, channelsOf, type ControlProfile } from '../control';
import { fitZone, type Fit, type ZoneFit } from '../fit';
import type { Zone } from '../plan';
import { menuWanted, type MenuWanted } from './atControl';
import { controlCard, standingAt, type ChannelProgram, type KeyCard } from './card';
import type { CardItem } from './cardItems';
import type { Known } from './known';
import { optionAt } from '../machine';
import { isNoted, noNotes, notesAt, replayed, type Notes } from './notes';
import { atRest } from './stand';
import { readBackGroups, readBackProgress, type ReadBackGroup } from './readBack';
import { turnFrom, type Turn } from './turn';
import type { Grouping } from '../control';

/** A zone of a control with its fit. */
export interface FittedZone {
	readonly zone: Zone;
	readonly fit: Pick<ZoneFit, 'chosen'>;
}

/** All that a control is to be keyed with: the programs of its channels, the grouping that they share, the entries of its menus. */
export interface ToHold {
	readonly channels: readonly ChannelProgram[];
	readonly grouping: Grouping;
	readonly menu: readonly MenuWanted[];
}

/** The zones of one control in the order of its channels, as the control asks for them. */
export const byChannel = <Z extends { readonly zone: Pick<Zone, 'options'> }>(zones: readonly Z[]): Z[] =>
	[...zones].sort((a, b) => a.zone.options.channel - b.zone.options.channel);

/** What a control is to hold for the zones that hang on it. Every fit must be in the grouping that they share. */
export function toHold(zones: readonly FittedZone[], profile: ControlProfile): ToHold {
	const ordered = byChannel(zones);
	return {
		channels: ordered.map(({ zone, fit }) => ({
			options: allowedOptions(profile, zone.options),
			program: fit.chosen.program
		})),
		grouping: zones[0]!.fit.chosen.grouping,
		menu: menuWanted(
			ordered.map(({ zone }) => zone),
			profile
		)
	};
}

/** The one card of a control, whatever hangs on it. */
export const cardOf = (
	profile: ControlProfile,
	{ channels, grouping, menu }: ToHold,
	noted: Notes = noNotes(profile)
): KeyCard => controlCard(profile, channels, grouping, noted, undefined, menu);

/** What comes before the week of a control, by the zones that hang on it: no fit is needed for that. */
export function settingsCard(
	profile: ControlProfile,
	zones: readonly Zone[],
	grouping: string,
	noted: Notes
): KeyCard {
	const ordered = byChannel(zones.map((zone) => ({ zone }))).map(({ zone }) => zone);
	const own = profile.groupings.find(({ id }) => id === grouping) ?? profile.groupings[0]!;
	const options = allowedOptions(profile, ordered[0]!.options);
	return controlCard(profile, [], own, noted, undefined, menuWanted(ordered, profile), options);
}

/** The card of a control by the zones that hang on it, with their fits. */
export const boxCard = (zones: readonly FittedZone[], profile: ControlProfile, noted?: Notes): KeyCard =>
	cardOf(profile, toHold(zones, profile), noted);

/** A zone's own card, and the week that it is for. Whoever has its fit already hands it in. */
export function zoneCard(
	zone: Zone,
	profile: ControlProfile,
	noted?: Notes,
	fit: Pick<ZoneFit, 'chosen'> = fitZone(zone, profile)
): { readonly chosen: Fit; readonly card: KeyCard } {
	return { chosen: fit.chosen, card: boxCard([{ zone, fit }], profile, noted) };
}

/** What is left to key at a control by all that is noted there, from rest. */
export function leftToKey(profile: ControlProfile, { items, operated }: KeyCard, noted: Notes): Turn {
	const { known } = standingAt(profile, operated.options, noted);
	return turnFrom(profile, { items, ...operated }, atRest(known));
}

/** How far the work at a control is: what is left to key, and groups of days read back from its display. */
export interface KeyingStanding {
	/** Values that are still to key; 0 where all is in. */
	readonly left: number;
	/** Presses that they take. */
	readonly presses: number;
	/** Values of the whole card, for a control as it was found. */
	readonly of: number;
	/** What was keyed at it and is planned otherwise by now, so that its week may be gone; null for none. */
	readonly otherwise: 'unit' | 'grouping' | null;
	readonly read: number;
	readonly toRead: number;
}

/** The groups of days of all channels, as they are read back: what is set once for the control once. */
export function groupsToRead(profile: ControlProfile, { channels, menu }: ToHold): ReadBackGroup[] {
	const all = channels.flatMap(({ options, program }) => readBackGroups(profile, options, program, menu));
	return all.filter((group, i) => all.findIndex(({ section }) => section === group.section) === i);
}

/** How far keying and reading back are at a control, by all that is noted there: what belongs to it is counted once. */
export function standingOf(profile: ControlProfile, hold: ToHold, noted: Notes): KeyingStanding {
	const card = cardOf(profile, hold, noted);
	const { steps, presses } = leftToKey(profile, card, noted);
	const replay = replayed(profile, noted, card.operated.options);
	// what nobody has looked at yet is not in, whatever it happens to hold
	const left = isNoted(notesAt(profile, noted)) ? steps.length : Math.max(1, steps.length);
	return {
		left,
		presses,
		of: Math.max(left, card.cost.route.values),
		otherwise: keyedOtherwise(profile, noted, replay.known, card),
		...readBackProgress(profile, groupsToRead(profile, hold), replay)
	};
}

/** The unit or the day grouping, where it was keyed and another is planned by now. */
function keyedOtherwise(
	profile: ControlProfile,
	noted: Notes,
	{ memory, unsure }: Known,
	{ operated: { options } }: KeyCard
): 'unit' | 'grouping' | null {
	if (notesAt(profile, noted).acts.length === 0) return null;
	for (const id of ['unit', 'grouping'] as const)
		if (!unsure.includes(id) && optionAt(profile, memory.options, id) !== optionAt(profile, options, id))
			return options.plain && id === 'grouping' ? null : id;
	return null;
}

/** How far keying and reading back are at a control, by the zones that hang on it. */
export const boxStanding = (
	zones: readonly FittedZone[],
	profile: ControlProfile,
	noted: Notes
): KeyingStanding => standingOf(profile, toHold(zones, profile), noted);

/** Of a control's card what one of its channels asks for, and what belongs to the control. */
export function itemsOfChannel(
	items: readonly CardItem[],
	profile: ControlProfile,
	channel: number
): CardItem[] {
	const others = new Set(channelsOf(profile)?.filter((_, i) => i !== channel));
	return items.filter(({ id }) => !id.split('/').some((part) => others.has(part)));
}
