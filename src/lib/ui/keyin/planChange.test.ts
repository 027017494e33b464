import { expect, it } from 'vitest';
import { changedValues } from './planChange';

const item = (id: string, shows: string, unit = '') => ({
	id,
	section: 'Monday',
	what: `step ${id}`,
	shows,
	unit
});

it('another plan is told value by value: what is otherwise, new, and not asked for any more', () => {
	const before = [item('1', '06:30'), item('2', '20.0', '°C'), item('3', '22:00')];
	expect(changedValues(before, before)).toEqual([]);
	// the order alone is no change
	expect(changedValues(before, [...before].reverse())).toEqual([]);
	expect(changedValues(before, [item('4', '05:00'), item('1', '06:30'), item('2', '21.0', '°C')])).toEqual([
		{ id: '4', what: 'Monday, step 4', was: null, now: '05:00' },
		{ id: '2', what: 'Monday, step 2', was: '20.0\u202f°C', now: '21.0\u202f°C' },
		{ id: '3', what: 'Monday, step 3', was: '22:00', now: null }
	]);
});
