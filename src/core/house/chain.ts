import type { Source, Zone } from '../plan';
import { asksForWarmth, isWarmth, type Asking } from './asking';
import { buildWeek, constantWeek, valueAt, type WeekSteps, wrapWeek, zipSpans } from '../week';

/** A zone as far as the way of the heat goes: its place in the chain, and what its control holds. */
export interface ChainZone extends Asking {
	readonly id: string;
	readonly zone: Pick<Zone, 'name' | 'fedBy' | 'governs'>;
	/** Whether it heats a hot-water store: that lets its source run by itself, whatever lets it run for the rooms. */
	readonly heatsStore: boolean;
}

/** A stretch of the week in which a zone asks for warmth that its source may not make: week minutes, °C (1 on a switch). */
export interface Gap {
	readonly from: number;
	readonly to: number;
	readonly wantedC: number;
}

/** A source with what lets it run, what it feeds, and what it leaves cold. */
export interface Chain {
	readonly source: Source;
	/** The zone whose week are its hours; null where it runs whenever a zone calls. */
	readonly governor: ChainZone | null;
	/** When it may run for its rooms. */
	readonly permission: WeekSteps<boolean>;
	/** When its rooms wait because it heats the water first. */
	readonly waterFirst: WeekSteps<boolean>;
	/** When any of its rooms asks for warmth. */
	readonly asked: WeekSteps<boolean>;
	readonly fed: readonly { readonly zone: ChainZone; readonly gaps: readonly Gap[] }[];
	/** Minutes of the week in which any of its rooms asks in vain. */
	readonly lostMinutes: number;
}

/** When a source may run: in the warm hours of the week that governs it, or at any time without one. */
export const permissionOf = (governor: Asking | null): WeekSteps<boolean> =>
	governor ? asksForWarmth(governor) : constantWeek(true);

/** Minutes of a periodic week from one minute of it to another. */
const minutesTo = (from: number, to: number) => wrapWeek(to - from);

/**
 * When the rooms of a source wait for its hot water: from each beginning of a store's hours for as long as the store takes to be hot, or
 * until its hours end. Never where the source does both at once (null).
 */
export function waterFirstWeek(heatingMinutes: number | null, stores: readonly Asking[]): WeekSteps<boolean> {
	const never = constantWeek(false);
	if (heatingMinutes === null) return never;
	return stores.reduce<WeekSteps<boolean>>((all, store) => {
		const hours = asksForWarmth(store);
		// kept hot all week, it takes its heat in between
		if (hours.length < 2) return all;
		const steps = hours.flatMap(({ at, value }, i) => {
			if (!value) return [{ at, value }];
			const length = minutesTo(at, hours[(i + 1) % hours.length]!.at);
			if (length <= heatingMinutes) return [{ at, value }];
			return [
				{ at, value },
				{ at: wrapWeek(at + heatingMinutes), value: false }
			];
		});
		return eitherWeek(all, buildWeek(steps.sort((a, b) => a.at - b.at)));
	}, never);
}

/** When a room can get heat: its source may run, and does not heat the water first. */
export const heatWeek = ({
	may,
	waterFirst
}: {
	readonly may: WeekSteps<boolean>;
	readonly waterFirst: WeekSteps<boolean>;
}): WeekSteps<boolean> =>
	buildWeek(
		zipSpans(may, waterFirst).map(({ from, value: [run, water] }) => ({ at: from, value: run && !water }))
	);

/** The stretches in which a zone asks for warmth and its source may not run; each with one setpoint. */
export function gapsOf(zone: Asking, permission: WeekSteps<boolean>): Gap[] {
	const asked = zipSpans(asksForWarmth(zone), permission)
		.filter(({ value: [asks, may] }) => asks && !may)
		.map(({ from, to }) => ({ from, to }));
	return asked.flatMap(({ from, to }) =>
		zipSpans(zone.held, permission)
			.filter((span) => span.from < to && span.to > from)
			.map((span) => ({
				from: Math.max(from, span.from),
				to: Math.min(to, span.to),
				wantedC: span.value[0]
			}))
	);
}

/** The way of the heat at a site: every source with what it feeds. Of two zones that govern one source the first counts; see {@link chainFaults}. */
export function chainsOf(sources: readonly Source[], zones: readonly ChainZone[]): Chain[] {
	return sources.map((source) => {
		const governor = zones.find((one) => one.zone.governs === source.id) ?? null;
		const permission = permissionOf(governor);
		const all = zones.filter((one) => one.zone.fedBy === source.id && one !== governor);
		const fed = all.map((zone) => ({ zone, gaps: zone.heatsStore ? [] : gapsOf(zone, permission) }));
		const waterFirst = waterFirstWeek(
			source.waterFirstMinutes,
			all.filter((one) => one.heatsStore)
		);
		const asked = all
			.filter((one) => !one.heatsStore)
			.reduce<WeekSteps<boolean>>(
				(either, zone) => eitherWeek(either, asksForWarmth(zone)),
				constantWeek(false)
			);
		const lostMinutes = zipSpans(asked, permission)
			.filter(({ value: [asks, may] }) => asks && !may)
			.reduce((sum, { from, to }) => sum + to - from, 0);
		return { source, governor, permission, waterFirst, asked, fed, lostMinutes };
	});
}

/** When one or the other of two weeks is true. */
const eitherWeek = (first: WeekSteps<boolean>, second: WeekSteps<boolean>): WeekSteps<boolean> =>
	buildWeek(zipSpans(first, second).map(({ from, value: [a, b] }) => ({ at: from, value: a || b })));

/** What of a chain is set up wrong. */
export type ChainFault =
	| { readonly kind: 'two-governors'; readonly source: string; readonly zones: readonly string[] }
	/** It names a source that the site has not. */
	| { readonly kind: 'no-such-source'; readonly zone: string; readonly id: string }
	/** Sources whose governing zones are fed by one another. */
	| { readonly kind: 'circle'; readonly sources: readonly string[] };

/** What is set up wrong: a source with two governing zones, a source that is not there, heat in a circle. Names are those of zones and sources. */
export function chainFaults(
	sources: readonly Source[],
	zones: readonly Pick<ChainZone, 'zone'>[]
): ChainFault[] {
	const faults: ChainFault[] = [];
	for (const source of sources) {
		const governors = zones.filter(({ zone }) => zone.governs === source.id);
		if (governors.length > 1)
			faults.push({
				kind: 'two-governors',
				source: source.name,
				zones: governors.map(({ zone }) => zone.name)
			});
	}
	for (const { zone } of zones)
		for (const id of [zone.fedBy, zone.governs])
			if (id !== null && !sources.some((source) => source.id === id))
				faults.push({ kind: 'no-such-source', zone: zone.name, id });
	const above = (id: string) => zones.find(({ zone }) => zone.governs === id)?.zone.fedBy ?? null;
	const told = new Set<string>();
	for (const source of sources) {
		const way = [source.id];
		for (let next = above(source.id); next !== null; next = above(next)) {
			if (next === source.id) {
				if (!way.some((id) => told.has(id)))
					faults.push({
						kind: 'circle',
						sources: way.map((id) => sources.find((one) => one.id === id)?.name ?? id)
					});
				way.forEach((id) => told.add(id));
				break;
			}
			if (way.includes(next)) break;
			way.push(next);
		}
	}
	return faults;
}

/** What becomes of a zone's asking at a moment: it gets heat, asks in vain, comes after the hot water, or does not ask. */
export type WayState = 'runs' | 'waits' | 'after-water' | 'rests';

/** A chain at a moment of the week. */
export interface ChainMoment {
	/** Whether the source may run for its rooms then. */
	readonly may: boolean;
	/** Whether it runs: it may, and a room asks, or it heats water. */
	readonly runs: boolean;
	/** What governs it holds then; null without one. */
	readonly governorHolds: number | null;
	readonly fed: readonly { readonly id: string; readonly holds: number; readonly state: WayState }[];
}

/** What asks, what may run and what is cut off at a minute of the week, from Monday 00:00. */
export function chainAt({ governor, permission, waterFirst, fed }: Chain, weekMinute: number): ChainMoment {
	const may = valueAt(permission, weekMinute);
	const water = valueAt(waterFirst, weekMinute);
	const states = fed.map(({ zone }) => {
		const holds = valueAt(zone.held, weekMinute);
		const state = (): WayState => {
			if (!isWarmth(holds, zone)) return 'rests';
			if (zone.heatsStore) return 'runs';
			return !may ? 'waits' : water ? 'after-water' : 'runs';
		};
		return { id: zone.id, holds, state: state() };
	});
	return {
		may,
		runs: states.some(({ state }) => state === 'runs'),
		governorHolds: governor && valueAt(governor.held, weekMinute),
		fed: states
	};
}
