/** What came of asking the server: its data, or a status and a sentence for the person. */
export type Answer<T> =
	| { readonly ok: true; readonly data: T }
	| { readonly ok: false; readonly status: number; readonly sentence: string; readonly data: unknown };

/** Status 0: the server could not be reached. */
export const UNREACHABLE = 0;

/** Whether the same request may be answered later: no connection, a full disk, a database held by another program. */
export const mayLater = (answer: { readonly status: number }) =>
	answer.status === UNREACHABLE || answer.status >= 500;

/** Sends a request to the program's own API and never throws: refusals and a lost connection come back as sentences. */
export function call<T = null>(
	method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
	path: string,
	body?: unknown
): Promise<Answer<T>> {
	if (body === undefined) return send<T>(path, { method });
	return send<T>(path, {
		method,
		headers: { 'content-type': 'application/json' },
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

async function send<T>(path: string, request: RequestInit): Promise<Answer<T>> {
	let response: Response;
	try {
		response = await fetch(path, request);
	} catch {
		return {
			ok: false,
			status: UNREACHABLE,
			sentence: 'The server cannot be reached. What you see is kept here and sent when it is back.',
			data: null
		};
	}
	const data: unknown = response.status === 204 ? null : await response.json().catch(() => null);
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
