import type { Operable } from '../../src/core/machine';
import {
	allToRead,
	beginSession,
	cardOf,
	foundSaid,
	noNotes,
	notedElsewhere,
	toHold,
	withNote,
	type KeyingSession,
	type Notes,
	type Turn
} from '../../src/core/keying';
import { fitZone } from '../../src/core/fit';
import { newZone, withWanted, type Zone } from '../../src/core/plan';
import { buildWeek } from '../../src/core/week';

/** A zone of a control, warm from six in the morning; on the days given so many minutes later. */
function zoneOf(profile: Operable, laterMinutes: number, later: readonly number[]): Zone {
	const [on, off] = profile.temperature ? ['comfort', 'eco'] : ['on', 'off'];
	const fresh = newZone('Z', profile);
	const days = Array.from({ length: 7 }, (_, day) => [
		{ at: day * 1440 + 360 + (later.includes(day) ? laterMinutes : 0), value: on! },
		{ at: day * 1440 + 1320, value: off! }
	]);
	return { ...withWanted(fresh, buildWeek(days.flat())), grouping: profile.groupings[0]!.id };
}

/**
 * What keying takes where a control in use is read, value by value, as it stands, and one time of its week (of its first day, and of those
 * that are keyed as one with it) is planned by the control's smallest step later; and what it takes without having read.
 */
export function afterOneChange(profile: Operable): { readonly read: Turn; readonly blind: Turn } {
	const { program } = profile;
	const step =
		program.form === 'slots' ? program.slotMinutes : program.form === 'plain' ? 0 : program.stepMinutes;
	const was = zoneOf(profile, 0, []);
	const now = zoneOf(profile, step, profile.groupings[0]!.groups[0]!);
	const hold = (zone: Zone) => toHold([{ zone, fit: fitZone(zone, profile) }], profile);
	const card = (notes: Notes) => cardOf(profile, hold(now), notes);
	// as the page does: how it was found is said, and it is read at once
	const fresh = beginSession(profile, card(noNotes(profile)), noNotes(profile));
	const inUse = foundSaid(fresh, 'in-use', card).session;
	const read = allToRead(profile, hold(was)).reduce<KeyingSession>((session, { fields }) => {
		const goals = fields.map(({ goal }) => goal);
		const notes = withNote(profile, session.noted, { what: 'read', goals, next: [] });
		return notedElsewhere(session, notes, card(notes));
	}, inUse);
	return { read: read.turn, blind: inUse.turn };
}
