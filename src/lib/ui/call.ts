import { kept } from './browserStore';

/** Under which name a browser keeps the name of the person who ends visits with it. */
export const WHO = 'fond-quarter/who';

/** What came of asking the server: its data, or a status and a sentence for the person. */
export type Answer<T> =
	| { readonly ok: true; readonly data: T }
	| { readonly ok: false; readonly status: number; readonly sentence: string; readonly data: unknown };

/** Status 0: the server could not be reached. */
export const UNREACHABLE = 0;

/** A request without an answer for so long is said to have no connection; it may come back all the same. */
export const SLOW_AFTER_MS = 8000;
/** After so long it is given up and may be tried again. */
const GIVEN_UP_AFTER_MS = 15_000;
/** The slowest network for which a file is waited for: 10 kB a second. */
const SLOWEST_BYTES_PER_MS = 10;

/** Whether the same request may be answered later: no connection, too many at once, a full disk, a database held by another program. */
export const mayLater = (answer: { readonly status: number }) =>
	answer.status === UNREACHABLE || answer.status === 429 || answer.status >= 500;

/** Sends a request to the program's own API and never throws: refusals and a lost connection come back as sentences. */
export function call<T = null>(
	method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
	path: string,
	body?: unknown
): Promise<Answer<T>> {
	const who = kept(WHO);
	const person: Record<string, string> = who ? { person: encodeURIComponent(who) } : {};
	if (body === undefined) return send<T>(path, { method, headers: person });
	return send<T>(path, {
		method,
		headers: { 'content-type': 'application/json', ...person },
		body: typeof body === 'string' ? body : JSON.stringify(body)
	});
}

/** Sends a file as it is; see {@link call}. */
export function sendFile<T = null>(path: string, file: Blob): Promise<Answer<T>> {
	return send<T>(path, {
		method: 'POST',
		headers: { 'content-type': file.type || 'application/octet-stream' },
		body: file
	});
}

/** How many requests wait longer than {@link SLOW_AFTER_MS}, and who hears of it. */
let hanging = 0;
let onhanging: (count: number) => void = () => {};
/** Has somebody told how many requests hang, whenever that changes. */
export function hearHanging(listener: (count: number) => void): void {
	onhanging = listener;
	onhanging(hanging);
}
function hangs(by: 1 | -1): void {
	hanging += by;
	onhanging(hanging);
}

/** Fetches within the time that a network may take, saying meanwhile that it hangs. Throws where nothing came back. */
async function fetchInTime(path: string, request: RequestInit): Promise<Response> {
	const bytes = request.body instanceof Blob ? request.body.size : String(request.body ?? '').length;
	const longer = bytes / SLOWEST_BYTES_PER_MS;
	const aborted = new AbortController();
	let slow = false;
	const timers = [
		setTimeout(() => {
			slow = true;
			hangs(1);
		}, SLOW_AFTER_MS + longer),
		setTimeout(() => aborted.abort(), GIVEN_UP_AFTER_MS + longer)
	];
	// not every network lets go of what is aborted
	const late = new Promise<never>((_, reject) =>
		aborted.signal.addEventListener('abort', () => reject(new Error('given up')))
	);
	try {
		const answer = fetch(path, { ...request, signal: aborted.signal });
		return await Promise.race([answer, late]);
	} finally {
		timers.forEach(clearTimeout);
		if (slow) hangs(-1);
	}
}

async function send<T>(path: string, request: RequestInit): Promise<Answer<T>> {
	let response: Response;
	let data: unknown;
	try {
		response = await fetchInTime(path, request);
		data = response.status === 204 ? null : await response.json().catch(() => null);
	} catch {
		return {
			ok: false,
			status: UNREACHABLE,
			sentence: 'The server cannot be reached. What you see is kept here and sent when it is back.',
			data: null
		};
	}
	if (response.ok) return { ok: true, data: data as T };
	const said = data as { error?: { sentence?: string }; message?: string } | null;
	const sentence = said?.error?.sentence ?? said?.message;
	return {
		ok: false,
		status: response.status,
		sentence: sentence ?? 'The server could not do this. Nothing was changed.',
		data
	};
}
