import isSame from 'fast-deep-equal';
import type { ControlProfile } from '../control';
import { without } from '../schema';
import { mapWeek } from '../week';
import { wantedWeek, withLevels, withWanted, type Zone } from './zone';

/**
 * A zone living the week of another: its wanted week and routine, and its levels and lead too where both
 * hold temperatures or both only switch. Between a switch and a thermostat only the times go over: what
 * is warmest there becomes warmest here, all else the next level.
 */
export function takeWeek(zone: Zone, from: Zone, profile: ControlProfile, fromProfile: ControlProfile): Zone {
	if ((profile.temperature === null) === (fromProfile.temperature === null)) {
		const cools = profile.cooling !== null && fromProfile.cooling !== null;
		const levels = from.levels.map((level) => ({
			...level,
			coolC: cools
				? level.coolC
				: profile.cooling
					? (zone.levels.find((own) => own.id === level.id)?.coolC ?? null)
					: null
		}));
		return {
			...withLevels(zone, levels),
			wanted: from.wanted,
			routine: from.routine,
			use: from.use,
			lead: from.lead
		};
	}
	const rank = (of: Zone) =>
		[...of.levels].sort((a, b) => b.setpointC - a.setpointC).map((level) => level.id);
	const [here, there] = [rank(zone), rank(from)];
	const own = (id: string) => here[Math.min(there.indexOf(id) === 0 ? 0 : 1, here.length - 1)]!;
	return { ...withWanted(zone, mapWeek(wantedWeek(from), own)), routine: null };
}

/** Whether two zones are planned the same: kind and options of their control, levels, week, lead and day grouping; their channels may differ. */
export function plannedAlike(one: Zone, other: Zone): boolean {
	const plan = ({ control, options, levels, wanted, lead, grouping }: Zone) => ({
		control,
		options: without(options, 'channel'),
		levels,
		wanted,
		lead,
		grouping
	});
	return isSame(plan(one), plan(other));
}
