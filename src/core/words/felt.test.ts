import { expect, it } from 'vitest';
import type { Fit } from '../fit';
import { feltWords } from '.';

const fit = (id: string, coldMinutes: number) =>
	({ grouping: { id, name: id, groups: [] }, misfit: { coldMinutes } }) as unknown as Fit;
const offers = [
	{ id: '7-day', name: '7-day', values: 84 },
	{ id: '5+2', name: '5+2', values: 24 }
];

it('says whether a room notices what its setpoint lacks, and what feels the same for less', () => {
	const words = (chosen: string, cold: number, exactMinutes: number, of: Record<string, number>) =>
		feltWords({ exactMinutes, minutes: of }, fit(chosen, cold), offers);
	expect(words('5+2', 90, 20, { '7-day': 20, '5+2': 110 })).toBe(
		'The room itself is short of warmth for 1 h 50 of the week, 1 h 30 of it because of the control.'
	);
	expect(words('5+2', 90, 20, { '7-day': 20, '5+2': 30 })).toBe('Nobody will feel the difference.');
	expect(words('7-day', 0, 20, { '7-day': 20, '5+2': 30 })).toBe(
		'5+2 would feel the same for 60 values fewer to key.'
	);
	expect(words('7-day', 0, 20, { '7-day': 20, '5+2': 130 })).toBeNull();
	expect(words('always', 0, 20, {})).toBeNull();
});
