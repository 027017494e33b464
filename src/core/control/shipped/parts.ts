import type { z } from 'zod';
import type { Grouping, profileSchema } from '../profile';

export const everyDayAlike: Grouping = { id: '24-hour', name: '24-hour', groups: [[0, 1, 2, 3, 4, 5, 6]] };
export const weekdaysWeekend: Grouping = {
	id: '5-2',
	name: '5+2',
	groups: [
		[0, 1, 2, 3, 4],
		[5, 6]
	]
};
export const weekdaysSatSun: Grouping = { id: '5-1-1', name: '5+1+1', groups: [[0, 1, 2, 3, 4], [5], [6]] };
export const sevenDays: Grouping = {
	id: '7-day',
	name: '7-day',
	groups: [[0], [1], [2], [3], [4], [5], [6]]
};

export type ProfileInput = z.input<typeof profileSchema>;

export const programKey = {
	enter: 'Hold the program key until the day blinks.',
	leave: 'Press the program key once more; the running setpoint comes back.',
	eventOrder: 'time-first',
	timeEntry: 'whole',
	timeoutSeconds: 30,
	confirm: 'Confirm'
} as const;
