import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	eventsOn,
	expandProgram,
	factoryOptions,
	findProfile,
	shippedProfiles,
	type ControlProfile,
	type Grouping,
	type Program
} from '../control';
import { newZone, withWanted } from '../plan';
import { buildWeek, constantWeek, DAY_MINUTES, valueAt, WEEK_MINUTES, type WeekSteps } from '../week';
import { defaultWeights, fitAll, fitGrouping, fitZone, misfitOf, type FitRequest } from '.';

const stat = findProfile('six-step-room-stat')!;

/** A six-step stat reduced to a coarse clock, so that every program can be tried. */
function coarse(perDay: number, clearable: boolean): ControlProfile {
	return { ...stat, program: { ...eventsForm, stepMinutes: 60, perDay: [perDay], clearable } };
}

function request(
	profile: ControlProfile,
	target: WeekSteps<number>,
	setpointsC: number[],
	perDay?: number
): FitRequest {
	const options = factoryOptions(profile);
	return {
		profile,
		options: { ...options, perDay: perDay ?? options.perDay },
		setpointsC,
		target,
		weights: defaultWeights
	};
}

/** J by walking every minute. */
function costByMinute(target: WeekSteps<number>, held: (minute: number) => number): number {
	let cost = 0;
	for (let minute = 0; minute < WEEK_MINUTES; minute++) {
		const short = valueAt(target, minute) - held(minute);
		cost += short > 0 ? defaultWeights.cold * short : defaultWeights.warm * -short;
	}
	return cost;
}

if (stat.program.form !== 'events') throw new Error('a stat holds events');
const eventsForm = stat.program;

const everyDayAlike: Grouping = { id: 'all', name: 'all', groups: [[0, 1, 2, 3, 4, 5, 6]] };
const odd: Grouping = {
	id: 'odd',
	name: 'odd',
	groups: [
		[0, 2, 4],
		[1, 3],
		[5, 6]
	]
};

/** All event lists of a day: times on four-hour marks and the last step before midnight, which sets what the next day is handed. */
function everyDayProgram(
	most: number,
	values: number[],
	least: number
): { at: number; setpointC: number }[][] {
	const times = [0, 240, 480, 720, 960, 1200, 1380];
	const lists: { at: number; setpointC: number }[][] = [];
	const grow = (list: { at: number; setpointC: number }[], from: number) => {
		if (list.length >= least) lists.push(list);
		if (list.length === most) return;
		for (let i = from; i < times.length; i++)
			for (const setpointC of values) grow([...list, { at: times[i]!, setpointC }], i + 1);
	};
	grow([], 0);
	return lists;
}

/** What a program holds at every minute, written down from its meaning and not by the code under test. */
function walk(program: Program): number[] {
	const held = new Array<number>(WEEK_MINUTES);
	if (program.form === 'plain') return held.fill(program.setpointC);
	const groupOf = (day: number) => program.groups.find((group) => group.days.includes(day))!;
	for (let day = 0; day < 7; day++) {
		const group = groupOf(day);
		let carried = NaN;
		if ('events' in group && program.form === 'events') {
			for (let back = 1; Number.isNaN(carried) && back <= 7; back++) {
				const before = groupOf((day + 7 - back) % 7);
				if ('events' in before && before.events.length > 0) carried = before.events.at(-1)!.setpointC;
			}
			if (program.beforeFirstC !== null) carried = program.beforeFirstC;
		}
		for (let minute = 0; minute < DAY_MINUTES; minute++) {
			const at = day * DAY_MINUTES + minute;
			if ('events' in group) {
				for (const event of group.events) if (event.at === minute) carried = event.setpointC;
				held[at] = carried;
			} else if ('slots' in group && program.form === 'slots') {
				held[at] = program.settings[group.slots[Math.floor(minute / program.slotMinutes)]!]!.setpointC;
			} else if ('pairs' in group && program.form === 'pairs') {
				held[at] = group.pairs.some((pair) => pair.on <= minute && minute < pair.off)
					? program.onC
					: program.offC;
			}
		}
	}
	return held;
}

const fourHourly = fc
	.array(
		fc.record({
			at: fc.integer({ min: 0, max: 41 }).map((i) => i * 240),
			value: fc.constantFrom(12, 16, 20)
		}),
		{
			minLength: 1,
			maxLength: 16
		}
	)
	.map((steps) => buildWeek(steps));

describe('the fit never loses against trying everything', () => {
	it('one program for every day, two events, all of them tried', () => {
		const programs = everyDayProgram(2, [12, 16, 20], 1);
		fc.assert(
			fc.property(fourHourly, (target) => {
				const fit = fitGrouping(request(coarse(2, true), target, [12, 16, 20], 2), everyDayAlike);
				const best = Math.min(
					...programs.map((events) => {
						const program = {
							form: 'events' as const,
							modes: null,
							beforeFirstC: null,
							grouping: 'all',
							groups: [{ days: [0, 1, 2, 3, 4, 5, 6], events }]
						};
						return misfitOf(target, expandProgram(program, 12), defaultWeights).weighted;
					})
				);
				expect(fit.misfit.weighted).toBeCloseTo(best, 6);
			}),
			{ numRuns: 40 }
		);
	});

	it('groups that are not contiguous, one event each, empty ones too', () => {
		const programs = everyDayProgram(1, [12, 20], 0);
		fc.assert(
			fc.property(fourHourly, (target) => {
				const fit = fitGrouping(request(coarse(1, true), target, [12, 20], 1), odd);
				let best = Infinity;
				for (const a of programs)
					for (const b of programs)
						for (const c of programs) {
							if (a.length + b.length + c.length === 0) continue;
							const program = {
								form: 'events' as const,
								modes: null,
								beforeFirstC: null,
								grouping: 'odd',
								groups: [a, b, c].map((events, g) => ({ days: odd.groups[g]!, events }))
							};
							best = Math.min(best, misfitOf(target, expandProgram(program, 12), defaultWeights).weighted);
						}
				expect(fit.misfit.weighted).toBeCloseTo(best, 6);
			}),
			{ numRuns: 12 }
		);
	});
});

describe('what a fit holds', () => {
	const anyTarget = fc
		.array(
			fc.record({
				at: fc.integer({ min: 0, max: WEEK_MINUTES - 1 }),
				value: fc.constantFrom(7, 15.5, 18, 21)
			}),
			{
				minLength: 1,
				maxLength: 60
			}
		)
		.map((steps) => buildWeek(steps));

	it('costs what walking its program minute by minute costs, and keeps to the profile, for every family', () => {
		fc.assert(
			fc.property(anyTarget, fc.constantFrom(...shippedProfiles), (temperatures, profile) => {
				const isSwitch = profile.temperature === null;
				const target = isSwitch
					? buildWeek(temperatures.map((s) => ({ ...s, value: s.value > 16 ? 1 : 0 })))
					: temperatures;
				for (const grouping of profile.groupings) {
					const fit = fitGrouping(request(profile, target, isSwitch ? [0, 1] : [7, 15.5, 18, 21]), grouping);
					const held = walk(fit.program);
					expect(costByMinute(target, (minute) => held[minute]!)).toBeCloseTo(fit.misfit.weighted, 5);
					const { program: form } = profile;
					if (fit.program.form === 'events' && form.form === 'events')
						for (const { days, events } of fit.program.groups) {
							const most = Math.min(...days.map((day) => eventsOn(form, form.perDay[0]!, day)));
							if (form.clearable) expect(events.length).toBeLessThanOrEqual(most);
							else expect(events).toHaveLength(most);
							expect(
								events.every((e, i) => e.at % form.stepMinutes === 0 && (i === 0 || e.at > events[i - 1]!.at))
							).toBe(true);
							const modes = fit.program.modes?.map((mode) => mode.setpointC);
							if (modes) expect(events.every((event) => modes.includes(event.setpointC))).toBe(true);
						}
				}
			}),
			{ numRuns: 25 }
		);
	});

	it('never costs more with a finer grouping', () => {
		fc.assert(
			fc.property(anyTarget, (target) => {
				const costs = stat.groupings.map(
					(grouping) => fitGrouping(request(stat, target, [7, 15.5, 18, 21]), grouping).misfit.weighted
				);
				expect(costs[1]!).toBeLessThanOrEqual(costs[0]! + 1e-6);
				expect(costs[2]!).toBeLessThanOrEqual(costs[1]! + 1e-6);
			}),
			{ numRuns: 25 }
		);
	});
});

describe('a week too hard for its control', () => {
	/** A week of so many steps between twelve levels. */
	const hard = (steps: number) =>
		buildWeek(
			Array.from({ length: steps }, (_, i) => ({
				at: Math.floor((i * WEEK_MINUTES) / steps),
				value: 7 + ((i * 7919) % 12) * 1.5
			}))
		);
	const levels = Array.from({ length: 12 }, (_, i) => 7 + i * 1.5);

	it('is fitted exactly on every shipped control, two thousand steps and all', () => {
		for (const profile of shippedProfiles.filter((one) => one.temperature)) {
			const fits = fitAll(request(profile, hard(2000), levels));
			expect(
				fits.map((fit) => fit.couldGain),
				profile.id
			).toEqual(fits.map(() => 0));
		}
	});

	it('is fitted as well as it can be found on one that chooses six modes of twelve, with a bound that holds', () => {
		const modes = (count: number): ControlProfile => {
			const plant = findProfile('plant-clock')!;
			if (plant.program.form !== 'events') throw new Error('a plant clock holds events');
			const names = Array.from({ length: count }, (_, i) => `mode-${i}`);
			return { ...plant, program: { ...plant.program, modes: names, perDay: [12] } };
		};
		const [three, six] = [3, 6].map((count) => fitAll(request(modes(count), hard(2000), levels, 12)).at(-1)!);
		expect(six!.couldGain).toBeGreaterThan(0);
		expect(six!.couldGain).toBeLessThan(0.01);
		// more modes are never worse: what the bound rules out nothing reaches
		expect(six!.misfit.weighted * (1 - six!.couldGain)).toBeLessThanOrEqual(three!.misfit.weighted);
	});
});

describe('ties', () => {
	it('go to the fewest events: a steady week on a clearable control needs one', () => {
		const fit = fitGrouping(
			request({ ...coarse(6, true) }, constantWeek(18), [16, 18, 20], 6),
			stat.groupings[2]!
		);
		expect(
			fit.program.groups.reduce((sum, group) => sum + ('events' in group ? group.events.length : 0), 0)
		).toBe(1);
		expect(fit.misfit.weighted).toBe(0);
	});

	it('then to the fewest distinct values', () => {
		// two stretches of 16.5, each as near to 16 as to 17; one of them could be either, 17 is used anyway
		const target = buildWeek([
			{ at: 0, value: 17 },
			{ at: 480, value: 16.5 },
			{ at: 960, value: 20 }
		]);
		const even = { ...request(coarse(6, true), target, [16, 17, 20], 6), weights: { cold: 1, warm: 1 } };
		const fit = fitGrouping(even, everyDayAlike);
		const used = new Set(
			fit.program.groups.flatMap((g) => ('events' in g ? g.events.map((e) => e.setpointC) : []))
		);
		expect(used.has(16)).toBe(false);
	});

	it('then to the earliest rise and the latest fall', () => {
		// a step at 30 past on an hourly control with even weights: either hour costs the same
		const target = buildWeek([
			{ at: 390, value: 20 },
			{ at: 1110, value: 16 }
		]);
		const week = buildWeek(
			[0, 1, 2, 3, 4, 5, 6].flatMap((d) => target.map((s) => ({ at: s.at + d * 1440, value: s.value })))
		);
		const fit = fitGrouping(
			{ ...request(coarse(2, true), week, [16, 20], 2), weights: { cold: 1, warm: 1 } },
			everyDayAlike
		);
		expect(fit.program.groups[0]).toMatchObject({
			events: [
				{ at: 360, setpointC: 20 },
				{ at: 1140, setpointC: 16 }
			]
		});
	});
});

describe('forced periods', () => {
	it('repeat the value before, late in the day, and hold the same week', () => {
		const target = buildWeek([
			{ at: 400, value: 20 },
			{ at: 1300, value: 16 }
		]);
		const fit = fitGrouping(request(stat, target, [16, 20]), stat.groupings[2]!);
		for (const group of fit.program.groups) {
			if (!('events' in group)) throw new Error('events expected');
			expect(group.events).toHaveLength(6);
			expect(group.events.every((event, i) => i === 0 || event.at > group.events[i - 1]!.at)).toBe(true);
			expect(group.events.every((event) => event.at % 10 === 0)).toBe(true);
		}
		expect(fit.misfit.weighted).toBe(0);
	});

	it('may spend the last step before midnight on what the next day is handed', () => {
		// one event a day: Tuesday spends its own at noon, so Monday must hand it 20 and Sunday hand Monday 16
		const target = buildWeek([
			{ at: 0, value: 16 },
			{ at: 1440, value: 20 },
			{ at: 2160, value: 12 }
		]);
		const profile: ControlProfile = {
			...stat,
			program: { ...eventsForm, stepMinutes: 10, perDay: [1], clearable: false }
		};
		const fit = fitGrouping(request(profile, target, [12, 16, 20], 1), stat.groupings[2]!);
		expect(fit.program.groups[0]).toMatchObject({ events: [{ at: 1430, setpointC: 20 }] });
		expect(fit.misfit.weighted).toBe(80);
	});

	it('find room even when the only change is the last step of the day', () => {
		const target = buildWeek(
			[0, 1, 2, 3, 4, 5, 6].flatMap((d) => [
				{ at: d * 1440 + 1430, value: 20 },
				{ at: d * 1440, value: 16 }
			])
		);
		const fit = fitGrouping(request(stat, target, [16, 20]), stat.groupings[0]!);
		expect(fit.misfit.weighted).toBe(0);
	});
});

describe('a control that heats and cools', () => {
	const both = findProfile('heat-and-cool-stat')!;
	const levels = { heat: [16, 18.5, 20.5], cool: [30, 27, 25] };

	it('gives both setpoints at shared events and keeps the dead band', () => {
		const heat = buildWeek([
			{ at: 480, value: 20.5 },
			{ at: 1020, value: 16 }
		]);
		const cool = buildWeek([
			{ at: 480, value: 25 },
			{ at: 1020, value: 30 }
		]);
		const fit = fitGrouping(
			{ ...request(both, heat, levels.heat), cooling: { setpointsC: levels.cool, target: cool } },
			both.groupings[1]!
		);
		expect(fit.misfit.weighted).toBe(0);
		expect(fit.program.groups[0]).toMatchObject({
			events: [
				{ at: 480, setpointC: 20.5, coolC: 25 },
				{ at: 1020, setpointC: 16, coolC: 30 }
			]
		});
		const narrow = fitGrouping(
			{
				...request(both, constantWeek(21), [21]),
				cooling: { setpointsC: [21.5], target: constantWeek(21.5) }
			},
			both.groupings[1]!
		);
		expect(narrow.program.form === 'events' && narrow.program.groups[0]!.events[0]).toMatchObject({
			setpointC: 21,
			coolC: 23
		});
		expect(narrow.misfit.weighted).toBe(4 * 1.5 * WEEK_MINUTES);
	});
});

describe('any control switched to plain', () => {
	it('holds the one setpoint that costs least', () => {
		const zone = withWanted(
			newZone('Loft', stat),
			buildWeek([
				{ at: 480, value: 'comfort' },
				{ at: 900, value: 'eco' }
			])
		);
		const { chosen, fits } = fitZone({ ...zone, options: { ...zone.options, plain: true } }, stat);
		expect(fits).toHaveLength(1);
		expect(chosen.program).toMatchObject({ form: 'plain', setpointC: 16 });
		expect(chosen.valuesToKey).toBe(1);
	});
});
