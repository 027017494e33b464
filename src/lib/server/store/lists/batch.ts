import { cardDistance, type Notes } from '$core/keying';
import { compute } from '../../compute';
import type { Database } from '../../db';
import { profileOf } from '$core/control';
import type { StoredSite, StoredZone } from '../rows';
import { zonesOf } from '../siteReads';

/** Most controls of a batch that are looked at. */
const MOST = 60;

/** A zone whose control is of the same kind, and how its card differs. */
export interface Alike {
	readonly id: string;
	readonly name: string;
	readonly notes: Notes | null;
	/** Values of the week that differ: 0 where the same card is keyed; null where it is set otherwise. */
	readonly differs: number | null;
}

/** The other controls of a site of the same kind as a zone's, those with the very same card first; none for a control of several channels. */
export async function alikeOf(db: Database, site: StoredSite, stored: StoredZone): Promise<Alike[]> {
	if (stored.zone.otherChannels) return [];
	const others = (await zonesOf(db, site)).filter(
		({ id, zone }) => id !== stored.id && zone.control === stored.zone.control && !zone.otherChannels
	);
	const profile = profileOf(stored.zone, site.profiles);
	const fitted = async ({ zone }: StoredZone) => ({ zone, fit: await compute('zoneFit', { zone, profile }) });
	const own = await fitted(stored);
	const all = await Promise.all(
		others.slice(0, MOST).map(async (one) => ({
			id: one.id,
			name: one.zone.name,
			notes: one.notes,
			differs: cardDistance(own, await fitted(one), profile)
		}))
	);
	return all.sort((a, b) => (a.differs ?? Infinity) - (b.differs ?? Infinity));
}
