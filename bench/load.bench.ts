/**
 * 500 sites with 12 zones each in one database: median answers of Jobs, Board, House, Due and search on the server (50 ms asked
 * for), 50 clients for 60 s on loopback, one request in ten an edit (no error, p99 under 300 ms asked for), start to first answer with that database
 * (1.5 s asked for), the first lists a second after it. SECONDS=600 shows whether its memory stays.
 */
import { randomUUID } from 'node:crypto';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ensureBuild, startServer } from '../scripts/setup.mjs';
import { someZones } from '../tests/support/seenZone';
import { noteOf } from './notedValues';

const sqlite3 = createRequire(import.meta.url)('sqlite3') as {
	Database: new (file: string) => {
		serialize(work: () => void): void;
		run(sql: string, values?: unknown[] | ((error: Error | null) => void)): void;
		close(done: () => void): void;
	};
};
const SITES = Number(process.env.SITES ?? 500);
const SECONDS = Number(process.env.SECONDS ?? 60);
/** How long each client looks at an answer before it asks again, on average. */
const THINK_MS = Number(process.env.THINK_MS ?? 1000);
ensureBuild();
const folder = mkdtempSync(path.join(tmpdir(), 'fond-quarter-load-'));
let server = await startServer({ data: folder, port: 4791, quiet: true });
const job = JSON.parse(readFileSync(new URL('../demo/kelter-court.job.json', import.meta.url), 'utf8')) as {
	site: { name: string; place: string };
	controls: unknown[];
	zones: { name: string }[];
};
console.log(`· writing ${SITES} sites of 12 zones …`);
const made = (await (
	await fetch(`${server.url}/api/v1/jobs`, {
		method: 'POST',
		headers: { 'content-type': 'application/json' },
		body: JSON.stringify({ ...someZones(job, 0, 12), visits: [] })
	})
).json()) as { id: string };
await server.stop();
const ids: string[] = [made.id];
await new Promise<void>((resolve, reject) => {
	const db = new sqlite3.Database(path.join(folder, 'fond-quarter.sqlite'));
	db.serialize(() => {
		db.run('BEGIN');
		for (let i = 1; i < SITES; i++) {
			const id = randomUUID();
			ids.push(id);
			db.run(
				`INSERT INTO sites (id, document, profiles, revision, createdAt, updatedAt)
				SELECT ?, json_set(document, '$.name', ?), profiles, 1, createdAt, updatedAt FROM sites WHERE id = ?`,
				[id, `Site ${i} of the ${['quay', 'moor', 'lane', 'weir'][i % 4]!}`, made.id]
			);
			// controls of their own for each site: their ids begin as the first site's do
			const copy = `substr(id, 1, 27) || printf('%09d', ${i})`;
			db.run(
				`INSERT INTO boxes (id, siteId, document, notes, onSite, createdAt)
				SELECT ${copy}, ?, document, notes, onSite, createdAt FROM boxes WHERE siteId = ?`,
				[id, made.id]
			);
			db.run(
				`INSERT INTO zones (id, siteId, boxId, position, document, onSite, summary, revision, createdAt, updatedAt)
				SELECT lower(hex(randomblob(18))), ?, ${copy.replace('id,', 'boxId,')}, position, document, onSite, summary, 1, createdAt, updatedAt FROM zones WHERE siteId = ?`,
				[id, made.id]
			);
		}
		db.run('COMMIT', (error: Error | null) => (error ? reject(error) : db.close(() => resolve())));
	});
});
const began = performance.now();
server = await startServer({ data: folder, port: 4791, quiet: true });
console.log(`start to first answer: ${(performance.now() - began).toFixed(0)} ms (1500 asked for)`);

// after its start the server makes the lists of all sites ready by itself
await fetch(`${server.url}/api/v1/due`).then((answer) => answer.arrayBuffer());
console.log(`lists of all sites ready: ${(performance.now() - began).toFixed(0)} ms after the start`);

function quantile(times: number[], q: number): number {
	return [...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(q * times.length))]!;
}
const views: Record<string, () => string> = {
	'Jobs, API': () => '/api/v1/jobs',
	'Jobs, page': () => '/',
	'Board, page': () => `/sites/${ids[Math.floor(Math.random() * ids.length)]}`,
	'House, page': () => `/sites/${ids[Math.floor(Math.random() * ids.length)]}/house`,
	'Due, API': () => '/api/v1/due',
	'Due, page': () => '/due',
	search: () => `/api/v1/search?q=${encodeURIComponent('weir 7')}`
};
for (const [name, address] of Object.entries(views)) {
	const times: number[] = [];
	for (let i = 0; i < 15; i++) {
		const at = performance.now();
		const answer = await fetch(server.url + address());
		await answer.arrayBuffer();
		times.push(performance.now() - at);
		if (!answer.ok) throw new Error(`${name}: ${answer.status}`);
	}
	console.log(
		`${name}: first ${times[0]!.toFixed(0)} ms, median ${quantile(times.slice(1), 0.5).toFixed(0)} ms (50 asked for)`
	);
}

/** What the server holds in memory, in MB; null where the system does not tell. */
function memoryMB(): number | null {
	const file = `/proc/${server.process.pid}/status`;
	if (!existsSync(file)) return null;
	return Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(file, 'utf8'))?.[1] ?? 0) / 1024);
}
const memory: (number | null)[] = [];
const board = await (await fetch(`${server.url}/sites/${ids[0]!}`)).text();
const zone = /\/zones\/([0-9a-f-]{36})\/week/.exec(board)![1]!;
const times: number[] = [];
const byKind: Record<string, number[]> = {};
let errors = 0;
const until = performance.now() + SECONDS * 1000;
const watch = setInterval(() => memory.push(memoryMB()), (SECONDS * 1000) / 8);
await Promise.all(
	Array.from({ length: 50 }, async (_, client) => {
		const site = ids[(client * 7) % ids.length]!;
		// they do not all come in the same instant
		await new Promise((resolve) => setTimeout(resolve, Math.random() * THINK_MS));
		for (let turn = client; performance.now() < until; turn++) {
			// what people do: look at lists, at a site's pages, search, take a file, note a value
			const [kind, address, body] = (
				[
					['jobs', '/__data.json'],
					['board', `/sites/${site}/__data.json`],
					['board', `/sites/${site}`],
					['file', `/api/v1/jobs/${site}`],
					['search', '/api/v1/search?q=moor'],
					['board', `/sites/${site}/__data.json`],
					['due', '/due/__data.json'],
					['board', `/sites/${site}`],
					['checks', `/sites/${site}/checks/__data.json`],
					[
						'edit',
						`/api/v1/jobs/${ids[0]!}/zones/${zone}/notes`,
						{ notes: [noteOf(`client ${client}`, turn)] }
					]
				] as [string, string, unknown?][]
			)[turn % 10]!;
			const at = performance.now();
			const answer = await fetch(
				server.url + address,
				body === undefined
					? {}
					: {
							method: 'POST',
							headers: { 'content-type': 'application/json' },
							body: JSON.stringify(body)
						}
			).catch(() => null);
			if (!answer?.ok) errors++;
			else await answer.arrayBuffer();
			times.push(performance.now() - at);
			(byKind[kind] ??= []).push(performance.now() - at);
			// a person looks for a while before the next
			await new Promise((resolve) => setTimeout(resolve, THINK_MS * (0.5 + Math.random())));
		}
	})
);
clearInterval(watch);
console.log(`memory of the server over the time, MB: ${memory.join(', ')}`);
for (const [kind, of] of Object.entries(byKind))
	console.log(
		`  ${kind}: ${of.length}, p50 ${quantile(of, 0.5).toFixed(0)} ms, p99 ${quantile(of, 0.99).toFixed(0)} ms`
	);
console.log(
	`50 clients for ${SECONDS} s, ${THINK_MS} ms between their requests: ${times.length} answers, ${errors} errors (0 asked for), p50 ${quantile(times, 0.5).toFixed(0)} ms, p99 ${quantile(times, 0.99).toFixed(0)} ms (300 asked for)`
);
await server.stop();
rmSync(folder, { recursive: true, force: true });
