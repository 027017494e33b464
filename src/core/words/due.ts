import { allowedOptions, displayTime, localWords } from '../control';
import { dateWords } from '../civil';
import { LEFT_WORDS } from '../plan';
import { dueFacts, type DueFact, type DueWhat, type DueZone, type Promised } from '../record';
import { capital } from '../schema';
import { duration } from '../week';
import { absenceKey } from './absence';
import { endlessWords } from './standing';

/** The kinds of what is due, with what a list of them is headed. */
export const DUE_KINDS = {
	clock: 'Clock changes',
	batteries: 'Batteries',
	'left-on': 'Left on',
	absence: 'Holidays',
	'by-hand': 'Bookings by hand',
	'week-card': 'Weeks to key',
	promised: 'Promised'
} as const satisfies Readonly<Record<DueWhat['kind'], string>>;
/** The view of a zone where what is due is seen to. */
export const DUE_VIEW = {
	clock: 'clock',
	batteries: 'clock',
	'left-on': 'away',
	absence: 'away',
	'by-hand': 'away',
	'week-card': 'away',
	promised: 'week'
} as const satisfies Readonly<Record<DueWhat['kind'], string>>;

/** Something that somebody must come or call for, said. */
export interface Due extends Omit<DueFact, 'what'> {
	readonly kind: DueWhat['kind'];
	readonly sentence: string;
}

function dueSentence(what: DueWhat, { zone, profile }: DueZone): string {
	const options = allowedOptions(profile, zone.options);
	const say = (local: string) => localWords(local, options);
	switch (what.kind) {
		case 'clock':
			return what.missed
				? 'Clock not changed, heating runs at the wrong hour.'
				: `Put the clock ${what.shiftMinutes > 0 ? 'forward' : 'back'} ${duration(Math.abs(what.shiftMinutes))} by hand.`;
		case 'batteries':
			return 'Change the batteries.';
		case 'left-on':
			return 'endless' in what
				? `${capital(endlessWords(what.endless))}.`
				: `Left in ${LEFT_WORDS[what.leftIn]}.`;
		case 'absence': {
			const { act, absence, plan } = what;
			const until = say(absence.back);
			const ours = absence.keyedBy === 'installer';
			if (act === 'end')
				return ours ? `End its holiday: back ${until}.` : `The household ends its holiday: back ${until}.`;
			const key = absenceKey(plan, say);
			const does =
				plan.by === 'by-hand'
					? 'turn it down by hand'
					: plan.by === 'until-ended'
						? 'start its holiday'
						: `key ${key}`;
			const when = plan.when === 'on leaving' ? 'on leaving' : 'before that day';
			const who = ours ? '' : 'the household: ';
			return `Away until ${until}; ${who}${does} ${when}.`;
		}
		case 'by-hand':
			return `By hand: ${what.day.level} ${what.day.stretches
				.map((ends) => ends.map((minute) => displayTime(minute, options.clock)).join('–'))
				.join(', ')}${what.day.names.length > 0 ? ` (${what.day.names.join(', ')})` : ''}.`;
		case 'week-card':
			return `Key the week of ${dateWords(what.monday, 'short')}.`;
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
		sentence: dueSentence(
			what,
			zones.find(({ id }) => id === due.zoneId)!
		)
	}));
