import { applyZonesRequest } from '$core/formats';
import { siteKnowing } from '$lib/server/controls';
import { readBody, refuse, siteOfRoute } from '$lib/server/http';
import { saveZones } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params, request }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	const body = await readBody(request, applyZonesRequest);
	if ('refusal' in body) return body.refusal;
	const { changes } = body.value;
	let { site } = found;
	for (const [index, { zone }] of changes.entries()) {
		const knowing = await siteKnowing(found.db, site, zone.control);
		if (!knowing)
			return refuse(422, {
				path: `changes[${index}].zone.control`,
				sentence: `${zone.name}: changes[${index}].zone.control names a control that is not known here.`
			});
		site = knowing;
	}
	const behind = await saveZones(found.db, site, changes);
	return behind === null
		? new Response(null, { status: 204 })
		: refuse(
				409,
				`${behind} has been changed or removed in another window. Nothing was changed; look again.`
			);
};
