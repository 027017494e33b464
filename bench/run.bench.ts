/**
 * What a control does over a year, as ratios in one run: the event-by-event timeline of a zone with 200
 * exceptions against 5 ms, and against stepping through its 525 600 minutes to the same answer; the answer for
 * one moment (the cursor) against one animation frame.
 */
import { dateOfDay, dayNumber, instantOf, wallMinute } from '../src/core/civil';
import { findProfile } from '../src/core/control';
import { fitZone } from '../src/core/fit';
import { newZone, withWanted, type Exception } from '../src/core/plan';
import { resolve, runOfZone, timeline } from '../src/core/run';
import { buildWeek } from '../src/core/week';
import { momentInWords } from '../src/core/words';

let state = 99;
function random(below: number): number {
	state = (Math.imul(state, 1664525) + 1013904223) | 0;
	return Math.floor(((state >>> 0) / 4294967296) * below);
}
function median(times: number[]): number {
	return [...times].sort((a, b) => a - b)[times.length >> 1]!;
}
function time(work: () => void): number {
	const start = performance.now();
	work();
	return performance.now() - start;
}

const profile = findProfile('six-step-room-stat')!;
const timeZone = 'Europe/Berlin';
const at = (local: string) => instantOf(timeZone, wallMinute(local));
const first = dayNumber('2026-01-01');
const exceptions: Exception[] = Array.from({ length: 200 }, (_, i) => {
	const day = dateOfDay(first + Math.floor((i * 365) / 200));
	const hour = String(random(24)).padStart(2, '0');
	const id = String(i);
	const from = `${day}T${hour}:20`;
	if (i % 4 === 0) return { kind: 'boost', id, from, steps: 1 + random(4), setpointC: 22 };
	if (i % 4 === 1)
		return {
			kind: 'absence',
			id,
			leave: from,
			back: `${dateOfDay(dayNumber(day) + 2)}T12:00`,
			setpointC: 9,
			note: ''
		};
	if (i % 4 === 2)
		return { kind: 'manual', id, from, until: `${dateOfDay(dayNumber(day) + 1)}T08:00`, setpointC: 18 };
	return { kind: 'override', id, from, setpointC: 21 };
});
const zone = {
	...withWanted(
		newZone('Z', profile),
		buildWeek(
			Array.from({ length: 40 }, () => ({
				at: random(1008) * 10,
				value: ['comfort', 'eco', 'frost'][random(3)]!
			}))
		)
	),
	exceptions
};
const program = fitZone(zone, profile).chosen.program;
const [from, to] = [at('2026-01-01T00:00'), at('2027-01-01T00:00')];
const year = () => timeline(runOfZone(zone, profile, program, { timeZone, nowMs: from }), from, to);
for (let i = 0; i < 20; i++) year();
const took = median(Array.from({ length: 41 }, () => time(year)));
const spans = year();
console.log(
	`a year with 200 exceptions: ${spans.length} stretches, median ${took.toFixed(2)} ms, ${(took / 5).toFixed(2)} of the 5 ms allowed`
);

const run = runOfZone(zone, profile, program, { timeZone, nowMs: from });
let same = true;
const stepped = time(() => {
	let i = 0;
	for (let ms = from; ms < to; ms += 60_000) {
		const { heatC, by } = resolve(run, ms);
		while (spans[i]!.toMs <= ms) i++;
		if (spans[i]!.heatC !== heatC || spans[i]!.by !== by) same = false;
	}
});
console.log(
	`stepping through its minutes: ${(stepped / 1000).toFixed(2)} s, ${Math.round(stepped / took)} times as long (at least 50 asked for), ${same ? 'the same answer at every one' : 'ANOTHER ANSWER'}`
);

const moments = Array.from({ length: 200 }, () => from + random(365) * 86_400_000 + random(1440) * 60_000);
moments.forEach((ms) => momentInWords(run, ms));
const cursor = median(moments.map((ms) => time(() => momentInWords(run, ms))));
console.log(
	`the cursor: sentence and chain of a moment in ${cursor.toFixed(2)} ms, ${(cursor / 16).toFixed(2)} of a 16 ms frame`
);
