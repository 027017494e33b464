import { factoryOptions, type ControlProfile } from '../../src/core/control';
import { newZone, type Tariff, type Zone } from '../../src/core/plan';

/** A week to be fitted by one grouping of a shipped control, and the least that it can miss. */
export interface OracleFit {
	readonly profile: string;
	readonly unit: 'C' | 'F';
	readonly perDay: number;
	readonly grouping: string;
	/** Of the levels, in °C, or 0 and 1; on a control that also cools the cooling setpoints with them. */
	readonly setpointsC: readonly number[];
	readonly coolC: readonly number[] | null;
	readonly wanted: readonly { readonly at: number; readonly level: number }[];
	readonly weights: { readonly cold: number; readonly warm: number };
	/** Weighted K·min of the week. */
	readonly weighted: number;
}

/** An absence on a control that counts days: the days and the local time at which they end; null where not one fits. */
export interface OracleAbsence {
	readonly profile: string;
	readonly leave: string;
	readonly back: string;
	readonly days: number | null;
	readonly until: string | null;
}

/** Answers by other means than the program's own. */
export interface OracleFixture {
	readonly seed: number;
	readonly fits: readonly OracleFit[];
	readonly clocks: readonly { readonly timeZone: string; readonly atMs: number; readonly local: string }[];
	readonly absences: readonly OracleAbsence[];
	readonly tariffs: readonly {
		readonly tariff: Tariff;
		readonly hoursKWh: readonly number[];
		readonly money: number;
	}[];
}

/** The options of a control as new, in a unit. */
export const inUse = (profile: ControlProfile, unit: 'C' | 'F') => ({ ...factoryOptions(profile), unit });

/** The zone of a case. */
export function zoneOf(
	{ unit, grouping, setpointsC, coolC, wanted, weights }: OracleFit,
	profile: ControlProfile
): Zone {
	const zone = newZone('Case', profile);
	return {
		...zone,
		options: inUse(profile, unit),
		grouping,
		weights: { ...weights },
		levels: zone.levels.map((level, i) => ({
			...level,
			setpointC: setpointsC[i]!,
			coolC: coolC?.[i] ?? level.coolC
		})),
		wanted: wanted.map(({ at, level }) => ({ at, level: zone.levels[level]!.id }))
	};
}
