import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { displaySetpoint, findProfile } from '../control';
import { fitZone } from '../fit';
import { levelOf, unitOf, wantedWeek, type Zone } from '../plan';
import { minuteOfDay, valueAt } from '../week';
import { readJobFile, timeOfDay, weekLines, WEEKS_CSV_COLUMNS, writeWeeksCsv } from '.';

const read = readJobFile(readFileSync('demo/kelter-court.job.json', 'utf8'));
if (!read.ok) throw new Error(read.problem.sentence);
const { zones } = read.value;
const profileOf = (zone: Zone) => findProfile(zone.control)!;
const parsed = (text: string) => Papa.parse<Record<string, string>>(text.trim(), { header: true }).data;
const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

describe('weeks and programs as CSV', () => {
	const rows = parsed(writeWeeksCsv(zones.map((zone) => weekLines(zone, profileOf(zone)))));

	it('say every minute of every zone’s wanted and held week, as the program has it', () => {
		for (const zone of zones) {
			const profile = profileOf(zone);
			const wanted = wantedWeek(zone);
			const { held } = fitZone(zone, profile).chosen;
			if (profile.cooling)
				expect(rows.some((row) => row['zone'] === zone.name && row['what'] === 'held, cooling')).toBe(true);
			for (const what of ['wanted', 'held'] as const) {
				const mine = rows.filter((row) => row['zone'] === zone.name && row['what'] === what);
				let minutes = 0;
				for (const row of mine) {
					const day = DAYS.indexOf(row['day']!) * 1440;
					const from = day + timeOfDay(row['from']!)!;
					const to = day + (row['to'] === '24:00' ? 1440 : timeOfDay(row['to']!)!);
					minutes += to - from;
					for (const at of [from, Math.floor((from + to) / 2), to - 1]) {
						const setpoint =
							what === 'wanted' ? levelOf(zone, valueAt(wanted, at)).setpointC : valueAt(held, at);
						// as the control shows it, in its own unit
						const words = displaySetpoint(profile, zone.options, setpoint);
						expect(
							[row['value'], row['unit']],
							`${zone.name} ${what} ${row['day']} ${minuteOfDay(at)}`
						).toEqual([words, profile.temperature ? `°${unitOf(zone, profile)}` : '']);
					}
				}
				expect(minutes).toBe(7 * 1440);
			}
			expect(rows.some((row) => row['zone'] === zone.name && row['what'] === 'key')).toBe(true);
		}
	});

	it('has a line of names, ends its lines as the standard says, and runs nothing in a spreadsheet', () => {
		const zone = { ...zones[0]!, name: '=HYPERLINK("x"), "quoted"\nin two lines' };
		const text = writeWeeksCsv([weekLines(zone, profileOf(zone))]);
		expect(text.split('\r\n')[0]).toBe(WEEKS_CSV_COLUMNS.join(','));
		expect(text.endsWith('\r\n')).toBe(true);
		expect(parsed(text)[0]!['zone']).toBe(`'${zone.name}`);
	});
});
