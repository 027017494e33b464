import { json } from '@sveltejs/kit';
import { z } from 'zod';
import type { Problem } from '$core/formats';
import { held, readDocument } from './document';

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

/** A size as it is said: `8 kB`, `4 MB`. */
const sizeWords = (bytes: number) => (bytes < 1e6 ? `${Math.round(bytes / 1e3)} kB` : `${bytes / 1e6} MB`);

/**
 * The bytes of a request, or the refusal of one that is too large: by what it says of itself before anything is read, and while it is read
 * as soon as it is more. `most` is in bytes.
 */
export async function bodyBytes(
	request: Request,
	most: number
): Promise<{ bytes: Uint8Array<ArrayBuffer> } | { refusal: Response }> {
	const tooLarge = () => refuse(413, `What was sent is too large: at most ${sizeWords(most)} are read.`);
	if (Number(request.headers.get('content-length') ?? 0) > most) return { refusal: tooLarge() };
	const parts: Uint8Array[] = [];
	let length = 0;
	const reader = request.body?.getReader();
	try {
		for (let part = await reader?.read(); part && !part.done; part = await reader!.read()) {
			length += part.value.byteLength;
			if (length > most) {
				await reader!.cancel().catch(() => undefined);
				return { refusal: tooLarge() };
			}
			parts.push(part.value);
		}
	} catch {
		return { refusal: tooLarge() };
	}
	return { bytes: new Uint8Array(Buffer.concat(parts, length)) };
}

/** The text of a request that says it is JSON, or the refusal of one that does not or is too large. */
export async function bodyText(
	request: Request,
	most: number
): Promise<{ text: string } | { refusal: Response }> {
	const problem = sendingProblem(request);
	if (problem) return { refusal: refuse(415, problem) };
	const read = await bodyBytes(request, most);
	return 'refusal' in read ? read : { text: new TextDecoder().decode(read.bytes) };
}

/** A request's JSON checked against a schema, or its refusal. */
export async function readBody<S extends z.ZodType>(
	request: Request,
	schema: S,
	most: number
): Promise<{ value: z.output<S> } | { refusal: Response }> {
	const body = await bodyText(request, most);
	if ('refusal' in body) return body;
	const read = readDocument(schema, body.text);
	return 'value' in read ? read : { refusal: refuse(read.status, read.problem) };
}

/** Answers with a document that has been held against its schema: what the description promises is what is sent. */
export function answer<S extends z.ZodType>(schema: S, value: z.input<S>, status = 200): Response {
	return json(held(schema, value), { status });
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
