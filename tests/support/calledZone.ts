import type { CalledZone } from '../../src/core/callback';
import { findProfile } from '../../src/core/control';
import { fitZone } from '../../src/core/fit';
import { newZone, nothingNoted, roomSchema, withWanted, type OnSite, type Zone } from '../../src/core/plan';
import { buildWeek, type WeekSteps } from '../../src/core/week';

export const ALL = [0, 1, 2, 3, 4, 5, 6];
/** Warm from six to ten and from five to ten, every day. */
const week = buildWeek(
	ALL.flatMap((day) => [
		{ at: day * 1440 + 360, value: 'comfort' },
		{ at: day * 1440 + 600, value: 'eco' },
		{ at: day * 1440 + 1020, value: 'comfort' },
		{ at: day * 1440 + 1320, value: 'eco' }
	])
);
export function called(
	control: string,
	part: Partial<CalledZone> = {},
	onSite: Partial<OnSite> = {},
	change: (zone: Zone) => Zone = (zone) => zone
): CalledZone {
	const profile = findProfile(control)!;
	const zone = change(withWanted(newZone('Parlour', profile), week));
	return {
		zone,
		profile,
		program: fitZone(zone, profile).chosen.program,
		onSite: { ...nothingNoted, ...onSite },
		governor: null,
		outdoorC: 5,
		missedChangeMinutes: 0,
		...part
	};
}

/** A heavy room with a small radiator. */
export const slowRoom = roomSchema.parse({
	floorAreaM2: 30,
	heightM: 2.7,
	build: 'heavy',
	loss: { by: 'survey', insulation: 'fair', exposedM2: 55 },
	emitter: { kind: 'radiator', ratedW: 3300 }
});

/** A switch that lets a source run from one minute of every day to another. */
export const sourceFrom = (
	from: number,
	to: number
): { isSwitch: true; levels: []; held: WeekSteps<number> } => ({
	isSwitch: true,
	levels: [],
	held: buildWeek(
		ALL.flatMap((d) => [
			{ at: d * 1440 + from, value: 1 },
			{ at: d * 1440 + to, value: 0 }
		])
	)
});
