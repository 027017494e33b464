import { invalidate } from '$app/navigation';
import { navigating } from '$app/state';
import { SLOW_AFTER_MS } from './call';
import { saysAnew } from './visit/keptPages.svelte';

/** Whether the server answers now. */
export async function isReachable(): Promise<boolean> {
	try {
		return (await fetch('/api/health', { method: 'HEAD', signal: AbortSignal.timeout(SLOW_AFTER_MS) })).ok;
	} catch {
		return false;
	}
}

/** Whether a service worker stands between this window and the network. */
const isGuarded = () => Boolean(globalThis.navigator?.serviceWorker?.controller);

/** The reading that began last. */
let reading: Promise<void> | null = null;

/**
 * Has a page's data read again: after a navigation that is under way, for read in the middle of it the data would end the
 * navigation, and the person would stay where they wanted to leave; and only while the server answers, for otherwise the
 * page that they work on would be loaded anew and lost. What is on the page then stays as it is. It ends when what the
 * server then said is on the page.
 */
export async function refresh(what: `fq:${string}`): Promise<void> {
	let over: Promise<void> | null = null;
	const underWay = () => navigating.complete !== null && navigating.complete !== over;
	do {
		while (underWay()) {
			// one that was given up may stand there still: it is waited for once
			over = navigating.complete;
			await over?.catch(() => undefined);
		}
		// a service worker leaves a page as it stands where nobody answers; without one nobody may be asked in vain
		if (!isGuarded() && !(await isReachable())) return;
		await saysAnew();
		// the person may have gone on while the server was asked
	} while (underWay());
	reading = invalidate(what);
	// a reading is given up for one that begins after it: its data come with that one, not before
	let waited: typeof reading;
	do await (waited = reading);
	while (waited !== reading);
}
