import { fail, redirect } from '@sveltejs/kit';
import { database } from '$lib/server/db';
import {
	beginSession,
	endSession,
	roleOf,
	SESSION_COOKIE,
	SESSION_DAYS,
	signInWanted,
	Tries
} from '$lib/server/guard';
import type { Actions, PageServerLoad } from './$types';

const tries = new Tries();

/** Only a path of this program is gone on to. */
const onward = (path: string | null) => (path && /^\/(?!\/)[\w\-/.?=&%]*$/.test(path) ? path : '/');

export const load: PageServerLoad = ({ locals, url }) => {
	if (!signInWanted()) redirect(303, '/');
	return { role: locals.role, to: onward(url.searchParams.get('to')) };
};

export const actions: Actions = {
	in: async ({ request, cookies, url, getClientAddress }) => {
		const address = getClientAddress();
		const wait = tries.waitSeconds(address);
		if (wait > 0) return fail(429, { sentence: `Too many wrong tries: wait ${wait} seconds.` });
		const form = await request.formData();
		const passphrase = form.get('passphrase');
		const role = typeof passphrase === 'string' ? await roleOf(passphrase) : null;
		if (!role) {
			tries.wrong(address);
			return fail(401, { sentence: 'That passphrase opens nothing here.' });
		}
		const token = await beginSession(await database(), role);
		cookies.set(SESSION_COOKIE, token, {
			path: '/',
			httpOnly: true,
			sameSite: 'strict',
			secure: url.protocol === 'https:',
			maxAge: SESSION_DAYS * 86_400
		});
		redirect(303, onward(url.searchParams.get('to')));
	},
	out: async ({ cookies }) => {
		const token = cookies.get(SESSION_COOKIE);
		if (token) await endSession(await database(), token);
		cookies.delete(SESSION_COOKIE, { path: '/' });
		redirect(303, '/sign-in');
	}
};
