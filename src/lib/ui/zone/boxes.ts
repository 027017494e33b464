/** A zone in a list, with the control that it hangs on. */
export interface OnBox {
	readonly id: string;
	readonly boxId: string;
}

/** For each zone the first one of its control, where what belongs to the control is noted. */
export function leadsOf(zones: readonly OnBox[]): Record<string, string> {
	const first = new Map<string, string>();
	for (const { id, boxId } of zones) if (!first.has(boxId)) first.set(boxId, id);
	return Object.fromEntries(zones.map(({ id, boxId }) => [id, first.get(boxId)!]));
}

/** The zones of one control, in the order of the list. */
export const onBoxOf = <Z extends OnBox>(zones: readonly Z[], boxId: string): Z[] =>
	zones.filter((zone) => zone.boxId === boxId);

/** The zones with those of one control side by side, each control where its first zone stands. */
export function boxesTogether<Z extends OnBox>(zones: readonly Z[]): Z[] {
	const leads = leadsOf(zones);
	return zones.filter(({ id }) => leads[id] === id).flatMap(({ boxId }) => onBoxOf(zones, boxId));
}
