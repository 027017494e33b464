import { wallMinute, weekdayOfDay } from '../civil';
import type { ControlProfile } from '../control';
import type { Absence } from '../plan';
import { DAY_MINUTES, splitByDay, type WeekSteps } from '../week';

/** What does not go as an absence wants it. */
export type AbsenceConflict =
	| { readonly kind: 'by-hand'; readonly why: 'no-setting' | 'one-day' | 'no-whole-day' | 'too-short' }
	| { readonly kind: 'until-ended' }
	/** It would take so many days; the control counts to fewer. */
	| { readonly kind: 'beyond'; readonly days: number; readonly most: number }
	/** The program runs so many minutes before the return, from a wall minute on. */
	| { readonly kind: 'ends-early'; readonly atWall: number; readonly minutes: number }
	/** The program runs so many minutes after leaving, until a wall minute. */
	| { readonly kind: 'begins-late'; readonly atWall: number; readonly minutes: number };

/** What is keyed for an absence on one control, and when it is in force by the control's own clock. */
export interface AbsencePlan {
	/** How the control takes it: days, a date of return, dated days, a key on leaving and coming back, or by hand. */
	readonly by: 'days' | 'return-date' | 'periods' | 'until-ended' | 'by-hand';
	/** When to key it: on leaving, or any time before. */
	readonly when: 'on leaving' | 'any day before';
	/** In force from and until, in wall minutes; `toWall` null where only a person ends it. */
	readonly fromWall: number;
	readonly toWall: number | null;
	/** The return in wall minutes, and whether the control takes its time too or only its date. */
	readonly backWall: number;
	readonly takesTime: boolean;
	/** Minutes in force after the return (cold rooms), and minutes of the absence left out (heated for nobody). */
	readonly coldMinutes: number;
	readonly wasteMinutes: number;
	readonly conflicts: readonly AbsenceConflict[];
	/** Days to key, where days are counted. */
	readonly days: number | null;
}

const dayOfWall = (wall: number) => Math.floor(wall / DAY_MINUTES);

/** The wall minute at which a holiday of n days ends: n × 24 h after it was set, or at a midnight, today counted or not. */
export function endOfDays(
	habit: { readonly todayCounts: boolean; readonly ends: 'midnight' | 'same-time' },
	leaveWall: number,
	days: number
): number {
	if (habit.ends === 'same-time') return leaveWall + days * DAY_MINUTES;
	return (dayOfWall(leaveWall) + days + (habit.todayCounts ? 0 : 1)) * DAY_MINUTES;
}

/** When an absence is in force on a control, in wall minutes, without any words. */
export type AbsenceSpan = Pick<AbsencePlan, 'by' | 'when' | 'fromWall' | 'toWall' | 'days'> & {
	/** Why it is left to a hand; null where it is not. */
	readonly byHand: 'no-setting' | 'one-day' | 'no-whole-day' | 'too-short' | null;
	/** The days that it would take where the control counts to fewer. */
	readonly beyond: number | null;
};

/** When an absence is in force on a control of this profile: over before the return, and not a day sooner than need be. */
export function absenceSpan(profile: ControlProfile, absence: Pick<Absence, 'leave' | 'back'>): AbsenceSpan {
	const leave = wallMinute(absence.leave);
	const back = wallMinute(absence.back);
	const habit = profile.habits.holiday;
	const span = (
		by: AbsencePlan['by'],
		when: AbsencePlan['when'],
		fromWall: number,
		toWall: number | null,
		days: number | null = null,
		beyond: number | null = null
	): AbsenceSpan => ({ by, when, fromWall, toWall, days, byHand: null, beyond });
	const byHand = (why: AbsenceSpan['byHand']): AbsenceSpan => ({
		...span('by-hand', 'on leaving', leave, null),
		byHand: why
	});
	if (!habit || profile.habits.clock.summerTime === 'no-clock') return byHand('no-setting');
	switch (habit.by) {
		case 'until-ended':
			return span('until-ended', 'on leaving', leave, null);
		case 'return-date': {
			const end = habit.ends === 'time' ? back : dayOfWall(back) * DAY_MINUTES;
			return end <= leave ? byHand('one-day') : span('return-date', 'on leaving', leave, end);
		}
		case 'periods': {
			const first = dayOfWall(leave) + (leave % DAY_MINUTES === 0 ? 0 : 1);
			const last = dayOfWall(back) - 1;
			return last < first
				? byHand('no-whole-day')
				: span('periods', 'any day before', first * DAY_MINUTES, (last + 1) * DAY_MINUTES);
		}
		case 'days': {
			let days = Math.max(0, Math.floor((back - leave) / DAY_MINUTES) - 1);
			while (endOfDays(habit, leave, days + 1) <= back) days++;
			if (days === 0) return byHand('too-short');
			const kept = Math.min(days, habit.mostDays);
			return span(
				'days',
				'on leaving',
				leave,
				endOfDays(habit, leave, kept),
				kept,
				kept < days ? days : null
			);
		}
	}
}

/**
 * What a control holds during an absence: the figure that its menu of absences takes; or, where no field takes one, the lowest that its week
 * holds. What is turned down by hand, and a control whose keys nobody described, are taken at their word.
 */
export function absenceKeeps({
	habits,
	panel
}: Pick<ControlProfile, 'habits' | 'panel'>): 'figure' | 'lowest' {
	if (!habits.holiday || !panel) return 'figure';
	return panel.places.some(({ fields }) => fields.includes('away-setpoint')) ? 'figure' : 'lowest';
}

/** The lowest that a week holds, in °C (0/1 on a switch). */
export const lowestOf = (held: WeekSteps<number>): number => Math.min(...held.map(({ value }) => value));

/** The setpoint that an absence leaves a control at, in °C (0/1 on a switch); `held` is its week. See {@link absenceKeeps}. */
export const absenceHolds = (
	profile: Pick<ControlProfile, 'habits' | 'panel'>,
	setpointC: number,
	held: WeekSteps<number>
): number => (absenceKeeps(profile) === 'figure' ? setpointC : lowestOf(held));

/** Minutes between two wall minutes in which a week asks for more than a setpoint (°C). */
function minutesAbove(week: WeekSteps<number>, c: number, fromWall: number, toWall: number): number {
	const days = splitByDay(week);
	let minutes = 0;
	for (let day = dayOfWall(fromWall); day * DAY_MINUTES < toWall; day++)
		for (const span of days[weekdayOfDay(day)]!) {
			const from = Math.max(fromWall, day * DAY_MINUTES + span.from);
			const to = Math.min(toWall, day * DAY_MINUTES + span.to);
			if (to > from && span.value > c + 1e-9) minutes += to - from;
		}
	return minutes;
}

/**
 * What to key for an absence on a control of this profile, so that the holiday is over before the return
 * and not a day sooner than need be. `held` is the week that runs where no holiday is in force: where it asks for no
 * more than the absence does, nothing is wasted; without it any time counts.
 */
export function planAbsence(
	profile: ControlProfile,
	absence: Pick<Absence, 'leave' | 'back'> & Partial<Pick<Absence, 'setpointC'>>,
	held?: WeekSteps<number>
): AbsencePlan {
	const { by, when, fromWall, toWall, days, byHand, beyond } = absenceSpan(profile, absence);
	const leave = wallMinute(absence.leave);
	const back = wallMinute(absence.back);
	const end = toWall ?? back;
	const heated = (from: number, to: number) =>
		held ? minutesAbove(held, absence.setpointC ?? 0, from, to) : Math.max(0, to - from);
	const conflicts: AbsenceConflict[] = [];
	if (byHand) conflicts.push({ kind: 'by-hand', why: byHand });
	if (by === 'until-ended') conflicts.push({ kind: 'until-ended' });
	if (beyond !== null) conflicts.push({ kind: 'beyond', days: beyond, most: days! });
	if (end < back && heated(end, back) > 0)
		conflicts.push({ kind: 'ends-early', atWall: end, minutes: back - end });
	if (fromWall > leave && heated(leave, fromWall) > 0)
		conflicts.push({ kind: 'begins-late', atWall: fromWall, minutes: fromWall - leave });
	const habit = profile.habits.holiday;
	return {
		by,
		when,
		fromWall,
		toWall,
		backWall: back,
		takesTime: habit?.by === 'return-date' && habit.ends === 'time',
		coldMinutes: Math.max(0, end - back),
		wasteMinutes: heated(leave, fromWall) + heated(end, back),
		conflicts,
		days
	};
}

/** Absences that a control cannot all keep. */
export type AbsenceClash =
	/** The next begins before the one is over. */
	| { readonly kind: 'overlap'; readonly one: Absence; readonly next: Absence }
	| { readonly kind: 'too-many'; readonly ahead: number; readonly most: number }
	| { readonly kind: 'one-at-a-time' };

/** Absences that cannot all be kept: pairs that overlap, and more dated ones ahead than the control holds. */
export function absenceClashes(
	profile: ControlProfile,
	absences: readonly Absence[],
	nowLocal: string
): AbsenceClash[] {
	const sorted = [...absences].sort((a, b) => (a.leave < b.leave ? -1 : 1));
	const clashes: AbsenceClash[] = sorted.flatMap((one, i) => {
		const next = sorted[i + 1];
		return next && next.leave < one.back ? [{ kind: 'overlap', one, next }] : [];
	});
	const ahead = sorted.filter((one) => one.back > nowLocal).length;
	const habit = profile.habits.holiday;
	if (habit?.by === 'periods' && ahead > habit.mostPeriods)
		clashes.push({ kind: 'too-many', ahead, most: habit.mostPeriods });
	if (habit && habit.by !== 'periods' && ahead > 1) clashes.push({ kind: 'one-at-a-time' });
	return clashes;
}
