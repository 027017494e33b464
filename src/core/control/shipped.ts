import type { z } from 'zod';
import { profileSchema, type ControlProfile, type Grouping } from './profile';

/** The families of the domain notes (§2) as profiles. Names are descriptive, figures are our own. */

const everyDayAlike: Grouping = { id: '24-hour', name: '24-hour', groups: [[0, 1, 2, 3, 4, 5, 6]] };
const weekdaysWeekend: Grouping = {
	id: '5-2',
	name: '5+2',
	groups: [
		[0, 1, 2, 3, 4],
		[5, 6]
	]
};
const weekdaysSatSun: Grouping = { id: '5-1-1', name: '5+1+1', groups: [[0, 1, 2, 3, 4], [5], [6]] };
const sevenDays: Grouping = { id: '7-day', name: '7-day', groups: [[0], [1], [2], [3], [4], [5], [6]] };

type ProfileInput = z.input<typeof profileSchema>;

const programKey = {
	enter: 'Hold the program key until the day blinks.',
	leave: 'Press the program key once more; the running setpoint comes back.',
	eventOrder: 'time-first',
	timeEntry: 'whole',
	timeoutSeconds: 30,
	confirm: 'Confirm'
} as const;

const profiles: readonly ProfileInput[] = [
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
			manual: { how: 'Press the mode key until the hand shows.' },
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
			override: { ends: 'next-change', how: 'Press plus or minus.' },
			boost: {
				ends: 'after-steps',
				stepMinutes: 30,
				mostSteps: 6,
				how: 'Press boost once for every half hour.'
			},
			holiday: {
				by: 'days',
				mostDays: 365,
				todayCounts: false,
				ends: 'same-time',
				how: 'Press the case key, then plus for every day away.'
			},
			off: { keepsC: 7, how: 'Hold minus until it shows off.' },
			clock: {
				summerTime: 'by-hand',
				reserveMinutes: 2,
				programKept: true,
				how: 'Hold the clock key: day, hour, minute.'
			}
		}
	},
	{
		id: 'switch-timer',
		name: 'Switch timer',
		family: 'switch-timer',
		summary: 'Timer without a sensor: two on/off pairs a day, for towel rails and the like.',
		temperature: null,
		clockFormats: ['24'],
		dayNumbering: 'names',
		program: { form: 'pairs', stepMinutes: 15, perDay: [2], endsAtMidnight: true },
		groupings: [weekdaysWeekend, sevenDays],
		keying: {
			...programKey,
			enter: 'Press program until pair 1 shows.',
			leave: 'Press program until the clock shows.',
			timeEntry: 'hour-then-minute',
			timeoutSeconds: 20,
			confirm: 'Program'
		},
		habits: {
			override: {
				ends: 'next-change',
				how: 'Press the lamp key: it turns on or off until the next set time.'
			},
			manual: { how: 'Slide the switch to on.' },
			off: { keepsC: null, how: 'Slide the switch to off.' },
			clock: {
				summerTime: 'by-hand',
				reserveMinutes: 4320,
				programKept: true,
				how: 'Hold clock and press day, hour or minute.'
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
		habits: {
			override: { ends: 'next-change', how: 'Press up or down.' },
			hold: { until: ['ended'], how: 'Hold OK until the lock shows.' },
			holiday: {
				by: 'return-date',
				ends: 'time',
				how: 'Menu, away: key the date and hour of return.'
			},
			off: { keepsC: 5, how: 'Hold the power key for three seconds.' },
			limits: { bindProgram: true },
			earlyStartMostMinutes: 180,
			clock: {
				summerTime: 'by-itself',
				reserveMinutes: 2880,
				programKept: true,
				how: 'Menu, clock: day, month, year, hour, minute.'
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
			eventNames: ['wake', 'away', 'home', 'sleep']
		},
		groupings: [weekdaysSatSun, sevenDays],
		keying: { ...programKey, enter: 'Menu, then schedule.', timeoutSeconds: 60 },
		habits: {
			override: { ends: 'next-change', how: 'Press warmer or cooler.' },
			hold: {
				until: ['ended', 'time'],
				how: 'Press hold; press again and set a time to have it end by itself.'
			},
			holiday: { by: 'return-date', ends: 'time', how: 'Menu, away: the date and hour of return.' },
			off: { keepsC: null, how: 'Press system until it shows off.' },
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
		id: 'plant-clock',
		name: 'Plant clock',
		family: 'plant-clock',
		summary:
			'Clock of a heating plant: up to four bands a day, each in one of four modes; off before the first.',
		temperature: { minC: 5, maxC: 30, stepC: 0.5, units: ['C'] },
		clockFormats: ['24'],
		dayNumbering: 'monday-is-1',
		program: {
			form: 'events',
			stepMinutes: 1,
			perDay: [4],
			clearable: true,
			modes: ['comfort', 'pre-comfort', 'economy', 'off'],
			beforeFirst: 'coolest-mode'
		},
		groupings: [everyDayAlike, sevenDays],
		keying: {
			...programKey,
			enter: 'Choose time program, then the day.',
			leave: 'Leave the time program.',
			bracket: { before: 'Off', after: 'Auto' },
			timeoutSeconds: null,
			copy: { onto: 'any-day', presses: 4 },
			allDays: true
		},
		habits: {
			holiday: { by: 'periods', mostPeriods: 3, how: 'Menu, holiday 1 to 3: first day, last day, mode.' },
			specialDays: { most: 6, how: 'Menu, special days: the date, then a mode or the day to run.' },
			manual: { how: 'Turn the dial to one mode.' },
			off: { keepsC: 5, how: 'Turn the dial to off.' },
			limits: { bindProgram: true },
			clock: {
				summerTime: 'by-rule',
				reserveMinutes: 10080,
				programKept: true,
				how: 'Menu, clock; summer time is keyed as a rule.'
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
		habits: {
			power: 'batteries',
			override: { ends: 'next-change', how: 'Press plus or minus; the time left shows.' },
			hold: { until: ['ended'], how: 'Press hold.' },
			holiday: {
				by: 'days',
				mostDays: 99,
				todayCounts: true,
				ends: 'same-time',
				how: 'Press hold twice, then plus for every day away.'
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
			leave: 'The menu leaves by itself; any change leaves the stat in manual.',
			bracket: { before: 'Manual', after: 'Automatic' },
			timeoutSeconds: 15
		},
		habits: {
			manual: {
				how: 'Any change of the temperature leaves it in manual; the mode key brings the program back.'
			},
			off: { keepsC: 5, how: 'Press the power key.' },
			limits: { bindProgram: false },
			clock: {
				summerTime: 'by-hand',
				reserveMinutes: 120,
				programKept: false,
				how: 'Hold set: day, hour, minute.'
			}
		}
	},
	{
		id: 'dial-stat',
		name: 'Dial stat',
		family: 'dial-stat',
		summary: 'Dial with comfort, eco or frost for each hour of each day.',
		temperature: { minC: 5, maxC: 30, stepC: 0.5, units: ['C'] },
		clockFormats: ['24'],
		dayNumbering: 'monday-is-1',
		program: { form: 'slots', slotMinutes: 60, settings: ['comfort', 'eco', 'frost'] },
		groupings: [sevenDays],
		keying: {
			...programKey,
			enter: 'Push the dial until the hours show.',
			confirm: 'Turn to the next hour',
			copy: { onto: 'next-day', presses: 2 },
			correctsSingly: false
		},
		habits: {
			power: 'batteries',
			boost: {
				ends: 'next-change',
				stepMinutes: 60,
				mostSteps: 1,
				how: 'Push the dial twice: comfort until the program changes.'
			},
			holiday: {
				by: 'return-date',
				ends: 'midnight',
				how: 'Push and turn to the case, then the date of return.'
			},
			manual: { how: 'Push the dial until the hand shows; it stays until you push again.' },
			off: { keepsC: 5, how: 'Turn the dial below the lowest figure.' },
			clock: {
				summerTime: 'by-itself',
				reserveMinutes: 0,
				programKept: true,
				how: 'Push and turn: year, month, day, hour, minute.'
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
		habits: {
			power: 'batteries',
			override: { ends: 'next-change', how: 'Press up or down.' },
			holiday: { by: 'until-ended', how: 'Press the door key on leaving, and again on coming back.' },
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
		habits: {
			override: { ends: 'after-minutes', minutes: 120, how: 'Touch the arrows: it lasts two hours.' },
			hold: { until: ['ended', 'time'], how: 'Touch the arrows, then the pin; set a time or leave it open.' },
			holiday: { by: 'until-ended', how: 'Touch away; touch it again on coming back.' },
			off: { keepsC: 5, how: 'Hold the glass for five seconds.' },
			limits: { bindProgram: true },
			clock: {
				summerTime: 'by-itself',
				reserveMinutes: 720,
				programKept: true,
				how: 'Touch the clock: date, time.'
			}
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
		habits: {
			override: { ends: 'next-change', how: 'Press up or down.' },
			hold: { until: ['ended'], how: 'Hold the return key for three seconds.' },
			off: { keepsC: null, how: 'Slide the switch to off.' },
			limits: { bindProgram: true },
			earlyStartMostMinutes: 90,
			clock: {
				summerTime: 'by-itself',
				reserveMinutes: 4320,
				programKept: true,
				factoryDay: 0,
				factoryMinute: 480,
				how: 'Press day/hour: hour, minute, day.'
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
		habits: {
			power: 'batteries',
			override: { ends: 'next-change', how: 'Press plus or minus.' },
			boost: {
				ends: 'after-steps',
				stepMinutes: 60,
				mostSteps: 3,
				how: 'Press the flame key once for every hour.'
			},
			holiday: {
				by: 'days',
				mostDays: 31,
				todayCounts: true,
				ends: 'midnight',
				how: 'Hold the flame key, then plus for every day away.'
			},
			manual: { how: 'Press mode until the hand shows.' },
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
		id: 'two-channel-programmer',
		name: 'Two-channel programmer',
		family: 'two-channel-programmer',
		summary: 'Heating and hot water, three on/off pairs a day each.',
		temperature: null,
		clockFormats: ['24', '12'],
		dayNumbering: 'names',
		program: {
			form: 'pairs',
			stepMinutes: 10,
			perDay: [3],
			endsAtMidnight: true,
			channels: ['heating', 'hot water']
		},
		groupings: [everyDayAlike, weekdaysWeekend, sevenDays],
		keying: {
			...programKey,
			enter: 'Slide the switch to program and choose the channel.',
			timeoutSeconds: 60
		},
		habits: {
			boost: {
				ends: 'after-steps',
				stepMinutes: 60,
				mostSteps: 3,
				how: 'Press the channel key once for every hour.'
			},
			advance: { how: 'Press advance: the next set time comes now.' },
			holiday: { by: 'return-date', ends: 'time', how: 'Press away: the date and hour of return.' },
			manual: { how: 'Slide the channel to constant.' },
			off: { keepsC: null, how: 'Slide the channel to off.' },
			clock: {
				summerTime: 'by-itself',
				reserveMinutes: 1440,
				programKept: true,
				how: 'Slide to clock: date, time.'
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

/** The profiles that ship with the program, in the order they are offered. */
export const shippedProfiles: readonly ControlProfile[] = profiles.map((profile) =>
	profileSchema.parse(profile)
);

/** The profile with this id among those given and those shipped; undefined if there is none. */
export function findProfile(id: string, own: readonly ControlProfile[] = []): ControlProfile | undefined {
	return own.find((profile) => profile.id === id) ?? shippedProfiles.find((profile) => profile.id === id);
}
