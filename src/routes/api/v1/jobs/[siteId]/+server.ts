import { z } from 'zod';
import { readJobFile, readWith } from '$core/formats';
import { siteSchema } from '$core/plan';
import { bodyText, readBody, refuse, siteOfRoute } from '$lib/server/http';
import { database } from '$lib/server/db';
import { deleteSite, jobText, replaceSite, updateSite } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

const gone = () => refuse(404, 'There is no such site, or it has been deleted.');
const done = () => new Response(null, { status: 204 });

/** A name for the downloaded file that every file system takes. */
function fileName(siteName: string): string {
	const plain = siteName
		.normalize('NFKD')
		.replace(/[^A-Za-z0-9]+/g, '-')
		.replace(/^-+|-+$/g, '')
		.toLowerCase();
	return `${plain === '' ? 'site' : plain}.job.json`;
}

export const GET: RequestHandler = async ({ params }) => {
	const job = await jobText(await database(), params.siteId);
	if (!job) return gone();
	return new Response(job.text, {
		headers: {
			'content-type': 'application/json; charset=utf-8',
			'content-disposition': `attachment; filename="${fileName(job.name)}"`,
			'cache-control': 'no-store'
		}
	});
};

export const PUT: RequestHandler = async ({ params, request }) => {
	const body = await bodyText(request);
	if ('refusal' in body) return body.refusal;
	const job = readJobFile(body.text);
	if (!job.ok) return refuse(422, job.problem);
	return (await replaceSite(await database(), params.siteId, job.value, null)) ? done() : gone();
};

export const PATCH: RequestHandler = async ({ params, request }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	const body = await readBody(request, z.record(z.string(), z.unknown()));
	if ('refusal' in body) return body.refusal;
	const site = readWith(siteSchema, { ...found.site.site, ...body.value });
	if (!site.ok) return refuse(422, site.problem);
	return (await updateSite(found.db, params.siteId, site.value)) ? done() : gone();
};

export const DELETE: RequestHandler = async ({ params }) =>
	(await deleteSite(await database(), params.siteId)) ? done() : gone();
