import { expose } from 'comlink';
import { profileSchema } from '$core/control';
import { fitZone } from '$core/fit';
import { zoneSchema, type Zone } from '$core/plan';
import {
	heatedBy,
	interlock,
	siteLoad,
	staggerStarts,
	startsByDifferential,
	withStagger,
	type HeatedZone,
	type Interlock,
	type Limit,
	type SiteLoad,
	type Source,
	type Stagger
} from '$core/thermal';

/** A zone as it is sent to the worker; it crosses the border through its schemas. */
export interface SentZone {
	readonly id: string;
	readonly zone: unknown;
	readonly profile: unknown;
}

/** A site's starts staggered: the zones with them, what their controls then do, and what was moved. */
export interface Staggered {
	readonly stagger: Stagger;
	readonly zones: readonly { readonly id: string; readonly zone: Zone }[];
	readonly load: SiteLoad;
}

const heated = (zones: readonly SentZone[], source: Source) =>
	heatedBy(
		zones.map(({ id, zone, profile }) => ({
			id,
			zone: zoneSchema.parse(zone),
			profile: profileSchema.parse(profile)
		})),
		source
	);

/** The week of zones as their controls hold them: each is fitted first. `onshare` hears the share done. */
function heldLoad(
	zones: readonly HeatedZone[],
	limit: Limit,
	outdoorC: number,
	onshare: (share: number) => void
): SiteLoad {
	const held = new Map(
		zones.map(({ id, zone, profile }, i) => {
			const { held: week } = fitZone(zone, profile).chosen;
			onshare((0.8 * (i + 1)) / zones.length);
			return [id, week];
		})
	);
	return siteLoad(zones, limit, outdoorC, held, (done) => onshare(0.8 + (0.2 * done) / zones.length));
}

const api = {
	load(
		zones: readonly SentZone[],
		source: Source,
		limit: Limit,
		outdoorC: number,
		onshare: (share: number) => void
	): SiteLoad {
		return heldLoad(heated(zones, source), limit, outdoorC, onshare);
	},
	/** How often a day the boiler starts with each differential; radiators and floors only. */
	starts(zones: readonly SentZone[], outdoorC: number) {
		return startsByDifferential(heated(zones, 'water'), outdoorC);
	},
	/** What an interlock under the limit costs; null where none is called for. */
	interlock(zones: readonly SentZone[], source: Source, limit: Limit, outdoorC: number): Interlock | null {
		return interlock(heated(zones, source), limit, outdoorC);
	},
	stagger(
		zones: readonly SentZone[],
		source: Source,
		limit: Limit,
		outdoorC: number,
		onshare: (share: number) => void
	): Staggered {
		const known = heated(zones, source);
		const stagger = staggerStarts(known, limit, outdoorC, (share) => onshare(share * 0.9));
		const moved = known.map((one) => ({ ...one, zone: withStagger(one, stagger, outdoorC) }));
		return {
			stagger,
			zones: moved.map(({ id, zone }) => ({ id, zone })),
			load: heldLoad(moved, limit, outdoorC, (share) => onshare(0.9 + share * 0.1))
		};
	}
};
export type SiteWorkerApi = typeof api;

expose(api);
