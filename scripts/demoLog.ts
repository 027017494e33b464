/**
 * The simulated logger: `npx tsx scripts/demoLog.ts` writes demo/porters-lodge.log.csv, three nights of a stand-in of the
 * porter's control, keyed by its own card, in a room that is not quite what its survey says, with a logger's noise.
 * Committed, so that there is something to open.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { instantOf, localTime, wallAt, wallMinute } from '../src/core/civil';
import { findProfile } from '../src/core/control';
import { readJobFile } from '../src/core/formats';
import { cardAsNew, zoneCard } from '../src/core/keying';
import type { Operable } from '../src/core/machine';
import { roomSchema } from '../src/core/plan';
import { begin, pass } from '../src/core/rehearsal';

const read = readJobFile(readFileSync('demo/kelter-court.job.json', 'utf8'));
if (!read.ok) throw new Error(read.problem.sentence);
const { site, zones } = read.value;
const zone = zones.find(({ name }) => name.startsWith('Porter'))!;
const profile = findProfile('day-by-day-panel-stat') as Operable;
const { card } = zoneCard(zone, profile);
const { memory } = cardAsNew(profile, { items: card.items, ...card.operated! });
const room = roomSchema.parse({
	floorAreaM2: 9,
	heightM: 2.4,
	build: 'medium',
	loss: { by: 'figure', wattsPerKelvin: 27 },
	emitter: { kind: 'electric-panel', ratedW: 1000 }
});
let seed = 2026;
const noise = () => {
	seed = (Math.imul(seed, 1664525) + 1013904223) | 0;
	return ((seed >>> 0) / 4294967296 - 0.5) * 0.3;
};
const from = instantOf(site.timeZone, wallMinute('2026-11-16T00:00'));
const MINUTES = 3 * 1440;
// a day before it is read, so that the room has settled
const settled = begin(
	profile,
	from - 86_400_000,
	{ timeZone: site.timeZone, room, outdoorC: 3, rangeK: 7 },
	memory
);
const { log } = pass(settled, (1440 + MINUTES) * 60);
const comma = (figure: number) => figure.toFixed(1).replace('.', ',');
const rows = log
	.filter(({ atMs }) => atMs >= from && atMs < from + MINUTES * 60_000)
	.map(
		({ atMs, roomC, outdoorC, heats }) =>
			`${localTime(wallAt(site.timeZone, atMs)).replace('T', ' ')};${comma(roomC + noise())};${comma(outdoorC)};${heats ? 1 : 0}`
	);
writeFileSync('demo/porters-lodge.log.csv', ['time;room °C;outdoor °C;heating', ...rows, ''].join('\n'));
