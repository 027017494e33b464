import {
	everyDayAlike,
	weekdaysWeekend,
	weekdaysSatSun,
	sevenDays,
	programKey,
	type ProfileInput
} from './parts';

/** Thermostats on a room's wall. */
export const roomStats: readonly ProfileInput[] = [
	{
		id: 'six-step-room-stat',
		name: 'Six-step room stat',
		family: 'six-step-room-stat',
		summary: 'Wall thermostat with a setpoint at each of six (or four) steps a day.',
		temperature: { minC: 5, maxC: 30, stepC: 0.5, units: ['C', 'F'] },
		canBePlain: true,
		clockFormats: ['24', '12'],
		dayNumbering: 'monday-is-1',
		program: { form: 'events', stepMinutes: 10, perDay: [6, 4], clearable: false },
		groupings: [everyDayAlike, weekdaysWeekend, sevenDays],
		keying: { ...programKey, copy: { onto: 'any-day', presses: 3 } },
		operation: {
			options: {
				unit: { wipes: 'program' },
				clock: { wipes: 'nothing' },
				grouping: { wipes: 'program' },
				'per-day': { wipes: 'program' },
				plain: { wipes: 'nothing' }
			}
		},
		habits: {
			override: { ends: 'next-change', how: 'Turn the knob to the temperature wanted.' },
			boost: {
				ends: 'after-steps',
				stepMinutes: 30,
				mostSteps: 8,
				how: 'Press boost once for every half hour.'
			},
			holiday: {
				by: 'days',
				mostDays: 99,
				todayCounts: true,
				ends: 'midnight',
				how: 'Menu, holiday: key the number of days, then the temperature.'
			},
			manual: { how: 'Press the mode key until it says manual.' },
			off: { keepsC: 5, how: 'Hold the mode key until it shows off.' },
			limits: { bindProgram: true },
			clock: {
				summerTime: 'by-itself',
				reserveMinutes: 1440,
				programKept: true,
				how: 'Menu, clock: year, month, day, hour, minute.'
			}
		}
	},
	{
		id: 'heat-and-cool-stat',
		name: 'Heat-and-cool stat',
		family: 'heat-and-cool-stat',
		summary:
			'Changes over by itself between heating and cooling; a heat and a cool setpoint at every period.',
		temperature: { minC: 7, maxC: 30, stepC: 0.5, units: ['C', 'F'] },
		cooling: { deadBandK: 2, maxC: 35 },
		canBePlain: true,
		clockFormats: ['24', '12'],
		dayNumbering: 'names',
		program: {
			form: 'events',
			stepMinutes: 15,
			perDay: [4],
			clearable: true,
			eventNames: ['up', 'out', 'in', 'night']
		},
		groupings: [weekdaysSatSun, sevenDays],
		keying: { ...programKey, enter: 'Menu, then schedule.', timeoutSeconds: 60 },
		operation: {
			options: {
				unit: { wipes: 'nothing' },
				clock: { wipes: 'nothing' },
				grouping: { wipes: 'program' },
				plain: { wipes: 'nothing' }
			}
		},
		habits: {
			override: { ends: 'next-change', how: 'Press warmer or cooler.' },
			hold: {
				until: ['ended', 'time'],
				how: 'Press hold; press again and set a time to have it end by itself.'
			},
			holiday: { by: 'return-date', ends: 'time', how: 'Menu, away: the date and hour of return.' },
			off: { keepsC: null, how: 'Menu, mode: choose off.' },
			limits: { bindProgram: false },
			fan: ['auto', 'on', 'circulate'],
			minimumOffMinutes: 5,
			clock: {
				summerTime: 'by-itself',
				reserveMinutes: null,
				programKept: true,
				how: 'Menu, date and time.'
			}
		}
	},
	{
		id: 'six-four-four-stat',
		name: 'Six-four-four stat',
		family: 'six-four-four-stat',
		summary: 'Six steps on weekdays, four on Saturday, four on Sunday.',
		temperature: { minC: 5, maxC: 30, stepC: 0.5, units: ['C'] },
		clockFormats: ['24', '12'],
		dayNumbering: 'names',
		program: {
			form: 'events',
			stepMinutes: 10,
			perDay: [6],
			clearable: false,
			weekend: { saturday: 4, sunday: 4 }
		},
		groupings: [weekdaysSatSun],
		keying: programKey,
		operation: {
			options: {
				clock: { wipes: 'nothing' }
			}
		},
		habits: {
			power: 'batteries',
			override: { ends: 'next-change', how: 'Press plus or minus; the time left shows.' },
			hold: { until: ['ended'], how: 'Press hold.' },
			holiday: {
				by: 'days',
				mostDays: 99,
				todayCounts: true,
				ends: 'same-time',
				how: 'Menu, absence: plus for every day away.'
			},
			off: { keepsC: 5, how: 'Press mode until off shows.' },
			clock: {
				summerTime: 'by-hand',
				reserveMinutes: 1,
				programKept: true,
				how: 'Press clock: hour, minute, day.'
			}
		}
	},
	{
		id: 'four-step-copy-stat',
		name: 'Four-step copy stat',
		family: 'four-step-copy-stat',
		summary: 'Four steps a day, each time ending the period before it; a day can be copied forward.',
		temperature: { minC: 5, maxC: 30, stepC: 0.5, units: ['C'] },
		canBePlain: true,
		clockFormats: ['24'],
		dayNumbering: 'monday-is-1',
		program: { form: 'events', stepMinutes: 10, perDay: [4], clearable: false },
		groupings: [sevenDays],
		keying: { ...programKey, eventOrder: 'temperature-first', copy: { onto: 'next-day', presses: 2 } },
		operation: {
			options: {
				plain: { wipes: 'nothing' }
			}
		},
		habits: {
			power: 'batteries',
			override: { ends: 'next-change', how: 'Press up or down.' },
			holiday: { by: 'until-ended', how: 'Press the absence key on leaving, and again on coming back.' },
			off: { keepsC: 5, how: 'Slide the switch to off.' },
			clock: {
				summerTime: 'by-hand',
				reserveMinutes: 3,
				programKept: true,
				how: 'Press clock: hour, minute, day.'
			}
		}
	},
	{
		id: 'radio-stat',
		name: 'Radio stat and receiver',
		family: 'radio-stat',
		summary: 'Wireless thermostat paired with a receiver: six steps a day, days copied.',
		temperature: { minC: 5, maxC: 30, stepC: 0.5, units: ['C'] },
		canBePlain: true,
		clockFormats: ['24'],
		dayNumbering: 'names',
		program: { form: 'events', stepMinutes: 10, perDay: [6], clearable: false },
		groupings: [sevenDays],
		keying: { ...programKey, copy: { onto: 'any-day', presses: 3 } },
		operation: {
			options: {
				plain: { wipes: 'program' }
			}
		},
		habits: {
			power: 'batteries',
			paired: true,
			override: { ends: 'next-change', how: 'Press plus or minus.' },
			boost: {
				ends: 'after-steps',
				stepMinutes: 60,
				mostSteps: 3,
				how: 'Press the extra-heat key once for every hour.'
			},
			holiday: {
				by: 'days',
				mostDays: 31,
				todayCounts: true,
				ends: 'midnight',
				how: 'Menu, absence: plus for every day away.'
			},
			manual: { how: 'Press mode until it says manual.' },
			off: { keepsC: 5, how: 'Press mode until off shows.' },
			clock: {
				summerTime: 'by-hand',
				reserveMinutes: 5,
				programKept: false,
				how: 'Hold clock: hour, minute, day.'
			}
		}
	},
	{
		id: 'plain-stat',
		name: 'Plain stat',
		family: 'plain-stat',
		summary: 'No clock: one setpoint, kept until someone turns it.',
		temperature: { minC: 5, maxC: 30, stepC: 0.5, units: ['C'] },
		clockFormats: ['24'],
		dayNumbering: 'names',
		program: { form: 'plain' },
		groupings: [{ ...everyDayAlike, id: 'always', name: 'always' }],
		keying: {
			...programKey,
			enter: 'Turn it by hand.',
			leave: 'Leave it there.',
			timeoutSeconds: null
		},
		habits: {
			off: { keepsC: null, how: 'Turn it down to its stop.' },
			clock: { summerTime: 'no-clock', reserveMinutes: null, programKept: true, how: '' }
		}
	}
];
