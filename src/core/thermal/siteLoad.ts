import type { ControlProfile } from '../control';
import { targetWeek, type Room, type Zone } from '../plan';
import { DAY_MINUTES, WEEK_MINUTES, type WeekSteps } from '../week';
import { emitterClasses } from './classes';
import { periodic } from './periodic';
import { governedOf, heldAt, sourcePower } from './roomModel';
import { byMinute, COLD_TOLERANCE_K, readyRoom, simulate, type Simulation } from './simulate';
import { nightsOf, setpointForRun } from './leads';
import { outdoorWeek } from './weather';

/** A zone of a site whose room is described. */
export interface HeatedZone {
	readonly id: string;
	readonly zone: Zone;
	readonly room: Room;
	readonly profile: ControlProfile;
}

/** What feeds heat: the electric supply, or a boiler and its water. */
export type Source = 'electric' | 'water';

/** What feeds a room's emitter. */
export function sourceOf(room: Room): Source {
	return emitterClasses[room.emitter.kind].water ? 'water' : 'electric';
}

/** What a source can give: W, as a mean over so many minutes; null where it is not known. */
export interface Limit {
	readonly limitW: number | null;
	readonly windowMinutes: number;
}

/** One zone in a site's typical week. */
export interface ZoneLoad {
	readonly id: string;
	/** The needs (week minutes) at which it has not come within half a kelvin of what is wanted. */
	readonly late: readonly number[];
	readonly kWh: number;
	readonly starts: number;
	/** Every fifth minute from Monday 00:00: the power to be expected, in W. */
	readonly powerW: readonly number[];
}

/** A site's typical week on one source. */
export interface SiteLoad {
	readonly zones: readonly ZoneLoad[];
	/** Every fifth minute: the mean to be expected over the window that ends there, in W. */
	readonly meanW: readonly number[];
	/** The same with what cycling adds by chance: passed once in twenty times. The limit is held against this. */
	readonly mostW: readonly number[];
	/** The highest of those. */
	readonly peakW: number;
	/** Week minute at which the peak's window ends. */
	readonly peakAt: number;
	/** What all would draw if they ever heated at the same minute, in W. */
	readonly allW: number;
	/** The most zones that heat at one minute of this week, and the highest load at any minute, in W, with its week minute. */
	readonly atOnce: number;
	readonly worstW: number;
	readonly worstAt: number;
	/** Minutes of the week in which that is over the limit. */
	readonly overMinutes: number;
	readonly kWh: number;
	/** How often a day the source starts: from nothing called for to something. */
	readonly startsPerDay: number;
	/** The mean power that keeps every room at its warmest level day and night: no staggering helps under it. In W. */
	readonly steadyW: number;
}

export const EVERY = 5;
const SLOTS = WEEK_MINUTES / EVERY;

/** What is prepared of a zone once, whatever its setpoints. */
interface Prepared extends HeatedZone {
	readonly ready: ReturnType<typeof readyRoom>;
}

/** By slots of five minutes: the power to be expected in W, and how far cycling strays from it as a variance in W². */
export interface Total {
	readonly power: Float64Array;
	readonly variance: Float64Array;
}

interface Drawn extends Total {
	readonly run: Simulation;
	/** By minute, in W. */
	readonly drawnW: Float64Array;
}

export const prepare = (heated: HeatedZone): Prepared => ({
	...heated,
	ready: readyRoom(heated.room, heated.profile.habits.minimumOffMinutes)
});

/** Half the width of the time over which a holding control's cycles are averaged, in minutes. */
const CYCLES_MINUTES = 45;

/** What a control is doing after a change of its setpoint. */
type Regime = 'warming' | 'falling' | 'holding';

/**
 * What a control draws, told apart from when by chance its cycles fall: between a rise and its first stop the power is
 * known minute by minute; while it holds a level only its mean is, and the spread of something that is on or off.
 */
function expectedPower(drawnW: Float64Array, heating: Uint8Array, setpointC: Float64Array): Total {
	const n = drawnW.length;
	const power = Float64Array.from(drawnW);
	const held = new Uint8Array(n);
	const before = new Float64Array(n + 1);
	for (let i = 0; i < n; i++) before[i + 1] = before[i]! + drawnW[i]!;
	let from = 0;
	let kind = 'holding' as Regime;
	const close = (to: number) => {
		if (kind === 'holding')
			for (let i = from; i < to; i++) {
				const a = Math.max(from, i - CYCLES_MINUTES);
				const b = Math.min(to, i + CYCLES_MINUTES + 1);
				power[i] = (before[b]! - before[a]!) / (b - a);
				held[i] = 1;
			}
		from = to;
	};
	for (let i = 1; i < n; i++) {
		const rise = setpointC[i]! - setpointC[i - 1]!;
		const begins: Regime | null =
			rise > 0.1 || (Number.isNaN(setpointC[i - 1]!) && !Number.isNaN(setpointC[i]!))
				? 'warming'
				: rise < -0.1 || (Number.isNaN(setpointC[i]!) && !Number.isNaN(setpointC[i - 1]!))
					? 'falling'
					: kind === 'warming' && !heating[i] && heating[i - 1]
						? 'holding'
						: kind === 'falling' && heating[i] && !heating[i - 1]
							? 'holding'
							: null;
		if (begins === null) continue;
		close(i);
		kind = begins;
	}
	close(n);
	// what it takes while on and holding; a cold radiator takes more for a moment
	let onW = 0;
	let on = 0;
	for (let i = 0; i < n; i++)
		if (held[i] && heating[i]) {
			onW += drawnW[i]!;
			on++;
		}
	onW = on > 0 ? onW / on : 0;
	const slots = Float64Array.from({ length: SLOTS }, (_, slot) => {
		let sum = 0;
		for (let i = slot * EVERY; i < (slot + 1) * EVERY; i++) sum += power[i]!;
		return sum / EVERY;
	});
	return { power: slots, variance: slots.map((w, i) => (held[i * EVERY] ? Math.max(0, w * (onW - w)) : 0)) };
}

/** A zone's week, closed on itself, or run once from a state near its own. */
export function draw(
	zone: Prepared,
	setpoints: WeekSteps<number>,
	outdoorC: Float64Array,
	near?: Pick<Simulation, 'end' | 'control'>
): Drawn {
	const setpointC = byMinute(setpoints, WEEK_MINUTES).map((c) => setpointForRun(zone.profile, c));
	const { model } = zone.ready;
	const request = { ...zone.ready, outdoorC, setpointC, record: true };
	const run = near ? simulate({ ...request, start: near.end, control: near.control }) : periodic(request).run;
	const drawnW = new Float64Array(WEEK_MINUTES);
	for (let minute = 0; minute < WEEK_MINUTES; minute++)
		if (run.heating[minute])
			drawnW[minute] = Math.min(mostOf(zone), sourcePower(model, true, run.emitter[minute]!));
	return { ...expectedPower(drawnW, run.heating, setpointC), run, drawnW };
}

/** Means over the window that ends with each minute, round Sunday. */
function windowMeans(total: Float64Array, windowMinutes: number): Float64Array {
	const n = total.length;
	const means = new Float64Array(n);
	let sum = 0;
	for (let back = 1; back <= windowMinutes; back++) sum += total[(n - back) % n]!;
	for (let minute = 0; minute < n; minute++) {
		sum += total[minute]! - total[(minute - windowMinutes + n) % n]!;
		means[minute] = sum / windowMinutes;
	}
	return means;
}

/** How far above what is expected a limit is looked at, in standard deviations: one quarter of an hour in twenty goes beyond. */
const BEYOND = 1.645;

/** The load that a limit is held against, by slot, in W; never more than all together can draw. */
export function reckoned({ power, variance }: Total, { windowMinutes }: Limit, allW: number): Float64Array {
	const slots = Math.max(1, Math.round(windowMinutes / EVERY));
	const means = windowMeans(power, slots);
	const spread = windowMeans(variance, slots);
	return means.map((mean, i) => Math.min(allW, mean + BEYOND * Math.sqrt(Math.max(0, spread[i]!))));
}

/** How far over the limit a week goes, in W·min. */
export function excess(total: Total, limit: Limit, allW: number): number {
	if (limit.limitW === null) return 0;
	let sum = 0;
	for (const load of reckoned(total, limit, allW))
		if (load > limit.limitW) sum += EVERY * (load - limit.limitW);
	return sum;
}

const noLoad = (): Total => ({ power: new Float64Array(SLOTS), variance: new Float64Array(SLOTS) });

/** A load with one more on it, or with one less. */
export function plus(a: Total, b: Total, sign: 1 | -1 = 1): Total {
	return {
		power: a.power.map((w, i) => w + sign * b.power[i]!),
		variance: a.variance.map((w, i) => w + sign * b.variance[i]!)
	};
}

export const totalOf = (loads: readonly Total[]) => loads.reduce((sum, one) => plus(sum, one), noLoad());

/** How many times the output of an emitter at 20 °C its pipes can bring when it is cold: common practice. */
const COLD_EMITTER = 1.5;

/** What a zone draws at most, in W: of water what its pipes bring to a cold emitter. */
export function mostOf({ ready }: Prepared): number {
	const { electricW, water, emitterAir, emitterFabric } = ready.model;
	if (!water) return electricW;
	const emitter = emitterAir + emitterFabric;
	const series = (water.conductance * emitter) / (water.conductance + emitter);
	return COLD_EMITTER * series * (water.temperatureC - 20);
}
export const allOf = (zones: readonly Prepared[]) => zones.reduce((sum, zone) => sum + mostOf(zone), 0);

function warmestOf({ zone, profile }: HeatedZone): number | null {
	return profile.temperature ? Math.max(...zone.levels.map((level) => level.setpointC)) : null;
}

/** The warmest that what is governed was in the twenty minutes before a need: what a swinging room has reached by then. */
export function reachedBy({ ready: { model } }: Prepared, { air, emitter }: Simulation, at: number): number {
	let highest = -Infinity;
	for (let back = 1; back <= 20; back++) {
		const minute = (at - back + WEEK_MINUTES) % WEEK_MINUTES;
		highest = Math.max(highest, governedOf(model, air[minute]!, emitter[minute]!));
	}
	return highest;
}

function loadOf(
	zones: readonly Prepared[],
	drawn: readonly Drawn[],
	limit: Limit,
	outdoorC: number
): SiteLoad {
	const total = totalOf(drawn);
	const allW = allOf(zones);
	const most = reckoned(total, limit, allW);
	const peak = most.reduce((best, w, i) => (w > most[best]! ? i : best), 0);
	let atOnce = 0;
	let starts = 0;
	let calling = 0;
	let worstW = 0;
	let worstAt = 0;
	for (let minute = 0; minute < WEEK_MINUTES; minute++) {
		const before = calling;
		calling = 0;
		let atMinute = 0;
		for (const { run, drawnW } of drawn) {
			calling += run.heating[minute]!;
			atMinute += drawnW[minute]!;
		}
		if (atMinute > worstW) {
			worstW = atMinute;
			worstAt = minute;
		}
		if (before === 0 && calling > 0 && minute > 0) starts++;
		atOnce = Math.max(atOnce, calling);
	}
	return {
		zones: drawn.map(({ run, power }, i) => ({
			id: zones[i]!.id,
			late:
				zones[i]!.profile.temperature === null
					? []
					: nightsOf(zones[i]!.zone, zones[i]!.profile).flatMap(({ at, night }) =>
							reachedBy(zones[i]!, run, at) < night.comfortC - COLD_TOLERANCE_K ? [at] : []
						),
			kWh: run.heatJ / 3.6e6,
			starts: run.starts,
			powerW: Array.from(power, Math.round)
		})),
		meanW: Array.from(windowMeans(total.power, Math.round(limit.windowMinutes / EVERY)), Math.round),
		mostW: Array.from(most, Math.round),
		peakW: most[peak]!,
		peakAt: ((peak + 1) * EVERY) % WEEK_MINUTES,
		allW,
		atOnce,
		worstW,
		worstAt,
		overMinutes: limit.limitW === null ? 0 : EVERY * most.filter((w) => w > limit.limitW!).length,
		kWh: drawn.reduce((sum, { run }) => sum + run.heatJ / 3.6e6, 0),
		startsPerDay: starts / 7,
		steadyW: zones.reduce((sum, one) => {
			const c = warmestOf(one);
			return sum + (c === null ? 0 : heldAt(one.ready.model, c, outdoorC).powerW);
		}, 0)
	};
}

/**
 * A typical week of zones that hang on one source, run as their controls hold them (`held`: setpoints in °C by id;
 * the target week where missing). `onzone` hears how many zones are done.
 */
export function siteLoad(
	zones: readonly HeatedZone[],
	limit: Limit,
	outdoorC: number,
	held: ReadonlyMap<string, WeekSteps<number>> = new Map(),
	onzone: (done: number) => void = () => {}
): SiteLoad {
	const outdoor = outdoorWeek(outdoorC);
	const prepared = zones.map(prepare);
	const drawn = prepared.map((zone, i) => {
		const one = draw(zone, held.get(zone.id) ?? targetWeek(zone.zone), outdoor);
		onzone(i + 1);
		return one;
	});
	return loadOf(prepared, drawn, limit, outdoorC);
}

/** Boiler starts with every on/off control at another differential: what a wider band does. */
export function startsByDifferential(
	zones: readonly HeatedZone[],
	outdoorC: number,
	differentialsK: readonly number[] = [0.3, 0.5, 1, 2]
): { readonly differentialK: number; readonly startsPerDay: number }[] {
	const limit = { limitW: null, windowMinutes: 15 };
	return differentialsK.map((differentialK) => ({
		differentialK,
		startsPerDay: siteLoad(
			zones.map((one) => ({
				...one,
				room: { ...one.room, regulation: { kind: 'on-off' as const, differentialK } }
			})),
			limit,
			outdoorC
		).startsPerDay
	}));
}

/** Which day of the week, 0 is Monday, the slot that ends at a minute of the week lies in. */
export const dayOfPeak = (peakAt: number): number =>
	Math.floor(((peakAt - 1 + WEEK_MINUTES) % WEEK_MINUTES) / DAY_MINUTES);

/** The highest load of one day of the week, 0 is Monday: in W, and the minute of the week at which its slot ends. */
export function peakOfDay(load: Pick<SiteLoad, 'mostW'>, day: number): { w: number; at: number } {
	const slots = DAY_MINUTES / EVERY;
	const ofDay = load.mostW.slice(day * slots, (day + 1) * slots);
	const w = Math.max(...ofDay);
	return { w, at: (day * DAY_MINUTES + (ofDay.indexOf(w) + 1) * EVERY) % WEEK_MINUTES };
}
