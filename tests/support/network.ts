import { afterEach, beforeEach, vi } from 'vitest';
import { call } from '../../src/lib/ui/call';

/**
 * A browser's network and storage for tests of what queues, saves and sends: the test plays the server, and says when
 * requests do not get there, or get there while the answer is lost on the way back.
 */
export type Network = 'up' | 'down' | 'answer-lost' | 'hangs';

export interface Reply {
	readonly status: number;
	readonly body: unknown;
}
type Server = (method: string, path: string, body: unknown) => Reply;

let network: Network = 'up';
let server: Server = () => ({ status: 404, body: null });
/** What the server was asked, in order. */
export let asked: { method: string; path: string; body: unknown }[] = [];

export const net = {
	set is(next: Network) {
		network = next;
	},
	serve(next: Server) {
		server = next;
	},
	/** What is served now, for another to stand before it. */
	get served(): Server {
		return server;
	}
};

/** Lets time go by, in ms: what waits for its turn has it. */
export const later = (ms: number) => vi.advanceTimersByTimeAsync(ms);

/**
 * Pages of one window, each in the place of the one before: gives the way to ask the server to each, and to hold others off meanwhile. What
 * a page that is gone has sent still comes in, but nobody hears the answer, and nobody waits for it.
 */
export function pages() {
	let leave: () => void = () => undefined;
	return () => {
		leave();
		let isGone = false;
		const gone = new Promise<void>((resolve) => {
			leave = () => {
				isGone = true;
				resolve();
			};
		});
		const unlessGone = <T>(value: T) => (isGone ? new Promise<T>(() => undefined) : value);
		const ask: typeof call = async (method, path, body) => {
			await unlessGone(null);
			return unlessGone(await call(method, path, body));
		};
		const alone = <T>(name: string, act: () => Promise<T>): Promise<T> =>
			new Promise((resolve, reject) => {
				if (isGone) return;
				void lock(name, () => Promise.race([act().then(resolve, reject), gone]));
			});
		return { ask, alone };
	};
}

/** Locks as a browser has them: one at a time holds each. */
let held = new Map<string, Promise<unknown>>();
function lock<T>(name: string, act: () => Promise<T>): Promise<T> {
	const own = (held.get(name) ?? Promise.resolve()).then(act);
	held.set(
		name,
		own.catch(() => undefined)
	);
	return own;
}

beforeEach(() => {
	vi.useFakeTimers({ now: Date.UTC(2026, 10, 25, 9) });
	network = 'up';
	asked = [];
	const kept = new Map<string, string>();
	vi.stubGlobal('localStorage', {
		getItem: (key: string) => kept.get(key) ?? null,
		setItem: (key: string, value: string) => void kept.set(key, value),
		removeItem: (key: string) => void kept.delete(key),
		key: (at: number) => [...kept.keys()][at] ?? null,
		get length() {
			return kept.size;
		}
	});
	held = new Map();
	vi.stubGlobal('navigator', { locks: { request: lock } });
	vi.stubGlobal('fetch', async (path: string, init: RequestInit) => {
		// a request takes a while, so that others are made meanwhile
		await new Promise((resolve) => setTimeout(resolve, 20));
		if (network === 'hangs')
			return new Promise((_, reject) =>
				init.signal?.addEventListener('abort', () => reject(new DOMException('aborted', 'AbortError')))
			);
		if (network === 'down') throw new TypeError('Failed to fetch');
		const body: unknown = typeof init.body === 'string' ? JSON.parse(init.body) : init.body;
		asked.push({ method: init.method ?? 'GET', path, body });
		const { status, body: said } = server(init.method ?? 'GET', path, body);
		await new Promise((resolve) => setTimeout(resolve, 20));
		if (network === 'answer-lost') throw new TypeError('Failed to fetch');
		return new Response(status === 204 ? null : JSON.stringify(said), { status });
	});
});

afterEach(() => {
	vi.unstubAllGlobals();
	vi.useRealTimers();
});
