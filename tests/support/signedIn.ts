import { createConnection } from 'node:net';

/** Somebody who asks a server as a browser that was signed in does. */
export interface Signed {
	(path: string, init?: RequestInit): Promise<Response>;
}

/** Tries a passphrase; the cookies of whoever came in, or the answer's words. */
export async function trySignIn(
	url: string,
	passphrase: string,
	headers: Record<string, string> = {}
): Promise<{ readonly cookies: string | null; readonly words: string }> {
	const answer = await fetch(`${url}/sign-in?/in`, {
		method: 'POST',
		headers: { origin: url, accept: 'application/json', 'x-sveltekit-action': 'true', ...headers },
		body: new URLSearchParams({ passphrase })
	});
	const cookies = answer.headers.getSetCookie().map((one) => one.split(';')[0]!);
	const words = await answer.text();
	return { cookies: cookies.some((one) => one.startsWith('fq-session=')) ? cookies.join('; ') : null, words };
}

/** Signs in and returns how to ask from then on. */
export async function signedIn(url: string, passphrase: string): Promise<Signed> {
	const { cookies, words } = await trySignIn(url, passphrase);
	if (!cookies) throw new Error(`not signed in: ${words}`);
	return (path, init = {}) =>
		fetch(url + path, {
			redirect: 'manual',
			...init,
			headers: { ...(init.headers as Record<string, string>), cookie: cookies }
		});
}

/** The status of an answer to a request written line by line, for what no library would send. */
export function rawStatus(port: number, lines: readonly string[]): Promise<number> {
	return new Promise((resolve, reject) => {
		const socket = createConnection(port, '127.0.0.1', () => socket.write(`${lines.join('\r\n')}\r\n\r\n`));
		let text = '';
		socket.setTimeout(10_000, () => socket.destroy(new Error('no answer')));
		socket.on('data', (part) => {
			text += part.toString();
			const status = /^HTTP\/1\.1 (\d{3})/.exec(text);
			if (status) {
				socket.destroy();
				resolve(Number(status[1]));
			}
		});
		socket.on('error', reject);
	});
}
