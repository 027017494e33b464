import { describe, expect, it } from 'vitest';
import { findProfile } from '../control';
import { fitZone } from '../fit';
import { newZone, withWanted } from '../plan';
import { buildWeek } from '../week';
import { misfitCauseWords, misfitSentences } from '.';

/** A week of days warm in such hours, the same every day but where another stands. */
const zoneOf = (
	control: string,
	every: readonly (readonly [number, number])[],
	other: Record<number, readonly (readonly [number, number])[]> = {}
) => {
	const profile = findProfile(control)!;
	const week = buildWeek(
		[0, 1, 2, 3, 4, 5, 6].flatMap((day) =>
			(other[day] ?? every).flatMap(([from, to]) => [
				{ at: day * 1440 + from, value: 'comfort' },
				{ at: day * 1440 + to, value: 'eco' }
			])
		)
	);
	return { profile, zone: withWanted(newZone('Loft', profile), week) };
};
/** Why the worst of it does not fit, in a grouping. */
function cause(grouping: string, ...[control, every, other]: Parameters<typeof zoneOf>): string {
	const { profile, zone } = zoneOf(control, every, other);
	const fit = fitZone(zone, profile).fits.find((one) => one.grouping.id === grouping)!;
	const worst = misfitSentences(fit.misfit, zone.weights, String)[0]!;
	return misfitCauseWords(worst, fit.grouping, zone, profile);
}
const four = [[360, 480], [600, 660], [780, 840], [1080, 1320]] as const; // prettier-ignore

describe('why a stretch does not fit', () => {
	it('is said by what the control has not', () => {
		expect(cause('7-day', 'six-step-room-stat', [[360, 1320]], { 3: four })).toBe(
			'Thu needs 8 steps; this control has 6.'
		);
		expect(cause('5-2', 'six-step-room-stat', [[360, 1320]], { 3: [[600, 1320]] })).toBe(
			'Mon–Fri share one program in 5+2.'
		);
		expect(cause('7-day', 'hour-strip-keypad', [[390, 1320]])).toBe(
			'This control’s times go in steps of 60 min.'
		);
	});
});
