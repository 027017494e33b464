/**
 * A site of forty zones: its typical week fitted, run and added up, against two seconds; as one worker does it, and shared
 * between two as the figures would be on two cores. Stagger of nine rooms under a limit, and a room's year, beside it.
 */
import { readFileSync } from 'node:fs';
import { findProfile } from '../src/core/control';
import { fitZone } from '../src/core/fit';
import { readJobFile } from '../src/core/formats';
import { inventedYear, siteLoad, staggerStarts, yearOf, type HeatedZone } from '../src/core/thermal';

function median(times: number[]): number {
	return [...times].sort((a, b) => a - b)[times.length >> 1]!;
}
function time(work: () => void): number {
	const start = performance.now();
	work();
	return performance.now() - start;
}

const read = (name: string): HeatedZone[] => {
	const job = readJobFile(readFileSync(new URL(`../demo/${name}.job.json`, import.meta.url), 'utf8'));
	if (!job.ok) throw new Error(job.problem.sentence);
	return job.value.zones.flatMap((zone, i) =>
		zone.room
			? [
					{
						id: `${name} ${i}`,
						zone,
						room: zone.room,
						profile: findProfile(zone.control, job.value.profiles)!
					}
				]
			: []
	);
};
const nine = read('marrow-house');
const some = [...read('kelter-court'), ...read('tallow-quay-workshops'), ...nine];
const forty = Array.from({ length: 40 }, (_, i): HeatedZone => {
	const one = some[i % some.length]!;
	// each a room of its own: nothing kept of one helps another
	const room = { ...one.room, floorAreaM2: one.room.floorAreaM2 + i / 10 };
	return { ...one, id: `zone ${i}`, room, zone: { ...one.zone, room } };
});
const limit = { limitW: 60_000, windowMinutes: 15 };
function week(zones: readonly HeatedZone[], told: number[] = []): void {
	const held = new Map(zones.map(({ id, zone, profile }) => [id, fitZone(zone, profile).chosen.held]));
	siteLoad(zones, limit, 0, held, (done) => told.push(done));
}
week(forty);
const told: number[] = [];
const whole = median(Array.from({ length: 5 }, () => time(() => week(forty, told))));
console.log(
	`a typical week of forty zones, fits and all: median ${whole.toFixed(0)} ms in one worker (2000 asked for on two cores); progress was told ${told.length / 5} times`
);
const stagger = median(
	Array.from({ length: 3 }, () => time(() => staggerStarts(nine, { limitW: 13_000, windowMinutes: 15 }, 0)))
);
console.log(`nine rooms staggered under 13 kW: median ${stagger.toFixed(0)} ms`);
const { zone, room, profile } = nine[0]!;
const { held } = fitZone(zone, profile).chosen;
const hours = inventedYear();
const year = median(Array.from({ length: 3 }, () => time(() => yearOf(zone, room, profile, held, hours))));
console.log(`a room's year, three ways: median ${year.toFixed(0)} ms`);
