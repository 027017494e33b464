import { Matrix } from 'ml-matrix';
import type { Room } from '../plan';
import { AIR_LOSS_SHARE } from './classes';
import { covariance, fitModel, problemOf, rms, runOf, weighed } from './logFit';
import {
	DAY_STEPS,
	LOG_STEP_MINUTES,
	measuredRoom,
	modelOf,
	type EvenLog,
	type FittedRoom
} from './loggedRoom';
import { roomModel, timeConstantHours } from './roomModel';
import { warmUp } from './warmUp';

/** A figure that was measured, and between what it lies nine times in ten. */
export interface Between {
	readonly value: number;
	readonly from: number;
	readonly to: number;
}

/** Why a log says nothing of a room. */
export type LogRefusal =
	| { readonly kind: 'short'; readonly hours: number; readonly leastHours: number }
	| { readonly kind: 'hardly-heated' | 'hardly-cooled' | 'far-from-survey' }
	/** The room moved by so little. */
	| { readonly kind: 'still'; readonly spanK: number }
	/** The model stays so far off it. */
	| { readonly kind: 'other-room'; readonly offK: number }
	/** It heated in shorter spells than the log was written in: of each reading the column tells one moment, and not how long it ran. */
	| { readonly kind: 'cycles-faster' }
	/** Its last third lies so far from what the rest says. */
	| { readonly kind: 'not-foretold'; readonly offK: number };

/** What a person should know before taking what was measured. */
export type MeasuredWarning =
	/** The loss is so many times the survey's. */
	{ readonly kind: 'far-loss'; readonly times: number } | { readonly kind: 'sun'; readonly mostW: number };

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
	readonly warnings: readonly MeasuredWarning[];
	/** Whether the loss is so far from the survey's that one of them is likely wrong. */
	readonly isFar: boolean;
	/** The model over the data, in °C. */
	readonly modelC: readonly number[];
}

const SHORTEST_HOURS = 18;
/** A room that is not heated for this long says nothing of its heating. */
const LEAST_HEATING_HOURS = 0.5;
const LEAST_COOLING_HOURS = 3;
/** With more than this left, in K, a log is no log of a room as the survey describes it: what is foretold may be further off. */
const MOST_RESIDUAL_K = 0.6;
const MOST_FORETOLD_K = 1.2;
/** The longest log that is fitted, in steps: the latest two weeks. */
const MOST_STEPS = 14 * DAY_STEPS;
/** Nine times in ten within so many standard errors (normal distribution). */
const NINE_IN_TEN = 1.645;
/**
 * By how much standard errors are widened, and the least they are, as a share: rooms are not as the model has them. Both from rooms made by
 * another model (`bench/measure`), so that nine intervals in ten hold the truth.
 */
const WIDENED = 1.6;
const LEAST_SHARE = { warmUp: 0.055, constant: 0.1 };
/** A loss so many times the survey's, or the survey's so many times it, is looked at again before it is taken. */
const FAR_TIMES = 2.5;
/** The night of the warm-up: comfort before and after, eight hours of setback. */
const NIGHT = { beforeC: 20, setbackC: 16, minutes: 480, comfortC: 20 } as const;

const hours = (steps: number) => (steps * LOG_STEP_MINUTES) / 60;

/** Why a log cannot be used; null where it can. */
export function logRefusal(log: EvenLog): LogRefusal | null {
	const n = log.roomC.length;
	if (hours(n) < SHORTEST_HOURS) return { kind: 'short', hours: hours(n), leastHours: SHORTEST_HOURS };
	const known = log.heating.filter((share) => !Number.isNaN(share));
	const on = known.reduce((sum, share) => sum + share, 0);
	if (hours(on) < LEAST_HEATING_HOURS) return { kind: 'hardly-heated' };
	if (hours(known.length - on) < LEAST_COOLING_HOURS) return { kind: 'hardly-cooled' };
	const span = Math.max(...log.roomC) - Math.min(...log.roomC);
	if (span < 0.8) return { kind: 'still', spanK: span };
	return null;
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

/**
 * A room's loss, weight and coupling from a log, by least squares (Levenberg and Marquardt) on the very model that is used for everything
 * else; its emitter's output is taken as surveyed. Models with a free mass of air, a free coupling and with sun are weighed against each
 * other (Akaike), and judged by how well the last third of the log is foretold from the rest. Figures come with an interval that holds the
 * truth nine times in ten. Refused with the reason: a log too short, without heating or cooling, or one that no such room could have written.
 */
export function measureRoom(room: Room, whole: EvenLog): Measured | LogRefusal {
	const refusal = logRefusal(whole);
	if (refusal) return refusal;
	const log = latest(whole);
	const made = measuredFrom(room, log);
	return 'kind' in made && cyclesFaster(log) ? { kind: 'cycles-faster' } : made;
}

/** A column of states that turns over at so large a share of its readings tells one moment of each: common practice of sampling asks for two readings a cycle at least. */
const TURNS_OVER = 0.2;

/** Whether a log's heating goes on and off from reading to reading. */
function cyclesFaster({ heating }: EvenLog): boolean {
	let [pairs, turns] = [0, 0];
	for (let i = 1; i < heating.length; i++) {
		const apart = Math.abs(heating[i]! - heating[i - 1]!);
		if (Number.isNaN(apart)) continue;
		pairs++;
		if (apart > 0.99) turns++;
	}
	return turns > TURNS_OVER * pairs;
}

/** The latest part of a log fitted; see {@link measureRoom}. */
function measuredFrom(room: Room, log: EvenLog): Measured | LogRefusal {
	const surveyedLoss = roomModel(room).airOutside / AIR_LOSS_SHARE;
	const problem = problemOf(room, surveyedLoss, log);
	const models = weighed(problem);
	const { fit } = models.reduce((a, b) => (b.weight > a.weight ? b : a));
	const residualK = rms(fit.squares, fit.count);
	if (residualK > MOST_RESIDUAL_K) return { kind: 'other-room', offK: residualK };
	if ((['loss', 'fabric'] as const).some((name) => Math.abs(fit.fitted[name]) > 2.9))
		return { kind: 'far-from-survey' };

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
	if (foretoldK > MOST_FORETOLD_K) return { kind: 'not-foretold', offK: foretoldK };

	const outdoorC = Math.round(log.outdoorC.reduce((sum, c) => sum + c, 0) / log.outdoorC.length);
	const at = Math.min(outdoorC, NIGHT.setbackC - 4);
	const tauOf = (fitted: FittedRoom) => Math.log(timeConstantHours(modelOf(room, surveyedLoss, fitted)));
	const warmOf = (fitted: FittedRoom) => {
		const { minutes } = warmUp(measuredRoom(room, surveyedLoss, fitted), NIGHT, at);
		return minutes === null || minutes < 1 ? null : Math.log(minutes);
	};
	const spread = covariance(fit, problem);
	const between = (of: (fitted: FittedRoom) => number | null, least: number): Between | null => {
		const here = of(fit.fitted);
		if (here === null) return null;
		const STEP = 0.02;
		const gradient = fit.free.names.map((name) => {
			const [up, down] = [STEP, -STEP].map((by) => of({ ...fit.fitted, [name]: fit.fitted[name] + by }));
			return up === null || down === null ? 0 : (up! - down!) / (2 * STEP);
		});
		const slope = Matrix.rowVector([...gradient, ...fit.fitted.begins.map(() => 0)]);
		const own = slope.mmul(spread).mmul(slope.transpose()).get(0, 0);
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
	const warnings: MeasuredWarning[] = [];
	const times = Math.exp(fit.fitted.loss);
	const isFar = times > FAR_TIMES || times < 1 / FAR_TIMES;
	if (isFar) warnings.push({ kind: 'far-loss', times });
	const sunW = Math.max(0, ...fit.sunW);
	if (sunW > 0.15 * room.emitter.ratedW) warnings.push({ kind: 'sun', mostW: sunW });
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
