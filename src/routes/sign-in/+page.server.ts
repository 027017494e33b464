import { pageLoad } from '$lib/server/pages';
import { fail, redirect } from '@sveltejs/kit';
import { database } from '$lib/server/db';
import {
	beginSession,
	DEVICE_COOKIE,
	DEVICE_DAYS,
	deviceOf,
	endSession,
	LONGEST_PASSPHRASE,
	markDevice,
	placeOf,
	roleOf,
	SESSION_COOKIE,
	SESSION_DAYS,
	signInWanted,
	Tries
} from '$lib/server/guard';
import type { Actions, PageServerLoadEvent } from './$types';

const tries = new Tries();

/** Only a path of this program is gone on to. */
const onward = (path: string | null) => (path && /^\/(?!\/)[\w\-/.?=&%]*$/.test(path) ? path : '/');

export const load = pageLoad(({ locals, url }: PageServerLoadEvent) => {
	if (!signInWanted()) redirect(303, '/');
	return { role: locals.role, to: onward(url.searchParams.get('to')) };
});

export const actions: Actions = {
	in: async ({ request, cookies, url, getClientAddress }) => {
		const form = await request.formData();
		const passphrase = form.get('passphrase');
		if (typeof passphrase !== 'string' || passphrase.length > LONGEST_PASSPHRASE)
			return fail(422, { sentence: `A passphrase has at most ${LONGEST_PASSPHRASE} letters.` });
		const db = await database();
		const device = await deviceOf(db, cookies.get(DEVICE_COOKIE));
		const trier = { known: device !== null, by: device ?? placeOf(getClientAddress()) };
		const came = await tries.make(trier, () => roleOf(passphrase));
		switch (came.kind) {
			case 'wait':
				return fail(429, { sentence: `Too many wrong tries: wait ${came.seconds} seconds.` });
			case 'busy':
				return fail(503, { sentence: 'Somebody else is signing in this very moment. Try again.' });
			case 'wrong':
				return fail(401, { sentence: 'That passphrase opens nothing here.' });
		}
		const kept = {
			path: '/',
			httpOnly: true,
			sameSite: 'strict',
			secure: url.protocol === 'https:'
		} as const;
		const token = await beginSession(db, came.found);
		cookies.set(SESSION_COOKIE, token, { ...kept, maxAge: SESSION_DAYS * 86_400 });
		cookies.set(DEVICE_COOKIE, await markDevice(db), { ...kept, maxAge: DEVICE_DAYS * 86_400 });
		redirect(303, onward(url.searchParams.get('to')));
	},
	out: async ({ cookies }) => {
		const token = cookies.get(SESSION_COOKIE);
		if (token) await endSession(await database(), token);
		cookies.delete(SESSION_COOKIE, { path: '/' });
		redirect(303, '/sign-in');
	}
};
