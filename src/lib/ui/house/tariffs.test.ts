import { expect, it } from 'vitest';
import { tariffSchema } from '$core/plan';
import { BEGINS, readPrices, withNight } from './tariffs';

it('every kind of tariff begins as one that can be kept', () => {
	for (const [kind, tariff] of Object.entries(BEGINS))
		expect(tariffSchema.parse(tariff)).toMatchObject({ kind });
});

it('takes 48 prices as a spreadsheet gives them, and says what is wrong with any others', () => {
	const half = Array.from({ length: 48 }, (_, i) => (i < 14 ? '0,11' : '0.3'));
	for (const between of ['\t', '; ', '\n', '\r\n', ' '])
		expect(readPrices(half.join(between))).toEqual({
			ok: true,
			tariff: { kind: 'half-hours', perKWh: half.map((one) => Number(one.replace(',', '.'))) }
		});
	const wrong = (text: string) => {
		const read = readPrices(text);
		return read.ok ? null : read.problem;
	};
	expect(wrong(half.slice(1).join(' '))).toBe(
		'The prices must be 48 prices, one for each half-hour of the day.'
	);
	expect(wrong([...half.slice(1), 'dear'].join(' '))).toMatch(/^The prices .*\.$/);
	expect(wrong([...half.slice(1), '-1'].join(' '))).toMatch(/^The prices .*\.$/);
	expect(wrong('')).toMatch(/48 prices/);
});

it('a night begins and ends at any minute, over midnight too, but not at one and the same', () => {
	const later = withNight(BEGINS['day-night'], 'nightFrom', '23:30');
	expect(later).toMatchObject({ ok: true, tariff: { nightFrom: 1410, nightTo: 360 } });
	expect(withNight(BEGINS['day-night'], 'nightTo', '22:00')).toEqual({
		ok: false,
		problem: 'The end of the night is the minute at which the night begins: it must end at another.'
	});
});
