import { z } from 'zod';
import { roundResponse } from '$core/formats';
import { roundChangesSchema } from '$core/record';
import { database } from '$lib/server/db';
import { answer, readBody, refuse } from '$lib/server/http';
import { changeRound, readRound, roundSites } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

const isDate = (on: string) => z.iso.date().safeParse(on).success;

export const GET: RequestHandler = async ({ params }) => {
	if (!isDate(params.on)) return refuse(404, 'There is no such date.');
	const db = await database();
	const [sites, round] = await Promise.all([roundSites(db, params.on), readRound(db, params.on)]);
	return answer(roundResponse, { on: params.on, sites: structuredClone(sites) as never, stops: round.stops });
};

export const PATCH: RequestHandler = async ({ params, request }) => {
	if (!isDate(params.on)) return refuse(404, 'There is no such date.');
	const body = await readBody(request, roundChangesSchema);
	if ('refusal' in body) return body.refusal;
	const db = await database();
	const sites = await roundSites(db, params.on);
	const lost = Object.keys(body.value.stops).find((id) => !sites.some((site) => site.siteId === id));
	if (lost !== undefined)
		return refuse(422, {
			path: `stops.${lost}`,
			sentence: 'This site has no clock to be changed by hand then.'
		});
	await changeRound(db, params.on, body.value);
	return new Response(null, { status: 204 });
};
