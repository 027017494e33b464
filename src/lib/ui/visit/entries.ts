/** A record of words as the choices of a field, in its own order. */
export const entries = <K extends string>(words: Readonly<Record<K, string>>) =>
	Object.entries(words) as [K, string][];
