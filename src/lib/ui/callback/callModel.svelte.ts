import { browser } from '$app/environment';
import { callSchema, type Call, type CauseKind, type Fact, type QuestionId } from '$core/callback';
import { keepJson, keptJson } from '../browserStore';
import { call } from '../call';
import { saving } from '../saving.svelte';

/** A call as the page was given it. */
export interface GivenCall {
	readonly id: string;
	readonly zoneId: string | null;
	readonly revision: number;
	readonly byCustomer: boolean;
	readonly takenAt: string | null;
	readonly closedAt: string | null;
	readonly at: string;
	readonly call: Call;
}

const SAVE_AFTER_MS = 600;
/** This instant in ISO 8601. */
const nowText = () => new Date().toISOString();

/**
 * A call while it is being taken: kept in the window until somebody keeps it on the site, from then on saved as it goes. What stood in the
 * window outlives a reload.
 */
export class CallModel {
	#call = $state.raw<Call>(callSchema.parse({}));
	#kept = $state.raw<GivenCall | null>(null);
	#problem = $state<string | null>(null);
	#timer: ReturnType<typeof setTimeout> | undefined;
	#saves: Promise<void> = Promise.resolve();
	readonly #siteId: string;
	readonly #zone: { readonly id: string; readonly name: string };
	readonly #draft: string;

	constructor(siteId: string, zone: { readonly id: string; readonly name: string }, given: GivenCall | null) {
		this.#siteId = siteId;
		this.#zone = zone;
		this.#draft = `fond-quarter/call/${zone.id}`;
		if (given) this.open(given);
		else {
			const draft = callSchema.safeParse(browser ? keptJson(this.#draft) : null);
			if (draft.success) this.#call = draft.data;
		}
	}

	get call(): Call {
		return this.#call;
	}
	/** The call as it is kept; null while it is only in this window. */
	get kept(): GivenCall | null {
		return this.#kept;
	}
	get problem(): string | null {
		return this.#problem;
	}
	/** Whether anything was taken down. */
	get isBegun(): boolean {
		return this.#call.facts.length > 0 || this.#call.said.trim() !== '';
	}

	/** Goes on with a call that is kept. */
	open(given: GivenCall): void {
		this.#kept = given;
		this.#call = given.call;
		this.#problem = null;
	}

	/** Something of it otherwise. */
	put(part: Partial<Call>): void {
		this.#call = { ...this.#call, ...part };
		if (this.#kept) {
			clearTimeout(this.#timer);
			this.#timer = setTimeout(() => void this.#save(), SAVE_AFTER_MS);
		} else keepJson(this.#draft, this.isBegun ? this.#call : null);
	}

	/** Things that were said: each once; another log takes the place of the one before. */
	say(...facts: readonly Fact[]): void {
		const text = (fact: Fact) => (fact.kind === 'log' ? fact.kind : JSON.stringify(fact));
		const all = [...this.#call.facts, ...facts];
		const names = all.map(text);
		this.put({ facts: all.filter((_, i) => names.lastIndexOf(names[i]!) === i) });
	}
	/** Said in other words: what only the words before said goes, what was chosen beside stays. */
	reword(said: string, before: readonly Fact[], now: readonly Fact[]): void {
		const gone = before.map((fact) => JSON.stringify(fact));
		this.put({ said, facts: this.#call.facts.filter((fact) => !gone.includes(JSON.stringify(fact))) });
		this.say(...now);
	}
	takeBack(at: number): void {
		const facts = this.#call.facts.filter((_, i) => i !== at);
		this.put({ facts, ...(facts.length === 0 ? { passed: [] } : {}) });
	}
	/** An answer to a question; null where nobody can say. */
	answer(question: QuestionId, answer: string | null): void {
		if (answer === null) this.put({ passed: [...this.#call.passed, question] });
		else this.say({ kind: 'answer', question, answer });
	}

	/** Keeps it on the site, about this zone or the whole house. Returns whether it is kept. */
	async keep(wholeHouse = false): Promise<boolean> {
		const zoneName = wholeHouse ? '' : this.#zone.name;
		const zoneId = wholeHouse ? null : this.#zone.id;
		const next = { ...this.#call, zoneName };
		const answer = await call<{ id: string }>('POST', `/api/v1/jobs/${this.#siteId}/calls`, {
			zoneId,
			call: next
		});
		this.#problem = answer.ok ? null : answer.sentence;
		if (!answer.ok) return false;
		const at = nowText();
		this.#call = next;
		this.#kept = {
			id: answer.data.id,
			zoneId,
			revision: 1,
			byCustomer: false,
			takenAt: at,
			closedAt: null,
			at,
			call: next
		};
		keepJson(this.#draft, null);
		saving.now = { kind: 'saved', at: Date.now() };
		return true;
	}

	/** Closes it with what it was, or (null) opens it again. Returns whether it is saved. */
	async close(
		outcome: { readonly kind: CauseKind; readonly figure: number; readonly note: string } | null
	): Promise<boolean> {
		this.#call = { ...this.#call, outcome: outcome && { ...outcome } };
		if (!this.#kept && !(await this.keep())) return false;
		await this.#save();
		return this.#problem === null;
	}

	/** One after the other, each on the revision that the one before left. */
	#save(): Promise<void> {
		clearTimeout(this.#timer);
		this.#saves = this.#saves.then(async () => {
			const kept = this.#kept;
			if (!kept) return;
			const next = this.#call;
			saving.now = { kind: 'saving' };
			const answer = await call<{ revision: number }>(
				'PUT',
				`/api/v1/jobs/${this.#siteId}/calls/${kept.id}`,
				{ revision: kept.revision, call: next }
			);
			this.#problem = answer.ok ? null : answer.sentence;
			saving.now = answer.ok
				? { kind: 'saved', at: Date.now() }
				: { kind: 'refused', sentence: 'The call is not saved' };
			if (!answer.ok) return;
			const now = nowText();
			this.#kept = {
				...kept,
				revision: answer.data.revision,
				takenAt: kept.takenAt ?? now,
				closedAt: next.outcome ? (kept.closedAt ?? now) : null,
				call: next
			};
		});
		return this.#saves;
	}
}
