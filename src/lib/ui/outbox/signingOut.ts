import { keys } from 'idb-keyval';
import { keep, keptNames } from '../browserStore';
import { forgetPages } from '../visit/keptPages.svelte';
import { letterAt, lettersKept, PREFIX } from './letter';
import { outboxOf } from './outbox.svelte';
import { disk, forgetPicture } from './pictureStore';

/** The sites of which something waits in this browser. */
const sitesWaiting = (): string[] => [
	...new Set(
		keptNames().flatMap((name) => (name.startsWith(PREFIX) ? [name.slice(PREFIX.length).split('/')[0]!] : []))
	)
];

/** How many notes this browser has that the server has not. Call in the browser. */
export const notesWaiting = (): number => sitesWaiting().flatMap(lettersKept).length;

/** Sends all that waits here, whatever site it is of; gives how many notes the server still has not. Call in the browser. */
export async function sendAllWaiting(): Promise<number> {
	for (const siteId of sitesWaiting()) {
		const outbox = outboxOf(siteId);
		outbox.resume();
		await outbox.send();
	}
	return notesWaiting();
}

/** What waits for the server or for a person, of the version before as well. */
const WAITS = [PREFIX, 'fond-quarter/visit/', 'fond-quarter/keyed/'];
/** What was learnt of this device, of nobody's house. */
const OF_DEVICE = ['fond-quarter/pace', 'fond-quarter/server-clock'];

/** Lets go of the pages kept here and of what was heard of controls: lock codes may stand there. Call in the browser. */
export async function forgetHouses(): Promise<void> {
	for (const name of keptNames()) if (name.startsWith('fond-quarter/heard/')) keep(name, null);
	// a browser that is busy forgets them by itself later: nobody waits for that
	await Promise.race([forgetPages(), new Promise((resolve) => setTimeout(resolve, 3000))]);
}

/**
 * Empties what this browser keeps of the program, drafts as well. What was noted and not sent stays, unless it is to be lost. Call in the browser.
 */
export async function emptyBrowser({ losing }: { readonly losing: boolean }): Promise<void> {
	const stays = (name: string) =>
		OF_DEVICE.includes(name) || (!losing && WAITS.some((beginning) => name.startsWith(beginning)));
	for (const name of keptNames()) if (name.startsWith('fond-quarter') && !stays(name)) keep(name, null);
	sessionStorage.clear();
	const pictures = keptNames().map(pictureOf);
	for (const id of await keys<string>(disk()).catch(() => []))
		if (losing || !pictures.includes(id)) await forgetPicture(id);
	await forgetHouses();
}

/** The picture that a letter brings; null for another. */
function pictureOf(name: string): string | null {
	const letter = letterAt(name);
	return letter?.kind === 'picture' ? (letter.body as { id: string }).id : null;
}
