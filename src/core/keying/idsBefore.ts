import { channelsOf, OPTION_IDS, type ControlOptions, type ControlProfile, type OptionId } from '../control';
import { keptSetpoints, type MachineOptions } from '../machine';
import type { Goal } from './goal';
import { noNotes, replayed, withNote, type Note, type Notes } from './notes';
import { CLEARED, goalShown } from './shown';

/** What was keyed as the version before noted it: what the display showed, by the id of a value of its card. */
export type KeyedBefore = Readonly<Record<string, string | null>>;

const figures = (text: string) => [...text].map(Number);

/** A value that stands by itself, as it was called: `setting/unit`, `setting/menu/offset`, `setting/comfort/C`, `plain/temperature/C`. */
function standingGoal(profile: ControlProfile, { unit }: MachineOptions, id: string): Goal | null {
	const [kind, name = '', ...rest] = id.split('/') as [string, string?, ...string[]];
	if (kind === 'plain')
		return rest[0] === unit ? { of: 'kept', side: name === 'cool to' ? 'cool' : 'heat', position: 0 } : null;
	if (kind !== 'setting') return null;
	if ((OPTION_IDS as readonly string[]).includes(name) && rest.length === 0)
		return { of: 'option', id: name as OptionId, position: 0 };
	if (name === 'menu' || name === 'wiping') return { of: 'menu', id: rest.join('/'), position: 0 };
	const index = keptSetpoints(profile).indexOf(name);
	return index >= 0 && rest[0] === unit ? { of: 'setpoint', index, position: 0 } : null;
}

/** A value of the week, as it was called: by grouping, steps a day, unit, clock, channel, days and field. null where it is of other options. */
function weekGoal(profile: ControlProfile, options: MachineOptions, id: string): Goal | null {
	const stem = [options.grouping, options.perDay, options.unit, options.clock].join('/');
	if (!id.startsWith(`${stem}/`)) return null;
	const names = channelsOf(profile);
	const rest = id.slice(stem.length + 1);
	const channel = names ? names.findIndex((name) => rest.startsWith(`${name}/`)) : 0;
	if (channel < 0) return null;
	const own = names ? rest.slice(names[channel]!.length + 1) : rest;
	const copy = /^copy\/(\d+)-(\d+)\/.+$/.exec(own);
	if (copy) {
		const over = figures(copy[2]!);
		return { of: 'copy', channel, from: figures(copy[1]!)[0]!, onto: over.at(-1)!, over };
	}
	const [, days, key] = /^(all|\d+)\/(.+)$/.exec(own) ?? [];
	if (!days || !key) return null;
	const all = days === 'all';
	const of = { of: 'field' as const, channel, day: all ? 0 : figures(days)[0]!, all };
	const run = /^(\d+)-(\d+)$/.exec(key);
	if (run) return { ...of, key: run[1]!, position: 0, slots: Number(run[2]) - Number(run[1]) + 1 };
	return { ...of, key, position: key.endsWith('/clear') ? null : 0 };
}

/** One note of the version before, as it is noted now; null where it says nothing of a control that is set so. */
function noteOfId(
	profile: ControlProfile,
	options: MachineOptions,
	id: string,
	shows: string | null
): Note | null {
	if (id === 'found') return shows === 'in use' ? { what: 'found', found: 'in-use' } : null;
	const isRead = id.startsWith('read/');
	const of = isRead ? id.slice('read/'.length) : id;
	if (/^mode\/(before|after)$/.test(of))
		return shows === null
			? null
			: {
					what: 'keyed',
					goals: [{ of: 'mode', name: shows, when: of === 'mode/before' ? 'before' : 'after' }]
				};
	const goal = standingGoal(profile, options, of) ?? weekGoal(profile, options, of);
	if (!goal) return null;
	if (shows === null) return { what: isRead ? 'not-read' : 'not-keyed', goals: [goal] };
	const isCopy = goal.of === 'copy' || (goal.of === 'field' && goal.position === null && shows === CLEARED);
	const seen = isCopy ? goal : goalShown(profile, options, goal, shows);
	return seen && { what: isRead ? 'read' : 'keyed', goals: [seen] };
}

/** The notes with what the version before sent, in its order; what stands by itself first, as the week hangs on it. */
export function withKeyedBefore(
	profile: ControlProfile,
	planned: MachineOptions,
	notes: Notes,
	keyed: KeyedBefore
): Notes {
	const entries = Object.entries(keyed);
	const isEarly = (id: string) => /^(found$|(read\/)?(setting|plain)\/)/.test(id);
	const isRead = (id: string) => id.startsWith('read/');
	const optionsAt = (now: Notes) => replayed(profile, now, planned).known.memory.options;
	const noted = (now: Notes, options: MachineOptions, [id, shows]: readonly [string, string | null]) => {
		const note = noteOfId(profile, options, id, shows);
		return note ? withNote(profile, now, note) : now;
	};
	const set = entries
		.filter(([id]) => isEarly(id))
		.reduce((now, entry) => noted(now, optionsAt(now), entry), notes);
	const options = optionsAt(set);
	return [
		...entries.filter(([id]) => !isEarly(id) && !isRead(id)),
		...entries.filter(([id]) => !isEarly(id) && isRead(id))
	].reduce((now, entry) => noted(now, options, entry), set);
}

/** All that the version before had noted at a control, as it is noted now. */
export function notesBefore(
	profile: ControlProfile,
	options: ControlOptions,
	grouping: string | null,
	keyed: Readonly<Record<string, string>>
): Notes | null {
	if (Object.keys(keyed).length === 0) return null;
	const { channel: _, ...set } = options;
	const planned = { ...set, grouping: grouping ?? profile.groupings[0]!.id };
	const found = keyed['found'] === 'in use' ? ('in-use' as const) : ('as-new' as const);
	return withKeyedBefore(profile, planned, { ...noNotes(profile), found }, keyed);
}
