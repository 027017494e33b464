import type { Room } from '../plan';
import { memo } from '../schema';
import {
	AIR_CHANGES,
	AIR_LOSS_SHARE,
	AIR_TO_SURFACE,
	AIR_WH,
	buildClasses,
	emitterClasses,
	finishes,
	FURNISHED_AIR,
	insulationClasses,
	radiatorOutput,
	SCREED,
	SURFACE_PER_FLOOR,
	SURFACE_TO_MASS
} from './classes';
import { solve, type Matrix } from './expm';

/**
 * A room of three temperatures, air (with furnishings), fabric, emitter, and the control's sensor: linear and
 * unchanging between switchings (docs/domain.md §8). Conductances in W/K, capacities in J/K, powers in W.
 */
export interface RoomModel {
	readonly airCapacity: number;
	readonly fabricCapacity: number;
	readonly emitterCapacity: number;
	/** Air to fabric, air to outside, fabric to outside. */
	readonly airFabric: number;
	readonly airOutside: number;
	readonly fabricOutside: number;
	/** Emitter to air and to fabric. */
	readonly emitterAir: number;
	readonly emitterFabric: number;
	/** Power put into the emitter while on; and, for water, the conductance from the water and its temperature. */
	readonly electricW: number;
	readonly water: { readonly conductance: number; readonly temperatureC: number } | null;
	readonly gainsW: number;
	/** Seconds in which the sensor follows what it measures. */
	readonly sensorSeconds: number;
	/** What the sensor measures: this share of the emitter (through the floor surface), the rest of the air. */
	readonly sensorEmitterShare: number;
	/** The floor surface: this share of the emitter's temperature, the rest the air's; null where no floor heats. */
	readonly surfaceShare: number | null;
}

/** A linearised film over a heated floor, in W/(m²·K): 8.92·Δ^0.1 at 9 K (EN 1264-2, from memory). */
const FLOOR_FILM = 8.92 * 9 ** 0.1;
/** An electronic sensor on a wall follows the air within three minutes: common practice. */
const SENSOR_SECONDS = 180;
/** A sensor in the floor follows within four. */
const FLOOR_SENSOR_SECONDS = 240;
/** The room at which a rating is taken. */
const RATED_ROOM_C = 20;
/** How many times better water warms its emitter than the emitter the room, unless the rating says otherwise. */
const WATER_RATIO = 10;

/** A room's loss in W/K: as given or measured, or from what is exposed with half an air change an hour. */
export function lossOf(room: Room): number {
	const { loss } = room;
	if (loss.by !== 'survey') return loss.wattsPerKelvin;
	const volume = room.floorAreaM2 * room.heightM;
	return insulationClasses[loss.insulation].transfer * loss.exposedM2 + AIR_WH * AIR_CHANGES * volume;
}

/** The linear model of a room as its survey describes it; made once for each room. */
export const roomModel = memo((room: Room): RoomModel => makeModel(room));

/** What a measuring found the survey's classes to be multiplied by. */
const measuredOf = ({ loss }: Room) =>
	loss.by === 'measured' ? loss : { capacityScale: 1, airScale: 1, couplingScale: 1 };

function makeModel(room: Room): RoomModel {
	const area = room.floorAreaM2;
	const build = buildClasses[room.build];
	const loss = lossOf(room);
	const airFabric =
		measuredOf(room).couplingScale /
		(1 / (AIR_TO_SURFACE * SURFACE_PER_FLOOR * area) + 1 / (SURFACE_TO_MASS * build.massArea * area));
	const airOutside = AIR_LOSS_SHARE * loss;
	// what leaves through the fabric must first get into it: of the two in series the rest of the loss is meant
	const through = (1 - AIR_LOSS_SHARE) * loss;
	const fabricOutside = through < airFabric ? 1 / (1 / through - 1 / airFabric) : through;
	const { capacityScale, airScale } = measuredOf(room);
	const kind = emitterClasses[room.emitter.kind];
	const { ratedW, waterC } = room.emitter;

	let conductance: number;
	let capacity: number;
	let surfaceShare: number | null = null;
	if (kind.floor) {
		const heated = room.emitter.heatedM2 ?? area;
		const film = FLOOR_FILM * heated;
		const cover = room.finish ? finishes[room.finish].resistance : finishes.tile.resistance;
		conductance = 1 / (cover / heated + 1 / film);
		capacity = SCREED[room.emitter.kind as keyof typeof SCREED] * heated;
		surfaceShare = conductance / film;
	} else {
		const output = kind.water ? radiatorOutput(ratedW, waterC - RATED_ROOM_C) : ratedW;
		const hotK = kind.water
			? (waterC - RATED_ROOM_C) / (1 + 1 / WATER_RATIO)
			: room.emitter.kind === 'infrared-panel'
				? 75
				: 55;
		conductance = Math.max(output, 1) / Math.max(hotK, 1);
		capacity = kind.lagMinutes * 60 * conductance;
	}
	let water: RoomModel['water'] = null;
	if (kind.water) {
		const wanted = kind.floor ? ratedW : radiatorOutput(ratedW, waterC - RATED_ROOM_C);
		const drop = waterC - RATED_ROOM_C;
		// so much from the water that, in series with the emitter, the rating comes out; or as much as can be
		const series = wanted / drop;
		const fromWater = series < conductance * 0.999 ? 1 / (1 / series - 1 / conductance) : conductance * 1000;
		water = { conductance: Math.min(fromWater, conductance * 1000), temperatureC: waterC };
	}
	const radiant = kind.radiant;
	const floorSensor = room.sensor === 'floor';
	return {
		airCapacity: FURNISHED_AIR * area * airScale,
		fabricCapacity: build.capacity * area * capacityScale,
		emitterCapacity: Math.max(capacity, conductance * 60),
		airFabric,
		airOutside,
		fabricOutside,
		emitterAir: (1 - radiant) * conductance,
		emitterFabric: radiant * conductance,
		electricW: kind.water ? 0 : ratedW,
		water,
		gainsW: room.gainsW,
		sensorSeconds: floorSensor ? FLOOR_SENSOR_SECONDS : SENSOR_SECONDS,
		sensorEmitterShare: floorSensor ? (surfaceShare ?? 0) : 0,
		surfaceShare
	};
}

/** States in their order: air, fabric, emitter, sensor. */
export const STATES = 4;

/**
 * The model as x' = A·x + b·outdoorC + c, with the heating off or on. Rows and states: air, fabric, emitter, sensor.
 * Temperatures in °C, time in s.
 */
export function equations(
	model: RoomModel,
	on: boolean
): { a: number[][]; outdoor: number[]; constant: number[] } {
	const {
		airCapacity: ca,
		fabricCapacity: cm,
		emitterCapacity: ce,
		airFabric,
		airOutside,
		fabricOutside,
		emitterAir,
		emitterFabric,
		water
	} = model;
	const fromWater = on && water ? water.conductance : 0;
	const share = model.sensorEmitterShare;
	const lag = model.sensorSeconds;
	return {
		a: [
			[-(airFabric + airOutside + emitterAir) / ca, airFabric / ca, emitterAir / ca, 0],
			[airFabric / cm, -(airFabric + fabricOutside + emitterFabric) / cm, emitterFabric / cm, 0],
			[emitterAir / ce, emitterFabric / ce, -(emitterAir + emitterFabric + fromWater) / ce, 0],
			[(1 - share) / lag, 0, share / lag, -1 / lag]
		],
		outdoor: [airOutside / ca, fabricOutside / cm, 0, 0],
		constant: [
			model.gainsW / ca,
			0,
			((on ? model.electricW : 0) + (water ? fromWater * water.temperatureC : 0)) / ce,
			0
		]
	};
}

/** Heat put in by the source, in W, at an emitter temperature. */
export function sourcePower(model: RoomModel, on: boolean, emitterC: number): number {
	if (!on) return 0;
	return model.water ? model.water.conductance * (model.water.temperatureC - emitterC) : model.electricW;
}

/** The temperatures at rest with the heating off or on for ever, at an outdoor temperature: air, fabric, emitter, sensor. */
export function steadyState(model: RoomModel, on: boolean, outdoorC: number): number[] {
	const { a, outdoor, constant } = equations(model, on);
	return solve(
		a.map((row) => row.map((x) => -x)),
		outdoor.map((b, i) => b * outdoorC + constant[i]!)
	);
}

/** What the control governs, in °C: the air, or the floor's surface where its sensor lies in the floor. */
export function governedOf(model: RoomModel, airC: number, emitterC: number): number {
	const share = model.sensorEmitterShare;
	return share * emitterC + (1 - share) * airC;
}

/** The floor's surface in °C; the air where no floor heats. */
export function surfaceOf(model: RoomModel, airC: number, emitterC: number): number {
	const share = model.surfaceShare ?? 0;
	return share * emitterC + (1 - share) * airC;
}

/**
 * The temperatures at rest with what is governed (the air, or the floor on its sensor) held at a temperature by whatever
 * heat that takes, and that heat in W (not below 0). The emitter gives it; the sensor reads what it measures.
 */
export function heldAt(
	model: RoomModel,
	governedC: number,
	outdoorC: number
): { state: number[]; powerW: number } {
	// unknown: air, fabric, emitter; the balances of air and fabric, and what the sensor reads
	const { airFabric, airOutside, fabricOutside, emitterAir, emitterFabric } = model;
	const share = model.sensorEmitterShare;
	const [air, fabric, emitter] = solve(
		[
			[airFabric + airOutside + emitterAir, -airFabric, -emitterAir],
			[-airFabric, airFabric + fabricOutside + emitterFabric, -emitterFabric],
			[1 - share, 0, share]
		],
		[airOutside * outdoorC + model.gainsW, fabricOutside * outdoorC, governedC]
	) as [number, number, number];
	const powerW = emitterAir * (emitter - air) + emitterFabric * (emitter - fabric);
	if (powerW <= 0) {
		const free = steadyState(model, false, outdoorC);
		return { state: free, powerW: 0 };
	}
	return { state: [air, fabric, emitter, governedC], powerW };
}

/** The highest air temperature at rest with the floor surface at its limit. */
export function highestUnder(model: RoomModel, limitC: number, outdoorC: number): number {
	let [low, high] = [outdoorC, 45];
	for (let i = 0; i < 40; i++) {
		const middle = (low + high) / 2;
		const { state } = heldAt(model, middle, outdoorC);
		if (surfaceOf(model, state[0]!, state[2]!) > limitC) high = middle;
		else low = middle;
	}
	return low;
}

/** The slowest time constant of a room with its heating off, in hours: τ = C/H of ISO 13790 for one node, the true one for three. */
export const timeConstantHours = memo((model: RoomModel): number => slowestHours(model));

function slowestHours(model: RoomModel): number {
	// inverse iteration on −A converges on its smallest eigenvalue
	const minus = equations(model, false)
		.a.slice(0, 3)
		.map((row) => row.slice(0, 3).map((x) => -x)) as Matrix;
	let vector = [1, 1, 1];
	let value = 0;
	for (let i = 0; i < 60; i++) {
		const next = solve(minus, vector);
		value = Math.max(...next.map(Math.abs));
		vector = next.map((x) => x / value);
	}
	return value / 3600;
}
