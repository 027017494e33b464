import type { Stroke } from '$core/machine';

/** From how long on a key counts as held, in ms. */
export const HELD_AFTER_MS = 700;
/** How often a value runs on while its key is held, in ms. */
export const RUN_EVERY_MS = 110;

/** What fingers do at a panel becomes strokes: a tap a press, a key held so many seconds a hold, keys at once a hold together, a tap beside a key that is held one thing of both. */
export class Fingers {
	/** Which keys are down, and since when in ms. */
	#down = new Map<string, number>();
	/** Whether what is down has done something already: a value that ran on, a hold that ended. */
	#spent = false;
	readonly #onstroke: (stroke: Stroke) => void;
	/** Whether a key held runs a value on, where the control stands just now. */
	readonly #runs: (key: string) => boolean;

	constructor(onstroke: (stroke: Stroke) => void, runs: (key: string) => boolean) {
		this.#onstroke = onstroke;
		this.#runs = runs;
	}

	get down(): readonly string[] {
		return [...this.#down.keys()];
	}

	/** Whole seconds for which all that is down has been held; 0 for none, and while a value runs on. */
	heldSeconds(nowMs: number): number {
		if (this.#down.size === 0 || this.#spent) return 0;
		return Math.floor((nowMs - Math.max(...this.#down.values())) / 1000);
	}

	press(key: string, nowMs: number): void {
		if (this.#down.has(key)) return;
		if (this.#down.size === 0) this.#spent = false;
		this.#down.set(key, nowMs);
	}

	/** While keys are down: lets a value run on. Call it every {@link RUN_EVERY_MS}. */
	tick(nowMs: number): void {
		const [only] = this.#down;
		if (this.#down.size !== 1 || !only) return;
		const [key, since] = only;
		if (nowMs - since < HELD_AFTER_MS || !this.#runs(key)) return;
		this.#spent = true;
		this.#onstroke({ do: 'run', key, steps: 1 });
	}

	release(key: string, nowMs: number): void {
		const since = this.#down.get(key);
		if (since === undefined) return;
		const keys = [...this.#down.keys()];
		const heldMs = nowMs - Math.max(...this.#down.values());
		this.#down.delete(key);
		const isTap = nowMs - since < HELD_AFTER_MS && keys.at(-1) === key && keys.length > 1;
		if (isTap && nowMs - this.#down.get(keys[0]!)! >= HELD_AFTER_MS) {
			// what is held may be held on for another tap; let go it has done what it did
			this.#spent = true;
			return this.#onstroke({ do: 'tap', key, held: keys.slice(0, -1) });
		}
		if (this.#spent) return;
		if (keys.length > 1) {
			// those at once are one gesture, whichever is let go first
			this.#spent = true;
			this.#onstroke({ do: 'hold', keys: keys.slice(-3), seconds: Math.max(1, Math.round(heldMs / 1000)) });
		} else if (heldMs < HELD_AFTER_MS) this.#onstroke({ do: 'press', key, times: 1 });
		else this.#onstroke({ do: 'hold', keys: [key], seconds: Math.max(1, Math.round(heldMs / 1000)) });
	}

	/** The fingers are gone without having let go: nothing is done. */
	leave(): void {
		this.#down.clear();
		this.#spent = false;
	}
}
