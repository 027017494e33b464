import { dateOfDay, wallAt } from '../../civil';
import { heatsStore, notAsked, offsetOf } from '../../plan';
import { clockFacts, clockIsWrong, nextTransitions } from '../../run';
import { emitterClasses } from '../../thermal';
import { DAY_MINUTES } from '../../week';
import { type Rule } from './check';

const localDate = (timeZone: string, atMs: number) =>
	dateOfDay(Math.floor(wallAt(timeZone, atMs) / DAY_MINUTES));

/** Under this germs can grow in a store of hot water, in °C: common practice, local rules come first. */
const STORE_LEAST_C = 60;
/** A narrower differential starts a boiler too often, in K: common practice. */
const DIFFERENTIAL_LEAST_K = 0.3;

/** The control itself: where it hangs, its clock, lock, batteries, sensor and settings. Figures are common practice unless another source stands beside them: docs/domain.md §11. */
export const deviceRules = {
	'control-outside': ({ zone, onSite }) =>
		onSite.controlPlace !== null &&
		onSite.controlPlace !== 'in-room' &&
		(zone.room?.sensor ?? 'air') !== 'floor'
			? { id: 'control-outside', severity: 'look', view: 'proof' }
			: null,
	clock: ({ zone, profile, timeZone, nowMs }) => {
		const clock = clockFacts(zone, profile, timeZone, nowMs);
		// what stands in red on the overview is no mere look
		if (clockIsWrong(clock)) return { id: 'clock', severity: 'stop', view: 'clock', clock };
		return clock.kind === 'unseen' ? { id: 'clock', severity: 'look', view: 'clock', clock } : null;
	},
	'summer-time': ({ profile, onSite, timeZone, nowMs }) => {
		if (profile.habits.clock.summerTime !== 'by-hand' || onSite.customerTold) return null;
		const next = nextTransitions(timeZone, nowMs)[0];
		return next
			? { id: 'summer-time', severity: 'look', view: 'visit', date: localDate(timeZone, next.atMs) }
			: null;
	},
	'lock-code': ({ onSite }) =>
		onSite.lockSet === true && onSite.lockCodeIsFactory === true
			? { id: 'lock-code', severity: 'look', view: 'visit' }
			: null,
	'lock-missing': ({ onSite }) =>
		onSite.lockWanted && onSite.lockSet !== true
			? { id: 'lock-missing', severity: 'look', view: 'visit' }
			: null,
	batteries: ({ profile, onSite, nowMs }) => {
		if (profile.habits.power !== 'batteries') return null;
		const due = onSite.batteriesOn === null ? null : dueOf(onSite.batteriesOn, onSite.batteryMonths);
		return due === null || Date.parse(due) < nowMs
			? { id: 'batteries', severity: 'look', view: 'visit', due }
			: null;
	},
	'sensor-place': ({ onSite, zone, profile }) => {
		if (notAsked('sensorHeightM', zone, profile) !== null) return null;
		const { sensorHeightM: heightM, sensorTroubles: troubles } = onSite;
		if (troubles.length > 0) return { id: 'sensor-place', severity: 'look', view: 'visit', troubles };
		return heightM !== null && (heightM < 1.2 || heightM > 1.8)
			? { id: 'sensor-place', severity: 'note', view: 'visit', heightM }
			: null;
	},
	'hot-water': ({ zone, profile, onSite: { storeC } }) => {
		const found = { id: 'hot-water', view: 'visit', storeC, leastC: STORE_LEAST_C } as const;
		if (storeC !== null && storeC < STORE_LEAST_C) return { ...found, severity: 'look' };
		return heatsStore(profile, zone) && storeC === null ? { ...found, severity: 'note' } : null;
	},
	'stored-program': ({ zone, profile }) =>
		!zone.options.plain &&
		profile.menu.some(({ id, means, values }) => {
			const at = zone.settings.menu[id];
			const isStored = values.kind === 'choices' && at !== undefined && values.choices[at]?.is === 'stored';
			return means === 'stored-program' && isStored;
		})
			? { id: 'stored-program', severity: 'stop', view: 'week' }
			: null,
	fan: ({ zone, profile }) =>
		profile.habits.fan !== null && zone.settings.fan === 'on'
			? { id: 'fan', severity: 'look', view: 'away' }
			: null,
	differential: ({ zone: { room } }) =>
		room &&
		emitterClasses[room.emitter.kind].water &&
		room.regulation.kind === 'on-off' &&
		room.regulation.differentialK < DIFFERENTIAL_LEAST_K
			? {
					id: 'differential',
					severity: 'look',
					view: 'proof',
					isK: room.regulation.differentialK,
					leastK: DIFFERENTIAL_LEAST_K
				}
			: null,
	offset: ({ onSite }) => {
		const offset = offsetOf(onSite.offsetReadings);
		if (!offset) return null;
		const leftK = offset.offsetK - (onSite.offsetSetK ?? 0);
		return Math.abs(leftK) > Math.max(0.5, 2 * offset.spreadK)
			? { id: 'offset', severity: 'look', view: 'visit', leftK }
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
