import {
	heldSetpoint,
	expandProgram,
	valuesToKey,
	type ControlOptions,
	type ControlProfile,
	type Grouping,
	type Program
} from '../control';
import { DAY_MINUTES, splitByDay, type WeekSteps } from '../week';
import { scaled, type Cost, type Weights } from './cost';
import { inRunningOrder, solveCoupled } from './couple';
import { groupTargets } from './groupTarget';
import { misfitOf, type Misfit } from './misfit';
import { solvePairs } from './pairs';
import { combinations, solveSlots } from './slots';

export interface FitRequest {
	readonly profile: ControlProfile;
	readonly options: ControlOptions;
	/** The zone's setpoints in °C (0/1 on a switch); the control's rounding and limits are applied here. */
	readonly setpointsC: readonly number[];
	/** The target week in °C (0/1 on a switch), not rounded to the control. */
	readonly target: WeekSteps<number>;
	readonly weights: Weights;
}

/** A period of the target that appears nowhere in the held week with its own setpoint. */
export interface LostPeriod {
	readonly day: number;
	readonly from: number;
	readonly to: number;
	readonly wantedC: number;
}

/** The best program of one grouping, proved optimal, and what it leaves undone. */
export interface Fit {
	readonly grouping: Grouping;
	readonly program: Program;
	readonly held: WeekSteps<number>;
	readonly misfit: Misfit;
	readonly valuesToKey: number;
	readonly lost: readonly LostPeriod[];
	/** What was searched: the answer is the optimum over all of it. */
	readonly searched: { readonly candidateTimes: number; readonly setpoints: number };
}

interface Solution extends Cost {
	readonly program: Program;
	readonly candidateTimes: number;
	/** The setpoints that every optimal program uses. */
	readonly neededC: readonly number[];
}

/** Events that a control insists on but the week does not need: late in the day, repeating the value before. */
function fillUp(
	events: readonly { at: number; setpointC: number }[],
	count: number,
	stepMinutes: number
): { at: number; setpointC: number }[] {
	const filled = [...events];
	for (let at = DAY_MINUTES - stepMinutes; filled.length < count && at > 0; at -= stepMinutes) {
		const before = filled.filter((event) => event.at <= at).at(-1);
		if (!before || before.at === at) continue;
		filled.push({ at, setpointC: before.setpointC });
		filled.sort((a, b) => a.at - b.at);
	}
	return filled;
}

function solve(request: FitRequest, grouping: Grouping, valuesC: readonly number[]): Solution {
	const { profile, options, target, weights } = request;
	const form = profile.program;
	const values = valuesC.map(scaled);
	const groups = grouping.groups.map(inRunningOrder);
	const count = (ready: readonly { times: readonly number[] }[]) =>
		ready.reduce((sum, group) => sum + group.times.length - 1, 0);

	if (form.form === 'slots') {
		const starts = Array.from(
			{ length: DAY_MINUTES / form.slotMinutes },
			(_, slot) => slot * form.slotMinutes
		);
		const ready = groupTargets(target, groups, form.slotMinutes, values, weights, starts);
		const solution = solveSlots(ready, values, form.settings.length, form.slotMinutes);
		return {
			main: solution.main,
			tie: solution.tie,
			candidateTimes: count(ready),
			neededC: [],
			program: {
				form: 'slots',
				grouping: grouping.id,
				slotMinutes: form.slotMinutes,
				settings: form.settings.map((name, s) => ({
					name,
					// with fewer levels than settings, the spare ones repeat the coolest
					setpointC: valuesC[solution.settings[Math.min(s, solution.settings.length - 1)]!]!
				})),
				groups: groups.map((days, g) => ({ days, slots: [...solution.slots[g]!] }))
			}
		};
	}
	if (form.form === 'pairs') {
		const onOff = [scaled(0), scaled(1)];
		const lastStep = DAY_MINUTES - form.stepMinutes;
		const ready = groupTargets(target, groups, form.stepMinutes, onOff, weights, [lastStep]);
		const solved = ready.map((group) => solvePairs(group, options.perDay, form.endsAtMidnight, onOff[1]!));
		return {
			main: solved.reduce((sum, part) => sum + part.main, 0),
			tie: solved.reduce((sum, part) => sum + part.tie, 0),
			candidateTimes: count(ready),
			neededC: [],
			program: {
				form: 'pairs',
				grouping: grouping.id,
				groups: groups.map((days, g) => ({ days, pairs: [...solved[g]!.pairs] }))
			}
		};
	}
	const latestFirst = form.clearable
		? DAY_MINUTES - form.stepMinutes
		: DAY_MINUTES - options.perDay * form.stepMinutes;
	const ready = groupTargets(target, groups, form.stepMinutes, values, weights, [
		latestFirst,
		// the last step of the day may be worth an event for what it hands to the next day
		DAY_MINUTES - form.stepMinutes
	]);
	const solution = solveCoupled({
		groups: ready,
		values,
		maxEvents: groups.map(() => options.perDay),
		mayBeEmpty: form.clearable,
		latestFirst: groups.map(() => latestFirst)
	});
	return {
		main: solution.main,
		tie: solution.tie,
		candidateTimes: count(ready),
		neededC: valuesC.filter((_, v) => solution.needed & (1 << v)),
		program: {
			form: 'events',
			grouping: grouping.id,
			groups: groups.map((days, g) => {
				const events = solution.events[g]!.map((event) => ({
					at: event.at,
					setpointC: valuesC[event.value]!
				}));
				return {
					days,
					events: form.clearable ? events : fillUp(events, options.perDay, form.stepMinutes)
				};
			})
		}
	};
}

/** The distinct setpoints a program uses. */
function usedValues(program: Program): Set<number> {
	switch (program.form) {
		case 'events':
			return new Set(program.groups.flatMap((group) => group.events.map((event) => event.setpointC)));
		case 'slots':
			return new Set(program.settings.map((setting) => setting.setpointC));
		case 'pairs':
			return new Set([0, 1]);
	}
}

/**
 * Of programs equal in misfit and events, one with the fewest distinct values. The search knows
 * which values every optimal program uses; only sets that keep those are tried, smallest first.
 */
function withFewestValues(
	request: FitRequest,
	grouping: Grouping,
	valuesC: readonly number[],
	first: Solution
): Solution {
	const used = usedValues(first.program).size;
	const spare = valuesC.filter((value) => !first.neededC.includes(value));
	for (let extra = 0; first.neededC.length + extra < used; extra++) {
		let best: Solution | undefined;
		for (const chosen of combinations(spare.length, extra)) {
			const subset = [...first.neededC, ...chosen.map((i) => spare[i]!)].sort((a, b) => a - b);
			if (subset.length === 0) continue;
			const tried = solve(request, grouping, subset);
			if (tried.main === first.main && (!best || tried.tie < best.tie)) best = tried;
		}
		if (best) return best;
	}
	return first;
}

function lostPeriods(request: FitRequest, held: WeekSteps<number>): LostPeriod[] {
	const { profile, options, target } = request;
	const heldDays = splitByDay(held);
	return splitByDay(target).flatMap((spans, day) =>
		spans
			.filter((span) => {
				const wanted = heldSetpoint(profile, options, span.value);
				return !heldDays[day]!.some(
					(h) => h.from < span.to && h.to > span.from && Math.abs(h.value - wanted) < 1e-9
				);
			})
			.map((span) => ({ day, from: span.from, to: span.to, wantedC: span.value }))
	);
}

/**
 * The program of one grouping whose held week differs least from the target: the minimum of
 * J = Σ over the week's minutes of cold·max(0, T−H) + warm·max(0, H−T), in K·min (domain notes §5).
 * Exact: dynamic programming over all candidate times and values, closed round the week. Ties go to
 * the fewest events, then the fewest distinct values, then the earliest rise and latest fall.
 * Refuses (throws) an empty list of setpoints; everything else has an answer.
 */
export function fitGrouping(request: FitRequest, grouping: Grouping): Fit {
	const { profile, options, target, weights } = request;
	const valuesC = [
		...new Set(request.setpointsC.map((wanted) => heldSetpoint(profile, options, wanted)))
	].sort((a, b) => a - b);
	if (valuesC.length === 0) throw new RangeError('a fit needs at least one setpoint');
	const first = solve(request, grouping, valuesC);
	const solution =
		profile.program.form === 'events' ? withFewestValues(request, grouping, valuesC, first) : first;
	const held = expandProgram(solution.program, valuesC[0]!);
	return {
		grouping,
		program: solution.program,
		held,
		misfit: misfitOf(target, held, weights),
		valuesToKey: valuesToKey(solution.program, options.perDay),
		lost: lostPeriods(request, held),
		searched: { candidateTimes: solution.candidateTimes, setpoints: valuesC.length }
	};
}

/** {@link fitGrouping} for every grouping the control offers, in the profile's order. */
export function fitAll(request: FitRequest): Fit[] {
	return request.profile.groupings.map((grouping) => fitGrouping(request, grouping));
}

/**
 * The grouping to suggest: the least weighted misfit, and of equal ones the fewest values to key.
 * Returns its id.
 */
export function suggestedGrouping(fits: readonly Fit[]): string {
	let best = fits[0]!;
	for (const fit of fits) {
		const gain = best.misfit.weighted - fit.misfit.weighted;
		if (gain > 1e-6 || (gain > -1e-6 && fit.valuesToKey < best.valuesToKey)) best = fit;
	}
	return best.grouping.id;
}
