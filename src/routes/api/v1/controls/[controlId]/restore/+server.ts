import { restoreControl } from '$lib/server/controls';
import { database } from '$lib/server/db';
import { refuse } from '$lib/server/http';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params }) =>
	(await restoreControl(await database(), params.controlId))
		? new Response(null, { status: 204 })
		: refuse(404, 'There is no such deleted control.');
