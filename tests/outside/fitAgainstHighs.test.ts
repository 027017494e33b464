/**
 * The fit against HiGHS (a mixed-integer solver, reference library) on the same problem written as a
 * mixed-integer program over every step of the day (hours long, so that hundreds can be solved): equal J to 1e-6 on random weeks and profiles.
 */
import highsLoader from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import { factoryOptions, findProfile, type ControlProfile, type Grouping } from '../../src/core/control';
import { fitAll, fitGrouping, groupingCosts, suggestedGrouping } from '../../src/core/fit';
import { buildWeek, WEEK_MINUTES, type WeekSteps } from '../../src/core/week';
import { seededRandom } from '../support/random';
import { eventsLp, pairsLp, slotsLp } from './milp';

type Solver = Awaited<ReturnType<typeof highsLoader>>;
let load: () => Promise<Solver>;
let solver: Solver;
let solved = 0;

beforeAll(async () => {
	load = () => highsLoader();
	solver = await load();
});

/** The optimum by HiGHS; its WebAssembly heap is made anew every 40 solves. */
async function optimum(lp: string): Promise<number> {
	if (++solved % 40 === 0) solver = await load();
	const answer = solver.solve(lp, { mip_rel_gap: 0, mip_abs_gap: 1e-9 });
	expect(answer.Status).toBe('Optimal');
	return answer.ObjectiveValue;
}

const groupings: Grouping[] = [
	{ id: 'all', name: 'all', groups: [[0, 1, 2, 3, 4, 5, 6]] },
	{
		id: 'five-two',
		name: '5+2',
		groups: [
			[0, 1, 2, 3, 4],
			[5, 6]
		]
	},
	{ id: 'five-one-one', name: '5+1+1', groups: [[0, 1, 2, 3, 4], [5], [6]] },
	{ id: 'seven', name: '7', groups: [[0], [1], [2], [3], [4], [5], [6]] },
	{ id: 'apart', name: 'apart', groups: [[0, 1, 3], [2, 4], [5], [6]] },
	{
		id: 'round',
		name: 'round',
		groups: [
			[6, 0],
			[1, 2, 3],
			[4, 5]
		]
	}
];

function randomWeek(random: () => number, values: number[], most: number): WeekSteps<number> {
	const count = 1 + Math.floor(random() * most);
	return buildWeek(
		Array.from({ length: count }, () => ({
			at: Math.floor(random() * (WEEK_MINUTES / 5)) * 5,
			value: values[Math.floor(random() * values.length)]!
		}))
	);
}

const everyStep = (minutes: number) => Array.from({ length: 1440 / minutes }, (_, i) => i * minutes);
const [stat, keypad, timer] = ['six-step-room-stat', 'hour-strip-keypad', 'switch-timer'].map((id) =>
	findProfile(id)!
) as [ControlProfile, ControlProfile, ControlProfile];
if (stat.program.form !== 'events') throw new Error('a stat holds events');
const eventsForm = stat.program;
const weightsOf = (random: () => number) => ({
	cold: 1 + Math.floor(random() * 6),
	warm: 1 + Math.floor(random() * 3)
});

describe('equal to the optimum of HiGHS', () => {
	it('events, clearable and forced, in six groupings', async () => {
		const random = seededRandom(20_261_124);
		for (let round = 0; round < 150; round++) {
			const stepMinutes = round % 5 === 0 ? 180 : 240;
			const grouping = groupings[round % groupings.length]!;
			const most = 1 + Math.floor(random() * 4);
			const setpoints = [12, 16.5, 19, 21].slice(0, 2 + Math.floor(random() * 3));
			const target = randomWeek(random, setpoints, 30);
			const weights = weightsOf(random);
			const profile: ControlProfile = {
				...stat,
				program: { ...eventsForm, stepMinutes, perDay: [most], clearable: round % 2 === 0 }
			};
			const options = { ...factoryOptions(profile), perDay: most };
			const fit = fitGrouping({ profile, options, setpointsC: setpoints, target, weights }, grouping);
			const lp = eventsLp(
				{ target, grouping, values: setpoints, weights, times: everyStep(stepMinutes) },
				most,
				round % 2 === 1
			);
			const reference = await optimum(lp);
			expect(Math.abs(fit.misfit.weighted - reference), `round ${round}`).toBeLessThan(
				1e-6 * Math.max(1, reference)
			);
		}
	});

	it('hour strips, whose two settings are chosen among the levels', async () => {
		const random = seededRandom(7);
		for (let round = 0; round < 60; round++) {
			const grouping = groupings[round % groupings.length]!;
			const setpoints = [8, 15, 17.5, 19, 21, 23].slice(0, 2 + Math.floor(random() * 5));
			const target = randomWeek(random, setpoints, 50);
			const weights = weightsOf(random);
			const fit = fitGrouping(
				{ profile: keypad, options: factoryOptions(keypad), setpointsC: setpoints, target, weights },
				grouping
			);
			const reference = await optimum(
				slotsLp({ target, grouping, values: setpoints, weights, times: everyStep(60) }, 2)
			);
			expect(Math.abs(fit.misfit.weighted - reference), `round ${round}`).toBeLessThan(
				1e-6 * Math.max(1, reference)
			);
		}
	});

	it('a box of several channels: the grouping that they take together', async () => {
		const random = seededRandom(2_026);
		for (let round = 0; round < 12; round++) {
			const most = 1 + Math.floor(random() * 3);
			const weights = weightsOf(random);
			const offered = { ...timer, groupings: groupings.slice(0, 4) };
			const options = { ...factoryOptions(timer), perDay: most };
			const targets = Array.from({ length: 2 + (round % 3) }, () => randomWeek(random, [0, 1], 24));
			const fits = targets.map((target) =>
				fitAll({ profile: offered, options, setpointsC: [0, 1], target, weights })
			);
			const [first, ...others] = fits.map(groupingCosts);
			const rest = Object.fromEntries(
				Object.keys(first!).map((id) => [
					id,
					{
						weighted: others.reduce((sum, of) => sum + of[id]!.weighted, 0),
						values: others.reduce((sum, of) => sum + of[id]!.values, 0)
					}
				])
			);
			const taken = suggestedGrouping(fits[0]!, rest);
			const sums: Record<string, number> = {};
			for (const grouping of offered.groupings) {
				sums[grouping.id] = 0;
				for (const target of targets)
					sums[grouping.id]! += await optimum(
						pairsLp({ target, grouping, values: [0, 1], weights, times: everyStep(15) }, most)
					);
			}
			const least = Math.min(...Object.values(sums));
			expect(Math.abs(sums[taken]! - least), `round ${round}`).toBeLessThan(1e-6 * Math.max(1, least));
			expect(
				Math.abs(first![taken]!.weighted + rest[taken]!.weighted - least),
				`round ${round}`
			).toBeLessThan(1e-6 * Math.max(1, least));
		}
	});

	it('on/off pairs', async () => {
		const random = seededRandom(99);
		for (let round = 0; round < 60; round++) {
			const grouping = groupings[round % groupings.length]!;
			const most = 1 + Math.floor(random() * 3);
			const target = randomWeek(random, [0, 1], 40);
			const weights = weightsOf(random);
			const options = { ...factoryOptions(timer), perDay: most };
			const fit = fitGrouping({ profile: timer, options, setpointsC: [0, 1], target, weights }, grouping);
			const reference = await optimum(
				pairsLp({ target, grouping, values: [0, 1], weights, times: everyStep(15) }, most)
			);
			expect(Math.abs(fit.misfit.weighted - reference), `round ${round}`).toBeLessThan(
				1e-6 * Math.max(1, reference)
			);
		}
	});

	it('pairs between two setpoints chosen among the levels, cleared in pairs', async () => {
		const random = seededRandom(31);
		const floor = findProfile('four-step-floor-stat')!;
		if (floor.program.form !== 'pairs') throw new Error('a four-step floor stat holds pairs');
		const profile = { ...floor, program: { ...floor.program, stepMinutes: 60 } };
		for (let round = 0; round < 20; round++) {
			const grouping = groupings[round % groupings.length]!;
			const setpoints = [16, 19, 22.5, 26].slice(0, 2 + Math.floor(random() * 3));
			const target = randomWeek(random, setpoints, 30);
			const weights = weightsOf(random);
			const options = factoryOptions(profile);
			const fit = fitGrouping({ profile, options, setpointsC: setpoints, target, weights }, grouping);
			let reference = Infinity;
			for (let low = 0; low < setpoints.length; low++)
				for (let high = low + 1; high < setpoints.length; high++) {
					// the last pair must end before midnight: its last hour is off
					const values = [setpoints[low]!, setpoints[high]!];
					const lp = pairsLp({ target, grouping, values, weights, times: everyStep(60) }, 2, true);
					reference = Math.min(reference, await optimum(lp));
				}
			expect(Math.abs(fit.misfit.weighted - reference), `round ${round}`).toBeLessThan(
				1e-6 * Math.max(1, reference)
			);
		}
	});

	it('bands with modes, days beginning on the coolest', async () => {
		const random = seededRandom(47);
		const clock = findProfile('plant-clock')!;
		if (clock.program.form !== 'events') throw new Error('a plant clock holds bands');
		const profile = {
			...clock,
			program: { ...clock.program, stepMinutes: 240, perDay: [2], modes: ['comfort', 'economy', 'off'] }
		};
		for (let round = 0; round < 15; round++) {
			const grouping = groupings[round % groupings.length]!;
			const setpoints = [7, 15, 18, 20].slice(0, 3 + Math.floor(random() * 2));
			const target = randomWeek(random, setpoints, 25);
			const weights = weightsOf(random);
			const options = { ...factoryOptions(profile), perDay: 2 };
			const fit = fitGrouping({ profile, options, setpointsC: setpoints, target, weights }, grouping);
			let reference = Infinity;
			for (let without = 0; without < (setpoints.length > 3 ? setpoints.length : 1); without++) {
				const values = setpoints.length > 3 ? setpoints.filter((_, i) => i !== without) : setpoints;
				const lp = eventsLp(
					{ target, grouping, values, weights, times: everyStep(240), beforeFirst: 0 },
					2,
					false
				);
				reference = Math.min(reference, await optimum(lp));
			}
			expect(Math.abs(fit.misfit.weighted - reference), `round ${round}`).toBeLessThan(
				1e-6 * Math.max(1, reference)
			);
		}
	});

	it('heating and cooling at shared events', async () => {
		const random = seededRandom(63);
		const both = findProfile('heat-and-cool-stat')!;
		if (both.program.form !== 'events') throw new Error('a heat-and-cool stat holds events');
		const profile = { ...both, program: { ...both.program, stepMinutes: 240, perDay: [2] } };
		const heats = [16, 18.5, 21];
		const cools = [30, 27, 24];
		for (let round = 0; round < 15; round++) {
			const grouping = groupings[round % groupings.length]!;
			const target = randomWeek(random, heats, 25);
			const coolTarget = randomWeek(random, cools, 25);
			const weights = weightsOf(random);
			const options = { ...factoryOptions(profile), perDay: 2 };
			const cooling = { setpointsC: cools, target: coolTarget };
			const fit = fitGrouping({ profile, options, setpointsC: heats, target, weights, cooling }, grouping);
			const lp = eventsLp(
				{
					target,
					grouping,
					values: heats,
					weights,
					times: everyStep(240),
					cool: { target: coolTarget, values: cools }
				},
				2,
				false
			);
			const reference = await optimum(lp);
			expect(Math.abs(fit.misfit.weighted - reference), `round ${round}`).toBeLessThan(
				1e-6 * Math.max(1, reference)
			);
		}
	});

	it('other numbers of events on Saturday and Sunday', async () => {
		const random = seededRandom(79);
		const unequal = findProfile('six-four-four-stat')!;
		if (unequal.program.form !== 'events') throw new Error('a six-four-four stat holds events');
		const profile = {
			...unequal,
			program: { ...unequal.program, stepMinutes: 240, perDay: [3], weekend: { saturday: 2, sunday: 1 } }
		};
		const grouping = groupings.find((one) => one.id === 'five-one-one')!;
		for (let round = 0; round < 15; round++) {
			const setpoints = [12, 16.5, 19];
			const target = randomWeek(random, setpoints, 25);
			const weights = weightsOf(random);
			const options = { ...factoryOptions(profile), perDay: 3 };
			const fit = fitGrouping({ profile, options, setpointsC: setpoints, target, weights }, grouping);
			const lp = eventsLp(
				{ target, grouping, values: setpoints, weights, times: everyStep(240) },
				[3, 2, 1],
				true
			);
			const reference = await optimum(lp);
			expect(Math.abs(fit.misfit.weighted - reference), `round ${round}`).toBeLessThan(
				1e-6 * Math.max(1, reference)
			);
		}
	});
});
