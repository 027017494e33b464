import { weatherResponse } from '$core/formats';
import { siteWeatherSchema } from '$core/plan';
import { answer, readBody, siteOfRoute } from '$lib/server/http';
import { saveWeather, weatherOf } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

const done = () => new Response(null, { status: 204 });

export const GET: RequestHandler = async ({ params }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	return answer(weatherResponse, { weather: await weatherOf(found.db, params.siteId) });
};

export const PUT: RequestHandler = async ({ params, request }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	const body = await readBody(request, siteWeatherSchema);
	if ('refusal' in body) return body.refusal;
	await saveWeather(found.db, params.siteId, body.value);
	return done();
};

export const DELETE: RequestHandler = async ({ params }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	await saveWeather(found.db, params.siteId, null);
	return done();
};
