import type { KeyCard } from './card';
import type { CardItem } from './cardItems';

/** What was keyed so far: what the display showed when it was confirmed, by item id. */
export type Keyed = Readonly<Record<string, string>>;

/** Whether this value is in the control already: keyed, and keyed as the plan now wants it. */
export function isKeyed(item: CardItem, keyed: Keyed): boolean {
	return keyed[item.id] === item.shows;
}

/** The place of the value to key after one: the next that is not in yet, else the first that is not, else the end. What is in already is not asked again. */
export function nextToKey(card: Pick<KeyCard, 'items'>, keyed: Keyed, after: number): number {
	const open = (item: CardItem, i: number) => i !== after && !isKeyed(item, keyed);
	const later = card.items.findIndex((item, i) => i > after && open(item, i));
	if (later >= 0) return later;
	const first = card.items.findIndex(open);
	return first >= 0 ? first : card.items.length;
}

/** Where a card stands: values in, values in all, and the index of the first one still to key (the count when none is). */
export function cardProgress(card: KeyCard, keyed: Keyed): { done: number; of: number; next: number } {
	const next = card.items.findIndex((item) => !isKeyed(item, keyed));
	return {
		done: card.items.filter((item) => isKeyed(item, keyed)).length,
		of: card.items.length,
		next: next === -1 ? card.items.length : next
	};
}
