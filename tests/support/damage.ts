import { readFileSync } from 'node:fs';
import { shippedProfiles } from '../../src/core/control';
import {
	readCalendar,
	readControlFile,
	readEpw,
	readJobFile,
	readLogger,
	writeControlFile,
	writeJobFile
} from '../../src/core/formats';
import type { Read } from '../../src/core/schema';

type Random = (below: number) => number;

const ODD: readonly unknown[] = [
	null,
	true,
	0,
	-1,
	1e300,
	0.1,
	9_007_199_254_740_991,
	'',
	'\u0000\u202e',
	'x'.repeat(300),
	'__proto__',
	'2026-02-30',
	'9999-12-31T23:59',
	[],
	{},
	[[]]
];
const BITS = [
	'',
	'"',
	',',
	';',
	':',
	'\n',
	'\r\n\t',
	'-',
	'99999999999999999999',
	'NaN',
	'\u0000',
	'°F',
	'0x1',
	'1e999',
	'=',
	'é'
];

/** A text with a few places of it damaged. */
export function damagedText(random: Random, text: string): string {
	let damaged = text;
	for (let i = 0; i <= random(3); i++) {
		const at = random(damaged.length + 1);
		const cut = random(4) === 0 ? random(400) : random(3);
		damaged = damaged.slice(0, at) + BITS[random(BITS.length)]! + damaged.slice(at + cut);
	}
	return damaged;
}

/** A document with one place of it, anywhere below its head, made something else, left out or doubled. */
export function damagedDocument(random: Random, document: unknown): unknown {
	const copy: unknown = structuredClone(document);
	let at = copy as Record<string, unknown>;
	for (let depth = 0; ; depth++) {
		// its head stays: what lies behind it is wanted
		const keys = Object.keys(at).filter((key) => depth > 0 || !['format', 'version'].includes(key));
		if (keys.length === 0) return copy;
		const key = keys[random(keys.length)]!;
		const inner = at[key];
		if (inner !== null && typeof inner === 'object' && random(6) > 0) {
			at = inner as Record<string, unknown>;
			continue;
		}
		const way = random(8);
		if (way === 0) delete at[key];
		else if (way === 1 && Array.isArray(inner)) at[key] = [...(inner as unknown[]), ...(inner as unknown[])];
		else at[key] = ODD[random(ODD.length)];
		return copy;
	}
}

const calendar = [
	'BEGIN:VCALENDAR',
	'VERSION:2.0',
	'BEGIN:VEVENT',
	'UID:one@hall',
	'SUMMARY:Choir',
	'DTSTART;TZID=Europe/Berlin:20260318T193000',
	'DTEND;TZID=Europe/Berlin:20260318T213000',
	'RRULE:FREQ=MONTHLY;BYDAY=1MO,-1FR;BYSETPOS=1;UNTIL=20270408T173000Z',
	'EXDATE;TZID=Europe/Berlin:20260401T193000',
	'END:VEVENT',
	'BEGIN:VEVENT',
	'UID:two@hall',
	'DTSTART;VALUE=DATE:20261224',
	'DURATION:P3D',
	'RRULE:FREQ=YEARLY',
	'END:VEVENT',
	'END:VCALENDAR',
	''
].join('\r\n');
const epw = [
	'LOCATION,Quay,-,XXX,INV,000000,53.3,-6.2,0.0,10.0',
	...Array.from({ length: 6 }, (_, i) => `HEADER ${i}`),
	'DATA PERIODS,1,1,Data,Sunday, 1/ 1,12/31',
	...Array.from({ length: 8760 }, (_, hour) => {
		const date = new Date(Date.UTC(2025, 0, 1) + hour * 3_600_000);
		return `2025,${date.getUTCMonth() + 1},${date.getUTCDate()},${date.getUTCHours() + 1},0,?9,${(5 + Math.sin(hour / 9)).toFixed(1)}`;
	})
].join('\n');

/** Every kind of file that comes from anywhere: how a damaged one is made, and how it is read. */
export function fileKinds(): readonly (readonly [
	string,
	(random: Random) => string,
	(text: string) => Read<unknown>
])[] {
	const log = readFileSync('demo/porters-lodge.log.csv', 'utf8').split('\n').slice(0, 400).join('\n');
	const job = readJobFile(readFileSync('demo/osier-lane-reading-room.job.json', 'utf8'));
	if (!job.ok) throw new Error(job.problem.sentence);
	const document: unknown = JSON.parse(writeJobFile(job.value));
	const texts = (text: string) => (random: Random) => damagedText(random, text);
	return [
		['job file', (random) => JSON.stringify(damagedDocument(random, document)), readJobFile],
		[
			'control file',
			(random) => {
				const profile = shippedProfiles[random(shippedProfiles.length)]!;
				return JSON.stringify(damagedDocument(random, JSON.parse(writeControlFile(profile))));
			},
			readControlFile
		],
		['control file, text', texts(writeControlFile(shippedProfiles[0]!)), readControlFile],
		['calendar', texts(calendar), (text) => readCalendar(text, 'Europe/Berlin', '2026-01-01', '2027-01-01')],
		['logger', texts(log), (text) => readLogger(text, { outdoorC: 5 })],
		['weather', texts(epw), readEpw]
	];
}
