import { expm } from './expm';
import { memoBy } from '../schema';
import { equations, STATES, type RoomModel } from './roomModel';

/** Rows of a step: four temperatures, heat put in, heat lost. */
const ROWS = STATES + 2;
/** Columns: four temperatures, outdoor, constant. */
const COLUMNS = STATES + 2;

/**
 * One exact step of a room with its heating on or off: `next = m · [air, fabric, emitter, sensor, outdoor, 1]`,
 * row by row; rows 4 and 5 are the heat put in by the source and lost to outside during the step, in J.
 */
export interface Step {
	readonly m: Float64Array;
	readonly seconds: number;
}

/** The exact step of a length (matrix exponential of the equations with their integrals): no drift, whatever its length. Kept with its model. */
export const exactStep = memoBy(
	(on: boolean, seconds: number) => (on ? seconds : -seconds),
	(model: RoomModel, on: boolean, seconds: number): Step => makeStep(model, on, seconds)
);

function makeStep(model: RoomModel, on: boolean, seconds: number): Step {
	const { a, outdoor, constant } = equations(model, on);
	const n = STATES + 4;
	const big = Array.from({ length: n }, () => new Array<number>(n).fill(0));
	const [heat, loss, out, one] = [STATES, STATES + 1, STATES + 2, STATES + 3];
	for (let i = 0; i < STATES; i++) {
		for (let j = 0; j < STATES; j++) big[i]![j] = a[i]![j]! * seconds;
		big[i]![out] = outdoor[i]! * seconds;
		big[i]![one] = constant[i]! * seconds;
	}
	const water = on && model.water ? model.water : null;
	// heat in units of what warms the fabric by a kelvin, so that all entries are of one size
	const unit = model.fabricCapacity;
	const per = seconds / unit;
	big[heat]![2] = water ? -water.conductance * per : 0;
	big[heat]![one] = (water ? water.conductance * water.temperatureC : on ? model.electricW : 0) * per;
	big[loss]![0] = model.airOutside * per;
	big[loss]![1] = model.fabricOutside * per;
	big[loss]![out] = -(model.airOutside + model.fabricOutside) * per;
	const e = expm(big);
	const m = new Float64Array(ROWS * COLUMNS);
	for (let i = 0; i < ROWS; i++) {
		const scale = i < STATES ? 1 : unit;
		for (let j = 0; j < STATES; j++) m[i * COLUMNS + j] = e[i]![j]! * scale;
		m[i * COLUMNS + STATES] = e[i]![out]! * scale;
		m[i * COLUMNS + STATES + 1] = e[i]![one]! * scale;
	}
	return { m, seconds };
}

/** Takes a state one step on, in place; adds the heat put in and lost (J) to `sums[0]` and `sums[1]`. */
export function take(step: Step, x: Float64Array, outdoorC: number, sums: Float64Array): void {
	const m = step.m;
	const a = x[0]!;
	const f = x[1]!;
	const e = x[2]!;
	const s = x[3]!;
	x[0] = m[0]! * a + m[1]! * f + m[2]! * e + m[3]! * s + m[4]! * outdoorC + m[5]!;
	x[1] = m[6]! * a + m[7]! * f + m[8]! * e + m[9]! * s + m[10]! * outdoorC + m[11]!;
	x[2] = m[12]! * a + m[13]! * f + m[14]! * e + m[15]! * s + m[16]! * outdoorC + m[17]!;
	x[3] = m[18]! * a + m[19]! * f + m[20]! * e + m[21]! * s + m[22]! * outdoorC + m[23]!;
	sums[0]! += m[24]! * a + m[25]! * f + m[26]! * e + m[27]! * s + m[28]! * outdoorC + m[29]!;
	sums[1]! += m[30]! * a + m[31]! * f + m[32]! * e + m[33]! * s + m[34]! * outdoorC + m[35]!;
}

/** The heat stored in a room at a state, in J above 0 °C. */
export function stored(model: RoomModel, x: ArrayLike<number>): number {
	return model.airCapacity * x[0]! + model.fabricCapacity * x[1]! + model.emitterCapacity * x[2]!;
}
