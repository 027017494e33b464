import { onMount } from 'svelte';
import { call } from '../call';

/** The right time as it goes on: by the server, asked once; by this device while the server cannot be reached. */
export class VisitTime {
	#ms = $state(Date.now());
	#own = $state(false);

	constructor() {
		onMount(() => {
			let skew = 0;
			void call<{ nowMs: number }>('GET', '/api/health').then((answer) => {
				if (answer.ok) skew = answer.data.nowMs - Date.now();
				else this.#own = true;
			});
			const every = setInterval(() => (this.#ms = Date.now() + skew), 500);
			return () => clearInterval(every);
		});
	}

	get ms(): number {
		return this.#ms;
	}

	/** Whether it is only this device's. */
	get own(): boolean {
		return this.#own;
	}
}
