import { allowedOptions, differenceWords, limitWords, temperatureWords, localWords } from '../../control';
import { dateOfDay, wallAt } from '../../civil';
import { heatsStore, notAsked, offsetOf, TROUBLE_WORDS, unitOf } from '../../plan';
import { clockStanding, nextTransitions } from '../../run';
import { emitterClasses } from '../../thermal';
import { DAY_MINUTES } from '../../week';
import { type Rule, visit } from './check';

const localDate = (timeZone: string, atMs: number) =>
	dateOfDay(Math.floor(wallAt(timeZone, atMs) / DAY_MINUTES));

/** The control itself: where it hangs, its clock, lock, batteries, sensor and settings. Figures are common practice unless another source stands beside them: docs/domain.md §11. */
export const deviceRules = {
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
} satisfies Readonly<Record<string, Rule>>;

/** The day on which batteries fitted on a date are due, `YYYY-MM-DD`. */
export function dueOf(fitted: string, months: number): string {
	const [year, month, day] = fitted.split('-').map(Number) as [number, number, number];
	const all = year * 12 + (month - 1) + months;
	const [y, m] = [Math.floor(all / 12), all % 12];
	const last = new Date(Date.UTC(y, m + 1, 0)).getUTCDate();
	return `${y}-${String(m + 1).padStart(2, '0')}-${String(Math.min(day, last)).padStart(2, '0')}`;
}
