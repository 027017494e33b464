/** Set-up shared by the scripts: plain Node, no dependencies, each step says what it waits for. */
import { spawn, spawnSync } from 'node:child_process';
import { createHash, randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { get } from 'node:http';
import { createServer } from 'node:net';
import path from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '..');

/** @param {string} words */
export function say(words) {
	console.log(`· ${words}`);
}

/**
 * Runs a command to its end; leaves with its exit code when it fails.
 * @param {string} command
 * @param {string[]} args
 * @param {{ env?: NodeJS.ProcessEnv }} [options]
 */
export function run(command, args, options = {}) {
	const done = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: options.env ?? process.env });
	if (done.status !== 0) {
		console.error(`· ${command} ${args.join(' ')} failed.`);
		process.exit(done.status ?? 1);
	}
}

/**
 * Runs commands two at a time, each one's output shown when it ends, and ends the program when one has failed.
 * @param {string[][]} commands
 */
export async function sideBySide(commands) {
	const waiting = [...commands];
	let failed = false;
	const worker = async () => {
		for (let next = waiting.shift(); next; next = waiting.shift()) {
			const [command, ...args] = next;
			const code = await new Promise((resolve) => {
				const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
				let output = '';
				for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => (output += part));
				child.on('error', (error) => resolve(String(error)));
				child.on('close', (status) => {
					process.stdout.write(output);
					resolve(status);
				});
			});
			if (code === 0) continue;
			console.error(`· ${next.join(' ')} failed.`);
			failed = true;
		}
	};
	await Promise.all([worker(), worker()]);
	if (failed) process.exit(1);
}

/**
 * Runs a command whose output is for nobody as long as it succeeds; all of it is shown when it fails.
 * @param {string} command
 * @param {string[]} args
 * @param {{ env?: NodeJS.ProcessEnv }} [options]
 */
function runQuietly(command, args, options = {}) {
	const done = spawnSync(command, args, {
		cwd: root,
		stdio: ['ignore', 'pipe', 'pipe'],
		encoding: 'utf8',
		maxBuffer: 64e6,
		env: options.env ?? process.env
	});
	if (done.status === 0) return;
	console.error(done.stdout + done.stderr);
	console.error(`· ${command} ${args.join(' ')} failed.`);
	process.exit(done.status ?? 1);
}

/**
 * A fingerprint of files and folders by content.
 * @param {string[]} places
 */
function fingerprint(places) {
	const hash = createHash('sha256');
	/** @param {string} place */
	const add = (place) => {
		if (!existsSync(place)) return;
		if (statSync(place).isDirectory()) {
			for (const name of readdirSync(place).sort()) add(path.join(place, name));
		} else hash.update(path.relative(root, place)).update(readFileSync(place));
	};
	for (const place of places) add(path.join(root, place));
	return hash.digest('hex');
}

/**
 * Does the work unless its mark says it was done for the same inputs.
 * @param {string} mark
 * @param {string[]} inputs
 * @param {() => void} work
 */
function once(mark, inputs, work) {
	const file = path.join(root, mark);
	const print = fingerprint(inputs);
	if (existsSync(file) && readFileSync(file, 'utf8') === print) return;
	work();
	mkdirSync(path.dirname(file), { recursive: true });
	writeFileSync(file, print);
}

/** Installs the packages when they are missing or the lock file has changed. */
export function ensurePackages() {
	once('node_modules/.installed-for', ['package-lock.json'], () => {
		say('installing packages; the database driver is compiled, which takes two to four minutes …');
		runQuietly('npm', ['ci', '--no-audit', '--no-fund'], {
			env: { ...process.env, IBM_TELEMETRY_DISABLED: 'true' }
		});
	});
}

/** Builds the program when its sources have changed. */
export function ensureBuild() {
	once(
		'build/.built-from',
		['src', 'static', 'package-lock.json', 'svelte.config.js', 'vite.config.ts', 'vite.compute.config.ts'],
		() => {
			say('building the program, one to two minutes …');
			runQuietly('npx', ['vite', 'build']);
			runQuietly('npx', ['vite', 'build', '--config', 'vite.compute.config.ts']);
		}
	);
}

/** The path of Chromium, installed from Debian's packages when it is missing. */
export function ensureChromium() {
	const known = [process.env.CHROMIUM, '/usr/bin/chromium', '/usr/bin/chromium-browser'];
	const found = () => known.find((place) => place && existsSync(place));
	if (!found()) {
		say('installing Chromium for the browser tests, a minute or two …');
		const admin = process.getuid?.() === 0 ? [] : ['sudo'];
		const [first, ...rest] = [...admin, 'apt-get'];
		run(first, [...rest, 'update', '-qq']);
		run(first, [...rest, 'install', '-y', '-qq', 'chromium']);
	}
	const place = found();
	if (!place) {
		console.error('· Chromium is missing: install it and name it in the environment variable CHROMIUM.');
		process.exit(1);
	}
	return place;
}

/** A loopback name or address: nobody else can reach the program there. @param {string} host */
const isLoopback = (host) => /^(localhost|127(\.\d{1,3}){3}|::1)$/.test(host);

/**
 * Whether something listens on a port already.
 * @param {string} host
 * @param {number} port
 * @returns {Promise<boolean>}
 */
function isTaken(host, port) {
	return new Promise((resolve) => {
		const trial = createServer();
		trial.once('error', () => resolve(true));
		trial.listen(port, host, () => trial.close(() => resolve(false)));
	});
}

/**
 * A port of this machine that nobody uses now.
 * @returns {Promise<number>}
 */
export function freePort() {
	return new Promise((resolve, reject) => {
		const trial = createServer();
		trial.once('error', reject);
		trial.listen(0, '127.0.0.1', () => {
			const address = trial.address();
			trial.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
		});
	});
}

/**
 * By what mark the server that answers on a port was started; null where none answers well.
 * @param {string} host
 * @param {number} port
 * @returns {Promise<string | null>}
 */
function markOf(host, port) {
	return new Promise((resolve) => {
		const asked = { host, port, path: '/api/health', headers: { host: 'localhost' }, timeout: 5000 };
		const request = get(asked, (answer) => {
			answer.resume();
			resolve(answer.statusCode === 200 ? String(answer.headers['x-started-as']) : null);
		});
		request.once('timeout', () => request.destroy());
		request.once('error', () => resolve(null));
	});
}

/** What keeps the server from starting, for a person to read. */
export class NotStarted extends Error {}

/**
 * Starts the built server and resolves when it answers: that very process, no other that listens there.
 * @param {{ data: string, port?: number, quiet?: boolean, env?: NodeJS.ProcessEnv }} options
 * @returns {Promise<{ url: string, stop: () => Promise<void>, process: import('node:child_process').ChildProcess }>}
 */
export async function startServer({
	data,
	port = Number(process.env.PORT ?? 4610),
	quiet = false,
	env = {}
}) {
	/** @type {NodeJS.ProcessEnv} */
	const given = Object.fromEntries(
		Object.entries({ ...process.env, ...env }).filter(([, value]) => value !== undefined)
	);
	const host = given.HOST ?? '127.0.0.1';
	const url = `http://${host.includes(':') ? `[${host}]` : host}:${port}`;
	if (await isTaken(host, port))
		throw new NotStarted(
			`Port ${port} on ${host} is taken by another program. Stop that, or choose another port: PORT=${port + 1}.`
		);
	const mark = randomUUID();
	// room for what one answer needs, so that it is not collected in the middle of it; threads for the database's and others' waiting
	const child = spawn(process.execPath, ['--max-semi-space-size=32', path.join(root, 'build', 'index.js')], {
		cwd: root,
		stdio: quiet ? ['ignore', 'ignore', 'inherit'] : ['ignore', 'inherit', 'inherit'],
		env: {
			...given,
			NODE_ENV: 'production',
			HOST: host,
			PORT: String(port),
			// only on this machine is the address known; for others whoever starts the program says it
			...(given.ORIGIN === undefined && isLoopback(host) ? { ORIGIN: url } : {}),
			BODY_SIZE_LIMIT: '9M',
			SHUTDOWN_TIMEOUT: '5',
			// a browser or a script that was busy for some seconds still finds its connection open
			KEEP_ALIVE_TIMEOUT: given.KEEP_ALIVE_TIMEOUT ?? '30',
			UV_THREADPOOL_SIZE: given.UV_THREADPOOL_SIZE ?? '16',
			FOND_QUARTER_DATA: data,
			FOND_QUARTER_STARTED_AS: mark
		}
	});
	let ended = false;
	child.once('exit', () => (ended = true));
	for (let waited = 0; ; waited += 50) {
		// what was wrong the server itself has said
		if (ended) throw new NotStarted('');
		if ((await markOf(host, port)) === mark) break;
		if (waited > 60_000) {
			child.kill('SIGKILL');
			throw new NotStarted(`The server did not answer on ${url} within a minute.`);
		}
		await new Promise((resolve) => setTimeout(resolve, 50));
	}
	return {
		// an address of all of them is asked for here by this machine's own
		url: isLoopback(host) ? url : `http://127.0.0.1:${port}`,
		process: child,
		stop: () =>
			new Promise((resolve) => {
				if (ended) return resolve();
				child.once('exit', () => resolve());
				child.kill('SIGTERM');
			})
	};
}

/**
 * Starts the server for a person: leaves with a sentence where it cannot.
 * @param {Parameters<typeof startServer>[0]} options
 */
export async function startOrLeave(options) {
	try {
		return await startServer(options);
	} catch (error) {
		if (!(error instanceof NotStarted)) throw error;
		if (error.message) console.error(`· Not started. ${error.message}`);
		process.exit(1);
	}
}

/** The day on which the invented sites' dates were written. */
const DEMO_DAY = Date.UTC(2026, 10, 24);

/**
 * A demo file with all its dates moved by whole weeks, so that what lies ahead in it still does.
 * @param {string} text
 */
export function demoOfToday(text) {
	const weeks = Math.floor((Date.now() - DEMO_DAY) / 604_800_000);
	return text.replace(/20\d\d-\d\d-\d\d/g, (date) =>
		new Date(Date.parse(date) + weeks * 604_800_000).toISOString().slice(0, 10)
	);
}

/**
 * Imports the invented sites into a running server, the way a person imports a job file.
 * @param {string} url
 */
export async function loadDemo(url) {
	const folder = path.join(root, 'demo');
	const files = readdirSync(folder)
		.filter((name) => name.endsWith('.job.json'))
		.sort()
		.reverse();
	for (const name of files) {
		const answer = await fetch(`${url}/api/v1/jobs`, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: demoOfToday(readFileSync(path.join(folder, name), 'utf8'))
		});
		if (!answer.ok) throw new Error(`demo/${name} was refused: ${await answer.text()}`);
	}
	return files.length;
}
