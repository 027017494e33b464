/**
 * A house: the joint choice of days of a box with four channels (32 ms asked), the gated week of forty zones on two sources in one worker
 * (250 ms), what would be felt of all groupings of a zone (60 ms), beside what each takes without the house; all in one run.
 */
import { readFileSync } from 'node:fs';
import { findProfile, type ControlProfile } from '../src/core/control';
import { fitZone, groupingCosts, suggestedGrouping, type GroupingCosts } from '../src/core/fit';
import { readJobFile, type Job } from '../src/core/formats';
import { permissionOf } from '../src/core/house';
import { newZone, withWanted, type Zone } from '../src/core/plan';
import { feltMinutes, roomWeek } from '../src/core/thermal';
import { buildWeek } from '../src/core/week';
import { seededRandom } from '../tests/support/random';

const median = (times: number[]) => [...times].sort((a, b) => a - b)[times.length >> 1]!;
function time(work: () => void): number {
	const start = performance.now();
	work();
	return performance.now() - start;
}
const SEED = 20_261_126;
const random = seededRandom(SEED);
console.log(`seed ${SEED}`);

// a box of four channels, each with a week of its own every day
const two = findProfile('two-channel-programmer')!;
if (two.program.form !== 'pairs') throw new Error('a programmer holds pairs');
const four: ControlProfile = { ...two, program: { ...two.program, channels: ['a', 'b', 'c', 'd'] } };
const channel = (n: number): Zone => {
	const fresh = newZone(`Channel ${n}`, four);
	const steps = Array.from({ length: 7 }, (_, day) =>
		Array.from({ length: 3 }, (_, i) => {
			const from = day * 1440 + 300 + i * 380 + Math.floor(random() * 18) * 10;
			return [
				{ at: from, value: fresh.levels[0]!.id },
				{ at: from + 120 + Math.floor(random() * 10) * 10, value: fresh.levels[1]!.id }
			];
		}).flat()
	).flat();
	return { ...withWanted(fresh, buildWeek(steps)), options: { ...fresh.options, channel: n } };
};
const joint = (zones: readonly Zone[]) => {
	const fits = zones.map((zone) => fitZone(zone, four).fits);
	const [first, ...others] = fits.map(groupingCosts);
	const rest: GroupingCosts = Object.fromEntries(
		Object.keys(first!).map((id) => [
			id,
			{
				weighted: others.reduce((sum, of) => sum + of[id]!.weighted, 0),
				values: others.reduce((sum, of) => sum + of[id]!.values, 0)
			}
		])
	);
	return suggestedGrouping(fits[0]!, rest);
};
const boxes = Array.from({ length: 40 }, () => [0, 1, 2, 3].map(channel));
boxes.slice(0, 8).forEach(joint);
const apart = median(boxes.map((zones) => time(() => void fitZone(zones[0]!, four))));
const together = median(boxes.map((zones) => time(() => void joint(zones))));
console.log(
	`a box of four channels: median ${together.toFixed(1)} ms (32 asked), ${(together / apart).toFixed(1)} × one channel`
);

// forty rooms on two sources, one of them governed
const read = (name: string): Job => {
	const job = readJobFile(readFileSync(new URL(`../demo/${name}.job.json`, import.meta.url), 'utf8'));
	if (!job.ok) throw new Error(job.problem.sentence);
	return job.value;
};
const some = ['marrow-house', 'kelter-court', 'tallow-quay-workshops'].flatMap((name) => {
	const job = read(name);
	return job.zones.flatMap((zone) => {
		const profile = findProfile(zone.control, job.profiles)!;
		return zone.room && profile.temperature ? [{ zone: zone as Zone, room: zone.room, profile }] : [];
	});
});
const forty = Array.from({ length: 40 }, (_, i) => {
	const one = some[i % some.length]!;
	// each a room of its own: nothing kept of one helps another
	const room = { ...one.room, floorAreaM2: one.room.floorAreaM2 + i / 10 };
	return { ...one, room, zone: { ...one.zone, room } };
});
const hours = permissionOf({ held: fitZone(channel(0), four).chosen.held, isSwitch: true, levels: [] });
const held = forty.map(({ zone, profile }) => fitZone(zone, profile).chosen.held);
const rooms = (gated: boolean) =>
	forty.forEach(({ zone, room, profile }, i) =>
		roomWeek(zone, room, profile, held[i]!, 0, gated && i % 2 === 0 ? hours : null)
	);
rooms(true);
const [free, gated] = [false, true].map((on) =>
	median(Array.from({ length: 5 }, () => time(() => rooms(on))))
);
console.log(
	`the gated week of forty zones on two sources: median ${gated!.toFixed(0)} ms (250 asked), ${(gated! / free!).toFixed(2)} × without sources`
);

// what would be felt of every grouping
const felt = some.map(({ zone, room, profile }) => {
	const weeks = fitZone(zone, profile).fits.map((fit) => fit.held);
	return {
		all: median(Array.from({ length: 5 }, () => time(() => void feltMinutes(zone, room, profile, weeks, 0)))),
		one: median(
			Array.from({ length: 5 }, () => time(() => void feltMinutes(zone, room, profile, weeks.slice(0, 1), 0)))
		),
		groupings: weeks.length
	};
});
const worst = felt.reduce((a, b) => (b.all > a.all ? b : a));
console.log(
	`felt minutes of all groupings of a zone: median ${median(felt.map(({ all }) => all)).toFixed(1)} ms, longest ${worst.all.toFixed(1)} ms of ${worst.groupings} groupings (60 asked), ${(worst.all / worst.one).toFixed(1)} × one`
);
