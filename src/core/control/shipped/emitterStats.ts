import { weekdaysWeekend, sevenDays, programKey, type ProfileInput } from './parts';

/** Controls of floors, panels, radiators and line-voltage heaters. */
export const emitterStats: readonly ProfileInput[] = [
	{
		id: 'hour-strip-keypad',
		name: 'Hour-strip keypad',
		family: 'hour-strip-keypad',
		summary: 'Radiator keypad that holds comfort or eco for each hour of each day.',
		temperature: { minC: 7, maxC: 28, stepC: 0.5, units: ['C'] },
		clockFormats: ['24'],
		dayNumbering: 'monday-is-1',
		program: { form: 'slots', slotMinutes: 60, settings: ['comfort', 'eco'] },
		groupings: [sevenDays],
		keying: {
			...programKey,
			enter: 'Press the clock key until the strip of hours shows.',
			leave: 'Leave the keys alone; the menu goes by itself.',
			confirm: 'Next hour',
			copy: { onto: 'next-day', presses: 2 },
			correctsSingly: false
		},
		habits: {
			power: 'batteries',
			override: { ends: 'next-change', how: 'Press + or −.' },
			boost: {
				ends: 'after-steps',
				stepMinutes: 30,
				mostSteps: 6,
				how: 'Press Boost once for every half hour.'
			},
			holiday: {
				by: 'days',
				mostDays: 365,
				todayCounts: false,
				ends: 'same-time',
				how: ''
			},
			off: { keepsC: 7, how: '' },
			clock: {
				summerTime: 'by-hand',
				reserveMinutes: 2,
				programKept: true,
				how: ''
			}
		}
	},
	{
		id: 'four-step-floor-stat',
		name: 'Four-step floor stat',
		family: 'four-step-floor-stat',
		summary: 'Floor thermostat: comfort and back twice a day, cleared in pairs; starts early by itself.',
		temperature: { minC: 5, maxC: 35, stepC: 0.5, units: ['C'] },
		startsEarly: true,
		canBePlain: true,
		clockFormats: ['24'],
		dayNumbering: 'monday-is-1',
		program: {
			form: 'pairs',
			stepMinutes: 1,
			perDay: [2],
			endsAtMidnight: false,
			settings: ['comfort', 'eco']
		},
		groupings: [sevenDays],
		keying: {
			...programKey,
			enter: 'Hold OK for three seconds, choose the program.',
			timeoutSeconds: 40,
			allDays: true
		},
		operation: {
			options: {
				plain: { wipes: 'program' }
			}
		},
		habits: {
			floorSensor: true,
			override: { ends: 'next-change', how: 'Press Up or Down.' },
			hold: { until: ['ended'], how: 'Hold Up until it says held.' },
			holiday: {
				by: 'return-date',
				ends: 'time',
				how: ''
			},
			off: { keepsC: 5, how: '' },
			limits: { bindProgram: true },
			earlyStartMostMinutes: 180,
			clock: {
				summerTime: 'by-itself',
				reserveMinutes: 2880,
				programKept: true,
				how: ''
			}
		}
	},
	{
		id: 'day-by-day-panel-stat',
		name: 'Day-by-day panel stat',
		family: 'day-by-day-panel-stat',
		summary:
			'On an electric panel: six steps for every day by itself, nothing copied; any change leaves it in manual.',
		temperature: { minC: 5, maxC: 28, stepC: 0.5, units: ['C'] },
		clockFormats: ['24'],
		dayNumbering: 'monday-is-1',
		program: { form: 'events', stepMinutes: 1, perDay: [6], clearable: false },
		groupings: [sevenDays],
		keying: {
			...programKey,
			leave: 'The menu closes by itself; any change leaves the stat in manual.',
			bracket: { before: 'Manual', after: 'Automatic' },
			timeoutSeconds: 15
		},
		habits: {
			manual: {
				how: 'Any change of the temperature leaves it in manual; Mode brings the program back.'
			},
			off: { keepsC: 5, how: '' },
			limits: { bindProgram: false },
			clock: {
				summerTime: 'by-hand',
				reserveMinutes: 120,
				programKept: false,
				how: ''
			}
		}
	},
	{
		id: 'touch-floor-stat',
		name: 'Touch floor stat',
		family: 'touch-floor-stat',
		summary: 'Floor thermostat with a touch glass: on, back, on, back, each with its own setpoint.',
		temperature: { minC: 5, maxC: 40, stepC: 0.5, units: ['C', 'F'] },
		canBePlain: true,
		clockFormats: ['24', '12'],
		dayNumbering: 'names',
		program: {
			form: 'events',
			stepMinutes: 1,
			perDay: [4],
			clearable: false,
			eventNames: ['on', 'back', 'on again', 'back again']
		},
		groupings: [weekdaysWeekend, sevenDays],
		keying: { ...programKey, enter: 'Touch the clock, then the calendar.', timeoutSeconds: 45 },
		operation: {
			options: {
				unit: { wipes: 'nothing' },
				clock: { wipes: 'nothing' },
				grouping: { wipes: 'program' },
				plain: { wipes: 'nothing' }
			}
		},
		habits: {
			floorSensor: true,
			override: { ends: 'after-minutes', minutes: 120, how: 'Touch Up or Down: it lasts two hours.' },
			hold: { until: ['ended', 'time'], how: 'Touch Up or Down, then Stay; set a time or leave it open.' },
			holiday: { by: 'until-ended', how: 'Touch Away; touch it again on coming back.' },
			off: { keepsC: 5, how: '' },
			limits: { bindProgram: true },
			clock: {
				summerTime: 'by-itself',
				reserveMinutes: 720,
				programKept: true,
				how: ''
			}
		}
	},
	{
		id: 'three-mode-floor-stat',
		name: 'Three-mode floor stat',
		family: 'three-mode-floor-stat',
		summary:
			'Floor thermostat with three ways of leaving the program, day, night and guard, each with a temperature of its own; set up in standby.',
		temperature: { minC: 5, maxC: 35, stepC: 0.5, units: ['C'] },
		clockFormats: ['24'],
		dayNumbering: 'monday-is-1',
		program: { form: 'events', stepMinutes: 15, perDay: [4], clearable: true },
		groupings: [weekdaysWeekend, sevenDays],
		keying: { ...programKey, eventOrder: 'temperature-first', timeoutSeconds: 25 },
		operation: { options: { grouping: { wipes: 'program', onlyWhenOff: true } } },
		habits: {
			floorSensor: true,
			manual: { how: 'Press Way until it shows Day, Night or Guard; each keeps a temperature of its own.' },
			holiday: {
				by: 'days',
				mostDays: 99,
				todayCounts: true,
				ends: 'midnight',
				how: ''
			},
			off: { keepsC: null, how: '' },
			clock: { summerTime: 'by-hand', reserveMinutes: 1440, programKept: true, how: '' }
		}
	},
	{
		id: 'block-copy-floor-stat',
		name: 'Block-copy floor stat',
		family: 'block-copy-floor-stat',
		summary:
			'Floor thermostat keyed hour and then minute; a day is copied onto all that follow up to a chosen one.',
		temperature: { minC: 5, maxC: 40, stepC: 0.5, units: ['C', 'F'] },
		clockFormats: ['24', '12'],
		dayNumbering: 'sunday-is-1',
		program: { form: 'events', stepMinutes: 10, perDay: [4, 6], clearable: false },
		groupings: [sevenDays],
		keying: {
			...programKey,
			timeEntry: 'hour-then-minute',
			copy: { onto: 'block', presses: 3 },
			timeoutSeconds: 60
		},
		operation: {
			options: {
				unit: { wipes: 'program' },
				clock: { wipes: 'nothing' },
				'per-day': { wipes: 'program' }
			}
		},
		habits: {
			floorSensor: true,
			override: { ends: 'next-change', how: 'Press + or −.' },
			hold: { until: ['ended'], how: 'Hold OK 5 s until it says held.' },
			off: { keepsC: 5, how: '' },
			limits: { bindProgram: true },
			clock: { summerTime: 'by-itself', reserveMinutes: 2880, programKept: true, how: '' }
		}
	},
	{
		id: 'frost-setting-keypad',
		name: 'Keypad with frost setting',
		family: 'frost-setting-keypad',
		summary:
			'Radiator keypad: comfort or eco for each half hour of a day, and a frost temperature beside its strip that rules while it is off.',
		temperature: { minC: 5, maxC: 28, stepC: 0.5, units: ['C'] },
		clockFormats: ['24'],
		dayNumbering: 'monday-is-1',
		program: { form: 'slots', slotMinutes: 30, settings: ['comfort', 'eco'] },
		groupings: [weekdaysWeekend, sevenDays],
		keying: { ...programKey, confirm: 'Next half hour', copy: { onto: 'next-day', presses: 1 } },
		operation: { options: { grouping: { wipes: 'program' } } },
		habits: {
			power: 'batteries',
			override: { ends: 'next-change', how: 'Press + or −.' },
			off: { keepsC: 7, how: '' },
			clock: { summerTime: 'by-hand', reserveMinutes: 5, programKept: true, how: '' }
		}
	},
	{
		id: 'line-voltage-stat',
		name: 'Line-voltage stat',
		family: 'line-voltage-stat',
		summary: 'Four steps in strict order, weekdays and weekend; changing the unit wipes the program.',
		temperature: { minC: 5, maxC: 30, stepC: 0.5, units: ['C', 'F'] },
		startsEarly: true,
		canBePlain: true,
		clockFormats: ['24', '12'],
		dayNumbering: 'names',
		program: { form: 'events', stepMinutes: 10, perDay: [4], clearable: false },
		groupings: [weekdaysWeekend],
		keying: programKey,
		operation: {
			counts:
				'hours of heating of the day and of the week: press Set at rest; a reset puts them back to nought',
			options: {
				unit: { wipes: 'program' },
				clock: { wipes: 'nothing' },
				plain: { wipes: 'nothing' }
			}
		},
		habits: {
			override: { ends: 'next-change', how: 'Press Up or Down.' },
			hold: { until: ['ended'], how: 'Hold Up until it says held.' },
			off: { keepsC: null, how: '' },
			limits: { bindProgram: true },
			earlyStartMostMinutes: 90,
			clock: {
				summerTime: 'by-itself',
				reserveMinutes: 4320,
				programKept: true,
				factoryDay: 0,
				factoryMinute: 480,
				how: ''
			}
		}
	}
];
