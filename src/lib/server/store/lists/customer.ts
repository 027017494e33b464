import { heatWeek } from '$core/house';
import { customerPage, type CustomerChoice, type CustomerPage } from '$core/words';
import type { Database } from '../../db';
import { compute } from '../../compute';
import type { StoredSite, StoredZone } from '../rows';
import { profileOf } from '../profileOf';
import { zonesOf } from '../siteReads';
import { visitsOf } from '../visitRows';
import { feedingOf } from './feeding';

/** The customer's page of a zone as it stands. */
export async function customerPageOf(
	db: Database,
	stored: StoredZone,
	of: StoredSite,
	choice: CustomerChoice = {},
	setUpBy: string | null = null
): Promise<CustomerPage> {
	const { site, profiles } = of;
	const { zone } = stored;
	const profile = profileOf(zone, profiles);
	const feeding = zone.fedBy === null ? null : await feedingOf(of, await zonesOf(db, of), zone);
	const permission = feeding && heatWeek(feeding);
	const money = site.tellsCost ? await compute('coldWeekMoney', { zone, profile, site, permission }) : null;
	return customerPage(
		zone,
		profile,
		[site.name, site.place].filter(Boolean).join(', '),
		site.timeZone,
		Date.now(),
		choice,
		setUpBy,
		feeding,
		money && { money, currency: site.currency }
	);
}

/** Who signed a site's last visit off; null where nobody did. */
export async function lastSigner(db: Database, siteId: string): Promise<string | null> {
	const signed = (await visitsOf(db, siteId)).findLast(({ visit }) => visit.signedOff);
	return signed?.visit.who ?? null;
}

/** How a customer wants their page, as an address says it. */
export function choiceOf(search: URLSearchParams): CustomerChoice & { readonly large: boolean } {
	const unit = search.get('unit');
	const clock = search.get('clock');
	return {
		...(unit === 'C' || unit === 'F' ? { unit } : {}),
		...(clock === '12' || clock === '24' ? { clock } : {}),
		large: search.get('large') === '1'
	};
}
