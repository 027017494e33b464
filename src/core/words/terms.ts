/** The terms of the trade that the program uses, each explained once: help lists them, and a term beside a figure opens its own. */
export const TERMS = {
	setpoint: 'The temperature that a control is set to hold.',
	setback: 'A lower setpoint while nobody needs the warmth, at night or away.',
	frost: 'A setpoint that keeps pipes from freezing, and nothing else.',
	preheat: 'How long before the wanted time the heating starts, so that the room is warm by then.',
	'day grouping':
		'Which days a control lets you program together: each day, weekdays and weekend, or all alike.',
	step: 'A time and a setpoint in the program of a control; each holds until the next.',
	'unused step': 'A step that the week does not need. It is cleared, or set so that it changes nothing.',
	'read back': 'To step through the program on the display and compare it with the plan.',
	'floor limit': 'The highest temperature that a floor may reach, for its finish and for bare feet.',
	differential: 'How far a temperature moves between off and on; a wide one lets the room cool and overheat.',
	'time constant':
		'How slowly a room cools: after that many hours about a third of the difference to outside is left.',
	'optimum start': 'The control learns how long its room takes, and starts before the time keyed in.',
	'power reserve': 'How long a clock goes on without mains before it loses its time.',
	'peak load': 'What all zones draw from the supply in the same quarter of an hour.'
} as const;

export type Term = keyof typeof TERMS;
