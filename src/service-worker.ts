/// <reference types="@sveltejs/kit" />
/// <reference lib="webworker" />
import { build, files, version } from '$service-worker';
import type { KeptAnswers, KeptQuestion } from '$lib/ui/visit/keptMessages';
import { notKeptPage } from '$lib/ui/visit/notKeptPage';

/**
 * Keeps the program and the pages of a visit for when the network is gone, or hangs: assets from the cache, pages and their data from the
 * network and, when that does not answer in time, as they were last. The API is never answered from here: what is noted waits in the page.
 */
const worker = globalThis as unknown as ServiceWorkerGlobalScope;
const assets = `assets ${version}`;
const pages = 'pages';

/** A page that is kept is shown after so long without an answer; one that is not is given up after so long. */
const KEPT_AFTER_MS = 2000;
const GIVEN_UP_AFTER_MS = 8000;
/** And so long while that is so where a page is kept. */
const SOON_MS = 300;
/** A request that was given up goes on in the background for so long. */
const LET_GO_AFTER_MS = 20_000;
/** For so long after the network has failed it is not waited for again where a page is kept. */
const GONE_FOR_MS = 5000;
/** An asset is asked for so often before the program is not kept after all. */
const TRIES = 6;
const TRY_AFTER_MS = 1500;

/** A page that is to be kept is had within so long, or another time. */
const KEEP_WITHIN_MS = 30_000;

/** With what a page that is kept says since when, and by which version of the program. */
const KEPT_AT = 'kept-at';
const KEPT_BY = 'kept-by';

const pause = (ms: number) => new Promise<null>((resolve) => setTimeout(() => resolve(null), ms));
/** What the browser is to fetch after all that a person waits for. */
const BEHIND = { priority: 'low' } as const;

/** Keeps the files of the program one after the other, so that the page in use is not starved by them. */
async function keepAssets(): Promise<void> {
	const cache = await caches.open(assets);
	const wanted = [...build, ...files];
	const one = async () => {
		for (let path = wanted.shift(); path !== undefined; path = wanted.shift()) {
			if (await cache.match(path)) continue;
			for (let tries = 1; ; tries++) {
				const answer = await fetch(path, BEHIND).catch(() => null);
				if (answer?.ok) {
					await cache.put(path, answer);
					break;
				}
				if (tries === TRIES) throw new Error('a file of the program cannot be had');
				await pause(TRY_AFTER_MS * tries);
			}
		}
	};
	await Promise.all([one(), one()]);
}

worker.addEventListener('install', (event) => {
	event.waitUntil(keepAssets().then(() => worker.skipWaiting()));
});

/** Lets go of the files of earlier versions that no page that is kept was made with. */
async function tidy(): Promise<void> {
	const cache = await caches.open(pages);
	const by = await Promise.all(
		(await cache.keys()).map(async (key) => (await cache.match(key))?.headers.get(KEPT_BY))
	);
	// a page from before pages said it may need any of them
	if (by.some((one) => !one)) return;
	for (const name of await caches.keys())
		if (name.startsWith('assets ') && name !== assets && !by.includes(name.slice('assets '.length)))
			await caches.delete(name);
}

worker.addEventListener('activate', (event) => {
	event.waitUntil(tidy().then(() => worker.clients.claim()));
});

/** Whether an address is a page that is kept when it was shown: of a site, or the jobs. */
const mayBeKept = ({ pathname }: URL) =>
	pathname.startsWith('/sites/') || pathname === '/' || pathname === '/__data.json';
const dataOf = (page: string) => (page === '/' ? '/__data.json' : `${page}/__data.json`);
const isData = (url: URL) => url.pathname.endsWith('/__data.json');
const pageOf = (url: URL) => url.pathname.replace(/\/__data\.json$/, '') || '/';

/** Keeps an answer, with when and by which version. Where there is no room it is not kept. */
async function put(address: string, answer: Response): Promise<boolean> {
	const headers = new Headers(answer.headers);
	headers.set(KEPT_AT, String(Date.now()));
	headers.set(KEPT_BY, version);
	// what is kept is no longer as it was sent
	for (const name of ['content-encoding', 'content-length']) headers.delete(name);
	try {
		const cache = await caches.open(pages);
		await cache.put(address, new Response(await answer.blob(), { headers }));
		return true;
	} catch {
		return false;
	}
}

/** Since when what a window was given had been kept, by window and page: asked for by the page when it is drawn. */
const given = new Map<string, number | null>();
const note = (client: string, url: URL, keptAt: number | null) =>
	given.set(`${client} ${pageOf(url)}`, keptAt);

/** Which windows read the page that they show anew, and when they said so, once for each time that they do. */
const anew = new Map<string, readonly number[]>();
const ANEW_WITHIN_MS = 3000;
const saidAnew = (asked: string) => (anew.get(asked) ?? []).filter((at) => Date.now() - at < ANEW_WITHIN_MS);

/** Answers of something that stands before the program while it is away itself. */
const AWAY = [502, 503, 504];
/** When the network failed last, or did not answer in time; and when it was only too slow for a page that is kept. */
let failedAt = -Infinity;
let slowAt = -Infinity;

/** What a page's data is answered with where there is nothing new: every part stays as it is. */
function unchanged(url: URL): Response {
	const parts = url.searchParams.get('x-sveltekit-invalidated') ?? '';
	return Response.json({ type: 'data', nodes: [...parts].map(() => ({ type: 'skip' })) });
}

async function pageFor(event: FetchEvent, url: URL): Promise<Response> {
	const { request } = event;
	const cache = await caches.open(pages);
	// a page's data is asked for under several searches; the whole of it is kept without one
	const key = url.origin + url.pathname;
	const client = event.resultingClientId || event.clientId;
	// read anew where it stands, a page keeps what it has: what was kept may be older than that
	const asked = `${event.clientId} ${pageOf(url)}`;
	// whoever asks for another page has left the one that was to be read anew
	for (const other of anew.keys())
		if (other !== asked && other.startsWith(`${event.clientId} `)) anew.delete(other);
	const [says, ...sayMore] = isData(url) ? saidAnew(asked) : [];
	const standsThere = says !== undefined;
	if (sayMore.length > 0) anew.set(asked, sayMore);
	else if (isData(url)) anew.delete(asked);
	const kept = standsThere ? undefined : await cache.match(key);
	// one that never answers lets go of its connection: a browser has few
	const answered = fetch(request, { signal: AbortSignal.timeout(LET_GO_AFTER_MS) }).then(
		async (answer) => {
			failedAt = AWAY.includes(answer.status) ? Date.now() : -Infinity;
			const whole = request.mode === 'navigate' ? !url.search || url.pathname !== '/' : !url.search;
			if (answer.ok && whole) event.waitUntil(put(key, answer.clone()));
			return answer;
		},
		(error: unknown) => {
			// one that the person gave up says nothing of the network
			if (!(error instanceof DOMException && error.name === 'AbortError')) failedAt = Date.now();
			return null;
		}
	);
	const lately = (at: number) => Date.now() - at < GONE_FOR_MS;
	const wait = kept
		? lately(Math.max(failedAt, slowAt))
			? SOON_MS
			: KEPT_AFTER_MS
		: lately(failedAt)
			? KEPT_AFTER_MS
			: GIVEN_UP_AFTER_MS;
	const answer = await Promise.race([answered, pause(wait)]);
	if (answer && !AWAY.includes(answer.status)) {
		note(client, url, null);
		return answer;
	}
	if (!answer && kept) slowAt = Date.now();
	else if (!answer) failedAt = Date.now();
	if (kept) {
		note(client, url, Number(kept.headers.get(KEPT_AT)) || Date.now());
		return kept;
	}
	if (standsThere) return unchanged(url);
	if (answer) return answer;
	if (request.mode !== 'navigate') return Response.error();
	return new Response(
		notKeptPage(
			url.pathname,
			(await cache.keys()).map((one) => new URL(one.url).pathname),
			{
				font: build.find((file) => /hyperlegible-next-latin-400-normal.*\.woff2$/.test(file)),
				mark: files.find((file) => file.endsWith('.svg'))
			}
		),
		{ status: 503, headers: { 'content-type': 'text/html; charset=utf-8' } }
	);
}

worker.addEventListener('fetch', (event) => {
	const { request } = event;
	const url = new URL(request.url);
	if (request.method !== 'GET' || url.origin !== worker.location.origin) return;
	if (url.pathname.startsWith('/_app/') || files.includes(url.pathname)) {
		// of whatever version: a page that was kept before an update is shown with what it was made with
		event.respondWith(caches.match(url.pathname).then((kept) => kept ?? fetch(request)));
		return;
	}
	if (mayBeKept(url)) event.respondWith(pageFor(event, url));
});

/** Keeps a page and its data as they are now, in time or not at all. Returns whether both are kept. */
async function keep(page: string, ifKept: boolean): Promise<boolean> {
	const cache = await caches.open(pages);
	let whole = true;
	for (const path of [page, dataOf(page)]) {
		const address = new URL(path, worker.location.href).href;
		const had = await cache.match(address);
		if (ifKept && !had) return false;
		const signal = AbortSignal.timeout(KEEP_WITHIN_MS);
		const answer = await fetch(path, { ...BEHIND, redirect: 'error', signal }).catch(() => null);
		const now = answer?.ok === true && (await put(address, answer));
		whole &&= now || had !== undefined;
	}
	return whole;
}

/** When the older of a page and its data was kept; null where one of them is not. */
async function keptSince(page: string): Promise<number | null> {
	const cache = await caches.open(pages);
	const [document, data] = await Promise.all(
		[page, dataOf(page)].map((path) => cache.match(new URL(path, worker.location.href).href))
	);
	if (!document || !data) return null;
	return Math.min(...[document, data].map((one) => Number(one.headers.get(KEPT_AT))));
}

/** What a page asks; see {@link KeptAnswers}. */
async function answerTo(
	question: KeptQuestion,
	client: string
): Promise<KeptAnswers[keyof KeptAnswers]['answer']> {
	switch (question.ask) {
		case 'kept': {
			const since = await Promise.all(
				question.pages.map(async (page) => [page, await keptSince(page)] as const)
			);
			return Object.fromEntries(since.filter((one): one is [string, number] => one[1] !== null));
		}
		case 'keep': {
			const done = await keep(question.page, question.ifKept === true);
			if (done) await tidy();
			return done;
		}
		case 'age': {
			const key = `${client} ${question.path}`;
			const at = given.get(key) ?? null;
			given.delete(key);
			return at;
		}
		case 'anew': {
			const asked = `${client} ${question.path}`;
			anew.set(asked, [...saidAnew(asked), Date.now()]);
			return true;
		}
		case 'forget':
			return caches.delete(pages);
	}
}

worker.addEventListener('message', (event) => {
	const { id } = (event.source ?? { id: '' }) as Client;
	event.waitUntil(
		answerTo(event.data as KeptQuestion, id).then((answer) => event.ports[0]?.postMessage(answer))
	);
});
