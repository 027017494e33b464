import { browser } from '$app/environment';
import { navigating } from '$app/state';
import type { KeptAnswers } from './keptMessages';

/** How long the service worker has to answer. */
const ANSWERED_WITHIN_MS = 70_000;
/** After so long what could not be had is tried again. */
const AGAIN_AFTER_MS = 4000;
/** A page kept longer ago than this is kept anew, once all are. */
const OLD_AFTER_MS = 120_000;

/** Between two rounds of keeping anew what is saved again and again. */
const BETWEEN_ROUNDS_MS = 8000;

/** The pages of a visit to these zones, which are kept for when the network is gone: its own steps first, then what else is looked up on site. */
export function visitPages(siteId: string, zoneIds: readonly string[]): string[] {
	const site = `/sites/${siteId}`;
	const ofZones = (...views: string[]) =>
		zoneIds.flatMap((id) => views.map((view) => `${site}/zones/${id}/${view}`));
	return [
		`${site}/visit`,
		...ofZones('key-in'),
		...ofZones('rehearse'),
		...ofZones('read-back'),
		`${site}/clocks`,
		site,
		'/',
		...ofZones('week', 'hand-over'),
		`${site}/checks`
	];
}

/** Asks the service worker; null where there is none, or it does not answer. Call in the browser. */
async function ask<Ask extends keyof KeptAnswers>(
	what: Ask,
	asked: KeptAnswers[Ask]['asked']
): Promise<KeptAnswers[Ask]['answer'] | null> {
	const worker = (await navigator.serviceWorker?.ready)?.active;
	if (!worker) return null;
	const { port1, port2 } = new MessageChannel();
	return new Promise((resolve) => {
		const late = setTimeout(() => resolve(null), ANSWERED_WITHIN_MS);
		port1.onmessage = ({ data }) => {
			clearTimeout(late);
			port1.close();
			resolve(data as KeptAnswers[Ask]['answer']);
		};
		worker.postMessage({ ask: what, ...asked }, [port2]);
	});
}

/** How it stands with the pages of a visit. `never`: this browser keeps none. */
export interface Keeping {
	readonly kept: number;
	readonly of: number;
	readonly never: boolean;
}

let keeping = $state.raw<Readonly<Record<string, Keeping>>>({});
/** How far the pages of a site's visit are kept; null before that is known. */
export const keepingOf = (siteId: string): Keeping | null => keeping[siteId] ?? null;

const under: Record<string, Promise<void>> = {};

/**
 * Has the pages of a visit kept, one after the other and behind what the person waits for, until all are; it goes on over other pages of
 * this window. Those that are kept but old are kept anew after that. Call in the browser.
 */
export function keepVisit(siteId: string, zoneIds: readonly string[]): Promise<void> {
	const say = (next: Keeping) => (keeping = { ...keeping, [siteId]: next });
	const pages = visitPages(siteId, zoneIds);
	const of = pages.length;
	const run = async () => {
		if (!('serviceWorker' in navigator)) return void say({ kept: 0, of, never: true });
		for (;;) {
			const since = await ask('kept', { pages });
			if (!since) return void say({ kept: 0, of, never: true });
			const missing = pages.filter((page) => since[page] === undefined);
			let kept = of - missing.length;
			say({ kept, of, never: false });
			for (const page of missing) {
				await navigating.complete?.catch(() => undefined);
				if (await ask('keep', { page })) say({ kept: ++kept, of, never: false });
			}
			if (kept < of) {
				await new Promise((resolve) => setTimeout(resolve, AGAIN_AFTER_MS));
				continue;
			}
			for (const page of pages.filter((one) => Date.now() - (since[one] ?? Infinity) > OLD_AFTER_MS)) {
				await navigating.complete?.catch(() => undefined);
				await ask('keep', { page });
			}
			return;
		}
	};
	return (under[siteId] ??= run().finally(() => delete under[siteId]));
}

/** Pages that are to be kept anew, and whether that goes on. */
let stale: readonly string[] = [];
let keepingAnew = false;

/**
 * Has pages that are kept read anew: what was saved since shows on them without a connection too. The first time at once; while somebody
 * saves value after value one round follows the other with time between, so that nothing they wait for is held up.
 */
export async function keepAgain(pages: readonly string[]): Promise<void> {
	if (!('serviceWorker' in navigator)) return;
	stale = [...stale, ...pages.filter((page) => !stale.includes(page))];
	if (keepingAnew) return;
	keepingAnew = true;
	try {
		while (stale.length > 0) {
			const round = stale;
			stale = [];
			for (const page of round) await ask('keep', { page, ifKept: true });
			await new Promise((resolve) => setTimeout(resolve, BETWEEN_ROUNDS_MS));
		}
	} finally {
		keepingAnew = false;
	}
}

/** Since when the page that this window shows had been kept, in ms since 1970; null where it came from the server. */
export async function keptSince(path: string): Promise<number | null> {
	if (!navigator.serviceWorker?.controller) return null;
	return ask('age', { path });
}

/** Says that this window reads the page that it shows anew: where nobody answers it stays as it is. */
export async function saysAnew(): Promise<void> {
	if (browser && globalThis.navigator?.serviceWorker?.controller)
		await ask('anew', { path: location.pathname });
}

/** Has all pages forgotten, as when a person signs out. */
export async function forgetPages(): Promise<void> {
	if ((await navigator.serviceWorker?.getRegistration()) !== undefined) await ask('forget', {});
}

/** How long the page in use has the network to itself before the program is kept. */
const FIRST_MS = 2500;

/** Has the program kept from now on, once the page in use is alive and the browser has nothing else to do. Call in the browser. */
export function beginKeeping(): void {
	if (!('serviceWorker' in navigator)) return;
	setTimeout(
		() => void navigator.serviceWorker.register('/service-worker.js').catch(() => undefined),
		navigator.serviceWorker.controller ? 0 : FIRST_MS
	);
}
