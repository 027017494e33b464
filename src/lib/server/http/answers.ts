import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { LARGEST_JOB_FILE, problemOf, readWith, type Problem, type Read } from '$core/formats';
import { LARGEST_PICTURE } from '$core/record';
import { database, type Database } from '../db';
import { findSite, findZone, type StoredSite, type StoredZone } from '../jobs';

/** A refusal: a sentence and the path of the field it is about. */
export function refuse(status: number, problem: Problem | string): Response {
	const error = typeof problem === 'string' ? { path: '', sentence: problem } : problem;
	return json({ error }, { status });
}

/** The text of a request, or the refusal of one that is too large. */
export async function bodyText(request: Request): Promise<{ text: string } | { refusal: Response }> {
	const tooLarge = () =>
		refuse(413, `What was sent is too large: at most ${LARGEST_JOB_FILE / 1e6} MB are read.`);
	if (Number(request.headers.get('content-length') ?? 0) > LARGEST_JOB_FILE) return { refusal: tooLarge() };
	try {
		const text = await request.text();
		return text.length > LARGEST_JOB_FILE ? { refusal: tooLarge() } : { text };
	} catch {
		return { refusal: tooLarge() };
	}
}

/** The bytes of a request, or the refusal of one that is too large. */
export async function bodyBytes(request: Request): Promise<{ bytes: Uint8Array } | { refusal: Response }> {
	const tooLarge = () =>
		refuse(413, `What was sent is too large: at most ${LARGEST_PICTURE / 1e6} MB are taken.`);
	if (Number(request.headers.get('content-length') ?? 0) > LARGEST_PICTURE) return { refusal: tooLarge() };
	try {
		const bytes = new Uint8Array(await request.arrayBuffer());
		return bytes.byteLength > LARGEST_PICTURE ? { refusal: tooLarge() } : { bytes };
	} catch {
		return { refusal: tooLarge() };
	}
}

/** A request's JSON checked against a schema, or its refusal. */
export async function readBody<S extends z.ZodType>(
	request: Request,
	schema: S
): Promise<{ value: z.output<S> } | { refusal: Response }> {
	const body = await bodyText(request);
	if ('refusal' in body) return body;
	let document: unknown;
	try {
		document = JSON.parse(body.text);
	} catch {
		return { refusal: refuse(400, 'What was sent is not JSON.') };
	}
	const read: Read<z.output<S>> = readWith(schema, document);
	return read.ok ? { value: read.value } : { refusal: refuse(422, read.problem) };
}

/** Answers with a document that has been held against its schema: what the description promises is what is sent. */
export function answer<S extends z.ZodType>(schema: S, value: z.input<S>, status = 200): Response {
	const checked = schema.safeParse(value);
	if (!checked.success)
		throw new Error(`answer does not fit its schema: ${problemOf(checked.error).sentence}`);
	return json(checked.data, { status });
}

/** The site of a route, or the refusal of one that is not there. */
export async function siteOfRoute(
	id: string
): Promise<{ db: Database; site: StoredSite } | { refusal: Response }> {
	const db = await database();
	const site = await findSite(db, id);
	if (!site || site.deletedAt)
		return { refusal: refuse(404, 'There is no such site, or it has been deleted.') };
	return { db, site };
}

/** The zone of a route, or the refusal of one that is not there. */
export async function zoneOfRoute(
	siteId: string,
	zoneId: string
): Promise<{ db: Database; site: StoredSite; zone: StoredZone } | { refusal: Response }> {
	const found = await siteOfRoute(siteId);
	if ('refusal' in found) return found;
	const zone = await findZone(found.db, found.site, zoneId);
	if (!zone) return { refusal: refuse(404, 'There is no such zone on this site.') };
	return { ...found, zone };
}
