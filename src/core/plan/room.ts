import { z } from 'zod';

/** How heavy a room's fabric is: the five classes of ISO 13790:2008 Table 12, in words of a survey. */
export const BUILDS = ['very-light', 'light', 'medium', 'heavy', 'very-heavy'] as const;

/** How well what is exposed is insulated, in words of a survey. */
export const INSULATIONS = ['none', 'little', 'fair', 'good', 'very-good'] as const;

/** What warms a room. */
export const EMITTERS = [
	'radiator',
	'electric-panel',
	'infrared-panel',
	'floor-cable',
	'wet-floor',
	'towel-rail',
	'fan-convector'
] as const;

/** What lies on a heated floor. */
export const FINISHES = ['tile', 'stone', 'laminate', 'wood', 'carpet'] as const;

const areaM2 = z.number().min(1, 'must be at least 1 m²').max(2000, 'must be at most 2000 m²');

/** How heat is lost: a figure in W/K, or from what is exposed and how well it is insulated. */
const lossSchema = z.discriminatedUnion('by', [
	z.strictObject({ by: z.literal('figure'), wattsPerKelvin: z.number().min(1).max(20_000) }),
	z.strictObject({ by: z.literal('survey'), insulation: z.enum(INSULATIONS), exposedM2: areaM2 }),
	/** From a logger: the room's own time constant and the rise it shows with the heating on. */
	z.strictObject({
		by: z.literal('measured'),
		wattsPerKelvin: z.number().min(1).max(20_000),
		/** What the fabric's capacity of its build class is multiplied by. */
		capacityScale: z.number().min(0.05).max(20),
		/** What the air and its furnishings are multiplied by, and how well air and fabric exchange heat. */
		airScale: z.number().min(0.05).max(20).default(1),
		couplingScale: z.number().min(0.05).max(20).default(1),
		/** Its time constant in hours, as it was found, with its standard error. */
		timeConstantHours: z.number().min(0.5).max(1000),
		standardErrorHours: z.number().min(0).max(1000),
		/** Date of the last reading, `YYYY-MM-DD`. */
		on: z.iso.date()
	})
]);

/** A room as a survey describes it: enough to compute how it warms and cools. Temperatures in °C, powers in W. */
export const roomSchema = z
	.strictObject({
		floorAreaM2: areaM2,
		heightM: z.number().min(1.8).max(30),
		build: z.enum(BUILDS),
		loss: lossSchema,
		emitter: z.strictObject({
			kind: z.enum(EMITTERS),
			/** Electric: its power; water: output at 50 K over the room (EN 442), or of the floor at its water temperature. */
			ratedW: z.number().min(20).max(200_000),
			/** Mean water temperature; counts only where water heats. */
			waterC: z.number().min(25).max(90).default(55),
			/** Heated area; counts only for floors. Null: the whole floor. */
			heatedM2: areaM2.nullable().default(null)
		}),
		/** What the control measures. */
		sensor: z.enum(['air', 'floor', 'air-with-floor-guard']).default('air'),
		finish: z.enum(FINISHES).nullable().default(null),
		/** The highest floor surface allowed, in °C; null for the usual one of its finish. */
		floorLimitC: z.number().min(20).max(40).nullable().default(null),
		regulation: z
			.discriminatedUnion('kind', [
				z.strictObject({ kind: z.literal('on-off'), differentialK: z.number().min(0.1).max(5) }),
				z.strictObject({
					kind: z.literal('cycling'),
					perHour: z.number().min(1).max(12),
					bandK: z.number().min(0.3).max(5)
				})
			])
			.default({ kind: 'on-off', differentialK: 0.5 }),
		/** Heat of people and devices, in W, all day. */
		gainsW: z.number().min(0).max(50_000).default(0)
	})
	.superRefine((room, context) => {
		const floor = room.emitter.kind === 'floor-cable' || room.emitter.kind === 'wet-floor';
		if (room.sensor !== 'air' && !floor)
			context.addIssue({
				code: 'custom',
				path: ['sensor'],
				message: 'is in the floor, but the floor does not heat'
			});
		if (room.emitter.heatedM2 !== null && room.emitter.heatedM2 > room.floorAreaM2)
			context.addIssue({ code: 'custom', path: ['emitter', 'heatedM2'], message: 'is more than the floor' });
	});
export type Room = z.infer<typeof roomSchema>;

/** Whether a room is heated by its floor. */
export function heatsByFloor(room: Room): boolean {
	return room.emitter.kind === 'floor-cable' || room.emitter.kind === 'wet-floor';
}
