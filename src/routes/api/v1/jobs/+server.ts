import { createdResponse, listResponse, newSiteRequest, readJobFile, readWith } from '$core/formats';
import { siteSchema } from '$core/plan';
import { answer, bodyText, refuse } from '$lib/server/http';
import { database } from '$lib/server/db';
import { createSite, importSite, listSites } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async () =>
	answer(listResponse, { jobs: [...(await listSites(await database()))] });

export const POST: RequestHandler = async ({ request }) => {
	const body = await bodyText(request);
	if ('refusal' in body) return body.refusal;
	let named: unknown = null;
	try {
		named = JSON.parse(body.text);
	} catch {
		// the job reader says where the text stops being JSON
	}
	if (named && typeof named === 'object' && !('format' in named) && 'name' in named) {
		const read = readWith(newSiteRequest, named);
		if (!read.ok) return refuse(422, read.problem);
		const id = await createSite(await database(), {
			format: 'fond-quarter/job',
			version: 1,
			site: siteSchema.parse(read.value),
			weather: null,
			visits: [],
			profiles: [],
			zones: []
		});
		return answer(createdResponse, { id }, 201);
	}
	const job = readJobFile(body.text);
	if (!job.ok) return refuse(named === null ? 400 : 422, job.problem);
	return answer(createdResponse, await importSite(await database(), job.value), 201);
};
