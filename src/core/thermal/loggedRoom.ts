import type { Room } from '../plan';
import { roomModel, type RoomModel } from './roomModel';
import { exactStep, take, type Step } from './stepper';

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

/** Minutes between readings of an even log. */
export const LOG_STEP_MINUTES = 5;
/** Steps of a day. */
export const DAY_STEPS = 1440 / LOG_STEP_MINUTES;

/** What is fitted, in logarithms; and how far the fabric was from the air where a part of the log begins, in K. */
export type Parameter = 'loss' | 'fabric' | 'air' | 'coupling';
export const BOUNDS: Readonly<Record<Parameter, readonly [number, number]>> = {
	loss: [-3, 3],
	fabric: [-3, 3],
	air: [-1.2, 2.5],
	coupling: [-1.5, 1.5]
};
export type FittedRoom = Readonly<Record<Parameter, number>>;
export type Fitted = FittedRoom & { readonly begins: readonly number[] };
export const SURVEYED: FittedRoom = { loss: 0, fabric: 0, air: 0, coupling: 0 };

/** The sun through windows as a share of its highest, by minutes since midnight: a half sine from eight to five, common practice. */
const sunAt = (minute: number) =>
	Number.isNaN(minute) || minute < 480 || minute > 1020 ? 0 : Math.sin((Math.PI * (minute - 480)) / 540);

/** A survey's room with what was fitted in the place of its loss and weight. */
export function measuredRoom(room: Room, surveyedLoss: number, fitted: FittedRoom): Room {
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

/** The model of a survey's room, as fitted. */
export const modelOf = (room: Room, surveyedLoss: number, fitted: FittedRoom): RoomModel =>
	roomModel(measuredRoom(room, surveyedLoss, fitted));

/** The room's temperature over a log's outdoor and heating, from the first reading of each part. Where it is not known whether it heated, it heats as much as the reading says. */
export function follow(model: RoomModel, log: EvenLog, begins: readonly number[]): Float64Array {
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
export function warmedBySun(model: RoomModel, steps: number): Float64Array {
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
