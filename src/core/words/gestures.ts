import { gesturePhrase, keyPrint, keysOf, timesWords, type Panel } from '../control';
import type { ItemKeys } from '../keying';
import type { Stroke } from '../machine';
import { capital } from '../schema';

/** A stroke as it is drawn: the keys that are touched, and what is done with them. */
export interface StrokePart {
	readonly keys: readonly string[];
	readonly says: string;
}

/** A stroke in its parts: `+` "10 times", `Menu` "hold 5 s". */
export function strokePart(panel: Panel, stroke: Stroke): StrokePart {
	switch (stroke.do) {
		case 'press':
			return {
				keys: [keyPrint(panel, stroke.key)],
				says: stroke.times > 1 ? timesWords(stroke.times) : ''
			};
		case 'hold':
			return {
				keys: stroke.keys.map((key) => keyPrint(panel, key)),
				says: `${stroke.keys.length > 1 ? 'together' : 'hold'} ${stroke.seconds}\u00a0s`
			};
		case 'tap':
			return {
				keys: keysOf(stroke).map((key) => keyPrint(panel, key)),
				says: `hold ${stroke.held.map((key) => keyPrint(panel, key)).join(' and ')}, press ${keyPrint(panel, stroke.key)}`
			};
		case 'set':
			return { keys: [keyPrint(panel, stroke.key)], says: `to ${stroke.to}` };
		case 'run':
			return { keys: [keyPrint(panel, stroke.key)], says: 'held' };
		case 'wait':
			return { keys: [], says: `wait ${stroke.seconds}\u00a0s` };
		case 'until': {
			const part = strokePart(panel, stroke.gesture);
			return { ...part, says: `${part.says} until it shows ${stroke.shows}`.trim() };
		}
	}
}

/** A stroke as it is said: "press + twice", "hold + until it shows". */
function strokePhrase(panel: Panel, stroke: Stroke): string {
	if (stroke.do === 'run') return `hold ${keyPrint(panel, stroke.key)} until it shows`;
	if (stroke.do === 'until') return `${gesturePhrase(panel, stroke.gesture)} until it shows ${stroke.shows}`;
	if (stroke.do === 'wait') return `touch no key for ${stroke.seconds}\u00a0s`;
	return gesturePhrase(panel, stroke);
}

/** The keys for a value as they are read aloud: the way, what changes it, what takes it. `way` is the one that counts just now. */
export function keysSaid(
	panel: Panel,
	keys: Pick<ItemKeys, 'change' | 'until' | 'take'>,
	way: readonly Stroke[],
	shows: string
): string {
	const change =
		keys.change === null
			? keys.until
				? [
						`press ${keyPrint(panel, keys.until.up)} or ${keyPrint(panel, keys.until.down)} until it shows ${shows}`
					]
				: []
			: keys.change.map((stroke) => strokePhrase(panel, stroke));
	return capital(
		[
			...way.map((stroke) => strokePhrase(panel, stroke)),
			...change,
			...keys.take.map((stroke) => strokePhrase(panel, stroke))
		].join(', ')
	);
}

/** Strokes as they are read: "Press Menu, put Switch to Run". */
export const strokesSaid = (panel: Panel, strokes: readonly Stroke[]): string =>
	capital(strokes.map((stroke) => strokePhrase(panel, stroke)).join(', '));

/** Signs on keys as a voice says them. */
const SPOKEN: readonly (readonly [RegExp, string])[] = [
	[/(^|\s)\+(?=\s|,|$)/g, '$1plus'],
	[/(^|\s)\u2212(?=\s|,|$)/g, '$1minus'],
	[/\u00a0?°C/g, ' degrees'],
	[/\u00a0?°F/g, ' degrees Fahrenheit'],
	[/(\d)\u00a0s\b/g, '$1 seconds'],
	[/--:--/g, 'dashes']
];

/** Text as a voice reads it: signs on keys by their names, units in full. */
export const spokenText = (text: string): string =>
	SPOKEN.reduce((said, [sign, words]) => said.replace(sign, words), text);
