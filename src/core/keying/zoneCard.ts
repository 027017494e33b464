import { allowedOptions, channelsOf, type ControlProfile } from '../control';
import { fitZone, type Fit, type ZoneFit } from '../fit';
import type { Zone } from '../plan';
import { menuWanted } from './atControl';
import { controlCard, keyCard, type KeyCard } from './card';
import type { CardItem } from './cardItems';
import { cardProgress, type Keyed } from './keyed';
import { foundOf } from './keyedIds';
import { readBackGroups, readBackProgress } from './readBack';

/**
 * What a zone's control is to hold and the card to key it from: its target week fitted in the grouping that counts, with
 * what was `keyed` so far taken into account as {@link keyCard} does. Whoever has its fit already hands it in.
 */
export function zoneCard(
	zone: Zone,
	profile: ControlProfile,
	keyed: Keyed = {},
	{ chosen }: Pick<ZoneFit, 'chosen'> = fitZone(zone, profile)
): { readonly chosen: Fit; readonly card: KeyCard } {
	const options = allowedOptions(profile, zone.options);
	const menu = menuWanted([zone], profile);
	return {
		chosen,
		card: keyCard(profile, options, chosen.grouping, chosen.program, keyed, undefined, 'as-new', menu)
	};
}

/** How far the work at a zone's control is: values keyed, and groups of days read back from its display. */
export interface KeyingStanding {
	readonly done: number;
	readonly of: number;
	readonly read: number;
	readonly toRead: number;
}

/** A zone's fit and how far keying and reading back are, by all that is noted at its control. */
export function keyingStanding(
	zone: Zone,
	profile: ControlProfile,
	noted: Keyed,
	fit?: Pick<ZoneFit, 'chosen'>
): KeyingStanding & { readonly chosen: Fit } {
	const { chosen, card } = zoneCard(zone, profile, noted, fit);
	const { done, of } = cardProgress(card, noted);
	const groups = readBackGroups(
		profile,
		allowedOptions(profile, zone.options),
		chosen.program,
		menuWanted([zone], profile)
	);
	return { chosen, done, of, ...readBackProgress(groups, noted) };
}

/** A zone of a control with its fit. */
export interface FittedZone {
	readonly zone: Zone;
	readonly fit: Pick<ZoneFit, 'chosen'>;
}

/** The zones of one control in the order of its channels, as the control asks for them. */
export const byChannel = <Z extends { readonly zone: Pick<Zone, 'options'> }>(zones: readonly Z[]): Z[] =>
	[...zones].sort((a, b) => a.zone.options.channel - b.zone.options.channel);

/** The one card of a control: of a zone that has it to itself its own, else channel by channel. Every fit must be in the grouping that they share. */
export function boxCard(zones: readonly FittedZone[], profile: ControlProfile, keyed: Keyed = {}): KeyCard {
	const channels = byChannel(zones).map(({ zone, fit }) => ({
		options: allowedOptions(profile, zone.options),
		program: fit.chosen.program
	}));
	const { grouping } = zones[0]!.fit.chosen;
	const menu = menuWanted(
		byChannel(zones).map(({ zone }) => zone),
		profile
	);
	return controlCard(profile, channels, grouping, keyed, undefined, foundOf(keyed), menu);
}

/** Of a control's card what one of its channels asks for, and what belongs to the control. */
export function itemsOfChannel(
	items: readonly CardItem[],
	profile: ControlProfile,
	channel: number
): CardItem[] {
	const others = new Set(channelsOf(profile)?.filter((_, i) => i !== channel));
	return items.filter(({ id }) => !id.split('/').some((part) => others.has(part)));
}

/** How far keying and reading back are at a control, whatever hangs on it: what belongs to it is counted once. */
export function boxStanding(
	zones: readonly FittedZone[],
	profile: ControlProfile,
	noted: Keyed
): KeyingStanding {
	const { done, of } = cardProgress(boxCard(zones, profile, noted), noted);
	const ofBox = byChannel(zones);
	const menu = menuWanted(
		ofBox.map(({ zone }) => zone),
		profile
	);
	const groups = ofBox.flatMap(({ zone, fit }) =>
		readBackGroups(profile, allowedOptions(profile, zone.options), fit.chosen.program, menu)
	);
	const once = groups.filter(
		(group, i) => groups.findIndex(({ section }) => section === group.section) === i
	);
	return { done, of, ...readBackProgress(once, noted) };
}
