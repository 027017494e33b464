import { pageLoad } from '$lib/server/pages';
import { fail, redirect } from '@sveltejs/kit';
import { database } from '$lib/server/db';
import {
	beginSession,
	DEVICE_COOKIE,
	DEVICE_DAYS,
	endSession,
	LONGEST_PASSPHRASE,
	markDevice,
	roleOf,
	SESSION_COOKIE,
	SESSION_DAYS,
	signInTries,
	signInWanted,
	trierOf,
	waitSentence
} from '$lib/server/guard';
import type { Actions, PageServerLoadEvent } from './$types';

/** Only a path of this program is gone on to. */
const onward = (path: string | null) => (path && /^\/(?!\/)[\w\-/.?=&%]*$/.test(path) ? path : '/');

export const load = pageLoad(({ locals, url }: PageServerLoadEvent) => {
	if (!signInWanted()) redirect(303, '/');
	const wait = url.searchParams.get('wait');
	const seconds = Number(wait);
	return {
		role: locals.role,
		to: onward(url.searchParams.get('to')),
		/** Said where the last passphrase was not even tried. */
		later: wait === null ? null : waitSentence(Number.isInteger(seconds) && seconds <= 60 ? seconds : 60)
	};
});

export const actions: Actions = {
	in: async ({ request, cookies, url, getClientAddress }) => {
		const form = await request.formData();
		const passphrase = form.get('passphrase');
		if (typeof passphrase !== 'string' || passphrase.length > LONGEST_PASSPHRASE)
			return fail(422, { sentence: `A passphrase has at most ${LONGEST_PASSPHRASE} letters.` });
		const db = await database();
		const trier = await trierOf(db, cookies.get(DEVICE_COOKIE), getClientAddress());
		const came = await signInTries.make(trier, () => roleOf(passphrase));
		switch (came.kind) {
			case 'wait':
				return fail(429, { sentence: waitSentence(came.seconds) });
			case 'busy':
				return fail(503, { sentence: waitSentence(0) });
			case 'wrong':
				return fail(401, { sentence: 'Wrong passphrase.' });
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
