import { hearHanging } from './call';

/** What the head of every page says about saving. */
export type SavingState =
	| { readonly kind: 'quiet' }
	| { readonly kind: 'saving' }
	| { readonly kind: 'saved'; readonly at: number }
	| { readonly kind: 'waiting'; readonly sentence: string }
	| { readonly kind: 'refused'; readonly sentence: string };

/** Whether something was saved since the lists on the page were loaded. */
let listsStale = false;
let last = $state.raw<SavingState>({ kind: 'quiet' });
/** What is still on its way or waits for the connection, by what sends it. */
let open = $state.raw<Readonly<Record<string, SavingState>>>({});

/** How many requests have had no answer for long. */
let hanging = $state(0);
hearHanging((count) => (hanging = count));

/** The state of saving across the page: set by whatever saves, shown in the head. */
export const saving = {
	/** What was heard last; while anything is still on its way or waits, that instead of "saved"; of what hangs, that there is no connection. */
	get now(): SavingState {
		const now = this.heard;
		return hanging > 0 && (now.kind === 'saving' || now.kind === 'quiet' || now.kind === 'saved')
			? { kind: 'waiting', sentence: 'Offline: saved here, sent later.' }
			: now;
	},
	get heard(): SavingState {
		if (last.kind !== 'saved' && last.kind !== 'quiet') return last;
		const left = Object.values(open);
		return left.find((one) => one.kind === 'waiting') ?? left[0] ?? last;
	},
	set now(next: SavingState) {
		if (next.kind === 'saved') listsStale = true;
		last = next;
	},
	/** Says how it stands with what `sender` sends: several may be under way at once, and all is saved when each is. */
	say(sender: string, next: SavingState): void {
		const others = Object.fromEntries(Object.entries(open).filter(([one]) => one !== sender));
		open = next.kind === 'saving' || next.kind === 'waiting' ? { ...others, [sender]: next } : others;
		this.now = next;
	},
	/** Whether lists need loading anew; asking answers once. */
	takeStale(): boolean {
		const stale = listsStale;
		listsStale = false;
		return stale;
	}
};
