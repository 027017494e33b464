import type { ReadBackGroup } from '$core/keying';

type Field = ReadBackGroup['fields'][number];

/** A step of a day as a row: its name, and what it shows. */
export interface ReadBackRow {
	readonly name: string;
	readonly fields: readonly (Field & { readonly part: string })[];
	/** Whether the week does not need it: its display shows no time. */
	readonly spare: boolean;
}

/** What a display shows where a step is cleared. */
const CLEARED = '--:--';

/** The fields of a day, a row a step: "step 4, time" and "step 4, temperature" stand in one. */
export function readBackRows({ fields }: Pick<ReadBackGroup, 'fields'>): ReadBackRow[] {
	const rows: { name: string; fields: (Field & { part: string })[]; spare: boolean }[] = [];
	for (const field of fields) {
		const [name, part = ''] = field.what.split(/, (.*)/s) as [string, string?];
		const last = rows.at(-1);
		if (last?.name === name) last.fields.push({ ...field, part });
		else rows.push({ name, fields: [{ ...field, part }], spare: field.shows === CLEARED });
	}
	return rows;
}

/** Days that show the very same, together, in the order of the first of each. */
export function alikeDays(groups: readonly ReadBackGroup[]): ReadBackGroup[][] {
	const sets = new Map<string, ReadBackGroup[]>();
	for (const group of groups) {
		const key = group.fields.map((field) => `${field.what}=${field.shows}`).join('|');
		const set = sets.get(key);
		if (set) set.push(group);
		else sets.set(key, [group]);
	}
	return [...sets.values()];
}
