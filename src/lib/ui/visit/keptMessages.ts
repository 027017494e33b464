/** What a page asks of the service worker, and what it answers. */
export interface KeptAnswers {
	/** Which of these pages are kept whole, and since when, in ms since 1970 by this device. */
	readonly kept: {
		readonly asked: { readonly pages: readonly string[] };
		readonly answer: Record<string, number>;
	};
	/** Has a page kept as it is now (with `ifKept` only where it is kept already). Answers whether it is kept. */
	readonly keep: {
		readonly asked: { readonly page: string; readonly ifKept?: boolean };
		readonly answer: boolean;
	};
	/** Since when what this window was given for an address had been kept; null where it came from the server. */
	readonly age: { readonly asked: { readonly path: string }; readonly answer: number | null };
	/** Says that this window reads the page it shows anew: without a network it is to stay as it is, not to become an older one. */
	readonly anew: { readonly asked: { readonly path: string }; readonly answer: boolean };
	/** Has all pages forgotten, as when a person signs out. */
	readonly forget: { readonly asked: object; readonly answer: boolean };
}
export type KeptQuestion = {
	readonly [Ask in keyof KeptAnswers]: { readonly ask: Ask } & KeptAnswers[Ask]['asked'];
}[keyof KeptAnswers];
