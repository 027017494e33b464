import { writeWeeksCsv } from '$core/formats';
import { siteOfRoute } from '$lib/server/http';
import { profileOf, zonesOf } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

/** The weeks and programs of a site's zones as CSV for a spreadsheet. */
export const GET: RequestHandler = async ({ params }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	const zones = (await zonesOf(found.db, found.site)).map(({ zone }) => zone);
	// the mark says UTF-8 to spreadsheets that would guess
	return new Response(`\uFEFF${writeWeeksCsv(zones, (zone) => profileOf(zone, found.site.profiles))}`, {
		headers: {
			'content-type': 'text/csv; charset=utf-8',
			'content-disposition': 'attachment; filename="weeks.csv"',
			'cache-control': 'no-store'
		}
	});
};
