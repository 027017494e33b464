import { takenUpResponse } from '$core/formats';
import { findControl, takeUp } from '$lib/server/controls';
import { database } from '$lib/server/db';
import { answer, refuse } from '$lib/server/http';
import type { RequestHandler } from './$types';

export const POST: RequestHandler = async ({ params }) => {
	const db = await database();
	if (!(await findControl(db, params.controlId)))
		return refuse(404, 'There is no such control among your own.');
	return answer(takenUpResponse, await takeUp(db, params.controlId));
};
