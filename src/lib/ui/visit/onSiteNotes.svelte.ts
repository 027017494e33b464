import { browser } from '$app/environment';
import {
	noteOnSite,
	notesApart,
	onSiteEditSchema,
	visitBegun,
	withReading,
	ZONE_NOTES,
	type ClockReading,
	type OnSite,
	type OnSiteEdit,
	type OnSiteKey
} from '$core/plan';
import {
	conflictsKept,
	forgetOnSite,
	keepConflicts,
	keepOnSiteRead,
	newest,
	onSiteHeard,
	type ZoneConflict
} from '../outbox/deliveries';
import type { Letter } from '../outbox/letter';
import { outboxOf, type Outbox } from '../outbox/outbox.svelte';
import { leadsOf, type OnBox } from '../zone/boxes';
import type { WhyUnsent } from './unsent';

/** What a page knows of what it was loaded with. */
export interface Loaded {
	/** When it was read, in ms since 1970 by the server. */
	readonly readAtMs: number;
	/** The zones' names. */
	readonly names?: Readonly<Record<string, string>> | undefined;
	/** The zones of the site: what is noted of a control is noted at its first zone, for all of them. */
	readonly zones?: readonly OnBox[] | undefined;
	/** The visit that ended last (null: none); absent on pages whose notes belong to no visit. */
	readonly after?: string | null | undefined;
}

/** Notes that were not taken, for one reason, at one zone. */
export interface Unsent {
	readonly zoneId: string;
	readonly zoneName: string;
	readonly why: WhyUnsent;
	readonly edits: readonly OnSiteEdit[];
	readonly letters: readonly Letter[];
}

const editOf = ({ body }: Letter): OnSiteEdit => onSiteEditSchema.parse(body);

const isSameConflict = (a: ZoneConflict, b: ZoneConflict) =>
	JSON.stringify([a.zoneId, a.key, a.mine]) === JSON.stringify([b.zoneId, b.key, b.mine]);

/**
 * What is noted on site, field by field: what the server has, with what waits here laid over it. A field noted shows at once, and is merged
 * on the server with what another device noted. Fields that two people noted differently are offered, never overwritten.
 */
export class OnSiteNotes {
	#read = $state.raw<Readonly<Record<string, { onSite: OnSite; atMs: number }>>>({});
	#begunAfter = $state<string | null>(null);
	#names: Readonly<Record<string, string>> = {};
	#leads: Readonly<Record<string, string>> = {};
	#after: string | null | undefined;
	#settled = $state(0);
	readonly #outbox: Outbox;
	readonly #noted = $derived.by((): Readonly<Record<string, OnSite>> => {
		void this.#outbox.heard;
		const { siteId } = this.#outbox;
		const all: Record<string, OnSite> = {};
		for (const [id, read] of Object.entries(this.#read)) {
			const { onSite } = newest(onSiteHeard(siteId, id), read);
			const edits = this.#outbox.letters('on-site', id).filter(({ why }) => !why);
			all[id] = edits.reduce((now, letter) => {
				const { key, value } = editOf(letter);
				const laid = noteOnSite(now, [{ key, value }]);
				return 'noted' in laid ? laid.noted : now;
			}, onSite);
		}
		return all;
	});
	readonly #conflicts = $derived.by(() => {
		void [this.#outbox.heard, this.#settled];
		return conflictsKept(this.#outbox.siteId);
	});

	constructor(outbox: Outbox, noted: Readonly<Record<string, OnSite>>, loaded: Loaded = { readAtMs: 0 }) {
		this.#outbox = outbox;
		this.refresh(noted, loaded);
	}

	/** Takes what a page was loaded with. */
	refresh(noted: Readonly<Record<string, OnSite>>, { readAtMs, names = {}, zones, after }: Loaded): void {
		this.#names = { ...this.#names, ...names };
		if (zones) this.#leads = leadsOf(zones);
		if (after !== undefined) this.#after = after;
		const read = Object.entries(noted).map(([id, onSite]) => [id, { onSite, atMs: readAtMs }] as const);
		for (const [id, { onSite, atMs }] of read) keepOnSiteRead(this.#outbox.siteId, id, onSite, atMs);
		this.#read = { ...this.#read, ...Object.fromEntries(read) };
	}

	/** What is noted of a zone, with what still waits laid over it. */
	of(zoneId: string): OnSite {
		const own = this.#noted[zoneId]!;
		const lead = this.#noted[this.#leads[zoneId] ?? zoneId];
		return lead && lead !== own ? { ...own, ...notesApart(lead).box } : own;
	}

	/** The zone at which a field is noted: what belongs to a control at the first of its zones. */
	#place(zoneId: string, key: OnSiteKey): string {
		const own = (ZONE_NOTES as readonly OnSiteKey[]).includes(key);
		const lead = own ? zoneId : (this.#leads[zoneId] ?? zoneId);
		return this.#noted[lead] ? lead : zoneId;
	}

	/** How many notes are still to be sent. */
	get waiting(): number {
		return this.#outbox.letters('on-site').filter(({ why }) => !why).length;
	}

	/** After which visit another was begun in this window; null where none was. */
	get begunAfter(): string | null {
		return this.#begunAfter;
	}

	/** What was not taken and waits for a person, by zone and reason. */
	get unsent(): readonly Unsent[] {
		const groups: Record<string, Unsent> = {};
		for (const letter of this.#outbox.letters('on-site')) {
			const { zoneId, zoneName, why } = letter;
			if (!why) continue;
			const key = JSON.stringify([zoneId, why]);
			const group = groups[key] ?? { zoneId, zoneName, why, edits: [], letters: [] };
			groups[key] = {
				...group,
				edits: [...group.edits, editOf(letter)],
				letters: [...group.letters, letter]
			};
		}
		return Object.values(groups);
	}

	/** Begins the visit that comes after the one that ended: of that one nothing shows any more. */
	begin(after: string): void {
		this.#after = after;
		this.#begunAfter = after;
		const { siteId } = this.#outbox;
		this.#read = Object.fromEntries(
			Object.entries(this.#read).map(([id, read]) => {
				const { onSite, atMs } = newest(onSiteHeard(siteId, id), read);
				forgetOnSite(siteId, id);
				return [id, { onSite: visitBegun(onSite), atMs }];
			})
		);
	}

	/** Notes what was not taken at a zone: another one than it was noted at, or for the visit that comes after the one that ended. */
	giveTo({ why, letters }: Unsent, zoneId: string): void {
		if (why.ended) this.begin(why.ended.id);
		this.#outbox.drop(letters);
		for (const { key, value } of letters.map(editOf)) {
			// what it stood on belongs to another zone, or to a visit that is over
			if (key === 'clockReadings')
				for (const reading of value as OnSite['clockReadings']) this.look(zoneId, reading);
			else this.note(zoneId, key, value as never);
		}
	}

	/** Tries once more to send what was not taken. */
	tryAgain = ({ letters }: Unsent): void => this.#outbox.again(letters);

	/** Lets go of what was not taken: only ever for a person who said so. */
	leaveOut = ({ letters }: Unsent): void => this.#outbox.drop(letters);

	/** Notes a field. Returns why not, where the value is none for it. */
	note<K extends OnSiteKey>(of: string, key: K, value: OnSite[K]): string | null {
		const zoneId = this.#place(of, key);
		const base = this.#noted[zoneId]![key];
		const checked = noteOnSite(this.#noted[zoneId]!, [{ key, value }]);
		if ('refused' in checked) return checked.refused;
		this.#outbox.post({
			kind: 'on-site',
			zoneId,
			zoneName: this.#names[zoneId] ?? '',
			after: key === 'clockReadings' ? undefined : this.#after,
			body: { key, value, base: base ?? null }
		});
		return null;
	}

	/** Notes a look at a zone's clock. Returns why not, where it is none. */
	look(zoneId: string, reading: ClockReading): string | null {
		return this.note(zoneId, 'clockReadings', withReading(this.of(zoneId).clockReadings, reading));
	}

	/** What two people noted differently, over reloads and in every window, until it is settled. */
	get conflicts(): readonly ZoneConflict[] {
		return this.#conflicts;
	}

	/** Settles a field that two people noted differently. */
	settle(conflict: ZoneConflict, mine: boolean): void {
		const { siteId } = this.#outbox;
		keepConflicts(
			siteId,
			conflictsKept(siteId).filter((one) => !isSameConflict(one, conflict))
		);
		this.#settled++;
		if (mine) this.note(conflict.zoneId, conflict.key, conflict.mine as never);
	}
}

const open: Record<string, OnSiteNotes> = {};

/** What is noted on site: one in a window, whatever pages come and go. On the server each page has its own. */
export function onSiteNotesOf(
	siteId: string,
	noted: Readonly<Record<string, OnSite>>,
	loaded: Loaded
): OnSiteNotes {
	const known = browser ? open[siteId] : undefined;
	if (known) {
		known.refresh(noted, loaded);
		return known;
	}
	const make = () => new OnSiteNotes(outboxOf(siteId), noted, loaded);
	if (!browser) return make();
	// it outlives the page that asked first: what is derived in it must not end with that
	$effect.root(() => {
		open[siteId] = make();
	});
	return open[siteId]!;
}
