import { keyPrint, type Panel } from '../control';
import type { ShortTask, Talk, TalkMove } from '../keying';
import type { Display } from '../machine';
import { strokesSaid } from './gestures';

/** Short tasks as they are chosen, in the order in which households ask for them. */
export const TASK_WORDS: Readonly<Record<ShortTask['kind'], string>> = {
	clock: 'Set the clock',
	program: 'Back to the program',
	warmer: 'Warmer or cooler now',
	boost: 'Boost',
	away: 'Going away',
	'stay-away': 'Away, or back again',
	hold: 'Hold, or end it',
	level: 'One temperature for good'
};

/** What is done by a move: "Press Menu." `shows` is the value that is asked for. */
export function moveSaid(panel: Panel, { strokes }: TalkMove, shows: string): string {
	const [stroke] = strokes;
	if (stroke?.do !== 'turn')
		return `${strokesSaid(
			panel,
			strokes.filter((one) => one.do !== 'turn')
		)}.`;
	return `Press ${keyPrint(panel, stroke.up)} or ${keyPrint(panel, stroke.down)} until it shows ${shows}.`;
}

/** A display by what tells it from others: "Clock, 2 of 4, hour". */
export const displaySaid = (display: Display | null): string =>
	display
		? [display.heading, display.aside, display.foot].filter((part) => part !== '').join(', ')
		: 'the normal display';

/** What must be seen after a move. */
export function seenSaid({ sees, reads }: TalkMove, shows: string): string {
	if (reads?.of === 'value') return shows;
	return reads ? `the normal display, and ${reads.name}` : displaySaid(sees);
}

/** How far a talk has come. */
export const talkLeft = ({ moves }: Talk): string =>
	moves.length === 0 ? 'done' : moves.length === 1 ? 'the last step' : `${moves.length} steps left`;

/** Said at the end: what is to be seen now. */
export const talkDone = (task: ShortTask['kind'], time: string): string =>
	({
		clock: `The clock shows ${time}.`,
		program: 'It runs its program.',
		warmer: 'The customer page says when it ends.',
		boost: 'The customer page says when it ends.',
		away: 'The holiday is set.',
		'stay-away': 'Press the same again on return.',
		hold: 'The same again ends it.',
		level: 'It counts from now on, every week.'
	})[task];
