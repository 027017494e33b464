import { fitWords, leftWords, NOT_DRAWN } from '$core/words';
import type { ZoneView } from '../shell/places';
import type { LiveZone } from './live.svelte';

/** A zone as the tabs need it: how its lists say that it stands, over which its page's own knowledge is laid. */
export interface ZoneStanding {
	readonly proof: string;
	readonly clock: { readonly words: string; readonly bad: boolean };
	readonly away: { readonly words: string; readonly bad: boolean };
	readonly isSwitch: boolean;
	readonly known: Required<Omit<LiveZone, 'changed'>> & Pick<LiveZone, 'changed'>;
}

/** What stands under each tab of a zone: how far that step is. What a change made old is not said. */
export function tabStates(
	zone: ZoneStanding | null
): Readonly<Record<ZoneView, { readonly words: string; readonly bad: boolean }>> {
	const plain = (words: string) => ({ words, bad: false });
	const of = (words: (known: ZoneStanding['known']) => string) =>
		plain(zone === null ? '–' : zone.known.changed ? '…' : words(zone.known));
	return {
		room: plain(zone === null ? '–' : zone.proof === 'room not described' ? 'not described' : 'described'),
		control: plain('how it is set'),
		clock: zone?.clock ?? plain('–'),
		week: {
			words: zone ? (zone.known.undrawn ? NOT_DRAWN : fitWords(zone.known, zone.isSwitch)) : '–',
			bad: zone !== null && (zone.known.undrawn || zone.known.coldMinutes > 0)
		},
		away: zone?.away ?? plain('–'),
		proof: of(() => zone!.proof),
		'key-in': of((known) => leftWords(known)),
		'read-back': of(({ read, toRead }) => `${read} of ${toRead}`),
		'hand-over': of(({ left }) => (left === 0 ? 'ready' : '–')),
		moment: plain('and why'),
		callback: plain('what is wrong')
	};
}
