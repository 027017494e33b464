import {
	allowedOptions,
	differenceWords,
	limitWords,
	setpointWithUnit,
	temperatureWords,
	type ControlProfile
} from '../control';
import { dateOfDay, wallAt } from '../civil';
import type { Misfit } from '../fit';
import type { Keyed } from '../keying';
import {
	bindingLimits,
	heatsStore,
	leadIsStale,
	LEFT_WORDS,
	notAsked,
	OCCUPANT_WORDS,
	offsetOf,
	TEST_WORDS,
	testStanding,
	TROUBLE_WORDS,
	unitOf,
	usedLevels,
	type OnSite,
	type Zone
} from '../plan';
import { awayStanding, clockStanding, localWords, nextTransitions } from '../run';
import { emitterClasses, floorLimitOf } from '../thermal';
import { DAY_MINUTES, duration } from '../week';

/** How much a check weighs: it stops the sign-off, wants a look, or is worth knowing. */
export type Severity = 'stop' | 'look' | 'note';

/** Something that was forgotten or is out of the usual, and where it is mended. */
export interface Check {
	/** The rule, and under it what is overruled. */
	readonly id: string;
	readonly severity: Severity;
	readonly sentence: string;
	/** What to do, and the view of the zone where it is done. */
	readonly mend: {
		readonly words: string;
		readonly view: 'week' | 'key-in' | 'read-back' | 'clock' | 'proof' | 'away' | 'visit';
	};
}

/** Everything that is known of a zone when it is checked. */
export interface Checked {
	readonly zone: Zone;
	readonly profile: ControlProfile;
	readonly onSite: OnSite;
	readonly keyed: Keyed;
	readonly done: number;
	readonly of: number;
	/** Groups of days read back from the display as planned, and groups in all. */
	readonly read: number;
	readonly toRead: number;
	/** Whether this firm signs off only what was read back. */
	readonly readBackStops: boolean;
	readonly misfit: Pick<Misfit, 'coldMinutes' | 'warmMinutes'>;
	readonly groupingName: string;
	readonly timeZone: string;
	readonly nowMs: number;
}

type Rule = (checked: Checked) => Check | null;

const visit = (words: string) => ({ words, view: 'visit' as const });

/** A setpoint in a zone's own figures, and a threshold on its safe side. */
const say = ({ zone, profile }: Checked, c: number) =>
	setpointWithUnit(profile, allowedOptions(profile, zone.options), c);
const limit = ({ zone, profile }: Checked, c: number, side: 'most' | 'least') =>
	limitWords(unitOf(zone, profile), c, side);

/** The setpoints in use, warmest first, in °C; none on a switch. */
function used({ zone, profile }: Checked): number[] {
	if (!profile.temperature) return [];
	const ids = usedLevels(zone);
	return zone.levels
		.filter((level) => ids.has(level.id))
		.map((level) => level.setpointC)
		.sort((a, b) => b - a);
}

/** Half a control's step: a setback rounded to it is still the usual one. */
const HALF_STEP_K = 0.28;

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);
const localDate = (timeZone: string, atMs: number) =>
	dateOfDay(Math.floor(wallAt(timeZone, atMs) / DAY_MINUTES));

/** Levels at or under this protect pipes, not people: common practice. */
const FROST_C = 12;

/** The rules, each alone: docs/domain.md §11; figures are common practice unless another source stands beside them. */
export const rules: Readonly<Record<string, Rule>> = {
	'keyed-missing': ({ done, of }) =>
		done < of
			? {
					id: 'keyed-missing',
					severity: 'stop',
					sentence: done === 0 ? 'Nothing is keyed yet.' : `${of - done} of ${of} values are not keyed.`,
					mend: { words: 'Key in', view: 'key-in' }
				}
			: null,
	unread: ({ done, of, read, toRead, readBackStops }) =>
		// what is not keyed yet cannot be read
		done < of || read >= toRead
			? null
			: {
					id: 'unread',
					severity: readBackStops ? 'stop' : 'look',
					sentence:
						read === 0
							? 'Nothing was read back from the display.'
							: `${toRead - read} of ${toRead} groups of days were not read back from the display.`,
					mend: { words: 'Read it back', view: 'read-back' }
				},
	'test-missing': ({ onSite }) => {
		const standing = testStanding(onSite.test);
		if (standing === 'passed') return null;
		const failed = onSite.test.find((step) => !step.seen);
		const words = {
			missing: 'was not made',
			'under-way': 'was begun and not ended',
			failed: `failed at ${failed ? TEST_WORDS[failed.step] : ''}`
		};
		return {
			id: 'test-missing',
			severity: 'stop',
			sentence: `The functional test ${words[standing as keyof typeof words]}.`,
			mend: visit('Make the test')
		};
	},
	'left-in': ({ onSite }) =>
		onSite.leftIn === 'automatic'
			? null
			: {
					id: 'left-in',
					severity: onSite.leftIn === null ? 'look' : 'stop',
					sentence:
						onSite.leftIn === null
							? 'What the control was left in is not noted.'
							: `The control was left in ${LEFT_WORDS[onSite.leftIn]}: its program does not run.`,
					mend: visit('Put it back on automatic')
				},
	'left-standing': (checked) => {
		const standing = awayStanding(checked.zone, checked.profile, checked.timeZone, checked.nowMs);
		return standing.bad
			? {
					id: 'left-standing',
					severity: 'stop',
					sentence: `It is ${standing.words}, without an end.`,
					mend: { words: 'End it', view: 'away' }
				}
			: null;
	},
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
	unpaired: ({ onSite, profile }) =>
		profile.habits.paired && onSite.paired === false
			? {
					id: 'unpaired',
					severity: 'stop',
					sentence: 'Control and receiver are not paired: nothing will heat.',
					mend: visit('Pair them')
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
	'control-outside': ({ zone, onSite }) =>
		onSite.controlPlace !== null &&
		onSite.controlPlace !== 'in-room' &&
		(zone.room?.sensor ?? 'air') !== 'floor'
			? {
					id: 'control-outside',
					severity: 'look',
					sentence: 'The control hangs outside its room and measures the air there.',
					mend: { words: 'Regulate by the floor sensor', view: 'proof' }
				}
			: null,
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
	'settings-changed': ({ zone, profile, keyed, groupingName }) => {
		const options = allowedOptions(profile, zone.options);
		const unit = keyed['setting/unit'];
		const grouping = keyed['setting/grouping'];
		const what =
			unit !== undefined && unit !== `°${options.unit}`
				? 'unit'
				: grouping !== undefined && grouping !== groupingName
					? 'day grouping'
					: null;
		return what
			? {
					id: 'settings-changed',
					severity: 'look',
					sentence: `The ${what} was changed after it was keyed: on many controls that wipes the program.`,
					mend: { words: 'Key in again', view: 'key-in' }
				}
			: null;
	},
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
				},
	clock: ({ zone, profile, timeZone, nowMs }) => {
		if (profile.habits.clock.summerTime === 'no-clock') return null;
		const standing = clockStanding(zone, profile, timeZone, nowMs);
		const unseen = zone.clockReadings.length === 0;
		return unseen || standing.bad
			? {
					id: 'clock',
					severity: 'look',
					sentence: unseen ? 'Its clock was not checked.' : `Its clock: ${standing.words}.`,
					mend: { words: 'Set the clock', view: 'clock' }
				}
			: null;
	},
	'summer-time': ({ zone, profile, onSite, timeZone, nowMs }) => {
		if (profile.habits.clock.summerTime !== 'by-hand' || onSite.customerTold) return null;
		const next = nextTransitions(timeZone, nowMs)[0];
		return next
			? {
					id: 'summer-time',
					severity: 'look',
					sentence: `Its clock is changed by hand, next on ${localWords(localDate(timeZone, next.atMs), allowedOptions(profile, zone.options))}, and the customer was not told.`,
					mend: visit('Tell them, and note it')
				}
			: null;
	},
	'lock-code': ({ onSite }) =>
		onSite.lockSet === true && onSite.lockCodeIsFactory === true
			? {
					id: 'lock-code',
					severity: 'look',
					sentence: 'The lock code is still the one it came with.',
					mend: visit('Change the code')
				}
			: null,
	'lock-missing': ({ onSite }) =>
		onSite.lockWanted && onSite.lockSet !== true
			? {
					id: 'lock-missing',
					severity: 'look',
					sentence: 'A lock is wanted and not set.',
					mend: visit('Lock it')
				}
			: null,
	batteries: ({ profile, onSite, nowMs }) => {
		if (profile.habits.power !== 'batteries') return null;
		if (onSite.batteriesOn === null)
			return {
				id: 'batteries',
				severity: 'look',
				sentence: 'When its batteries were changed is not noted.',
				mend: visit('Note it')
			};
		const due = dueOf(onSite.batteriesOn, onSite.batteryMonths);
		return Date.parse(due) < nowMs
			? {
					id: 'batteries',
					severity: 'look',
					sentence: `Its batteries were due on ${due}.`,
					mend: visit('Change them')
				}
			: null;
	},
	'sensor-place': ({ onSite, zone, profile }) => {
		if (notAsked('sensorHeightM', zone, profile) !== null) return null;
		const { sensorHeightM: height, sensorTroubles: troubles } = onSite;
		if (troubles.length > 0)
			return {
				id: 'sensor-place',
				severity: 'look',
				sentence: `The sensor is ${troubles.map((one) => TROUBLE_WORDS[one]).join(' and ')}.`,
				mend: visit('Move it, or note why not')
			};
		return height !== null && (height < 1.2 || height > 1.8)
			? {
					id: 'sensor-place',
					severity: 'note',
					sentence: `The sensor is at ${height.toFixed(1)} m; about 1.5 m is usual.`,
					mend: visit('Look again')
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
	'hot-water': ({ zone, profile, onSite }) => {
		const unit = unitOf(zone, profile);
		const least = limitWords(unit, 60, 'least');
		if (onSite.storeC !== null && onSite.storeC < 60)
			return {
				id: 'hot-water',
				severity: 'look',
				sentence: `The hot-water store is at ${temperatureWords(unit, onSite.storeC)}; under ${least} germs can grow. Local rules come first.`,
				mend: visit('Measure again')
			};
		return heatsStore(profile, zone) && onSite.storeC === null
			? {
					id: 'hot-water',
					severity: 'note',
					sentence: `The hot-water store was not measured; at least ${least} is asked of it.`,
					mend: visit('Measure it')
				}
			: null;
	},
	fan: ({ zone, profile }) =>
		profile.habits.fan !== null && zone.settings.fan === 'on'
			? {
					id: 'fan',
					severity: 'look',
					sentence: 'The fan runs day and night.',
					mend: { words: 'Set it to automatic', view: 'away' }
				}
			: null,
	differential: ({ zone, zone: { room }, profile }) =>
		room &&
		emitterClasses[room.emitter.kind].water &&
		room.regulation.kind === 'on-off' &&
		room.regulation.differentialK < 0.3
			? {
					id: 'differential',
					severity: 'look',
					sentence: `A differential of ${differenceWords(unitOf(zone, profile), room.regulation.differentialK)} makes the boiler start too often; ${differenceWords(unitOf(zone, profile), 0.3)} is the least.`,
					mend: { words: 'Widen it', view: 'proof' }
				}
			: null,
	offset: ({ onSite, zone, profile }) => {
		const offset = offsetOf(onSite.offsetReadings);
		if (!offset) return null;
		const left = offset.offsetK - (onSite.offsetSetK ?? 0);
		return Math.abs(left) > Math.max(0.5, 2 * offset.spreadK)
			? {
					id: 'offset',
					severity: 'look',
					sentence: `The control reads ${differenceWords(unitOf(zone, profile), Math.abs(left))} ${left > 0 ? 'below' : 'above'} the thermometer.`,
					mend: visit('Key the offset')
				}
			: null;
	}
};

/** The day on which batteries fitted on a date are due, `YYYY-MM-DD`. */
export function dueOf(fitted: string, months: number): string {
	const [year, month, day] = fitted.split('-').map(Number) as [number, number, number];
	const all = year * 12 + (month - 1) + months;
	const [y, m] = [Math.floor(all / 12), all % 12];
	const last = new Date(Date.UTC(y, m + 1, 0)).getUTCDate();
	return `${y}-${String(m + 1).padStart(2, '0')}-${String(Math.min(day, last)).padStart(2, '0')}`;
}

const weight: Record<Severity, number> = { stop: 0, look: 1, note: 2 };

/** All that is to be said of a zone, worst first. */
export function checksOf(checked: Checked): Check[] {
	return Object.values(rules)
		.flatMap((rule) => rule(checked) ?? [])
		.sort((a, b) => weight[a.severity] - weight[b.severity]);
}

/** The reason with which a check was overruled; null where it was not. Only a stop can be. */
export function reasonFor(check: Check, onSite: OnSite): string | null {
	if (check.severity !== 'stop') return null;
	return onSite.overruled.find((one) => one.check === check.id)?.reason ?? null;
}

/** What still stops the sign-off. */
export function stopsOf(checks: readonly Check[], onSite: OnSite): Check[] {
	return checks.filter((check) => check.severity === 'stop' && reasonFor(check, onSite) === null);
}
