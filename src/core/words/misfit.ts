import { isShort, weightedOf, type Fit, type Misfit, type MisfitSpan, type Weights } from '../fit';
import { allowedOptions, eventsOn, timeStep, type ControlProfile } from '../control';
import { wantedWeek, type Zone } from '../plan';
import {
	clockTime,
	DAY_MINUTES,
	DAY_NAMES,
	DAY_SHORT,
	dayOf,
	dayRange,
	duration,
	firstAlike,
	minuteOfDay,
	splitByDay
} from '../week';

/** What the side of a misfit is called where it is the cooling that does not hold. */
const coolingWords = (span: MisfitSpan): string => (span.cooling ? 'cooling ' : '');

/** The same misfit on one or several days. */
export interface MisfitSentence {
	readonly days: readonly number[];
	readonly from: number;
	readonly to: number;
	readonly cold: boolean;
	/** "Thu 13:10–14:00, 50 min at 17.0 instead of 20.5" */
	readonly text: string;
	/** Weighted K·min over all its days, for putting the worst first. */
	readonly weighted: number;
}

/**
 * The misfit in words, worst first; the same stretch on several days is said once.
 * `say` puts a setpoint in °C into the control's own figures.
 */
export function misfitSentences(
	misfit: Misfit,
	weights: Weights,
	say: (setpointC: number) => string
): MisfitSentence[] {
	const alike = new Map<string, MisfitSpan[]>();
	for (const span of misfit.spans) {
		const key = [minuteOfDay(span.from), span.to - span.from, span.wantedC, span.heldC, span.cooling].join();
		alike.set(key, [...(alike.get(key) ?? []), span]);
	}
	return [...alike.values()]
		.map((spans) => {
			const first = spans[0]!;
			const days = spans.map((span) => dayOf(span.from));
			const from = minuteOfDay(first.from);
			const to = from + (first.to - first.from);
			const all = to - from === DAY_MINUTES ? 'all day' : `${clockTime(from)}–${clockTime(to)}`;
			return {
				days,
				from,
				to,
				cold: isShort(first),
				text: `${dayRange(days)} ${all} ${coolingWords(first)}will be ${say(first.heldC)}, not ${say(first.wantedC)}`,
				weighted: spans.reduce((sum, span) => sum + weightedOf(span, weights), 0)
			};
		})
		.sort((a, b) => b.weighted - a.weighted);
}

/** Why a stretch does not fit, by what its control has not: days that share a program, too few steps, times that are coarser. Empty where nothing so plain can be said. */
export function misfitCauseWords(
	{ days, from, to }: Pick<MisfitSentence, 'days' | 'from' | 'to'>,
	grouping: Pick<Fit['grouping'], 'name' | 'groups'>,
	zone: Zone,
	profile: ControlProfile
): string {
	const day = days[0]!;
	const wanted = wantedWeek(zone);
	const alike = firstAlike(wanted);
	const shared = grouping.groups.find((group) => group.includes(day)) ?? [day];
	if (shared.some((other) => alike[other] !== alike[day]))
		return `${dayRange([...shared])} share one program in ${grouping.name}.`;
	const shapes = splitByDay(wanted);
	const changes =
		shapes[day]!.length - (shapes[(day + 6) % 7]!.at(-1)!.value === shapes[day]![0]!.value ? 1 : 0);
	const { program } = profile;
	const { perDay } = allowedOptions(profile, zone.options);
	if (program.form === 'events' && changes > eventsOn(program, perDay, day))
		return `${DAY_SHORT[day]!} needs ${changes} steps; this control has ${eventsOn(program, perDay, day)}.`;
	if (program.form === 'pairs' && changes > 2 * perDay)
		return `${DAY_SHORT[day]!} needs ${Math.ceil(changes / 2)} periods; this control has ${perDay}.`;
	const step = timeStep(profile);
	return from % step !== 0 || to % step !== 0 ? `This control’s times go in steps of ${step} min.` : '';
}

/** Up to this a period that begins or ends early or late does so by a little, in minutes: a control's step and what people forgive. */
const LITTLE_MINUTES = 30;

/** What a grouping costs, in a sentence: periods that are not held at all, or by how much they begin and end early or late; and what would be as good. */
export function groupingCostWords(
	{ lost, misfit }: Pick<Fit, 'lost' | 'misfit'>,
	tie: Misfit | null,
	say: (setpointC: number) => string
): string {
	if (misfit.spans.length === 0) return 'Nothing is lost.';
	const first = lost[0];
	const longest = Math.max(...misfit.spans.map((span) => span.to - span.from));
	const more = lost.length === 1 ? '' : ` and ${lost.length - 1} more`;
	const what = first
		? `Not held at all: ${DAY_NAMES[first.day]} ${clockTime(first.from)}–${clockTime(first.to)} at ${say(first.wantedC)}${more}.`
		: longest <= LITTLE_MINUTES
			? 'Every period is there; some begin or end a little early or late.'
			: `Every period is there; some begin or end early or late, by up to ${duration(longest)}.`;
	return tie
		? `${what} By your weights as good: ${duration(tie.coldMinutes)} too cold and ${duration(tie.warmMinutes)} too warm, instead of ${duration(misfit.coldMinutes)} and ${duration(misfit.warmMinutes)}; weigh cold more to have it.`
		: what;
}
