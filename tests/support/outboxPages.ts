import { findProfile } from '../../src/core/control';
import { noNotes, withNote, type Note, type Notes } from '../../src/core/keying';
import { noteOnSite, nothingNoted, type OnSite, type OnSiteEdit, type OnSiteKey } from '../../src/core/plan';
import type { Stamp } from '../../src/core/schema';
import { Outbox } from '../../src/lib/ui/outbox/outbox.svelte';
import { OnSiteNotes, type Loaded } from '../../src/lib/ui/visit/onSiteNotes.svelte';
import { net } from './network';

export const stat = findProfile('six-step-room-stat')!;
type By = Omit<Stamp, 'atMs'>;

/** A server with two zones that merges what is sent and passes over what came in before, as the program's own does; it keeps what it took. */
export function serverOf(run = '') {
	const zones: Record<string, OnSite> = { a: nothingNoted, b: nothingNoted };
	const notes: Record<string, Notes> = {};
	const took: { zone: string; key: OnSiteKey; value: unknown }[] = [];
	const marks = new Map<string, number>();
	const fresh = <T extends { readonly by?: By | undefined }>(place: string, sent: readonly T[]) =>
		sent.filter(({ by }) => {
			const key = `${place} ${by!.from}`;
			if (by!.number <= (marks.get(key) ?? -1)) return false;
			marks.set(key, by!.number);
			return true;
		});
	net.serve((_method, path, body) => {
		// pages of an earlier run have no server any more
		if (!path.includes(run)) return { status: 404, body: null };
		if (path.includes('/pictures')) return { status: 201, body: {} };
		const zone = path.split('/').at(-2)!;
		const nowMs = Date.now();
		if (path.endsWith('/notes')) {
			const { notes: sent } = body as { notes: Note[] };
			notes[zone] = fresh(path, sent).reduce(
				(all, note) => withNote(stat, all, note),
				notes[zone] ?? noNotes(stat)
			);
			return { status: 200, body: { notes: notes[zone], nowMs } };
		}
		const before = new Map(marks);
		const edits = fresh(path, (body as { edits: OnSiteEdit[] }).edits);
		const result = noteOnSite(zones[zone]!, edits);
		if ('refused' in result) {
			for (const [key] of marks) marks.set(key, before.get(key) ?? -1);
			return { status: 422, body: { error: { sentence: result.refused } } };
		}
		zones[zone] = result.noted;
		const isOffered = ({ key, value }: OnSiteEdit) =>
			result.conflicts.some((one) => one.key === key && one.mine === value);
		const offered = edits.findIndex(isOffered);
		for (const { by } of offered < 0 ? [] : edits.slice(offered).toReversed())
			marks.set(`${path} ${by!.from}`, by!.number - 1);
		for (const { key, value } of edits)
			if (!isOffered({ key, value } as OnSiteEdit)) took.push({ zone, key, value });
		return { status: 200, body: { onSite: result.noted, conflicts: result.conflicts, nowMs } };
	});
	return { zones, notes, took };
}

/** A page of a device: what is noted on site there, and what sends it. */
export function page(
	site: string,
	noted: Readonly<Record<string, OnSite>>,
	loaded: Loaded = { readAtMs: 0 },
	how: ConstructorParameters<typeof Outbox>[1] = {}
) {
	const outbox = new Outbox(site, how);
	return { outbox, notes: new OnSiteNotes(outbox, noted, loaded) };
}

/** How many letters this browser keeps. */
export const letters = (site = '') =>
	Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i)!).filter((name) =>
		name.startsWith(`fond-quarter/outbox/${site}`)
	).length;
