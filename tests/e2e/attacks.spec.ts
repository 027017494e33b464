import { spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { Agent, createServer, request } from 'node:http';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import { loadDemo, root, startServer, type RunningServer } from '../../scripts/setup.mjs';
import { operations } from '../../src/lib/server/http/operations';
import { hardJob, hardZone } from '../support/hardZone';
import { rawStatus, signedIn, trySignIn, type Signed } from '../support/signedIn';
import { seenZone } from '../support/seenZone';

const PORT = 4785;
const PASSPHRASES = {
	FOND_QUARTER_PASSPHRASE: 'seven lamps on a quay',
	FOND_QUARTER_PASSPHRASE_INSTALLER: 'two spanners and a torch',
	FOND_QUARTER_PASSPHRASE_READER: 'only looking, thank you'
};
/** What only an installer may learn, wherever it turns up. */
const CODE = 'LC-4711-QX';

let data: string;
let server: RunningServer;
let site: string;
let zone: string;
const as: Record<'office' | 'installer' | 'reader', Signed> = {} as never;

const wait = (ms: number) => new Promise<null>((resolve) => setTimeout(() => resolve(null), ms));
const json = (body: unknown, method = 'POST'): RequestInit => ({
	method,
	headers: { 'content-type': 'application/json' },
	body: JSON.stringify(body)
});

test.beforeAll(async () => {
	data = mkdtempSync(path.join(tmpdir(), 'fond-quarter-attacks-'));
	const first = await startServer({ data, port: PORT, quiet: true });
	await loadDemo(first.url);
	const { jobs } = (await (await fetch(`${first.url}/api/v1/jobs`)).json()) as {
		jobs: { id: string; name: string }[];
	};
	site = jobs.find((job) => job.name.startsWith('Tallow'))!.id;
	const board = await (await fetch(`${first.url}/sites/${site}`)).text();
	zone = /\/zones\/([0-9a-f-]{36})\/week/.exec(board)![1]!;
	await first.stop();
	server = await startServer({ data, port: PORT, quiet: true, env: PASSPHRASES });
	as.office = await signedIn(server.url, PASSPHRASES.FOND_QUARTER_PASSPHRASE);
	as.installer = await signedIn(server.url, PASSPHRASES.FOND_QUARTER_PASSPHRASE_INSTALLER);
	as.reader = await signedIn(server.url, PASSPHRASES.FOND_QUARTER_PASSPHRASE_READER);
});
test.afterAll(async () => {
	await server.stop();
	rmSync(data, { recursive: true, force: true });
});

const METHODS = ['get', 'post', 'put', 'patch', 'delete'] as const;
const rank = { anyone: 0, reader: 1, installer: 2, office: 3 } as const;
/** The address of an operation, for a site that is not there, so that nothing happens where it is let in. */
const filled = (at: string) => at.replace('{on}', '2026-03-29').replace(/\{\w+\}/g, 'none');

/** The same address as somebody would write it who wants to be taken for asking something else. */
const disguises: readonly (readonly [string, (at: string) => string])[] = [
	['as it is', (at) => at],
	['encoded', (at) => at.replace(/[a-z](?=[^/]*$)/, (letter) => `%${letter.charCodeAt(0).toString(16)}`)],
	['encoded at its head', (at) => at.replace('/api', '/%61pi')],
	['doubled', (at) => at.replace('/api/', '/api//')],
	['trailing', (at) => `${at}/`],
	['upper case', (at) => at.toUpperCase()],
	['as data', (at) => `${at}/__data.json`]
];

test('every route, method, role and way of writing the address: whoever may not is refused, and whoever may is not', async () => {
	const paths = [...new Set(operations.map((op) => op.path))];
	let asked = 0;
	const wrong: string[] = [];
	for (const role of ['none', 'reader', 'installer', 'office'] as const)
		for (const at of paths)
			for (const method of METHODS) {
				const op = operations.find((one) => one.path === at && one.method === method);
				// nothing is left of a session, nor of the others' patience, after these two
				if (op && role === 'office' && ['signEverybodyOut', 'backup'].includes(op.id)) continue;
				const may = op !== undefined && (role === 'none' ? 0 : rank[role]) >= rank[op.role];
				await Promise.all(
					disguises.map(async ([name, disguise]) => {
						const address = disguise(filled(at));
						const init = method === 'get' ? {} : { method: method.toUpperCase() };
						const ask =
							role === 'none'
								? (to: string, how: RequestInit) => fetch(server.url + to, { redirect: 'manual', ...how })
								: as[role];
						const { status } = await ask(address, init);
						asked++;
						const refused = [...(role === 'none' ? [303] : []), 308, 401, 403, 404, 405].includes(status);
						const plain = name === 'as it is' || name.startsWith('encoded');
						const right = may
							? plain
								? status !== 401 && status !== 403 && status < 500
								: status < 500
							: plain
								? status === (role === 'none' ? 401 : op ? 403 : 405)
								: refused;
						if (!right) wrong.push(`${role} ${method} ${address} (${name}): ${status}`);
					})
				);
			}
	expect(wrong).toEqual([]);
	expect(asked).toBeGreaterThan(4000);
});

test('a reader learns no lock code: in no page, answer, paper or file', async () => {
	const edits = [
		{ key: 'lockCode', value: CODE },
		{ key: 'lockSet', value: true },
		{ key: 'lockCodeIsFactory', value: true },
		{
			key: 'overruled',
			value: [{ check: 'lock-code', reason: `They want to keep ${CODE}`, at: '2026-11-30T09:00:00.000Z' }]
		}
	];
	const noted = await as.installer(`/api/v1/jobs/${site}/zones/${zone}/on-site`, json({ edits }));
	expect(noted.status).toBe(200);
	const ended = await as.installer(
		`/api/v1/jobs/${site}/visits`,
		json({ who: 'R. Tilling', note: '', signedOff: false })
	);
	expect(ended.status).toBe(201);
	const link = (await (await as.installer(`/api/v1/jobs/${site}/links`, json({ days: 3 }))).json()) as {
		path: string;
	};

	const pages = readdirSync(path.join(root, 'src', 'routes'), { recursive: true, encoding: 'utf8' })
		.filter((file) => file.endsWith('+page.svelte') && !/^(sign-in|firm|c)\//.test(file))
		.map((file) =>
			`/${path.dirname(file)}`
				.replace(/^\/\.$/, '/')
				.replace('[siteId]', site)
				.replace('[zoneId]', zone)
				.replace('[controlId]', 'dial-stat')
				.replace('[on]', '2027-03-28')
		);
	const looks = operations
		.filter((op) => op.method === 'get')
		.map((op) => filled(op.path.replace('{siteId}', site).replace('{zoneId}', zone)));
	const addresses = [
		...pages,
		...pages.map((page) => `${page === '/' ? '' : page}/__data.json`),
		...looks,
		`/api/v1/search?q=${CODE}`,
		link.path,
		`${link.path}/__data.json`
	];
	expect(addresses.length).toBeGreaterThan(60);
	const holding: Record<string, string[]> = { reader: [], installer: [] };
	for (const role of ['reader', 'installer'] as const)
		for (const address of addresses) {
			const answer = await as[role](address);
			expect([200, 404], `${role} ${address}`).toContain(answer.status);
			const bytes = new Uint8Array(await answer.arrayBuffer());
			const text = answer.headers.get('content-type')?.includes('pdf')
				? await textOfPdf(bytes)
				: new TextDecoder().decode(bytes);
			if (text.includes(CODE) || text.includes('still the one it came with'))
				holding[role]!.push(address.replace(site, 'S').replace(zone, 'Z'));
		}
	expect(holding.reader).toEqual([]);
	// whoever needs it has it, or the test would pass by finding nothing
	expect(holding.installer).toContain('/api/v1/jobs/S');
	expect(holding.installer).toContain('/api/v1/jobs/S/record.pdf');
	expect(holding.installer).toContain('/sites/S/record/__data.json');
	expect(holding.installer).not.toContain(link.path);
});

async function textOfPdf(bytes: Uint8Array): Promise<string> {
	const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
	const doc = await getDocument({ data: bytes, useSystemFonts: false }).promise;
	let text = '';
	for (let n = 1; n <= doc.numPages; n++) {
		const { items } = await (await doc.getPage(n)).getTextContent();
		text += items.map((item) => ('str' in item ? item.str : '')).join('');
	}
	return text;
}

test('passphrases are not tried by the hundred, the others are answered meanwhile, and the office gets in after', async () => {
	const post = (...lines: string[]) =>
		rawStatus(PORT, [
			'POST /sign-in?/in HTTP/1.1',
			`host: 127.0.0.1:${PORT}`,
			`origin: ${server.url}`,
			'content-type: application/x-www-form-urlencoded',
			...lines
		]);
	expect(await post('content-length: 2700000')).toBe(413);
	expect(await post('transfer-encoding: chunked')).toBe(411);
	const long = await trySignIn(server.url, 'x'.repeat(401));
	expect(long.words).toContain('at most 400 letters');

	const before = Date.now();
	const tries = Promise.all(
		Array.from({ length: 200 }, (_, i) => trySignIn(server.url, `guess number ${i}, perhaps`))
	);
	const health = await fetch(`${server.url}/api/health`);
	expect(health.status).toBe(200);
	const answers = await tries;
	const tried = answers.filter((one) => one.words.includes('opens nothing'));
	expect(tried.length).toBeLessThanOrEqual(5);
	expect(Date.now() - before).toBeLessThan(30_000);
	// the device on which somebody has signed in before is counted by itself
	const known = await trySignIn(server.url, PASSPHRASES.FOND_QUARTER_PASSPHRASE);
	if (known.cookies === null) expect(known.words).toMatch(/wait|this very moment/);
	const home = await as.office('/sign-in?/in', {
		method: 'POST',
		headers: { origin: server.url, accept: 'application/json', 'x-sveltekit-action': 'true' },
		body: new URLSearchParams({ passphrase: PASSPHRASES.FOND_QUARTER_PASSPHRASE })
	});
	expect(home.headers.getSetCookie().some((one) => one.startsWith('fq-session='))).toBe(true);
});

test('a page that plays our server under another name reads nothing, one of this machine’s own names does all', async () => {
	const ask = (host: string, ...more: string[]) =>
		rawStatus(PORT, ['GET / HTTP/1.1', `host: ${host}`, ...more]);
	expect(await ask(`evil.example.com:${PORT}`)).toBe(421);
	expect(await ask(`127.0.0.1.evil.example.com:${PORT}`)).toBe(421);
	expect(await ask(`localhost:${PORT}`)).toBe(303);
	const post = (origin: string, host = `localhost:${PORT}`) =>
		rawStatus(PORT, ['POST /api/v1/fit HTTP/1.1', `host: ${host}`, `origin: ${origin}`, 'content-length: 0']);
	expect(await post('http://evil.example.com')).toBe(403);
	expect(await post(`http://localhost:${PORT + 1}`)).toBe(403);
	// not signed in, but heard
	expect(await post(`http://localhost:${PORT}`)).toBe(401);
	expect(await post(`http://127.0.0.1:${PORT}`, `127.0.0.1:${PORT}`)).toBe(401);
});

test('whatever goes wrong inside the API is said in its own shape', async () => {
	const wrong: [string, RequestInit, number][] = [
		['/api/v1/no-such-thing', {}, 404],
		['/api/v1/firm/more', {}, 404],
		['/api/v1/fit', {}, 405],
		['/api/v1/fit', { method: 'POST', body: new Uint8Array([123, 125]) }, 415],
		['/api/v1/fit', { method: 'POST', headers: { 'content-type': 'text/plain' }, body: '{}' }, 415],
		['/api/v1/fit', { ...json({}), body: '{"zone":' }, 400],
		['/api/v1/fit', json({}), 422],
		['/api/v1/jobs/none', {}, 404]
	];
	for (const [address, init, status] of wrong) {
		const answer = await as.office(address, init);
		expect(answer.status, address).toBe(status);
		expect(answer.headers.get('content-type'), address).toContain('application/json');
		const { error } = (await answer.json()) as { error: { sentence: string } };
		expect(error.sentence, address).toMatch(/^[A-Z].*\.$/s);
	}
});

test('more than can be computed is refused in words, and what nobody waits for is given up', async () => {
	const job = (await (await as.installer(`/api/v1/jobs/${site}`)).json()) as {
		controls: unknown[];
		zones: Record<string, unknown>[];
	};
	const easy = seenZone(job);
	const zone = hardZone(easy);
	const gone = new AbortController();
	const hard = Array.from({ length: 60 }, () =>
		as.reader('/api/v1/fit', { ...json({ zone }), signal: gone.signal }).then(
			async (answer) => ({
				status: answer.status,
				retry: answer.headers.get('retry-after'),
				said: await answer.text()
			}),
			() => null
		)
	);
	const refused = (await Promise.all(hard.map((one) => Promise.race([one, wait(4000)])))).filter(
		(one) => one?.status === 503
	);
	expect(refused.length).toBeGreaterThan(15);
	for (const one of refused) {
		expect(one!.retry).toBe('2');
		expect(one!.said).toContain('more to compute than it can just now');
	}
	expect((await fetch(`${server.url}/api/health`)).status).toBe(200);
	gone.abort();
	await Promise.all(hard);
	// thirty of them waited, each over a second: had they been kept, this would wait half a minute
	const began = Date.now();
	expect((await as.reader('/api/v1/fit', json({ zone: easy }))).status).toBe(200);
	expect(Date.now() - began).toBeLessThan(10_000);
});

test('pictures are what their bytes say, and nothing else reaches the decoder', async () => {
	const send = (body: string | Uint8Array<ArrayBuffer>) =>
		as.installer(`/api/v1/jobs/${site}/pictures?zone=Bindery`, {
			method: 'POST',
			headers: { 'content-type': 'image/png' },
			body
		});
	for (const body of [
		'<svg xmlns="http://www.w3.org/2000/svg"><text>hello</text></svg>',
		'%PDF-1.7',
		'GIF89a',
		new Uint8Array([0xff, 0xd8, 0xff, 0, 1, 2])
	]) {
		const answer = await send(body);
		expect(answer.status).toBe(422);
		expect(await answer.text()).toContain('no picture that can be read');
	}
});

test('the database, its copies and what stands beside it are their owner’s alone', async () => {
	const copy = await as.office('/api/v1/backup', { method: 'POST' });
	expect(copy.status).toBe(200);
	await copy.arrayBuffer();
	const all = readdirSync(data, { recursive: true, encoding: 'utf8' });
	expect(all).toContain('fond-quarter.sqlite');
	expect(all.filter((one) => one.startsWith('copying-'))).toEqual([]);
	for (const one of all) expect(statSync(path.join(data, one)).mode & 0o077, one).toBe(0);
	expect(readdirSync(tmpdir()).filter((one) => one.startsWith('fond-quarter-copy-'))).toEqual([]);
});

test('an installer who opens what is the office’s reads a page, and half a firm wipes nothing', async () => {
	const page = await as.installer('/firm', { headers: { accept: 'text/html' } });
	expect([page.status, page.headers.get('content-type')]).toEqual([403, 'text/html; charset=utf-8']);
	expect(await page.text()).toContain('<h1>');
	const before = await (await as.office('/api/v1/firm')).text();
	const half = await as.office('/api/v1/firm', json({}, 'PUT'));
	expect(half.status).toBe(422);
	expect(await (await as.office('/api/v1/firm')).text()).toBe(before);
});

test('an import of hard weeks, forty hard questions and a table of all weeks hold nobody’s saving up', async () => {
	const job = (await (await as.office(`/api/v1/jobs/${site}`)).json()) as {
		controls: unknown[];
		zones: Record<string, unknown>[];
	};
	const hard = hardZone(seenZone(job));
	const heavy = { ...hardJob(job, 12), visits: [], calls: [] };
	const gone = new AbortController();
	const imported = as.office('/api/v1/jobs', { ...json(heavy), signal: gone.signal }).then(
		({ status }) => status,
		() => 0
	);
	const questions = Array.from({ length: 40 }, () =>
		as.reader('/api/v1/fit', { ...json({ zone: hard }), signal: gone.signal }).catch(() => null)
	);
	const table = as.reader(`/api/v1/jobs/${site}/weeks`, { signal: gone.signal }).catch(() => null);
	await wait(1500);
	const saving: number[] = [];
	for (let turn = 0; turn < 5; turn++) {
		const began = performance.now();
		const edits = [{ key: 'roomC', value: 19 + turn / 10 }];
		const saved = await as.installer(`/api/v1/jobs/${site}/zones/${zone}/on-site`, json({ edits }));
		expect(saved.status).toBe(200);
		saving.push(performance.now() - began);
	}
	// what is small passes what is large: at most the one that is being computed is waited for
	expect(Math.max(...saving)).toBeLessThan(4000);
	gone.abort();
	await Promise.all([imported, ...questions, table]);
});

test('everybody is signed out at once; a changed passphrase ends what came in by the old one', async () => {
	const office = await signedIn(server.url, PASSPHRASES.FOND_QUARTER_PASSPHRASE);
	const reader = await signedIn(server.url, PASSPHRASES.FOND_QUARTER_PASSPHRASE_READER);
	await server.stop();
	server = await startServer({
		data,
		port: PORT,
		quiet: true,
		env: { ...PASSPHRASES, FOND_QUARTER_PASSPHRASE_READER: 'another to look with' }
	});
	expect((await office('/api/v1/jobs')).status).toBe(200);
	expect((await reader('/api/v1/jobs')).status).toBe(401);
	expect((await office('/api/v1/sessions', { method: 'DELETE' })).status).toBe(204);
	expect((await office('/api/v1/jobs')).status).toBe(401);
});

test('what a stranger sends holds nobody up, and what is refused leaves the connection good', async () => {
	const nested = `{"said":${'['.repeat(3_900_000)}${']'.repeat(3_900_000)}}`;
	let longest = 0;
	let over = false;
	const looks = (async () => {
		while (!over) {
			const began = performance.now();
			await fetch(`${server.url}/api/health`);
			longest = Math.max(longest, performance.now() - began);
		}
	})();
	const began = performance.now();
	const sent = await Promise.all(
		['x', 'a'.repeat(32), 'y'].map((token) =>
			fetch(`${server.url}/api/v1/reports/${token}`, {
				method: 'POST',
				headers: { 'content-type': 'application/json' },
				body: nested
			}).then(({ status }) => status)
		)
	);
	const tookMs = performance.now() - began;
	over = true;
	await looks;
	expect(sent).toEqual([404, 404, 404]);
	expect([tookMs < 5000, longest < 1500]).toEqual([true, true]);

	// one connection, as a browser keeps it: what was refused unread is not in the way of what comes next
	const agent = new Agent({ keepAlive: true, maxSockets: 1 });
	const ask = (method: string, at: string, bytes: number) =>
		new Promise<number>((resolve, reject) => {
			const asked = request(`${server.url}${at}`, { agent, method }, (answer) => {
				answer.resume();
				answer.once('end', () => resolve(answer.statusCode!));
			});
			asked.once('error', reject);
			asked.end(bytes > 0 ? Buffer.alloc(bytes) : undefined);
		});
	const first = performance.now();
	expect(await ask('POST', `/api/v1/jobs/${site}/pictures`, 400_000)).toBe(401);
	expect(await ask('GET', '/api/health', 0)).toBe(200);
	expect(performance.now() - first).toBeLessThan(5000);
	agent.destroy();
});

test('a stop answers or refuses what is under way, and stores nothing that it refused', async () => {
	const folder = mkdtempSync(path.join(tmpdir(), 'fond-quarter-stop-'));
	let own = await startServer({ data: folder, port: PORT + 1, quiet: true });
	const going = Array.from({ length: 120 }, (_, i) => `Site ${i}`).map(async (name) => {
		const answer = await fetch(`${own.url}/api/v1/jobs`, json({ name, place: '' })).catch(() => null);
		return { name, status: answer?.status ?? 0 };
	});
	await Promise.race(going);
	await own.stop();
	const heard = await Promise.all(going);
	own = await startServer({ data: folder, port: PORT + 1, quiet: true });
	const { jobs } = (await (await fetch(`${own.url}/api/v1/jobs`)).json()) as { jobs: { name: string }[] };
	await own.stop();
	const stored = new Set(jobs.map((job) => job.name));
	for (const { name, status } of heard) {
		if (status === 201) expect(stored.has(name), name).toBe(true);
		if (status >= 400) expect(stored.has(name), name).toBe(false);
	}
	expect(heard.filter((one) => one.status === 201).length).toBeGreaterThan(0);
	rmSync(folder, { recursive: true, force: true });
});

test('it does not take another’s server for its own, nor start for others without their address, nor write invented sites among real ones', async () => {
	const other = createServer((_, answer) => answer.end('{"ok":true}'));
	await new Promise<void>((resolve) => other.listen(PORT + 2, '127.0.0.1', resolve));
	const folder = mkdtempSync(path.join(tmpdir(), 'fond-quarter-taken-'));
	await expect(startServer({ data: folder, port: PORT + 2, quiet: true })).rejects.toThrow(
		/Port 4787 on 127\.0\.0\.1 is taken by another program/
	);
	await new Promise((resolve) => other.close(resolve));
	const start = (env: NodeJS.ProcessEnv, ...args: string[]) =>
		spawnSync(process.execPath, args, { env: { ...process.env, ...env }, encoding: 'utf8', timeout: 30_000 });
	const open = start(
		{ ...PASSPHRASES, HOST: '0.0.0.0', PORT: '4788', FOND_QUARTER_DATA: folder },
		path.join(root, 'build', 'index.js')
	);
	expect([open.status, open.stderr]).toEqual([1, expect.stringContaining('set ORIGIN to the address')]);
	writeFileSync(path.join(folder, 'fond-quarter.sqlite'), '');
	const demo = start({ FOND_QUARTER_DEMO_DATA: folder }, path.join(root, 'scripts', 'demo.mjs'));
	expect([demo.status, demo.stderr]).toEqual([1, expect.stringContaining('holds something that is no demo')]);
	rmSync(folder, { recursive: true, force: true });
});
