/** The terms of the trade that the program uses, each explained once: help lists them, and a term beside a figure opens its own. */
export const TERMS = {
	setpoint: 'The temperature that a control is set to hold.',
	setback: 'A lower setpoint while nobody needs the warmth, at night or away.',
	frost: 'A setpoint that keeps pipes from freezing, and nothing else.',
	lead: 'The time by which the heating begins before warmth is wanted, so that the room is warm by then.',
	'day grouping':
		'Which days a control lets you program together: each day, weekdays and weekend, or all alike.',
	step: 'A time and a setpoint in the program of a control; each holds until the next.',
	'spare step': 'A step that the week does not need. It is cleared, or set so that it changes nothing.',
	'read back': 'To step through the program on the display and compare it with the plan.',
	'floor limit': 'The highest temperature that a floor may reach, for its finish and for bare feet.',
	differential: 'How far a temperature moves between off and on; a wide one makes the room swing.',
	'time constant':
		'How slowly a room cools: after that many hours about a third of the difference to outside is left.',
	'early start':
		'A control that learns how long its room takes, and begins by itself before the time that is keyed.',
	'power reserve': 'How long a clock goes on without mains before it loses its time.',
	'load at once': 'What all zones draw from the supply in the same quarter of an hour.'
} as const;

export type Term = keyof typeof TERMS;
