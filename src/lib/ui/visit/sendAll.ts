import type { ControlProfile } from '$core/control';
import type { Notes } from '$core/keying';
import { notesHere, notesOf, notesPath, zonesWaiting, type ControlNotes } from '../keyin/controlNotes.svelte';
import type { Outbox } from './outbox.svelte';
import type { PictureQueue } from './pictureQueue.svelte';

/**
 * What was noted at the controls of a site from this browser, by zone, with what waits of it taken up: of its zones, and of such as are
 * gone by now. Call in the browser.
 */
export function notesOfSite(
	siteId: string,
	noted: Readonly<Record<string, Notes | null>>,
	profileOf: (zoneId: string) => ControlProfile,
	readAtMs: number
): Record<string, ControlNotes> {
	const all: Record<string, ControlNotes> = {};
	for (const [id, stored] of Object.entries(noted)) {
		const notes = notesHere(notesPath(siteId, id), profileOf(id), stored, readAtMs);
		if (notes) all[id] = notes;
	}
	for (const id of zonesWaiting(siteId)) all[id] ??= notesOf(notesPath(siteId, id), null, null, readAtMs);
	for (const notes of Object.values(all)) notes.resume();
	return all;
}

/** Sends all that waits here for a visit that is to be ended. Returns what still waits and why it is not ended, in a sentence; null where nothing does. What waits for a person holds it up no more. */
export async function sendAll(
	outbox: Outbox,
	controls: readonly ControlNotes[],
	pictures: PictureQueue
): Promise<string | null> {
	if (outbox.waiting > 0) await outbox.send();
	if (outbox.waiting > 0) return 'Some notes are still kept here: sign off when the connection is back.';
	const onTheirWay = controls.filter((notes) => !notes.why);
	await Promise.all(onTheirWay.map((notes) => notes.send()));
	if (onTheirWay.some((notes) => !notes.why && notes.waiting > 0))
		return 'Some values keyed are still kept here: sign off when the connection is back.';
	await pictures.flush();
	if (pictures.waiting === 0) return null;
	return `${pictures.waiting === 1 ? 'A picture is' : `${pictures.waiting} pictures are`} still kept here: sign off when the connection is back.`;
}
