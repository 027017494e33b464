import { levenbergMarquardt } from 'ml-levenberg-marquardt';
import type { Room } from '../plan';
import { AIR_LOSS_SHARE } from './classes';
import { roomModel, timeConstantHours, type RoomModel } from './roomModel';
import { exactStep, take, type Step } from './stepper';
import { warmUp } from './warmUp';

/** A logger's readings, five minutes apart: room and outdoor in °C, and in which share of the five minutes that follow it heated. */
export interface EvenLog {
	readonly roomC: readonly number[];
	readonly outdoorC: readonly number[];
	/** 0 to 1; NaN where nobody can tell. */
	readonly heating: readonly number[];
	/** Where a part of the log begins that stands for itself: the first is 0. */
	readonly starts: readonly number[];
	/** Minutes since midnight on the wall; NaN where the log does not tell. */
	readonly minuteOfDay: readonly number[];
}

/** A figure that was measured, and between what it lies nine times in ten. */
export interface Between {
	readonly value: number;
	readonly from: number;
	readonly to: number;
}

/** What a log says of a room. */
export interface Measured {
	readonly wattsPerKelvin: number;
	readonly capacityScale: number;
	readonly airScale: number;
	readonly couplingScale: number;
	readonly timeConstantHours: Between;
	/** Minutes from the setback to comfort after a night, at the log's mean outdoor temperature; null where it does not get there. */
	readonly warmUpMinutes: Between | null;
	/** The night that it is said of, in °C. */
	readonly night: { readonly setbackC: number; readonly comfortC: number; readonly outdoorC: number };
	/** Root mean square of what is left between log and model, in K: over all of it, and over the last third as foretold from the first two. */
	readonly residualK: number;
	readonly foretoldK: number;
	/** What a person should know before taking it: a loss far from the survey's, sun. */
	readonly warnings: readonly string[];
	/** Whether the loss is so far from the survey's that one of them is likely wrong. */
	readonly isFar: boolean;
	/** The model over the data, in °C. */
	readonly modelC: readonly number[];
}

/** Minutes between readings of an even log. */
export const LOG_STEP_MINUTES = 5;
const SHORTEST_HOURS = 18;
/** A room that is not heated for this long says nothing of its heating. */
const LEAST_HEATING_HOURS = 0.5;
const LEAST_COOLING_HOURS = 3;
/** With more than this left, in K, a log is no log of a room as the survey describes it: what is foretold may be further off. */
const MOST_RESIDUAL_K = 0.6;
const MOST_FORETOLD_K = 1.2;
const DAY_STEPS = 1440 / LOG_STEP_MINUTES;
/** The longest log that is fitted, in steps: the latest two weeks. */
const MOST_STEPS = 14 * DAY_STEPS;
/** For so many steps the sun of a day is felt. */
const SUN_STEPS = 2 * DAY_STEPS;
/** A fit is at its end when a round makes it better by less than this share, or after so many. */
const SETTLED = 3e-4;
const ROUNDS = 12;
/** Nine times in ten within so many standard errors (normal distribution). */
const NINE_IN_TEN = 1.645;
/**
 * By how much standard errors are widened, and the least they are, as a share: rooms are not as the model has them. Both from rooms made by
 * another model (`bench/measure`), so that nine intervals in ten hold the truth.
 */
const WIDENED = 1.6;
const LEAST_SHARE = { warmUp: 0.055, constant: 0.1 };
/** Readings within so many hours tell much the same. */
const ALIKE_HOURS = 6;
/** A loss so many times the survey's, or the survey's so many times it, is looked at again before it is taken. */
const FAR_TIMES = 2.5;
/** The night of the warm-up: comfort before and after, eight hours of setback. */
const NIGHT = { beforeC: 20, setbackC: 16, minutes: 480, comfortC: 20 } as const;

const hours = (steps: number) => (steps * LOG_STEP_MINUTES) / 60;

/** Why a log cannot be used, in a sentence; null where it can. */
export function logRefusal(log: EvenLog): string | null {
	const n = log.roomC.length;
	if (hours(n) < SHORTEST_HOURS)
		return `The log is ${Math.round(hours(n))} h long; a night and a morning are needed, ${SHORTEST_HOURS} h at least.`;
	const known = log.heating.filter((share) => !Number.isNaN(share));
	const on = known.reduce((sum, share) => sum + share, 0);
	if (hours(on) < LEAST_HEATING_HOURS)
		return 'The heating hardly ran in this log: how fast the room warms cannot be told.';
	if (hours(known.length - on) < LEAST_COOLING_HOURS)
		return 'The heating ran nearly all the time: how the room cools cannot be told.';
	const span = Math.max(...log.roomC) - Math.min(...log.roomC);
	if (span < 0.8) return `The room moved by ${span.toFixed(1)} K only: too little to tell anything from.`;
	return null;
}

/** What is fitted, in logarithms; and how far the fabric was from the air where a part of the log begins, in K. */
type Parameter = 'loss' | 'fabric' | 'air' | 'coupling';
const BOUNDS: Readonly<Record<Parameter, readonly [number, number]>> = {
	loss: [-3, 3],
	fabric: [-3, 3],
	air: [-1.2, 2.5],
	coupling: [-1.5, 1.5]
};
type Room4 = Readonly<Record<Parameter, number>>;
type Fitted = Room4 & { readonly begins: readonly number[] };
const SURVEYED: Room4 = { loss: 0, fabric: 0, air: 0, coupling: 0 };

/** The sun through windows as a share of its highest, by minutes since midnight: a half sine from eight to five, common practice. */
const sunAt = (minute: number) =>
	Number.isNaN(minute) || minute < 480 || minute > 1020 ? 0 : Math.sin((Math.PI * (minute - 480)) / 540);

/** The model of a survey's room, as fitted. */
const modelOf = (room: Room, surveyedLoss: number, fitted: Room4): RoomModel =>
	roomModel(measuredRoom(room, surveyedLoss, fitted));

/** The room's temperature over a log's outdoor and heating, from the first reading of each part. Where it is not known whether it heated, it heats as much as the reading says. */
function follow(model: RoomModel, log: EvenLog, begins: readonly number[]): Float64Array {
	const seconds = LOG_STEP_MINUTES * 60;
	const [off, on] = [exactStep(model, false, seconds), exactStep(model, true, seconds)];
	const n = log.roomC.length;
	const out = new Float64Array(n);
	const sums = new Float64Array(2);
	const x = new Float64Array(4);
	const next = new Float64Array(4);
	let part = -1;
	for (let i = 0; i < n; i++) {
		if (log.starts[part + 1] === i) {
			part++;
			const [first, fabricK] = [log.roomC[i]!, begins[part] ?? 0];
			x[0] = x[3] = first;
			x[1] = x[2] = first + fabricK;
		}
		out[i] = x[0]!;
		const share = log.heating[i]!;
		const outdoor = log.outdoorC[i]!;
		if (share >= 1) {
			take(on, x, outdoor, sums);
			continue;
		}
		if (share !== 0) {
			next.set(x);
			take(on, next, outdoor, sums);
		}
		take(off, x, outdoor, sums);
		if (share === 0) continue;
		const reading = log.roomC[i + 1] ?? x[0]!;
		const unknown = Number.isNaN(share);
		const heats = unknown ? Math.min(1, Math.max(0, (reading - x[0]!) / (next[0]! - x[0]! || 1))) : share;
		for (let s = 0; s < 4; s++) x[s]! += heats * (next[s]! - x[s]!);
		// where nobody can tell whether it heated, the reading itself is what the room was
		if (unknown) x[0] = reading;
	}
	return out;
}

/** How a watt of sun at its highest warms the air over the day it shines and those after, in K by step from the day's beginning (as with the heating off). */
function warmedBySun(model: RoomModel, steps: number): Float64Array {
	const seconds = LOG_STEP_MINUTES * 60;
	const off = exactStep(model, false, seconds);
	const WATTS = 1000;
	const warm = exactStep({ ...model, gainsW: model.gainsW + WATTS }, false, seconds);
	const gained = [0, 1, 2, 3].map((s) => (warm.m[s * 6 + 5]! - off.m[s * 6 + 5]!) / WATTS);
	const still: Step = { m: off.m.slice(), seconds };
	for (let s = 0; s < 4; s++) still.m[s * 6 + 5] = 0;
	const x = new Float64Array(4);
	const sums = new Float64Array(2);
	return Float64Array.from({ length: steps }, (_, i) => {
		const now = x[0]!;
		take(still, x, 0, sums);
		const share = sunAt(i * LOG_STEP_MINUTES);
		if (share > 0) for (let s = 0; s < 4; s++) x[s]! += share * gained[s]!;
		return now;
	});
}

/** What is free in a model of the room: parameters, and whether sun shines, each day as it does. */
interface Free {
	readonly names: readonly Parameter[];
	readonly sun: boolean;
}
/** What came of fitting a model. */
interface Fit {
	readonly free: Free;
	readonly fitted: Fitted;
	readonly modelC: Float64Array;
	/** The sun of each day at its highest, in W. */
	readonly sunW: readonly number[];
	/** Sum of squares over what is known, and how many readings that are. */
	readonly squares: number;
	readonly count: number;
}

interface Problem {
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
function runOf(
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

function fitModel(problem: Problem, free: Free, from: Fitted): Fit {
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

const rms = (squares: number, count: number) => Math.sqrt(squares / Math.max(1, count));

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
function covariance(fit: Fit, problem: Problem): number[][] {
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
	const k = vector.length;
	const normal = matrix(k, (a, b) => columns[a]!.reduce((sum, value, i) => sum + value * columns[b]![i]!, 0));
	const lags = Math.round((ALIKE_HOURS * 60) / LOG_STEP_MINUTES);
	// scores summed over blocks as long as readings are alike: the same sum, at a small part of the work
	const blocks = Math.ceil(left.length / lags);
	const scores = Array.from({ length: blocks }, (_, block) =>
		columns.map((column) => {
			let sum = 0;
			for (let i = block * lags; i < Math.min(left.length, (block + 1) * lags); i++)
				sum += column[i]! * left[i]!;
			return sum;
		})
	);
	const meat = matrix(k, (a, b) => scores.reduce((sum, score) => sum + score[a]! * score[b]!, 0));
	const inverse = inverted(normal);
	return product(product(inverse, meat), inverse);
}

const matrix = (size: number, of: (a: number, b: number) => number) =>
	Array.from({ length: size }, (_, a) => Array.from({ length: size }, (_, b) => of(a, b)));
const product = (a: readonly number[][], b: readonly number[][]) =>
	matrix(a.length, (i, j) => a[i]!.reduce((sum, value, k) => sum + value * b[k]![j]!, 0));

/** The inverse of a symmetric matrix, a little stiffened so that what the log does not tell stays where it is (Gauss and Jordan, with pivots). */
function inverted(of: readonly (readonly number[])[]): number[][] {
	const n = of.length;
	const rows = of.map((row, i) => [
		...row.map((value, j) => (i === j ? value * (1 + 1e-9) + 1e-9 : value)),
		...row.map((_, j) => (i === j ? 1 : 0))
	]);
	for (let column = 0; column < n; column++) {
		let pivot = column;
		for (let i = column + 1; i < n; i++)
			if (Math.abs(rows[i]![column]!) > Math.abs(rows[pivot]![column]!)) pivot = i;
		[rows[column], rows[pivot]] = [rows[pivot]!, rows[column]!];
		const by = rows[column]![column]! || 1e-300;
		rows[column] = rows[column]!.map((value) => value / by);
		for (let i = 0; i < n; i++) {
			if (i === column) continue;
			const times = rows[i]![column]!;
			if (times !== 0) rows[i] = rows[i]!.map((value, j) => value - times * rows[column]![j]!);
		}
	}
	return rows.map((row) => row.slice(n));
}

/** The latest part of a log that is fitted at once. */
function latest(log: EvenLog): EvenLog {
	const from = log.roomC.length - MOST_STEPS;
	if (from <= 0) return log;
	const cut = <T>(list: readonly T[]) => list.slice(from);
	return {
		roomC: cut(log.roomC),
		outdoorC: cut(log.outdoorC),
		heating: cut(log.heating),
		minuteOfDay: cut(log.minuteOfDay),
		starts: [0, ...log.starts.filter((start) => start > from).map((start) => start - from)]
	};
}

const firstOf = (log: EvenLog, count: number): EvenLog => ({
	roomC: log.roomC.slice(0, count),
	outdoorC: log.outdoorC.slice(0, count),
	heating: log.heating.slice(0, count),
	minuteOfDay: log.minuteOfDay.slice(0, count),
	starts: log.starts.filter((start) => start < count)
});

function problemOf(room: Room, surveyedLoss: number, log: EvenLog): Problem {
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
function weighed(problem: Problem): readonly { readonly fit: Fit; readonly weight: number }[] {
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

/**
 * A room's loss, weight and coupling from a log, by least squares (Levenberg and Marquardt) on the very model that is used for everything
 * else; its emitter's output is taken as surveyed. Models with a free mass of air, a free coupling and with sun are weighed against each
 * other (Akaike), and judged by how well the last third of the log is foretold from the rest. Figures come with an interval that holds the
 * truth nine times in ten. Refused, as a sentence: a log too short, without heating or cooling, or one that no such room could have written.
 */
export function measureRoom(room: Room, whole: EvenLog): Measured | string {
	const refusal = logRefusal(whole);
	if (refusal) return refusal;
	const log = latest(whole);
	const surveyedLoss = roomModel(room).airOutside / AIR_LOSS_SHARE;
	const problem = problemOf(room, surveyedLoss, log);
	const models = weighed(problem);
	const { fit } = models.reduce((a, b) => (b.weight > a.weight ? b : a));
	const residualK = rms(fit.squares, fit.count);
	if (residualK > MOST_RESIDUAL_K)
		return `The log does not look like this room: the model stays ${residualK.toFixed(1)} K off it. Is the emitter right, and the column of the heating?`;
	if ((['loss', 'fabric'] as const).some((name) => Math.abs(fit.fitted[name]) > 2.9))
		return 'The log points to a room many times lighter, heavier or leakier than surveyed: check the emitter and its power first.';

	// fitted on the first two thirds, is the last third foretold?
	const kept = Math.floor((log.roomC.length * 2) / 3);
	const earlier = fitModel(problemOf(room, surveyedLoss, firstOf(log, kept)), fit.free, {
		...fit.fitted,
		begins: fit.fitted.begins.slice(0, firstOf(log, kept).starts.length)
	});
	const begins = [...earlier.fitted.begins, ...fit.fitted.begins.slice(earlier.fitted.begins.length)];
	const { modelC: foretold } = runOf(problem, { ...earlier.fitted, begins }, fit.free.sun);
	const last = problem.counts.flatMap((counted, i) => (counted && i >= kept ? [i] : []));
	const foretoldK = rms(
		last.reduce((sum, i) => sum + (foretold[i]! - log.roomC[i]!) ** 2, 0),
		last.length
	);
	if (foretoldK > MOST_FORETOLD_K)
		return `What the first two thirds of the log say does not foretell the last third: it is ${foretoldK.toFixed(1)} K off. Was a window open, or another heater on?`;

	const outdoorC = Math.round(log.outdoorC.reduce((sum, c) => sum + c, 0) / log.outdoorC.length);
	const at = Math.min(outdoorC, NIGHT.setbackC - 4);
	const tauOf = (fitted: Room4) => Math.log(timeConstantHours(modelOf(room, surveyedLoss, fitted)));
	const warmOf = (fitted: Room4) => {
		const { minutes } = warmUp(measuredRoom(room, surveyedLoss, fitted), NIGHT, at);
		return minutes === null || minutes < 1 ? null : Math.log(minutes);
	};
	const spread = covariance(fit, problem);
	const between = (of: (fitted: Room4) => number | null, least: number): Between | null => {
		const here = of(fit.fitted);
		if (here === null) return null;
		const STEP = 0.02;
		const gradient = fit.free.names.map((name) => {
			const [up, down] = [STEP, -STEP].map((by) => of({ ...fit.fitted, [name]: fit.fitted[name] + by }));
			return up === null || down === null ? 0 : (up! - down!) / (2 * STEP);
		});
		const own = gradient.reduce(
			(sum, g, i) => sum + g * gradient.reduce((part, h, j) => part + h * spread[i]![j]!, 0),
			0
		);
		// models that count nearly as much say how far the choice among them matters
		const apart = models.reduce((sum, one) => {
			const there = one.weight > 0.01 ? of(one.fit.fitted) : null;
			return sum + (there === null ? 0 : one.weight * (there - here) ** 2);
		}, 0);
		const error = WIDENED * Math.sqrt(Math.max(0, own) + apart + least ** 2);
		return {
			value: Math.exp(here),
			from: Math.exp(here - NINE_IN_TEN * error),
			to: Math.exp(here + NINE_IN_TEN * error)
		};
	};
	const warnings: string[] = [];
	const times = Math.exp(fit.fitted.loss);
	const isFar = times > FAR_TIMES || times < 1 / FAR_TIMES;
	if (isFar)
		warnings.push(
			`The loss comes out ${times > 1 ? `${times.toFixed(1)} times` : `a ${(1 / times).toFixed(1)}th of`} the survey’s. Check the emitter’s power and the survey before you take it.`
		);
	const sunW = Math.max(0, ...fit.sunW);
	if (sunW > 0.15 * room.emitter.ratedW)
		warnings.push(
			`Sun warmed the room by up to ${Math.round(sunW / 10) * 10} W; it is taken into account here, and is not part of what is taken.`
		);
	return {
		wattsPerKelvin: surveyedLoss * times,
		capacityScale: Math.exp(fit.fitted.fabric),
		airScale: Math.exp(fit.fitted.air),
		couplingScale: Math.exp(fit.fitted.coupling),
		timeConstantHours: between(tauOf, LEAST_SHARE.constant)!,
		warmUpMinutes: between(warmOf, LEAST_SHARE.warmUp),
		night: { setbackC: NIGHT.setbackC, comfortC: NIGHT.comfortC, outdoorC: at },
		residualK,
		foretoldK,
		warnings,
		isFar,
		modelC: [...fit.modelC]
	};
}

/** A survey's room with what was fitted in the place of its loss and weight. */
function measuredRoom(room: Room, surveyedLoss: number, fitted: Room4): Room {
	return {
		...room,
		loss: {
			by: 'measured',
			wattsPerKelvin: surveyedLoss * Math.exp(fitted.loss),
			capacityScale: Math.exp(fitted.fabric),
			airScale: Math.exp(fitted.air),
			couplingScale: Math.exp(fitted.coupling),
			timeConstantHours: 10,
			standardErrorHours: 0,
			on: '2000-01-01'
		}
	};
}
