import { allowedOptions, type ControlProfile } from '../control';
import { fitZone, type Fit } from '../fit';
import type { Zone } from '../plan';
import { keyCard, type Keyed, type KeyCard } from './card';

/**
 * What a zone's control is to hold and the card to key it from: its target week fitted in the grouping that counts, with
 * what was `keyed` so far taken into account as {@link keyCard} does.
 */
export function zoneCard(
	zone: Zone,
	profile: ControlProfile,
	keyed: Keyed = {}
): { readonly chosen: Fit; readonly card: KeyCard } {
	const { chosen } = fitZone(zone, profile);
	const options = allowedOptions(profile, zone.options);
	return { chosen, card: keyCard(profile, options, chosen.grouping, chosen.program, keyed) };
}
