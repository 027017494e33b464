import type { ControlProfile } from '../control';
import type { Settings } from '../plan';

/** What a control asks of what it switches, for a room temperature. */
export interface Demand {
	readonly call: 'heat' | 'cool' | 'none';
	/** Where it must wait for its minimum off-time: until then. */
	readonly waitsUntilMs: number | null;
	/** What its fan does; null where it drives none. */
	readonly fan: 'runs' | 'rests' | 'runs part of every hour' | null;
}

/**
 * Whether a control calls for heating or cooling at a room temperature (°C), by automatic changeover where it
 * also cools: heat below the heating setpoint, cool above the cooling one, nothing between. A switch that is on
 * calls for heat. After a stop at `stoppedMs` it waits for its minimum off-time. The band of the differential is
 * not counted here.
 */
export function demandOf(
	profile: ControlProfile,
	settings: Settings,
	state: { readonly heatC: number | null; readonly coolC: number | null },
	roomC: number,
	atMs: number,
	stoppedMs: number | null = null
): Demand {
	const { heatC, coolC } = state;
	const wants: Demand['call'] = !profile.temperature
		? heatC !== null && heatC >= 0.5
			? 'heat'
			: 'none'
		: heatC !== null && roomC < heatC
			? 'heat'
			: coolC !== null && roomC > coolC
				? 'cool'
				: 'none';
	const restsUntil = stoppedMs === null ? 0 : stoppedMs + profile.habits.minimumOffMinutes * 60_000;
	const waits = wants !== 'none' && restsUntil > atMs;
	const call = waits ? 'none' : wants;
	const fanModes = profile.habits.fan;
	const mode = fanModes?.includes(settings.fan) ? settings.fan : fanModes?.[0];
	return {
		call,
		waitsUntilMs: waits ? restsUntil : null,
		fan:
			mode === undefined
				? null
				: mode === 'on' || call !== 'none'
					? 'runs'
					: mode === 'circulate'
						? 'runs part of every hour'
						: 'rests'
	};
}
