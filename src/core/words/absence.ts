import { dateOfDay, localTime } from '../civil';
import type { AbsenceClash, AbsenceConflict, AbsencePlan } from '../run';
import { DAY_MINUTES, duration } from '../week';

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
			return 'It does not end by itself: somebody must end it on return, and the room is cold until then.';
		case 'beyond':
			return `That would be ${conflict.days} days; this control counts to ${conflict.most}.`;
		case 'ends-early':
			return `It ends ${say(localTime(conflict.atWall))}, ${duration(conflict.minutes)} before the return: the program heats for nobody until then.`;
		case 'begins-late':
			return `It begins ${say(localTime(conflict.atWall))}, ${duration(conflict.minutes)} after leaving: the program runs until then.`;
	}
}

/** Absences that cannot all be kept, in a sentence. */
export function absenceClashWords(clash: AbsenceClash, say: Say): string {
	switch (clash.kind) {
		case 'overlap':
			return `The one from ${say(clash.next.leave)} begins before the one from ${say(clash.one.leave)} is over.`;
		case 'too-many':
			return `${clash.ahead} absences lie ahead; this control keeps ${clash.most}.`;
		case 'one-at-a-time':
			return 'This control keeps one holiday at a time: key the next when the first is over.';
	}
}
