import isSame from 'fast-deep-equal';
import { nothingNoted, joinReadings, type OnSite } from './onSite';
import { boxOf, onBox, type Zone } from './zone';
import { notesApart, type BoxOnSite } from './box';

/** A zone with what was keyed and noted at its control. */
export interface Standing {
	readonly zone: Zone;
	readonly keyed: Readonly<Record<string, string>>;
	readonly onSite: OnSite;
}

/** What two zones of one control had it both ways, and what was decided: the choice of days is left to the fit, of the rest the first stands. */
export interface JoinDecided {
	readonly kind: 'grouping' | 'options' | 'settings' | 'notes';
	/** The place of the two zones in the list. */
	readonly first: number;
	readonly second: number;
}

/** Zones of one site with the controls that they hang on. */
export interface Joined<Z> {
	readonly zones: readonly Z[];
	/** For each zone a number for its control: zones with the same one hang on one control. */
	readonly hangsOn: readonly number[];
	readonly decided: readonly JoinDecided[];
}

/** Notes of one control that were kept twice: what the first says, and what only the second does. */
function notesJoined(a: BoxOnSite, b: BoxOnSite): { notes: BoxOnSite; differ: boolean } {
	const none: Readonly<Record<string, unknown>> = nothingNoted;
	let differ = false;
	const notes = Object.fromEntries(
		Object.entries(a).map(([key, first]) => {
			const second = b[key as keyof BoxOnSite];
			if (isSame(first, none[key])) return [key, second];
			if (!isSame(second, none[key]) && !isSame(first, second)) differ = true;
			return [key, first];
		})
	) as BoxOnSite;
	return { notes: { ...notes, clockReadings: joinReadings(a.clockReadings, b.clockReadings) }, differ };
}

/**
 * Puts zones that were kept each with a control of its own onto the controls that they must hang on: in their order, a zone joins the last
 * control of its kind on which its channel is free. Controls of one channel are left apart. Where two said otherwise of one control, what was
 * decided is returned with it.
 */
export function joinBoxes<Z extends Standing>(
	zones: readonly Z[],
	channels: (zone: Zone) => number
): Joined<Z> {
	const boxes: { members: number[] }[] = [];
	const hangsOn: number[] = [];
	const next = [...zones];
	const decided: JoinDecided[] = [];
	zones.forEach(({ zone }, index) => {
		const open =
			channels(zone) > 1 &&
			boxes.findLast(({ members }) => {
				const first = zones[members[0]!]!.zone;
				return first.control === zone.control && members.length < channels(zone);
			});
		const free =
			open && open.members.every((i) => zones[i]!.zone.options.channel !== zone.options.channel) && open;
		if (!free) {
			hangsOn.push(boxes.length);
			boxes.push({ members: [index] });
			return;
		}
		const [at] = free.members;
		const [a, b] = [next[at!]!, next[index]!];
		const [boxA, boxB] = [boxOf(a.zone), boxOf(b.zone)];
		const say = (kind: JoinDecided['kind']) => decided.push({ kind, first: at!, second: index });
		if (boxA.grouping !== null && boxB.grouping !== null && boxA.grouping !== boxB.grouping) say('grouping');
		if (!isSame(boxA.options, boxB.options)) say('options');
		if (!isSame(boxA.settings, boxB.settings)) say('settings');
		const [notesA, notesB] = [notesApart(a.onSite), notesApart(b.onSite)];
		const { notes, differ } = notesJoined(notesA.box, notesB.box);
		if (differ) say('notes');
		const box = {
			...boxA,
			grouping:
				boxA.grouping !== null && boxB.grouping !== null && boxA.grouping !== boxB.grouping
					? null
					: (boxA.grouping ?? boxB.grouping),
			clockReadings: joinReadings(boxA.clockReadings, boxB.clockReadings)
		};
		const keyed = { ...b.keyed, ...a.keyed };
		free.members.push(index);
		hangsOn.push(boxes.indexOf(free));
		for (const i of free.members) {
			const one = next[i]!;
			next[i] = {
				...one,
				zone: onBox(one.zone, box),
				keyed,
				onSite: { ...one.onSite, ...notes }
			};
		}
	});
	return { zones: next, hangsOn, decided };
}
