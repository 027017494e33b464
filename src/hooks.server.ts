import { building } from '$app/environment';
import type { Handle, HandleServerError, ServerInit } from '@sveltejs/kit';
import pino from 'pino';
import { closeDatabase, database } from '$lib/server/db';
import { purgeDeleted } from '$lib/server/jobs';

const log = pino({ name: 'fond-quarter' });

export const init: ServerInit = async () => {
	if (building) return;
	await purgeDeleted(await database());
	process.on('sveltekit:shutdown', () => void closeDatabase());
};

const themes = ['auto', 'light', 'dark'] as const;

export const handle: Handle = async ({ event, resolve }) => {
	const cookie = event.cookies.get('theme');
	event.locals.theme = themes.find((theme) => theme === cookie) ?? 'auto';
	return resolve(event, {
		transformPageChunk: ({ html }) => html.replace('%fq.theme%', event.locals.theme)
	});
};

export const handleError: HandleServerError = ({ error, event, status, message }) => {
	if (status === 404) return { message: 'There is nothing at this address.' };
	if (status < 500) return { message };
	log.error({ route: event.route.id, status, error: error instanceof Error ? error.stack : String(error) });
	return { message: 'Something went wrong in the program. What was saved is safe; try again.' };
};
