import type { ControlProfile } from '$core/control';
import { notesAt, noteSchema, withNote, type Note, type Notes } from '$core/keying';
import { keepNotesRead, newest, notesHeard } from '../outbox/deliveries';
import type { Letter } from '../outbox/letter';
import { outboxOf, type Outbox } from '../outbox/outbox.svelte';
import type { WhyUnsent } from '../visit/unsent';

const noteOf = ({ body, by }: Letter): Note[] => {
	const read = noteSchema.safeParse(body);
	return read.success ? [{ ...read.data, by }] : [];
};

/** What is noted at a control: what the server has, with what waits here laid over it. */
export class ControlNotes {
	#read = $state.raw<{ notes: Notes | null; atMs: number }>({ notes: null, atMs: 0 });
	readonly #zoneId: string;
	/** The control; null where its zone is gone: then what waits is only sent. */
	readonly #profile: ControlProfile | null;
	readonly #outbox: Outbox;
	readonly #letters = $derived.by(() => this.#outbox.letters('notes', this.#zoneId));
	readonly #notes = $derived.by((): Notes | null => {
		void this.#outbox.heard;
		const { notes } = newest(notesHeard(this.#outbox.siteId, this.#zoneId), this.#read);
		const profile = this.#profile;
		if (!profile || this.#letters.length === 0) return notes;
		return this.#letters
			.flatMap(noteOf)
			.reduce((all, note) => withNote(profile, all, note), notesAt(profile, notes));
	});

	/** `readAtMs` is when `notes` were read by the server. */
	constructor(
		outbox: Outbox,
		zoneId: string,
		profile: ControlProfile | null,
		notes: Notes | null,
		readAtMs = 0
	) {
		this.#outbox = outbox;
		this.#zoneId = zoneId;
		this.#profile = profile;
		this.refresh(notes, readAtMs);
	}

	/** All that is noted, what is still to be sent included. */
	get notes(): Notes | null {
		return this.#notes;
	}

	/** What waits, in its order. */
	get pending(): readonly Note[] {
		return this.#letters.flatMap(noteOf);
	}

	/** Why what waits was not taken; null while it is on its way. */
	get why(): WhyUnsent | null {
		return this.#letters.find(({ why }) => why)?.why ?? null;
	}

	/** Notes something, as done at the control by now. */
	note(...notes: readonly Note[]): void {
		for (const body of notes) this.#outbox.post({ kind: 'notes', zoneId: this.#zoneId, zoneName: '', body });
	}

	/** Takes what the server held when a page's data was read. */
	refresh(notes: Notes | null, readAtMs: number): void {
		keepNotesRead(this.#outbox.siteId, this.#zoneId, notes, readAtMs);
		this.#read = { notes, atMs: readAtMs };
	}

	/** Tries once more to send what was not taken. */
	tryAgain(): void {
		this.#outbox.again(this.#letters);
	}

	/** Lets go of what waits: only ever for a person who said so. */
	leaveOut(): void {
		this.#outbox.drop(this.#letters);
	}
}

/** The notes of the control of a zone. */
export const notesOf = (
	siteId: string,
	zoneId: string,
	profile: ControlProfile,
	notes: Notes | null,
	readAtMs: number
): ControlNotes => new ControlNotes(outboxOf(siteId), zoneId, profile, notes, readAtMs);
