import { keep } from '../browserStore';
import { call, UNREACHABLE, WHO } from '../call';
import { outboxOf } from '../outbox/outbox.svelte';

/** The end of a visit as a person writes it, or the sign-off of one dwelling while the visit goes on elsewhere. */
export interface SignedEnd {
	readonly who: string;
	readonly note: string;
	readonly signedOff: boolean;
	readonly dwelling: string | null;
	/** Given by the device, so that sending it twice ends it once. */
	readonly id: string;
	/** The visit that the page knows as the last; absent where it does not matter. */
	readonly after?: string | null | undefined;
}

/** Ends a visit once all that waits in this browser is sent: what is signed off is what was done. Returns why not, or null. */
export async function signEnd(siteId: string, end: SignedEnd): Promise<string | null> {
	const who = end.who.trim();
	if (who === '') return 'Say who you are.';
	const outbox = outboxOf(siteId);
	await outbox.send();
	if (outbox.waiting > 0) {
		const count = outbox.waiting === 1 ? 'A note is' : `${outbox.waiting} notes are`;
		return `${count} still kept here: sign off when the connection is back.`;
	}
	keep(WHO, who);
	const answer = await call('POST', `/api/v1/jobs/${siteId}/visits`, { ...end, who, note: end.note.trim() });
	if (answer.ok) return null;
	return answer.status === UNREACHABLE
		? 'No connection: everything is kept; sign off when it is back.'
		: answer.sentence;
}
