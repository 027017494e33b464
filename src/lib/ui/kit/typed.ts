/** What is being typed in a field and was not left yet, kept over a reload of the window: one text a field of a page. */
export interface Typed {
	/** What was half typed before the reload; null for nothing. */
	readonly before: string | null;
	/** Keeps what stands in the field. */
	keep(text: string): void;
	/** It was left: the field's own value counts from here. */
	forget(): void;
}

/** Begins to keep what is typed into the field of a name on a page; `storage` is null where a browser forbids it. */
export function keepTyped(
	storage: Pick<Storage, 'getItem' | 'setItem' | 'removeItem'> | null,
	page: string,
	name: string
): Typed {
	const key = `fond-quarter/typed ${page} ${name}`;
	const trying = <T>(work: (kept: NonNullable<typeof storage>) => T): T | null => {
		try {
			return storage && work(storage);
		} catch {
			// full or forbidden: what is typed lives as long as the page
			return null;
		}
	};
	return {
		before: trying((kept) => kept.getItem(key)),
		keep: (text) => void trying((kept) => kept.setItem(key, text)),
		forget: () => void trying((kept) => kept.removeItem(key))
	};
}
