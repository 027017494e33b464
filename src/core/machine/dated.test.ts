import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { dateOfDay } from '../civil';
import { readControlFile } from '../formats';
import { clockAt, follow, isOperable, start, type Stroke } from '.';

it('a clock that is set by its date knows the weekday, and a month’s last day', () => {
	const read = readControlFile(readFileSync('tests/leaflets/G.json', 'utf8'));
	if (!read.ok || !isOperable(read.value)) throw new Error('G');
	const profile = read.value;
	const tap = (key: string, times = 1): Stroke => ({ do: 'press', key, times });
	const at = (strokes: Stroke[], later = 0) => {
		const state = follow(profile, start(profile), strokes);
		const { day, date } = clockAt(state.memory, state.atSeconds + later);
		return [dateOfDay(date), day];
	};
	// Mon 1 January 2024 as new
	expect(at([tap('time')])).toEqual(['2024-01-01', 0]);
	expect(at([tap('time')], 3 * 86_400)).toEqual(['2024-01-04', 3]);
	expect(at([tap('time'), tap('plus', 2), tap('ok'), tap('minus'), tap('ok')])).toEqual(['2026-12-01', 1]);
	const lastDay = [tap('time'), tap('ok', 2), tap('minus'), tap('ok')];
	expect(at(lastDay)).toEqual(['2024-01-31', 2]);
	// a month that has no 31st has its own last day
	const left: Stroke = { do: 'wait', seconds: 61 };
	expect(at([...lastDay, left, tap('time'), tap('ok'), tap('plus'), tap('ok')])).toEqual(['2024-02-29', 3]);
});
