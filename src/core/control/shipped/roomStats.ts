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
			override: { ends: 'next-change', how: 'Press + or − until the temperature wanted shows.' },
			boost: {
				ends: 'after-steps',
				stepMinutes: 30,
				mostSteps: 8,
				how: 'Press Boost once for every half hour.'
			},
			holiday: {
				by: 'days',
				mostDays: 99,
				todayCounts: true,
				ends: 'midnight',
				how: ''
			},
			manual: { how: '' },
			off: { keepsC: 5, how: '' },
			limits: { bindProgram: true },
			clock: {
				summerTime: 'by-itself',
				reserveMinutes: 1440,
				programKept: true,
				how: ''
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
			override: { ends: 'next-change', how: 'Press Warmer or Cooler.' },
			hold: {
				until: ['ended', 'time'],
				how: 'Press Hold; press it again and set a time to have it end by itself.'
			},
			holiday: { by: 'return-date', ends: 'time', how: '' },
			off: { keepsC: null, how: '' },
			limits: { bindProgram: false },
			fan: ['auto', 'on', 'circulate'],
			minimumOffMinutes: 5,
			clock: {
				summerTime: 'by-itself',
				reserveMinutes: null,
				programKept: true,
				how: ''
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
			override: { ends: 'next-change', how: 'Press + or −; the time left shows.' },
			hold: { until: ['ended'], how: 'Press Hold.' },
			holiday: {
				by: 'days',
				mostDays: 99,
				todayCounts: true,
				ends: 'same-time',
				how: ''
			},
			off: { keepsC: 5, how: '' },
			clock: {
				summerTime: 'by-hand',
				reserveMinutes: 1,
				programKept: true,
				how: ''
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
			override: { ends: 'next-change', how: 'Press + or −.' },
			holiday: { by: 'until-ended', how: 'Press Away on leaving, and again on coming back.' },
			off: { keepsC: 5, how: '' },
			clock: {
				summerTime: 'by-hand',
				reserveMinutes: 3,
				programKept: true,
				how: ''
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
			},
			receiver: {
				pairing:
					'Hold the key of the receiver 5 s until its lamp blinks, then hold + and − together 5 s at the stat.',
				ownKey: 'A press of its key turns the heating on or off by hand until the stat next calls.',
				alone: 'part-time',
				aloneAfterMinutes: 120,
				lamps: [
					{ shows: 'green', means: 'it is paired and rests' },
					{ shows: 'red', means: 'it heats' },
					{ shows: 'red, blinking', means: 'it hears nothing from its stat' },
					{ shows: 'green, blinking', means: 'it waits to be paired' }
				]
			}
		},
		habits: {
			power: 'batteries',
			paired: true,
			override: { ends: 'next-change', how: 'Press + or −.' },
			boost: {
				ends: 'after-steps',
				stepMinutes: 60,
				mostSteps: 3,
				how: 'Press Extra heat once for every hour.'
			},
			holiday: {
				by: 'days',
				mostDays: 31,
				todayCounts: true,
				ends: 'midnight',
				how: ''
			},
			manual: { how: '' },
			off: { keepsC: 5, how: '' },
			clock: {
				summerTime: 'by-hand',
				reserveMinutes: 5,
				programKept: false,
				how: ''
			}
		}
	},
	{
		id: 'slider-stat',
		name: 'Slider stat',
		family: 'slider-stat',
		summary:
			'Radio thermostat with a slide for program, warm, back and off; its receiver has a key of its own.',
		temperature: { minC: 5, maxC: 30, stepC: 0.5, units: ['C'] },
		clockFormats: ['24'],
		dayNumbering: 'monday-is-1',
		program: {
			form: 'pairs',
			stepMinutes: 10,
			perDay: [3],
			endsAtMidnight: true,
			settings: ['comfort', 'eco']
		},
		groupings: [everyDayAlike, weekdaysWeekend],
		keying: { ...programKey, timeoutSeconds: 30, confirm: 'OK' },
		operation: {
			options: { grouping: { wipes: 'program' } },
			receiver: {
				pairing: 'Hold the key of the receiver 5 s until its lamp blinks, then hold Day 5 s at the stat.',
				ownKey: 'A press of its key heats until the next change of the program, whatever the stat says.',
				alone: 'off',
				aloneAfterMinutes: 60,
				lamps: [
					{ shows: 'steady', means: 'it heats' },
					{ shows: 'off', means: 'it rests' },
					{ shows: 'slow blinks', means: 'it heats by its own key' },
					{ shows: 'quick blinks', means: 'it waits to be paired' },
					{ shows: 'double blinks', means: 'it hears nothing from its stat' }
				]
			}
		},
		habits: {
			power: 'batteries',
			paired: true,
			override: { ends: 'next-change', how: 'Press + or −.' },
			manual: { how: 'Put Slide to Warm or Back.' },
			off: { keepsC: 5, how: '' },
			clock: { summerTime: 'by-hand', reserveMinutes: 3, programKept: true, how: '' }
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
			off: { keepsC: null, how: 'Press Cooler until it goes no further.' },
			clock: { summerTime: 'no-clock', reserveMinutes: null, programKept: true, how: '' }
		}
	}
];
