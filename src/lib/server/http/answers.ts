import { json } from '@sveltejs/kit';
import { z } from 'zod';
import { LARGEST_JOB_FILE, problemOf, readWith, type Problem, type Read } from '$core/formats';
import { LARGEST_PICTURE } from '$core/record';

/** A refusal: a sentence and the path of the field it is about. */
export function refuse(status: number, problem: Problem | string): Response {
	const error = typeof problem === 'string' ? { path: '', sentence: problem } : problem;
	return json({ error }, { status });
}

/** What is wrong with how a JSON document was sent; null for nothing. */
function sendingProblem(request: Request): string | null {
	const type = request.headers.get('content-type');
	if (type === null)
		return 'What was sent does not say what it is: send JSON with the content type application/json.';
	return /^application\/(\w+\+)?json\b/i.test(type)
		? null
		: 'What was sent does not say that it is JSON: send it with the content type application/json.';
}

/** The text of a request that says it is JSON, or the refusal of one that does not or is too large. */
export async function bodyText(request: Request): Promise<{ text: string } | { refusal: Response }> {
	const problem = sendingProblem(request);
	if (problem) return { refusal: refuse(415, problem) };
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

/** A name for a downloaded file that every file system takes. */
export function plainName(name: string, otherwise: string): string {
	const plain = name
		.normalize('NFKD')
		.replace(/[^A-Za-z0-9]+/g, '-')
		.replace(/^-+|-+$/g, '')
		.toLowerCase();
	return plain === '' ? otherwise : plain;
}

/** A file to be saved under a name; kept by nobody on the way. */
export function fileAnswer(
	content: string | Uint8Array<ArrayBuffer>,
	type: string,
	name: string,
	headers: Readonly<Record<string, string>> = {}
): Response {
	const ascii = /^[\w.-]+$/.test(name);
	return new Response(content, {
		headers: {
			'content-type': type,
			'content-disposition': ascii
				? `attachment; filename="${name}"`
				: `attachment; filename*=UTF-8''${encodeURIComponent(name)}`,
			'cache-control': 'no-store',
			...headers
		}
	});
}

/** A PDF to be shown or saved under a name. */
export function pdfAnswer(bytes: Uint8Array<ArrayBuffer>, name: string): Response {
	return new Response(bytes, {
		headers: {
			'content-type': 'application/pdf',
			'content-disposition': `inline; filename="${plainName(name, 'page')}.pdf"`,
			'cache-control': 'no-store'
		}
	});
}
