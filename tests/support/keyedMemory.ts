import { sampleZone } from '../../src/core/checks';
import { cardAsNew, zoneCard } from '../../src/core/keying';
import type { Memory, Operable } from '../../src/core/machine';

/** What a control holds once the card of its sample week is keyed. */
export function anyMemoryOf(profile: Operable): Memory {
	const { card } = zoneCard(sampleZone(profile), profile);
	return cardAsNew(profile, { items: card.items, ...card.operated }).memory;
}
