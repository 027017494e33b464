import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { KeptAnswers } from '$lib/ui/visit/keptMessages';

type Listener = (event: never) => void;
const origin = 'http://127.0.0.1:4610';
/** A page that is kept is shown after so long, one that is not is given up after so long, in ms: what the visit promises. */
const [KEPT_AFTER, GIVEN_UP_AFTER] = [2000, 8000];

/** What the worker listens to, its caches, and the server it asks; time to finish is what it asked the browser for. */
let listeners: Record<string, Listener>;
let kept: Map<string, Map<string, { body: string; headers: Headers }>>;
/** Answers, fails (null), or never says anything. */
let server: (path: string) => Response | null | 'hangs';
let full: boolean;

const cache = (name: string) => {
	const held = kept.get(name) ?? new Map<string, { body: string; headers: Headers }>();
	kept.set(name, held);
	const address = (key: string | Request) => new URL(typeof key === 'string' ? key : key.url, origin).href;
	return {
		keys: async () => [...held.keys()].map((url) => ({ url })),
		match: async (key: string | Request) => {
			const had = held.get(address(key));
			return had && new Response(had.body, { headers: had.headers });
		},
		put: async (key: string | Request, answer: Response) => {
			if (full) throw new DOMException('no room', 'QuotaExceededError');
			held.set(address(key), { body: await answer.text(), headers: answer.headers });
		}
	};
};

const start = async () => {
	listeners = {};
	vi.resetModules();
	await import('./service-worker');
};

beforeEach(async () => {
	vi.useFakeTimers({ now: Date.UTC(2026, 10, 25, 9) });
	kept = new Map();
	full = false;
	server = (path) => new Response(`now ${path}`);
	vi.stubGlobal('addEventListener', (kind: string, listener: Listener) => (listeners[kind] = listener));
	vi.stubGlobal('location', { href: `${origin}/`, origin });
	vi.stubGlobal('skipWaiting', async () => undefined);
	vi.stubGlobal('clients', { claim: async () => undefined });
	vi.stubGlobal('caches', {
		open: async (name: string) => cache(name),
		keys: async () => [...kept.keys()],
		delete: async (name: string) => kept.delete(name),
		match: async (path: string) => {
			for (const name of kept.keys()) {
				const found = await cache(name).match(path);
				if (found) return found;
			}
		}
	});
	vi.stubGlobal('fetch', async (asked: string | { url: string }) => {
		const answer = server(new URL(typeof asked === 'string' ? asked : asked.url, origin).pathname);
		if (answer === 'hangs') return new Promise(() => undefined);
		if (!answer) throw new TypeError('Failed to fetch');
		return answer;
	});
	await start();
});
afterEach(() => {
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

/** Something happens to the worker; waits for all it asked time for. */
async function happens(kind: string, more: object): Promise<void> {
	const work: Promise<unknown>[] = [];
	listeners[kind]!({ ...more, waitUntil: (one: Promise<unknown>) => work.push(one) } as never);
	await vi.advanceTimersByTimeAsync(0);
	await Promise.all(work);
}

/** What the browser gets for an address within so many ms; null where the worker leaves it alone, undefined where nothing has come by then. */
async function get(path: string, more: object = {}, withinMs = 0): Promise<string | null | undefined> {
	let answer: Promise<Response> | null = null;
	await happens('fetch', {
		request: { url: `${origin}${path}`, method: 'GET', mode: 'navigate', ...more },
		clientId: 'window',
		resultingClientId: 'window',
		respondWith: (given: Promise<Response>) => (answer = given)
	});
	if (!answer) return null;
	let text: string | undefined;
	(answer as Promise<Response>).then(
		async (response) => (text = response.type === 'error' ? 'failed' : await response.text()),
		() => (text = 'failed')
	);
	await vi.advanceTimersByTimeAsync(withinMs);
	return text;
}

/** Asks the worker as a page does. */
async function ask<Ask extends keyof KeptAnswers>(
	what: Ask,
	asked: KeptAnswers[Ask]['asked']
): Promise<KeptAnswers[Ask]['answer']> {
	let answer: unknown;
	const ports = [{ postMessage: (said: unknown) => (answer = said) }];
	await happens('message', { data: { ask: what, ...asked }, source: { id: 'window' }, ports });
	return answer as KeptAnswers[Ask]['answer'];
}
const visit = '/sites/a/visit';
const data = { mode: 'cors' };

it('gives the pages of a visit as they are, and as they were last when the network is gone or something before the program says so', async () => {
	expect(await ask('keep', { page: visit })).toBe(true);
	server = (path) => new Response(`later ${path}`);
	expect(await get(visit)).toBe(`later ${visit}`);
	expect(await ask('age', { path: visit })).toBeNull();
	for (const gone of [() => null, () => new Response('bad gateway', { status: 502 })]) {
		server = gone;
		expect(await get(visit)).toBe(`later ${visit}`);
		// since when it was kept is said once, to the window that shows it
		expect(await ask('age', { path: visit })).toBe(Date.now());
		expect(await get(`${visit}/__data.json?x-sveltekit-invalidated=01`, data)).toBe(
			`now ${visit}/__data.json`
		);
	}
	// the program's own refusals are shown
	server = () => new Response('No such site.', { status: 404 });
	expect(await get(visit)).toBe('No such site.');
});

it('waits two seconds for a network that hangs where the page is kept, eight where it is not, and then not again at once', async () => {
	await ask('keep', { page: visit });
	server = () => 'hangs';
	expect(await get(visit, {}, KEPT_AFTER - 1)).toBeUndefined();
	await vi.advanceTimersByTimeAsync(10_000);
	expect(await get(visit, {}, KEPT_AFTER)).toBe(`now ${visit}`);
	expect(await get(visit, {}, KEPT_AFTER / 2)).toBe(`now ${visit}`);
	// slow for a page that is kept is not gone for one that is not
	expect(await get('/sites/a/away', {}, GIVEN_UP_AFTER - 1)).toBeUndefined();
	await vi.advanceTimersByTimeAsync(10_000);
	expect(await get('/sites/a/heat', {}, GIVEN_UP_AFTER - 1)).toBeUndefined();
	await vi.advanceTimersByTimeAsync(10_000);
	const said = await get('/sites/a/heat', {}, GIVEN_UP_AFTER);
	expect(said).toContain('No connection, and this page is not kept on this device');
	expect(said).toContain('<a href="/sites/a/visit">Back into the visit</a>');
	// of another site's visit it does not speak
	expect(await get('/sites/b/heat', {}, GIVEN_UP_AFTER)).not.toContain('/sites/a/visit');
	expect(await get('/sites/a/heat/__data.json', data, GIVEN_UP_AFTER)).toBe('failed');
});

it('leaves a page that is read anew as it stands where nobody answers', async () => {
	await ask('keep', { page: visit });
	server = () => null;
	await ask('anew', { path: visit });
	expect(await get(`${visit}/__data.json?x-sveltekit-invalidated=011`, data)).toBe(
		JSON.stringify({ type: 'data', nodes: [{ type: 'skip' }, { type: 'skip' }, { type: 'skip' }] })
	);
	// gone back to, it is given as it was kept
	expect(await get(`${visit}/__data.json?x-sveltekit-invalidated=011`, data)).toBe(
		`now ${visit}/__data.json`
	);
	// read anew twice before either is asked for, neither is given what was kept
	for (let n = 0; n < 2; n++) await ask('anew', { path: visit });
	for (let n = 0; n < 2; n++)
		expect(await get(`${visit}/__data.json?x-sveltekit-invalidated=01`, data)).toContain('skip');
	expect(await get(`${visit}/__data.json`, data)).toBe(`now ${visit}/__data.json`);
	// left before it was asked for, and come back to, it is given as it was kept
	await ask('anew', { path: visit });
	await get('/sites/a/__data.json', data, GIVEN_UP_AFTER);
	expect(await get(`${visit}/__data.json?x-sveltekit-invalidated=11`, data)).toBe(`now ${visit}/__data.json`);
});

it('shows a page that there is no room to keep, and says that it is not kept', async () => {
	full = true;
	expect(await get(visit)).toBe(`now ${visit}`);
	expect(await ask('keep', { page: visit })).toBe(false);
	expect(await ask('kept', { pages: [visit] })).toEqual({});
});

it('leaves the API, other places and what is sent alone, and keeps no list that was searched', async () => {
	expect(await get('/api/v1/jobs')).toBeNull();
	expect(await get('/due')).toBeNull();
	expect(await get(visit, { method: 'POST' })).toBeNull();
	expect(await get(visit, { url: `http://127.0.0.1:4611${visit}` })).toBeNull();
	await get('/');
	server = () => new Response('searched');
	await get('/?name=osier');
	server = () => null;
	expect(await get('/')).toBe('now /');
});

it('keeps anew only what is kept, leaves what cannot be had now as it was, says since when, and forgets all when told', async () => {
	const clocks = '/sites/a/clocks';
	for (const page of [visit, clocks]) await ask('keep', { page });
	const first = Date.now();
	await vi.advanceTimersByTimeAsync(60_000);
	server = (path) => (path.includes('clocks') ? null : new Response(`later ${path}`));
	const pages = [visit, clocks, '/sites/a/zones/z/key-in'];
	for (const page of pages) await ask('keep', { page, ifKept: true });
	expect(await ask('kept', { pages })).toEqual({ [visit]: Date.now(), [clocks]: first });
	server = () => null;
	expect(await get(visit)).toBe(`later ${visit}`);
	expect(await get(clocks)).toBe(`now ${clocks}`);
	await ask('forget', {});
	expect(await ask('kept', { pages })).toEqual({});
});

it('has the program itself from the first visit on; what a page was kept with stays until that page is kept anew', async () => {
	await happens('install', {});
	await happens('activate', {});
	server = () => null;
	expect(await get('/_app/start.js')).toBe('now /_app/start.js');
	// kept by the version before, with a file that this one has no more
	cache('assets 0').put('/_app/old.js', new Response('old'));
	const headers = { 'kept-by': '0', 'kept-at': '1' };
	for (const path of [visit, `${visit}/__data.json`])
		await cache('pages').put(path, new Response('old page', { headers }));
	await start();
	await happens('activate', {});
	expect(await get(visit)).toBe('old page');
	expect(await get('/_app/old.js')).toBe('old');
	server = (path) => new Response(`now ${path}`);
	await ask('keep', { page: visit });
	expect([...kept.keys()].filter((name) => name.startsWith('assets'))).toEqual(['assets 1']);
});

it('tries a file of the program again on a network that drops it', async () => {
	let tries = 0;
	server = (path) => (++tries % 3 === 0 ? new Response(`now ${path}`) : null);
	const installed = happens('install', {});
	await vi.advanceTimersByTimeAsync(30_000);
	await installed;
	server = () => null;
	expect(await get('/_app/start.js')).toBe('now /_app/start.js');
});
