import { AsyncLocalStorage, AsyncResource } from 'node:async_hooks';
import { vi } from 'vitest';
import type { Answer, call } from '../../src/lib/ui/call';
import type { Chance } from './follower';

/**
 * Browsers on one bad network, in one process: each has a storage and locks of its own, which its windows share. Time goes by only in
 * {@link passTime}; what the server does meanwhile is waited for.
 */
export class Browser {
	readonly kept = new Map<string, string>();
	readonly #locks = new Map<string, Promise<unknown>>();
	/** Called in the other windows when one of them keeps something. */
	readonly heard = new Set<(name: string) => void>();

	/** Does something as a page of this browser. */
	as<T>(act: () => T): T {
		return here.run(this, act);
	}

	keep(name: string, text: string | null): void {
		if (text === null) this.kept.delete(name);
		else this.kept.set(name, text);
		for (const one of this.heard) setTimeout(() => one(name), 1);
	}

	lock<T>(name: string, act: () => Promise<T>): Promise<T> {
		const own = (this.#locks.get(name) ?? Promise.resolve()).then(act);
		this.#locks.set(
			name,
			own.catch(() => undefined)
		);
		return own;
	}
}

const here = new AsyncLocalStorage<Browser>();
const nobody = new Browser();
const current = () => here.getStore() ?? nobody;

let inFlight = 0;
const really = setImmediate;
const turn = () => new Promise<void>((resolve) => really(resolve));

/** Browsers take the place of the one that a test runs in. Call {@link noBrowsers} after. */
export function browsers(nowMs: number): void {
	vi.useFakeTimers({
		now: nowMs,
		toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'Date']
	});
	// what waits goes on in the browser that it waited in
	const { setTimeout: fake } = globalThis;
	vi.stubGlobal('setTimeout', (act: () => void, ms?: number) => fake(AsyncResource.bind(act), ms));
	vi.stubGlobal('localStorage', {
		getItem: (key: string) => current().kept.get(key) ?? null,
		setItem: (key: string, value: string) => current().keep(key, value),
		removeItem: (key: string) => current().keep(key, null),
		key: (at: number) => [...current().kept.keys()][at] ?? null,
		get length() {
			return current().kept.size;
		}
	});
	vi.stubGlobal('navigator', {
		locks: { request: <T>(name: string, act: () => Promise<T>) => current().lock(name, act) }
	});
}

export function noBrowsers(): void {
	vi.unstubAllGlobals();
	vi.useRealTimers();
}

/** Lets time go by, in ms, and waits for all that a server does in it. */
export async function passTime(ms: number): Promise<void> {
	for (let left = ms; left > 0; left -= 25) {
		await vi.advanceTimersByTimeAsync(Math.min(25, left));
		do await turn();
		while (inFlight > 0);
	}
}

/** What a server answers to a request. */
export type Serve = (
	path: string,
	body: unknown
) => Promise<{ readonly status: number; readonly data: unknown }>;

/** How bad a network is: how many of a hundred requests are lost on the way, or their answers, come twice, or late; `isDown` loses all. */
export interface Badness {
	isDown: boolean;
	lost: number;
	answerLost: number;
	twice: number;
	late: number;
}

const unreachable: Answer<never> = { ok: false, status: 0, sentence: '', data: null };
const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** A way to ask a server through a network that drops, doubles, delays and so reorders what is sent. */
export function through(serve: Serve, network: Badness, chance: Chance): typeof call {
	const arrive = async (path: string, text: string) => {
		inFlight++;
		try {
			return await serve(path, JSON.parse(text));
		} finally {
			inFlight--;
		}
	};
	const often = (percent: number) => chance(100) < percent;
	return (async (_method: string, path: string, body: unknown) => {
		const text = JSON.stringify(body);
		await wait(10 + chance(40) + (often(network.late) ? chance(4000) : 0));
		if (network.isDown || often(network.lost)) return unreachable;
		if (often(network.twice)) void wait(chance(6000)).then(() => arrive(path, text).catch(() => undefined));
		const { status, data } = await arrive(path, text);
		await wait(10 + (often(network.late) ? chance(2000) : 0));
		if (network.isDown || often(network.answerLost)) return unreachable;
		return status < 300
			? { ok: true, data: JSON.parse(JSON.stringify(data)) as unknown }
			: { ok: false, status, sentence: '', data };
	}) as typeof call;
}
