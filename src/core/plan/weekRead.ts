import { expandProgram, type ControlProfile, type Level, type Program } from '../control';
import { mapWeek } from '../week';
import { noLead } from './lead';
import { withWanted, type Zone } from './zone';

/** Setpoints closer than this are one level, in K: what is only a change of unit is none. */
const SAME_K = 0.3;
/** The most levels that a zone has. */
const MOST_LEVELS = 12;

/**
 * A zone that wants the very week that its control was read to hold: setpoints that no level has become levels of their own, and
 * nothing is started early, as what was read starts when it does. null where it needs more levels than a zone has, or the control
 * cools too: what was read says nothing of when it is to.
 */
export function withWeekRead(zone: Zone, profile: ControlProfile, program: Program): Zone | null {
	if (profile.cooling) return null;
	const held = expandProgram(program, profile.temperature?.minC ?? 0);
	const levels: Level[] = [...zone.levels];
	const levelOf = (setpointC: number): Level => {
		const near = (level: Level) => Math.abs(level.setpointC - setpointC);
		const known = [...levels].sort((a, b) => near(a) - near(b))[0];
		if (known && near(known) < SAME_K) return known;
		const letter = [...'123456789RSTUVWXYZ'].find((one) => !levels.some((level) => level.letter === one))!;
		const made: Level = {
			id: `read-${letter.toLowerCase()}`,
			letter,
			name: `Read ${letter}`,
			note: '',
			setpointC: Math.round(setpointC * 100) / 100,
			coolC: null
		};
		levels.push(made);
		return made;
	};
	const wanted = mapWeek(held, (setpointC) => levelOf(setpointC).id);
	if (levels.length > MOST_LEVELS) return null;
	return { ...withWanted({ ...zone, levels }, wanted), routine: null, lead: noLead };
}
