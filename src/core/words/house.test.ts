import { expect, it } from 'vitest';
import { gapSentences } from '.';

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
