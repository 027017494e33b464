import { describe, expect, it } from 'vitest';
import { findProfile, startingLevels } from '../control';
import { readSpans, writeSpans } from '.';

const levels = startingLevels(findProfile('six-step-room-stat')!);
const read = (text: string) => readSpans(text, levels);

describe('the spans of a day type in one line', () => {
	it('come out as they went in, past midnight too', () => {
		const text = '06:30–08:20 C, 17:00–01:30 C';
		const spans = read(text);
		expect(spans.ok && writeSpans(spans.value, levels)).toBe(text);
		expect(spans.ok && spans.value[1]!.to).toBe(25.5 * 60);
	});

	it.each([
		['6.5-8, 5 pm to 10:30 pm', '06:30–08:00 C, 17:00–22:30 C'],
		['22:30-6:30 eco; 7-9', '07:00–09:00 C, 22:30–06:30 E'],
		['6:30 am – 24:00 F', '06:30–24:00 F'],
		['', '']
	])('%s is read as %s', (text, written) => {
		const spans = read(text);
		expect(spans.ok && writeSpans(spans.value, levels)).toBe(written);
	});

	it.each([
		['06:30–08:20 C, breakfast', 'Entry 2, "breakfast": write a time'],
		['06:30–08:70', '08:70 is no time of day.'],
		['24:00–06:00', '24:00 is no time to begin at.'],
		['6–8 hot', '"hot" is no level of this zone.'],
		['6-8-10', 'Entry 1, "6-8-10"']
	])('%s is refused: %s', (text, words) => {
		const spans = read(text);
		expect(spans.ok ? '' : spans.problem.sentence).toContain(words);
	});
});
