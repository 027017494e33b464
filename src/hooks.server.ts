import { building, dev } from '$app/environment';
import { json, redirect, type Handle, type HandleServerError, type ServerInit } from '@sveltejs/kit';
import pino from 'pino';
import { LARGEST_JOB_FILE } from '$core/formats';
import { nightlyCopies } from '$lib/server/backup';
import { closeDatabase, database } from '$lib/server/db';
import {
	isForeign,
	isOpen,
	roleRefusal,
	SESSION_COOKIE,
	sessionRole,
	signInWanted,
	startRefusal
} from '$lib/server/guard';
import { dueList, purgeDeleted } from '$lib/server/jobs';

const log = pino({ name: 'fond-quarter' });

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
		const stop = nightlyCopies(db, (error) => log.error({ copy: String(error) }));
		// the lists of all sites are made ready while nobody waits for them, and anew with every hour
		const ready = () => void dueList(db).catch((error: unknown) => log.error({ due: String(error) }));
		setImmediate(ready);
		const hourly = setInterval(ready, 3_600_000).unref();
		process.on('sveltekit:shutdown', () => {
			stop();
			clearInterval(hourly);
			void closeDatabase();
		});
	} catch (error) {
		console.error(`· Not started. ${databaseSentence(error)}`);
		process.exit(1);
	}
};

/** Why the database cannot be opened, for whoever starts the program. */
function databaseSentence(error: unknown): string {
	const text = error instanceof Error ? `${error.name} ${error.message}` : String(error);
	const where = process.env.FOND_QUARTER_DATA ?? 'data/own';
	if (/NOTADB|CORRUPT|malformed/i.test(text))
		return `The database in ${where} is damaged. It was left untouched; put a copy back with npm run restore.`;
	if (/READONLY|EACCES|EROFS|CANTOPEN|EPERM/i.test(text))
		return `The data folder ${where} cannot be written to.`;
	if (/BUSY|locked/i.test(text))
		return `Another program holds the database in ${where}. Stop it and start again.`;
	if (/FULL|ENOSPC/i.test(text)) return `The disk that holds ${where} is full.`;
	return `The database in ${where} could not be opened: ${text}`;
}

const themes = ['auto', 'light', 'dark'] as const;
const refused = (status: number, sentence: string) => json({ error: { path: '', sentence } }, { status });

export const handle: Handle = async ({ event, resolve }) => {
	const { url, request, cookies, locals } = event;
	const theme = cookies.get('theme');
	locals.theme = themes.find((one) => one === theme) ?? 'auto';
	locals.role = 'office';
	const own = url.origin;
	if (isForeign(request.method, request.headers.get('origin'), request.headers.get('sec-fetch-site'), own))
		return refused(403, 'Another site asked for this: it was not done.');
	// no route takes more, whether it reads what is sent or not
	if (Number(request.headers.get('content-length') ?? 0) > LARGEST_JOB_FILE)
		return refused(413, `What was sent is too large: at most ${LARGEST_JOB_FILE / 1e6} MB are read.`);
	if (signInWanted()) {
		const role = await sessionRole(await database(), cookies.get(SESSION_COOKIE));
		locals.role = role;
		if (!role && !isOpen(url.pathname)) {
			if (url.pathname.startsWith('/api/') || request.method !== 'GET') return refused(401, 'Sign in first.');
			redirect(303, `/sign-in?to=${encodeURIComponent(url.pathname)}`);
		}
		const refusal = role && roleRefusal(role, request.method, url.pathname);
		if (refusal) return refused(403, refusal);
	}
	const response = await resolve(event, {
		transformPageChunk: ({ html }) => html.replace('%fq.theme%', locals.theme)
	});
	response.headers.set('x-content-type-options', 'nosniff');
	response.headers.set('referrer-policy', 'same-origin');
	response.headers.set('x-frame-options', 'DENY');
	response.headers.set('permissions-policy', 'geolocation=(), microphone=(), camera=()');
	return response;
};

export const handleError: HandleServerError = ({ error, event, status, message }) => {
	if (status === 404) return { message: 'There is nothing at this address.' };
	if (status < 500) return { message };
	// what a person typed is in no log: only where it went wrong
	log.error({ route: event.route.id, status, error: error instanceof Error ? error.stack : String(error) });
	return { message: troubleSentence(error) };
};

/** What a person reads when the program fails. */
function troubleSentence(error: unknown): string {
	const text = error instanceof Error ? error.message : String(error);
	if (/SQLITE_FULL|ENOSPC/.test(text))
		return 'The disk is full: this was not saved. Make room and try again.';
	if (/SQLITE_READONLY|EROFS|EACCES/.test(text))
		return 'The data folder cannot be written to: this was not saved.';
	if (/SQLITE_BUSY/.test(text)) return 'Another program holds the database: this was not saved. Try again.';
	if (/SQLITE_(CORRUPT|NOTADB)/.test(text))
		return 'The database is damaged: nothing was changed. Put a copy back.';
	return 'Something went wrong in the program. What was saved is safe; try again.';
}
