import {
	allowedOptions,
	heldSetpoint,
	onUnitScale,
	type ControlProfile,
	type HeldLimits,
	type Level,
	type TemperatureUnit
} from '../control';
import type { Exception } from './exceptions';
import type { Zone } from './zone';

/**
 * The zone with every setpoint on its control's own scale: on one that shows °F a level, a limit, a setpoint of an absence
 * is a whole °F, so that what is only a change of unit is never a misfit. A zone in °C is given back as it is.
 */
export function onOwnScale(zone: Zone, profile: ControlProfile): Zone {
	const unit = unitOf(zone, profile);
	if (unit === 'C') return zone;
	const own = (c: number) => onUnitScale(unit, c);
	const orNull = (c: number | null) => (c === null ? null : own(c));
	const { settings } = zone;
	return {
		...zone,
		levels: zone.levels.map((level) => ({
			...level,
			setpointC: own(level.setpointC),
			coolC: orNull(level.coolC)
		})),
		settings: {
			...settings,
			highLimitC: orNull(settings.highLimitC),
			lowLimitC: orNull(settings.lowLimitC)
		},
		exceptions: zone.exceptions.map((one): Exception =>
			'setpointC' in one ? { ...one, setpointC: own(one.setpointC) } : one
		)
	};
}

/** The unit in which a zone's control shows temperatures, and so every sentence about the zone. */
export function unitOf(zone: Pick<Zone, 'options'>, profile: ControlProfile): TemperatureUnit {
	return allowedOptions(profile, zone.options).unit;
}

/** The levels that {@link onOwnScale} gives another setpoint, before and after: what is said once, when the unit is changed. */
export function movedLevels(before: Zone, after: Zone): { readonly from: Level; readonly to: Level }[] {
	return before.levels.flatMap((from) => {
		const to = after.levels.find((level) => level.id === from.id);
		return to && Math.abs(to.setpointC - from.setpointC) > 1e-9 ? [{ from, to }] : [];
	});
}

/** The limits set at a zone's control, where they bind its program; null where none do. */
export function bindingLimits(zone: Pick<Zone, 'settings'>, profile: ControlProfile): HeldLimits | null {
	const { highLimitC, lowLimitC } = zone.settings;
	return profile.habits.limits?.bindProgram && (highLimitC !== null || lowLimitC !== null)
		? { lowC: lowLimitC, highC: highLimitC }
		: null;
}

/** What a zone's control holds for a wanted setpoint, in °C: on its step, in its range, within the limits that bind its program. */
export function heldInZone(
	zone: Pick<Zone, 'settings' | 'options'>,
	profile: ControlProfile,
	wantedC: number
): number {
	return heldSetpoint(profile, allowedOptions(profile, zone.options), wantedC, bindingLimits(zone, profile));
}
