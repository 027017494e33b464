/** What came of asking the server: its data, or a status and a sentence for the person. */
export type Answer<T> =
	| { readonly ok: true; readonly data: T }
	| { readonly ok: false; readonly status: number; readonly sentence: string; readonly data: unknown };

/** Status 0: the server could not be reached. */
export const UNREACHABLE = 0;

/** Sends a request to the program's own API and never throws: refusals and a lost connection come back as sentences. */
export async function call<T = null>(
	method: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE',
	path: string,
	body?: unknown
): Promise<Answer<T>> {
	let response: Response;
	try {
		response = await fetch(path, {
			method,
			...(body === undefined
				? {}
				: {
						headers: { 'content-type': 'application/json' },
						body: typeof body === 'string' ? body : JSON.stringify(body)
					})
		});
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
	const sentence = (data as { error?: { sentence?: string } } | null)?.error?.sentence;
	return {
		ok: false,
		status: response.status,
		sentence: sentence ?? 'The server could not do this. Nothing was changed.',
		data
	};
}
