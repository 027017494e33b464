/**
 * The hardest week that is taken: two thousand steps between twelve levels, on a control that chooses three of them. Made of any zone of a job
 * file.
 */
export const hardZone = (like: Record<string, unknown>): Record<string, unknown> => ({
	...like,
	name: 'Hard',
	control: 'plant-clock',
	grouping: null,
	routine: null,
	room: null,
	exceptions: [],
	levels: Array.from({ length: 12 }, (_, i) => ({
		id: `l${i}`,
		letter: 'ABCDEFGHIJKL'[i]!,
		name: `Level ${i}`,
		note: '',
		setpointC: 7 + i * 1.5,
		coolC: null
	})),
	wanted: Array.from({ length: 2000 }, (_, i) => ({
		at: Math.floor((i * 10_080) / 2000),
		level: `l${(i * 7919) % 12}`
	}))
});
