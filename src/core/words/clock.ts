import { dateOfDay, ruleWords, summerTimeFrom, wallAt } from '../civil';
import { displayTime, localWords, type ControlOptions, type ControlProfile } from '../control';
import { afterPowerLoss, nextTransitions } from '../run';
import { DAY_MINUTES, DAY_NAMES, duration, spanWords } from '../week';

/** How a place changes its clocks, as a control's clock wants it keyed, in sentences. */
export function summerTimeSentences(
	timeZone: string,
	options: Pick<ControlOptions, 'clock'>,
	fromYear: number
): string[] {
	const rule = summerTimeFrom(timeZone, fromYear);
	if (rule.kind === 'none') return [`No clock change at this place (${timeZone}).`];
	if (rule.kind === 'irregular')
		return [
			`The coming years follow no one rule at this place (${timeZone}): switch a control's own clock change off and go by the dates.`
		];
	const clock = (minute: number) => displayTime(minute, options.clock);
	const sides = `Forward on the ${ruleWords(rule.forward, clock)}, back on the ${ruleWords(rule.back, clock)}`;
	return rule.shiftMinutes === 60
		? [`${sides}, by 60 minutes.`]
		: [
				`${sides}, by ${rule.shiftMinutes} minutes.`,
				'That is not an hour: many controls cannot do it by themselves.'
			];
}

/** What a clock change means for a control at a place. */
export interface ClockChange {
	readonly atMs: number;
	/** `Sun 29 Mar` */
	readonly date: string;
	readonly isoDate: string;
	/** Minutes by which the right time jumps; back is negative. */
	readonly shiftMinutes: number;
	/** What the clock shows before and after. */
	readonly from: string;
	readonly to: string;
	/** What happens on this control, in a sentence. */
	readonly sentence: string;
	/** Whether somebody must come and set it. */
	readonly byHand: boolean;
}

/** The next changes of clocks as they touch a control: who changes it, and what goes wrong until then. */
export function clockChanges(
	profile: ControlProfile,
	options: ControlOptions,
	timeZone: string,
	atMs: number,
	count = 2
): ClockChange[] {
	const { summerTime } = profile.habits.clock;
	return nextTransitions(timeZone, atMs, count).map((change) => {
		const before = Math.floor(change.atMs / 60_000 + change.beforeMinutes);
		const after = wallAt(timeZone, change.atMs);
		const minute = (wall: number) => wall - Math.floor(wall / DAY_MINUTES) * DAY_MINUTES;
		const shiftMinutes = change.afterMinutes - change.beforeMinutes;
		const isoDate = dateOfDay(Math.floor(before / DAY_MINUTES));
		const by = duration(Math.abs(shiftMinutes));
		const byHand = summerTime === 'by-hand';
		const sentence =
			summerTime === 'no-clock'
				? 'Nothing to do: it has no clock.'
				: summerTime === 'by-itself'
					? 'Changes automatically. Check it once.'
					: summerTime === 'by-rule'
						? 'Changes by the rule keyed in.'
						: shiftMinutes > 0
							? `Put forward ${by}, or mornings are cold.`
							: `Put back ${by}, or evenings are cold.`;
		return {
			atMs: change.atMs,
			date: localWords(isoDate, options),
			isoDate,
			shiftMinutes,
			from: displayTime(minute(before), options.clock),
			to: displayTime(minute(after), options.clock),
			sentence,
			byHand
		};
	});
}

/** What is lost when a control is without power for so many minutes (0 and more), what it shows and runs afterwards, in a sentence. */
export function powerLossSentence(profile: ControlProfile, options: ControlOptions, minutes: number): string {
	const { factoryDay, factoryMinute, summerTime } = profile.habits.clock;
	const { clockLost, programLost } = afterPowerLoss(profile, minutes);
	if (summerTime === 'no-clock') return 'Nothing is lost: it has neither clock nor program.';
	if (!clockLost) return 'Nothing is lost: the clock goes on and the program stays.';
	const shows = `${DAY_NAMES[factoryDay]} ${displayTime(factoryMinute, options.clock)}`;
	return programLost
		? `Time and program lost. It shows ${shows} and runs the factory program. Key in again.`
		: `Time lost, program kept. It shows ${shows}. Set the clock.`;
}

/** How long a control may be without power before its clock is lost, in a sentence. */
export function reserveSentence(profile: ControlProfile): string {
	const { reserveMinutes, summerTime, programKept } = profile.habits.clock;
	if (summerTime === 'no-clock') return 'No clock: a power cut changes nothing.';
	const battery = profile.habits.power === 'batteries';
	if (reserveMinutes === null)
		return battery
			? 'Nothing is lost while batteries are changed.'
			: 'Its clock goes on through any power cut.';
	const lost = programKept ? 'the clock is lost' : 'the clock and the program are lost';
	const span = reserveMinutes < 1 ? 'a few seconds' : spanWords(reserveMinutes);
	return battery
		? `A battery change may take ${span}: after that ${lost}.`
		: `After ${span} without power ${lost}.`;
}
