/**
 * Ten thousand damaged files (FILES) against every reader: each is read, or refused with a sentence; nothing throws. Those
 * that are imported over HTTP are stored whole or not at all: the server has exactly the sites and controls it said yes
 * to, gives each of them back, stays up, and its database passes its integrity check.
 */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { shippedProfiles, startingLevels } from '../src/core/control';
import {
	readCalendar,
	readEpw,
	readJobFile,
	readLogger,
	readSpans,
	readWeekTable,
	writeControlFile,
	writeWeekTable,
	type Read
} from '../src/core/formats';
import { buildWeek, DAY_MINUTES } from '../src/core/week';
import { ensureBuild, startServer } from '../scripts/setup.mjs';
import { seededRandom } from '../tests/support/random';
import { someZones } from '../tests/support/seenZone';

const FILES = Number(process.env.FILES ?? 10_000);
const sqlite3 = createRequire(import.meta.url)('sqlite3') as {
	Database: new (file: string) => {
		get(sql: string, done: (error: Error | null, row: { integrity_check: string }) => void): void;
		close(done: () => void): void;
	};
};

// the same files each time
const random = seededRandom(Number(process.env.SEED ?? 20261125));
const below = (n: number) => Math.floor(random() * n);
const pick = <T>(of: readonly T[]): T => of[below(of.length)]!;

const oddities = [
	'',
	'\0',
	'null',
	'-1',
	'1e999',
	'NaN',
	'99999999999999999999',
	'"',
	'{',
	']',
	',',
	';',
	'\r\n',
	'\ufeff',
	'\u202e',
	'é',
	'𝄞',
	'\ud800',
	'__proto__',
	'2026-02-30',
	'25:61',
	'true',
	'-300'
];

/** A text damaged at one to six places, as by a cut cable, a wrong editor, or malice. */
function damaged(text: string): string {
	let next = text;
	for (let i = 1 + below(6); i > 0; i--) {
		const at = below(next.length + 1);
		const length = 1 + below(Math.min(80, next.length + 1));
		switch (below(7)) {
			case 0:
				next = next.slice(0, at) + pick(oddities) + next.slice(at);
				break;
			case 1:
				next = next.slice(0, at) + next.slice(at + length);
				break;
			case 2:
				next = next.slice(0, at) + next.slice(at, at + length).repeat(2 + below(3)) + next.slice(at + length);
				break;
			case 3:
				next = next.slice(0, at) + String.fromCharCode(below(400)) + next.slice(at + 1);
				break;
			case 4: {
				// another number
				const numbers = [...next.matchAll(/-?\d+(\.\d+)?/g)];
				const one = numbers.length > 0 ? pick(numbers) : null;
				if (one) next = next.slice(0, one.index) + pick(oddities) + next.slice(one.index + one[0].length);
				break;
			}
			case 5: {
				// two words change places
				const words = [...next.matchAll(/[A-Za-z][\w-]+/g)];
				const [a, b] = [pick(words), pick(words)];
				if (a && b && a.index + a[0].length <= b.index)
					next =
						next.slice(0, a.index) +
						b[0] +
						next.slice(a.index + a[0].length, b.index) +
						a[0] +
						next.slice(b.index + b[0].length);
				break;
			}
			default:
				next = random() < 0.2 ? next.slice(0, at) : next.slice(0, at) + next.slice(at).replace(/\n/, '');
		}
	}
	return next;
}

const demo = (name: string) => readFileSync(new URL(`../demo/${name}`, import.meta.url), 'utf8');
interface JobText {
	controls: unknown[];
	zones: unknown[];
	visits: unknown[];
}
const jobs = ['tallow-quay-workshops', 'kelter-court', 'osier-lane-reading-room'].flatMap((name) => {
	const job = JSON.parse(demo(`${name}.job.json`)) as JobText;
	// a few zones at a time: as many kinds of damage, in less text
	return [0, 1, 2].map((from) =>
		JSON.stringify({ ...someZones(job, from, from + 2), visits: [] }, null, '\t')
	);
});
const controls = shippedProfiles.map((profile) => writeControlFile(profile));
const levels = startingLevels(shippedProfiles[0]!);
const week = buildWeek(
	Array.from({ length: 7 }, (_, day) => [
		{ at: day * DAY_MINUTES + 390, value: levels[0]!.id },
		{ at: day * DAY_MINUTES + 540 + 10 * day, value: levels[1]!.id }
	]).flat()
);
const table = writeWeekTable(week, levels);
const epw = [
	'LOCATION,Invented,-,-,made up,000000,51.0,0.0,0.0,50.0',
	...Array.from({ length: 7 }, (_, i) => `COMMENT ${i},nothing`),
	...Array.from({ length: 8760 }, (_, hour) => {
		const day = new Date(Date.UTC(2025, 0, 1, hour));
		return `2025,${day.getUTCMonth() + 1},${day.getUTCDate()},${(hour % 24) + 1},0,?9,${(5 + 5 * Math.sin(hour / 24)).toFixed(1)},2.0,80,101325,0,0,300,0,0,0`;
	})
].join('\n');

/** Readers that run in the page: what each makes of a text. */
const readers: readonly {
	name: string;
	share: number;
	texts: readonly string[];
	read: (text: string) => Read<unknown>;
}[] = [
	{ name: 'job file', share: 0.2, texts: jobs, read: readJobFile },
	{
		name: 'logger',
		share: 0.12,
		texts: [demo('porters-lodge.log.csv')],
		read: (text) => readLogger(text, { outdoorC: 5 })
	},
	{
		name: 'calendar',
		share: 0.12,
		texts: [demo('kelter-court-lettings.ics')],
		read: (text) => readCalendar(text, 'Europe/London', '2026-11-01', '2027-11-01') as Read<unknown>
	},
	{ name: 'EPW', share: 0.04, texts: [epw], read: readEpw },
	{ name: 'week table', share: 0.12, texts: [table], read: (text) => readWeekTable(text, levels) },
	{
		name: 'spans',
		share: 0.1,
		texts: ['06:30-08:00 Comfort, 17:00–22:30 Comfort', '22:00 – 06:00 Eco; else Comfort'],
		read: (text) => readSpans(text, levels)
	}
];

let broken = 0;
let files = 0;
for (const { name, share, texts, read } of readers) {
	let taken = 0;
	const count = Math.round(FILES * share);
	for (let i = 0; i < count; i++) {
		const text = damaged(pick(texts));
		files++;
		try {
			const result = read(text);
			if (result.ok) taken++;
			else if (!/^.{8,600}$/s.test(result.problem.sentence) || /\bat .*\.ts:/.test(result.problem.sentence)) {
				broken++;
				console.error(`· ${name}: no sentence: ${JSON.stringify(result.problem)}`);
			}
		} catch (error) {
			broken++;
			console.error(`· ${name} threw: ${String(error)} on ${JSON.stringify(text.slice(0, 200))}`);
		}
	}
	console.log(`${name}: ${count} files, ${taken} still readable, the others refused with a sentence`);
}

ensureBuild();
const data = mkdtempSync(path.join(tmpdir(), 'fond-quarter-imports-'));
const server = await startServer({ data, port: 4795, quiet: true });
let wrong = 0;
for (const [route, texts, share] of [
	['/api/v1/jobs', jobs, 0.2],
	['/api/v1/controls', controls, 0.1]
] as const) {
	// a control that is kept already in the very same words is answered with the id it has
	const taken = new Set<string>();
	const before = await listed(route);
	const count = Math.round(FILES * share);
	for (let i = 0; i < count; i++) {
		const text = damaged(pick(texts));
		files++;
		const answer = await fetch(server.url + route, {
			method: 'POST',
			headers: { 'content-type': 'application/json', accept: 'application/json' },
			body: text
		});
		const said = (await answer.json()) as { id?: string; error?: { sentence: string } };
		if (answer.status === 201 && said.id) taken.add(said.id);
		else if (answer.status >= 500 || !said.error?.sentence) {
			wrong++;
			console.error(
				`· ${route}: ${answer.status} ${JSON.stringify(said)} on ${JSON.stringify(text.slice(0, 200))}`
			);
		}
	}
	const after = await listed(route);
	const kept = [...taken].filter((id) => after.includes(id)).length;
	if (after.length - before.length !== taken.size || kept !== taken.size) wrong++;
	for (const id of taken) if (!(await fetch(`${server.url}${route}/${id}`)).ok) wrong++;
	console.log(
		`${route}: ${count} files, ${taken.size} taken and each given back, ${after.length - before.length - taken.size} half written (0 asked for)`
	);
}
async function listed(route: string): Promise<string[]> {
	const list = (await (await fetch(server.url + route)).json()) as Record<string, { id: string }[]>;
	return Object.values(list).flatMap((of) => (Array.isArray(of) ? of.map((one) => one.id) : []));
}
const up = (await fetch(`${server.url}/api/health`)).ok;
await server.stop();
const integrity = await new Promise<string>((resolve) => {
	const db = new sqlite3.Database(path.join(data, 'fond-quarter.sqlite'));
	db.get('PRAGMA integrity_check', (error, row) =>
		db.close(() => resolve(error ? error.message : row.integrity_check))
	);
});
rmSync(data, { recursive: true, force: true });
console.log(
	`${files} damaged files: ${broken} readers broken (0 asked for), ${wrong} answers wrong (0 asked for), server up: ${up}, database ${integrity}`
);
if (broken + wrong > 0 || !up || integrity !== 'ok') process.exit(1);
