import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shippedProfiles, startingLevels } from '../control';
import { buildWeek, splitByDay, WEEK_MINUTES } from '../week';
import { daysOf, readWeekTable, timeOfDay, writeWeekTable } from '.';

const levels = startingLevels(shippedProfiles[0]!);

describe('a week as a table', () => {
	it('written and read again is the same week', () => {
		const anyWeek = fc
			.array(
				fc.record({
					at: fc.integer({ min: 0, max: WEEK_MINUTES - 1 }),
					value: fc.constantFrom('comfort', 'eco', 'frost')
				}),
				{ minLength: 1, maxLength: 40 }
			)
			.map((steps) => buildWeek(steps));
		fc.assert(
			fc.property(anyWeek, fc.constantFrom('\t', ';', ','), fc.boolean(), (week, separator, mark) => {
				const table = writeWeekTable(week, levels).replaceAll('\t', separator);
				expect(readWeekTable(`${mark ? '\uFEFF' : ''}${table.replaceAll('\n', '\r\n')}`, levels)).toEqual({
					ok: true,
					value: week
				});
			})
		);
	});

	it('is read however a spreadsheet writes it', () => {
		const table =
			'Weekday;Start;Level\nMon-Fri;0:00;16\nMon-Fri;6:30 am;C\nMon–Fri;"22,5";Eco\nSat+Sun;0;frost\n';
		const read = readWeekTable(table, levels);
		if (!read.ok) throw new Error(read.problem.sentence);
		expect(read.value.slice(0, 3)).toEqual([
			{ at: 0, value: 'eco' },
			{ at: 390, value: 'comfort' },
			{ at: 1350, value: 'eco' }
		]);
		expect(read.value.at(-1)).toEqual({ at: 7200, value: 'frost' });
	});

	it('takes days as people shorten them, and the parts of a day that spreadsheets keep for times', () => {
		const on = (text: string) => daysOf(text);
		expect(on('Weds')).toEqual([2]);
		expect(on('Fridays')).toEqual([4]);
		expect(on('M/T/W')).toEqual([0, 1, 2]);
		expect(on('M/T/W/T/F')).toEqual([0, 1, 2, 3, 4]);
		expect(on('M/W/F')).toEqual([0, 2, 4]);
		expect(on('S/S')).toBeNull();
		// a T by itself is Tuesday or Thursday
		for (const unsure of ['T', 'T/F', 'M/T/S', 'S', 'X']) expect(on(unsure), unsure).toBeNull();
		const table = 'Day,From,To,Level\nMon-Sun,0,0.270833333,Eco\n,0.270833333,0.9375,Comfort\n,0.9375,1,Eco';
		const read = readWeekTable(table, levels);
		expect(read.ok && splitByDay(read.value)[3]!.map(({ from }) => from)).toEqual([0, 390, 1350]);
		// half an hour is half an hour where nothing says otherwise
		const hours = readWeekTable('Day,From,To,Level\nMon-Sun,0,0.5,Eco\n,0.5,24,Comfort', levels);
		expect(hours.ok && splitByDay(hours.value)[3]!.map(({ from }) => from)).toEqual([0, 30]);
	});

	it('is read with a title, a named separator, merged day cells, lists of days, other languages, units and 23:59', () => {
		const warm = levels.find((level) => level.id === 'comfort')!;
		const eco = levels.find((level) => level.id === 'eco')!;
		const fahrenheit = Math.round((warm.setpointC * 9) / 5 + 32);
		const table = [
			'sep=;',
			'Hall, winter;;;',
			'Day;From;To;Level',
			`Mo, Mi, Fr;0:00;6h30;${eco.setpointC}\u00a0°C`,
			`;6h30;23:59;${fahrenheit} °F`,
			`Di & Do;0:00;23:59:59;${eco.setpointC} °C`,
			'Samstag - Sun;0:00;24:00;Eco'
		].join('\r\n');
		const read = readWeekTable(table, levels, ['de-DE', 'en']);
		if (!read.ok) throw new Error(read.problem.sentence);
		expect(read.value).toEqual(
			buildWeek(
				[0, 1, 2].flatMap((i) => [
					{ at: i * 2880, value: 'eco' },
					{ at: i * 2880 + 390, value: 'comfort' },
					{ at: (i + 0.5) * 2880, value: 'eco' }
				])
			)
		);
		// the line is that of the file
		expect(readWeekTable(table.replace('Di & Do', 'Dinstag'), levels, ['de'])).toMatchObject({
			problem: { sentence: 'Line 6, column Day: "Dinstag" names no day.' }
		});
		expect(readWeekTable('"Mon, Tue",0:00,24:00,Eco\nWed-Sun,0:00,24:00,Eco', levels)).toMatchObject({
			ok: true
		});
	});

	it.each([
		['6:30', 390],
		['06:30', 390],
		['6:30 am', 390],
		['12:15 am', 15],
		['6:30 pm', 1110],
		['6.5', 390],
		['7', 420],
		['24:00', 1440],
		['6.30', 390],
		['6.40', 400],
		['640', 400],
		['0640', 400],
		['1830', 1110],
		['6h30', 390],
		['6,75', 405],
		['6.50', null],
		['6.25', null],
		['25:00', null],
		['13:00 pm', null],
		['630', 390],
		['2960', null],
		['29:00', null],
		['', null]
	])('time %s is %s', (text, minute) => {
		expect(timeOfDay(text)).toBe(minute);
	});

	it('knows days and ranges, round Sunday too', () => {
		expect(daysOf('Fri–Mon')).toEqual([4, 5, 6, 0]);
		expect(daysOf('weekdays')).toEqual([0, 1, 2, 3, 4]);
		expect(daysOf('Tuesday')).toEqual([1]);
		expect(daysOf('Someday')).toBeNull();
	});

	it('is read where only spaces part its columns', () => {
		const table =
			'Day From To Level\nMon - Fri 0:00 6:30 am Eco\nMon-Fri 0630 22.30 Comfort\nMon-Fri 22:30 24:00 Eco\nSat+Sun 0 24 Frost\n';
		const read = readWeekTable(table, levels);
		if (!read.ok) throw new Error(read.problem.sentence);
		expect(read.value.slice(0, 3)).toEqual([
			{ at: 0, value: 'eco' },
			{ at: 390, value: 'comfort' },
			{ at: 1350, value: 'eco' }
		]);
		expect(read.value.at(-1)).toEqual({ at: 7200, value: 'frost' });
	});

	it('refuses what is not certain, with line and column', () => {
		const whole = 'all,00:00,24:00,Eco';
		const sentence = (table: string) => {
			const read = readWeekTable(table, levels);
			return read.ok ? 'read' : read.problem.sentence;
		};
		expect(sentence(whole)).toBe('read');
		expect(sentence('all,00:00,6.25,Eco')).toBe('Line 1, column To: "6.25" is unclear. Write 06:30.');
		expect(sentence('Day,From,To,Level\nNoday,00:00,24:00,Eco')).toBe(
			'Line 2, column Day: "Noday" names no day.'
		);
		expect(sentence('all,00:00,24:00,Tepid')).toMatch(
			/^Line 1, column Level: "Tepid" is none of the levels here/
		);
		expect(sentence('all,00:00,08:00,Eco\nall,07:00,24:00,Comfort')).toBe(
			'Line 2, column From: Monday 07:00 falls inside the stretch before it.'
		);
		expect(sentence('all,00:00,08:00,Eco\nall,09:00,24:00,Comfort')).toBe(
			'Line 2, column From: Monday 08:00–09:00 has no level.'
		);
		expect(sentence('all,00:00,08:00,Eco')).toBe('Line 1, column To: Monday 08:00–24:00 has no level.');
		expect(sentence('Mon-Sat,00:00,24:00,Eco')).toBe('Sunday is missing from the table.');
		expect(sentence('hello')).toMatch(/expected a heading/);
		// an open quote takes all the rest into one cell: only its beginning is said, in one line
		expect(
			sentence(`Day,From,To,Level\nMon-Sat,"00:00,24:00,Eco\n${'Sun,00:00,24:00,Eco\n'.repeat(200)}`)
		).toMatch(/^Line 2, column From: "00:00,24:00,Eco Sun,00:00.{1,30}…" is unclear\. Write 06:30\.$/);
		expect(sentence('')).toBe('The table is empty.');
	});
});
