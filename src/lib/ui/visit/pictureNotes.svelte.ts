import { LARGEST_PICTURE } from '$core/record';
import { newUuid } from '../newUuid';
import { pictureSchema } from '../outbox/deliveries';
import type { Letter } from '../outbox/letter';
import type { Outbox } from '../outbox/outbox.svelte';
import { forgetPicture, isHeld, keepPicture, keptPicture } from '../outbox/pictureStore';
import type { WhyUnsent } from './unsent';

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

/** Pictures taken on a visit: each is kept in this browser until the server has it, and shown meanwhile from here. */
export class PictureNotes {
	#sources = $state.raw<readonly Omit<Shown, 'sent' | 'why'>[]>([]);
	#problem = $state<string | null>(null);
	#after: string | null | undefined;
	readonly #outbox: Outbox;
	readonly #letters = $derived.by(() => this.#outbox.letters('picture'));

	constructor(outbox: Outbox) {
		this.#outbox = outbox;
	}

	#letterOf(id: string): Letter | undefined {
		return this.#letters.find(({ body }) => pictureSchema.parse(body).id === id);
	}

	/** Pictures added here, sent or not. */
	readonly shown = $derived.by((): readonly Shown[] =>
		this.#sources.map((one) => {
			const letter = this.#letterOf(one.id);
			return { ...one, sent: letter === undefined, why: letter?.why ?? null };
		})
	);

	get problem(): string | null {
		return this.#problem;
	}

	/** What was not taken and waits for a person. */
	get unsent(): readonly Shown[] {
		return this.shown.filter((one) => one.why);
	}

	/** Whether one that waits here would be gone with a reload: this browser has no room, or keeps nothing. */
	get unkept(): boolean {
		return this.shown.some((one) => !one.sent && isHeld(one.id));
	}

	/** Says which visit ended last (null: none): what is taken from now on belongs to the one after it. */
	knows(after: string | null): void {
		this.#after = after;
	}

	#show(id: string, zone: string, caption: string, file: Blob): void {
		if (this.#sources.some((one) => one.id === id)) return;
		this.#sources = [...this.#sources, { id, zone, caption, src: URL.createObjectURL(file) }];
	}

	/** Shows what an earlier visit of this page could not send. Call in the browser. */
	async show(): Promise<void> {
		for (const { body, zoneName } of this.#letters) {
			const { id, caption } = pictureSchema.parse(body);
			const file = await keptPicture(id);
			if (file) this.#show(id, zoneName, caption, file);
		}
	}

	/** Keeps a picture here and sends it as soon as it can. */
	async add(file: File, zone: string, caption: string): Promise<void> {
		this.#problem = null;
		if (file.size > LARGEST_PICTURE) {
			this.#problem = `${file.name} is too large: ${(file.size / 1e6).toFixed(1)} MB, at most ${LARGEST_PICTURE / 1e6} MB are taken.`;
			return;
		}
		const id = newUuid();
		const after = this.#after;
		if (!(await keepPicture(id, file)))
			this.#problem = 'This browser has no room to keep the picture: stay here until it is sent.';
		this.#show(id, zone, caption, file);
		this.#outbox.post({ kind: 'picture', zoneId: '', zoneName: zone, after, body: { id, caption } });
	}

	/** Tries once more to send one that was not taken; of a visit that has ended, with the one that comes after it. */
	tryAgain({ id, why }: Shown): void {
		const letter = this.#letterOf(id);
		if (why?.ended) this.#after = why.ended.id;
		if (letter) this.#outbox.again([letter], why?.ended ? { after: why.ended.id } : {});
	}

	/** The picture itself, where it waits here. */
	fileOf = (id: string): Promise<Blob | null> => keptPicture(id);

	/** Forgets a picture that was removed on the server, or one that still waits. */
	async forget(id: string): Promise<void> {
		const letter = this.#letterOf(id);
		if (letter) this.#outbox.drop([letter]);
		this.#sources = this.#sources.filter((one) => one.id !== id);
		await forgetPicture(id);
	}
}
