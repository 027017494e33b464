import { randomUUID } from 'node:crypto';
import type { ControlProfile } from '$core/control';
import { notesSchema, type Notes } from '$core/keying';
import { without } from '$core/schema';
import {
	boxOf,
	joinReadings,
	notesApart,
	onBox,
	onSiteSchema,
	zonePart,
	zoneSchema,
	type Box,
	type GroupingCost,
	type OnSite,
	type Zone
} from '$core/plan';
import type { BoxRow, Tx, ZoneRow } from '../db';
import { profileOf } from '$core/control';
import { summarise, summarySchema } from './summary';

/** What of a zone and its control is to be written: the zone as it is seen, apart from looks at its clock that were noted on site. */
export interface Written {
	readonly zone: Zone;
	/** What was keyed at its control and read from it; null where nothing was. */
	readonly notes: Notes | null;
	readonly onSite: OnSite;
}

/** The row of a new control. */
export function boxRow(siteId: string, { zone, notes, onSite }: Written): BoxRow {
	return {
		id: randomUUID(),
		siteId,
		document: boxOf(zone),
		notes,
		onSite: notesApart(onSite).box,
		createdAt: new Date()
	};
}

/** What the row of a zone keeps of it. */
export const zoneColumns = ({ zone, onSite }: Pick<Written, 'zone' | 'onSite'>) => ({
	document: zonePart(zone),
	onSite: notesApart(onSite).zone
});

/** A zone and its control as they are seen together: looks at its clock are all in the zone. */
export interface Seen extends Written {
	readonly row: ZoneRow;
}

/** Reads a zone and its control through their schemas. */
export function seen(row: ZoneRow, box: BoxRow): Seen {
	const onSite = onSiteSchema.parse({ ...(box.onSite as object), ...(row.onSite as object) });
	const { name, place, note, options, ...of } = box.document as Box;
	const own = without(row.document as { channel?: number }, 'channel');
	const zone = zoneSchema.parse({
		...own,
		...of,
		box: { name, place, note },
		options: { ...options, channel: channelOf(row) },
		otherChannels: null
	});
	return {
		row,
		zone: { ...zone, clockReadings: joinReadings(zone.clockReadings, onSite.clockReadings) },
		notes: notesSchema.nullable().parse(box.notes ?? null),
		onSite
	};
}

/** The channel that a zone's row says it hangs on. */
export const channelOf = (row: Pick<ZoneRow, 'document'>): number =>
	(row.document as { channel?: number }).channel ?? 0;

type Costs = Readonly<Record<string, GroupingCost>>;

/** What each grouping costs a channel by itself: as its summary says, or else computed. */
async function costsOf(one: Seen, profiles: readonly ControlProfile[], anew: boolean): Promise<Costs> {
	const had = anew ? null : summarySchema.safeParse(one.row.summary);
	if (had?.success && had.data.costs) return had.data.costs;
	const { costs } = await summarise(
		{ ...one.zone, otherChannels: null },
		one.notes,
		profileOf(one.zone, profiles)
	);
	return costs ?? {};
}

/**
 * The zones of one control, each with what its groupings cost the others; alone, a zone is as it was. With `anew` every cost is
 * computed by what stands there now.
 */
export async function amongChannels(
	zones: readonly Seen[],
	profiles: readonly ControlProfile[],
	anew = false
): Promise<Seen[]> {
	if (zones.length < 2) return [...zones];
	const costs = await Promise.all(zones.map((one) => costsOf(one, profiles, anew)));
	return zones.map((one, i) => {
		const others: Record<string, GroupingCost> = {};
		for (const [j, of] of costs.entries())
			if (j !== i)
				for (const [grouping, { weighted, values }] of Object.entries(of)) {
					const sum = others[grouping] ?? { weighted: 0, values: 0 };
					others[grouping] = { weighted: sum.weighted + weighted, values: sum.values + values };
				}
		return { ...one, zone: { ...one.zone, otherChannels: others } };
	});
}

/** Computes anew how the zones of a control stand, all of them: what one misses decides about the grouping of the others. */
export async function writeStanding(
	tx: Tx,
	boxId: string,
	profiles: readonly ControlProfile[]
): Promise<void> {
	const box = await tx.boxes.get(boxId);
	if (!box) return;
	const rows = await tx.zones.all({ where: { boxId } });
	const live = rows.filter((row) => row.deletedAt === null).map((row) => seen(row, box));
	const removed = rows.filter((row) => row.deletedAt !== null).map((row) => seen(row, box));
	for (const { row, zone, notes } of [...(await amongChannels(live, profiles, true)), ...removed])
		await tx.zones.update(
			{ summary: await summarise(zone, notes, profileOf(zone, profiles)) },
			{ id: row.id }
		);
}

/** A zone as it hangs on the control of another: what belongs to the box is that one's. */
export const hungOn = (zone: Zone, channel: number, other: Zone): Zone =>
	onBox({ ...zone, options: { ...zone.options, channel } }, boxOf(other));
