import { DAY_MINUTES } from '../../week';
import { clockAnswer } from '../facts';
import type { Making } from '../making';
import { rotate, SLOT_MINUTES } from '../worlds';

/** By how much a clock is wrong as a rule, in minutes. */
const USUAL_ERRORS = [-12, -3, -2, -1.5, -1, -0.5, 0.5, 1, 1.5, 2, 3, 12].map((hours) => hours * 60);

/** Its clock is ahead or behind, by hours or by days. */
export function clockCauses(make: Making): void {
	const { called, facts, add, asked, gated, usual, wanted } = make;
	const { profile, program, missedChangeMinutes } = called;
	const { habits } = profile;
	if (habits.clock.summerTime === 'no-clock' || program.form === 'plain') return;
	// what was read off it, or is late by, is a figure too
	const said = facts
		.map((fact) =>
			fact.kind === 'clock' ? (fact.aheadMinutes ?? 0) : fact.kind === 'shift' ? -fact.lateMinutes : 0
		)
		.filter((minutes) => Math.abs(minutes) >= 5 && USUAL_ERRORS.every((one) => Math.abs(one - minutes) > 2));
	for (const minutes of [...USUAL_ERRORS, ...new Set(said)]) {
		const isChange = Math.abs(minutes) === 60 && habits.clock.summerTime === 'by-hand';
		const isMissed = minutes === missedChangeMinutes && missedChangeMinutes !== 0;
		add(
			'clock-off',
			isMissed ? 40 : isChange ? 3 : Math.abs(minutes) === 720 ? 1 : minutes % 60 === 0 ? 0.9 : 0.4,
			gated(rotate(wanted, Math.round(minutes / SLOT_MINUTES))),
			{
				...usual,
				'clock-shows': clockAnswer(minutes),
				since: isChange ? 'clocks-changed' : 'power',
				'set-to': 'lower',
				'which-days': 'every'
			},
			{ figure: minutes, levels: rotate(asked, Math.round(minutes / SLOT_MINUTES)) }
		);
	}
	for (let day = 1; day <= 6; day++)
		add(
			'weekday-off',
			0.5,
			gated(rotate(wanted, (day * DAY_MINUTES) / SLOT_MINUTES)),
			{
				...usual,
				'clock-shows': 'another-day',
				since: 'power',
				'set-to': 'lower',
				'which-days': 'some'
			},
			{ figure: day, levels: rotate(asked, (day * DAY_MINUTES) / SLOT_MINUTES) }
		);
}
