import type { Zone } from '../plan';

/** A zone with the week of an older version: its levels, week, routine, lead, grouping and options; the rest as it is now. */
export function putBack(now: Zone, old: Zone): Zone {
	return {
		...now,
		control: old.control,
		options: old.options,
		levels: old.levels,
		wanted: old.wanted,
		routine: old.routine,
		weights: old.weights,
		lead: old.lead,
		grouping: old.grouping,
		exceptions: now.exceptions.filter(
			(one) =>
				one.kind !== 'special-day' ||
				!('level' in one.runs) ||
				old.levels.some((level) => 'level' in one.runs && level.id === one.runs.level)
		)
	};
}
