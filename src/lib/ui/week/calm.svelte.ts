import { untrack } from 'svelte';
import { NowAndThen } from '../nowAndThen';

/** Milliseconds between two looks at what is just being dragged. */
const PAUSE_MS = 250;

/**
 * Follows a value at once, but only now and then while `busy`: what stands beside a drawing that is pressed or dragged need not
 * be drawn with every frame, nor in the moment of the press. Call while a component is made.
 */
export function calmly<T extends object>(now: () => T, busy: () => boolean): { readonly value: T } {
	/** What stood there before the hand came down, then what was seen last. */
	let seen = $state.raw<T>(untrack(now));
	const calm = new NowAndThen<T>(PAUSE_MS, (latest) => (seen = latest));
	const value = $derived(busy() ? seen : now());
	$effect(() => {
		const latest = now();
		if (busy()) return calm.next(latest);
		calm.stop();
		untrack(() => (seen = latest));
	});
	$effect(() => () => calm.stop());
	return {
		get value() {
			return value;
		}
	};
}
