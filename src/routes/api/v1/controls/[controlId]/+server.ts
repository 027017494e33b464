import { findProfile } from '$core/control';
import { controlConflictResponse, savedResponse, saveControlRequest, writeControlFile } from '$core/formats';
import { deleteControl, findControl, saveControl } from '$lib/server/controls';
import { database } from '$lib/server/db';
import { answer, readBody, refuse } from '$lib/server/http';
import type { RequestHandler } from './$types';

const gone = () => refuse(404, 'There is no such control among your own.');

export const GET: RequestHandler = async ({ params }) => {
	const own = await findControl(await database(), params.controlId);
	const profile = own?.profile ?? findProfile(params.controlId);
	if (!profile) return gone();
	return new Response(writeControlFile(profile), {
		headers: {
			'content-type': 'application/json',
			'content-disposition': `attachment; filename="${profile.id}.control.json"`
		}
	});
};

export const PUT: RequestHandler = async ({ params, request }) => {
	const body = await readBody(request, saveControlRequest);
	if ('refusal' in body) return body.refusal;
	const { revision, profile } = body.value;
	const saved = await saveControl(await database(), params.controlId, revision, profile);
	if (saved.kind === 'saved') return answer(savedResponse, { revision: saved.revision });
	if (saved.kind === 'gone') return gone();
	return answer(
		controlConflictResponse,
		{
			error: { path: 'revision', sentence: 'Another window has changed this control since you opened it.' },
			current: { revision: saved.current.revision, profile: saved.current.profile }
		},
		409
	);
};

export const DELETE: RequestHandler = async ({ params }) =>
	(await deleteControl(await database(), params.controlId)) ? new Response(null, { status: 204 }) : gone();
