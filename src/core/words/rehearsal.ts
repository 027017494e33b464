import type { ControlProfile } from '../control';
import { localWords, setpointWithUnit, type ControlOptions } from '../control';
import type { Fault, HolidayTask, stillWrong, TaskKind } from '../rehearsal';
import { duration } from '../week';

/** How a rehearsal went. */
export interface RehearsalScore {
	/** Presses done, a held key counting as the control's grammar says, and those that the card needs. */
	readonly pressed: number;
	readonly needed: number;
	readonly seconds: number;
	/** Strokes that the card did not ask for. */
	readonly slips: number;
	/** How often the menu left by itself before it was left. */
	readonly thrownOut: number;
}

const times = (count: number, one: string, many: string) => `${count} ${count === 1 ? one : many}`;

/** What was pressed against what was needed: "64 presses where 58 do, in 3 min, 2 slips". */
export function scoreWords({ pressed, needed, seconds, slips }: RehearsalScore): string {
	const took = seconds < 90 ? `${Math.round(seconds)} s` : duration(Math.round(seconds / 60));
	const presses =
		pressed > needed
			? `${pressed} presses where ${needed} do`
			: `${times(pressed, 'press', 'presses')}, no more than it takes`;
	return `${presses}, in ${took}, ${slips === 0 ? 'no slip' : times(slips, 'slip', 'slips')}.`;
}

/** What can be rehearsed, as it is chosen. */
export const TASK_NAMES: Readonly<Record<TaskKind, string>> = {
	week: 'key the week',
	slip: 'find the slip',
	holiday: 'set a holiday'
};

/** What is asked for where a value was keyed wrong. */
export const SLIP_TASK =
	'One value of this week is keyed in wrong. Go through it with the keys, find it and correct it.';

/** A holiday that is to be set: "They leave now and are back Thu 3 Dec 17:30; 12.0 °C meanwhile." */
export function holidayTaskWords(
	profile: ControlProfile,
	options: ControlOptions,
	{ back, setpointC }: Pick<HolidayTask, 'back' | 'setpointC'>
): string {
	const kept = setpointC === null ? '' : `; ${setpointWithUnit(profile, options, setpointC)} meanwhile`;
	return `They leave now and are back ${localWords(back, options)}${kept}.`;
}

/** How a slip was found: "Found and put right: 41 presses in 2 min. 6 would have done for somebody who knew where." */
export function slipFoundWords({ pressed, needed, seconds }: RehearsalScore): string {
	const took = seconds < 90 ? `${Math.round(seconds)} s` : duration(Math.round(seconds / 60));
	return `Found and put right: ${times(pressed, 'press', 'presses')} in ${took}. ${needed} would have done for somebody who knew where.`;
}

/** What a stand-in does once a task is done. */
export const TASK_DONE: Readonly<Record<TaskKind, string>> = {
	week: 'It holds the whole week.',
	slip: 'It holds the week as it is on the card.',
	holiday: 'On holiday; comes back automatically in time.'
};

/** How it went before on the same control, the last first: presses, time and slips of up to three. */
export const beforeWords = (past: readonly RehearsalScore[]): string =>
	`Before: ${past
		.slice(0, 3)
		.map(
			({ pressed, seconds, slips }) =>
				`${pressed} presses in ${seconds < 90 ? `${Math.round(seconds)} s` : duration(Math.round(seconds / 60))}, ${slips === 0 ? 'no slip' : times(slips, 'slip', 'slips')}`
		)
		.join('; ')}.`;

/** The one thing to do better next time. */
export function scoreAdvice({ pressed, needed, slips, thrownOut, seconds }: RehearsalScore): string {
	if (thrownOut > 0)
		return `The menu closed ${times(thrownOut, 'time', 'times')}: look at the next value before you go in, then key without stopping.`;
	if (slips > 3)
		return 'Most slips are a press too many: stop two steps before the value and go on one by one.';
	if (pressed > needed * 1.3) return 'Hold the key where a value is far away, and let go just before it.';
	if (seconds > pressed * 3)
		return 'The keys are right: read the next value while you press this one, and it goes twice as fast.';
	return 'That is how it goes on site.';
}

/** What can be broken, as it is chosen; said once it was found. */
export const FAULT_WORDS: Readonly<Record<Fault, string>> = {
	'wrong-day': 'its weekday is wrong',
	'hour-missed': 'its clock is an hour off',
	'batteries-out': 'it was without power for too long',
	'left-off-program': 'it was left off its program',
	'day-not-copied': 'one day holds the week of another',
	'hands-at-the-keys': 'somebody has changed a value',
	'limit-set': 'maximum setpoint too low',
	'pairing-lost': 'control and receiver have no signal',
	'sensor-in-sun': 'the sun shines on its sensor'
};

/** What the household says of it: of several causes the same, as households do. */
export const FAULT_TOLD: Readonly<Record<Fault, string>> = {
	'wrong-day': 'It comes on at the wrong times.',
	'hour-missed': 'It comes on at the wrong times.',
	'batteries-out': 'It comes on at the wrong times.',
	'left-off-program': 'It does the same day and night.',
	'day-not-copied': 'On one day it is all wrong.',
	'hands-at-the-keys': 'Some days it is not as it should be.',
	'limit-set': 'It never gets properly warm.',
	'pairing-lost': 'It stays cold, whatever we press.',
	'sensor-in-sun': 'At midday it is cold in there.'
};

const STILL: Readonly<Record<ReturnType<typeof stillWrong>[number], string>> = {
	clock: 'its clock',
	mode: 'its mode',
	week: 'its week',
	menu: 'its menus',
	pairing: 'the pairing',
	sensor: 'sensor reads wrong'
};

/** What is still to be put right, once somebody has looked. */
export const stillWrongWords = (wrong: ReturnType<typeof stillWrong>): string =>
	`Still to put right: ${wrong.map((one) => STILL[one]).join(', ')}.`;

/** Whether a control lets its heater run, as it stands beside the room. */
export const roomHeatWords = (heats: boolean, cools = false): string =>
	heats ? 'it heats' : cools ? 'it cools' : 'no heat';

/** What the receiver of a control does and shows. */
export function receiverWords(
	{ operation: { receiver } }: Pick<ControlProfile, 'operation'>,
	stands: 'follows' | 'off' | 'stays' | 'part-time',
	heats: boolean
): string {
	const lamp = (means: RegExp) => receiver?.lamps.find((one) => means.test(one.means))?.shows;
	const shown = stands === 'follows' ? lamp(heats ? /heats/ : /rests/) : lamp(/hears nothing/);
	const does =
		stands === 'follows'
			? heats
				? 'the receiver heats'
				: 'the receiver is off'
			: stands === 'off'
				? 'no signal: the receiver is off'
				: stands === 'stays'
					? 'no signal: the receiver stays as it was'
					: 'no signal: the receiver heats part of the time';
	return shown ? `${does}; its lamp: ${shown}` : does;
}
