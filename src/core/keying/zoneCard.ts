import { allowedOptions, type ControlProfile } from '../control';
import { fitZone, type Fit, type ZoneFit } from '../fit';
import type { Zone } from '../plan';
import { cardProgress, keyCard, type Keyed, type KeyCard } from './card';
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
	return { chosen, card: keyCard(profile, options, chosen.grouping, chosen.program, keyed) };
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
	const groups = readBackGroups(profile, allowedOptions(profile, zone.options), chosen.program);
	return { chosen, done, of, ...readBackProgress(groups, noted) };
}
