import { refuse, siteOfRoute } from '$lib/server/http';
import { pictureJpeg, removePicture } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ params }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	const jpeg = await pictureJpeg(found.db, params.siteId, params.pictureId);
	if (!jpeg) return refuse(404, 'There is no such picture.');
	return new Response(new Uint8Array(jpeg), {
		headers: { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' }
	});
};

export const DELETE: RequestHandler = async ({ params }) => {
	const found = await siteOfRoute(params.siteId);
	if ('refusal' in found) return found.refusal;
	return (await removePicture(found.db, params.siteId, params.pictureId))
		? new Response(null, { status: 204 })
		: refuse(404, 'There is no such picture, or its visit has ended: then it stays in the record.');
};
