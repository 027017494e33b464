import type { BUILDS, EMITTERS, FINISHES, INSULATIONS, Room } from '../plan';

type Build = (typeof BUILDS)[number];
type Emitter = (typeof EMITTERS)[number];
type Finish = (typeof FINISHES)[number];
type Insulation = (typeof INSULATIONS)[number];

/** Heat capacity per m² of floor in J/K and effective mass area per m² of floor: ISO 13790:2008 Table 12 (from memory). */
export const buildClasses: Readonly<
	Record<Build, { readonly capacity: number; readonly massArea: number; readonly words: string }>
> = {
	'very-light': { capacity: 80_000, massArea: 2.5, words: 'very light: timber frame, lined' },
	light: { capacity: 110_000, massArea: 2.5, words: 'light: timber floors, plasterboard' },
	medium: { capacity: 165_000, massArea: 2.5, words: 'medium: block walls, timber floors' },
	heavy: { capacity: 260_000, massArea: 3.0, words: 'heavy: brick and concrete' },
	'very-heavy': { capacity: 370_000, massArea: 3.5, words: 'very heavy: stone, thick concrete' }
};

/** Mean heat transfer of what is exposed, windows included, in W/(m²·K): common practice. */
export const insulationClasses: Readonly<
	Record<Insulation, { readonly transfer: number; readonly words: string }>
> = {
	none: { transfer: 1.5, words: 'none: solid walls, single glazing' },
	little: { transfer: 1.0, words: 'little: old double glazing' },
	fair: { transfer: 0.65, words: 'fair: insulated roof, double glazing' },
	good: { transfer: 0.4, words: 'good: insulated walls and roof' },
	'very-good': { transfer: 0.22, words: 'very good: as built today' }
};

/** Air changes an hour that a lived-in room has: 0.5, common practice; 0.34 Wh/(m³·K) of air. */
export const AIR_CHANGES = 0.5;
export const AIR_WH = 0.34;

/** Air and furnishings per m² of floor, in J/K: 10 kJ/(m²·K), ISO 52016-1 (from memory). */
export const FURNISHED_AIR = 10_000;

/** Air to surface and surface to mass, in W/(m²·K), and surface per m² of floor: ISO 13790:2008 §7.2.2 and §12.2.2 (from memory). */
export const AIR_TO_SURFACE = 3.45;
export const SURFACE_TO_MASS = 9.1;
export const SURFACE_PER_FLOOR = 4.5;

/** The share of the loss that goes straight from the air (windows and draughts); the rest goes through the fabric. */
export const AIR_LOSS_SHARE = 0.4;

/** What an emitter is like: minutes in which it cools to a third by itself, share it radiates, whether water heats it. Common practice. */
export const emitterClasses: Readonly<
	Record<
		Emitter,
		{
			readonly words: string;
			readonly lagMinutes: number;
			readonly radiant: number;
			readonly water: boolean;
			readonly floor: boolean;
		}
	>
> = {
	radiator: { words: 'radiator', lagMinutes: 20, radiant: 0.3, water: true, floor: false },
	'electric-panel': { words: 'electric panel', lagMinutes: 8, radiant: 0.25, water: false, floor: false },
	'infrared-panel': { words: 'infrared panel', lagMinutes: 6, radiant: 0.6, water: false, floor: false },
	'floor-cable': { words: 'electric floor cable', lagMinutes: 0, radiant: 0.5, water: false, floor: true },
	'wet-floor': { words: 'wet floor', lagMinutes: 0, radiant: 0.5, water: true, floor: true },
	'towel-rail': { words: 'towel rail', lagMinutes: 15, radiant: 0.35, water: false, floor: false },
	'fan-convector': { words: 'fan convector', lagMinutes: 4, radiant: 0.05, water: true, floor: false }
};

/** Screed that a heated floor warms, in J/(m²·K): 50 mm for pipes, 25 mm for a cable, at 1.8 MJ/(m³·K). */
export const SCREED = { 'wet-floor': 90_000, 'floor-cable': 45_000 } as const;

/** Resistance of what lies on the floor in m²·K/W, and the highest surface that is usual for it in °C: common practice; 29 °C is EN 1264-2's limit where people stay. */
export const finishes: Readonly<
	Record<Finish, { readonly words: string; readonly resistance: number; readonly limitC: number }>
> = {
	tile: { words: 'tiles', resistance: 0.01, limitC: 29 },
	stone: { words: 'stone', resistance: 0.02, limitC: 29 },
	laminate: { words: 'laminate', resistance: 0.05, limitC: 27 },
	wood: { words: 'wood', resistance: 0.1, limitC: 27 },
	carpet: { words: 'carpet', resistance: 0.15, limitC: 29 }
};

/**
 * Output of a radiator off its rating, in W: (ΔT/50)^n with n = 1.3 (EN 442), for a rating at 50 K over the room.
 * Valid for ΔT above 0 K; gives 0 below.
 */
export function radiatorOutput(ratedW: number, deltaK: number, exponent = 1.3): number {
	return deltaK <= 0 ? 0 : ratedW * (deltaK / 50) ** exponent;
}

/** Output of a heated floor in W/m² at so many K of its surface over the room: q = 8.92·Δ^1.1 (EN 1264-2, from memory). Gives 0 below 0 K. */
export function floorOutput(surfaceOverRoomK: number): number {
	return surfaceOverRoomK <= 0 ? 0 : 8.92 * surfaceOverRoomK ** 1.1;
}

/** Cycles an hour of a cycling control at a load of 0 … 1: 4·N·d·(1−d), N at half load (NEMA DC 3, from memory). */
export function cyclesPerHour(atHalfLoad: number, load: number): number {
	const d = Math.min(Math.max(load, 0), 1);
	return 4 * atHalfLoad * d * (1 - d);
}

/** The highest floor surface allowed in a room, in °C; null where no floor heats. */
export function floorLimitOf(room: Room): number | null {
	if (!emitterClasses[room.emitter.kind].floor) return null;
	return room.floorLimitC ?? (room.finish ? finishes[room.finish].limitC : 29);
}
