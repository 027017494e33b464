import { cardProgress, isKeyed, nextToKey, type CardItem, type KeyCard, type Keyed } from '$core/keying';
import { changedValues, type ChangedValue } from './planChange';

/**
 * The card at a control as the person has seen it, and where they are on it. Another plan is told value by value; the value on show stays as it is
 * until they have confirmed it or asked for the new one, so that nothing changes under the thumb and nothing is noted that was not keyed.
 */
export class HeldCard {
	#card = $state.raw<KeyCard>() as KeyCard;
	/** The card as the plan asks for it now. */
	#latest: KeyCard;
	#index = $state(0);
	#changes = $state.raw<readonly ChangedValue[]>([]);
	#instead = $state.raw<{ readonly now: string | null } | null>(null);
	/** Until something is done here, what is keyed elsewhere moves this card on too. */
	#touched = false;
	readonly #keyed: () => Keyed;

	/** `keyed` is what is keyed by now. */
	constructor(card: KeyCard, keyed: () => Keyed) {
		this.#card = this.#latest = card;
		this.#keyed = keyed;
		this.#index = this.progress.next;
	}

	get card(): KeyCard {
		return this.#card;
	}
	get items(): readonly CardItem[] {
		return this.#card.items;
	}
	/** The place of the value on show; past the last one everything is in. */
	get index(): number {
		return this.#index;
	}
	get item(): CardItem | undefined {
		return this.items[this.#index];
	}
	get progress() {
		return cardProgress(this.#card, this.#keyed());
	}
	/** How many values were keyed otherwise than they are asked for. */
	get toKeyAgain(): number {
		const keyed = this.#keyed();
		return this.items.filter((one) => keyed[one.id] !== undefined && keyed[one.id] !== one.shows).length;
	}
	/** What comes after the value on show, in the order in which it is come to: those before it last. */
	get upNext(): readonly CardItem[] {
		const open = (one: CardItem) => one !== this.item && !isKeyed(one, this.#keyed());
		return [...this.items.slice(this.#index + 1), ...this.items.slice(0, this.#index)].filter(open);
	}
	/** What the plan asks for otherwise than was first seen here, until the person has read it. */
	get changes(): readonly ChangedValue[] {
		return this.#changes;
	}
	/** What the value on show is to be by now, while the old one is held; `now` is null where it is asked for no more. */
	get instead(): { readonly now: string | null } | null {
		return this.#instead;
	}

	/** Takes the card as the plan asks for it now. */
	take(next: KeyCard): void {
		if (next === this.#latest) return;
		this.#latest = next;
		const all = changedValues(this.items, next.items);
		// while a value is held the card is still the first one: what was changed back is no change
		const before = this.#instead ? [] : this.#changes;
		const was = (one: ChangedValue) => before.find(({ id }) => id === one.id)?.was ?? one.was;
		this.#changes = [
			...before.filter((one) => !all.some(({ id }) => id === one.id)),
			...all.map((one) => ({ ...one, was: was(one) }))
		].filter((one) => one.was !== one.now);
		const held = all.find((one) => one.id === this.item?.id);
		if (held) this.#instead = { now: held.now };
		else this.#showLatest();
	}

	#showLatest(): void {
		const id = this.item?.id;
		this.#card = this.#latest;
		this.#instead = null;
		const at = this.items.findIndex((one) => one.id === id);
		this.#index = at >= 0 ? at : this.progress.next;
	}

	/** The person has read what is otherwise: the value that was held gives way to the new one. */
	seen(): void {
		this.#changes = [];
		if (this.#instead) this.#showLatest();
	}

	/** The value on show was keyed and noted: the next, or the same place where the plan asks for another value there by now. */
	confirmed(): void {
		this.#touched = true;
		const again = this.#instead !== null && this.#instead.now !== null;
		if (this.#instead) this.#showLatest();
		if (!again) this.#index = nextToKey(this.#card, this.#keyed(), this.#index);
		this.end();
	}

	/** To a value that the person chose. */
	go(index: number): void {
		this.#touched = true;
		this.#index = index;
		// what was held is left: what is chosen is shown as it is asked for now
		if (this.#instead) this.#showLatest();
	}

	/** Follows what is keyed elsewhere while nothing is done here; and at the end goes back to what must be keyed again. */
	end(): void {
		const { next } = this.progress;
		if (!this.#touched || (this.#index >= this.items.length && next < this.items.length)) this.#index = next;
	}
}
