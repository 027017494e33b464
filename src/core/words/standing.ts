import { duration } from '../week';

/** How much of the week a control misses, in minutes. */
export interface Missed {
	readonly coldMinutes: number;
	readonly warmMinutes: number;
}

/**
 * How well a control holds the week, in one phrase: "20 min too cold", of a switch "6 h on too long", "exact" where nothing
 * is missed. Too cold is said before too warm.
 */
export function fitWords({ coldMinutes, warmMinutes }: Missed, isSwitch: boolean): string {
	if (coldMinutes > 0) return `${duration(coldMinutes)} ${isSwitch ? 'off too long' : 'too cold'}`;
	if (warmMinutes > 0) return `${duration(warmMinutes)} ${isSwitch ? 'on too long' : 'too warm'}`;
	return 'exact';
}

/** How far the keying of a zone is: "14 of 31", "keyed" where all is. */
export const keyedWords = ({ done, of }: { readonly done: number; readonly of: number }): string =>
	done === of ? 'keyed' : `${done} of ${of}`;
