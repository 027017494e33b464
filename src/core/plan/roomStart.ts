import { heatsByFloor, roomSchema, type Room } from './room';

/** What one begins with when a room is described: what warms it, how it is built, and what such an emitter gives a square metre in W: common practice. */
export const ROOM_STARTS = [
	{ words: 'A radiator, block walls', kind: 'radiator', build: 'medium', wattsPerM2: 90 },
	{ words: 'A radiator, heavy walls', kind: 'radiator', build: 'heavy', wattsPerM2: 90 },
	{ words: 'An electric panel, light build', kind: 'electric-panel', build: 'light', wattsPerM2: 90 },
	{ words: 'A wet floor, heavy build', kind: 'wet-floor', build: 'heavy', wattsPerM2: 80 },
	{ words: 'A floor cable', kind: 'floor-cable', build: 'medium', wattsPerM2: 150 },
	{ words: 'A towel rail', kind: 'towel-rail', build: 'medium', wattsPerM2: 80 }
] as const satisfies readonly {
	words: string;
	kind: Room['emitter']['kind'];
	build: Room['build'];
	wattsPerM2: number;
}[];
export type RoomStart = (typeof ROOM_STARTS)[number];

/** The floor area that a room of that use usually has, in m²: common practice. */
const USUAL_M2: Readonly<Record<string, number>> = {
	bathroom: 6,
	bedroom: 12,
	kitchen: 12,
	'hall-and-stairs': 10,
	'frail-occupants': 16,
	office: 15,
	store: 15,
	workshop: 60,
	'heavy-work': 60,
	assembly: 120
};
/** A room by its use or, where that was not said, by its name. */
export function usualAreaM2(use: string | null, name: string): number {
	if (use !== null) return USUAL_M2[use] ?? 20;
	return /bath|shower|wash|wc|toilet/i.test(name) ? USUAL_M2.bathroom! : 20;
}

/** The most that a heated floor gives, in W/m²: electric floors in bathrooms reach it; common practice. */
export const FLOOR_MOST_W_M2 = 200;

/** The power of an emitter over the floor that it heats, in W/m². */
export const wattsPerM2 = ({ emitter, floorAreaM2 }: Room): number =>
	emitter.ratedW / (emitter.heatedM2 ?? floorAreaM2);

/** A room to begin with, to be corrected: of that size and power, its sensor in the floor where its control measures the floor and the floor heats. */
export function roomBegun(
	start: RoomStart,
	{
		areaM2,
		ratedW,
		floorSensor
	}: { readonly areaM2: number; readonly ratedW: number; readonly floorSensor: boolean }
): Room {
	const room = roomSchema.parse({
		floorAreaM2: areaM2,
		heightM: 2.5,
		build: start.build,
		loss: { by: 'survey', insulation: 'fair', exposedM2: Math.max(1, Math.round(areaM2 * 1.5)) },
		emitter: { kind: start.kind, ratedW, waterC: start.kind === 'wet-floor' ? 38 : 55 }
	});
	return heatsByFloor(room) ? { ...room, finish: 'tile', sensor: floorSensor ? 'floor' : 'air' } : room;
}
