import type { EventEmitter } from 'node:events';
import type { RequestEvent, RequestHandler } from '@sveltejs/kit';
import pino from 'pino';
import { Late, Busy } from '../compute';
import { database, Stopping } from '../db';
import { seenBy } from '../store/sight';
import { answer, bodyBytes, bodyText, readBody, refuse } from './answers';
import { mostOf, Refused, type Asked, type Operation } from './operation';
import { operationsAt } from './operations';
import { troubleSentence } from './trouble';

const log = pino({ name: 'fond-quarter' });

/** The body that an operation takes, or the refusal of what was sent. */
async function bodyOf(op: Operation, request: Request): Promise<{ value: unknown } | { refusal: Response }> {
	if (op.sent === 'bytes') {
		const read = await bodyBytes(request, mostOf(op));
		return 'refusal' in read ? read : { value: read.bytes };
	}
	if (!op.takes) return { value: null };
	if (op.sent === 'text') {
		const read = await bodyText(request, mostOf(op));
		return 'refusal' in read ? read : { value: read.text };
	}
	return readBody(request, op.takes, mostOf(op));
}

/** What the framework hands on of the connection that a request came by. */
interface Connected {
	readonly req?: { readonly socket?: EventEmitter | null };
}

/** A signal that ends when whoever asked is gone, also after all that they sent was read; and how to stop watching. */
function askerOf({ platform, request }: RequestEvent): {
	readonly signal: AbortSignal;
	readonly done: () => void;
} {
	const socket = (platform as Connected | undefined)?.req?.socket;
	if (!socket) return { signal: request.signal, done: () => {} };
	const gone = new AbortController();
	const close = () => gone.abort();
	socket.once('close', close);
	return { signal: gone.signal, done: () => socket.off('close', close) };
}

/** Answers a request by its operation: whatever happens, in the API's own shape. */
async function answered(op: Operation, event: RequestEvent): Promise<Response> {
	const { params, url, request, locals } = event;
	const asker = askerOf(event);
	try {
		const db = await database();
		const named = params as Record<string, string>;
		const closed = await op.door?.({ params: named, db });
		if (closed) return closed;
		const body = await bodyOf(op, request);
		if ('refusal' in body) return body.refusal;
		const asked: Asked = {
			params: named,
			search: url.searchParams,
			headers: request.headers,
			body: body.value,
			db,
			role: locals.role ?? 'reader',
			signal: asker.signal
		};
		const given = await op.handle(asked as Asked<never>);
		if (given instanceof Response) return given;
		if (given === undefined) return new Response(null, { status: 204 });
		return answer(op.gives!, seenBy(locals.role, given), op.created ? 201 : 200);
	} catch (error) {
		if (error instanceof Refused) return error.response;
		if (error instanceof Busy || error instanceof Late || error instanceof Stopping) {
			const refusal = refuse(503, troubleSentence(error));
			refusal.headers.set('retry-after', '2');
			return refusal;
		}
		// what a person typed is in no log: only where it went wrong
		const stack = error instanceof Error ? error.stack : undefined;
		log.error({ operation: op.id, error: String(error), stack });
		return refuse(500, troubleSentence(error));
	} finally {
		asker.done();
	}
}

/** The handlers of a route of the API, made from its operations: one for each method. */
export function serve(route: string): Record<string, RequestHandler> {
	return Object.fromEntries(
		operationsAt(route).map((op) => [op.method.toUpperCase(), (event) => answered(op, event)])
	);
}
