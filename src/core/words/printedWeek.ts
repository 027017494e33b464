import { displaySetpoint, displayTime, type ControlOptions, type ControlProfile } from '../control';
import { DAY_SHORT, splitByDay, type WeekSteps } from '../week';
import { heightScale, stepArea, stepPath, timeX } from '../drawing';

/** A word in the drawing of a printed week. */
export interface PrintedWord {
	readonly x: number;
	readonly y: number;
	readonly text: string;
	readonly anchor: 'start' | 'middle' | 'end';
}

/** A day of a printed week: its paths and words from the left end of its line. */
export interface PrintedDay {
	readonly name: string;
	readonly top: number;
	readonly area: string;
	readonly line: string;
	readonly times: readonly PrintedWord[];
	readonly figures: readonly PrintedWord[];
}

/** The week as it is printed, black on white, in units of a drawing of `width` by `height`. */
export interface PrintedWeekDrawing {
	readonly width: number;
	readonly height: number;
	/** Where the days' lines begin, their length, and their height. */
	readonly left: number;
	readonly span: number;
	readonly foot: number;
	readonly days: readonly PrintedDay[];
}

const LEFT = 44;
const SPAN = 560;
/** The same for a narrow screen, where its words stay as large as others. */
export const NARROW_SPAN = 250;
const ROW = 41;
const HEIGHT = 28;
/** Words may stand so far over each other's empty edge. */
const OVERLAP = 9;

/** Whether a word that begins at a place is clear of the one before it; `room` is what a word takes with the space around it. */
function isClear(before: PrintedWord | undefined, begin: number, room: number, overlap: number): boolean {
	if (!before) return true;
	const reach = { start: room, middle: room / 2, end: 0 }[before.anchor];
	return begin >= before.x + reach - overlap;
}

/** What a letter takes at the size of the words, as the face is measured. */
const LETTER = 6.1;

/** The words with the last ending where the line does, for paper ends there too; what then has no room before it is left out. */
function withinLine(words: readonly PrintedWord[], length: number): readonly PrintedWord[] {
	const reach = ({ x, text, anchor }: PrintedWord) =>
		x + text.length * LETTER * { start: 1, middle: 0.5, end: 0 }[anchor];
	const last = words.at(-1);
	if (!last || reach(last) <= length) return words;
	const begins = length - last.text.length * LETTER;
	const before = words.slice(0, -1).filter((word) => reach(word) - OVERLAP <= begins);
	return [...before, { ...last, x: length, anchor: 'end' }];
}

/** Draws a held week for paper: times over the uprights (two close ones lean apart, a third between them is left out), values inside. */
export function printedWeek(
	held: WeekSteps<number>,
	profile: ControlProfile,
	options: ControlOptions,
	length = SPAN
): PrintedWeekDrawing {
	const days = splitByDay(held);
	const scale = heightScale(
		profile.temperature ? [...new Set(held.map((step) => step.value))] : [0, 1],
		HEIGHT
	);
	const room = options.clock === '12' ? 56 : 45;
	return {
		width: length + LEFT,
		height: ROW * 7 + 4,
		left: LEFT,
		span: length,
		foot: HEIGHT,
		days: days.map((spans, day): PrintedDay => {
			const times: PrintedWord[] = [];
			for (const span of spans.slice(1)) {
				const x = timeX(span.from, length);
				const last = times.at(-1);
				const one: PrintedWord = {
					x,
					y: -1,
					text: displayTime(span.from, options.clock),
					anchor: 'middle'
				};
				if (isClear(last, x - room / 2, room, 0)) times.push(one);
				else if (
					last?.anchor === 'middle' &&
					x - last.x > 6 &&
					isClear(times.at(-2), last.x - room, room, OVERLAP)
				) {
					times[times.length - 1] = { ...last, anchor: 'end' };
					times.push({ ...one, x: x - 2, anchor: 'start' });
				}
			}
			return {
				name: DAY_SHORT[day]!,
				top: day * ROW + 14,
				area: stepArea(spans, length, HEIGHT, scale.y),
				line: stepPath(spans, length, scale.y),
				times: withinLine(times, length),
				figures: spans.flatMap((span): PrintedWord[] =>
					timeX(span.to - span.from, length) < 30
						? []
						: [
								{
									x: timeX((span.from + span.to) / 2, length),
									y: scale.y(span.value) > HEIGHT - 13 ? scale.y(span.value) - 3 : HEIGHT - 3,
									text: displaySetpoint(profile, options, span.value) + (profile.temperature ? '°' : ''),
									anchor: 'middle'
								}
							]
				)
			};
		})
	};
}
