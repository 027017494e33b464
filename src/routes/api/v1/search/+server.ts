import { searchResponse } from '$core/formats';
import { database } from '$lib/server/db';
import { answer } from '$lib/server/http';
import { search } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ url }) =>
	answer(searchResponse, { found: await search(await database(), url.searchParams.get('q') ?? '') });
