import { readFirm } from '$lib/server/firm';
import { pdfAnswer, zoneOfRoute } from '$lib/server/http';
import { choiceOf, customerPageOf, lastSigner } from '$lib/server/jobs';
import { customerPdf } from '$lib/server/papers';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ params, url }) => {
	const found = await zoneOfRoute(params.siteId, params.zoneId);
	if ('refusal' in found) return found.refusal;
	const choice = choiceOf(url.searchParams);
	const page = customerPageOf(found.zone, found.site, choice, await lastSigner(found.db, params.siteId));
	const date = new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
	const bytes = await customerPdf([page], await readFirm(found.db), date, choice.large);
	return pdfAnswer(bytes, `${found.site.site.name} ${found.zone.zone.name}`);
};
