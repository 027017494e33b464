import { browser } from '$app/environment';
import { keep, keepJson } from '../browserStore';
import { call, mayLater, UNREACHABLE, WHO, type Answer } from '../call';
import { saving } from '../saving.svelte';
import { mustSignIn, signInSentence, whyUnsent } from '../visit/unsent';
import { alone } from './alone';
import { takeBefore } from './before';
import { deliveries } from './deliveries';
import { inOrder, letterKey, lettersKept, stampNow, thisPage, type Letter, type LetterKind } from './letter';

const RETRY_AFTER_MS = 3000;
/** The most letters in one request. */
const MOST_AT_ONCE = 200;

const isSame = (a: Letter, b: Letter) => a.by.from === b.by.from && a.by.number === b.by.number;

/**
 * All that was noted in this browser at one site and that the server may not have yet: values keyed, fields noted, pictures. A letter
 * is kept until the server has it, over reloads, a locked screen, a lost network; whichever window is open sends for all of them, in the
 * order in which they were made, one window at a time. What is refused waits for a person, and holds nothing else up.
 */
export class Outbox {
	#letters = $state.raw<readonly Letter[]>([]);
	/** Whether this browser keeps what waits over a reload. */
	#keeps = $state(true);
	#signedOut = $state(false);
	#heard = $state(0);
	#sending: Promise<void> | null = null;
	#timer: ReturnType<typeof setTimeout> | undefined;
	readonly #ask: typeof call;
	readonly #alone: typeof alone;
	readonly #from: string;
	readonly siteId: string;

	/** How a request is sent, who does, and how no other window does meanwhile: others than this page's own in tests. */
	constructor(siteId: string, how: { ask?: typeof call; from?: string; alone?: typeof alone } = {}) {
		this.siteId = siteId;
		this.#ask = how.ask ?? call;
		this.#from = how.from ?? thisPage;
		this.#alone = how.alone ?? alone;
	}

	/** What waits of a kind, at a zone or at all of them, in its order. */
	letters(kind?: LetterKind, zoneId?: string): Letter[] {
		return this.#letters.filter(
			(one) => (kind === undefined || one.kind === kind) && (zoneId === undefined || one.zoneId === zoneId)
		);
	}

	/** How many letters are still to be sent. */
	get waiting(): number {
		return this.#letters.filter((one) => !one.why).length;
	}

	/** Whether what waits here would be gone with a reload: this browser is full, or keeps nothing. */
	get unkept(): boolean {
		return !this.#keeps && this.#letters.length > 0;
	}

	/** Whether what waits here wants somebody to sign in. */
	get signedOut(): boolean {
		return this.#signedOut && this.waiting > 0;
	}

	/** Goes up with every answer of the server, also to another window: who reads what was heard of it reads it anew. */
	get heard(): number {
		return this.#heard;
	}

	/** Takes up what other windows and earlier visits could not send, and hears of what they do from here on. Call in the browser. */
	resume(): void {
		this.#look();
		if (this.waiting === 0) return;
		this.#say({ kind: 'saving' });
		void this.send();
	}

	/** Another window has kept, changed or let go of something. */
	changedElsewhere(name: string): void {
		if (name.includes(this.siteId)) this.#look();
	}

	#look(): void {
		this.#letters = lettersKept(this.siteId);
		this.#heard++;
	}

	/** Keeps something until the server has it, and sends it. */
	post(letter: Omit<Letter, 'by'>): void {
		this.#put({ ...letter, by: stampNow(this.#from) });
		this.#say({ kind: 'saving' });
		void this.send();
	}

	#put(letter: Letter): void {
		this.#keeps = keepJson(letterKey(this.siteId, letter.by), letter);
		this.#letters = inOrder([...this.#letters.filter((one) => !isSame(one, letter)), letter]);
	}

	/** Lets go of letters: the server has them, or a person said so. */
	drop(letters: readonly Letter[]): void {
		for (const { by } of letters) keepJson(letterKey(this.siteId, by), null);
		this.#letters = this.#letters.filter((one) => !letters.some((gone) => isSame(one, gone)));
	}

	/** Sends once more what was not taken, changed as given. */
	again(letters: readonly Letter[], change: Partial<Letter> = {}): void {
		this.drop(letters);
		for (const { why: _, by, ...letter } of letters) {
			const next = stampNow(this.#from);
			// it was done when it was done, whatever its turn is now
			this.#put({ ...letter, ...change, by: { ...next, atMs: by.atMs } });
		}
		this.#say({ kind: 'saving' });
		void this.send();
	}

	#say(state: Parameters<typeof saving.say>[1]): void {
		saving.say(`outbox ${this.siteId}`, state);
	}

	/** Sends what waits; tries again by itself while it cannot. Resolves when all is sent or cannot be now. */
	send(): Promise<void> {
		clearTimeout(this.#timer);
		this.#sending ??= this.#alone(`fond-quarter/sending/${this.siteId}`, () => this.#sendAll())
			.finally(() => (this.#sending = null))
			// what was noted just as the last was sent
			.then((all) => (all && this.waiting > 0 ? this.send() : undefined));
		return this.#sending;
	}

	/** Returns whether all was sent or set aside, as far as it was noted by then. */
	async #sendAll(): Promise<boolean> {
		/** Whether one of several was refused: then each goes by itself, and only what is wrong is left. */
		let singly = false;
		// another window may have sent some of it while this one waited
		this.#look();
		for (;;) {
			const open = this.#letters.filter((one) => !one.why);
			const [first] = open;
			if (!first) return true;
			const { together, ask, took } = deliveries[first.kind];
			const beside = open.filter(({ kind, zoneId }) => kind === first.kind && zoneId === first.zoneId);
			// in their order: what belongs to another visit ends the request
			const end = beside.findIndex(({ after }) => after !== first.after);
			const most = singly || !together ? 1 : MOST_AT_ONCE;
			const batch = beside.slice(0, end < 0 ? most : Math.min(end, most));
			const answer = await ask(this.#ask, this.siteId, batch);
			this.#signedOut = !answer.ok && mustSignIn(answer);
			if (answer.ok) {
				took(this.siteId, batch, answer.data);
				this.drop(batch);
				this.#heard++;
				this.#say(this.waiting > 0 ? { kind: 'saving' } : { kind: 'saved', at: Date.now() });
			} else if (mayLater(answer) || mustSignIn(answer)) {
				this.#say({ kind: 'waiting', sentence: this.#waitingWords(answer) });
				this.#timer = setTimeout(() => void this.send(), RETRY_AFTER_MS);
				return false;
			} else if (batch.length > 1 && whyUnsent(answer).kind === 'refused') singly = true;
			else {
				const why = whyUnsent(answer);
				for (const one of batch) this.#put({ ...one, why });
				const aside = this.#letters.filter((one) => one.why).length;
				this.#say({
					kind: 'refused',
					sentence:
						aside === 1 ? '1 note waits for you in the visit.' : `${aside} notes wait for you in the visit.`
				});
			}
		}
	}

	#waitingWords({ status, sentence }: Extract<Answer<unknown>, { ok: false }>): string {
		const is = this.waiting === 1;
		if (mustSignIn({ status }))
			return signInSentence(status, `${this.waiting} ${is ? 'note is' : 'notes are'}`);
		return status === UNREACHABLE
			? `${this.waiting} ${is ? 'note' : 'notes'} kept here: no connection`
			: sentence;
	}
}

const open: Record<string, Outbox> = {};

/** Sends all that waits at a site, of the version before as well. Call in the browser. */
export function sendWaiting(siteId: string): void {
	saving.now = { kind: 'quiet' };
	const outbox = outboxOf(siteId);
	outbox.resume();
	void takeBefore(outbox);
}

/** The outbox of a site: one in a window, whatever pages come and go. On the server each page has its own. */
export function outboxOf(siteId: string): Outbox {
	if (!browser) return new Outbox(siteId);
	const known = open[siteId];
	if (known) return known;
	const made = (open[siteId] = new Outbox(siteId));
	window.addEventListener('storage', ({ key }) => {
		const letter = key?.startsWith('fond-quarter/outbox/') || key?.startsWith('fond-quarter/heard/');
		if (key === null || letter || key.startsWith('fond-quarter/visit/')) made.changedElsewhere(key ?? siteId);
	});
	return made;
}

/** The end of a visit as a person writes it, or the sign-off of one dwelling while the visit goes on elsewhere. */
export interface SignedEnd {
	readonly who: string;
	readonly note: string;
	readonly signedOff: boolean;
	readonly dwelling: string | null;
	/** Given by the device, so that sending it twice ends it once. */
	readonly id: string;
	/** The visit that the page knows as the last; absent where it does not matter. */
	readonly after?: string | null | undefined;
}

/** Ends a visit once all that waits in this browser is sent: what is signed off is what was done. Returns why not, or null. */
export async function signEnd(siteId: string, end: SignedEnd): Promise<string | null> {
	const who = end.who.trim();
	if (who === '') return 'Say who you are.';
	const outbox = outboxOf(siteId);
	await outbox.send();
	if (outbox.waiting > 0) {
		const count = outbox.waiting === 1 ? 'A note is' : `${outbox.waiting} notes are`;
		return `${count} still kept here: sign off when the connection is back.`;
	}
	keep(WHO, who);
	const answer = await call('POST', `/api/v1/jobs/${siteId}/visits`, { ...end, who, note: end.note.trim() });
	if (answer.ok) return null;
	return answer.status === UNREACHABLE
		? 'No connection: everything is kept; sign off when it is back.'
		: answer.sentence;
}
