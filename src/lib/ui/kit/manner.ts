import { page } from '$app/state';
import type { DateOrder, HourClock } from './entry';

/** How dates and times are written where the work is: the site's own way; year first where no site is open. */
export function manner(): { readonly dates: DateOrder; readonly clock: HourClock } {
	const site = (page.data as { site?: { dates?: DateOrder; clock?: HourClock } }).site;
	return { dates: site?.dates ?? 'ymd', clock: site?.clock ?? '24' };
}
