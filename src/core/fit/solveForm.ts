import {
	eventsOn,
	type ControlOptions,
	type EventsForm,
	type Grouping,
	type PairsForm,
	type Program,
	type ProgramForm,
	type SlotsForm
} from '../control';
import { DAY_MINUTES, mapWeek, spansOf, zipSpans, type WeekSteps } from '../week';
import { lower, scaled, type Cost, type Weights } from './cost';
import { solveCoupled } from './couple';
import { eventBound } from './eventTable';
import { groupTargets, type GroupTarget } from './groupTarget';
import { solvePairs } from './pairs';
import { combinations, solveSlots } from './slots';

/** A value an event can be given: a heating setpoint, and with it a cooling one where the control cools. °C. */
export interface FitValue {
	readonly heatC: number;
	readonly coolC: number | null;
}

/** One grouping's problem, its values made ready by the caller: what the control can really be given, coolest first. */
export interface FormProblem {
	readonly form: ProgramForm;
	readonly options: ControlOptions;
	readonly grouping: Grouping;
	/** The grouping's groups in running order. */
	readonly groups: readonly (readonly number[])[];
	readonly target: WeekSteps<number>;
	readonly coolTarget: WeekSteps<number> | null;
	readonly values: readonly FitValue[];
	readonly weights: Weights;
}

/** The best program found with its cost. */
export interface Solution extends Cost {
	readonly program: Program;
	/** Less than this no program can cost; the cost itself where it is proved the least. */
	readonly least: number;
	readonly candidateTimes: number;
	/** The values that every optimal program uses, and how many this one uses; for the tie by distinct values. */
	readonly needed: readonly FitValue[];
	readonly used: number;
}

type Wanted = readonly [heat: number, cool: number];

/** The target of both setpoints as one week; the cooling one stands at 0 where there is none. */
function wantedOf({ target, coolTarget }: FormProblem): WeekSteps<string> {
	const key = (heat: number, cool: number) => `${scaled(heat)}/${scaled(cool)}`;
	if (!coolTarget) return mapWeek(target, (heat) => key(heat, 0));
	const spans = zipSpans(target, coolTarget);
	return spans.map((span) => ({ at: span.from, value: key(span.value[0], span.value[1]) }));
}

function costOf({ coolTarget, values, weights }: FormProblem): (wanted: string, value: number) => number {
	const parsed = new Map<string, Wanted>();
	const heats = values.map((value) => scaled(value.heatC));
	const cools = values.map((value) => scaled(value.coolC ?? 0));
	const weigh = (short: number) => (short > 0 ? weights.cold * short : weights.warm * -short);
	return (key, v) => {
		let wanted = parsed.get(key);
		if (!wanted) {
			const [heat, cool] = key.split('/').map(Number) as [number, number];
			parsed.set(key, (wanted = [heat, cool]));
		}
		const heating = weigh(wanted[0] - heats[v]!);
		return coolTarget ? heating + weigh(cools[v]! - wanted[1]) : heating;
	};
}

const countTimes = (ready: readonly GroupTarget[]) =>
	ready.reduce((sum, group) => sum + group.times.length - 1, 0);

/** Events that a control insists on but the week does not need: late in the day, repeating the value before. */
function fillUp<E extends { at: number }>(events: readonly E[], count: number, stepMinutes: number): E[] {
	const filled = [...events];
	for (let at = DAY_MINUTES - stepMinutes; filled.length < count && at > 0; at -= stepMinutes) {
		const before = filled.filter((event) => event.at <= at).at(-1);
		if (!before || before.at === at) continue;
		filled.push({ ...before, at });
		filled.sort((a, b) => a.at - b.at);
	}
	return filled;
}

/**
 * Events filled up to as many as another day has, so that as few of their times and values as can be differ from its, place by place; what the day holds is the same.
 * A spare event repeats the value before it: at the time that the other day has in its place, or late in the day.
 */
function fillLike<E extends { at: number; setpointC: number; coolC?: number }>(
	events: readonly E[],
	like: readonly E[],
	stepMinutes: number
): E[] {
	const count = like.length;
	interface Filled {
		readonly events: readonly E[];
		readonly differ: number;
	}
	const known = new Map<string, Filled | null>();
	/** The best from the place `i` on, where `j` of the events stand already and the last of them at `last`. */
	const from = (i: number, j: number, last: number): Filled | null => {
		if (i === count) return j === events.length ? { events: [], differ: 0 } : null;
		const key = `${i}/${j}/${last}`;
		const had = known.get(key);
		if (had !== undefined) return had;
		const there = like[i]!;
		const before = events[j - 1];
		const next = events[j];
		const late = Math.max(last + stepMinutes, DAY_MINUTES - stepMinutes * (count - i));
		const spares = before ? [there.at, ...(next ? [] : [late])] : [];
		const tries = [
			...(next && next.at > last ? [next] : []),
			...spares.filter((at) => at > last && at < (next?.at ?? DAY_MINUTES)).map((at) => ({ ...before!, at }))
		];
		let best: Filled | null = null;
		for (const event of tries) {
			const rest = from(i + 1, event === next ? j + 1 : j, event.at);
			if (!rest) continue;
			const differ =
				rest.differ +
				Number(event.at !== there.at) +
				Number(event.setpointC !== there.setpointC || event.coolC !== there.coolC);
			if (!best || differ < best.differ) best = { events: [event, ...rest.events], differ };
		}
		known.set(key, best);
		return best;
	};
	return [...(from(0, 0, -1)?.events ?? fillUp(events, count, stepMinutes))];
}

/** The groups made ready for the problem's values; a choice among these takes from it what it needs. */
type Ready = readonly GroupTarget[];

/** What is ready for all values, for a few of them. */
const ofValues = (ready: Ready, subset: readonly number[]): Ready =>
	ready.map((group) => ({
		...group,
		prefix: group.prefix.map((ofDay) => subset.map((v) => ofDay[v]!)),
		prefixSum: subset.map((v) => group.prefixSum[v]!)
	}));

/** How many events each group may have, and the latest time at which its first can stand, in minutes. */
function eventRoom({ groups, options }: FormProblem, form: EventsForm) {
	const lastStep = DAY_MINUTES - form.stepMinutes;
	const counts = groups.map((days) => Math.min(...days.map((day) => eventsOn(form, options.perDay, day))));
	const latestFirst = counts.map((count) =>
		form.clearable ? lastStep : DAY_MINUTES - count * form.stepMinutes
	);
	return { counts, latestFirst, lastStep };
}

function readyForEvents(problem: FormProblem, form: EventsForm): Ready {
	const { latestFirst, lastStep } = eventRoom(problem, form);
	// the last step of the day may be worth an event for what it hands to the next day
	const extra = [lastStep, ...latestFirst];
	const { groups, values } = problem;
	return groupTargets(wantedOf(problem), groups, form.stepMinutes, values.length, costOf(problem), extra);
}

function solveEvents(problem: FormProblem, form: EventsForm, ready: Ready): Solution {
	const { groups, grouping, values } = problem;
	const { counts, latestFirst } = eventRoom(problem, form);
	const solution = solveCoupled({
		groups: ready,
		values: values.map((value) => scaled(value.heatC)),
		maxEvents: counts,
		mayBeEmpty: form.clearable,
		latestFirst,
		// values come coolest first
		beforeFirst: form.beforeFirst === 'coolest-mode' ? 0 : null
	});
	const used = new Set(solution.events.flatMap((events) => events.map((event) => event.value)));
	const events = solution.events.map((of) =>
		of.map((event) => {
			const { heatC, coolC } = values[event.value]!;
			return { at: event.at, setpointC: heatC, ...(coolC === null ? {} : { coolC }) };
		})
	);
	const first = form.clearable ? events[0]! : fillUp(events[0]!, counts[0]!, form.stepMinutes);
	const filled = events.map((of, g) => {
		if (form.clearable) return of;
		return g > 0 && counts[g] === first.length
			? fillLike(of, first, form.stepMinutes)
			: fillUp(of, counts[g]!, form.stepMinutes);
	});
	return {
		main: solution.main,
		tie: solution.tie,
		least: solution.main,
		candidateTimes: countTimes(ready),
		needed: values.filter((_, v) => solution.needed & (1 << v)),
		used: used.size,
		program: {
			form: 'events',
			grouping: grouping.id,
			modes: form.modes
				? form.modes.map((name, m) => ({
						name,
						// with fewer levels than modes, the spare ones repeat the coolest
						setpointC: values[Math.max(0, values.length - 1 - m)]!.heatC
					}))
				: null,
			beforeFirstC: form.beforeFirst === 'coolest-mode' ? values[0]!.heatC : null,
			groups: groups.map((days, g) => ({ days: [...days], events: filled[g]! }))
		}
	};
}

/** Least cost a minute-by-minute choice among a few values could have: no program with those can cost less. */
function boundOf(problem: FormProblem): (subset: readonly number[]) => number {
	const cost = costOf(problem);
	const minutes = new Map<string, number>();
	for (const span of spansOf(wantedOf(problem)))
		minutes.set(span.value, (minutes.get(span.value) ?? 0) + span.to - span.from);
	const rows = [...minutes].map(([wanted, length]) => problem.values.map((_, v) => cost(wanted, v) * length));
	return (subset) => rows.reduce((sum, row) => sum + Math.min(...subset.map((v) => row[v]!)), 0);
}

/** How much is searched before the best found is given with its bound: cells of the tables, some 100 ns each. Above what any shipped control takes. */
const MOST_CELLS = 24_000_000;
/** How much may go into close bounds of all choices; above it one bound of all of them serves. */
const MOST_BOUNDED = 100_000_000;
const cellsOf = (ready: Ready, counts: readonly number[], width: number) =>
	ready.reduce((sum, group, g) => sum + group.times.length * counts[g]! * width * width, 0);

/**
 * The best of all choices of `count` values, each solved on its own: how a control that holds only a
 * few setpoints has them chosen too. Choices come with the least bound first and stop where even the
 * bound is worse than what is found, or where `tries` are used up: then the bound of the next says how much better another
 * could be at most. `least` may know a closer bound of a choice than what its minutes cost.
 */
function overChoices(
	problem: FormProblem,
	count: number,
	ready: Ready,
	solve: (problem: FormProblem, ready: Ready) => Solution,
	least: (ready: Ready) => number = () => 0,
	tries = Infinity
): Solution {
	const { values } = problem;
	const bound = boundOf(problem);
	const choices = combinations(values.length, Math.min(count, values.length))
		.map((subset) => {
			const minutes = bound(subset) * 256;
			return { subset, minutes, least: Math.max(minutes, least(ofValues(ready, subset))) };
		})
		.sort((a, b) => a.least - b.least || a.minutes - b.minutes);
	let best: Solution | undefined;
	for (const [i, { subset, least }] of choices.entries()) {
		if (best && least > best.main) break;
		if (best && i >= tries) return { ...best, least };
		const tried = solve({ ...problem, values: subset.map((v) => values[v]!) }, ofValues(ready, subset));
		if (!best || lower(tried.main, tried.tie, best.main, best.tie)) best = tried;
	}
	return best!;
}

/** A switch always has both states, whatever levels the zone has. */
const SWITCHED: readonly FitValue[] = [
	{ heatC: 0, coolC: null },
	{ heatC: 1, coolC: null }
];

function readyForPairs(problem: FormProblem, form: PairsForm): Ready {
	const { groups, values } = problem;
	const lastStep = DAY_MINUTES - form.stepMinutes;
	return groupTargets(wantedOf(problem), groups, form.stepMinutes, values.length, costOf(problem), [
		lastStep
	]);
}

function solvePairForm(problem: FormProblem, form: PairsForm, ready: Ready): Solution {
	const { groups, grouping, options, values: both } = problem;
	const [off, on] = [both[0]!, both.at(-1)!];
	const warmth = scaled(on.heatC) - scaled(off.heatC);
	const solved = ready.map((group) =>
		solvePairs(group, options.perDay, form.endsAtMidnight, 0, both.length - 1, warmth)
	);
	const main = solved.reduce((sum, part) => sum + part.main, 0);
	return {
		main,
		least: main,
		tie: solved.reduce((sum, part) => sum + part.tie, 0),
		candidateTimes: countTimes(ready),
		needed: [],
		used: both.length,
		program: {
			form: 'pairs',
			grouping: grouping.id,
			onC: on.heatC,
			offC: off.heatC,
			groups: groups.map((days, g) => ({ days: [...days], pairs: [...solved[g]!.pairs] }))
		}
	};
}

function solveSlotForm(problem: FormProblem, form: SlotsForm): Solution {
	const { groups, grouping, values } = problem;
	const starts = Array.from({ length: DAY_MINUTES / form.slotMinutes }, (_, s) => s * form.slotMinutes);
	const ready = groupTargets(
		wantedOf(problem),
		groups,
		form.slotMinutes,
		values.length,
		costOf(problem),
		starts
	);
	const solution = solveSlots(
		ready,
		values.map((value) => scaled(value.heatC)),
		form.settings.length,
		form.slotMinutes
	);
	const settingAt = (s: number) => values[solution.settings[Math.min(s, solution.settings.length - 1)]!]!;
	return {
		main: solution.main,
		tie: solution.tie,
		least: solution.main,
		candidateTimes: countTimes(ready),
		needed: [],
		used: solution.settings.length,
		program: {
			form: 'slots',
			grouping: grouping.id,
			slotMinutes: form.slotMinutes,
			// with fewer levels than settings, the spare ones repeat the coolest
			settings: form.settings.map((name, s) => ({ name, setpointC: settingAt(s).heatC })),
			groups: groups.map((days, g) => ({ days: [...days], slots: [...solution.slots[g]!] }))
		}
	};
}

function solvePlain(problem: FormProblem): Solution {
	const { values, grouping, groups } = problem;
	const bound = boundOf(problem);
	let best = 0;
	values.forEach((_, v) => {
		if (lower(bound([v]), -v, bound([best]), -best)) best = v;
	});
	const { heatC, coolC } = values[best]!;
	return {
		main: bound([best]) * 256,
		least: bound([best]) * 256,
		tie: -scaled(heatC),
		candidateTimes: 1,
		needed: [],
		used: 1,
		program: {
			form: 'plain',
			grouping: grouping.id,
			setpointC: heatC,
			...(coolC === null ? {} : { coolC }),
			groups: [{ days: [...groups[0]!] }]
		}
	};
}

/** The optimum of a grouping for any program form: exact, or, past a budget that no shipped control reaches, the best found with a proven bound. */
export function solveForm(problem: FormProblem): Solution {
	const { form } = problem;
	switch (form.form) {
		case 'slots':
			return solveSlotForm(problem, form);
		case 'plain':
			return solvePlain(problem);
		case 'pairs': {
			if (form.settings)
				return overChoices(problem, 2, readyForPairs(problem, form), (chosen, ready) =>
					solvePairForm(chosen, form, ready)
				);
			const switched = { ...problem, values: SWITCHED };
			return solvePairForm(switched, form, readyForPairs(switched, form));
		}
		case 'events': {
			const ready = readyForEvents(problem, form);
			if (!form.modes) return solveEvents(problem, form, ready);
			const { counts } = eventRoom(problem, form);
			const width = Math.min(form.modes.length, problem.values.length);
			const cells = cellsOf(ready, counts, width);
			const ways = combinations(problem.values.length, width).length;
			const bound = (of: Ready) =>
				of.reduce((sum, group, g) => sum + eventBound(group, counts[g]!, form.clearable), 0);
			// no few of the values can do better than all of them could
			const ofAll = bound(ready);
			return overChoices(
				problem,
				form.modes.length,
				ready,
				(chosen, of) => solveEvents(chosen, form, of),
				ways * cells < MOST_BOUNDED ? bound : () => ofAll,
				Math.ceil(MOST_CELLS / cells)
			);
		}
	}
}
