import { z } from 'zod';
import { browser } from '$app/environment';
import {
	noteOnSite,
	onSiteEditSchema,
	withReading,
	type ClockReading,
	type OnSite,
	type OnSiteConflict,
	type OnSiteEdit,
	type OnSiteKey
} from '$core/plan';
import { call, mayLater, UNREACHABLE } from '../call';
import { saving } from '../saving.svelte';

const RETRY_AFTER_MS = 3000;

interface Waiting extends OnSiteEdit {
	/** Told apart from all others, in this window and the next. */
	readonly id: string;
	readonly zoneId: string;
}

/** A field of a zone that two people noted differently. */
type ZoneConflict = OnSiteConflict & { readonly zoneId: string };
const conflictsSchema = z.array(
	z.object({
		zoneId: z.string(),
		key: onSiteEditSchema.shape.key,
		theirs: z.unknown(),
		mine: z.unknown()
	})
);

const identity = ({ zoneId, key, mine }: ZoneConflict) => JSON.stringify([zoneId, key, mine]);

/** What a device may have sent of a field without an answer, from what waited before. */
const ownOf = (before: readonly Waiting[]) =>
	before.flatMap((one) => [...(one.own ?? []), one.value]).slice(-50);

const newId = () => `${Date.now().toString(36)}${Math.random().toString(36).slice(2)}`;

/**
 * What is noted on site, kept here and on the server. A field noted shows at once, waits in the browser until the
 * server has it (over reloads, a locked screen, a lost network), and is merged there field by field with what another
 * device noted. Fields that two people noted differently are offered, never overwritten.
 */
export class Outbox {
	#noted = $state.raw<Readonly<Record<string, OnSite>>>({});
	#waiting = $state.raw<readonly Waiting[]>([]);
	#conflicts = $state.raw<readonly ZoneConflict[]>([]);
	#sending: Promise<void> | null = null;
	#timer: ReturnType<typeof setTimeout> | undefined;
	readonly #ask: typeof call;
	readonly #api: string;
	readonly #storageKey: string;

	/** `ask` sends a request; another than {@link call} in tests. */
	constructor(siteId: string, noted: Readonly<Record<string, OnSite>>, ask: typeof call = call) {
		this.#ask = ask;
		this.#api = `/api/v1/jobs/${siteId}/zones`;
		this.#storageKey = `fond-quarter/visit/${siteId}`;
		this.#noted = noted;
	}

	/** Takes what a page was loaded with, with what still waits laid over it. */
	refresh(noted: Readonly<Record<string, OnSite>>): void {
		this.#noted = { ...this.#noted, ...noted };
		for (const one of this.#waiting) if (noted[one.zoneId]) this.#lay(one.zoneId, [one]);
	}

	/** What is noted of a zone, with what still waits laid over it. */
	of(zoneId: string): OnSite {
		return this.#noted[zoneId]!;
	}

	get #conflictsKey(): string {
		return `${this.#storageKey}/conflicts`;
	}

	get waiting(): number {
		return this.#waiting.length;
	}

	get conflicts() {
		return this.#conflicts;
	}

	/** What waits in this browser, of every window. */
	#stored(): Waiting[] {
		try {
			const kept: unknown = JSON.parse(localStorage.getItem(this.#storageKey) ?? '[]');
			if (!Array.isArray(kept)) return [];
			return (kept as unknown[]).flatMap((one) => {
				const { id, zoneId, ...edit } = one as { id: string; zoneId: string };
				const read = onSiteEditSchema.safeParse(edit);
				return read.success && typeof id === 'string' ? [{ ...read.data, id, zoneId }] : [];
			});
		} catch {
			return [];
		}
	}

	/** Takes up what an earlier visit of this page could not send or settle. Call in the browser. */
	resume(): void {
		this.#offer(this.#storedConflicts());
		const stored = this.#stored().filter((one) => this.#noted[one.zoneId]);
		for (const [i, last] of stored.entries()) {
			const ofField = (one: Waiting) => one.zoneId === last.zoneId && one.key === last.key;
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
		const result = noteOnSite(
			this.#noted[zoneId]!,
			edits.map(({ key, value }) => ({ key, value }))
		);
		if ('noted' in result) this.#noted = { ...this.#noted, [zoneId]: result.noted };
	}

	/** Notes a field. Returns why not, where the value is none for it. */
	note<K extends OnSiteKey>(zoneId: string, key: K, value: OnSite[K]): string | null {
		const base = this.#noted[zoneId]![key];
		const checked = noteOnSite(this.#noted[zoneId]!, [{ key, value }]);
		if ('refused' in checked) return checked.refused;
		this.#noted = { ...this.#noted, [zoneId]: checked.noted };
		const before = this.#waiting.filter((one) => one.zoneId === zoneId && one.key === key);
		this.#waiting = [
			...this.#waiting.filter((one) => !before.includes(one)),
			{
				id: newId(),
				zoneId,
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
		try {
			const kept: unknown = JSON.parse(localStorage.getItem(this.#conflictsKey) ?? '[]');
			return conflictsSchema.parse(kept) as ZoneConflict[];
		} catch {
			return [];
		}
	}

	/** Offers what two people noted differently, over reloads and in every window, until it is settled. */
	#offer(added: readonly ZoneConflict[], settled: readonly ZoneConflict[] = []): void {
		const touched = [...added, ...settled].map((one) => identity(one));
		const others = (list: readonly ZoneConflict[]) => list.filter((one) => !touched.includes(identity(one)));
		this.#conflicts = [...others(this.#conflicts), ...added];
		const kept = [...others(this.#storedConflicts()), ...added];
		if (kept.length > 0) localStorage.setItem(this.#conflictsKey, JSON.stringify(kept));
		else localStorage.removeItem(this.#conflictsKey);
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
		if (all.length > 0) localStorage.setItem(this.#storageKey, JSON.stringify(all));
		else localStorage.removeItem(this.#storageKey);
	}

	/** Sends what waits, zone by zone; tries again by itself while it cannot. Resolves when all is sent or cannot be now. */
	send(): Promise<void> {
		clearTimeout(this.#timer);
		this.#sending ??= this.#sendAll().then((all) => {
			this.#sending = null;
			// what was noted just as the last was sent
			return all && this.#waiting.length > 0 ? this.send() : undefined;
		});
		return this.#sending;
	}

	/** Returns whether all was sent, as far as it was noted by then. */
	async #sendAll(): Promise<boolean> {
		for (let first = this.#waiting[0]; first; first = this.#waiting[0]) {
			const { zoneId } = first;
			const batch = this.#waiting.filter((one) => one.zoneId === zoneId);
			const answer = await this.#ask<{ onSite: OnSite; conflicts: OnSiteConflict[] }>(
				'POST',
				`${this.#api}/${zoneId}/on-site`,
				{ edits: batch.map(({ key, value, base, own }) => ({ key, value, base: base ?? null, own })) }
			);
			if (answer.ok) {
				this.#waiting = this.#waiting.filter((one) => !batch.includes(one));
				this.#noted = { ...this.#noted, [zoneId]: answer.data.onSite };
				this.#lay(
					zoneId,
					this.#waiting.filter((one) => one.zoneId === zoneId)
				);
				// noted again since it was offered, a field is offered as it was noted last
				const late = answer.data.conflicts.map((one) => ({ ...one, zoneId }));
				const latest = late.filter((one, i) => i === late.findLastIndex(({ key }) => key === one.key));
				const before = this.#conflicts.filter((one) =>
					late.some(({ key }) => one.zoneId === zoneId && one.key === key)
				);
				this.#offer(latest, before);
				this.#keep(batch);
				saving.say(
					this.#storageKey,
					this.#waiting.length > 0 ? { kind: 'saving' } : { kind: 'saved', at: Date.now() }
				);
			} else if (mayLater(answer)) {
				saving.say(this.#storageKey, {
					kind: 'waiting',
					sentence:
						answer.status !== UNREACHABLE
							? answer.sentence
							: `${this.#waiting.length} ${this.#waiting.length === 1 ? 'note' : 'notes'} kept here: no connection`
				});
				this.#timer = setTimeout(() => void this.send(), RETRY_AFTER_MS);
				return false;
			} else {
				saving.say(this.#storageKey, { kind: 'refused', sentence: answer.sentence });
				return false;
			}
		}
		return true;
	}
}

const open: Record<string, Outbox> = {};

/**
 * The outbox of a site: one in a window, whatever pages come and go, so that what one page noted is not sent behind
 * the back of the next. On the server each page has its own.
 */
export function outboxOf(siteId: string, noted: Readonly<Record<string, OnSite>>): Outbox {
	saving.now = { kind: 'quiet' };
	if (!browser) return new Outbox(siteId, noted);
	const known = open[siteId];
	if (known) {
		known.refresh(noted);
		return known;
	}
	const made = new Outbox(siteId, noted);
	open[siteId] = made;
	return made;
}
