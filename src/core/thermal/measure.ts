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
/** The longest log that is fitted, in steps: the latest four weeks. */
const MOST_STEPS = 28 * 288;
/** Nine times in ten within so many standard errors (normal distribution). */
const NINE_IN_TEN = 1.645;
/**
 * By how much standard errors are widened, and the least they are, as a share: rooms are not as the model has them. Both from rooms made by
 * another model (`bench/measure`), so that nine intervals in ten hold the truth.
 */
const WIDENED = 1.6;
const LEAST_SHARE = 0.045;
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

/** What is fitted, in logarithms but for the sun (in W at its highest) and how far the fabric was from the air where a part of the log begins (K). */
type Parameter = 'loss' | 'fabric' | 'air' | 'coupling' | 'sun';
const BOUNDS: Readonly<Record<Parameter, readonly [number, number]>> = {
	loss: [-3, 3],
	fabric: [-3, 3],
	air: [-1.2, 2.5],
	coupling: [-1.5, 1.5],
	sun: [0, 6000]
};
type Fitted = Readonly<Record<Parameter, number>> & { readonly begins: readonly number[] };
const SURVEYED: Omit<Fitted, 'begins'> = { loss: 0, fabric: 0, air: 0, coupling: 0, sun: 0 };

/** The sun through windows as a share of its highest, by minutes since midnight: a half sine from eight to five, common practice. */
const sunAt = (minute: number) =>
	Number.isNaN(minute) || minute < 480 || minute > 1020 ? 0 : Math.sin((Math.PI * (minute - 480)) / 540);

/** The model of a survey's room, as fitted. */
const modelOf = (room: Room, surveyedLoss: number, fitted: Omit<Fitted, 'begins'>): RoomModel =>
	roomModel(measuredRoom(room, surveyedLoss, fitted));

/** The room's temperature over a log's outdoor and heating, from the first reading of each part. Where it is not known whether it heated, it heats as much as the reading says. */
function follow(
	model: RoomModel,
	log: EvenLog,
	{ sun, begins }: Pick<Fitted, 'sun' | 'begins'>
): Float64Array {
	const seconds = LOG_STEP_MINUTES * 60;
	const [off, on] = [exactStep(model, false, seconds), exactStep(model, true, seconds)];
	const warmed = sun > 0 ? responseToWatts(model, off, seconds) : null;
	const n = log.roomC.length;
	const out = new Float64Array(n);
	const sums = new Float64Array(2);
	let x = new Float64Array(4);
	const next = new Float64Array(4);
	let part = -1;
	for (let i = 0; i < n; i++) {
		if (log.starts[part + 1] === i) {
			part++;
			const [first, fabricK] = [log.roomC[i]!, begins[part] ?? 0];
			x = Float64Array.from([first, first + fabricK, first + fabricK, first]);
		}
		out[i] = x[0]!;
		const share = log.heating[i]!;
		const outdoor = log.outdoorC[i]!;
		if (share > 0 || Number.isNaN(share)) {
			next.set(x);
			take(on, next, outdoor, sums);
		}
		if (!(share >= 1)) take(off, x, outdoor, sums);
		if (warmed) {
			const watts = sun * sunAt(log.minuteOfDay[i]!);
			for (let s = 0; s < 4; s++) {
				x[s]! += watts * warmed[s]!;
				next[s]! += watts * warmed[s]!;
			}
		}
		const asked = (log.roomC[i + 1] ?? x[0]!) - x[0]!;
		const heats = Number.isNaN(share) ? Math.min(1, Math.max(0, asked / (next[0]! - x[0]! || 1))) : share;
		if (heats >= 1) x.set(next);
		else if (heats > 0) for (let s = 0; s < 4; s++) x[s]! += heats * (next[s]! - x[s]!);
		// where nobody can tell whether it heated, the reading itself is what the room was
		if (Number.isNaN(share) && i + 1 < n) x[0] = log.roomC[i + 1]!;
	}
	return out;
}

/** What a watt into the air for one step does to each state, in K. */
function responseToWatts(model: RoomModel, off: Step, seconds: number): readonly number[] {
	const WATTS = 1000;
	const warm = exactStep({ ...model, gainsW: model.gainsW + WATTS }, false, seconds);
	return [0, 1, 2, 3].map((s) => (warm.m[s * 6 + 5]! - off.m[s * 6 + 5]!) / WATTS);
}

/** A model of the room: which parameters are free; and what came of fitting it. */
interface Fit {
	readonly free: readonly Parameter[];
	readonly fitted: Fitted;
	readonly modelC: Float64Array;
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
}

const toVector = (free: readonly Parameter[], fitted: Fitted) => [
	...free.map((name) => fitted[name]),
	...fitted.begins
];
function toFitted(free: readonly Parameter[], vector: readonly number[]): Fitted {
	const named = Object.fromEntries(free.map((name, i) => [name, vector[i]!]));
	return { ...SURVEYED, ...named, begins: vector.slice(free.length) };
}
const runOf = ({ room, surveyedLoss, log }: Problem, fitted: Fitted) =>
	follow(modelOf(room, surveyedLoss, fitted), log, fitted);

function fitModel(problem: Problem, free: readonly Parameter[], from: Fitted): Fit {
	const { log, counts } = problem;
	const used = counts.flatMap((counted, i) => (counted ? [i] : []));
	const bounds = free.map((name) => BOUNDS[name]);
	const lm = levenbergMarquardt(
		{ x: used, y: used.map((i) => log.roomC[i]!) },
		(vector: number[]) => {
			const series = runOf(problem, toFitted(free, vector));
			return (i: number) => series[i]!;
		},
		{
			initialValues: toVector(free, from),
			minValues: [...bounds.map(([least]) => least), ...from.begins.map(() => -8)],
			maxValues: [...bounds.map(([, most]) => most), ...from.begins.map(() => 8)],
			gradientDifference: [
				...free.map((name) => (name === 'sun' ? 1 : 1e-4)),
				...from.begins.map(() => 1e-3)
			],
			damping: 0.01,
			maxIterations: 60,
			errorTolerance: 1e-9
		}
	);
	const fitted = toFitted(free, lm.parameterValues);
	const modelC = runOf(problem, fitted);
	const squares = used.reduce((sum, i) => sum + (modelC[i]! - log.roomC[i]!) ** 2, 0);
	return { free, fitted, modelC, squares, count: used.length };
}

/** The models that are weighed against each other: each adds something that rooms have. */
function modelsFor(log: EvenLog): readonly (readonly Parameter[])[] {
	const plain: readonly (readonly Parameter[])[] = [
		['loss', 'fabric'],
		['loss', 'fabric', 'air'],
		['loss', 'fabric', 'air', 'coupling']
	];
	const hasSun = log.minuteOfDay.some((minute) => sunAt(minute) > 0.5);
	return hasSun ? [...plain, ...plain.map((free) => [...free, 'sun' as const])] : plain;
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
function criterion({ squares, count, free, fitted }: Fit, effective: number): number {
	const k = free.length + fitted.begins.length + 1;
	return effective * Math.log(squares / count) + 2 * k + (2 * k * (k + 1)) / Math.max(1, effective - k - 1);
}

/** The covariance of what was fitted, with what is left of readings near each other alike (Newey and West 1987). */
function covariance(fit: Fit, problem: Problem): number[][] {
	const { log, counts } = problem;
	const vector = toVector(fit.free, fit.fitted);
	const steps = vector.map((_, k) => (fit.free[k] === 'sun' ? 1 : 1e-3));
	const columns = vector.map((_, k) => {
		const shifted = runOf(
			problem,
			toFitted(
				fit.free,
				vector.map((value, j) => (j === k ? value + steps[k]! : value))
			)
		);
		return shifted.map((c, i) => (counts[i] ? (c - fit.modelC[i]!) / steps[k]! : 0));
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
	return { room, surveyedLoss, log, counts };
}

/** Fits every model, each from the one before; returns them with how much each counts (weights of Akaike). */
function weighed(problem: Problem): readonly { readonly fit: Fit; readonly weight: number }[] {
	const begins = problem.log.starts.map(() => 0);
	const fits: Fit[] = [];
	for (const free of modelsFor(problem.log)) {
		// of several beginnings the first model takes the best, for it has more than one valley
		const from =
			fits.length === 0
				? [0, 1.2, -1.2].map((fabric) => ({ ...SURVEYED, fabric, begins }))
				: [fits.filter((had) => had.free.every((name) => free.includes(name))).at(-1)!.fitted];
		const tried = from.map((start) =>
			fitModel(problem, free, free.includes('sun') && start.sun === 0 ? { ...start, sun: 50 } : start)
		);
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
	const foretold = runOf(problem, {
		...earlier.fitted,
		begins: [...earlier.fitted.begins, ...fit.fitted.begins.slice(earlier.fitted.begins.length)]
	});
	const last = problem.counts.flatMap((counted, i) => (counted && i >= kept ? [i] : []));
	const foretoldK = rms(
		last.reduce((sum, i) => sum + (foretold[i]! - log.roomC[i]!) ** 2, 0),
		last.length
	);
	if (foretoldK > MOST_FORETOLD_K)
		return `What the first two thirds of the log say does not foretell the last third: it is ${foretoldK.toFixed(1)} K off. Was a window open, or another heater on?`;

	const outdoorC = Math.round(log.outdoorC.reduce((sum, c) => sum + c, 0) / log.outdoorC.length);
	const at = Math.min(outdoorC, NIGHT.setbackC - 4);
	const tauOf = (fitted: Omit<Fitted, 'begins'>) =>
		Math.log(timeConstantHours(modelOf(room, surveyedLoss, fitted)));
	const warmOf = (fitted: Omit<Fitted, 'begins'>) => {
		const { minutes } = warmUp(measuredRoom(room, surveyedLoss, fitted), NIGHT, at);
		return minutes === null || minutes < 1 ? null : Math.log(minutes);
	};
	const spread = covariance(fit, problem);
	const between = (of: (fitted: Omit<Fitted, 'begins'>) => number | null): Between | null => {
		const here = of(fit.fitted);
		if (here === null) return null;
		const gradient = fit.free.map((name) => {
			if (name === 'sun') return 0;
			const STEP = 0.02;
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
		const error = WIDENED * Math.sqrt(Math.max(0, own) + apart + LEAST_SHARE ** 2);
		return {
			value: Math.exp(here),
			from: Math.exp(here - NINE_IN_TEN * error),
			to: Math.exp(here + NINE_IN_TEN * error)
		};
	};
	const warnings: string[] = [];
	const times = Math.exp(fit.fitted.loss);
	if (times > FAR_TIMES || times < 1 / FAR_TIMES)
		warnings.push(
			`The loss comes out ${times > 1 ? `${times.toFixed(1)} times` : `a ${(1 / times).toFixed(1)}th of`} the survey’s. Check the emitter’s power and the survey before you take it.`
		);
	if (fit.fitted.sun > 0.1 * room.emitter.ratedW)
		warnings.push(
			`Sun warmed the room by up to ${Math.round(fit.fitted.sun / 10) * 10} W; that is left out of what is taken.`
		);
	return {
		wattsPerKelvin: surveyedLoss * times,
		capacityScale: Math.exp(fit.fitted.fabric),
		airScale: Math.exp(fit.fitted.air),
		couplingScale: Math.exp(fit.fitted.coupling),
		timeConstantHours: between(tauOf)!,
		warmUpMinutes: between(warmOf),
		night: { setbackC: NIGHT.setbackC, comfortC: NIGHT.comfortC, outdoorC: at },
		residualK,
		foretoldK,
		warnings,
		modelC: [...fit.modelC]
	};
}

/** A survey's room with what was fitted in the place of its loss and weight. */
function measuredRoom(room: Room, surveyedLoss: number, fitted: Omit<Fitted, 'begins'>): Room {
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
