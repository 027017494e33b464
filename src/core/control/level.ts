import { z } from 'zod';
import { shortName, shortNote, slug, type ControlOptions, type ControlProfile } from './profile';
import { celsiusToFahrenheit, fahrenheitToCelsius, roundToStep } from './units';

/** How near a setpoint must lie to a whole °F to be that, in °F: far finer than any display, coarser than a file rounded to 0.001 °C. */
const SAME_FAHRENHEIT = 0.003;

/** A setpoint as it is kept, in °C: exactly a whole °F where it is one, else to 0.1 °C. */
export function keptSetpoint(celsius: number): number {
	const fahrenheit = celsiusToFahrenheit(celsius);
	return Math.abs(fahrenheit - Math.round(fahrenheit)) < SAME_FAHRENHEIT
		? fahrenheitToCelsius(Math.round(fahrenheit))
		: Math.round(celsius * 10) / 10;
}

/** A setpoint on the scale of a control's unit, in °C: a whole °F where it shows °F, else as it is. */
export function onUnitScale(unit: ControlOptions['unit'], celsius: number): number {
	return unit === 'F' ? fahrenheitToCelsius(Math.round(celsiusToFahrenheit(celsius))) : celsius;
}

/**
 * A level: a named setpoint of a zone. On a control that only switches, `setpointC` is 1 for on and
 * 0 for off: the numbers by which a fit counts minutes. Setpoints are kept as {@link keptSetpoint} says.
 */
export const levelSchema = z.strictObject({
	id: slug,
	/** The one letter that stands for the level on the drawn week and on the keyboard. */
	letter: z.string().regex(/^[A-Z0-9]$/, 'must be one capital letter or a figure'),
	name: shortName,
	note: shortNote,
	setpointC: z.number().min(0).max(60).transform(keptSetpoint),
	/** The setpoint above which to cool, on a control that also cools; null where none is wanted of it. */
	coolC: z.number().min(10).max(60).transform(keptSetpoint).nullable().default(null),
	/** Whether it asks what feeds its zone for warmth, or is a setback that the room falls to by itself; absent as suggested. */
	asks: z.boolean().optional()
});
export type Level = z.infer<typeof levelSchema>;

/** A zone's levels: one to twelve, warmest first in the interface but stored in the person's order. */
export const levelsSchema = z
	.array(levelSchema)
	.min(1)
	.max(12)
	.superRefine((levels, context) => {
		for (const key of ['id', 'letter'] as const) {
			levels.forEach((level, index) => {
				if (levels.findIndex((other) => other[key] === level[key]) !== index)
					context.addIssue({ code: 'custom', path: [index, key], message: `is used by two levels` });
			});
		}
	});

/** Limits that are set at a control and bind its program, in °C; null where one is not set. */
export interface HeldLimits {
	readonly lowC: number | null;
	readonly highC: number | null;
}

/**
 * The setpoint a control really takes for a wanted one, in °C: clamped to its range and to the limits that bind its
 * program, rounded to its step, in whole °F where it is set to Fahrenheit (common practice). Switches give 0 or 1.
 */
export function heldSetpoint(
	profile: ControlProfile,
	options: ControlOptions,
	wantedC: number,
	limits?: HeldLimits | null
): number {
	const { temperature } = profile;
	if (!temperature) return wantedC >= 0.5 ? 1 : 0;
	const minC = Math.max(temperature.minC, limits?.lowC ?? -Infinity);
	const maxC = Math.max(minC, Math.min(temperature.maxC, limits?.highC ?? Infinity));
	const { stepC } = temperature;
	if (options.unit === 'F') {
		const lowest = Math.ceil(celsiusToFahrenheit(minC) - 1e-9);
		const highest = Math.floor(celsiusToFahrenheit(maxC) + 1e-9);
		const whole = roundToStep(celsiusToFahrenheit(wantedC), 1);
		return fahrenheitToCelsius(Math.min(Math.max(whole, lowest), Math.max(lowest, highest)));
	}
	// a range may end between two steps; a limit set there lets through the step on its own side
	const lowest = limits?.lowC == null ? minC : Math.min(onStepAbove(minC, stepC), temperature.maxC);
	const highest = limits?.highC == null ? maxC : Math.max(onStepBelow(maxC, stepC), temperature.minC);
	return Math.min(Math.max(roundToStep(wantedC, stepC), lowest), Math.max(lowest, highest));
}

const onStepAbove = (c: number, step: number) => Math.round(Math.ceil(c / step - 1e-9) * step * 1e6) / 1e6;
const onStepBelow = (c: number, step: number) => Math.round(Math.floor(c / step + 1e-9) * step * 1e6) / 1e6;

/**
 * The cooling setpoint a control really takes for a wanted one, in °C: clamped, on its step, and at
 * least the dead band above the heating setpoint it goes with. Throws on a control that does not cool.
 */
export function heldCooling(
	profile: ControlProfile,
	options: ControlOptions,
	wantedC: number,
	heldHeatC: number
): number {
	const { cooling, temperature } = profile;
	if (!cooling || !temperature) throw new RangeError('this control does not cool');
	const least = heldHeatC + cooling.deadBandK;
	if (options.unit === 'F') {
		const lowest = Math.ceil(celsiusToFahrenheit(least) - 1e-9);
		const highest = Math.floor(celsiusToFahrenheit(cooling.maxC) + 1e-9);
		const whole = roundToStep(celsiusToFahrenheit(wantedC), 1);
		return fahrenheitToCelsius(Math.max(Math.min(whole, highest), lowest));
	}
	const rounded = Math.min(roundToStep(wantedC, temperature.stepC), cooling.maxC);
	return Math.max(rounded, Math.ceil(least / temperature.stepC - 1e-9) * temperature.stepC);
}

/** The cooling setpoint wanted of a level: its own, or so high that none is asked for. */
export function wantedCooling(level: Level, profile: ControlProfile): number {
	return level.coolC ?? profile.cooling?.maxC ?? 60;
}

/** Levels to start a zone with: for a switch on and off, else comfort 20, eco 16 (4 K under it: common practice) and frost 7 °C. */
export function startingLevels(profile: ControlProfile): Level[] {
	if (!profile.temperature)
		return [
			{ id: 'on', letter: 'I', name: 'On', note: '', setpointC: 1, coolC: null },
			{ id: 'off', letter: '0', name: 'Off', note: '', setpointC: 0, coolC: null }
		];
	const cool = (c: number) => (profile.cooling ? c : null);
	return [
		{ id: 'comfort', letter: 'C', name: 'Comfort', note: '', setpointC: 20, coolC: cool(25) },
		{ id: 'eco', letter: 'E', name: 'Eco', note: '', setpointC: 16, coolC: cool(28) },
		{ id: 'frost', letter: 'F', name: 'Frost', note: 'pipes, not people', setpointC: 7, coolC: cool(32) }
	];
}
