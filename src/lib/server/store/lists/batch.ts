import isSame from 'fast-deep-equal';
import { plannedAlike } from '$core/plan';
import { cardDistance, type Notes } from '$core/keying';
import { compute } from '../../compute';
import type { Database } from '../../db';
import { profileOf } from '$core/control';
import type { StoredSite, StoredZone } from '../rows';
import { zonesOf } from '../siteReads';

/** A zone whose control is of the same kind, and how its card differs. */
export interface Alike {
	readonly id: string;
	readonly name: string;
	readonly notes: Notes | null;
	/** Values of the week that differ: 0 where the same card is keyed; null where it is set otherwise. */
	readonly differs: number | null;
}

/** Most controls of a batch whose cards are compared with one that is not planned the same. */
const MOST = 60;

/** What of a zone makes its card besides its plan: what is set at the control, and what a minute weighs. */
const plain = ({ settings, weights, options }: StoredZone['zone']) => ({ settings, weights, options });

/** The other controls of a site of the same kind as a zone's, those with the very same card first; none for a control of several channels. */
export async function alikeOf(db: Database, site: StoredSite, stored: StoredZone): Promise<Alike[]> {
	if (stored.zone.otherChannels) return [];
	const others = (await zonesOf(db, site)).filter(
		({ id, zone }) => id !== stored.id && zone.control === stored.zone.control && !zone.otherChannels
	);
	const profile = profileOf(stored.zone, site.profiles);
	const fitted = async ({ zone }: StoredZone) => ({ zone, fit: await compute('zoneFit', { zone, profile }) });
	const own = await fitted(stored);
	// of those that are planned the same nothing is computed: a house has two hundred
	const isSameCard = ({ zone }: StoredZone) =>
		plannedAlike(zone, stored.zone) && isSame(plain(zone), plain(stored.zone));
	const listed = ({ id, zone, notes }: StoredZone, differs: number | null): Alike => ({
		id,
		name: zone.name,
		notes,
		differs
	});
	const all = await Promise.all([
		...others.filter(isSameCard).map((one) => listed(one, 0)),
		...others
			.filter((one) => !isSameCard(one))
			.slice(0, MOST)
			.map(async (one) => listed(one, cardDistance(own, await fitted(one), profile)))
	]);
	return all.sort((a, b) => (a.differs ?? Infinity) - (b.differs ?? Infinity));
}
