/** What hurts people before anything is asked. */
export type Danger = 'gas' | 'burning' | 'water' | 'fumes';

const DANGERS: readonly (readonly [Danger, RegExp])[] = [
	['gas', /\b(smell\w*|reek\w*|stink\w*)( of| like)? gas\b|\bgas (leak|smell)|\bsmells? gas\b/],
	['fumes', /\b(carbon monoxide|co alarm|co detector|fumes)\b/],
	['burning', /\b(burning|burnt|smoke|smoking|scorched|sparks?|on fire|smell\w* of plastic)\b/],
	[
		'water',
		/\b(water|leak\w*|drip\w*|wet)\b.*\b(socket|fuse|wires?|electrics?|control|thermostat|receiver)\b/
	]
];

/** What of that somebody speaks of; null for nothing of the kind. Said is enough: it is for them to say that it is nothing. */
export const dangerIn = (said: string): Danger | null =>
	DANGERS.find(([, of]) => of.test(said.toLowerCase()))?.[0] ?? null;
