import { describe, expect, it } from 'vitest';
import { measureRoom, readyRoom, simulate, designDay, outdoorByMinute, timeConstantHours } from '../thermal';
import { roomSchema } from '../plan';
import { readLogger } from '.';

const two = (n: number) => String(n).padStart(2, '0');
const stamp = (minute: number) =>
	`2026-01-${two(5 + Math.floor(minute / 1440))} ${two(Math.floor((minute % 1440) / 60))}:${two(minute % 60)}`;
const lines = (...rows: string[]) => ['time;room;outdoor;heating', ...rows].join('\n');
const refusal = (text: string) => {
	const read = readLogger(text, 3);
	return read.ok ? null : read.problem.sentence;
};
const read = (text: string) => {
	const result = readLogger(text, 3);
	if (!result.ok) throw new Error(result.problem.sentence);
	return result.value;
};

describe('a logger’s file', () => {
	it('is read with any separator, decimal commas, a mark at its head, Fahrenheit and dotted dates', () => {
		expect(
			read('\uFEFFtime;room;outdoor;heating\n2026-01-05 06:00;19,5;2,0;1\n2026-01-05 06:10;20,5;2,0;0').log
		).toEqual({
			roomC: [19.5, 20, 20.5],
			outdoorC: [2, 2, 2],
			heating: [true, true, false]
		});
		const us = read('Time,Room °F,Heat\n05.01.2026 06:00,68,on\n05.01.2026 06:05,69.8,off');
		expect(us.log.roomC.map((c) => Math.round(c * 10) / 10)).toEqual([20, 21]);
		expect(us.log.outdoorC).toEqual([3, 3]);
		expect(us.notes).toEqual([
			'It has no outdoor temperature: 3 °C is taken throughout.',
			'Fahrenheit was brought to °C.'
		]);
	});

	it('counts repeated times once, uses the longest part between gaps, and refuses a clock that jumps back', () => {
		const rows = [0, 5, 5, 10, 500, 505, 510, 515, 520].map((minute) => `${stamp(minute)};20;1;0`);
		const value = read(lines(...rows));
		expect([value.from, value.to]).toEqual(['2026-01-05T08:20', '2026-01-05T08:40']);
		expect(value.notes).toEqual([
			'1 repeated time was counted once.',
			'The log has 1 gap of over an hour: its longest part is used.'
		]);
		expect(refusal(lines(`${stamp(60)};20;1;0`, `${stamp(0)};20;1;0`))).toBe(
			"Line 3: the logger's clock jumps back by 60 min. Cut the log there, or put it in order."
		);
	});

	it('refuses by line what is not certain', () => {
		expect(refusal(lines('5/1/26 6am;20;1;0', `${stamp(5)};20;1;0`))).toMatch(
			/^Line 2: "5\/1\/26 6am" is no certain time/
		);
		expect(refusal(lines(`${stamp(0)};20;1;0`, `${stamp(5)};warm;1;0`))).toBe(
			'Line 3: "warm" is no temperature.'
		);
		expect(refusal(lines(`${stamp(0)};20;1;maybe`, `${stamp(5)};20;1;0`))).toBe(
			'Line 2: "maybe" says neither on nor off.'
		);
		expect(refusal(lines(`${stamp(0)};68;1;0`, `${stamp(5)};69;1;0`))).toMatch(/is it in °F\?/);
		expect(refusal('when,humidity\n2026-01-05 06:00,40\n2026-01-05 06:05,41')).toMatch(
			/no column tells the room’s temperature, nor whether it heated/
		);
		expect(refusal('')).toMatch(/no readings/);
	});
});

describe('a room measured', () => {
	const base = { floorAreaM2: 20, heightM: 2.5, emitter: { kind: 'electric-panel', ratedW: 2000 } };
	/** A log written by a known room, with noise, as a file. */
	function written(
		wattsPerKelvin: number,
		build: string,
		days: number,
		noiseK: number,
		setpoint = (m: number): number => (m % 1440 < 400 || m % 1440 > 1320 ? 14 : 20.5)
	) {
		let seed = 11;
		const noise = () => {
			seed = (Math.imul(seed, 1664525) + 1013904223) | 0;
			return ((seed >>> 0) / 4294967296 - 0.5) * 2 * noiseK;
		};
		const real = roomSchema.parse({ ...base, build, loss: { by: 'figure', wattsPerKelvin } });
		const n = days * 1440;
		const outdoorC = outdoorByMinute(designDay(2, 7), n);
		const run = simulate({
			...readyRoom(real),
			outdoorC,
			setpointC: Float64Array.from({ length: n }, (_, m) => setpoint(m)),
			record: true
		});
		const rows = Array.from(
			{ length: n - 1 },
			(_, m) =>
				`${stamp(m)};${(run.air[m]! + noise()).toFixed(2)};${outdoorC[m]!.toFixed(1)};${run.heating[m + 1]}`
		);
		return { text: lines(...rows), tau: timeConstantHours(readyRoom(real).model) };
	}
	const survey = (build: string) =>
		roomSchema.parse({ ...base, build, loss: { by: 'figure', wattsPerKelvin: 50 } });

	it.each([
		[30, 'light'],
		[70, 'medium'],
		[45, 'heavy']
	])('finds %i W/K of a %s room again from three noisy days', (wattsPerKelvin, build) => {
		const { text, tau } = written(wattsPerKelvin, build, 3, 0.1);
		const measured = measureRoom(survey(build), read(text).log);
		if (typeof measured === 'string') throw new Error(measured);
		expect(Math.abs(measured.wattsPerKelvin / wattsPerKelvin - 1)).toBeLessThan(0.06);
		expect(Math.abs(measured.timeConstantHours - tau)).toBeLessThan(
			Math.max(3 * measured.standardErrorHours, 0.06 * tau)
		);
		expect(measured.standardErrorHours).toBeLessThan(0.1 * tau);
	});

	it('refuses what says too little, with the reason', () => {
		expect(
			measureRoom(
				survey('light'),
				read(written(40, 'light', 3, 0.1).text.split('\n').slice(0, 400).join('\n')).log
			)
		).toMatch(/a night and a morning are needed/);
		expect(measureRoom(survey('light'), read(written(40, 'light', 2, 0.05, () => NaN).text).log)).toMatch(
			/The heating hardly ran/
		);
	});
});
