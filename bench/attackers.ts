/**
 * Everything hostile that is allowed, at once, until it is told to stop (SIGTERM): then it says what was answered, as JSON. A process of its own, so that
 * what it costs to attack is not taken for what it costs to be attacked. Arguments: the server's address, the passphrases of an installer and of a reader,
 * a site to send pictures to.
 */
import { readFileSync } from 'node:fs';
import { hardJob, hardZone } from '../tests/support/hardZone';
import { seenZone } from '../tests/support/seenZone';
import { signedIn, trySignIn } from '../tests/support/signedIn';

const [url, installerWord, readerWord, site] = process.argv.slice(2) as [string, string, string, string];
const job = JSON.parse(readFileSync('demo/kelter-court.job.json', 'utf8')) as {
	controls: Record<string, unknown>[];
	zones: Record<string, unknown>[];
};
const post = (body: unknown): RequestInit => ({
	method: 'POST',
	headers: { 'content-type': 'application/json' },
	body: JSON.stringify(body)
});
const installer = await signedIn(url, installerWord);
const reader = await signedIn(url, readerWord);
const hardest = post({ zone: hardZone(seenZone(job)) });
const heated = {
	zone: seenZone(
		job,
		job.zones.findIndex((zone) => zone.room)
	),
	outdoorC: 0
};
const hard = post({ ...hardJob(job, 16), visits: [], calls: [] });

/** A site with one hard zone after the other: what is too much to import at once comes in singly. */
const made = (await (
	await installer('/api/v1/jobs', post({ ...hardJob(job, 1), visits: [], calls: [] }))
).json()) as {
	id: string;
};
if (!made.id) throw new Error(JSON.stringify(made));
const link = (await (await installer(`/api/v1/jobs/${made.id}/links`, post({ days: 3 }))).json()) as {
	path: string;
};

const nested = `{"said":${'['.repeat(3_900_000)}${']'.repeat(3_900_000)}}`;
/** Two hundred passphrases in ten seconds, twenty at once. */
const guesses = async () => {
	await Promise.all(Array.from({ length: 20 }, (_, i) => trySignIn(url, `guess ${i} of many`)));
	await new Promise((resolve) => setTimeout(resolve, 1000));
	return new Response();
};
const attacks: Readonly<Record<string, () => Promise<Response>>> = {
	'nested body of a stranger': () =>
		fetch(`${url}/api/v1/reports/x`, {
			method: 'POST',
			headers: { 'content-type': 'application/json' },
			body: nested
		}),
	'table of hard weeks': () => reader(`/api/v1/jobs/${made.id}/weeks`),
	'customer’s link to them': () => fetch(url + link.path),
	'import of sixteen': () => installer('/api/v1/jobs', hard),
	'forty hard questions': async () =>
		(await Promise.all(Array.from({ length: 40 }, () => reader('/api/v1/fit', hardest))))[0]!,
	'upload refused': () =>
		fetch(`${url}/api/v1/jobs/${site}/pictures`, { method: 'POST', body: Buffer.alloc(2_000_000) }),
	'holidays of the hard job': () => installer(`/sites/${made.id}/away`),
	'hand-over of the hard job': () => installer(`/sites/${made.id}/hand-over`),
	simulation: () => reader('/api/v1/simulate', post(heated)),
	record: () => installer(`/api/v1/jobs/${site}/record.pdf`),
	'20 guesses': guesses
};

let going = true;
const answers: Record<string, number> = {};
process.on('SIGTERM', () => {
	going = false;
	console.log(JSON.stringify(answers));
	process.exit(0);
});
console.log('begun');
await Promise.all(
	Object.entries(attacks).map(async ([name, attack]) => {
		while (going) {
			const answer = await attack().catch(() => null);
			await answer?.arrayBuffer().catch(() => null);
			const key = `${name} ${answer?.status ?? 'cut'}`;
			answers[key] = (answers[key] ?? 0) + 1;
			// one that is refused comes again soon, as somebody hostile would
			if (answer?.status !== 200) await new Promise((resolve) => setTimeout(resolve, 100));
		}
	})
);
