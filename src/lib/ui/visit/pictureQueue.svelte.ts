import { createStore, del, entries, set, type UseStore } from 'idb-keyval';
import { z } from 'zod';
import { LARGEST_PICTURE } from '$core/record';
import { mayLater, sendFile } from '../call';
import { newUuid } from '../newUuid';
import { saving } from '../saving.svelte';
import { mustSignIn, signInSentence, whyUnsent, whyUnsentSchema, type WhyUnsent } from './unsent';

const RETRY_AFTER_MS = 4000;
/** The longest that the server hears of: a week. */
const LONGEST_AGO_MS = 604_800_000;

/** A picture that waits in this browser until the server has it. */
interface Waiting {
	readonly id: string;
	readonly siteId: string;
	readonly zone: string;
	readonly caption: string;
	readonly file: Blob;
	readonly url: string;
	/** When it was taken, by this device's clock in ms since 1970: pictures stay in that order. */
	readonly takenAtMs: number;
	/** The visit that was known as the last one that ended when it was taken (null: none). */
	readonly after?: string | null | undefined;
	/** Why it was not taken: then it waits for a person. */
	readonly why?: WhyUnsent | undefined;
}
const kept = z.object({
	siteId: z.string(),
	zone: z.string(),
	caption: z.string(),
	file: z.instanceof(globalThis.Blob ?? Object),
	takenAtMs: z.number().default(0),
	after: z.string().nullable().optional(),
	why: whyUnsentSchema.optional()
});

/** A picture as a page shows it: where its pixels are, and whether the server has them. */
export interface Shown {
	readonly id: string;
	readonly zone: string;
	readonly caption: string;
	readonly src: string;
	readonly sent: boolean;
	/** Why it was not taken and waits for a person; null where nothing is wrong with it. */
	readonly why: WhyUnsent | null;
}

/**
 * Pictures taken on a visit: each is kept in the browser's own database until the server has it, over reloads and a lost
 * network, and shown meanwhile from there.
 */
export class PictureQueue {
	#shown = $state.raw<readonly Shown[]>([]);
	#problem = $state<string | null>(null);
	#waiting: Waiting[] = [];
	#after: string | null | undefined;
	/** Which of those that wait would be gone with a reload. */
	#unkept = $state.raw<readonly string[]>([]);
	#store: UseStore | null = null;
	#sending: Promise<boolean> | null = null;
	#timer: ReturnType<typeof setTimeout> | undefined;
	readonly #siteId: string;

	constructor(siteId: string) {
		this.#siteId = siteId;
	}

	/** Where pictures wait in this browser. */
	get #disk(): UseStore {
		return (this.#store ??= createStore('fond-quarter-pictures', 'waiting'));
	}

	/** Pictures added here, sent or not. */
	get shown(): readonly Shown[] {
		return this.#shown;
	}

	get problem(): string | null {
		return this.#problem;
	}

	/** How many are still to be sent. */
	get waiting(): number {
		return this.#shown.filter((one) => !one.sent && !one.why).length;
	}

	/** What was not taken and waits for a person. */
	get unsent(): readonly Shown[] {
		return this.#shown.filter((one) => !one.sent && one.why);
	}

	/** Whether one that waits here would be gone with a reload: this browser has no room, or keeps nothing. */
	get unkept(): boolean {
		return this.#shown.some((one) => !one.sent && this.#unkept.includes(one.id));
	}

	/** Says which visit ended last (null: none): what is taken from now on belongs to the one after it. */
	knows(after: string | null): void {
		this.#after = after;
	}

	/** Takes up what an earlier visit of this page could not send. Call in the browser; returns how to stop. */
	async resume(): Promise<void> {
		const waiting = (await entries<string, unknown>(this.#disk)).flatMap(([id, value]) => {
			const read = kept.safeParse(value);
			if (!read.success || read.data.siteId !== this.#siteId) return [];
			return [{ ...read.data, id, file: read.data.file as Blob }];
		});
		for (const one of waiting.sort((a, b) => a.takenAtMs - b.takenAtMs))
			if (!this.#waiting.some(({ id }) => id === one.id)) this.#put(one);
		void this.#send();
	}

	stop(): void {
		clearTimeout(this.#timer);
	}

	#put(one: Omit<Waiting, 'url'>): void {
		const url = URL.createObjectURL(one.file);
		this.#waiting = [...this.#waiting, { ...one, url }];
		this.#shown = [
			...this.#shown,
			{ id: one.id, zone: one.zone, caption: one.caption, src: url, sent: false, why: one.why ?? null }
		];
	}

	/** Keeps a picture here and sends it as soon as it can. */
	async add(file: File, zone: string, caption: string): Promise<void> {
		this.#problem = null;
		if (file.size > LARGEST_PICTURE) {
			this.#problem = `${file.name} is too large: ${(file.size / 1e6).toFixed(1)} MB, at most ${LARGEST_PICTURE / 1e6} MB are taken.`;
			return;
		}
		const last = Math.max(0, ...this.#waiting.map((waiting) => waiting.takenAtMs));
		const one = {
			id: newUuid(),
			siteId: this.#siteId,
			zone,
			caption,
			file,
			takenAtMs: Math.max(Date.now(), last + 1),
			after: this.#after
		};
		if (!(await this.#keep(one))) {
			this.#unkept = [...this.#unkept, one.id];
			this.#problem = 'This browser has no room to keep the picture: stay here until it is sent.';
		}
		this.#put(one);
		void this.#send();
	}

	/** Keeps one on the disk; returns whether there was room. */
	async #keep({ id, ...one }: Omit<Waiting, 'url'>): Promise<boolean> {
		try {
			await set(id, one, this.#disk);
			return true;
		} catch {
			return false;
		}
	}

	async #change(id: string, next: Partial<Pick<Waiting, 'why' | 'after'>>): Promise<void> {
		this.#waiting = this.#waiting.map((one) => (one.id === id ? { ...one, ...next } : one));
		this.#shown = this.#shown.map((one) => (one.id === id ? { ...one, why: next.why ?? null } : one));
		const changed = this.#waiting.find((one) => one.id === id);
		if (!changed) return;
		const { url: _, ...rest } = changed;
		await this.#keep(rest);
	}

	/** Tries once more to send one that was not taken; of a visit that has ended, with the one that comes after it. */
	async tryAgain({ id, why }: Shown): Promise<void> {
		if (why?.ended) this.#after = why.ended.id;
		await this.#change(id, { why: undefined, ...(why?.ended ? { after: why.ended.id } : {}) });
		void this.#send();
	}

	/** The picture itself, where it waits here. */
	fileOf(id: string): Blob | null {
		return this.#waiting.find((one) => one.id === id)?.file ?? null;
	}

	/** Forgets a picture that was removed on the server, or one that still waits. */
	async forget(id: string): Promise<void> {
		this.#waiting = this.#waiting.filter((one) => one.id !== id);
		this.#shown = this.#shown.filter((one) => one.id !== id);
		await del(id, this.#disk).catch(() => undefined);
	}

	/** Sends what waits, as far as that can be done now. */
	async flush(): Promise<void> {
		while (this.waiting > 0 && (await this.#send())) continue;
	}

	/** Sends what waits, one after the other; tries again by itself while it cannot. Returns whether the last was settled. */
	#send(): Promise<boolean> {
		clearTimeout(this.#timer);
		this.#sending ??= this.#sendAll().then((all) => {
			this.#sending = null;
			// what was added just as the last was sent
			return all && this.waiting > 0 ? this.#send() : all;
		});
		return this.#sending;
	}

	async #sendAll(): Promise<boolean> {
		const name = `pictures ${this.#siteId}`;
		for (;;) {
			const one = this.#waiting.find((waiting) => !waiting.why);
			if (!one) return true;
			const { id, zone, caption, file, after } = one;
			const agoMs = String(Math.min(Math.max(0, Date.now() - one.takenAtMs), LONGEST_AGO_MS));
			const asked = { id, zone, caption, agoMs, ...(after === undefined ? {} : { after: after ?? '' }) };
			const about = Object.entries(asked)
				.map(([key, value]) => `${key}=${encodeURIComponent(value)}`)
				.join('&');
			const answer = await sendFile(`/api/v1/jobs/${this.#siteId}/pictures?${about}`, file);
			if (answer.ok) {
				this.#waiting = this.#waiting.filter((waiting) => waiting.id !== id);
				this.#shown = this.#shown.map((shown) => (shown.id === id ? { ...shown, sent: true } : shown));
				await del(id, this.#disk).catch(() => undefined);
				saving.say(name, { kind: 'saved', at: Date.now() });
			} else if (mayLater(answer) || mustSignIn(answer)) {
				const pictures = this.waiting === 1 ? '1 picture is' : `${this.waiting} pictures are`;
				if (mustSignIn(answer))
					saving.say(name, { kind: 'waiting', sentence: signInSentence(answer.status, pictures) });
				this.#timer = setTimeout(() => void this.#send(), RETRY_AFTER_MS);
				return false;
			} else await this.#change(id, { why: whyUnsent(answer) });
		}
	}
}
