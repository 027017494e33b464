/** Set-up shared by the scripts: plain Node, no dependencies, each step says what it waits for. */
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
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
		run('npm', ['ci', '--no-audit', '--no-fund'], {
			env: { ...process.env, IBM_TELEMETRY_DISABLED: 'true' }
		});
	});
}

/** Builds the program when its sources have changed. */
export function ensureBuild() {
	once(
		'build/.built-from',
		['src', 'static', 'package-lock.json', 'svelte.config.js', 'vite.config.ts'],
		() => {
			say('building the program, under a minute …');
			run('npx', ['vite', 'build', '--logLevel', 'warn']);
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

/**
 * Starts the built server and resolves when it answers.
 * @param {{ data: string, port?: number, quiet?: boolean }} options
 * @returns {Promise<{ url: string, stop: () => Promise<void>, process: import('node:child_process').ChildProcess }>}
 */
export async function startServer({ data, port = Number(process.env.PORT ?? 4610), quiet = false }) {
	const host = process.env.HOST ?? '127.0.0.1';
	const url = `http://${host}:${port}`;
	// room for what one answer needs, so that it is not collected in the middle of it
	const child = spawn(process.execPath, ['--max-semi-space-size=32', path.join(root, 'build', 'index.js')], {
		cwd: root,
		stdio: quiet ? ['ignore', 'ignore', 'inherit'] : ['ignore', 'inherit', 'inherit'],
		env: {
			...process.env,
			NODE_ENV: 'production',
			HOST: host,
			PORT: String(port),
			ORIGIN: process.env.ORIGIN ?? url,
			BODY_SIZE_LIMIT: '9M',
			SHUTDOWN_TIMEOUT: '5',
			FOND_QUARTER_DATA: data
		}
	});
	let ended = false;
	child.once('exit', () => (ended = true));
	for (let waited = 0; ; waited += 100) {
		if (ended) throw new Error(`The server did not start on ${url}; is the port taken?`);
		try {
			if ((await fetch(`${url}/api/health`)).ok) break;
		} catch {
			// not yet listening
		}
		if (waited > 30_000) throw new Error(`The server did not answer on ${url} within 30 s.`);
		await new Promise((resolve) => setTimeout(resolve, 100));
	}
	return {
		url,
		process: child,
		stop: () =>
			new Promise((resolve) => {
				if (ended) return resolve();
				child.once('exit', () => resolve());
				child.kill('SIGTERM');
			})
	};
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
