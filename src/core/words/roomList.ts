import { channelsOf, type ControlProfile } from '../control';
import { answersTo } from './answersTo';
import { profileInShort } from './control';

/** A room that was said in a list, and the controls that its words can mean, the likeliest first. */
export interface SaidRoom {
	readonly name: string;
	/** Ids of profiles; none where no control was said that is known here. */
	readonly controls: readonly string[];
	/** The words that were taken for the control; empty for none. */
	readonly said: string;
}

/** The words that a control is found by: its name, what it is for, its days, its power, its channels. */
export const calledBy = (profile: ControlProfile): string =>
	[
		profile.name,
		profile.summary,
		profileInShort(profile),
		profile.habits.power === 'batteries' ? 'battery batteries' : 'mains',
		...(channelsOf(profile) ?? [])
	].join(' ');

/** Words that say nothing of a control. */
const FILLING = new Set(['with', 'and', 'a', 'an', 'the', 'on', 'for']);
/** What a control is called in the trade, or a figure of its days or steps; without one of these the words name a room: "Dining room", "Crèche floor" (from memory). */
const KIND =
	/^(stat|thermostat|timer|programmer|keypad|clock|dial|slider|strip|receiver|battery|batteries|radio|wireless|mains)$|^[\p{L}\d]+[-+][\p{L}\d+-]+$/iu;

/** The controls that words can mean: those whose own name answers come first. */
export function controlsCalled(said: string, profiles: readonly ControlProfile[]): ControlProfile[] {
	const words = said
		.split(/\s+/)
		.filter((word) => word !== '' && !FILLING.has(word.toLowerCase()))
		.join(' ');
	if (words === '') return [];
	const named = profiles.filter(({ name }) => answersTo(name, words));
	const others = profiles.filter((one) => !named.includes(one) && answersTo(calledBy(one), words));
	return [...named, ...others];
}

/** The end of some words that means a control, with what comes before it: the longest that is a control's name, else the longest that is said of one. */
function controlAtEnd(words: readonly string[], profiles: readonly ControlProfile[]) {
	const ends = words.flatMap((word, at) => {
		const said = words.slice(at).join(' ');
		if (at === 0 || FILLING.has(word.toLowerCase()) || !words.slice(at).some((one) => KIND.test(one)))
			return [];
		const controls = controlsCalled(said, profiles);
		return controls.length > 0 ? [{ at, said, controls }] : [];
	});
	const best = ends.find(({ said, controls }) => answersTo(controls[0]!.name, said)) ?? ends[0];
	if (!best) return null;
	const name = words.slice(0, best.at);
	while (name.length > 1 && FILLING.has(name.at(-1)!.toLowerCase())) name.pop();
	return { name, said: best.said, controls: best.controls.map(({ id }) => id) };
}

/**
 * Rooms from one line: "Lounge six-step; Bed 1, Bed 2, Bed 3 four-step". Between semicolons stand rooms that hang on like
 * controls, between commas their names; the control is said after the last.
 */
export function roomsSaid(text: string, profiles: readonly ControlProfile[]): SaidRoom[] {
	return text.split(/[;\n]/).flatMap((part) => {
		const names = part
			.split(',')
			.map((name) => name.trim().split(/\s+/).filter(Boolean))
			.filter((words) => words.length > 0);
		const last = names.at(-1);
		if (!last) return [];
		const found = controlAtEnd(last, profiles);
		if (found) names[names.length - 1] = found.name;
		return names.map((words) => ({
			name: words.join(' ').slice(0, 80),
			controls: found?.controls ?? [],
			said: found?.said ?? ''
		}));
	});
}
