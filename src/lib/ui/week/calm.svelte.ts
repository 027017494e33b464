import { untrack } from 'svelte';
import { NowAndThen } from '../nowAndThen';

/** Milliseconds between two looks at what is just being dragged. */
const PAUSE_MS = 125;

/**
 * Follows a value at once, but only now and then while `busy`: what stands beside a drawing that is being dragged need not
 * be drawn with every frame. Call while a component is made.
 */
export function calmly<T extends object>(now: () => T, busy: () => boolean): { readonly value: T } {
	let seen = $state.raw<T | null>(null);
	const calm = new NowAndThen<T>(PAUSE_MS, (latest) => (seen = latest));
	const value = $derived(busy() && seen !== null ? seen : now());
	$effect(() => {
		if (busy()) return calm.next(now());
		calm.stop();
		untrack(() => (seen = null));
	});
	$effect(() => () => calm.stop());
	return {
		get value() {
			return value;
		}
	};
}
