import type { OnSite } from '$core/plan';

/** What a control can be in, as an installer says it. */
export const LEFT_WORDS: readonly (readonly [NonNullable<OnSite['leftIn']>, string])[] = [
	['automatic', 'automatic'],
	['manual', 'manual'],
	['off', 'off'],
	['hold', 'hold'],
	['boost', 'boost'],
	['holiday', 'holiday']
];
