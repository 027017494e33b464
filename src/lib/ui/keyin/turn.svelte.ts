import { isKeyed, readId, type CardItem } from '$core/keying';
import { aloud } from './aloud.svelte';
import type { HeldCard } from './heldCard.svelte';
import type { KeyedNotes } from './keyedNotes.svelte';
import { ownPace } from './pace.svelte';

/** Keys that go on and back, also those of a headset and of a clicker. */
const FORWARD = ['ArrowRight', 'PageDown', 'MediaPlayPause', 'MediaTrackNext'];
const BACK = ['ArrowLeft', 'Backspace', 'PageUp', 'MediaTrackPrevious'];

/** A turn at the control: what is confirmed, where one goes on the card, and how long each value took. */
export function turnAt(held: HeldCard, notes: KeyedNotes, onmoved: () => void) {
	/** When the value on show came up, for learning the person's pace. */
	let shownAt = 0;
	/** When the last key was pressed here, for the control's menu leaves by itself. */
	let pressedAt = $state(0);

	function confirm() {
		const { item } = held;
		if (!item) return;
		if (!isKeyed(item, notes.keyed)) timed(item);
		notes.note(item.id, item.shows);
		// what was read before it was keyed again is to be read again
		const read = notes.keyed[readId(item.id)];
		if (read !== undefined && read !== item.shows) notes.note(readId(item.id), null);
		held.confirmed();
		onmoved();
		shownAt = pressedAt = performance.now();
	}

	/** A value confirmed right after the one before it tells how fast this person keys. */
	function timed(one: CardItem) {
		if (shownAt > 0) ownPace.note({ presses: one.presses, seconds: (performance.now() - shownAt) / 1000 });
	}

	/** To another value than the next: what that takes says nothing of the person's pace. */
	function go(to: number) {
		shownAt = 0;
		if (to === held.index) return;
		held.go(to);
		pressedAt = performance.now();
	}
	const back = () => go(Math.max(0, held.index - 1));

	function onkeydown(event: KeyboardEvent) {
		if (
			event.ctrlKey ||
			event.metaKey ||
			event.altKey ||
			(event.target as HTMLElement).closest('[role="dialog"], input')
		)
			return;
		const onControl = (event.target as HTMLElement).closest('a:not(.go), button:not(.go)');
		if (FORWARD.includes(event.key) || ((event.key === 'Enter' || event.key === ' ') && !onControl))
			confirm();
		else if (BACK.includes(event.key)) back();
		else return;
		event.preventDefault();
	}

	/** While the card is read aloud a tap anywhere goes on, but for what is pressed itself. */
	function onclick(event: MouseEvent) {
		const own = (event.target as HTMLElement).closest(
			'a, button, input, select, label, dialog, [role="dialog"]'
		);
		if (aloud.on && !own) confirm();
	}

	return {
		onclick,
		get pressedAt() {
			return pressedAt;
		},
		confirm,
		go,
		back,
		onkeydown
	};
}
