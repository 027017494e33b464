import { afterEach, beforeEach, expect, it, vi } from 'vitest';

type Listener = (event: never) => void;
const origin = 'http://127.0.0.1:4610';

/** What the worker listens to, its caches, and the server it asks; time to finish is what it asked the browser for. */
let listeners: Record<string, Listener>;
let kept: Map<string, Map<string, string>>;
let server: (path: string) => Response | null;
let full: boolean;

const cache = (name: string) => {
	const held = kept.get(name) ?? new Map<string, string>();
	kept.set(name, held);
	const address = (key: string | Request) => new URL(typeof key === 'string' ? key : key.url, origin).href;
	return {
		match: async (key: string | Request) => {
			const body = held.get(address(key));
			return body === undefined ? undefined : new Response(body);
		},
		put: async (key: string | Request, answer: Response) => {
			if (full) throw new DOMException('no room', 'QuotaExceededError');
			held.set(address(key), await answer.text());
		},
		addAll: async (paths: string[]) => paths.forEach((path) => held.set(address(path), `asset ${path}`))
	};
};

beforeEach(async () => {
	listeners = {};
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
		if (!answer) throw new TypeError('Failed to fetch');
		return answer;
	});
	vi.resetModules();
	await import('./service-worker');
});
afterEach(() => vi.unstubAllGlobals());

/** Something happens to the worker; waits for all it asked time for. */
async function happens(kind: string, more: object): Promise<void> {
	const work: Promise<unknown>[] = [];
	listeners[kind]!({ ...more, waitUntil: (one: Promise<unknown>) => work.push(one) } as never);
	await Promise.all(work);
}

/** What the browser gets for an address; null where the worker leaves it alone. */
async function get(path: string, more: object = {}): Promise<string | null> {
	let answer: Promise<Response> | null = null;
	await happens('fetch', {
		request: { url: `${origin}${path}`, method: 'GET', mode: 'navigate', ...more },
		respondWith: (given: Promise<Response>) => (answer = given)
	});
	return answer && ((await answer) as Response).text();
}
const tell = (data: object) => happens('message', { data });
const visit = '/sites/a/visit';

it('gives the pages of a visit as they are, and as they were last when the network is gone or something before the program says so', async () => {
	await tell({ keep: [visit] });
	server = (path) => new Response(`later ${path}`);
	expect(await get(visit)).toBe(`later ${visit}`);
	for (const gone of [() => null, () => new Response('bad gateway', { status: 502 })]) {
		server = gone;
		expect(await get(visit)).toBe(`later ${visit}`);
		expect(await get(`${visit}/__data.json?x-sveltekit-invalidated=01`)).toBe(`now ${visit}/__data.json`);
	}
	// the program's own refusals are shown, and what is not there is not made up
	server = () => new Response('No such site.', { status: 404 });
	expect(await get(visit)).toBe('No such site.');
	server = () => null;
	await expect(get('/sites/b/visit')).rejects.toThrow('Failed to fetch');
});

it('shows a page that there is no room to keep', async () => {
	full = true;
	expect(await get(visit)).toBe(`now ${visit}`);
});

it('leaves the API, other places and what is sent alone', async () => {
	expect(await get('/api/v1/jobs')).toBeNull();
	expect(await get('/due')).toBeNull();
	expect(await get(visit, { method: 'POST' })).toBeNull();
	expect(await get(visit, { url: `http://127.0.0.1:4611${visit}` })).toBeNull();
});

it('keeps anew only what is kept, leaves what cannot be had now as it was, and forgets all when told', async () => {
	await tell({ keep: [visit, '/sites/a/clocks'] });
	server = (path) => (path.includes('clocks') ? null : new Response(`later ${path}`));
	await tell({ again: [visit, '/sites/a/clocks', '/sites/a/zones/z/key-in'] });
	const pages = () =>
		Object.fromEntries([...(kept.get('pages') ?? [])].map(([at, body]) => [at.slice(origin.length), body]));
	expect(pages()).toEqual({
		[visit]: `later ${visit}`,
		[`${visit}/__data.json`]: `later ${visit}/__data.json`,
		'/sites/a/clocks': 'now /sites/a/clocks',
		'/sites/a/clocks/__data.json': 'now /sites/a/clocks/__data.json'
	});
	await tell({ forget: true });
	expect(pages()).toEqual({});
});

it('has the program itself from the first visit on, and lets go of the one before', async () => {
	kept.set('assets 0', new Map());
	await happens('install', {});
	await happens('activate', {});
	expect([...kept.keys()]).toEqual(['assets 1']);
	server = () => null;
	expect(await get('/_app/start.js')).toBe('asset /_app/start.js');
});
