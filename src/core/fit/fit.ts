import {
	expandProgram,
	formInUse,
	groupingsInUse,
	heldCooling,
	heldSetpoint,
	valuesToKey,
	eventsOn,
	type ControlOptions,
	type ControlProfile,
	type HeldLimits,
	type Grouping,
	type Program
} from '../control';
import type { GroupingCost } from '../plan';
import { mapWeek, splitByDay, type WeekSteps } from '../week';
import type { Cost, Weights } from './cost';
import { inRunningOrder } from './couple';
import { withCooling, misfitOf, type Misfit } from './misfit';
import { solveForm, type FitValue, type Solution } from './solveForm';

export interface FitRequest {
	readonly profile: ControlProfile;
	readonly options: ControlOptions;
	/** The zone's setpoints in °C (0/1 on a switch); the control's rounding and limits are applied here. */
	readonly setpointsC: readonly number[];
	/** The target week in °C (0/1 on a switch), not rounded to the control. */
	readonly target: WeekSteps<number>;
	readonly weights: Weights;
	/** Limits set at the control that bind its program; none where missing. */
	readonly limits?: HeldLimits | null;
	/**
	 * The cooling setpoint that goes with each heating setpoint of `setpointsC`, and the target week of
	 * cooling; needed on a control that also cools.
	 */
	readonly cooling?: { readonly setpointsC: readonly number[]; readonly target: WeekSteps<number> };
}

/** A period of the target that appears nowhere in the held week with its own setpoint. */
export interface LostPeriod {
	readonly day: number;
	readonly from: number;
	readonly to: number;
	readonly wantedC: number;
}

/** The best program of one grouping and what it leaves undone. */
export interface Fit {
	readonly grouping: Grouping;
	readonly program: Program;
	readonly held: WeekSteps<number>;
	/** The held week of the cooling setpoint; null on a control that does not cool. */
	readonly heldCool: WeekSteps<number> | null;
	readonly misfit: Misfit;
	readonly valuesToKey: number;
	readonly lost: readonly LostPeriod[];
	/** The share of its misfit by which another program could be better at most: 0 where this one is proved the best. */
	readonly couldGain: number;
	/** What was searched. */
	readonly searched: { readonly candidateTimes: number; readonly setpoints: number };
}

/** The most sets of values tried for the tie by distinct values. */
const MOST_SETS = 300;

/** All ways to take `size` of `from`. */
function choose<T>(from: readonly T[], size: number): T[][] {
	if (size === 0) return [[]];
	return from.flatMap((item, i) => choose(from.slice(i + 1), size - 1).map((rest) => [item, ...rest]));
}

/**
 * Of programs equal in misfit and events, one with the fewest distinct values. The search knows
 * which values every optimal program uses; only sets that keep those are tried, smallest first, and of very many
 * not all: the misfit is the least all the same.
 */
function withFewestValues(
	first: Solution,
	values: readonly FitValue[],
	solve: (subset: FitValue[]) => Solution
): Solution {
	const spare = values.filter((value) => !first.needed.includes(value));
	let tries = 0;
	for (let extra = 0; first.needed.length + extra < first.used; extra++) {
		let best: (Solution & Cost) | undefined;
		for (const chosen of choose(spare, extra)) {
			const subset = values.filter((value) => first.needed.includes(value) || chosen.includes(value));
			if (subset.length === 0) continue;
			if (++tries > MOST_SETS) return first;
			const tried = solve(subset);
			if (tried.main === first.main && (!best || tried.tie < best.tie)) best = tried;
		}
		if (best) return best;
	}
	return first;
}

function lostPeriods(request: FitRequest, held: WeekSteps<number>): LostPeriod[] {
	const { profile, options, target, limits } = request;
	const heldDays = splitByDay(held);
	return splitByDay(target).flatMap((spans, day) =>
		spans
			.filter((span) => {
				const wanted = heldSetpoint(profile, options, span.value, limits);
				return !heldDays[day]!.some(
					(h) => h.from < span.to && h.to > span.from && Math.abs(h.value - wanted) < 1e-9
				);
			})
			.map((span) => ({ day, from: span.from, to: span.to, wantedC: span.value }))
	);
}

/** The distinct values the control can be given for the zone's setpoints, coolest first. */
function valuesOf({ profile, options, setpointsC, cooling, limits }: FitRequest): FitValue[] {
	const byKey = new Map<string, FitValue>();
	setpointsC.forEach((wanted, i) => {
		const heatC = heldSetpoint(profile, options, wanted, limits);
		const coolC =
			profile.cooling && cooling ? heldCooling(profile, options, cooling.setpointsC[i]!, heatC) : null;
		byKey.set(`${heatC}/${coolC}`, { heatC, coolC });
	});
	return [...byKey.values()].sort((a, b) => a.heatC - b.heatC || (b.coolC ?? 0) - (a.coolC ?? 0));
}

/**
 * The program of one grouping whose held week differs least from the target: the minimum of
 * J = Σ over the week's minutes of cold·max(0, T−H) + warm·max(0, H−T), in K·min (docs/domain.md §5).
 * Exact: dynamic programming over all candidate times and values, closed round the week; on a control of one's own whose few modes
 * are chosen from very many levels the best found, with `couldGain` as its proven bound. Ties go to
 * the fewest events, then the fewest distinct values, then the earliest rise and latest fall. On a
 * control that also cools a value is a pair, and the cooling setpoint counts alike: too high as cold
 * counts, too low as warm.
 * Refuses (throws) an empty list of setpoints; everything else has an answer.
 */
export function fitGrouping(request: FitRequest, grouping: Grouping): Fit {
	const { profile, options, target, weights, cooling } = request;
	const form = formInUse(profile, options);
	const values = valuesOf(request);
	if (values.length === 0) throw new RangeError('a fit needs at least one setpoint');
	const groups = grouping.groups.map(inRunningOrder);
	const coolTarget = profile.cooling && cooling ? cooling.target : null;
	const solve = (subset: readonly FitValue[]) =>
		solveForm({ form, options, grouping, groups, target, coolTarget, values: subset, weights });
	const first = solve(values);
	const solution = form.form === 'events' && !form.modes ? withFewestValues(first, values, solve) : first;
	const { program } = solution;
	const held = expandProgram(program, values[0]!.heatC);
	const heldCool = coolTarget ? expandProgram(program, values[0]!.coolC!, 'cool') : null;
	const misfit = misfitOf(target, held, weights);
	return {
		grouping,
		program,
		held,
		heldCool,
		misfit:
			coolTarget && heldCool
				? withCooling(
						misfit,
						misfitOf(
							mapWeek(coolTarget, (c) => -c),
							mapWeek(heldCool, (c) => -c),
							weights
						),
						weights
					)
				: misfit,
		valuesToKey: valuesToKey(program, (day) =>
			form.form === 'events' ? eventsOn(form, options.perDay, day) : options.perDay
		),
		lost: lostPeriods(request, held),
		couldGain: solution.main > 0 ? Math.max(0, 1 - solution.least / solution.main) : 0,
		searched: { candidateTimes: solution.candidateTimes, setpoints: values.length }
	};
}

/** {@link fitGrouping} for every grouping the control offers, in the profile's order. */
export function fitAll(request: FitRequest): Fit[] {
	return groupingsInUse(request.profile, request.options).map((grouping) => fitGrouping(request, grouping));
}

/** What a channel's groupings cost, by their ids. */
export type GroupingCosts = Readonly<Record<string, GroupingCost>>;

/** What each grouping of a channel costs. */
export const groupingCosts = (fits: readonly Fit[]): GroupingCosts =>
	Object.fromEntries(
		fits.map(({ grouping, misfit, valuesToKey }) => [
			grouping.id,
			{ weighted: misfit.weighted, values: valuesToKey }
		])
	);

/**
 * The grouping to suggest: the least weighted misfit, and of equal ones the fewest values to key; with what they cost the
 * other channels of the control, the least over all of them. Returns its id. The fits of every channel being exact and the grouping
 * all that they share, it is the optimum of the box.
 */
export function suggestedGrouping(fits: readonly Fit[], others: GroupingCosts | null = null): string {
	const of = (fit: Fit): GroupingCost => {
		const other = others?.[fit.grouping.id];
		return {
			weighted: fit.misfit.weighted + (other?.weighted ?? 0),
			values: fit.valuesToKey + (other?.values ?? 0)
		};
	};
	let best = fits[0]!;
	for (const fit of fits) {
		const [least, now] = [of(best), of(fit)];
		const gain = least.weighted - now.weighted;
		if (gain > 1e-6 || (gain > -1e-6 && now.values < least.values)) best = fit;
	}
	return best.grouping.id;
}
