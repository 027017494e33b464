import { memo } from '../schema';
import type { RoomModel } from './roomModel';
import { simulate, type ControlState, type Regulation } from './simulate';

/** The water that cools, in °C: common practice for chilled water. */
const CHILLED_C = 7;

/**
 * A room seen with warm and cold exchanged: its equations are linear, so that what cools it as its emitter heats it (the same power, or chilled
 * water through the same surface) is what heats the mirrored one.
 */
const mirrored = memo((model: RoomModel): RoomModel => ({
	...model,
	gainsW: -model.gainsW,
	water: model.water && { ...model.water, temperatureC: -CHILLED_C }
}));

const negated = (values: ArrayLike<number>): Float64Array => Float64Array.from(values, (value) => -value);

/** Which of the two a control that heats and cools was about last. */
export type Side = 'heat' | 'cool';

export interface BothRequest {
	readonly model: RoomModel;
	readonly regulation: Regulation;
	/** By minute, in °C; NaN: no heat, no cooling asked for. */
	readonly outdoorC: Float64Array;
	readonly heatC: Float64Array;
	readonly coolC: Float64Array;
	/** Air, fabric, emitter, sensor in °C. */
	readonly start: readonly number[];
	readonly control: ControlState;
	readonly side: Side;
}

/** What came of it, minute by minute at its end. */
export interface Both {
	readonly air: Float64Array;
	readonly heating: Uint8Array;
	readonly cooling: Uint8Array;
	readonly end: readonly number[];
	readonly control: ControlState;
	readonly side: Side;
}

/**
 * Runs a room that is heated and cooled: one of the two at a time. It goes over to the other where that is asked for while this one rests; the
 * minimum time off lies between them as between two starts.
 */
export function simulateBoth(request: BothRequest): Both {
	const { model, regulation, outdoorC, heatC, coolC } = request;
	const n = outdoorC.length;
	const air = new Float64Array(n);
	const heating = new Uint8Array(n);
	const cooling = new Uint8Array(n);
	let { start, control, side } = request;
	const cold = { ...regulation, guardC: null };
	/** The sensor is taken for the air: only the changing over hangs on it. */
	const asksFor = (one: Side, minute: number, c: number) =>
		one === 'heat' ? c < heatC[minute]! : c > coolC[minute]!;
	for (let from = 0; from < n;) {
		const isCool = side === 'cool';
		const other = isCool ? 'heat' : 'cool';
		const run = (to: number) =>
			simulate({
				model: isCool ? mirrored(model) : model,
				regulation: isCool ? cold : regulation,
				outdoorC: isCool ? negated(outdoorC.subarray(from, to)) : outdoorC.subarray(from, to),
				setpointC: isCool ? negated(coolC.subarray(from, to)) : heatC.subarray(from, to),
				start: isCool ? start.map((c) => -c) : start,
				control: isCool ? { ...control, feltC: -control.feltC } : control,
				record: true
			});
		let whole = run(n);
		let to = from;
		while (
			to < n &&
			(whole.heating[to - from] === 1 || !asksFor(other, to, whole.air[to - from]! * (isCool ? -1 : 1)))
		)
			to++;
		if (to < n) whole = run(to + 1);
		for (let i = 0; i < whole.air.length; i++) {
			air[from + i] = isCool ? -whole.air[i]! : whole.air[i]!;
			(isCool ? cooling : heating)[from + i] = whole.heating[i]!;
		}
		start = isCool ? whole.end.map((c) => -c) : whole.end;
		control = isCool ? { ...whole.control, feltC: -whole.control.feltC } : whole.control;
		from += whole.air.length;
		if (to < n) side = other;
	}
	return { air, heating, cooling, end: start, control, side };
}
