import type { Act } from '../control';
import { without } from '../schema';
import { dayRound, moved } from './days';
import { channelCount } from './fields';
import { askedFor } from './lockCode';
import { start, type MachineState } from './state';
import { factoryClock, factoryDays, factoryMemory, storedDays, type DayContent, type Memory } from './memory';
import { figureInUse, menuAt, menuScale, withMenu } from './menus';
import type { Operable } from './operable';
import { scaleUnder, standsAt, underCursor, type AtField } from './place';

/** Writes into the program; of all days at once into each of them. */
function withContent(
	memory: Memory,
	channel: number,
	days: readonly number[],
	change: (content: DayContent) => DayContent
): Memory {
	return {
		...memory,
		days: memory.days.map((week, c) =>
			c === channel ? week.map((content, day) => (days.includes(day) ? change(content) : content)) : week
		)
	};
}

/** The memory with what stands in the field under the cursor taken. */
function taken(profile: Operable, { memory, atSeconds }: MachineState, place: AtField): Memory {
	const under = underCursor(profile, memory, place);
	if (!under || under.of === 'group') return memory;
	const { edit } = place;
	if (under.of === 'value')
		return edit === undefined ? memory : withMenu(profile, memory, under.field, edit, atSeconds);
	const { content, days, field, all } = under;
	const { key } = field;
	const at = standsAt(profile, memory, under, edit, atSeconds);
	if (at === null) return memory;
	// what opens at nobody knows what is taken at that; what is held stays
	if (at === undefined)
		return content[key] === null
			? withContent(memory, place.channel, days, (held) => without(held, key))
			: memory;
	// passing a value of all days at once is no change of those that have another
	if (all && edit === undefined && content[key] !== null) return memory;
	return withContent(memory, place.channel, days, (held) => ({ ...held, [key]: at }));
}

/** The place of the round after another, or before it, that a day can be copied onto: not all days at once; null past its end where it does not go round. */
function copyBeside(
	round: ReturnType<typeof dayRound>,
	group: number,
	{ by = 1, wraps }: Pick<Extract<Act, { do: 'choose' }>, 'by' | 'wraps'>
): number | null {
	for (let next = group + by; ; next += by) {
		if (wraps === false && (next < 0 || next >= round.length)) return null;
		const at = (next + round.length) % round.length;
		if (!round[at]!.all) return at;
	}
}

type Copy = Extract<Act, { readonly do: 'copy' }>;

/** The weekday that a copy copies, those that it goes onto, and the place of the round of the last of them; null where there is none to go on to. */
export function copyOf(
	profile: Operable,
	{ memory, place }: MachineState,
	act: Copy
): { readonly from: number; readonly onto: readonly number[]; readonly last: number } | null {
	const round = dayRound(profile, memory.options);
	const placeOf = (day: number) => round.findIndex(({ all, days }) => !all && days.includes(day));
	if (act.from !== undefined && act.onto)
		return { from: act.from, onto: act.onto, last: placeOf(act.onto.at(-1)!) };
	if (!place) return null;
	const [from] = round[place.group]!.days;
	const next = copyBeside(round, place.group, act);
	const last = place.copyTo ?? next;
	if (last === null || next === null) return null;
	const onto: number[] = [];
	for (let at: number | null = act.block ? next : last; at !== null; at = copyBeside(round, at, act)) {
		onto.push(...round[at]!.days);
		if (at === last) return { from: from!, onto, last };
	}
	return null;
}

/** A day copied, the cursor with it. */
function copied(profile: Operable, state: MachineState, act: Copy): MachineState {
	const { memory, place } = state;
	const copy = copyOf(profile, state, act);
	if (!copy) return state;
	const channel = place?.channel ?? 0;
	const content = memory.days[channel]![copy.from]!;
	const after = { ...state, memory: withContent(memory, channel, copy.onto, () => content) };
	if (!place || act.stays) return after;
	return { ...after, place: { ...place, group: copy.last, step: 0, copyTo: null } };
}

/** What one thing that a rule does makes of a control, `times` over where it only changes a value. */
export function acted(profile: Operable, state: MachineState, act: Act, times = 1): MachineState {
	const { memory, place, atSeconds } = state;
	const { modes } = profile.panel;
	switch (act.do) {
		case 'change': {
			const under = place && underCursor(profile, memory, place);
			if (!under || under.of === 'group') return state;
			const from = standsAt(profile, memory, under, place.edit, atSeconds);
			if (from === undefined) return state;
			const edit = moved(scaleUnder(profile, memory, under), from, act.by * times);
			return { ...state, place: { ...place!, edit } };
		}
		case 'turn': {
			const field = figureInUse(profile, state);
			const at = field && menuAt(profile, memory, field, atSeconds);
			if (!field || at == null) return state;
			const next = moved(menuScale(profile, memory, field), at, act.by * times);
			return { ...state, memory: withMenu(profile, memory, field, next, atSeconds) };
		}
		case 'take': {
			if (!place || (act.only && place.edit === undefined)) return state;
			return { ...state, memory: taken(profile, state, place), place: { ...place, edit: undefined } };
		}
		case 'drop':
			return place ? { ...state, place: { ...place, edit: undefined } } : state;
		case 'write':
		case 'clear': {
			const under = place && underCursor(profile, memory, place);
			if (under?.of !== 'day') return state;
			const change =
				act.do === 'write'
					? { [under.field.key]: act.position }
					: Object.fromEntries(
							under.fields.filter(({ step }) => step === under.field.step).map(({ key }) => [key, null])
						);
			return {
				...state,
				memory: withContent(memory, place!.channel, under.days, (held) => ({ ...held, ...change })),
				place: { ...place!, edit: undefined }
			};
		}
		case 'go': {
			if (!place) return state;
			const next = act.to ?? place[act.cursor] + (act.by ?? 1);
			const round = dayRound(profile, memory.options).length;
			const gone = { ...place, edit: undefined, copyTo: null };
			gone[act.cursor] =
				act.cursor === 'group'
					? (next + round) % round
					: Math.min(act.cursor === 'channel' ? channelCount(profile) - 1 : 95, Math.max(0, next));
			return { ...state, place: gone };
		}
		case 'choose': {
			if (!place) return state;
			const round = dayRound(profile, memory.options);
			const copyTo = copyBeside(round, place.copyTo ?? place.group, act) ?? place.copyTo;
			return { ...state, place: { ...place, copyTo } };
		}
		case 'copy':
			return copied(profile, state, act);
		case 'begin':
			return { ...state, before: memory };
		case 'store':
			return { ...state, before: null };
		case 'abandon':
			return { ...state, memory: state.before ?? memory, before: null };
		case 'add': {
			const at = menuAt(profile, memory, act.value, atSeconds);
			if (at == null) return state;
			const next = moved(menuScale(profile, memory, act.value), at, act.by * times);
			return { ...state, memory: withMenu(profile, memory, act.value, next, atSeconds) };
		}
		case 'keep': {
			const field = figureInUse(profile, state);
			const at = field && menuAt(profile, memory, field, atSeconds);
			if (at == null) return state;
			const kept = { id: 'setpoints' as const, setpoint: act.setpoint };
			return { ...state, memory: withMenu(profile, memory, kept, at, atSeconds) };
		}
		case 'load': {
			const under = place && underCursor(profile, memory, place);
			const at = under?.of === 'value' ? menuAt(profile, memory, under.field, atSeconds) : undefined;
			const week = profile.panel.stored?.find(({ no }) => no === at);
			return week
				? { ...state, memory: { ...memory, days: storedDays(profile, memory.options, week) } }
				: state;
		}
		case 'mode':
			return { ...state, mode: act.to === 'next' ? (state.mode + 1) % modes!.names.length : act.to };
		case 'hand':
			return { ...state, act: { what: act.what, channel: act.channel ?? 0, atSeconds } };
		case 'lock':
			if (profile.panel.lock!.code) return askedFor(state, act.on ? 'lock' : 'unlock');
			return { ...state, locked: act.on, trail: [] };
		case 'wipe':
			switch (act.what) {
				case 'all':
					return start(profile, factoryMemory(profile, atSeconds), atSeconds);
				case 'clock':
					return { ...state, memory: { ...memory, clock: factoryClock(profile, atSeconds) } };
				case 'program':
					return { ...state, memory: { ...memory, days: factoryDays(profile, memory.options) } };
			}
	}
}
