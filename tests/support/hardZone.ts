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

/** A job of so many of the hardest zones, each on a control of its own, made of any job file. */
export function hardJob<J extends { readonly controls: unknown[]; readonly zones: unknown[] }>(
	job: J,
	many: number
): J {
	const [zone, control] = [
		job.zones[0] as Record<string, unknown>,
		job.controls[0] as Record<string, unknown>
	];
	const hard = hardZone({ ...zone, ...control });
	const only = (like: Record<string, unknown>) =>
		Object.fromEntries(Object.keys(like).map((key) => [key, hard[key]]));
	const turns = Array.from({ length: many }, (_, i) => i);
	return {
		...job,
		controls: turns.map((i) => ({
			...only(control),
			name: `Clock ${i}`,
			notes: undefined,
			keyed: undefined
		})),
		zones: turns.map((i) => ({
			...only(zone),
			name: `Hard ${i}`,
			note: zone.note,
			onSite: zone.onSite,
			on: { control: i, channel: 0 }
		}))
	};
}
