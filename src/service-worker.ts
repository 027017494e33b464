/// <reference types="@sveltejs/kit" />
/// <reference lib="webworker" />
import { build, files, version } from '$service-worker';
import type { KeepMessage } from '$lib/ui/visit/keptPages';

/**
 * Keeps the program and the pages of a visit for when the network is gone: assets from the cache, pages and their data
 * from the network and, when that fails, as they were last. The API is never answered from here: what is noted waits in
 * the page.
 */
const worker = globalThis as unknown as ServiceWorkerGlobalScope;
const assets = `assets ${version}`;
const pages = 'pages';

worker.addEventListener('install', (event) => {
	event.waitUntil(
		caches
			.open(assets)
			.then((cache) => cache.addAll([...build, ...files]))
			.then(() => worker.skipWaiting())
	);
});

worker.addEventListener('activate', (event) => {
	event.waitUntil(
		caches
			.keys()
			.then((names) =>
				Promise.all(
					names.filter((name) => name !== assets && name !== pages).map((name) => caches.delete(name))
				)
			)
			.then(() => worker.clients.claim())
	);
});

/** Whether an address is a page of a site or its data. */
const ofSite = (url: URL) => url.pathname.startsWith('/sites/');

/** Answers of something that stands before the program while it is away itself. */
const AWAY = [502, 503, 504];

async function fromNetwork(request: Request, alive: (work: Promise<unknown>) => void): Promise<Response> {
	const cache = await caches.open(pages);
	// a page's data is asked for under several searches; the whole of it is kept without one
	const key = new URL(request.url).origin + new URL(request.url).pathname;
	try {
		const answer = await fetch(request);
		if (AWAY.includes(answer.status)) return (await cache.match(key)) ?? answer;
		const whole = request.mode === 'navigate' || !new URL(request.url).search;
		// where there is no room to keep it, the page is shown all the same
		if (answer.ok && whole) alive(cache.put(key, answer.clone()).catch(() => undefined));
		return answer;
	} catch (error) {
		const kept = await cache.match(key);
		if (kept) return kept;
		throw error;
	}
}

worker.addEventListener('fetch', (event) => {
	const { request } = event;
	const url = new URL(request.url);
	if (request.method !== 'GET' || url.origin !== worker.location.origin) return;
	if (build.includes(url.pathname) || files.includes(url.pathname)) {
		event.respondWith(caches.match(url.pathname).then((kept) => kept ?? fetch(request)));
		return;
	}
	if (ofSite(url)) event.respondWith(fromNetwork(request, (work) => event.waitUntil(work)));
});

/** Keeps pages and their data as they are now; of those that cannot be had now, what was kept stays. */
async function keep(wanted: readonly string[], onlyKept: boolean): Promise<void> {
	const cache = await caches.open(pages);
	const keepOne = async (path: string) => {
		const address = new URL(path, worker.location.href).href;
		if (onlyKept && !(await cache.match(address))) return;
		const answer = await fetch(path, { redirect: 'error' });
		if (answer.ok) await cache.put(address, answer);
	};
	await Promise.allSettled(wanted.flatMap((path) => [keepOne(path), keepOne(`${path}/__data.json`)]));
}

/** A visit names the pages it will need, and those to read anew when something was saved; at the sign-in all are forgotten. */
worker.addEventListener('message', (event) => {
	const message = event.data as KeepMessage;
	if (message.forget) event.waitUntil(caches.delete(pages));
	if (message.keep) event.waitUntil(keep(message.keep, false));
	if (message.again) event.waitUntil(keep(message.again, true));
});
