import { customerPage, type CustomerChoice, type CustomerPage } from '$core/record';
import type { StoredSite, StoredZone } from './rows';
import { profileOf } from './summary';

/** The customer's page of a zone as it stands. */
export function customerPageOf(
	stored: StoredZone,
	{ site, profiles }: StoredSite,
	choice: CustomerChoice = {}
): CustomerPage {
	return customerPage(
		stored.zone,
		profileOf(stored.zone, profiles),
		[site.name, site.place].filter(Boolean).join(', '),
		site.timeZone,
		Date.now(),
		choice
	);
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
