import type { ControlProfile } from '$core/control';
import {
	cardProgress,
	foundOf,
	isKeyed,
	keysOfCard,
	nextToKey,
	type CardItem,
	type CardKeys,
	type ItemKeys,
	type KeyCard,
	type Keyed
} from '$core/keying';
import { isOperable } from '$core/machine';
import { changedValues, type ChangedValue } from './planChange';

/**
 * The card at a control as the person has seen it, and where they are on it. Another plan is told value by value; the value on show stays as it is
 * until they have confirmed it or asked for the new one, so that nothing changes under the thumb and nothing is noted that was not keyed.
 */
export class HeldCard {
	#card = $state.raw<KeyCard>() as KeyCard;
	/** The card as the plan asks for it now. */
	#latest: KeyCard;
	/** When that was read by the server, in ms. */
	#readAtMs: number;
	#index = $state(0);
	#changes = $state.raw<readonly ChangedValue[]>([]);
	#instead = $state.raw<{ readonly now: string | null } | null>(null);
	/** Until something is done here, what is keyed elsewhere moves this card on too. */
	#touched = false;
	/** Whether the value on show is come to from the one before it, so that the control stands there. */
	#goingOn = $state(false);
	readonly #keyed: () => Keyed;
	readonly #profile: ControlProfile | null;
	/** The keys of the whole card, as far as it is still to be keyed; null where its panel is not described. */
	readonly #keys: CardKeys | null = $derived.by(() => this.#allKeys());

	/** `keyed` is what is keyed by now, `readAtMs` when the card was read; with `profile` the keys are told where they are known. */
	constructor(
		card: KeyCard,
		keyed: () => Keyed,
		{
			profile = null,
			readAtMs = 0
		}: { readonly profile?: ControlProfile | null; readonly readAtMs?: number } = {}
	) {
		this.#card = this.#latest = card;
		this.#readAtMs = readAtMs;
		this.#keyed = keyed;
		this.#profile = profile;
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
	#allKeys(): CardKeys | null {
		const [profile, { items, operated }, keyed] = [this.#profile, this.#card, this.#keyed()];
		if (!profile || !operated || !isOperable(profile)) return null;
		return keysOfCard(profile, { items, ...operated }, keyed, foundOf(keyed));
	}
	/** The keys for the value on show; null where they are not known, or it is in already. */
	get keys(): ItemKeys | null {
		return this.#keys?.items[this.#index] ?? null;
	}
	/** The keys that leave the control once all is in. */
	get leave(): CardKeys['leave'] {
		return this.#keys?.leave ?? [];
	}
	/** Whether the value on show is come to from the one before it. */
	get goingOn(): boolean {
		return this.#goingOn;
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

	/** Takes the card as the plan asks for it now; one that was read before the last is passed over: it was kept somewhere meanwhile. */
	take(next: KeyCard, readAtMs = this.#readAtMs): void {
		if (next === this.#latest || readAtMs < this.#readAtMs) return;
		this.#latest = next;
		this.#readAtMs = readAtMs;
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
		this.#goingOn = true;
		const again = this.#instead !== null && this.#instead.now !== null;
		if (this.#instead) this.#showLatest();
		if (!again) this.#index = nextToKey(this.#card, this.#keyed(), this.#index);
		this.end();
	}

	/** To a value that the person chose. */
	go(index: number): void {
		this.#touched = true;
		this.#goingOn = false;
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
