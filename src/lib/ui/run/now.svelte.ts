import { onMount } from 'svelte';

/**
 * The right time as it goes on, from the server's clock at the time of loading: a phone's own clock may be wrong.
 * Ticks every second while the page is open.
 */
export class RightTime {
	#ms = $state(0);

	constructor(serverMs: number) {
		this.#ms = serverMs;
		onMount(() => {
			const startedAt = performance.now();
			const every = setInterval(() => (this.#ms = serverMs + performance.now() - startedAt), 1000);
			return () => clearInterval(every);
		});
	}

	get ms(): number {
		return this.#ms;
	}
}
