import { LEFT_WORDS } from '../plan';
import { dueFacts, type DueFact, type DueWhat, type DueZone, type Promised } from '../record';
import { endlessWords } from './standing';

/** Something that somebody must come or call for, said. */
export interface Due extends Omit<DueFact, 'what'> {
	readonly kind: DueWhat['kind'];
	readonly sentence: string;
}

function dueSentence(what: DueWhat): string {
	switch (what.kind) {
		case 'clock':
			return what.missed
				? 'Its clock was not changed: everything comes at the wrong hour.'
				: `Set its clock ${Math.abs(what.shiftMinutes)} min ${what.shiftMinutes > 0 ? 'on' : 'back'}, by hand.`;
		case 'batteries':
			return 'Change its batteries.';
		case 'left-on':
			return 'endless' in what
				? `It is ${endlessWords(what.endless)}.`
				: `It was left in ${LEFT_WORDS[what.leftIn]}.`;
		default:
			return what.promised === '' ? 'Come back, as promised.' : `Promised: ${what.promised}`;
	}
}

/** What is due at a site, soonest first, in sentences; what and how far ahead as in `dueFacts`. */
export const dueAt = (
	zones: readonly DueZone[],
	timeZone: string,
	nowMs: number,
	promises: readonly Promised[] = []
): Due[] =>
	dueFacts(zones, timeZone, nowMs, promises).map(({ what, ...due }) => ({
		...due,
		kind: what.kind,
		sentence: dueSentence(what)
	}));
