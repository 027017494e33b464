import { keyPrint, modeSentence, type ControlProfile, type Panel } from '../control';
import type { KeyCard, KeyCost } from '../keying';
import type { Display, Stroke } from '../machine';
import { strokesSaid } from './gestures';

/** Said at the first value of a card, before anything is pressed. */
export const FRONT_KEYS_ONLY = 'Front keys only. Live parts, wiring, gas: qualified engineer.';

/** Below this many seconds somebody who looks from card to control and back is thrown out of its menu (common practice). */
const SHORT_SECONDS = 20;

/** What is said before a card is begun at a control whose menu closes very soon; null where there is time. */
export const practiseFirstWords = (timeoutSeconds: number | null): string | null =>
	timeoutSeconds === null || timeoutSeconds > SHORT_SECONDS
		? null
		: `Menu closes after ${timeoutSeconds}\u00a0s. Practise or print first.`;

/** What the two ways of keying take where they differ: from the first day on, and by the fewest presses; null where they are one. */
export function waysWords({ plain, fewest }: KeyCard['cost']): string | null {
	if (plain.presses === fewest.presses) return null;
	const takes = ({ presses, minutes }: KeyCost) =>
		`${presses} presses, ${Math.max(1, Math.round(minutes))}\u00a0min`;
	return `Plain order: ${takes(plain)}. Fewest: ${takes(fewest)}.`;
}

/** How the control was found, as it is chosen: `unsaid` while nobody has said. */
export const FOUND_WORDS = {
	'as-new': 'factory settings, or just reset',
	'in-use': 'in use'
} as const;

/** Where the keys of a value begin, and what leads there for somebody who is not there. */
export function fromRestWords(panel: Panel, out: readonly Stroke[]): string {
	const [first] = out;
	if (!first) return 'From its normal display.';
	return first.do === 'wait'
		? `From its normal display. Not there? Wait ${first.seconds}\u00a0s.`
		: `From its normal display. Not there? ${strokesSaid(panel, out)}.`;
}

/** What the display shows where the hand has come to, or comes to by the way that stands before the change; null where nobody knows. */
export function showsWords(display: Display | null, unit: string, isAhead: boolean): string | null {
	if (!display || display.shows === '') return null;
	const shows = display.unit === '' ? display.shows : `${display.shows}\u00a0${display.unit || unit}`;
	const blinks = display.blinks ? ' and blinks: you are on this field' : '';
	return isAhead ? `After the first keys it shows ${shows}${blinks}.` : `It shows ${shows}${blinks}.`;
}

/** Said of what was typed as seen and stands on none of the control's scales. */
export const CANNOT_SHOW = 'This control cannot be set to that: look again.';

/** What somebody can see instead of the value that is asked for, as it is tapped. */
export const SEEN_WORDS = {
	rest: 'its normal display',
	before: 'the value before',
	other: 'something else'
} as const;

/** What came of reading a control before it is keyed. */
export const readFirstWords = (left: number, isSetOtherwise: boolean): string =>
	isSetOtherwise
		? 'Settings differ: set them, then key in the whole week'
		: left === 0
			? 'It holds all of it already'
			: left === 1
				? 'One value differs'
				: `${left} values differ`;

/** The keys for a step of the functional test, from the normal display; null where its panel does not say. */
export function testKeysWords(
	{ panel, temperature }: ControlProfile,
	step: 'raise' | 'lower' | 'automatic'
): string | null {
	if (!panel) return null;
	const { rest, modes } = panel;
	if (step === 'automatic') return modeSentence(panel, modes?.names[0] ?? null) || null;
	if (temperature) return rest && `With ${keyPrint(panel, step === 'raise' ? rest.up : rest.down)}.`;
	return modeSentence(panel, step === 'raise' ? 'On' : (modes?.off ?? null)) || null;
}
