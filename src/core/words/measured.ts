import type { LogRefusal, MeasuredWarning } from '../thermal';

/** Why a log says nothing of a room, in a sentence. */
export function logRefusalWords(refusal: LogRefusal): string {
	switch (refusal.kind) {
		case 'short':
			return `The log is ${Math.round(refusal.hours)} h long; a night and a morning are needed, ${refusal.leastHours} h at least.`;
		case 'hardly-heated':
			return 'The heating hardly ran in this log: how fast the room warms cannot be told.';
		case 'hardly-cooled':
			return 'The heating ran nearly all the time: how the room cools cannot be told.';
		case 'still':
			return `The room moved by ${refusal.spanK.toFixed(1)} K only: too little to tell anything from.`;
		case 'other-room':
			return `The log does not look like this room: the model stays ${refusal.offK.toFixed(1)} K off it. Is the emitter right, and the column of the heating?`;
		case 'cycles-faster':
			return 'The heating goes on and off from one reading to the next: its column tells one moment of each, and not how long it ran. Fit the log without that column, or log every minute.';
		case 'far-from-survey':
			return 'The log points to a room many times lighter, heavier or leakier than surveyed: check the emitter and its power first.';
		case 'not-foretold':
			return `What the first two thirds of the log say does not foretell the last third: it is ${refusal.offK.toFixed(1)} K off. Was a window open, or another heater on?`;
	}
}

/** What to know before taking what was measured, in a sentence. */
export function measuredWarningWords(warning: MeasuredWarning): string {
	if (warning.kind === 'sun')
		return `Sun warmed the room by up to ${Math.round(warning.mostW / 10) * 10} W; it is taken into account here, and is not part of what is taken.`;
	const { times } = warning;
	return `The loss comes out ${times > 1 ? `${times.toFixed(1)} times` : `a ${(1 / times).toFixed(1)}th of`} the survey’s. Check the emitter’s power and the survey before you take it.`;
}
