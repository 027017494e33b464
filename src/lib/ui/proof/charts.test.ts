import { describe, expect, it } from 'vitest';
import { findProfile } from '$core/control';
import { fitZone } from '$core/fit';
import { newZone, roomSchema, withWanted } from '$core/plan';
import { proofOf } from '$core/thermal';
import { buildWeek } from '$core/week';
import { curveChart, daysChart, hourWords, logChart, SHOWN_DAYS, type Palette } from './charts';

const ink: Palette = {
	ink: '#000',
	soft: '#555',
	rule: '#ccc',
	signal: '#a00',
	held: '#066',
	heldFill: '#0663',
	warm: '#860'
};
const stat = findProfile('six-step-room-stat')!;
const room = roomSchema.parse({
	floorAreaM2: 20,
	heightM: 2.5,
	build: 'light',
	loss: { by: 'figure', wattsPerKelvin: 60 },
	emitter: { kind: 'electric-panel', ratedW: 1500 }
});
const zone = {
	...withWanted(
		newZone('Z', stat),
		buildWeek([
			{ at: 420, value: 'comfort' },
			{ at: 1320, value: 'eco' },
			{ at: 6 * 1440 + 420, value: 'comfort' },
			{ at: 6 * 1440 + 1320, value: 'frost' }
		])
	),
	room
};
const proof = proofOf(zone, room, stat, fitZone(zone, stat).chosen.held, -8);
type Points = { x: number; y: number }[];
const lines = (chart: ReturnType<ReturnType<typeof daysChart>>): Record<string, Points> =>
	Object.fromEntries(chart.data.datasets.map((set) => [set.label, set.data as Points]));

describe('what a proof draws', () => {
	it('two days from any weekday on, over Sunday midnight too', () => {
		const sunday = lines(daysChart(proof, 6, 'C')(ink));
		expect(Object.keys(sunday)).toEqual(['room', 'too cold', 'wanted', 'setpoint', 'heating, 0–100 %']);
		expect(sunday['wanted']).toHaveLength(SHOWN_DAYS * 288 + 1);
		// Sunday 07:00 up, 22:00 to frost; Monday 07:00 up again
		const wantedAt = (hour: number) => sunday['wanted']!.find((point) => point.x === hour)!.y;
		expect([wantedAt(6), wantedAt(7), wantedAt(22), wantedAt(24 + 6), wantedAt(24 + 7)]).toEqual([
			16, 20, 7, 7, 20
		]);
		expect([0, 6, 24, 30].map((hour) => hourWords(hour, 6))).toEqual(['Sun 00', '06', 'Mon 00', '06']);
	});

	it('what counts as cold is filled, and nothing else; of a floor sensor the floor is held against it; °F all through', () => {
		const cold = proof.days.wanted.filter((c, i) => c - proof.days.air[i]! > 0.5).length;
		expect(cold).toBeGreaterThan(0);
		let filled = 0;
		for (const day of [0, 2, 4, 6])
			filled += lines(daysChart(proof, day, 'C')(ink))
				['too cold']!.slice(0, day === 6 ? 288 : 576)
				.filter((point) => !Number.isNaN(point.y)).length;
		expect(filled).toBe(cold);
		const days = { ...proof.days, floor: proof.days.air.map((c) => c + 20) };
		const floor = lines(daysChart({ ...proof, governs: 'floor', days }, 0, 'F')(ink));
		expect(Object.keys(floor)).toEqual([
			'floor',
			'room air',
			'too cold',
			'wanted',
			'setpoint',
			'heating, 0–100 %'
		]);
		expect(floor['floor']![0]!.y).toBeCloseTo((proof.days.air[0]! + 20) * 1.8 + 32, 6);
		expect(floor['wanted']!.find((point) => point.x === 7)!.y).toBe(68);
		expect(floor['too cold']!.every((point) => Number.isNaN(point.y))).toBe(true);
	});

	it('of a switch no setpoint', () => {
		expect(Object.keys(lines(daysChart({ ...proof, governs: 'nothing' }, 0, 'C')(ink)))).toEqual([
			'room',
			'heating, 0–100 %'
		]);
	});

	it('a curve without what is never reached, and the half hour across it', () => {
		const drawn = lines(curveChart(proof, 'C')(ink));
		const never = proof.curve.filter((point) => point.minutes === null).length;
		expect(never).toBeGreaterThan(0);
		expect(drawn['warm-up']).toHaveLength(proof.curve.length - never);
		expect(drawn['half an hour']).toEqual([
			{ x: -15, y: 30 },
			{ x: 15, y: 30 }
		]);
		expect(drawn['outside now']![0]!.x).toBe(-8);
	});

	it('a long log thinned to what can be seen, a short one whole', () => {
		const log = (n: number) => ({
			roomC: new Array<number>(n).fill(20),
			outdoorC: new Array<number>(n).fill(3),
			heating: new Array<number>(n).fill(0),
			starts: [0],
			minuteOfDay: new Array<number>(n).fill(NaN)
		});
		expect(lines(logChart(log(288), new Array(288).fill(20), 'C')(ink))['logger']).toHaveLength(288);
		expect(
			lines(logChart(log(20_000), new Array(20_000).fill(20), 'C')(ink))['logger']!.length
		).toBeLessThanOrEqual(1500);
	});
});
