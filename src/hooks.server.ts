import type { IncomingMessage } from 'node:http';
import { building, dev } from '$app/environment';
import {
	error,
	json,
	redirect,
	type Handle,
	type HandleServerError,
	type RequestEvent,
	type ServerInit
} from '@sveltejs/kit';
import pino from 'pino';
import { LARGEST_JOB_FILE } from '$core/formats';
import { nightlyCopies } from '$lib/server/backup';
import { askedBy, beginComputing, stopComputing } from '$lib/server/compute';
import { closeDatabase, database, databaseSentence } from '$lib/server/db';
import {
	DEVICE_COOKIE,
	isEnough,
	isForeign,
	isServed,
	pageRole,
	roleSentence,
	SESSION_COOKIE,
	sessionRole,
	signInTries,
	signInWanted,
	startRefusal,
	strangers,
	takePassphrases,
	trierOf,
	waitSentence
} from '$lib/server/guard';
import { operationAt, operationsAt, troubleSentence } from '$lib/server/http';
import { dueList, purgeDeleted, summariesAnew } from '$lib/server/store';

const log = pino({ name: 'fond-quarter' });

/** The most that is sent to sign in, in bytes. */
const LARGEST_SIGN_IN = 4096;

export const init: ServerInit = async () => {
	if (building) return;
	const refusal = dev ? null : startRefusal(process.env);
	if (refusal) {
		console.error(`· Not started. ${refusal}`);
		process.exit(1);
	}
	try {
		const db = await database();
		await purgeDeleted(db);
		await takePassphrases(db, process.env);
		// while the first pages are answered nothing else begins
		setTimeout(beginComputing, 2000).unref();
		const stop = nightlyCopies(db, (error) => log.error({ copy: String(error) }));
		// the lists of all sites are made ready while nobody waits for them, and anew with every hour
		const ready = () => void dueList(db).catch((error: unknown) => log.error({ due: String(error) }));
		setImmediate(() => {
			ready();
			void summariesAnew(db).catch((error: unknown) => log.error({ summaries: String(error) }));
		});
		const hourly = setInterval(ready, 3_600_000).unref();
		// connections are cut SHUTDOWN_TIMEOUT after the signal: whoever still waits to write hears before that that it was not done
		const wait = Math.max(0, Number(process.env.SHUTDOWN_TIMEOUT ?? 30) * 1000 - 1500);
		for (const signal of ['SIGTERM', 'SIGINT'] as const)
			process.once(signal, () => setTimeout(() => db.stopTaking(), wait).unref());
		process.on('sveltekit:shutdown', () => {
			stop();
			clearInterval(hourly);
			void closeDatabase().then(stopComputing);
		});
	} catch (error) {
		console.error(`· Not started. ${databaseSentence(error)}`);
		process.exit(1);
	}
};

const themes = ['auto', 'light', 'dark'] as const;
const refused = (status: number, sentence: string) => json({ error: { path: '', sentence } }, { status });
const isApi = (event: RequestEvent) =>
	event.route.id?.startsWith('/api/') ?? event.url.pathname.startsWith('/api');

/** What is wrong with how something was asked, whoever asks; null for nothing. */
function askingRefusal({ request, route }: RequestEvent): Response | null {
	const { method, headers } = request;
	const host = headers.get('host');
	if (!dev && !isServed(host, process.env.ORIGIN))
		return refused(421, 'This program does not go by that name. Its address stands where it was started.');
	const own = process.env.ORIGIN ? new URL(process.env.ORIGIN).origin : `http://${host}`;
	const from = { origin: headers.get('origin'), site: headers.get('sec-fetch-site'), host };
	if (isForeign(method, from, own)) return refused(403, 'Another site asked for this: it was not done.');
	const length = headers.get('content-length');
	if (route.id === '/sign-in' && method === 'POST') {
		if (length === null) return refused(411, 'What was sent does not say how long it is.');
		if (Number(length) > LARGEST_SIGN_IN) return refused(413, 'What was sent is too large for a passphrase.');
	}
	// no route takes more, whether it reads what is sent or not
	if (Number(length ?? 0) > LARGEST_JOB_FILE)
		return refused(413, `What was sent is too large: at most ${LARGEST_JOB_FILE / 1e6} MB are read.`);
	return null;
}

/** Whether whoever asks may: by the route that will answer, never by the address as it was written. Null where they may. */
function roleRefusal(event: RequestEvent): Response | null {
	const { route, request, locals, url } = event;
	const { method } = request;
	const known =
		route.id !== null && (operationsAt(route.id).length > 0 || pageRole(route.id, 'GET') !== null);
	const least =
		route.id === null ? null : (operationAt(route.id, method)?.role ?? pageRole(route.id, method));
	if (least !== null && isEnough(locals.role, least)) return null;
	if (locals.role === null) {
		if (isApi(event) || (method !== 'GET' && method !== 'HEAD')) return refused(401, 'Sign in first.');
		redirect(303, `/sign-in?to=${encodeURIComponent(url.pathname)}`);
	}
	if (least !== null) {
		// a page that somebody opens says it on a page
		if (!isApi(event) && method === 'GET') error(403, roleSentence(least));
		return refused(403, roleSentence(least));
	}
	if (known) return refused(405, 'This cannot be done at this address.');
	// a route that nobody gave a role: let in is nobody
	if (route.id !== null) return refused(403, 'Nobody may do this.');
	return isApi(event) ? refused(404, 'There is nothing at this address.') : null;
}

/**
 * A passphrase that is not tried just now, because others are or too many were wrong: said on the page that it came from, at the least cost, so that a flood
 * of them holds nobody up. Null where it may be tried.
 */
async function notTried({ cookies, url, request, getClientAddress }: RequestEvent): Promise<Response | null> {
	const trier = await trierOf(await database(), cookies.get(DEVICE_COOKIE), getClientAddress());
	const wait = signInTries.waitSeconds(trier);
	if (wait === 0 && !signInTries.isBusy(trier)) return null;
	// a person's browser goes back to the page, which says it; anything else hears it at once
	if (request.headers.get('sec-fetch-mode') !== 'navigate')
		return refused(wait > 0 ? 429 : 503, waitSentence(wait));
	const to = new URLSearchParams({ to: url.searchParams.get('to') ?? '/', wait: String(wait) });
	return new Response(null, { status: 303, headers: { location: `/sign-in?${to}` } });
}

/** Whether a stranger sends more than strangers may; null where not. */
function strangerRefusal({ route, request, locals, getClientAddress }: RequestEvent): Response | null {
	const isOpen = route.id !== null && operationAt(route.id, request.method)?.role === 'anyone';
	if (locals.role !== null || !isOpen || request.method === 'GET') return null;
	const seconds = strangers.waitSeconds(getClientAddress());
	if (seconds === 0) return null;
	const refusal = refused(429, 'Too much was sent from here. Urgent? Telephone your installer.');
	refusal.headers.set('retry-after', String(seconds));
	return refusal;
}

/** The most that is let go by of what nobody reads, in bytes. */
const MOST_LET_GO = 10_000_000;

/** Lets what was sent and not read go by, so that the connection is good for the next request; one that sends without end is cut. */
function letGoBy({ request, platform }: RequestEvent): void {
	const { req } = (platform ?? {}) as { req?: IncomingMessage };
	if (!req || request.bodyUsed || req.readableEnded) return;
	let length = 0;
	req.on('data', (part: Buffer) => {
		length += part.length;
		if (length > MOST_LET_GO) req.destroy();
	});
	req.resume();
}

/** A page or its data packed for the way, where the browser unpacks it: on a phone's network that is what is waited for. */
function packed(request: Request, response: Response): Response {
	const type = response.headers.get('content-type') ?? '';
	const takes = /\bgzip\b/.test(request.headers.get('accept-encoding') ?? '');
	const page = /^text\/html\b/.test(type) || new URL(request.url).pathname.endsWith('/__data.json');
	if (!takes || !page || !response.body || response.headers.has('content-encoding')) return response;
	const headers = new Headers(response.headers);
	headers.set('content-encoding', 'gzip');
	headers.append('vary', 'accept-encoding');
	// another form of it is another thing to whoever compares marks
	const etag = headers.get('etag');
	if (etag && !etag.startsWith('W/')) headers.set('etag', `W/${etag}`);
	headers.delete('content-length');
	return new Response(response.body.pipeThrough(new CompressionStream('gzip')), {
		status: response.status,
		headers
	});
}

export const handle: Handle = async (input) => {
	const response = await answered(input);
	if (input.event.request.method !== 'GET') letGoBy(input.event);
	return response;
};

const answered: Handle = async ({ event, resolve }) => {
	const { cookies, locals } = event;
	const theme = cookies.get('theme');
	locals.theme = themes.find((one) => one === theme) ?? 'auto';
	const wrong = askingRefusal(event);
	if (wrong) return wrong;
	locals.role = signInWanted() ? await sessionRole(await database(), cookies.get(SESSION_COOKIE)) : 'office';
	const refusal = roleRefusal(event) ?? strangerRefusal(event);
	if (refusal) return refusal;
	if (event.route.id === '/sign-in' && event.request.method === 'POST' && event.url.searchParams.has('/in')) {
		const later = await notTried(event);
		if (later) return later;
	}
	const person = cookies.get(SESSION_COOKIE) ?? event.getClientAddress();
	const { siteId, token } = event.params;
	const response = await askedBy({ person, place: siteId ?? token ?? '' }, () =>
		resolve(event, { transformPageChunk: ({ html }) => html.replace('%fq.theme%', locals.theme) })
	);
	response.headers.set('x-content-type-options', 'nosniff');
	response.headers.set('referrer-policy', 'same-origin');
	response.headers.set('x-frame-options', 'DENY');
	response.headers.set('permissions-policy', 'geolocation=(), microphone=(), camera=()');
	return packed(event.request, response);
};

export const handleError: HandleServerError = ({ error, event, status, message }) => {
	if (status === 404) return { message: 'There is nothing at this address.' };
	if (status < 500) return { message };
	// what a person typed is in no log: only where it went wrong
	// the database's own library leaves what went wrong out of the stack
	const stack = error instanceof Error ? error.stack : undefined;
	log.error({ route: event.route.id, status, error: String(error), stack });
	return { message: troubleSentence(error) };
};
