import { allowedOptions, setpointWithUnit, type ControlProfile } from '$core/control';
import {
	askingOf,
	chainAt,
	chainFaults,
	chainsOf,
	heatWeek,
	isWarmth,
	type Chain,
	type ChainZone,
	type WayState
} from '$core/house';
import { heatsStore, withWanted, type Source, type Tariff, type Zone } from '$core/plan';
import { mapWeek, valueAt, type WeekSteps } from '$core/week';
import { gapSentences, sourceAtWords, STORE_RESTS, wayWords, zoneAtWords } from '$core/words';
import type { HouseRoom } from '$lib/workers/houseInWorker';
import { call } from '../call';
import { refresh } from '../refresh';
import { saving } from '../saving.svelte';
import type { LaneZone, LaneState } from './Lane.svelte';

/** What the view reads of the site. */
interface HouseData {
	readonly site: { readonly id: string; readonly revision: number; readonly sources: readonly Source[] };
	readonly zones: readonly {
		readonly id: string;
		readonly name: string;
		readonly revision: number;
		readonly document: Zone;
	}[];
	readonly profiles: readonly ControlProfile[];
	readonly held: Readonly<Record<string, WeekSteps<number>>>;
}

/** Where every call is met: Monday 07:00. */
const MORNING = 420;

/** The way of the heat at a site, and what changes it. */
export function houseView(data: () => HouseData) {
	let problem = $state<string | null>(null);
	let busy = $state(false);

	const profileOf = (zone: Zone) =>
		data().profiles.find((profile) => profile.id === zone.control) ?? data().profiles[0]!;
	const zones = $derived(
		data().zones.flatMap(({ id, document }): (ChainZone & { zone: Zone })[] => {
			const held = data().held[id];
			const profile = profileOf(document);
			const store = heatsStore(profile, document);
			return held ? [{ id, zone: document, ...askingOf(document, profile, held), heatsStore: store }] : [];
		})
	);
	const chains = $derived(chainsOf(data().site.sources, zones));
	const faults = $derived(chainFaults(data().site.sources, zones));
	/** The calls that are not met, the worst first. */
	const gaps = $derived(
		chains
			.flatMap((chain) =>
				chain.fed.flatMap(({ zone, gaps: asked }) => {
					const known = zones.find((one) => one.id === zone.id)!.zone;
					const profile = profileOf(known);
					const options = allowedOptions(profile, known.options);
					return gapSentences(known.name, chain.source.name, asked, (c) =>
						setpointWithUnit(profile, options, c)
					);
				})
			)
			.sort((a, b) => b.minutes - a.minutes)
	);

	/** The moment that is looked at: the beginning of the longest call that is not met, until another is chosen. */
	let chosen = $state<number | null>(null);
	const minute = $derived.by(() => {
		if (chosen !== null) return chosen;
		const all = chains.flatMap((chain) => chain.fed.flatMap((one) => one.gaps));
		const longest = all.reduce<(typeof all)[number] | null>(
			(best, gap) => (!best || gap.to - gap.from > best.to - best.from ? gap : best),
			null
		);
		return longest?.from ?? MORNING;
	});
	const laneZone = (known: (typeof zones)[number], holds: number, state: WayState): LaneZone => {
		const profile = profileOf(known.zone);
		const options = allowedOptions(profile, known.zone.options);
		return {
			id: known.id,
			name: known.zone.name,
			href: `/sites/${data().site.id}/zones/${known.id}/week`,
			does: zoneAtWords({ id: known.id, holds, state }, known.isSwitch, (c) =>
				setpointWithUnit(profile, options, c)
			),
			gets: known.heatsStore && state === 'rests' ? STORE_RESTS : wayWords[state],
			state: state === 'after-water' ? 'rests' : state
		};
	};
	/** What a source and its zones do at that moment, ready to be drawn. */
	const laneOf = (chain: Chain) => {
		const at = chainAt(chain, minute);
		const { governor } = chain;
		const known = governor && zones.find(({ id }) => id === governor.id);
		return {
			name: chain.source.name,
			does: sourceAtWords(chain, at, minute),
			state: (at.runs
				? 'runs'
				: at.fed.some(({ state }) => state === 'waits')
					? 'waits'
					: 'rests') as LaneState,
			governor:
				known && at.governorHolds !== null
					? {
							name: known.zone.name,
							does: laneZone(known, at.governorHolds, at.may ? 'runs' : 'rests').does,
							may: at.may
						}
					: null,
			zones: at.fed.map(({ id, holds, state }) =>
				laneZone(
					zones.find((one) => one.id === id)!,
					holds,
					state
				)
			)
		};
	};
	const lanes = $derived(Object.fromEntries(chains.map((chain) => [chain.source.id, laneOf(chain)])));
	/** The zones that make their own heat. */
	const own = $derived.by(() => {
		const all = zones
			.filter(({ zone }) => zone.fedBy === null && zone.governs === null)
			.map((known) => {
				const holds = valueAt(known.held, minute);
				return laneZone(known, holds, isWarmth(holds, known) ? 'runs' : 'rests');
			});
		const state: LaneState = all.some((one) => one.state === 'runs') ? 'runs' : 'rests';
		return { name: 'Own supply', does: 'electric or its own', state, zones: all };
	});

	/** The described rooms, each with when what feeds it heats. */
	const rooms = $derived(
		zones
			.filter(({ zone }) => zone.room !== null)
			.map(({ id, zone, heatsStore: water }): HouseRoom => {
				const chain = chains.find(({ source, governor }) => source.id === zone.fedBy && governor?.id !== id);
				const may =
					chain && !water ? heatWeek({ may: chain.permission, waterFirst: chain.waterFirst }) : null;
				return { id, zone, profile: profileOf(zone), may };
			})
	);

	async function keep(answer: ReturnType<typeof call>): Promise<boolean> {
		busy = true;
		saving.now = { kind: 'saving' };
		const result = await answer;
		problem = result.ok ? null : result.sentence;
		saving.now = result.ok ? { kind: 'saved', at: Date.now() } : { kind: 'refused', sentence: 'Not saved' };
		await refresh('fq:site');
		busy = false;
		return result.ok;
	}
	const api = () => `/api/v1/jobs/${data().site.id}`;
	/** Saves all sources as they are to be, but not over what another window made of them. */
	const keepSources = (sources: readonly Source[]) =>
		keep(call('PATCH', api(), { revision: data().site.revision, sources }));

	/** Saves zones with something changed, all or none. */
	function keepZones(change: (zone: Zone, id: string) => Zone): Promise<boolean> {
		const changes = data().zones.flatMap(({ id, revision, document }) => {
			const zone = change(document, id);
			return zone === document ? [] : [{ id, revision, zone }];
		});
		return changes.length === 0
			? Promise.resolve(true)
			: keep(call('POST', `${api()}/zones/apply`, { changes }));
	}

	return {
		/** How high a zone is drawn, in px: many are drawn lower, so that a house is seen at once. */
		get rowHeight() {
			return Math.round(Math.min(44, Math.max(26, 350 / Math.max(1, zones.length))));
		},
		get chains() {
			return chains;
		},
		get faults() {
			return faults;
		},
		get gaps() {
			return gaps;
		},
		get minute() {
			return minute;
		},
		set minute(next) {
			chosen = next;
		},
		lane: (id: string) => lanes[id]!,
		get own() {
			return own;
		},
		get rooms() {
			return rooms;
		},
		get problem() {
			return problem;
		},
		/** The sentence was read. */
		dismiss: () => void (problem = null),
		get busy() {
			return busy;
		},
		/** A new source; its id is one that none here has. */
		async add(name: string, kind: Source['kind']): Promise<boolean> {
			const { sources } = data().site;
			let n = sources.length + 1;
			while (sources.some((one) => one.id === `source-${n}`)) n++;
			return keepSources([
				...sources,
				{
					id: `source-${n}`,
					name: name.trim(),
					kind,
					efficiency: null,
					performance: null,
					waterFirstMinutes: null,
					tariff: null
				}
			]);
		},
		/** Takes a source away, and its name from the zones first. */
		async remove(id: string): Promise<void> {
			const freed = await keepZones((zone) =>
				zone.fedBy === id || zone.governs === id
					? {
							...zone,
							fedBy: zone.fedBy === id ? null : zone.fedBy,
							governs: zone.governs === id ? null : zone.governs
						}
					: zone
			);
			if (freed) await keepSources(data().site.sources.filter((one) => one.id !== id));
		},
		/** Another figure of a source. */
		set: (id: string, part: Partial<Source>) =>
			keepSources(data().site.sources.map((one) => (one.id === id ? { ...one, ...part } : one))),
		/** What electricity costs here. */
		setElectricity: (electricity: Tariff | null) => keep(call('PATCH', api(), { electricity })),
		setCurrency: (currency: string) => keep(call('PATCH', api(), { currency })),
		feed: (zoneId: string, source: string | null) =>
			keepZones((zone, id) => (id === zoneId ? { ...zone, fedBy: source } : zone)),
		/** Lets a zone's week be the hours of a source, or none. */
		govern: (source: string, zoneId: string | null) =>
			keepZones((zone, id) => {
				if (id === zoneId)
					return { ...zone, governs: source, fedBy: zone.fedBy === source ? null : zone.fedBy };
				return zone.governs === source ? { ...zone, governs: null } : zone;
			}),
		/** Makes the governing week what its rooms ask for; what its control cannot hold of that is seen at once. */
		follow: ({ governor, asked }: Chain) =>
			keepZones((zone, id) => {
				if (!governor || id !== governor.id) return zone;
				const byWarmth = [...zone.levels].sort((a, b) => b.setpointC - a.setpointC);
				const [on, off] = [byWarmth[0]!.id, byWarmth.at(-1)!.id];
				return {
					...withWanted(
						zone,
						mapWeek(asked, (asks) => (asks ? on : off))
					),
					routine: null
				};
			})
	};
}
