/** What the head of every page says about saving. */
export type SavingState =
	| { readonly kind: 'quiet' }
	| { readonly kind: 'saving' }
	| { readonly kind: 'saved'; readonly at: number }
	| { readonly kind: 'waiting'; readonly sentence: string }
	| { readonly kind: 'refused'; readonly sentence: string };

/** Whether something was saved since the lists on the page were loaded. */
let listsStale = false;
let state = $state.raw<SavingState>({ kind: 'quiet' });

/** The state of saving across the page: set by whatever saves, shown in the head. */
export const saving = {
	get now(): SavingState {
		return state;
	},
	set now(next: SavingState) {
		if (next.kind === 'saved') listsStale = true;
		state = next;
	},
	/** Whether lists need loading anew; asking answers once. */
	takeStale(): boolean {
		const stale = listsStale;
		listsStale = false;
		return stale;
	}
};
