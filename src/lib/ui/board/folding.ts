/** From so many zones on those that live alike in a row are folded under the first of them. */
const MANY = 12;

/** A zone as far as it is folded. */
export interface Foldable {
	readonly id: string;
	/** What is the same of zones that live alike. */
	readonly life: string;
	/** Whether a person is needed: then it stands for itself. */
	readonly alarms: boolean;
}

/** By the first of a run of alike zones, the others that are folded under it, by their ids; what alarms never is. */
export function foldedUnder(zones: readonly Foldable[]): Readonly<Record<string, readonly string[]>> {
	if (zones.length <= MANY) return {};
	const under: Record<string, string[]> = {};
	let first = zones[0]!;
	for (const zone of zones)
		if (zone.life !== first.life) first = zone;
		else if (zone !== first && !zone.alarms) (under[first.id] ??= []).push(zone.id);
	return under;
}
