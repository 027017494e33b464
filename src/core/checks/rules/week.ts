import { localTime, wallAt } from '../../civil';
import {
	bindingLimits,
	FLOOR_MOST_W_M2,
	FRAIL_LEAST_C,
	frailIn,
	FROST_LEVEL_C,
	heldInZone,
	isUndrawn,
	leadIsStale,
	startsEarlyIn,
	wattsPerM2
} from '../../plan';
import { isSwitchedOff } from '../../run';
import { emitterClasses, floorLimitOf } from '../../thermal';
import { type Found, type Rule, used } from './check';

/** Half a control's step: a setback rounded to it is still the usual one. */
const HALF_STEP_K = 0.28;

/** Above this comfort is out of the usual, in °C: common practice. */
const COMFORT_MOST_C = 24;
/** Under this pipes can freeze, in °C: common practice. */
const PIPES_LEAST_C = 5;

/** The levels and times that the program holds, against people, pipes and floors. Figures are common practice unless another source stands beside them: docs/domain.md §11. */
export const weekRules = {
	undrawn: ({ zone, profile }) =>
		isUndrawn(zone, profile) ? { id: 'undrawn', severity: 'stop', view: 'week' } : null,
	'floor-limit': (checked) => {
		const { room } = checked.zone;
		const limitC = room && floorLimitOf(room);
		const setC = used(checked)[0];
		return room && limitC !== null && room.sensor === 'floor' && setC !== undefined && setC > limitC
			? { id: 'floor-limit', severity: 'stop', view: 'week', setC, limitC }
			: null;
	},
	'power-density': ({ zone: { room } }) =>
		room && emitterClasses[room.emitter.kind].floor && wattsPerM2(room) > FLOOR_MOST_W_M2
			? {
					id: 'power-density',
					severity: 'stop',
					view: 'proof',
					isWattsPerM2: wattsPerM2(room),
					mostWattsPerM2: FLOOR_MOST_W_M2
				}
			: null,
	'floor-finish': ({ zone: { room } }) =>
		room && emitterClasses[room.emitter.kind].floor && room.finish === null
			? { id: 'floor-finish', severity: 'look', view: 'proof' }
			: null,
	setback: (checked) => {
		const levels = used(checked);
		const comfort = levels[0];
		const lower = levels.filter((c) => comfort !== undefined && c < comfort);
		// a frost level beside a setback is for absences; where it is the only lower level, it is the setback
		const setback = lower.filter((c) => c > FROST_LEVEL_C).at(-1) ?? lower[0];
		if (comfort === undefined || setback === undefined) return null;
		const depthK = comfort - setback;
		return depthK >= 2 - HALF_STEP_K && depthK <= 8 + HALF_STEP_K
			? null
			: { id: 'setback', severity: 'look', view: 'week', depthK };
	},
	'comfort-high': (checked) => {
		const setC = used(checked)[0];
		return setC !== undefined && setC > COMFORT_MOST_C && checked.zone.room?.sensor !== 'floor'
			? { id: 'comfort-high', severity: 'look', view: 'week', setC, mostC: COMFORT_MOST_C }
			: null;
	},
	frost: (checked) => {
		const lowest = used(checked).at(-1);
		const lowestC = lowest !== undefined && lowest < PIPES_LEAST_C ? lowest : null;
		return checked.onSite.frostOn === false || lowestC !== null
			? {
					id: 'frost',
					severity: 'look',
					view: lowestC !== null ? 'week' : 'visit',
					lowestC,
					leastC: PIPES_LEAST_C
				}
			: null;
	},
	'high-limit': (checked) => {
		const { highLimitC: limitC } = checked.zone.settings;
		const setC = used(checked)[0];
		return limitC !== null && setC !== undefined && limitC < setC
			? {
					id: 'high-limit',
					severity: 'look',
					view: 'away',
					limitC,
					setC,
					binds: bindingLimits(checked.zone, checked.profile) !== null
				}
			: null;
	},
	frail: (checked) => {
		const { zone, profile, onSite, livesHere, timeZone, nowMs } = checked;
		const who = frailIn(livesHere, onSite.occupants, zone.use);
		if (who.length === 0 || !profile.temperature) return null;
		const now = localTime(wallAt(timeZone, nowMs));
		type Low = Pick<Found & { id: 'frail' }, 'by' | 'setC'>;
		const planned = zone.exceptions.flatMap((one): Low[] => {
			const until = one.kind === 'absence' ? one.back : 'until' in one ? (one.until ?? '9') : now;
			if (one.kind === 'off') return until > now ? [{ by: one.kind, setC: null }] : [];
			return 'setpointC' in one && until > now ? [{ by: one.kind, setC: one.setpointC }] : [];
		});
		// what a control shows is what it holds: a level of 18 °C is 64 °F on one that shows whole ones
		const low = [...used(checked).map((setC): Low => ({ by: 'week', setC })), ...planned]
			.filter(({ setC }) => setC === null || heldInZone(zone, profile, setC) < FRAIL_LEAST_C - 1e-9)
			.sort((a, b) => (a.setC ?? -1) - (b.setC ?? -1))[0];
		return low
			? {
					id: 'frail',
					severity: 'look',
					view: low.by === 'week' ? 'week' : 'away',
					who,
					...low,
					leastC: FRAIL_LEAST_C
				}
			: null;
	},
	'double-lead': ({ zone, profile }) =>
		startsEarlyIn(zone, profile) && (zone.lead.school === 'fixed' || zone.lead.school === 'computed')
			? { id: 'double-lead', severity: 'look', view: 'week' }
			: null,
	'lead-stale': ({ zone }) =>
		leadIsStale(zone) ? { id: 'lead-stale', severity: 'look', view: 'proof' } : null,
	misfit: ({ misfit: { coldMinutes, warmMinutes } }) =>
		coldMinutes + warmMinutes === 0
			? null
			: {
					id: 'misfit',
					severity: coldMinutes > 0 ? 'look' : 'note',
					view: 'week',
					coldMinutes,
					warmMinutes
				},
	unfed: ({ unfed }) =>
		unfed && unfed.gaps.length > 0
			? { id: 'unfed', severity: 'look', view: 'week', source: unfed.source, gaps: unfed.gaps }
			: null,
	'source-off': ({ unfed, timeZone, nowMs }) =>
		unfed && isSwitchedOff(unfed.governor, unfed.governor.leftIn, timeZone, nowMs)
			? {
					id: 'source-off',
					severity: 'stop',
					view: 'week',
					source: unfed.source,
					governor: unfed.governor.name
				}
			: null,
	'source-away': ({ unfed, timeZone, nowMs }) => {
		const now = localTime(wallAt(timeZone, nowMs));
		// at nothing a control that lets a source run is off; at a temperature it still calls
		const away = unfed?.governor.exceptions.find(
			(one) => one.kind === 'absence' && one.back > now && one.setpointC < 0.5
		);
		if (!unfed || away?.kind !== 'absence') return null;
		const { leave, back } = away;
		const { source, governor } = unfed;
		return {
			id: 'source-away',
			severity: 'stop',
			view: 'week',
			source,
			governor: governor.name,
			leave,
			back
		};
	}
} satisfies Readonly<Record<string, Rule>>;
