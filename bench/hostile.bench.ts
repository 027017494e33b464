/**
 * What the others wait while eight of the heaviest allowed requests run all the time and two hundred passphrases are tried at once, again every ten
 * seconds, for SECONDS (30): `/api/health` every 50 ms (p99 of 20 ms asked for), ordinary views one after the other (300 ms). Ratios to the same server
 * with nothing else to do stand beside.
 */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ensureBuild, loadDemo, startServer } from '../scripts/setup.mjs';
import { hardZone } from '../tests/support/hardZone';
import { signedIn, trySignIn } from '../tests/support/signedIn';
import { seenZone } from '../tests/support/seenZone';

const SECONDS = Number(process.env.SECONDS ?? 30);
const passphrases = {
	FOND_QUARTER_PASSPHRASE: 'seven lamps on a quay',
	FOND_QUARTER_PASSPHRASE_INSTALLER: 'two spanners and a torch'
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
const job = JSON.parse(readFileSync('demo/kelter-court.job.json', 'utf8')) as {
	controls: unknown[];
	zones: Record<string, unknown>[];
};
const heated = seenZone(
	job,
	job.zones.findIndex((zone) => zone.room)
);

const hardest = { zone: hardZone(seenZone(job)) };
const post = (body: unknown): RequestInit => ({
	method: 'POST',
	headers: { 'content-type': 'application/json' },
	body: JSON.stringify(body)
});
const heavy: readonly (() => Promise<Response>)[] = [
	() => ask('/api/v1/fit', post(hardest)),
	() => ask('/api/v1/key-in', post(hardest)),
	() => ask('/api/v1/fit', post(hardest)),
	() => ask('/api/v1/simulate', post({ zone: heated, outdoorC: 0 })),
	() => ask('/api/v1/warm-up', post({ zone: heated, outdoorC: 0 })),
	() => ask(`/api/v1/jobs/${site}/record.pdf`),
	() => ask(`/api/v1/jobs/${site}/record.pdf`),
	() => ask('/api/v1/jobs', { ...post(null), body: readFileSync('demo/kelter-court.job.json', 'utf8') })
];
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
let going = true;
const answers: Record<string, number> = {};
const count = (key: string) => (answers[key] = (answers[key] ?? 0) + 1);
const attack = heavy.map(async (one, i) => {
	while (going)
		count(
			`${['fit', 'key-in', 'fit', 'simulate', 'warm-up', 'record', 'record', 'import'][i]} ${(await one()).status}`
		);
});
const guessing = (async () => {
	while (going) {
		await Promise.all(Array.from({ length: 200 }, (_, i) => trySignIn(server.url, `guess ${i} of many`)));
		count('200 guesses');
		await pause(10_000);
	}
})();
const busy = await watched(SECONDS);
going = false;
await Promise.all([...attack, guessing]);
const line = (name: string, now: number[], then: number[], most: number) =>
	console.log(
		`${name}: p50 ${quantile(now, 0.5).toFixed(1)} ms, p99 ${quantile(now, 0.99).toFixed(1)} ms (${most} asked for); with nothing else ${quantile(then, 0.5).toFixed(1)} and ${quantile(then, 0.99).toFixed(1)} ms, ${now.length} answers`
	);
line('health', busy.health, quiet.health, 20);
line('views', busy.seen, quiet.seen, 300);
console.log(
	`meanwhile: ${Object.entries(answers)
		.map(([what, many]) => `${many} × ${what}`)
		.join(', ')}`
);
await server.stop();
rmSync(data, { recursive: true, force: true });
