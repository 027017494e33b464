import http from 'node:http';
import type { AddressInfo, Socket } from 'node:net';

/** How a network treats one request: drops it, never answers it, or answers it late and slowly. */
export interface Treatment {
	readonly drop?: boolean;
	readonly hang?: boolean;
	readonly delayMs?: number;
	/** Cuts the connection after the server has done what was asked, before it says so. */
	readonly loseAnswer?: boolean;
}

/** A network between a browser and the server that can be as bad as a test wants. */
export interface BadNetwork {
	readonly url: string;
	/** Decides on each request; called with its method, path and whether the program itself asks. */
	treat: (method: string, path: string) => Treatment;
	/** Bytes a second from the server, over all connections together; infinite at first. */
	bytesPerSecond: number;
	/** What was asked, in order. */
	readonly asked: { readonly method: string; readonly path: string; readonly atMs: number }[];
	close(): Promise<void>;
}

/** Puts a network before a server: `target` is the server's address. */
export async function badNetwork(target: string): Promise<BadNetwork> {
	const { hostname, port } = new URL(target);
	const sockets = new Set<Socket>();
	/** When the line is free again. */
	let freeAt = 0;
	const made: BadNetwork = {
		url: '',
		treat: () => ({}),
		bytesPerSecond: Infinity,
		asked: [],
		close: () =>
			new Promise((resolve) => {
				server.close(() => resolve());
				for (const socket of sockets) socket.destroy();
			})
	};
	/** Waits until so many bytes have come over the line. */
	const carry = async (bytes: number) => {
		if (made.bytesPerSecond === Infinity) return;
		const begin = Math.max(Date.now(), freeAt);
		freeAt = begin + (bytes * 1000) / made.bytesPerSecond;
		await new Promise((resolve) => setTimeout(resolve, freeAt - Date.now()));
	};
	const server = http.createServer((request, response) => {
		const { method = 'GET', url: path = '/' } = request;
		made.asked.push({ method, path, atMs: Date.now() });
		const { drop, hang, delayMs = 0, loseAnswer } = made.treat(method, path);
		if (drop) return void request.socket.destroy();
		if (hang) return;
		const parts: Buffer[] = [];
		request.on('data', (part: Buffer) => parts.push(part));
		request.on('end', () =>
			setTimeout(() => {
				const onward = http.request({ hostname, port, method, path, headers: request.headers }, (answer) => {
					if (loseAnswer) return void request.socket.destroy();
					response.writeHead(answer.statusCode ?? 502, answer.headers);
					void (async () => {
						for await (const part of answer) {
							const bytes = part as Buffer;
							for (let at = 0; at < bytes.length; at += 4096) {
								const piece = bytes.subarray(at, at + 4096);
								await carry(piece.length);
								response.write(piece);
							}
						}
						response.end();
					})().catch(() => request.socket.destroy());
				});
				onward.on('error', () => request.socket.destroy());
				onward.end(Buffer.concat(parts));
			}, delayMs)
		);
	});
	server.on('connection', (socket) => {
		sockets.add(socket);
		socket.on('close', () => sockets.delete(socket));
	});
	await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
	return Object.assign(made, { url: `http://127.0.0.1:${(server.address() as AddressInfo).port}` });
}
