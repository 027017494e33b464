import { dateOfDay, dateWords, wallAt } from '../civil';
import { counted } from '../schema';
import { DAY_MINUTES } from '../week';
import { fitWords, leftWords, minutesLeft, NOT_DRAWN, type Missed, type Standing } from './standing';

/** What stands under the name of a place: how far its work is. */
export interface Caption {
	readonly words: string;
	readonly bad: boolean;
}

const plain = (words: string): Caption => ({ words, bad: false });
const bad = (words: string): Caption => ({ words, bad: true });

/** A zone as its places and those of its site need it. */
export interface PlacedZone {
	readonly id: string;
	readonly boxId: string;
	readonly undrawn: boolean;
	readonly isSwitch: boolean;
	readonly proof: string;
	readonly clock: Standing;
	readonly away: Standing;
	readonly summary: Missed & {
		readonly left: number;
		readonly presses: number;
		readonly read: number;
		readonly toRead: number;
	};
}

/** What stands under each place of a zone; of what a change on the page made old, nothing is said yet. */
export function zoneCaptions(
	{ undrawn, isSwitch, proof, clock, away, summary }: PlacedZone,
	isChanged: boolean,
	hasCall: boolean
): Readonly<Record<'plan' | 'control' | 'key-in' | 'now', Caption>> {
	const { coldMinutes, warmMinutes, left, read, toRead } = summary;
	const plan = () => {
		if (undrawn) return bad(NOT_DRAWN);
		if (isChanged) return plain('…');
		if (coldMinutes + warmMinutes > 0) return { words: fitWords(summary, isSwitch), bad: coldMinutes > 0 };
		return plain(proof === 'computed' ? 'fits' : proof);
	};
	const keyIn = () => {
		if (isChanged) return '…';
		if (left > 0) return leftWords(summary);
		return read < toRead ? `${read} of ${toRead} read back` : 'keyed in, read back';
	};
	return {
		plan: plan(),
		control: clock.kind === 'none' ? plain('as planned') : { words: `clock ${clock.words}`, bad: clock.bad },
		'key-in': plain(keyIn()),
		now: hasCall
			? bad('call open')
			: away.kind === 'now' || away.bad
				? { words: away.words, bad: away.bad }
				: plain('runs its program')
	};
}

/** What stands beside the views of a plan, the week apart. */
export const planCaptions = ({ proof, away }: Pick<PlacedZone, 'proof' | 'away'>) => ({
	room: plain(proof === 'room not described' ? 'not described' : 'described'),
	proof: plain(proof === 'room not described' ? 'room first' : proof),
	away: { words: away.kind === 'none' ? 'nothing planned' : away.words, bad: away.bad }
});

/** The view of a zone where the next act is done; null for what is done at its site. */
export const nextView = ({ left, read, toRead }: PlacedZone['summary']): 'key-in' | 'read-back' | null =>
	left > 0 ? 'key-in' : read < toRead ? 'read-back' : null;

/** The next act at a zone whose plan is on screen. */
export function nextWords(summary: PlacedZone['summary']): string {
	switch (nextView(summary)) {
		case 'key-in':
			return `Key in ${counted(summary.left, 'value')}, ${minutesLeft(summary)}`;
		case 'read-back':
			return `Read back, ${summary.read} of ${summary.toRead}`;
		default:
			return 'To the visit';
	}
}

/** What is known of the visits and calls of a site. */
export interface SiteHistory {
	readonly visits: number;
	/** The instant of the last one, in ms since the epoch, and whether it was signed off; null for none. */
	readonly last: { readonly atMs: number; readonly signedOff: boolean } | null;
	readonly isOpen: boolean;
	/** The zones about which a call is open; null for the whole house. */
	readonly openCalls: readonly (string | null)[];
}

/** What stands under each place of a site. */
export function siteCaptions(
	zones: readonly Pick<PlacedZone, 'boxId' | 'clock' | 'away' | 'summary'>[],
	sources: number,
	timeZone: string,
	{ visits, last, isOpen, openCalls }: SiteHistory
): Readonly<Record<'overview' | 'house' | 'visit' | 'record', Caption>> {
	const day = last && dateWords(dateOfDay(Math.floor(wallAt(timeZone, last.atMs) / DAY_MINUTES)), 'short');
	const overview = () => {
		// a control has one clock, whatever hangs on it
		const wrong = new Set(zones.flatMap(({ clock, boxId }) => (clock.bad ? [boxId] : []))).size;
		const leftOn = zones.filter(({ away }) => away.bad).length;
		const toKey = zones.filter(({ summary }) => summary.left > 0).length;
		const unread = zones.filter(({ summary }) => summary.read < summary.toRead).length;
		if (zones.length === 0) return plain('no zones yet');
		if (wrong > 0) return bad(`${counted(wrong, 'clock')} wrong`);
		if (leftOn > 0) return bad(`${leftOn} left on`);
		if (toKey > 0) return plain(`${counted(toKey, 'zone')} to key in`);
		if (unread > 0) return plain(`${unread} not read back`);
		return plain(last?.signedOff && !isOpen ? 'all signed off' : 'ready to sign off');
	};
	return {
		overview: overview(),
		house: plain(sources === 0 ? 'no heat source yet' : counted(sources, 'heat source')),
		visit: plain(
			isOpen
				? 'not finished'
				: !last
					? 'none yet'
					: last.signedOff
						? `signed off ${day}`
						: `saved, not signed ${day}`
		),
		record: plain(
			openCalls.length > 0
				? `${counted(openCalls.length, 'call')} open`
				: visits === 0
					? 'no visits yet'
					: counted(visits, 'visit')
		)
	};
}
