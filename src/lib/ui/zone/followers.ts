import type { ControlProfile } from '$core/control';
import { isUndrawn, plannedAlike, takeWeek, type Zone } from '$core/plan';

/** A zone of the site's list, whole, as it stands at its revision. */
export interface ZoneInList {
	readonly id: string;
	readonly name: string;
	readonly revision: number;
	readonly document: Zone;
}

/** How each zone stood when this window first showed it, or when it was last answered whether the others follow. */
const before = new Map<string, Zone>();

/** Notes how a zone stands before it is changed; once noted it stays. */
export function noteBefore(id: string, zone: Zone): void {
	if (!before.has(id)) before.set(id, zone);
}

/** That the others were asked: from now on this is how it stood. */
export function answered(id: string, zone: Zone): void {
	before.set(id, zone);
}

/** The zones that were planned just as a zone was before it was changed here; none where it was not changed, or nobody had drawn it. */
export function leftBehind(
	id: string,
	zone: Zone,
	zones: readonly ZoneInList[],
	profile: ControlProfile
): readonly ZoneInList[] {
	const was = before.get(id);
	if (!was || isUndrawn(was, profile) || plannedAlike(was, zone)) return [];
	return zones.filter((one) => one.id !== id && plannedAlike(one.document, was));
}

/** The changes by which zones follow one: its week, levels, lead and day grouping. */
export const followed = (zone: Zone, zones: readonly ZoneInList[], profile: ControlProfile) =>
	zones.map(({ id, revision, document }) => ({
		id,
		revision,
		zone: { ...takeWeek(document, zone, profile, profile), grouping: zone.grouping }
	}));
