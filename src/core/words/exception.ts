import { allowedOptions, setpointWithUnit, type ControlProfile, localWords } from '../control';
import type { Exception, Zone } from '../plan';
import { planAbsence } from '../run';
import { DAY_NAMES } from '../week';
import { absenceKey } from './absence';

/** What a departure from the week is, in a phrase: "away until Sun 6 Dec 18:00: 9 days", "run as Sunday", "boost, 2 steps". */
export function exceptionWords(one: Exception, zone: Zone, profile: ControlProfile): string {
	const options = allowedOptions(profile, zone.options);
	const say = (local: string) => localWords(local, options);
	switch (one.kind) {
		case 'absence':
			return `away until ${say(one.back)}: ${absenceKey(planAbsence(profile, one), say)}`;
		case 'special-day': {
			const { runs } = one;
			const does =
				'like' in runs
					? `run as ${DAY_NAMES[runs.like]}`
					: `${zone.levels.find((known) => known.id === runs.level)?.name ?? ''} all day`;
			return profile.habits.specialDays ? does : `${does}, by hand`;
		}
		case 'boost':
			return `boost, ${one.steps} ${one.steps === 1 ? 'step' : 'steps'}`;
		case 'advance':
			return 'advanced';
		case 'off':
			return one.until ? `off until ${say(one.until)}` : 'off until someone ends it';
		case 'override':
			return `override to ${setpointWithUnit(profile, options, one.setpointC)}`;
		default:
			return `${one.kind} at ${setpointWithUnit(profile, options, one.setpointC)}${one.until ? ` until ${say(one.until)}` : ', until someone ends it'}`;
	}
}
