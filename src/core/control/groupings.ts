import type { Grouping } from './profile';

/** The day groupings that are common among controls, coarsest first. */
export const standardGroupings: readonly Grouping[] = [
	{ id: '24-hour', name: '24-hour', groups: [[0, 1, 2, 3, 4, 5, 6]] },
	{
		id: '5-2',
		name: '5+2',
		groups: [
			[0, 1, 2, 3, 4],
			[5, 6]
		]
	},
	{ id: '6-1', name: '6+1', groups: [[0, 1, 2, 3, 4, 5], [6]] },
	{ id: '5-1-1', name: '5+1+1', groups: [[0, 1, 2, 3, 4], [5], [6]] },
	{ id: '7-day', name: '7-day', groups: [[0], [1], [2], [3], [4], [5], [6]] }
];
