import { customerPage, type CustomerChoice, type CustomerPage } from '$core/words';
import type { Database } from '../../db';
import type { StoredSite, StoredZone } from '../rows';
import { profileOf } from '../profileOf';
import { visitsOf } from '../visitRows';

/** The customer's page of a zone as it stands. */
export function customerPageOf(
	stored: StoredZone,
	{ site, profiles }: StoredSite,
	choice: CustomerChoice = {},
	setUpBy: string | null = null
): CustomerPage {
	return customerPage(
		stored.zone,
		profileOf(stored.zone, profiles),
		[site.name, site.place].filter(Boolean).join(', '),
		site.timeZone,
		Date.now(),
		choice,
		setUpBy
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
