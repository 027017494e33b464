/**
 * Ten thousand (TIMES) damaged files of every kind, past their heads: each is read or refused in a sentence. Then damaged job and control files are sent
 * to a running server, and every view of every site that was taken is looked at. SEED chooses another run.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { ensureBuild, startServer } from '../scripts/setup.mjs';
import { fileKinds } from '../tests/support/damage';
import { seeded } from '../tests/support/siteModel';

const TIMES = Number(process.env.TIMES ?? 10_000);
const seed = Number(process.env.SEED ?? 20_261_126);
const random = seeded(seed);
let bad = 0;
for (const [name, damaged, read] of fileKinds()) {
	const times = name === 'weather' ? Math.ceil(TIMES / 20) : TIMES;
	let refused = 0;
	let longest = 0;
	for (let i = 0; i < times; i++) {
		const text = damaged(random);
		const began = performance.now();
		try {
			const result = read(text);
			if (!result.ok) {
				refused++;
				if (!/^["“(\p{Lu}\d].*\.$/su.test(result.problem.sentence)) {
					bad++;
					console.log(`  said badly: ${result.problem.sentence.slice(0, 200)}`);
				}
			}
		} catch (error) {
			bad++;
			console.log(`  failed on a ${name}: ${String(error).slice(0, 200)}`);
		}
		longest = Math.max(longest, performance.now() - began);
	}
	console.log(`${name}: ${times} damaged, ${refused} refused, the longest took ${longest.toFixed(0)} ms`);
}

ensureBuild();
const data = mkdtempSync(path.join(tmpdir(), 'fond-quarter-fuzz-'));
const server = await startServer({ data, port: 4796, quiet: true });
const sent = Math.ceil(TIMES / 20);
let taken = 0;
let crashes = 0;
for (const [name, damaged] of fileKinds().filter(([name]) => name === 'job file' || name === 'control file'))
	for (let i = 0; i < sent; i++) {
		const answer = await fetch(`${server.url}/api/v1/${name === 'job file' ? 'jobs' : 'controls'}`, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: damaged(random)
		});
		const said = (await answer.json()) as { id?: string; error?: { sentence: string } };
		if (answer.status >= 500 || (!answer.ok && !said.error?.sentence)) crashes++;
		if (!answer.ok || !said.id) continue;
		taken++;
		const views =
			name === 'job file'
				? ['', '/visit', '/clocks', '/away', '/heat', '/settings', '/checks', '/record'].map(
						(view) => `/sites/${said.id}${view}`
					)
				: [`/controls/${said.id}`];
		for (const view of views) {
			const page = await fetch(server.url + view);
			await page.arrayBuffer();
			if (page.status !== 200) {
				crashes++;
				console.log(`  ${page.status} at ${view.replace(said.id, 'it')} of a ${name}`);
			}
		}
	}
const alive = (await fetch(`${server.url}/api/health`)).ok;
console.log(
	`${2 * sent} damaged files sent, ${taken} taken and looked at in every view: ${crashes} failures (0 asked for), the server ${alive ? 'answers' : 'is gone'}; seed ${seed}`
);
await server.stop();
rmSync(data, { recursive: true, force: true });
process.exit(bad + crashes > 0 || !alive ? 1 : 0);
