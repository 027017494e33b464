import { readFirm } from '$lib/server/firm';
import { pdfAnswer, siteOfRoute } from '$lib/server/http';
import { leftZone, pictureJpeg, picturesOf, profileOf, visitsOf, zonesOf } from '$lib/server/jobs';
import { recordPdf, type RecordPicture } from '$lib/server/papers';
import type { RequestHandler } from './$types';

/** The latest pictures only: a record is to be sent by mail. */
const MOST_PRINTED = 40;

export const GET: RequestHandler = async ({ params }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	const { db, site } = found;
	const now = Date.now();
	const firm = await readFirm(db);
	const zones = (await zonesOf(db, site)).map((zone) => leftZone(zone, site, firm, now));
	const visits = (await visitsOf(db, params.siteId)).map(({ visit }) => visit);
	const pictures: RecordPicture[] = [];
	for (const one of (await picturesOf(db, params.siteId)).slice(-MOST_PRINTED)) {
		const jpeg = await pictureJpeg(db, params.siteId, one.id);
		if (jpeg) pictures.push({ visitAt: one.visitAt, zone: one.zoneName, caption: one.caption, jpeg });
	}
	const bytes = await recordPdf(
		site.site,
		firm,
		visits,
		{ at: new Date(now).toISOString(), who: 'now', note: '', signedOff: false, zones },
		(zone) => profileOf(zone, site.profiles),
		pictures
	);
	return pdfAnswer(bytes, `${site.site.name} record`);
};
