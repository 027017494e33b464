import type { EvenLog } from '../../src/core/thermal';
import { roomSchema, type Room } from '../../src/core/plan';
import { seededRandom } from './random';

/**
 * Rooms made by another model than the program's: seven nodes (air, furniture, plaster, wall, floor, emitter, sensor) by small steps of
 * explicit Euler, with sun that differs from day to day, people in the evening, wind in the loss, a neighbour, a thermostat with a
 * differential, and a logger that rounds. What the program measures of them is held against what they really do.
 */
export interface OtherRoom {
	/** The survey that an installer would write: its area and emitter are right, its loss and weight are guesses. */
	readonly survey: Room;
	readonly log: EvenLog;
	/** Minutes from a setback of 16 °C to 20 °C after eight hours, at an outdoor temperature, without sun and people; null where it does not get there. */
	warmUpMinutes(outdoorC: number): number | null;
	/** Its slowest time constant. */
	readonly timeConstantHours: number;
}

const STEP_S = 20;
/** Nodes in their order: air, furniture, plaster, wall, floor, emitter, sensor. */
const [AIR, WALL, EMITTER, SENSOR] = [0, 3, 5, 6] as const;

export function otherRoom(seed: number, days = 5): OtherRoom {
	const random = seededRandom(seed);
	const between = (a: number, b: number) => a + (b - a) * random();
	const area = between(9, 35);
	const capacity = [
		between(6, 14) * 1000 * area,
		between(8, 25) * 1000 * area,
		between(25, 60) * 1000 * area,
		between(40, 220) * 1000 * area,
		between(30, 90) * 1000 * area,
		0,
		1
	];
	const stuff = between(4, 9) * area;
	const plaster = between(5, 9) * area;
	const wall = between(6, 14) * area;
	const floor = between(2.5, 5) * area;
	const direct = between(0.4, 1.1) * area;
	const outside = between(0.3, 1) * area;
	const neighbour = between(0, 0.3) * area;
	const loss = direct + 1 / (1 / outside + 1 / wall);
	const ratedW = Math.round((loss * between(28, 48)) / 50) * 50;
	const emitterK = 55;
	const emitter = ratedW / emitterK;
	capacity[EMITTER] = emitter * 60 * between(5, 18);
	const radiant = between(0.15, 0.4);
	const x = [20, 20, 20, 19, 20, 20, 20];
	/** One step: heat of the emitter in W, outdoor in °C, the loss as the wind makes it, sun and people in W. */
	const step = (
		heat: number,
		outdoorC: number,
		wind: number,
		sun: number,
		people: number,
		to: number[] = x
	) => {
		const [air, things, skin, core, ground, warm, sensor] = to as [
			number,
			number,
			number,
			number,
			number,
			number,
			number
		];
		const given = emitter * (warm - air);
		const flow = [
			stuff * (things - air) +
				plaster * (skin - air) +
				floor * (ground - air) +
				direct * wind * (outdoorC - air) +
				(1 - radiant) * given +
				people +
				0.2 * sun,
			stuff * (air - things) + 0.2 * sun,
			plaster * (air - skin) + wall * (core - skin) + radiant * given * 0.7 + 0.2 * sun,
			wall * (skin - core) + outside * (outdoorC - core) + neighbour * (19 - core),
			floor * (air - ground) + radiant * given * 0.3 + 0.4 * sun,
			heat - given,
			0
		];
		for (let i = 0; i < SENSOR; i++) to[i]! += (flow[i]! * STEP_S) / capacity[i]!;
		to[SENSOR] = sensor + ((air - sensor) * STEP_S) / 240;
	};

	const mean = between(-4, 7);
	const swing = between(2, 8);
	const outdoorAt = (minute: number) => mean + (swing / 2) * Math.cos((2 * Math.PI * (minute - 900)) / 1440);
	const setback = between(14.5, 17);
	const comfort = between(19.5, 21.5);
	const [wakes, sleeps] = [between(330, 480), between(1260, 1380)];
	const differential = between(0.2, 0.6);
	let on = false;
	const log = {
		roomC: [] as number[],
		outdoorC: [] as number[],
		heating: [] as number[],
		minuteOfDay: [] as number[]
	};
	let heated = 0;
	let [sun, wind] = [0, 1];
	for (let s = -86_400 * 3; s < days * 86_400; s += STEP_S) {
		const minute = (((s / 60) % 1440) + 1440) % 1440;
		if (Math.abs(minute) < 1e-9) {
			sun = random() < 0.4 ? between(5, 25) * area : between(0, 4) * area;
			wind = between(0.85, 1.15);
		}
		const wanted = minute >= wakes && minute < sleeps ? comfort : setback;
		if (x[SENSOR]! < wanted - differential / 2) on = true;
		else if (x[SENSOR]! > wanted + differential / 2) on = false;
		const people = minute > 1020 && minute < 1350 ? 80 : 0;
		const shine = minute > 500 && minute < 1000 ? sun * Math.sin((Math.PI * (minute - 500)) / 500) : 0;
		if (s >= 0 && s % 300 === 0) {
			if (s > 0) log.heating.push(heated);
			heated = 0;
			const noise = (random() + random() + random() - 1.5) * 0.1;
			log.roomC.push(Math.round((x[SENSOR]! + noise) * 10) / 10);
			log.outdoorC.push(Math.round(outdoorAt(minute) * 10) / 10);
			log.minuteOfDay.push(minute);
		}
		if (on) heated += STEP_S / 300;
		step(on ? ratedW : 0, outdoorAt(minute), wind, shine, people);
	}
	log.heating.push(on ? 1 : 0);

	const survey = roomSchema.parse({
		floorAreaM2: Math.round(area * 10) / 10,
		heightM: 2.5,
		build: (['light', 'medium', 'heavy'] as const)[Math.floor(random() * 3)]!,
		loss: { by: 'figure', wattsPerKelvin: Math.max(5, Math.round(loss * between(0.6, 1.6))) },
		emitter: { kind: 'electric-panel', ratedW }
	});
	return {
		survey,
		log: { ...log, starts: [0] },
		warmUpMinutes(outdoorC) {
			// held at comfort until it rests
			const rest = [20, 20, 20, 18, 20, 40, 20];
			for (let s = 0; s < 8 * 86_400; s += STEP_S) {
				const asked = Math.min(ratedW, Math.max(0, loss * (20 - outdoorC) + (20 - rest[AIR]!) * area * 60));
				step(asked, outdoorC, 1, 0, 0, rest);
			}
			const reaches = (lead: number) => {
				const now = [...rest];
				for (let s = 0; s < 480 * 60; s += STEP_S) {
					const heats = s >= (480 - lead) * 60 || now[AIR]! < 16;
					step(heats ? ratedW : 0, outdoorC, 1, 0, 0, now);
				}
				return now[AIR]! >= 19.75;
			};
			if (!reaches(480)) return null;
			let [short, long] = [0, 480];
			while (long - short > 1) {
				const middle = (short + long) / 2;
				if (reaches(middle)) long = middle;
				else short = middle;
			}
			return long;
		},
		get timeConstantHours() {
			// left alone for long, what is left falls by the slowest of its time constants
			const alone = [20, 20, 20, 20, 20, 20, 20];
			const zero = [0, 0, 0, 0, 0, 0, 0];
			const fall = (hours: number) => {
				for (let s = 0; s < hours * 3600; s += STEP_S) {
					step(0, 0, 1, 0, 0, alone);
					step(0, 0, 1, 0, 0, zero);
				}
				return alone[WALL]! - zero[WALL]!;
			};
			fall(60);
			const [a, b] = [fall(1), fall(24)];
			return 24 / Math.log(a / b);
		}
	};
}
