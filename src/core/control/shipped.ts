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
		keying: { ...programKey, copy: { onto: 'any-day', presses: 3 } }
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
		keying: { ...programKey, enter: 'Menu, then schedule.', timeoutSeconds: 60 }
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
		keying: programKey
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
		keying: { ...programKey, eventOrder: 'temperature-first', copy: { onto: 'next-day', presses: 2 } }
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
		keying: { ...programKey, enter: 'Touch the clock, then the calendar.', timeoutSeconds: 45 }
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
		keying: programKey
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
		keying: { ...programKey, copy: { onto: 'any-day', presses: 3 } }
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
