import { browser } from '$app/environment';
import {
	noteOnSite,
	notesApart,
	visitBegun,
	withReading,
	ZONE_NOTES,
	type ClockReading,
	type OnSite,
	type OnSiteConflict,
	type OnSiteEdit,
	type OnSiteKey
} from '$core/plan';
import { keepJson, keptJson } from '../browserStore';
import { call, mayLater, UNREACHABLE } from '../call';
import { saving } from '../saving.svelte';
import { leadsOf } from '../zone/boxes';
import {
	ackedSchema,
	conflictsSchema,
	identity,
	newId,
	ownOf,
	waitingSchema,
	type Acked,
	type Loaded,
	type Unsent,
	type Waiting,
	type ZoneConflict
} from './waiting';
export type { Loaded, Unsent } from './waiting';
import { mustSignIn, signInSentence, whyUnsent } from './unsent';

const RETRY_AFTER_MS = 3000;

/**
 * What is noted on site, kept here and on the server. A field noted shows at once, waits in the browser until the
 * server has it (over reloads, a locked screen, a lost network), and is merged there field by field with what another
 * device noted. Fields that two people noted differently are offered, never overwritten.
 */
export class Outbox {
	#noted = $state.raw<Readonly<Record<string, OnSite>>>({});
	#waiting = $state.raw<readonly Waiting[]>([]);
	#conflicts = $state.raw<readonly ZoneConflict[]>([]);
	/** Whether this browser keeps what waits over a reload. */
	#keeps = $state(true);
	#signedOut = $state(false);
	#begunAfter = $state<string | null>(null);
	#names: Readonly<Record<string, string>> = {};
	#leads: Readonly<Record<string, string>> = {};
	#after: string | null | undefined;
	#sending: Promise<void> | null = null;
	#timer: ReturnType<typeof setTimeout> | undefined;
	readonly #ask: typeof call;
	readonly #api: string;
	readonly #storageKey: string;

	/** `ask` sends a request; another than {@link call} in tests. */
	constructor(
		siteId: string,
		noted: Readonly<Record<string, OnSite>>,
		loaded: Loaded = { readAtMs: 0 },
		ask: typeof call = call
	) {
		this.#ask = ask;
		this.#api = `/api/v1/jobs/${siteId}/zones`;
		this.#storageKey = `fond-quarter/visit/${siteId}`;
		this.refresh(noted, loaded);
	}

	/** Takes what a page was loaded with; where it was read before the server took the last notes from here, with those, and with what still waits laid over it. */
	refresh(noted: Readonly<Record<string, OnSite>>, { readAtMs, names = {}, zones, after }: Loaded): void {
		this.#names = { ...this.#names, ...names };
		if (zones) this.#leads = leadsOf(zones);
		if (after !== undefined) this.#after = after;
		const acked = this.#acked();
		const later = Object.entries(acked).filter(([id, { atMs }]) => noted[id] && atMs > readAtMs);
		this.#noted = {
			...this.#noted,
			...noted,
			...Object.fromEntries(later.map(([id, { onSite }]) => [id, onSite]))
		};
		// the page that is kept may be older than this one: what is known latest stays known
		const newer = Object.keys(acked).filter((id) => noted[id] && acked[id]!.atMs <= readAtMs);
		if (newer.length > 0)
			this.#ack({
				...acked,
				...Object.fromEntries(newer.map((id) => [id, { onSite: noted[id]!, atMs: readAtMs }]))
			});
		for (const one of this.#waiting) if (noted[one.zoneId] && !one.why) this.#lay(one.zoneId, [one]);
	}

	/** What the server said it has, kept for pages that were read before. */
	#acked(): Acked {
		if (!browser) return {};
		const read = ackedSchema.safeParse(keptJson(`${this.#storageKey}/acked`));
		return read.success ? read.data : {};
	}
	#ack(acked: Acked): void {
		keepJson(`${this.#storageKey}/acked`, Object.keys(acked).length > 0 ? acked : null);
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

	get #conflictsKey(): string {
		return `${this.#storageKey}/conflicts`;
	}

	/** How many notes are still to be sent. */
	get waiting(): number {
		return this.#waiting.filter((one) => !one.why).length;
	}

	/** Whether what waits here would be gone with a reload: this browser is full, or keeps nothing. */
	get unkept(): boolean {
		return !this.#keeps && this.#waiting.length > 0;
	}

	/** After which visit another was begun in this window; null where none was. */
	get begunAfter(): string | null {
		return this.#begunAfter;
	}

	/** Whether what waits here wants somebody to sign in. */
	get signedOut(): boolean {
		return this.#signedOut && this.waiting > 0;
	}

	/** What was not taken and waits for a person, by zone and reason. */
	get unsent(): readonly Unsent[] {
		const groups: Record<string, Unsent> = {};
		for (const one of this.#waiting) {
			if (!one.why) continue;
			const key = JSON.stringify([one.zoneId, one.why]);
			const { zoneId, zoneName, why } = one;
			const group = groups[key] ?? { zoneId, zoneName, why, edits: [], ids: [] };
			groups[key] = { ...group, edits: [...group.edits, one], ids: [...group.ids, one.id] };
		}
		return Object.values(groups);
	}

	/** Begins the visit that comes after the one that ended: of that one nothing shows any more. */
	begin(after: string): void {
		this.#after = after;
		this.#begunAfter = after;
		const zones = Object.entries(this.#noted).map(([id, onSite]) => [id, visitBegun(onSite)]);
		this.#noted = Object.fromEntries(zones);
		this.#ack({});
		for (const one of this.#waiting) if (!one.why) this.#lay(one.zoneId, [one]);
	}

	#take({ ids }: Unsent): readonly Waiting[] {
		const taken = this.#waiting.filter((one) => ids.includes(one.id));
		this.#waiting = this.#waiting.filter((one) => !ids.includes(one.id));
		this.#keep(taken);
		return taken;
	}

	/** Notes what was not taken at a zone: another one than it was noted at, or for the visit that comes after the one that ended. */
	giveTo(unsent: Unsent, zoneId: string): void {
		if (unsent.why.ended) this.begin(unsent.why.ended.id);
		for (const { key, value } of this.#take(unsent)) {
			// what it stood on belongs to another zone, or to a visit that is over
			if (key === 'clockReadings')
				for (const reading of value as OnSite['clockReadings']) this.look(zoneId, reading);
			else this.note(zoneId, key, value as never);
		}
	}

	/** Tries once more to send what was not taken. */
	tryAgain(unsent: Unsent): void {
		const again = this.#take(unsent).map(({ why: _, ...one }) => ({ ...one, id: newId() }));
		this.#waiting = [...this.#waiting, ...again];
		this.#keep([]);
		saving.say(this.#storageKey, { kind: 'saving' });
		void this.send();
	}

	/** Lets go of what was not taken: only ever for a person who said so. */
	leaveOut(unsent: Unsent): void {
		this.#take(unsent);
	}

	get conflicts() {
		return this.#conflicts;
	}

	/** What waits in this browser, of every window. */
	#stored(): Waiting[] {
		const kept = keptJson(this.#storageKey);
		if (!Array.isArray(kept)) return [];
		return kept.flatMap((one) => {
			const read = waitingSchema.safeParse(one);
			return read.success ? [read.data] : [];
		});
	}

	/** Takes up what an earlier visit of this page could not send or settle. Call in the browser. */
	resume(): void {
		this.#offer(this.#storedConflicts());
		const every = this.#stored();
		const aside = every.filter((one) => one.why && !this.#waiting.some(({ id }) => id === one.id));
		this.#waiting = [...this.#waiting, ...aside];
		const stored = every.filter((one) => !one.why);
		for (const [i, last] of stored.entries()) {
			const ofField = (one: Waiting) => !one.why && one.zoneId === last.zoneId && one.key === last.key;
			// of a field that several windows noted the latest counts; what was noted here since goes before all of them
			if (i !== stored.findLastIndex(ofField) || this.#waiting.some(ofField)) continue;
			const before = stored.slice(0, i).filter(ofField);
			const one = before[0] ? { ...last, base: before[0].base, own: ownOf([...before, last]) } : last;
			this.#waiting = [...this.#waiting, one];
			this.#lay(one.zoneId, [one]);
			this.#keep(before);
		}
		if (this.waiting > 0) saving.say(this.#storageKey, { kind: 'saving' });
		void this.send();
	}

	#lay(zoneId: string, edits: readonly OnSiteEdit[]): void {
		// of a zone that is gone nothing shows
		if (!this.#noted[zoneId]) return;
		const result = noteOnSite(
			this.#noted[zoneId]!,
			edits.map(({ key, value }) => ({ key, value }))
		);
		if ('noted' in result) this.#noted = { ...this.#noted, [zoneId]: result.noted };
	}

	/** Notes a field. Returns why not, where the value is none for it. */
	note<K extends OnSiteKey>(of: string, key: K, value: OnSite[K]): string | null {
		const zoneId = this.#place(of, key);
		const base = this.#noted[zoneId]![key];
		const checked = noteOnSite(this.#noted[zoneId]!, [{ key, value }]);
		if ('refused' in checked) return checked.refused;
		this.#noted = { ...this.#noted, [zoneId]: checked.noted };
		const before = this.#waiting.filter((one) => !one.why && one.zoneId === zoneId && one.key === key);
		this.#waiting = [
			...this.#waiting.filter((one) => !before.includes(one)),
			{
				id: newId(),
				zoneId,
				zoneName: this.#names[zoneId] ?? '',
				after: key === 'clockReadings' ? undefined : this.#after,
				key,
				value,
				base: before[0] ? before[0].base : base,
				// it may be on its way, or have come in without an answer
				own: ownOf(before)
			}
		];
		this.#keep(before);
		saving.say(this.#storageKey, { kind: 'saving' });
		void this.send();
		return null;
	}

	/** Notes a look at a zone's clock. Returns why not, where it is none. */
	look(zoneId: string, reading: ClockReading): string | null {
		return this.note(zoneId, 'clockReadings', withReading(this.of(zoneId).clockReadings, reading));
	}

	#storedConflicts(): readonly ZoneConflict[] {
		const read = conflictsSchema.safeParse(keptJson(this.#conflictsKey));
		return read.success ? (read.data as ZoneConflict[]) : [];
	}

	/** Offers what two people noted differently, over reloads and in every window, until it is settled. */
	#offer(added: readonly ZoneConflict[], settled: readonly ZoneConflict[] = []): void {
		const touched = [...added, ...settled].map((one) => identity(one));
		const others = (list: readonly ZoneConflict[]) => list.filter((one) => !touched.includes(identity(one)));
		this.#conflicts = [...others(this.#conflicts), ...added];
		const kept = [...others(this.#storedConflicts()), ...added];
		keepJson(this.#conflictsKey, kept.length > 0 ? kept : null);
	}

	/** Settles a field that two people noted differently. */
	settle(conflict: ZoneConflict, mine: boolean): void {
		this.#offer([], [conflict]);
		if (mine) this.note(conflict.zoneId, conflict.key, conflict.mine as never);
	}

	/** Keeps what waits here in the browser, beside what other windows keep; `gone` no longer waits. */
	#keep(gone: readonly Waiting[]): void {
		const left = this.#stored().filter((one) => !gone.some((sent) => sent.id === one.id));
		const all = [...left, ...this.#waiting.filter((one) => !left.some((had) => had.id === one.id))];
		this.#keeps = keepJson(this.#storageKey, all.length > 0 ? all : null);
	}

	/** Sends what waits, zone by zone; tries again by itself while it cannot. Resolves when all is sent or cannot be now. */
	send(): Promise<void> {
		clearTimeout(this.#timer);
		this.#sending ??= this.#sendAll().then((all) => {
			this.#sending = null;
			// what was noted just as the last was sent
			return all && this.waiting > 0 ? this.send() : undefined;
		});
		return this.#sending;
	}

	/** Returns whether all was sent or set aside, as far as it was noted by then. */
	async #sendAll(): Promise<boolean> {
		/** Whether one of several was refused: then each goes by itself, and only what is wrong is left. */
		let singly = false;
		for (;;) {
			const first = this.#waiting.find((one) => !one.why);
			if (!first) return true;
			const { zoneId, after } = first;
			const batch = singly
				? [first]
				: this.#waiting.filter((one) => !one.why && one.zoneId === zoneId && one.after === after);
			const edits = batch.map(({ key, value, base, own }) => ({ key, value, base: base ?? null, own }));
			const answer = await this.#ask<{ onSite: OnSite; conflicts: OnSiteConflict[]; nowMs: number }>(
				'POST',
				`${this.#api}/${zoneId}/on-site`,
				{ edits, ...(after === undefined ? {} : { after }) }
			);
			this.#signedOut = !answer.ok && mustSignIn(answer);
			if (answer.ok) this.#taken(zoneId, batch, answer.data);
			else if (mayLater(answer) || mustSignIn(answer)) {
				const notes = `${this.waiting} ${this.waiting === 1 ? 'note is' : 'notes are'}`;
				saving.say(this.#storageKey, {
					kind: 'waiting',
					sentence: mustSignIn(answer)
						? signInSentence(answer.status, notes)
						: answer.status !== UNREACHABLE
							? answer.sentence
							: `${this.waiting} ${this.waiting === 1 ? 'note' : 'notes'} kept here: no connection`
				});
				this.#timer = setTimeout(() => void this.send(), RETRY_AFTER_MS);
				return false;
			} else if (batch.length > 1 && whyUnsent(answer).kind === 'refused') singly = true;
			else {
				const why = whyUnsent(answer);
				this.#waiting = this.#waiting.map((one) => (batch.includes(one) ? { ...one, why } : one));
				this.#keep(batch);
				const aside = this.#waiting.filter((one) => one.why).length;
				saving.say(this.#storageKey, {
					kind: 'refused',
					sentence:
						aside === 1 ? '1 note waits for you in the visit.' : `${aside} notes wait for you in the visit.`
				});
			}
		}
	}

	#taken(
		zoneId: string,
		batch: readonly Waiting[],
		{ onSite, conflicts, nowMs }: { onSite: OnSite; conflicts: readonly OnSiteConflict[]; nowMs: number }
	): void {
		this.#waiting = this.#waiting.filter((one) => !batch.includes(one));
		this.#noted = { ...this.#noted, [zoneId]: onSite };
		this.#ack({ ...this.#acked(), [zoneId]: { onSite, atMs: nowMs } });
		this.#lay(
			zoneId,
			this.#waiting.filter((one) => !one.why && one.zoneId === zoneId)
		);
		// noted again since it was offered, a field is offered as it was noted last
		const late = conflicts.map((one) => ({ ...one, zoneId }));
		const latest = late.filter((one, i) => i === late.findLastIndex(({ key }) => key === one.key));
		const before = this.#conflicts.filter((one) =>
			late.some(({ key }) => one.zoneId === zoneId && one.key === key)
		);
		this.#offer(latest, before);
		this.#keep(batch);
		saving.say(this.#storageKey, this.waiting > 0 ? { kind: 'saving' } : { kind: 'saved', at: Date.now() });
	}
}

const open: Record<string, Outbox> = {};

/**
 * The outbox of a site: one in a window, whatever pages come and go, so that what one page noted is not sent behind
 * the back of the next. On the server each page has its own.
 */
export function outboxOf(siteId: string, noted: Readonly<Record<string, OnSite>>, loaded: Loaded): Outbox {
	saving.now = { kind: 'quiet' };
	if (!browser) return new Outbox(siteId, noted, loaded);
	const known = open[siteId];
	if (known) {
		known.refresh(noted, loaded);
		return known;
	}
	const made = new Outbox(siteId, noted, loaded);
	open[siteId] = made;
	return made;
}
