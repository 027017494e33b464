import { displayTime, setpointWithUnit, type ControlOptions, type ControlProfile } from '../control';
import { DAY_NAMES, firstAlike, mapWeek, splitByDay, type Span, type WeekSteps } from '../week';

/** The held week of one or several like days, for somebody who has never heard of a setpoint. */
export interface DayWords {
	readonly days: readonly number[];
	/** "Monday and Tuesday", "Every day" */
	readonly name: string;
	/** "17.0 °C until 04:50, then 20.5 °C until 12:00, … then 17.0 °C until midnight." */
	readonly sentence: string;
}

function dayNames(days: readonly number[]): string {
	if (days.length === 7) return 'Every day';
	if (days.length === 1) return DAY_NAMES[days[0]!]!;
	const run = days.every((day, i) => i === 0 || day === days[i - 1]! + 1);
	if (run && days.length > 2) return `${DAY_NAMES[days[0]!]} to ${DAY_NAMES[days.at(-1)!]}`;
	const names = days.map((day) => DAY_NAMES[day]!);
	return `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}

function sentenceOf(
	spans: readonly Span<number>[],
	profile: ControlProfile,
	options: ControlOptions
): string {
	const say = (c: number) => setpointWithUnit(profile, options, c);
	const until = (minute: number) => (minute === 1440 ? 'midnight' : displayTime(minute, options.clock));
	if (!profile.temperature) {
		const on = spans.filter((span) => span.value === 1);
		if (on.length === 0) return 'Off all day.';
		if (on.length === 1 && on[0]!.from === 0 && on[0]!.to === 1440) return 'On all day.';
		const said = on.map((span) => `${until(span.from === 0 ? 1440 : span.from)} to ${until(span.to)}`);
		return `On from ${said.join(' and from ')}; off otherwise.`;
	}
	if (spans.length === 1) return `${say(spans[0]!.value)} all day.`;
	return `${spans.map((span) => `${say(span.value)} until ${until(span.to)}`).join(', then ')}.`;
}

/** The week as the control will run it, like days said once, in the order of their first day. */
export function heldInWords(
	held: WeekSteps<number>,
	profile: ControlProfile,
	options: ControlOptions
): DayWords[] {
	const first = firstAlike(held);
	const days = splitByDay(held);
	return [...new Set(first)].map((day) => {
		const like = first.flatMap((of, i) => (of === day ? [i] : []));
		return { days: like, name: dayNames(like), sentence: sentenceOf(days[day]!, profile, options) };
	});
}

/**
 * When a source makes heat, for somebody who has never heard of a setpoint: "Boiler makes heat only Monday to Friday from 05:30 to 09:00;
 * Saturday and Sunday …". Null where it may always.
 */
export function heatHours(
	source: string,
	may: WeekSteps<boolean>,
	options: Pick<ControlOptions, 'clock'>
): string | null {
	const week = mapWeek(may, (on) => (on ? 1 : 0));
	if (week.every((step) => step.value === 1)) return null;
	const until = (minute: number) =>
		minute === 1440 || minute === 0 ? 'midnight' : displayTime(minute, options.clock);
	const first = firstAlike(week);
	const days = splitByDay(week);
	const said = [...new Set(first)].map((day) => {
		const name = dayNames(first.flatMap((of, i) => (of === day ? [i] : []))).replace(/^E/, 'e');
		const on = days[day]!.filter((span) => span.value === 1);
		const spans = on.map((span) => `${until(span.from)} to ${until(span.to)}`);
		if (on.length === 0) return `${name} never`;
		return on[0]!.to - on[0]!.from === 1440 ? `${name} all day` : `${name} from ${spans.join(' and from ')}`;
	});
	return `${source} makes heat only ${said.join('; ')}. At other times, turning this up gives no heat.`;
}
