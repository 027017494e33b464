import { describe, expect, it } from 'vitest';
import { findProfile } from '../control';
import { keptWeather, newZone, roomSchema, siteWeatherSchema, weatherHours } from '../plan';
import { inventedYear, yearOf, yearSaved } from '../thermal';
import { yearWords } from '../words';
import { constantWeek } from '../week';
import { readEpw } from '.';

const DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31];
/** An invented weather file: dry-bulb temperatures by hour of the year; a leap day where asked for. */
function epw(c: (hour: number) => string, { leap = false, perHour = 1 } = {}): string[] {
	const rows: string[] = [];
	let hour = 0;
	DAYS.forEach((days, month) => {
		for (let day = 1; day <= days + (leap && month === 1 ? 1 : 0); day++)
			for (let h = 1; h <= 24; h++) {
				const extra = month === 1 && day === 29;
				rows.push(`2003,${month + 1},${day},${h},60,?9?9,${extra ? '33.3' : c(hour)},5.0,80,101325,0,0`);
				if (!extra) hour++;
			}
	});
	return [
		'LOCATION,Hollow Reach,-,NWHERE,invented,999999,52.1,-3.2,0.0,40.0',
		'DESIGN CONDITIONS,0',
		'TYPICAL/EXTREME PERIODS,0',
		'GROUND TEMPERATURES,0',
		'HOLIDAYS/DAYLIGHT SAVINGS,No,0,0,0',
		'COMMENTS 1,invented',
		'COMMENTS 2,',
		`DATA PERIODS,1,${perHour},Data,Sunday, 1/ 1,12/31`,
		...rows
	];
}
const ramp = (hour: number) => (hour / 1000).toFixed(1);
const sentence = (lines: string[]) => {
	const read = readEpw(lines.join('\n'));
	return read.ok ? '' : read.problem.sentence;
};

describe('an hourly weather file', () => {
	it('is read hour by hour, and kept in a line of text to a tenth', () => {
		const read = readEpw(epw(ramp).join('\r\n'));
		if (!read.ok) throw new Error(read.problem.sentence);
		expect(read.value).toMatchObject({ place: 'Hollow Reach, NWHERE', lowestC: 0, notes: [] });
		expect(read.value.hoursC).toHaveLength(8760);
		expect(read.value.hoursC[8759]).toBe(8.8);
		const kept = siteWeatherSchema.parse(keptWeather(read.value.place, read.value.hoursC));
		expect(weatherHours(kept)).toEqual(read.value.hoursC);
	});

	it('is read with a longer header, and with the marks that other programs write where a reading is missing', () => {
		const lines = epw((hour) =>
			hour === 5000 ? '9999' : hour === 5001 ? '-999' : hour < 5000 ? '4.0' : '7.0'
		);
		lines.splice(5, 0, 'COMMENTS 3,more', 'COMMENTS 4,still more');
		const read = readEpw(lines.join('\n'));
		if (!read.ok) throw new Error(read.problem.sentence);
		expect(read.value.hoursC.slice(4999, 5003)).toEqual([4, 5, 6, 7]);
		expect(read.value.notes).toEqual(['2 missing hours were bridged by straight lines.']);
		// the line is that of the file
		lines[20] = lines[20]!.replace('4.0', 'mild');
		expect(sentence(lines)).toMatch(/^Line 21: "mild"/);
	});

	it('leaves a leap day out and bridges a few missing hours, and says both', () => {
		const read = readEpw(
			epw((hour) => (hour >= 100 && hour < 103 ? '99.9' : hour < 100 ? '4.0' : '8.0'), { leap: true }).join(
				'\n'
			)
		);
		if (!read.ok) throw new Error(read.problem.sentence);
		expect(read.value.hoursC.slice(99, 104)).toEqual([4, 5, 6, 7, 8]);
		expect(read.value.highestC).toBe(8);
		expect(read.value.notes).toEqual([
			'The leap day was left out.',
			'3 missing hours were bridged by straight lines.'
		]);
	});

	it('refuses what is no year of hours, and says where', () => {
		expect(sentence(['a,b', 'c'])).toBe('Line 1: an EPW file begins with LOCATION; this one does not.');
		expect(sentence(epw(ramp, { perHour: 4 }))).toMatch(/^It has 4 readings an hour/);
		expect(sentence(epw((hour) => (hour >= 720 && hour < 727 ? '99.9' : '1.0')))).toBe(
			'7 hours from day 31 of the year, 00:00, have no temperature; at most 6 in a row can be bridged.'
		);
		expect(sentence(epw((hour) => (hour === 4 ? 'x' : '1.0')))).toBe('Line 13: "x" is no temperature.');
		expect(sentence(epw((hour) => (hour === 4 ? '-120' : '1.0')))).toMatch(/^Line 13: -120 °C cannot be/);
		expect(sentence(epw(ramp).slice(0, 4000))).toMatch(/hours from day 167 .* have no temperature/);
		const twice = epw(ramp);
		twice.splice(20, 0, twice[19]!);
		expect(sentence(twice)).toBe('Line 21: the hour 1/1 12 comes twice or out of order.');
		const odd = epw(ramp);
		odd[30] = '2003,13,1,1,60,?,4.0';
		expect(sentence(odd)).toMatch(/^Line 31: no hour of a year/);
		expect(sentence(epw(ramp).slice(0, 8))).toBe('The file has no hours after its header.');
	});
});

describe('a room’s year', () => {
	const stat = findProfile('six-step-room-stat')!;
	const room = roomSchema.parse({
		floorAreaM2: 20,
		heightM: 2.5,
		build: 'medium',
		loss: { by: 'figure', wattsPerKelvin: 60 },
		emitter: { kind: 'fan-convector', ratedW: 2600, waterC: 55 }
	});
	const zone = { ...newZone('Hall', stat), room };

	it('takes at one temperature what degree hours say: loss times what it is colder outside, month by month', () => {
		// a convector warms little but the air: at a held temperature the loss is the surveyed one and a few per cent for the swing (degree-day method, common practice)
		const hours = inventedYear().map((c) => Math.min(c, 12));
		const year = yearOf(zone, room, stat, constantWeek(20), hours);
		const comfort = Math.max(...zone.levels.map((level) => level.setpointC));
		const degreeHours = hours.reduce((sum, c) => sum + Math.max(0, comfort - c), 0);
		const kWh = year.steady.kWh.reduce((a, b) => a + b, 0);
		expect(kWh / ((60 * degreeHours) / 1000)).toBeGreaterThan(0.97);
		expect(kWh / ((60 * degreeHours) / 1000)).toBeLessThan(1.05);
		expect(year.steady.kWh[0]).toBeGreaterThan(year.steady.kWh[6]!);
		expect(year.outdoorC).toHaveLength(12);
	});

	it('takes less where it is set back, and says by how much', () => {
		const shares: number[] = [];
		const week = [0, 1, 2, 3, 4, 5, 6].flatMap((day) => [
			{ at: day * 1440 + 420, value: 21 },
			{ at: day * 1440 + 1320, value: 15 }
		]);
		const year = yearOf(zone, room, stat, week, inventedYear(), (share) => shares.push(share));
		const sum = (all: readonly number[]) => all.reduce((a, b) => a + b, 0);
		expect(sum(year.programmed.kWh)).toBeLessThan(sum(year.steady.kWh));
		expect(sum(year.frost.kWh)).toBeLessThanOrEqual(sum(year.programmed.kWh));
		expect(shares.at(-1)).toBe(1);
		const { savedKWh } = yearSaved(year);
		const said = yearWords(year);
		expect(said).toContain(`${Math.round(savedKWh)} kWh less than at one temperature`);
	});
});
