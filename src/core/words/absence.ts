import { dateOfDay, localTime } from '../civil';
import { localWords, type ControlOptions, type ControlProfile } from '../control';
import { awayKeys } from '../keying';
import { isOperable } from '../machine';
import type { Absence } from '../plan';
import { planAbsence, type AbsenceClash, type AbsenceConflict, type AbsencePlan } from '../run';
import { DAY_MINUTES, duration } from '../week';
import { keysSaid, strokesSaid } from './gestures';

/** Puts a local time `YYYY-MM-DDTHH:MM`, or a date, into a control's format. */
type Say = (local: string) => string;

/** What to key for an absence: "9 days", "return Sun 18 Jan". */
export function absenceKey(plan: AbsencePlan, say: Say): string {
	const date = (wall: number) => say(dateOfDay(Math.floor(wall / DAY_MINUTES)));
	switch (plan.by) {
		case 'days':
			return `${plan.days} ${plan.days === 1 ? 'day' : 'days'}`;
		case 'periods':
			return `${date(plan.fromWall)} to ${date(plan.toWall! - 1)}`;
		case 'return-date':
			return `return ${plan.takesTime ? say(localTime(plan.backWall)) : date(plan.backWall)}`;
		case 'until-ended':
			return 'start it';
		case 'by-hand':
			return 'by hand';
	}
}

const BY_HAND = {
	'no-setting': 'This control has no holiday setting: turn it down by hand on leaving, and back on return.',
	'one-day': 'Leaving and return fall on one day: this control counts whole days. Turn it down by hand.',
	'no-whole-day': 'No whole day lies between leaving and return: this control counts whole days.',
	'too-short':
		'Even one day would last past the return: this control counts whole days. Turn it down by hand.'
};

/** What does not go as an absence wants it, in a sentence. */
export function absenceConflictWords(conflict: AbsenceConflict, say: Say): string {
	switch (conflict.kind) {
		case 'by-hand':
			return BY_HAND[conflict.why];
		case 'until-ended':
			return 'End the holiday on return; rooms stay cold until then.';
		case 'beyond':
			return `That would be ${conflict.days} days; this control counts to ${conflict.most}.`;
		case 'ends-early':
			return `Ends ${say(localTime(conflict.atWall))}: heats an empty house for ${duration(conflict.minutes)}.`;
		case 'begins-late':
			return `Begins ${say(localTime(conflict.atWall))}: the program runs for ${duration(conflict.minutes)} after leaving.`;
	}
}

/** Absences that cannot all be kept, in a sentence. */
export function absenceClashWords(clash: AbsenceClash, say: Say): string {
	switch (clash.kind) {
		case 'overlap':
			return `The one from ${say(clash.next.leave)} begins before the one from ${say(clash.one.leave)} is over.`;
		case 'too-many':
			return `${clash.ahead} holidays lie ahead; this control keeps ${clash.most}.`;
		case 'one-at-a-time':
			return 'This control keeps one holiday at a time: key the next when the first is over.';
	}
}

/** A planned absence for the household: when, what to key on which day, and its keys one by one. */
export function absenceForHousehold(
	absence: Absence,
	profile: ControlProfile,
	options: ControlOptions
): string[] {
	const say = (local: string) => localWords(local, options);
	const plan = planAbsence(profile, absence);
	const keys = isOperable(profile) ? awayKeys(profile, options, { ...absence, ...plan }) : null;
	const from = `Planned, ${say(absence.leave)} to ${say(absence.back)}`;
	if (absence.keyed) return [`${from}: that is set already`];
	if (absence.keyedBy === 'installer') return [`${from}: we set it for you`];
	const when = plan.when === 'on leaving' ? 'when you leave' : 'on any day before';
	const does =
		plan.by === 'by-hand'
			? 'turn it down'
			: plan.by === 'until-ended'
				? 'start it'
				: `set ${absenceKey(plan, say)}`;
	const panel = isOperable(profile) ? profile.panel : null;
	// at a household it runs its program: no mode is looked for
	const out = keys?.leave.filter((stroke) => stroke.do !== 'until') ?? [];
	return [
		`${from}: ${does} ${when}${plan.toWall === null ? ', and end it when you are back' : ''}`,
		...(keys && panel
			? [
					...keys.values.map((value) =>
						keysSaid(panel, value.keys, value.keys.way, `${value.shows}${value.unit && ` ${value.unit}`}`)
					),
					...(out.length > 0 ? [strokesSaid(panel, out)] : [])
				]
			: [])
	];
}
