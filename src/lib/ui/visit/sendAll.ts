import type { Keyed } from '$core/keying';
import { keyedHere, keyedNotesOf, keyedWaiting, type KeyedNotes } from '../keyin/keyedNotes.svelte';
import type { Outbox } from './outbox.svelte';
import type { PictureQueue } from './pictureQueue.svelte';

/**
 * What was keyed from this browser at a site, by zone, with what waits of it taken up: of its zones, and of such as are gone by now. Call in
 * the browser.
 */
export function keyedOfSite(
	siteId: string,
	keyed: Readonly<Record<string, Keyed>>,
	readAtMs: number
): Record<string, KeyedNotes> {
	const all: Record<string, KeyedNotes> = {};
	for (const [id, values] of Object.entries(keyed)) {
		const notes = keyedHere(`/api/v1/jobs/${siteId}/zones/${id}/keyed`, values, readAtMs);
		if (notes) all[id] = notes;
	}
	for (const path of keyedWaiting(siteId)) {
		const id = path.split('/').at(-2)!;
		all[id] ??= keyedNotesOf(path, {}, readAtMs);
	}
	for (const notes of Object.values(all)) notes.resume();
	return all;
}

/** Sends all that waits here for a visit that is to be ended. Returns what still waits and why it is not ended, in a sentence; null where nothing does. What waits for a person holds it up no more. */
export async function sendAll(
	outbox: Outbox,
	keyed: readonly KeyedNotes[],
	pictures: PictureQueue
): Promise<string | null> {
	if (outbox.waiting > 0) await outbox.send();
	if (outbox.waiting > 0) return 'Some notes are still kept here: sign off when the connection is back.';
	const onTheirWay = keyed.filter((notes) => !notes.why);
	await Promise.all(onTheirWay.map((notes) => notes.send()));
	if (onTheirWay.some((notes) => !notes.why && notes.waiting > 0))
		return 'Some values keyed are still kept here: sign off when the connection is back.';
	await pictures.flush();
	if (pictures.waiting === 0) return null;
	return `${pictures.waiting === 1 ? 'A picture is' : `${pictures.waiting} pictures are`} still kept here: sign off when the connection is back.`;
}
