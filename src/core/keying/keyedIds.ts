import { channelsOf, type ControlProfile } from '../control';
import type { Keyed } from './keyed';
import { entryItemId } from './cardItems';

/**
 * The most that is kept of what was keyed and read at one control: nearly twice what the largest card has with its
 * read-back (seven days of twelve steps with four fields each, keyed and read).
 */
export const MOST_KEYED = 1200;

/** Under what it is noted that a control was found in use, so that nobody knows what it holds. */
export const FOUND_ID = 'found';
/** What is noted there; anything else, or nothing, is a control as new. */
export const FOUND_IN_USE = 'in use';

/** How a control was found, by what is noted at it. */
export const foundOf = (keyed: Keyed): 'as-new' | 'unknown' =>
	keyed[FOUND_ID] === FOUND_IN_USE ? 'unknown' : 'as-new';

const days = '0?1?2?3?4?5?6?';
const program = new RegExp(
	`^(?:all/\\d{1,2}(?:/[a-z]{1,12}){0,2}|copy/${days}-${days}/[0-9a-z]{1,8}|${days}/\\d{1,2}(?:-\\d{1,2}|(?:/[a-z]{1,12}){0,2}))$`
);

/** What the ids of a control's setpoints may be called by. */
function settingNames({ program: form, menu }: ControlProfile): readonly string[] {
	const own =
		form.form === 'events'
			? (form.modes ?? [])
			: form.form === 'pairs' || form.form === 'slots'
				? (form.settings ?? [])
				: [];
	return [
		'unit',
		'clock',
		'grouping',
		'per-day',
		'plain',
		...menu.map((entry) => entryItemId(entry).slice('setting/'.length)),
		...own
	];
}

/** Whether a card or read-back of this control, for whatever program, can have a value of this id. */
export function isCardId(id: string, profile: ControlProfile): boolean {
	const of = id.startsWith('read/') ? id.slice(5) : id;
	if (/^mode\/(before|after)$/.test(of) || of === FOUND_ID) return true;
	const [first, ...rest] = of.split('/');
	if (first === 'plain') return /^(temperature|heat to|cool to)\/[CF]$/.test(rest.join('/'));
	if (first === 'setting') {
		const unit = rest.length > 1 && /^[CF]$/.test(rest.at(-1)!) ? rest.slice(0, -1) : rest;
		return settingNames(profile).includes(unit.join('/'));
	}
	const [perDay, unit, clock, ...then] = rest;
	const channels = channelsOf(profile);
	const inChannel = channels ? channels.find((one) => then.join('/').startsWith(`${one}/`)) : '';
	if (inChannel === undefined) return false;
	const values = inChannel === '' ? then.join('/') : then.join('/').slice(inChannel.length + 1);
	return (
		profile.groupings.some((grouping) => grouping.id === first) &&
		/^\d{1,2}$/.test(perDay ?? '') &&
		/^[CF]$/.test(unit ?? '') &&
		/^(12|24)$/.test(clock ?? '') &&
		program.test(values)
	);
}

/** Options of which a change wipes the week on many controls (common practice), so that what was keyed of it is asked again. */
const WIPING = ['setting/unit', 'setting/grouping', 'setting/per-day'];

/**
 * Which of the notes are overtaken by another: a step that is cleared has no time any more, a day that was copied onto
 * holds nothing else, an entry for all days fills each of them, and a new grouping wipes the week.
 */
export function overtaken(
	id: string,
	shows: string,
	was: string | undefined
): ((other: string) => boolean) | null {
	if (id.startsWith('read/')) return null;
	if (WIPING.includes(id) || id.startsWith('setting/wiping/'))
		return was === undefined || was === shows
			? null
			: (other) => other !== FOUND_ID && !/^(setting|mode|read|plain)\//.test(other);
	const copy = /^(.*)\/copy\/\d*-(\d+)\/[^/]*$/.exec(id);
	if (copy) {
		const [, stem, onto] = copy;
		// the groups onto which it goes are single days, or one group as it stands
		const isOver = (days: string) => days === onto || [...days].every((day) => onto!.includes(day));
		return (other) => {
			if (!other.startsWith(`${stem}/`)) return false;
			const rest = other.slice(stem!.length + 1);
			const days = /^(?:copy\/\d*-)?(\d+)\//.exec(rest)?.[1];
			return days !== undefined && isOver(days);
		};
	}
	const all = /^(.*)\/all\/(.*)$/.exec(id);
	if (all) {
		const [, stem, key] = all;
		const step = `${key!.split('/')[0]}/`;
		return (other) => {
			if (!other.startsWith(`${stem}/`)) return false;
			const rest = other.slice(stem!.length + 1);
			if (rest.startsWith('copy/')) return true;
			const ofDay = /^\d+\/(.*)$/.exec(rest)?.[1];
			if (ofDay !== undefined)
				return (
					ofDay === key || ofDay === `${step}clear` || (key === `${step}clear` && ofDay.startsWith(step))
				);
			const ofAll = rest.slice('all/'.length);
			return ofAll === `${step}clear` || (key === `${step}clear` && ofAll.startsWith(step));
		};
	}
	if (/^(setting|mode|plain)\//.test(id)) return null;
	const step = id.endsWith('/clear') ? id.slice(0, -'clear'.length) : null;
	return step === null ? null : (other) => other.startsWith(step);
}

/** The notes that a step was cleared, which any value of it undoes: `…/2/time` and `…/1/on/hour` have their step at another place. */
const clearsOf = (id: string): string[] => {
	const parts = id.split('/');
	return [1, 2].map((n) => `${parts.slice(0, -n).join('/')}/clear`);
};

/** A slot, or a run of slots, of a day's strip: what its id begins with, and its first and last slot; null for any other id. */
function slotsOf(id: string): { readonly stem: string; readonly from: number; readonly to: number } | null {
	const [, stem, from, to = from] = /^((?!read\/|copy\/).*\/\d+\/)(\d{1,2})(?:-(\d{1,2}))?$/.exec(id) ?? [];
	return stem === undefined ? null : { stem, from: Number(from), to: Number(to) };
}

/** Takes out of the notes of other runs the slots that were written since: what is left of a run stays noted. */
function cutRuns(kept: Map<string, string>, id: string): void {
	const written = slotsOf(id);
	if (!written) return;
	const entries = [...kept];
	const isCut = (other: string) => {
		const slots = slotsOf(other);
		return slots?.stem === written.stem && slots.from <= written.to && slots.to >= written.from
			? slots
			: null;
	};
	if (!entries.some(([other]) => isCut(other))) return;
	kept.clear();
	for (const [other, shows] of entries) {
		const slots = isCut(other);
		if (!slots) kept.set(other, shows);
		else
			for (const [from, to] of [
				[slots.from, written.from - 1],
				[written.to + 1, slots.to]
			] as const)
				if (from <= to) kept.set(`${slots.stem}${from === to ? from : `${from}-${to}`}`, shows);
	}
}

/**
 * What is noted as keyed after changes (null takes a note back): those noted last stand last, what they overtake is no longer noted, and
 * past {@link MOST_KEYED} the oldest go.
 */
export function withKeyed(keyed: Keyed, changes: Readonly<Record<string, string | null>>): Keyed {
	const kept = new Map(Object.entries(keyed));
	for (const [id, shows] of Object.entries(changes)) {
		const was = kept.get(id);
		kept.delete(id);
		if (shows === null) continue;
		cutRuns(kept, id);
		for (const clear of clearsOf(id)) kept.delete(clear);
		const isOvertaken = overtaken(id, shows, was);
		if (isOvertaken) for (const other of [...kept.keys()]) if (isOvertaken(other)) kept.delete(other);
		kept.set(id, shows);
	}
	return Object.fromEntries([...kept].slice(-MOST_KEYED));
}
