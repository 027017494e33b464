/**
 * What the others wait while everything hostile that is allowed goes on at once, for SECONDS (30; 300 are asked for): a stranger with megabytes of
 * nested text, twenty passphrases every second, a reader with the table of a hard job and forty hard questions, a customer's link to it, an
 * importer of it, uploads that are refused, papers. `/api/health` every 50 ms (p99 of 60 ms asked for, longest 250), ordinary views one after
 * the other (p99 of 400 ms), memory that stays. Ratios to the same server with nothing else to do stand beside.
 */
import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ensureBuild, loadDemo, startServer } from '../scripts/setup.mjs';
import { signedIn } from '../tests/support/signedIn';

const SECONDS = Number(process.env.SECONDS ?? 30);
const passphrases = {
	FOND_QUARTER_PASSPHRASE: 'seven lamps on a quay',
	FOND_QUARTER_PASSPHRASE_INSTALLER: 'two spanners and a torch',
	FOND_QUARTER_PASSPHRASE_READER: 'only looking, thank you'
};
ensureBuild();
const data = mkdtempSync(path.join(tmpdir(), 'fond-quarter-hostile-'));
const first = await startServer({ data, port: 4795, quiet: true });
await loadDemo(first.url);
await first.stop();
const server = await startServer({ data, port: 4795, quiet: true, env: passphrases });
const ask = await signedIn(server.url, passphrases.FOND_QUARTER_PASSPHRASE_INSTALLER);
const { jobs } = (await (await ask('/api/v1/jobs')).json()) as { jobs: { id: string; name: string }[] };
const site = jobs.find((job) => job.name.startsWith('Kelter'))!.id;
const board = await (await ask(`/sites/${site}`)).text();
const zone = /\/zones\/([0-9a-f-]{36})\/week/.exec(board)![1]!;
const views = [
	'/',
	`/sites/${site}`,
	`/sites/${site}/checks`,
	'/due',
	'/api/v1/search?q=hall',
	`/sites/${site}/clocks`,
	`/sites/${site}/zones/${zone}/week`
];

const quantile = (times: number[], q: number) =>
	[...times].sort((a, b) => a - b)[Math.min(times.length - 1, Math.floor(q * times.length))]!;
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

async function watched(seconds: number): Promise<{ health: number[]; seen: number[] }> {
	const until = performance.now() + seconds * 1000;
	const health: number[] = [];
	const seen: number[] = [];
	const timed = async (into: number[], asking: () => Promise<Response>) => {
		const at = performance.now();
		const answer = await asking();
		await answer.arrayBuffer();
		into.push(performance.now() - at);
		if (!answer.ok) throw new Error(`${answer.status} ${answer.url}`);
	};
	await Promise.all([
		(async () => {
			while (performance.now() < until) {
				await timed(health, () => fetch(`${server.url}/api/health`));
				await pause(50);
			}
		})(),
		(async () => {
			for (let i = 0; performance.now() < until; i++) {
				await timed(seen, () => ask(views[i % views.length]!));
				await pause(30);
			}
		})()
	]);
	return { health, seen };
}

await watched(5);
const quiet = await watched(Math.min(10, SECONDS));
// who attacks sits at other machines: what it costs them is to take least from what is measured
const attackers = spawn(
	'nice',
	[
		'-n',
		'15',
		process.execPath,
		'--import',
		'tsx',
		'bench/attackers.ts',
		server.url,
		passphrases.FOND_QUARTER_PASSPHRASE_INSTALLER,
		passphrases.FOND_QUARTER_PASSPHRASE_READER,
		site
	],
	{ stdio: ['ignore', 'pipe', 'inherit'] }
);
let answers = '';
await new Promise<void>((resolve) =>
	attackers.stdout.on('data', (said: Buffer) => {
		answers = said.toString().trim();
		resolve();
	})
);
const memory: number[] = [];
const watch = setInterval(
	() => {
		const file = `/proc/${server.process.pid}/status`;
		if (existsSync(file))
			memory.push(Math.round(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(file, 'utf8'))?.[1]) / 1024));
	},
	(SECONDS * 1000) / 10
);
const busy = await watched(SECONDS);
clearInterval(watch);
attackers.kill();
await new Promise((resolve) => attackers.once('close', resolve));
const line = (name: string, now: number[], then: number[], most: number) =>
	console.log(
		`${name}: p50 ${quantile(now, 0.5).toFixed(1)} ms, p99 ${quantile(now, 0.99).toFixed(1)} ms (${most} asked for), longest ${Math.max(...now).toFixed(0)} ms; with nothing else ${quantile(then, 0.5).toFixed(1)} and ${quantile(then, 0.99).toFixed(1)} ms, ${now.length} answers`
	);
line('health', busy.health, quiet.health, 60);
line('views', busy.seen, quiet.seen, 400);
console.log(`memory of the server over the time, MB: ${memory.join(', ')}`);
console.log(`meanwhile: ${answers}`);
await server.stop();
rmSync(data, { recursive: true, force: true });
