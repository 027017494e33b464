/** The pages of a visit to these zones, which the service worker keeps for when the network is gone. */
export function visitPages(siteId: string, zoneIds: readonly string[]): string[] {
	const site = `/sites/${siteId}`;
	return [
		`${site}/visit`,
		`${site}/clocks`,
		...zoneIds.flatMap((id) => [`${site}/zones/${id}/key-in`, `${site}/zones/${id}/read-back`])
	];
}

/** What a page asks of the service worker. */
export interface KeepMessage {
	/** Pages to keep as they are now. */
	readonly keep?: readonly string[];
	/** Pages to keep anew, those of them that are kept. */
	readonly again?: readonly string[];
	/** All pages are to be forgotten. */
	readonly forget?: boolean;
}

async function tell(message: KeepMessage): Promise<boolean> {
	const worker = (await navigator.serviceWorker?.ready)?.active;
	worker?.postMessage(message);
	return worker !== undefined && worker !== null;
}

/** Has pages kept from now on. Returns whether there is somebody to keep them. Call in the browser. */
export const keepPages = (pages: readonly string[]): Promise<boolean> => tell({ keep: pages });

/** Has pages that are kept read anew: what was saved since shows on them without a connection too. */
export const keepAgain = (pages: readonly string[]): Promise<boolean> => tell({ again: pages });

/** Has all pages forgotten, as when a person signs out. */
export const forgetPages = (): Promise<boolean> => tell({ forget: true });
