import { call } from './call';

/** How often is asked whether somebody has changed something. */
const LOOK_EVERY_MS = 3000;

/**
 * Hears when anything on a site was changed by whoever it was, while the page can be seen, and again until the page has it. `mark` is that of
 * the site as the page shows it.
 * Call in the browser; returns how to stop.
 */
export function watchSite(siteId: string, mark: () => string, onchanged: () => Promise<void>): () => void {
	let timer: ReturnType<typeof setTimeout> | undefined;
	let stopped = false;
	const look = async () => {
		if (document.visibilityState === 'visible') {
			const answer = await call<{ mark: string }>('GET', `/api/v1/jobs/${siteId}/mark`);
			if (stopped) return;
			if (answer.ok && answer.data.mark !== mark()) await onchanged();
		}
		if (!stopped) timer = setTimeout(() => void look(), LOOK_EVERY_MS);
	};
	timer = setTimeout(() => void look(), LOOK_EVERY_MS);
	const soon = () => {
		if (document.visibilityState !== 'visible') return;
		clearTimeout(timer);
		void look();
	};
	document.addEventListener('visibilitychange', soon);
	return () => {
		stopped = true;
		clearTimeout(timer);
		document.removeEventListener('visibilitychange', soon);
	};
}
