/**
 * Random rooms with random weeks, and the laws of heating that each must keep (typical weeks, closed on themselves):
 * the same code runs over a few in the unit tests and over a thousand in the bench.
 */
import fc from 'fast-check';
import { findProfile } from '../../src/core/control';
import {
	BUILDS,
	EMITTERS,
	heatsByFloor,
	newZone,
	roomSchema,
	withWanted,
	type Room,
	type Zone
} from '../../src/core/plan';
import {
	governedOf,
	LONGEST_LEAD,
	outdoorWeek,
	periodic,
	readyRoom,
	risesOf,
	simulate,
	timeConstantHours,
	type RiseLead,
	type Simulation
} from '../../src/core/thermal';
import { buildWeek, DAY_MINUTES, WEEK_MINUTES } from '../../src/core/week';

/** A room, its week as two setpoints with their times, and a stretch to raise. */
export interface Case {
	readonly room: Room;
	readonly outdoorC: number;
	readonly comfortC: number;
	readonly setbackC: number;
	/** Minutes of the day, and days (0 = Monday) on which there is comfort. */
	readonly from: number;
	readonly to: number;
	readonly days: readonly number[];
	readonly raise: { readonly from: number; readonly minutes: number; readonly byK: number };
}

const measured = (capacityScale: number) => ({
	by: 'measured',
	capacityScale,
	timeConstantHours: 100,
	standardErrorHours: 1,
	on: '2026-01-01'
});

/** Heating-only rooms with time constants from 5 to about 800 h, with every emitter, sensor and way of regulating. */
export const anyCase: fc.Arbitrary<Case> = fc
	.record({
		kind: fc.constantFrom(...EMITTERS),
		build: fc.constantFrom(...BUILDS),
		sensor: fc.constantFrom('air', 'floor', 'air-with-floor-guard'),
		areaM2: fc.integer({ min: 8, max: 60 }),
		/** Loss in W/K for each m² of floor: a passive room to a glass one. */
		lossPerM2: fc.double({ min: 0.4, max: 6, noNaN: true }),
		heavier: fc.option(fc.double({ min: 1, max: 4, noNaN: true })),
		/** What the emitter can, as a share of what the room loses at 25 K. */
		power: fc.double({ min: 0.8, max: 4, noNaN: true }),
		gains: fc.constantFrom(0, 0, 0, 2, 5),
		regulation: fc.oneof(
			fc.record({
				kind: fc.constant('on-off' as const),
				differentialK: fc.double({ min: 0.3, max: 1.5, noNaN: true })
			}),
			fc.record({
				kind: fc.constant('cycling' as const),
				perHour: fc.integer({ min: 2, max: 9 }),
				bandK: fc.double({ min: 0.8, max: 2, noNaN: true })
			})
		),
		outdoorC: fc.integer({ min: -12, max: 14 }),
		comfort: fc.integer({ min: 0, max: 6 }),
		depth: fc.integer({ min: 2, max: 15 }),
		from: fc.integer({ min: 240, max: 600 }),
		to: fc.integer({ min: 900, max: 1420 }),
		days: fc.subarray([0, 1, 2, 3, 4, 5, 6], { minLength: 1 }),
		raise: fc.record({
			from: fc.integer({ min: 0, max: WEEK_MINUTES - 1 }),
			minutes: fc.integer({ min: 60, max: 4000 }),
			byK: fc.double({ min: 0.5, max: 4, noNaN: true })
		})
	})
	.map(({ kind, build, areaM2, lossPerM2, heavier, power, gains, regulation, ...more }): Case => {
		const wattsPerKelvin = Math.max(1, lossPerM2 * areaM2);
		const floor = kind === 'floor-cable' || kind === 'wet-floor';
		const room = roomSchema.parse({
			floorAreaM2: areaM2,
			heightM: 2.5,
			build,
			loss: heavier === null ? { by: 'figure', wattsPerKelvin } : { ...measured(heavier), wattsPerKelvin },
			emitter: {
				kind,
				ratedW: Math.max(50, 25 * wattsPerKelvin * power),
				waterC: kind === 'wet-floor' ? 40 : 60
			},
			sensor: floor ? more.sensor : 'air',
			gainsW: gains * areaM2,
			regulation
		});
		const comfortC = (room.sensor === 'floor' ? 23 : 19) + more.comfort / 2;
		return { ...more, room, comfortC, setbackC: comfortC - more.depth };
	});

/** A case's week by minute in °C. */
export function weekOf({ comfortC, setbackC, from, to, days }: Case): Float64Array {
	return Float64Array.from({ length: WEEK_MINUTES }, (_, minute) => {
		const inDay = minute % DAY_MINUTES;
		return days.includes(Math.floor(minute / DAY_MINUTES)) && inDay >= from && inDay < to
			? comfortC
			: setbackC;
	});
}

/** The heat of one switching cycle, in J: what a start brings on average, ten watt-hours at least. */
const cycleJ = (run: Simulation) => Math.max(36_000, run.heatJ / Math.max(1, run.starts));

/** What is wrong with a case, law by law; nothing where all hold. `weeks` counts those run, for a bench. */
export function brokenLaws(one: Case): string[] {
	const { room, outdoorC, comfortC, setbackC, raise } = one;
	const ready = readyRoom(room);
	const request = { ...ready, outdoorC: outdoorWeek(outdoorC) };
	const closed = (setpointC: Float64Array) => periodic({ ...request, setpointC });
	const set = weekOf(one);
	const programmed = closed(set);
	const broken: string[] = [];
	const say = (law: string, ...figures: number[]) =>
		broken.push(`${law}: ${figures.map((j) => `${(j / 3.6e6).toFixed(3)} kWh`).join(', ')}`);
	/** The first never less than the second, within the heat of one switching cycle of either. */
	const atLeast = (law: string, more: typeof programmed, less: typeof programmed) => {
		const slack = Math.max(cycleJ(more.run), cycleJ(less.run));
		if (more.heatJ < less.heatJ - slack - 1e-3 * less.heatJ) say(law, more.heatJ, less.heatJ, slack);
	};

	const raised = set.slice();
	for (let i = 0; i < raise.minutes; i++) raised[(raise.from + i) % WEEK_MINUTES]! += raise.byK;
	atLeast('a setpoint raised lowers the heat', closed(raised), programmed);
	const steady = closed(new Float64Array(WEEK_MINUTES).fill(comfortC));
	const frost = closed(set.map((c) => (c < comfortC ? Math.min(5, c) : c)));
	atLeast('the program takes more than steady heat', steady, programmed);
	atLeast('frost level takes more than the program', programmed, frost);

	// never reached: not even where a control would begin to heat for it
	const { by } = ready.regulation;
	const reach = by.kind === 'on-off' ? by.differentialK : by.bandK;
	if (programmed.run.coldestGovernedC > setbackC + reach) {
		const deeper = closed(set.map((c) => (c < comfortC ? c - 3 : c)));
		if (deeper.heatJ !== programmed.heatJ)
			say('a setback never reached changes something', deeper.heatJ, programmed.heatJ);
	}

	// sixteen plain weeks, and more where a room is not at rest after them; the mean of the last four
	const weeks = Math.max(16, Math.ceil((10 * timeConstantHours(ready.model) * 60) / WEEK_MINUTES));
	let last: Simulation | undefined;
	let plainJ = 0;
	for (let week = 0; week < weeks; week++) {
		last = simulate({
			...request,
			setpointC: set,
			...(last ? { start: last.end, control: last.control } : {})
		});
		if (week >= weeks - 4) plainJ += (last.lossJ - last.gainsJ) / 4;
	}
	plainJ = Math.max(0, plainJ);
	if (Math.abs(plainJ - programmed.heatJ) > 1e-3 * plainJ + cycleJ(programmed.run))
		say(`not what ${weeks} plain weeks come to`, programmed.heatJ, plainJ, cycleJ(programmed.run));
	return broken;
}

/** A case in a line, to be found again. */
export function caseWords({ room, outdoorC, comfortC, setbackC }: Case): string {
	const { emitter, sensor, build, regulation } = room;
	const hours = Math.round(timeConstantHours(readyRoom(room).model));
	const floor = heatsByFloor(room) ? `, sensor ${sensor}` : '';
	return `${build}, ${emitter.kind}${floor}, ${regulation.kind}, ${hours} h, ${comfortC}/${setbackC} °C at ${outdoorC} °C`;
}

export const stat = findProfile('six-step-room-stat')!;
/** A case as a zone of a stat that takes any of its setpoints. */
export function zoneOf({ comfortC, setbackC, from, to, days }: Case): Zone {
	const fresh = newZone('Any', stat);
	const level = (id: string, letter: string, setpointC: number) => ({
		...fresh.levels[0]!,
		id,
		letter,
		setpointC
	});
	const steps = days.flatMap((day) => [
		{ at: day * DAY_MINUTES + from, value: 'comfort' },
		{ at: day * DAY_MINUTES + to, value: 'setback' }
	]);
	return withWanted(
		{ ...fresh, levels: [level('comfort', 'C', comfortC), level('setback', 'S', Math.max(5, setbackC))] },
		buildWeek(steps)
	);
}

/**
 * What is wrong with the leads of a case; null where they hold. Where a lead is said, a run of the week with all leads in it is at the need within 0.1 K and half
 * the differential (of a cycling control: half its band) of what is wanted; where none is, a run with the longest lead is not there either.
 */
export function brokenLead(one: Case): string | null {
	const { room, outdoorC, comfortC } = one;
	const zone = zoneOf(one);
	const rises = risesOf(zone, room, stat, outdoorC);
	const ready = readyRoom(room, stat.habits.minimumOffMinutes);
	const { by } = ready.regulation;
	const half = (by.kind === 'on-off' ? by.differentialK : by.bandK) / 2;
	/** What is governed at each need, with these leads in the week. */
	const atNeeds = (leadOf: (rise: RiseLead) => number) => {
		// under its range a control holds the lowest that it can
		const setpointC = weekOf({ ...one, setbackC: Math.max(one.setbackC, stat.temperature!.minC) });
		for (const rise of rises)
			for (let back = 1; back <= Math.min(leadOf(rise), rise.night.minutes); back++)
				setpointC[(rise.at - back + WEEK_MINUTES) % WEEK_MINUTES] = comfortC;
		const { air, emitter } = periodic({
			...ready,
			outdoorC: outdoorWeek(outdoorC),
			setpointC,
			record: true
		}).run;
		return rises.map(({ at }) => {
			const last = (at - 1 + WEEK_MINUTES) % WEEK_MINUTES;
			return governedOf(ready.model, air[last]!, emitter[last]!);
		});
	};
	const said = atNeeds(({ minutes }) => minutes ?? LONGEST_LEAD);
	const cold = rises.findIndex(({ minutes }, i) => minutes !== null && said[i]! < comfortC - 0.1 - half);
	if (cold >= 0) return `${rises[cold]!.minutes} min leave ${said[cold]!.toFixed(2)} of ${comfortC} °C`;
	const most = atNeeds(() => LONGEST_LEAD);
	const warm = rises.findIndex(({ minutes }, i) => minutes === null && most[i]! > comfortC - 0.1);
	return warm >= 0 ? `called not reached, and is ${most[warm]!.toFixed(2)} of ${comfortC} °C` : null;
}
