import { untrack } from 'svelte';
import type { KeyingStanding } from '$core/keying';

/** What a page knows of its zone before the lists do. */
export interface LiveZone extends Partial<KeyingStanding> {
	/** Minutes of the week that are too cold and too warm. */
	readonly coldMinutes?: number;
	readonly warmMinutes?: number;
	/** Whether nobody has drawn its week yet. */
	readonly undrawn?: boolean;
	/** Whether the plan was changed here and what follows from it has not been read again yet. */
	readonly changed?: boolean;
}

/**
 * How the zone on screen stands by what its page shows: what stands beside a tab is taken from here first, so that it is
 * never older than the page. One zone at a time.
 */
class Live {
	#zoneId = $state('');
	#known = $state.raw<LiveZone>({});

	of(zoneId: string): LiveZone {
		return zoneId === this.#zoneId ? this.#known : {};
	}

	/** Takes what a page knows of a zone; of another zone nothing is kept. */
	show(zoneId: string, known: LiveZone): void {
		// an effect that tells of its page must not follow what it tells
		untrack(() => {
			this.#known = zoneId === this.#zoneId ? { ...this.#known, ...known } : known;
			this.#zoneId = zoneId;
		});
	}

	/** Forgets what pages knew: what was read again is as new. */
	forget(): void {
		this.#known = {};
	}
}

export const live = new Live();
