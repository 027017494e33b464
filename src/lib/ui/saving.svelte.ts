/** What the head of every page says about saving. */
export type SavingState =
	| { readonly kind: 'quiet' }
	| { readonly kind: 'saving' }
	| { readonly kind: 'saved'; readonly at: Date }
	| { readonly kind: 'waiting'; readonly sentence: string }
	| { readonly kind: 'refused'; readonly sentence: string };

let state = $state.raw<SavingState>({ kind: 'quiet' });

/** The state of saving across the page: set by whatever saves, shown in the head. */
export const saving = {
	get now(): SavingState {
		return state;
	},
	set now(next: SavingState) {
		state = next;
	}
};
