import type { ControlProfile } from '$core/control';
import { areTwins, isUndrawn, plannedAlike, takeWeek, type Zone } from '$core/plan';

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

/** How a zone stands to its like in the other dwellings of its type. */
export interface TypeStanding {
	/** Those that share the week that most of them have, where it is another than this one's. */
	readonly shared: readonly ZoneInList[];
	/** Those that have one of their own, and keep it. */
	readonly own: readonly ZoneInList[];
}

/** How a zone stands to its like, each on the same control; none shared where it lives as most of them do, null where it has no like. */
export function typeStanding(id: string, zone: Zone, zones: readonly ZoneInList[]): TypeStanding | null {
	const twins = zones.filter(
		(one) => one.id !== id && areTwins(one.document, zone) && one.document.control === zone.control
	);
	if (twins.length === 0) return null;
	// each is held against one of every kind there is, not against all
	const kinds: ZoneInList[][] = [];
	for (const one of twins) {
		const kind = kinds.find(([first]) => plannedAlike(first!.document, one.document));
		if (kind) kind.push(one);
		else kinds.push([one]);
	}
	const most = kinds.reduce((a, b) => (b.length > a.length ? b : a));
	const own = twins.filter((one) => !most.includes(one));
	return plannedAlike(most[0]!.document, zone) ? { shared: [], own } : { shared: most, own };
}

/** A zone following another on its kind of control: its week, levels, lead, day grouping, and how the control is set. */
export const following = (zone: Zone, other: Zone, profile: ControlProfile): Zone => ({
	...takeWeek(zone, other, profile, profile),
	grouping: other.grouping,
	options: { ...other.options, channel: zone.options.channel }
});

/** The changes by which zones follow one. */
export const followed = (zone: Zone, zones: readonly ZoneInList[], profile: ControlProfile) =>
	zones.map(({ id, revision, document }) => ({
		id,
		revision,
		zone: following(document, zone, profile)
	}));
