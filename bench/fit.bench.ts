/**
 * How fast the fit is, as ratios in one run.
 * - a busy week (12 changes a day, seven different days, 8 levels) to six events, 7-day grouping,
 *   against HiGHS reaching the same optimum on the same candidate times;
 * - all groupings of a profile against one animation frame (16 ms).
 */
import highsLoader from 'highs';
import { factoryOptions, shippedProfiles } from '../src/core/control';
import { fitAll, fitGrouping, type FitRequest } from '../src/core/fit';
import { buildWeek, type WeekSteps } from '../src/core/week';
import { candidateStarts, eventsLp } from '../tests/outside/milp';

const levels = [7, 12, 15, 16, 17, 18, 20, 21.5];
let state = 20_261_124;
function random(): number {
	state = (Math.imul(state, 1664525) + 1013904223) | 0;
	return (state >>> 0) / 4294967296;
}

function busyWeek(): WeekSteps<number> {
	const steps = [];
	for (let day = 0; day < 7; day++) {
		const times = new Set<number>();
		while (times.size < 12) times.add(Math.floor(random() * 288) * 5);
		for (const at of times)
			steps.push({ at: day * 1440 + at, value: levels[Math.floor(random() * levels.length)]! });
	}
	return buildWeek(steps);
}

function median(times: number[]): number {
	const sorted = [...times].sort((a, b) => a - b);
	return sorted[sorted.length >> 1]!;
}

function time(work: () => void): number {
	const start = performance.now();
	work();
	return performance.now() - start;
}

const profile = shippedProfiles[0]!;
const request = (target: WeekSteps<number>): FitRequest => ({
	profile,
	options: factoryOptions(profile),
	setpointsC: levels,
	target,
	weights: { cold: 4, warm: 1 }
});
const sevenDays = profile.groupings.find((grouping) => grouping.id === '7-day')!;
const weeks = Array.from({ length: 60 }, busyWeek);
for (const week of weeks) fitAll(request(week));

const all = median(weeks.map((week) => time(() => fitAll(request(week)))));
const one = median(weeks.map((week) => time(() => fitGrouping(request(week), sevenDays))));
console.log(
	`all groupings of a busy week: median ${all.toFixed(2)} ms, ${(all / 16).toFixed(2)} of a 16 ms frame`
);

const ratios: number[] = [];
for (const target of weeks.slice(0, 3)) {
	const solver = await highsLoader();
	const fit = fitGrouping(request(target), sevenDays);
	const lp = eventsLp(
		{
			target,
			grouping: sevenDays,
			values: levels,
			weights: { cold: 4, warm: 1 },
			times: candidateStarts(target, 10)
		},
		6,
		true
	);
	let reference = 0;
	const took = time(() => {
		reference = solver.solve(lp, { mip_rel_gap: 0, time_limit: 240 }).ObjectiveValue;
	});
	const same = Math.abs(reference - fit.misfit.weighted) < 1e-4;
	console.log(
		`HiGHS ${(took / 1000).toFixed(1)} s, fit ${one.toFixed(2)} ms: ${Math.round(took / one)} times${same ? ', same optimum' : ` (HiGHS stopped at ${reference}, optimum ${fit.misfit.weighted})`}`
	);
	ratios.push(took / one);
}
console.log(
	`median: the fit is ${Math.round(median(ratios))} times faster than HiGHS (at least 200 asked for)`
);
