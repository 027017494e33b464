/// <reference types="@sveltejs/kit" />
/// <reference lib="webworker" />
import { build, files, version } from '$service-worker';

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

async function fromNetwork(request: Request): Promise<Response> {
	const cache = await caches.open(pages);
	// a page's data is asked for under several searches; the whole of it is kept without one
	const key = new URL(request.url).origin + new URL(request.url).pathname;
	try {
		const answer = await fetch(request);
		const whole = request.mode === 'navigate' || !new URL(request.url).search;
		if (answer.ok && whole) await cache.put(key, answer.clone());
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
	if (ofSite(url)) event.respondWith(fromNetwork(request));
});

/** A page that begins a visit names the pages it will need; one that ends it, or a person signing out, has them forgotten. */
worker.addEventListener('message', (event) => {
	const message = event.data as { readonly keep?: readonly string[]; readonly forget?: boolean };
	if (message.forget) event.waitUntil(caches.delete(pages));
	if (message.keep) {
		const wanted = message.keep.flatMap((path) => [path, `${path}/__data.json`]);
		event.waitUntil(
			caches.open(pages).then((cache) =>
				Promise.all(
					wanted.map((path) =>
						fetch(path, { redirect: 'error' })
							.then((answer) =>
								answer.ok ? cache.put(new URL(path, worker.location.href).href, answer) : undefined
							)
							.catch(() => undefined)
					)
				)
			)
		);
	}
});
