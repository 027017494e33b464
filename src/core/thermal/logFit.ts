import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import { Matrix, pseudoInverse } from 'ml-matrix';
import type { Room } from '../plan';
import {
	BOUNDS,
	DAY_STEPS,
	follow,
	LOG_STEP_MINUTES,
	modelOf,
	SURVEYED,
	warmedBySun,
	type EvenLog,
	type Fitted,
	type Parameter
} from './loggedRoom';

/** For so many steps the sun of a day is felt. */
const SUN_STEPS = 2 * DAY_STEPS;
/** A fit is at its end when a round makes it better by less than this share, or after so many. */
const SETTLED = 3e-4;
const ROUNDS = 12;
/** Readings within so many hours tell much the same. */
const ALIKE_HOURS = 6;

/** What is free in a model of the room: parameters, and whether sun shines, each day as it does. */
interface Free {
	readonly names: readonly Parameter[];
	readonly sun: boolean;
}
/** What came of fitting a model. */
export interface Fit {
	readonly free: Free;
	readonly fitted: Fitted;
	readonly modelC: Float64Array;
	/** The sun of each day at its highest, in W. */
	readonly sunW: readonly number[];
	/** Sum of squares over what is known, and how many readings that are. */
	readonly squares: number;
	readonly count: number;
}

export interface Problem {
	readonly room: Room;
	readonly surveyedLoss: number;
	readonly log: EvenLog;
	/** Readings that say something: not the first of a part, nor those of which it is not known whether it heated before. */
	readonly counts: readonly boolean[];
	/** The steps at which a day begins, within the log or before it, each up to where its part of the log ends. */
	readonly days: readonly { readonly from: number; readonly to: number; readonly midnight: number }[];
}

const toVector = ({ names }: Free, fitted: Fitted) => [
	...names.map((name) => fitted[name]),
	...fitted.begins
];
function toFitted({ names }: Free, vector: readonly number[]): Fitted {
	const named = Object.fromEntries(names.map((name, i) => [name, vector[i]!]));
	return { ...SURVEYED, ...named, begins: vector.slice(names.length) };
}

/** The room over the log as fitted; the sun of each day is what fits best beside that (variable projection), and never takes heat away. */
export function runOf(
	problem: Problem,
	fitted: Fitted,
	sun: boolean
): { readonly modelC: Float64Array; readonly sunW: readonly number[] } {
	const { log, counts, days } = problem;
	const model = modelOf(problem.room, problem.surveyedLoss, fitted);
	const modelC = follow(model, log, fitted.begins);
	if (!sun || days.length === 0) return { modelC, sunW: [] };
	const longest = Math.max(...days.map(({ to, midnight }) => to - midnight));
	const warmed = warmedBySun(model, Math.min(longest, SUN_STEPS));
	const at = (day: Problem['days'][number], i: number) => warmed[i - day.midnight] ?? 0;
	const ends = (day: Problem['days'][number]) => Math.min(day.to, day.midnight + warmed.length);
	const right = days.map((day) => {
		let sum = 0;
		for (let i = day.from; i < ends(day); i++)
			if (counts[i]) sum += at(day, i) * (log.roomC[i]! - modelC[i]!);
		return sum;
	});
	const normal = days.map((a) =>
		days.map((b) => {
			let sum = 0;
			for (let i = Math.max(a.from, b.from); i < Math.min(ends(a), ends(b)); i++)
				if (counts[i]) sum += at(a, i) * at(b, i);
			return sum;
		})
	);
	const sunW = notNegative(normal, right);
	for (const [d, day] of days.entries())
		if (sunW[d]! > 0) for (let i = day.from; i < ends(day); i++) modelC[i]! += sunW[d]! * at(day, i);
	return { modelC, sunW };
}

/** Least squares with nothing below zero, from its normal equations: coordinate by coordinate until it rests (it does: the problem is convex). */
function notNegative(normal: readonly (readonly number[])[], right: readonly number[]): number[] {
	const x = right.map(() => 0);
	for (let round = 0; round < 60; round++) {
		let moved = 0;
		for (const [i, row] of normal.entries()) {
			if (!(row[i]! > 0)) continue;
			const rest = row.reduce((sum, value, j) => sum + (j === i ? 0 : value * x[j]!), 0);
			const next = Math.max(0, (right[i]! - rest) / row[i]!);
			moved = Math.max(moved, Math.abs(next - x[i]!));
			x[i] = next;
		}
		if (moved < 0.1) break;
	}
	return x;
}

export function fitModel(problem: Problem, free: Free, from: Fitted): Fit {
	const { log, counts } = problem;
	const used = counts.flatMap((counted, i) => (counted ? [i] : []));
	const bounds = free.names.map((name) => BOUNDS[name]);
	const of = (fitted: Fitted): Fit => {
		const { modelC, sunW } = runOf(problem, fitted, free.sun);
		const squares = used.reduce((sum, i) => sum + (modelC[i]! - log.roomC[i]!) ** 2, 0);
		return { free, fitted, modelC, sunW, squares, count: used.length };
	};
	let best = of(from);
	for (let round = 0; round < ROUNDS; round++) {
		const lm = levenbergMarquardt(
			{ x: used, y: used.map((i) => log.roomC[i]!) },
			(vector: number[]) => {
				const { modelC } = runOf(problem, toFitted(free, vector), free.sun);
				return (i: number) => modelC[i]!;
			},
			{
				initialValues: toVector(free, best.fitted),
				minValues: [...bounds.map(([least]) => least), ...from.begins.map(() => -8)],
				maxValues: [...bounds.map(([, most]) => most), ...from.begins.map(() => 8)],
				gradientDifference: 1e-3,
				damping: 0.01,
				maxIterations: 3,
				errorTolerance: 1e-9
			}
		);
		const next = of(toFitted(free, lm.parameterValues));
		const settled = next.squares > best.squares * (1 - SETTLED);
		if (next.squares < best.squares) best = next;
		if (settled) break;
	}
	return best;
}

/** The models that are weighed against each other: each adds something that rooms have. */
function modelsFor(days: Problem['days']): readonly Free[] {
	const plain: readonly (readonly Parameter[])[] = [
		['loss', 'fabric'],
		['loss', 'fabric', 'air'],
		['loss', 'fabric', 'air', 'coupling']
	];
	return (days.length > 0 ? [false, true] : [false]).flatMap((sun) => plain.map((names) => ({ names, sun })));
}

export const rms = (squares: number, count: number) => Math.sqrt(squares / Math.max(1, count));

/** How many of its readings count by themselves: what is left of one tells much of what is left of the next. */
function independent({ modelC, count }: Fit, { log, counts }: Problem): number {
	let [own, next] = [0, 0];
	for (let i = 1; i < modelC.length; i++) {
		if (!counts[i] || !counts[i - 1]) continue;
		const [a, b] = [modelC[i - 1]! - log.roomC[i - 1]!, modelC[i]! - log.roomC[i]!];
		own += a * a;
		next += a * b;
	}
	const rho = Math.min(0.995, Math.max(0, own === 0 ? 0 : next / own));
	return Math.max(8, (count * (1 - rho)) / (1 + rho));
}

/** Akaike's information criterion, corrected for few readings (Hurvich and Tsai 1989). */
function criterion({ squares, count, free, fitted, sunW }: Fit, effective: number): number {
	const k = free.names.length + fitted.begins.length + sunW.filter((watts) => watts > 0).length + 1;
	return effective * Math.log(squares / count) + 2 * k + (2 * k * (k + 1)) / Math.max(1, effective - k - 1);
}

/** The covariance of what was fitted, with what is left of readings near each other alike (Newey and West 1987). */
export function covariance(fit: Fit, problem: Problem): Matrix {
	const { log, counts } = problem;
	const vector = toVector(fit.free, fit.fitted);
	const STEP = 1e-3;
	const columns = vector.map((_, k) => {
		const shifted = toFitted(
			fit.free,
			vector.map((value, j) => (j === k ? value + STEP : value))
		);
		const { modelC } = runOf(problem, shifted, fit.free.sun);
		return modelC.map((c, i) => (counts[i] ? (c - fit.modelC[i]!) / STEP : 0));
	});
	const left = fit.modelC.map((c, i) => (counts[i] ? c - log.roomC[i]! : 0));
	const normal = new Matrix(vector.map((_, a) => vector.map((__, b) => dot(columns[a]!, columns[b]!))));
	const steps = Math.round((ALIKE_HOURS * 60) / LOG_STEP_MINUTES);
	// scores summed over blocks as long as readings are alike: the same sum, at a small part of the work
	const scores = new Matrix(
		Array.from({ length: Math.ceil(left.length / steps) }, (_, block) => {
			const [from, to] = [block * steps, (block + 1) * steps];
			return columns.map((column) => dot(column.subarray(from, to), left.subarray(from, to)));
		})
	);
	// what the log does not tell stays as it was surveyed
	const inverse = pseudoInverse(normal);
	return inverse.mmul(scores.transpose().mmul(scores)).mmul(inverse);
}

const dot = (a: Float64Array, b: Float64Array) => a.reduce((sum, value, i) => sum + value * b[i]!, 0);

export function problemOf(room: Room, surveyedLoss: number, log: EvenLog): Problem {
	const starts = new Set(log.starts);
	const counts = log.roomC.map((_, i) => !starts.has(i) && !Number.isNaN(log.heating[i - 1]!));
	const days = log.starts.flatMap((from, part) => {
		const to = log.starts[part + 1] ?? log.roomC.length;
		const minute = log.minuteOfDay[from]!;
		if (Number.isNaN(minute)) return [];
		const first = from - Math.round(minute / LOG_STEP_MINUTES);
		return Array.from({ length: Math.ceil((to - first) / DAY_STEPS) }, (_, d) => {
			const midnight = first + d * DAY_STEPS;
			return { from: Math.max(from, midnight), to, midnight };
		});
	});
	return { room, surveyedLoss, log, counts, days };
}

/** Fits every model, each from the one before; returns them with how much each counts (weights of Akaike). */
export function weighed(problem: Problem): readonly { readonly fit: Fit; readonly weight: number }[] {
	const begins = problem.log.starts.map(() => 0);
	const fits: Fit[] = [];
	for (const free of modelsFor(problem.days)) {
		// of several beginnings the first model takes the best, for it has more than one valley
		const before = fits.filter((had) => had.free.names.every((name) => free.names.includes(name))).at(-1);
		const from = before ? [before.fitted] : [0, 1.2, -1.2].map((fabric) => ({ ...SURVEYED, fabric, begins }));
		const tried = from.map((start) => fitModel(problem, free, start));
		fits.push(tried.reduce((a, b) => (b.squares < a.squares ? b : a)));
	}
	const best = fits.reduce((a, b) => (b.squares < a.squares ? b : a));
	const effective = independent(best, problem);
	const criteria = fits.map((fit) => criterion(fit, effective));
	const least = Math.min(...criteria);
	const weights = criteria.map((value) => Math.exp((least - value) / 2));
	const sum = weights.reduce((a, b) => a + b, 0);
	return fits.map((fit, i) => ({ fit, weight: weights[i]! / sum }));
}
