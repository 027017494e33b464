import { expect, it } from 'vitest';
import { buildWeek, constantWeek } from '../week';
import { gapSentences, waitsUntil } from '.';

it('says the same hours of several days once, each in its own time of day, the worst first', () => {
	const at = (day: number, from: number, to: number) => ({
		from: day * 1440 + from,
		to: day * 1440 + to,
		wantedC: 21
	});
	const said = gapSentences(
		'Lower flat',
		'Boiler',
		[at(0, 1350, 1360), at(1, 1350, 1360), at(6, 1350, 1390)],
		(c) => `${c} °C`
	);
	expect(said.map(({ text }) => text)).toEqual([
		'Sun 22:30–23:10: Lower flat asks for 21 °C, but Boiler may not run, 40 min.',
		'Mon, Tue 22:30–22:40: Lower flat asks for 21 °C, but Boiler may not run, 10 min a day.'
	]);
});

it('says until when a source may not run, over the end of a day and of the week', () => {
	const may = buildWeek([
		{ at: 360, value: true },
		{ at: 1380, value: false },
		{ at: 1440 + 420, value: true },
		{ at: 1440 + 1380, value: false }
	]);
	expect(waitsUntil('Boiler', may, 300)).toBe('Boiler may not run until 06:00: nothing heats here.');
	expect(waitsUntil('Boiler', may, 1400)).toBe('Boiler may not run until Tue 07:00: nothing heats here.');
	expect(waitsUntil('Boiler', may, 6 * 1440)).toBe('Boiler may not run until Mon 06:00: nothing heats here.');
	expect(waitsUntil('Boiler', constantWeek(false), 0)).toBe(
		'Boiler may not run at any time of the week: nothing heats here.'
	);
});
