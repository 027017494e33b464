import { differenceWords } from '../../control';
import { bindingLimits, leadIsStale, OCCUPANT_WORDS, unitOf } from '../../plan';
import { emitterClasses, floorLimitOf } from '../../thermal';
import { duration } from '../../week';
import { type Rule, visit, say, limit, used } from './check';
import { capital } from '../../schema';

/** Half a control's step: a setback rounded to it is still the usual one. */
const HALF_STEP_K = 0.28;

/** Levels at or under this protect pipes, not people: common practice. */
const FROST_C = 12;

/** The levels and times that the program holds, against people, pipes and floors. Figures are common practice unless another source stands beside them: docs/domain.md §11. */
export const weekRules = {
	'floor-limit': (checked) => {
		const { room } = checked.zone;
		const limitC = room && floorLimitOf(room);
		const warmest = used(checked)[0];
		return room && limitC !== null && room.sensor === 'floor' && warmest !== undefined && warmest > limitC
			? {
					id: 'floor-limit',
					severity: 'stop',
					sentence: `The floor is set to ${say(checked, warmest)}, above the ${limit(checked, limitC, 'most')} that its finish bears.`,
					mend: { words: 'Lower it', view: 'week' }
				}
			: null;
	},
	'floor-finish': ({ zone: { room } }) =>
		room && emitterClasses[room.emitter.kind].floor && room.finish === null
			? {
					id: 'floor-finish',
					severity: 'look',
					sentence: 'The floor heats, but its finish is not noted: the limit is a guess.',
					mend: { words: 'Say what lies on it', view: 'proof' }
				}
			: null,
	setback: (checked) => {
		const levels = used(checked);
		const comfort = levels[0];
		const lower = levels.filter((c) => comfort !== undefined && c < comfort);
		// a frost level beside a setback is for absences; where it is the only lower level, it is the setback
		const setback = lower.filter((c) => c > FROST_C).at(-1) ?? lower[0];
		if (comfort === undefined || setback === undefined) return null;
		const depth = comfort - setback;
		const unit = unitOf(checked.zone, checked.profile);
		return depth >= 2 - HALF_STEP_K && depth <= 8 + HALF_STEP_K
			? null
			: {
					id: 'setback',
					severity: 'look',
					sentence: `The setback is ${differenceWords(unit, depth)} under comfort; ${unit === 'F' ? '7 to 9 °F' : '4 to 5 K'} are usual.`,
					mend: { words: 'Change the level', view: 'week' }
				};
	},
	'comfort-high': (checked) => {
		const warmest = used(checked)[0];
		return warmest !== undefined && warmest > 24 && checked.zone.room?.sensor !== 'floor'
			? {
					id: 'comfort-high',
					severity: 'look',
					sentence: `Comfort is ${say(checked, warmest)}, above ${limit(checked, 24, 'most')}.`,
					mend: { words: 'Change the level', view: 'week' }
				}
			: null;
	},
	frost: (checked) => {
		const lowest = used(checked).at(-1);
		const low = lowest !== undefined && lowest < 5;
		return checked.onSite.frostOn === false || low
			? {
					id: 'frost',
					severity: 'look',
					sentence: low
						? `The lowest level is ${say(checked, lowest)}, under ${limit(checked, 5, 'least')}: pipes can freeze.`
						: 'Frost protection is switched off: pipes can freeze.',
					mend: low ? { words: 'Raise it', view: 'week' } : visit('Switch it on')
				}
			: null;
	},
	'high-limit': (checked) => {
		const { highLimitC } = checked.zone.settings;
		const warmest = used(checked)[0];
		return highLimitC !== null && warmest !== undefined && highLimitC < warmest
			? {
					id: 'high-limit',
					severity: 'look',
					sentence: `The high limit of ${say(checked, highLimitC)} lies under a level in use (${say(checked, warmest)}): ${bindingLimits(checked.zone, checked.profile) ? 'the program is held down to it' : 'it binds a change by hand only'}.`,
					mend: { words: 'Change the limit', view: 'away' }
				}
			: null;
	},
	frail: (checked) => {
		const frail = checked.onSite.occupants.filter(
			(one) => one === 'infants' || one === 'elderly' || one === 'ill'
		);
		// WHO housing guidelines 2018: 18 °C; for the frail more may be needed
		const low = used(checked).find((c) => c < 18);
		return frail.length > 0 && low !== undefined
			? {
					id: 'frail',
					severity: 'look',
					sentence: `${capital(frail.map((one) => OCCUPANT_WORDS[one]).join(' and '))} live here, and the week falls to ${say(checked, low)}, under ${limit(checked, 18, 'least')}.`,
					mend: { words: 'Raise the level', view: 'week' }
				}
			: null;
	},
	'double-lead': ({ zone, profile }) =>
		profile.startsEarly && (zone.lead.school === 'fixed' || zone.lead.school === 'computed')
			? {
					id: 'double-lead',
					severity: 'look',
					sentence: 'The control starts early by itself and a lead is typed too: warm twice too soon.',
					mend: { words: 'Let the control do it', view: 'week' }
				}
			: null,
	'lead-stale': ({ zone }) =>
		leadIsStale(zone)
			? {
					id: 'lead-stale',
					severity: 'look',
					sentence: 'The lead was computed for another room or week.',
					mend: { words: 'Compute it again', view: 'proof' }
				}
			: null,
	misfit: ({ profile, misfit: { coldMinutes, warmMinutes } }) =>
		coldMinutes + warmMinutes === 0
			? null
			: {
					id: 'misfit',
					severity: coldMinutes > 0 ? 'look' : 'note',
					sentence:
						coldMinutes > 0
							? `The control cannot hold the week: ${duration(coldMinutes)} ${profile.temperature ? 'too cold' : 'off too long'}.`
							: `The control cannot hold the week: ${duration(warmMinutes)} ${profile.temperature ? 'too warm' : 'on too long'}.`,
					mend: { words: 'See the week', view: 'week' }
				}
} satisfies Readonly<Record<string, Rule>>;
