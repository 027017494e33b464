import { dwellingsOf, type Zone } from '../plan';
import type { PlacedZone } from './captions';
import { NOT_DRAWN } from './standing';

/** What is done in each dwelling of a type, in the order of the work. */
export const DWELLING_STEPS = [
	['clock', 'Clock'],
	['keyed', 'Keyed'],
	['test', 'Test'],
	['read', 'Read'],
	['signed', 'Signed']
] as const;
export type DwellingStep = (typeof DWELLING_STEPS)[number][0];

/** Where one step of a dwelling stands, and the view of the site where it is gone on with. */
export interface DwellingCell {
	readonly state: 'done' | 'open' | 'bad';
	/** What is left of it in a few words; of what is done, what was. */
	readonly words: string;
	readonly path: string;
}

/** A dwelling as one line of its type. */
export interface DwellingRow {
	readonly dwelling: string;
	readonly type: string;
	/** What calls for a person at once; null for nothing. */
	readonly alarm: string | null;
	readonly cells: Readonly<Record<DwellingStep, DwellingCell>>;
}

/** A zone as its dwelling's line needs it. */
export interface DwellingZone extends PlacedZone {
	readonly document: Pick<Zone, 'dwelling' | 'type'>;
	/** Whether every step of its functional test was seen. */
	readonly tested: boolean;
	/** When it was last signed off, as a date in words; null where the last visit to it was not. */
	readonly signed: string | null;
}

const done = (words: string, path: string): DwellingCell => ({ state: 'done', words, path });
const open = (words: string, path: string): DwellingCell => ({ state: 'open', words, path });
const bad = (words: string, path: string): DwellingCell => ({ state: 'bad', words, path });

/** The clock of each control of a dwelling, once. */
function clockCell(zones: readonly DwellingZone[], at: (zone: DwellingZone, view: string) => string) {
	const clocks = zones.filter(
		({ boxId, clock }, i) => clock.kind !== 'none' && zones.findIndex((other) => other.boxId === boxId) === i
	);
	const wrong = clocks.find(({ clock }) => clock.bad);
	if (wrong) return bad(wrong.clock.words, at(wrong, 'clock'));
	const unseen = clocks.filter(({ clock }) => clock.kind === 'unseen');
	const [first] = unseen;
	if (first) return open(`${clocks.length - unseen.length} of ${clocks.length}`, at(first, 'clock'));
	return done(clocks.length === 0 ? 'has none' : 'checked', at(zones[0]!, 'clock'));
}

function keyedCell(zones: readonly DwellingZone[], at: (zone: DwellingZone, view: string) => string) {
	const undrawn = zones.find((zone) => zone.undrawn);
	if (undrawn) return bad(NOT_DRAWN, at(undrawn, 'week'));
	const left = zones.reduce((sum, { summary }) => sum + summary.left, 0);
	const next = zones.find(({ summary }) => summary.left > 0);
	return next ? open(`${left} left`, at(next, 'key-in')) : done('keyed in', at(zones[0]!, 'key-in'));
}

/**
 * The dwellings of a site that have a type, a line each in the order of their first zones. Of one that is signed off the test counts as made: it was
 * made for that visit, or overruled with a reason.
 */
export function dwellingRows(zones: readonly DwellingZone[]): DwellingRow[] {
	const typed = zones.filter(({ document }) => document.type !== '');
	const at = ({ id }: DwellingZone, view: string) => `/zones/${id}/${view}`;
	return dwellingsOf(typed.map(({ document }) => document)).map((dwelling) => {
		const own = typed.filter(({ document }) => document.dwelling === dwelling);
		const first = own[0]!;
		const signOff = `/checks?dwelling=${encodeURIComponent(dwelling)}`;
		const unsigned = own.some(({ signed }) => signed === null);
		const tested = own.filter((zone) => zone.tested || !unsigned);
		const toRead = own.reduce((sum, { summary }) => sum + summary.toRead, 0);
		const read = own.reduce((sum, { summary }) => sum + summary.read, 0);
		const unread = own.find(({ summary }) => summary.read < summary.toRead);
		return {
			dwelling,
			type: first.document.type,
			alarm: own.find(({ away }) => away.bad)?.away.words ?? null,
			cells: {
				clock: clockCell(own, at),
				keyed: keyedCell(own, at),
				test:
					tested.length === own.length
						? done('tested', '/visit')
						: open(`${tested.length} of ${own.length}`, '/visit'),
				read: unread
					? open(`${read} of ${toRead}`, at(unread, 'read-back'))
					: done('read back', at(first, 'read-back')),
				signed: unsigned ? open('–', signOff) : done(first.signed!, signOff)
			}
		};
	});
}
