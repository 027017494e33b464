import { leftDwelling } from '$core/record';
import type { CustomerChoice, CustomerPage } from '$core/words';
import type { Database } from '../../db';
import { compute } from '../../compute';
import type { StoredSite, StoredZone } from '../rows';
import { profileOf } from '$core/control';
import { zonesOf } from '../siteReads';
import { visitsOf } from '../visitRows';
import { feedingOf } from './feeding';

/** The customer's page of a zone as it stands, written in a worker. */
export async function customerPageOf(
	db: Database,
	{ zone }: StoredZone,
	of: StoredSite,
	choice: CustomerChoice = {},
	setUpBy: string | null = null
): Promise<CustomerPage> {
	return compute('customerPage', {
		zone,
		profile: profileOf(zone, of.profiles),
		site: of.site,
		feeding: zone.fedBy === null ? null : await feedingOf(of, await zonesOf(db, of), zone),
		choice,
		setUpBy,
		nowMs: Date.now()
	});
}

/** Who signed each dwelling of a site off last, by itself or with the whole site; null where nobody did. */
export async function signersOf(db: Database, siteId: string): Promise<(dwelling: string) => string | null> {
	const signed = (await visitsOf(db, siteId)).filter(({ visit }) => visit.signedOff);
	return (dwelling) => signed.findLast(({ visit }) => leftDwelling(visit, dwelling))?.visit.who ?? null;
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
