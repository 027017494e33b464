import type { Database } from '../db';

/** How many things are kept at most; the longest unused goes first. */
const MOST = 3000;

let last = 0;

/** The instant of a change that touches a site: never one that was given out before, so that each change has its own. */
export function touchTime(): Date {
	last = Math.max(Date.now(), last + 1);
	return new Date(last);
}

/** What of a site tells whether it was touched. */
export interface Touched {
	readonly id: string;
	readonly updatedAt: string;
	readonly revision: number;
	readonly deletedAt: string | null;
}

interface Kept {
	readonly stamp: string;
	readonly value: Promise<unknown>;
}
const kept = new WeakMap<Database, Map<string, Kept>>();

/** Another after every change of a site, its zones, visits or weather. */
export const stampOf = (site: Touched, also = '') =>
	`${site.updatedAt} ${site.revision} ${site.deletedAt} ${also}`;

/**
 * What was computed of a site under a name, computed anew only when the site was touched (or `also` changed) since: everything that changes a
 * site, its zones, visits or weather touches it. The value is shared: nobody may change it. A failure is not kept.
 */
export function whileUntouched<T>(
	db: Database,
	site: Touched,
	name: string,
	compute: () => Promise<T>,
	also = ''
): Promise<T> {
	const key = `${site.id} ${name}`;
	const stamp = stampOf(site, also);
	const all = kept.get(db) ?? new Map<string, Kept>();
	kept.set(db, all);
	const had = all.get(key);
	const entry = had?.stamp === stamp ? had : { stamp, value: compute() };
	// the latest used stand last
	all.delete(key);
	all.set(key, entry);
	if (entry !== had) entry.value.catch(() => all.get(key) === entry && all.delete(key));
	if (all.size > MOST) all.delete(all.keys().next().value!);
	return entry.value as Promise<T>;
}
