import { expect, it } from 'vitest';
import { buildWeek, constantWeek } from '../week';
import {
	gapSentences,
	heatHours,
	waitsAt,
	waitsUntil,
	waterFirstSentences,
	waterFirstUntil,
	loadWords
} from '.';

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
		'Lower flat cold Sun 22:30–23:10, 40 min: Boiler timed off, 21 °C wanted.',
		'Lower flat cold Mon, Tue 22:30–22:40, 10 min a day: Boiler timed off, 21 °C wanted.'
	]);
});

it('says when the rooms wait for the hot water, only while they ask and nothing else holds them back', () => {
	const waterFirst = buildWeek([
		{ at: 0, value: false },
		{ at: 1440 + 300, value: true },
		{ at: 1440 + 345, value: false },
		{ at: 2880 + 300, value: true },
		{ at: 2880 + 345, value: false }
	]);
	const held = buildWeek(
		[0, 1, 2, 3, 4, 5, 6].flatMap((day) => [
			{ at: day * 1440, value: 16 },
			{ at: day * 1440 + 315, value: 20 },
			{ at: day * 1440 + 330, value: 21 }
		])
	);
	const zone = { held, isSwitch: false, levels: [{ heldC: 16, asks: false }] };
	const may = constantWeek(true);
	expect(waterFirstSentences({ source: 'Boiler', may, waterFirst }, zone)).toEqual([
		'Tue, Wed 05:15–05:45: Boiler heats the hot water first, the room waits, 30 min a day.'
	]);
	expect(waterFirstSentences({ source: 'Boiler', may: constantWeek(false), waterFirst }, zone)).toEqual([]);
	expect(waterFirstUntil('Boiler', waterFirst, 1440 + 310)).toBe(
		'No heat until about 05:45: Boiler heats the hot water first.'
	);
	expect(waterFirstUntil('Boiler', waterFirst, 310)).toBeNull();
});

it('says until when a source may not run, over the end of a day and of the week', () => {
	const may = buildWeek([
		{ at: 360, value: true },
		{ at: 1380, value: false },
		{ at: 1440 + 420, value: true },
		{ at: 1440 + 1380, value: false }
	]);
	expect(waitsUntil('Boiler', may, 300)).toBe('No heat until 06:00: Boiler timed off.');
	expect(waitsUntil('Boiler', may, 1400)).toBe('No heat until Tue 07:00: Boiler timed off.');
	expect(waitsUntil('Boiler', may, 6 * 1440)).toBe('No heat until Mon 06:00: Boiler timed off.');
	expect(waitsUntil('Boiler', constantWeek(false), 0)).toBe('No heat: Boiler timed off all week.');
});

it('waits at a moment for what governs its source: for its week, or for what it departs to', () => {
	const may = buildWeek([
		{ at: 0, value: false },
		{ at: 360, value: true },
		{ at: 1380, value: false }
	]);
	const fed = { source: 'Boiler', governor: 'Programmer', may };
	const zone = {
		held: buildWeek([
			{ at: 0, value: 16 },
			{ at: 300, value: 21 }
		]),
		isSwitch: false,
		levels: [{ heldC: 16, asks: false }]
	};
	// Thursday 1 January 1970: minute 0 of its day
	const thursday = (minute: number) => minute;
	const at = (
		minute: number,
		heatC: number | null,
		by: 'program' | 'off' | 'holiday' | 'boost',
		wants = 21
	) => waitsAt(fed, zone, wants, { state: { heatC, by }, isSwitch: true }, thursday(minute));
	expect(at(300, 0, 'program')).toMatch(/^No heat until Mon 06:00: Boiler timed off/);
	expect(at(300, 1, 'boost')).toBeNull();
	expect(at(300, 0, 'program', 16)).toBeNull();
	expect(at(600, null, 'off')).toBe('No heat: Programmer is off, so Boiler is off.');
	expect(at(600, 0, 'holiday')).toBe('No heat: Programmer is away, so Boiler is off.');
	// the room is away too, at 7 °C: no heat would come when it freezes
	expect(at(600, 0, 'holiday', 7)).toBe(
		'No heat, no frost protection: Programmer is away, so Boiler is off.'
	);
	expect(at(600, 1, 'boost', 7)).toBeNull();
	expect(at(0, 0, 'program', 7)).toBeNull();
});

it('tells a customer when a source makes heat, like days together', () => {
	const days = (from: number, to: number, day: number) => [
		{ at: day * 1440 + from, value: true },
		{ at: day * 1440 + to, value: false }
	];
	const may = buildWeek([...[0, 1, 2, 3, 4].flatMap((d) => days(330, 1320, d)), ...days(420, 1380, 5)]);
	expect(heatHours('The boiler', may, { clock: '24' })).toBe(
		'The boiler makes heat only Monday to Friday from 05:30 to 22:00; Saturday from 07:00 to 23:00; Sunday never. At other times, turning this up gives no heat.'
	);
	expect(heatHours('The boiler', may, { clock: '12' })).toContain('from 5:30 am to 10:00 pm');
	expect(heatHours('The boiler', constantWeek(true), { clock: '24' })).toBeNull();
});

it('a load says which of its two limits it keeps, both figures side by side', () => {
	const load = { peakW: 5900, peakAt: 420, worstW: 8400, worstAt: 395, overMinutes: 0 };
	const limit = { limitW: 6000, windowMinutes: 15 };
	const both = 'average over 15 min 5.9 kW, Mon 07:00; any one minute 8.4 kW, Mon 06:35';
	expect(loadWords(load, limit)).toBe(`Under 6.0 kW on average, over it at single minutes: ${both}`);
	expect(loadWords({ ...load, worstW: 6000 }, limit)).toMatch(/^Under 6.0 kW always: /);
	expect(loadWords({ ...load, overMinutes: 25 }, limit)).toMatch(/^Over 6.0 kW for 25 min of the week: /);
	expect(loadWords(load, { ...limit, limitW: null })).toBe(`At most: ${both}`);
});
