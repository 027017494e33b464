import { allowedOptions, localWords, type ControlProfile } from '../control';
import { routeMinutes, type Pace } from '../keying';
import type { Zone } from '../plan';
import { awayFacts, clockFacts, clockIsWrong, type AwayFacts } from '../run';
import { duration, spanWords } from '../week';

/** How much of the week a control misses, in minutes. */
export interface Missed {
	readonly coldMinutes: number;
	readonly warmMinutes: number;
}

/** Said of a week that nobody has drawn. */
export const NOT_DRAWN = 'not drawn yet';

/**
 * How well a control holds the week, in one phrase: "20 min too cold", of a switch "6 h on when not wanted", "fits" where nothing
 * is missed. Too cold is said before too warm.
 */
export function fitWords({ coldMinutes, warmMinutes }: Missed, isSwitch: boolean): string {
	if (coldMinutes > 0) return `${duration(coldMinutes)} ${isSwitch ? 'off when wanted' : 'too cold'}`;
	if (warmMinutes > 0) return `${duration(warmMinutes)} ${isSwitch ? 'on when not wanted' : 'too warm'}`;
	return 'fits';
}

/** What is left to key, and how long that takes: "26 left, 3 min"; "keyed in" where nothing is. */
export function leftWords(
	{ left, presses }: { readonly left: number; readonly presses: number },
	pace?: Pace
): string {
	if (left === 0) return 'keyed in';
	return `${left} left, ${minutesLeft({ left, presses }, pace)}`;
}

/** How long it takes to key what is left, in whole minutes. */
export const minutesLeft = (
	{ left, presses }: { readonly left: number; readonly presses: number },
	pace?: Pace
): string => `${Math.max(1, Math.round(routeMinutes({ presses, looks: left }, pace)))} min`;

/** Where one side of a zone's work stands, in a few words. */
export interface Standing {
	/** What it is: by this a page decides, never by the words. */
	readonly kind: 'none' | 'unseen' | 'fine' | 'wrong' | 'now' | 'planned';
	readonly words: string;
	/** Whether a person is needed. */
	readonly bad: boolean;
}

/** How far fast or slow a clock is, in words: `3 min slow`, `1 h 02 fast`. */
export function errorWords(errorSeconds: number): string {
	const size = Math.abs(errorSeconds);
	const side = errorSeconds > 0 ? 'fast' : 'slow';
	if (size < 30) return 'right';
	if (size < 90) return `1 min ${side}`;
	return `${spanWords(Math.round(size / 60))} ${side}`;
}

/** Where a zone's clock stands, in a few words: "not looked at", "set Tue 17 Nov", "3 min slow", "not changed since Sun 25 Oct". */
export function clockStanding(
	zone: Pick<Zone, 'options' | 'clockReadings'>,
	profile: ControlProfile,
	timeZone: string,
	nowMs: number
): Standing {
	const clock = clockFacts(zone, profile, timeZone, nowMs);
	const date = (iso: string) => localWords(iso, allowedOptions(profile, zone.options));
	const bad = clockIsWrong(clock);
	switch (clock.kind) {
		case 'no-clock':
			return { kind: 'none', words: 'has none', bad };
		case 'unseen':
			return { kind: 'unseen', words: 'not checked', bad };
		case 'left-behind':
			return { kind: 'wrong', words: `not changed since ${date(clock.date)}`, bad };
		case 'lost':
			return { kind: 'wrong', words: 'lost its time', bad };
		case 'wrong-day':
			return { kind: 'wrong', words: 'wrong day', bad };
		case 'off':
			return { kind: 'wrong', words: errorWords(clock.errorSeconds), bad };
		default:
			return {
				kind: 'fine',
				words: `${clock.kind === 'set' ? 'set' : 'right on'} ${date(clock.date)}`,
				bad
			};
	}
}

/** What a control is left on that does not end: "left off", "left on manual". */
export const endlessWords = ({ what }: Extract<AwayFacts, { kind: 'endless' }>): string =>
	what === 'off' ? 'left off' : `left on ${what}`;

/** Where a zone's departures from its week stand, in a few words: "from Fri 4 Dec 14:00", "left off", "–". */
export function awayStanding(
	zone: Pick<Zone, 'options' | 'exceptions'>,
	profile: ControlProfile,
	timeZone: string,
	nowMs: number
): Standing {
	const away = awayFacts(zone, timeZone, nowMs);
	const say = (local: string) => localWords(local, allowedOptions(profile, zone.options));
	switch (away.kind) {
		case 'endless':
			return { kind: 'wrong', words: endlessWords(away), bad: true };
		case 'held':
			return { kind: 'now', words: `${away.what} until ${say(away.until)}`, bad: false };
		case 'away':
			return { kind: 'now', words: `away until ${say(away.back)}`, bad: false };
		case 'planned':
			return { kind: 'planned', words: `from ${say(away.leave)}`, bad: false };
		case 'special-days':
			return {
				kind: 'now',
				words: away.count === 1 ? '1 special day' : `${away.count} special days`,
				bad: false
			};
		default:
			return { kind: 'none', words: '–', bad: false };
	}
}
