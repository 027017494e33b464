import { createStore, del, entries, set, type UseStore } from 'idb-keyval';
import { z } from 'zod';
import { LARGEST_PICTURE } from '$core/record';
import { mayLater, sendFile } from '../call';

const RETRY_AFTER_MS = 4000;

/** A picture that waits in this browser until the server has it. */
interface Waiting {
	readonly id: string;
	readonly siteId: string;
	readonly zone: string;
	readonly caption: string;
	readonly file: Blob;
	readonly url: string;
}
const kept = z.object({
	siteId: z.string(),
	zone: z.string(),
	caption: z.string(),
	file: z.instanceof(globalThis.Blob ?? Object)
});

/** A picture as a page shows it: where its pixels are, and whether the server has them. */
export interface Shown {
	readonly id: string;
	readonly zone: string;
	readonly caption: string;
	readonly src: string;
	readonly sent: boolean;
}

/**
 * Pictures taken on a visit: each is kept in the browser's own database until the server has it, over reloads and a lost
 * network, and shown meanwhile from there.
 */
export class PictureQueue {
	#shown = $state.raw<readonly Shown[]>([]);
	#problem = $state<string | null>(null);
	#waiting: Waiting[] = [];
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

	get waiting(): number {
		return this.#shown.filter((one) => !one.sent).length;
	}

	/** Takes up what an earlier visit of this page could not send. Call in the browser; returns how to stop. */
	async resume(): Promise<void> {
		for (const [id, value] of await entries<string, unknown>(this.#disk)) {
			const read = kept.safeParse(value);
			if (!read.success || read.data.siteId !== this.#siteId) continue;
			if (this.#waiting.some((one) => one.id === id)) continue;
			this.#put({ ...read.data, id, file: read.data.file as Blob });
		}
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
			{ id: one.id, zone: one.zone, caption: one.caption, src: url, sent: false }
		];
	}

	/** Keeps a picture here and sends it as soon as it can. */
	async add(file: File, zone: string, caption: string): Promise<void> {
		this.#problem = null;
		if (file.size > LARGEST_PICTURE) {
			this.#problem = `${file.name} is too large: ${(file.size / 1e6).toFixed(1)} MB, at most ${LARGEST_PICTURE / 1e6} MB are taken.`;
			return;
		}
		const one = { id: newUuid(), siteId: this.#siteId, zone, caption, file };
		try {
			await set(one.id, { siteId: one.siteId, zone, caption, file }, this.#disk);
		} catch {
			this.#problem = 'This browser has no room to keep the picture: stay here until it is sent.';
		}
		this.#put(one);
		void this.#send();
	}

	/** Forgets a picture that was removed on the server, or one that still waits. */
	async forget(id: string): Promise<void> {
		this.#waiting = this.#waiting.filter((one) => one.id !== id);
		this.#shown = this.#shown.filter((one) => one.id !== id);
		await del(id, this.#disk).catch(() => undefined);
	}

	/** Sends what waits, as far as that can be done now. */
	async flush(): Promise<void> {
		while (this.#waiting.length > 0 && (await this.#send())) continue;
	}

	/** Sends what waits, one after the other; tries again by itself while it cannot. Returns whether the last was settled. */
	#send(): Promise<boolean> {
		clearTimeout(this.#timer);
		this.#sending ??= this.#sendAll().then((all) => {
			this.#sending = null;
			// what was added just as the last was sent
			return all && this.#waiting.length > 0 ? this.#send() : all;
		});
		return this.#sending;
	}

	async #sendAll(): Promise<boolean> {
		for (let one = this.#waiting[0]; one; one = this.#waiting[0]) {
			const { id, zone, caption, file } = one;
			const about = Object.entries({ id, zone, caption })
				.map(([key, value]) => `${key}=${encodeURIComponent(value)}`)
				.join('&');
			const answer = await sendFile(`/api/v1/jobs/${this.#siteId}/pictures?${about}`, file);
			if (answer.ok) {
				this.#waiting = this.#waiting.filter((waiting) => waiting.id !== id);
				this.#shown = this.#shown.map((shown) => (shown.id === id ? { ...shown, sent: true } : shown));
				await del(id, this.#disk).catch(() => undefined);
			} else if (mayLater(answer)) {
				this.#timer = setTimeout(() => void this.#send(), RETRY_AFTER_MS);
				return false;
			} else {
				this.#problem = answer.sentence;
				await this.forget(id);
			}
		}
		return true;
	}
}

/** A random id, in places without a secure connection too. */
function newUuid(): string {
	const bytes = crypto.getRandomValues(new Uint8Array(16));
	bytes[6] = (bytes[6]! & 0x0f) | 0x40;
	bytes[8] = (bytes[8]! & 0x3f) | 0x80;
	const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
	return hex.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, '$1-$2-$3-$4-$5');
}
