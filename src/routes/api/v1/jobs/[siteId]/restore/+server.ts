import { refuse } from '$lib/server/http';
import { database } from '$lib/server/db';
import { restoreSite } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params }) =>
	(await restoreSite(await database(), params.siteId))
		? new Response(null, { status: 204 })
		: refuse(404, 'There is no deleted site to put back.');
