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

/** An optimal program with its cost. */
export interface Solution extends Cost {
	readonly program: Program;
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

function solveEvents(problem: FormProblem, form: EventsForm): Solution {
	const { groups, grouping, options, values } = problem;
	const lastStep = DAY_MINUTES - form.stepMinutes;
	const counts = groups.map((days) => Math.min(...days.map((day) => eventsOn(form, options.perDay, day))));
	const latestFirst = counts.map((count) =>
		form.clearable ? lastStep : DAY_MINUTES - count * form.stepMinutes
	);
	// the last step of the day may be worth an event for what it hands to the next day
	const extra = [lastStep, ...latestFirst];
	const ready = groupTargets(
		wantedOf(problem),
		groups,
		form.stepMinutes,
		values.length,
		costOf(problem),
		extra
	);
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
	return {
		main: solution.main,
		tie: solution.tie,
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
			groups: groups.map((days, g) => {
				const events = solution.events[g]!.map((event) => {
					const { heatC, coolC } = values[event.value]!;
					return { at: event.at, setpointC: heatC, ...(coolC === null ? {} : { coolC }) };
				});
				return {
					days: [...days],
					events: form.clearable ? events : fillUp(events, counts[g]!, form.stepMinutes)
				};
			})
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

/**
 * The best of all choices of `count` values, each solved on its own: how a control that holds only a
 * few setpoints has them chosen too. Choices come with the least bound first and stop where even the
 * bound is worse than what is found.
 */
function overChoices(
	problem: FormProblem,
	count: number,
	solve: (values: readonly FitValue[]) => Solution
): Solution {
	const { values } = problem;
	const bound = boundOf(problem);
	const choices = combinations(values.length, Math.min(count, values.length))
		.map((subset) => ({ subset, least: bound(subset) }))
		.sort((a, b) => a.least - b.least);
	let best: Solution | undefined;
	for (const { subset, least } of choices) {
		if (best && least * 256 > best.main) break;
		const tried = solve(subset.map((v) => values[v]!));
		if (!best || lower(tried.main, tried.tie, best.main, best.tie)) best = tried;
	}
	return best!;
}

function solvePairForm(problem: FormProblem, form: PairsForm): Solution {
	const { groups, grouping, options, values } = problem;
	// a switch always has both states, whatever levels the zone has
	const both: readonly FitValue[] = form.settings
		? values
		: [
				{ heatC: 0, coolC: null },
				{ heatC: 1, coolC: null }
			];
	const [off, on] = [both[0]!, both.at(-1)!];
	const ready = groupTargets(
		wantedOf(problem),
		groups,
		form.stepMinutes,
		both.length,
		costOf({ ...problem, values: both }),
		[DAY_MINUTES - form.stepMinutes]
	);
	const warmth = scaled(on.heatC) - scaled(off.heatC);
	const solved = ready.map((group) =>
		solvePairs(group, options.perDay, form.endsAtMidnight, 0, both.length - 1, warmth)
	);
	return {
		main: solved.reduce((sum, part) => sum + part.main, 0),
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

/** The exact optimum of a grouping for any program form. */
export function solveForm(problem: FormProblem): Solution {
	const { form } = problem;
	switch (form.form) {
		case 'slots':
			return solveSlotForm(problem, form);
		case 'plain':
			return solvePlain(problem);
		case 'pairs':
			return form.settings
				? overChoices(problem, 2, (values) => solvePairForm({ ...problem, values }, form))
				: solvePairForm(problem, form);
		case 'events':
			return form.modes
				? overChoices(problem, form.modes.length, (values) => solveEvents({ ...problem, values }, form))
				: solveEvents(problem, form);
	}
}
