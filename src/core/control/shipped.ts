import type { ControlProfile, Grouping } from './profile';

const everyDayAlike: Grouping = { id: '24-hour', name: '24-hour', groups: [[0, 1, 2, 3, 4, 5, 6]] };
const weekdaysWeekend: Grouping = {
	id: '5-2',
	name: '5+2',
	groups: [
		[0, 1, 2, 3, 4],
		[5, 6]
	]
};
const sevenDays: Grouping = { id: '7-day', name: '7-day', groups: [[0], [1], [2], [3], [4], [5], [6]] };

const sixStepRoomStat: ControlProfile = {
	id: 'six-step-room-stat',
	name: 'Six-step room stat',
	family: 'six-step-room-stat',
	summary: 'Wall thermostat with a setpoint at each of six (or four) steps a day.',
	temperature: { minC: 5, maxC: 30, stepC: 0.5, units: ['C', 'F'] },
	clockFormats: ['24', '12'],
	dayNumbering: 'monday-is-1',
	program: { form: 'events', stepMinutes: 10, perDay: [6, 4], clearable: false },
	groupings: [everyDayAlike, weekdaysWeekend, sevenDays],
	keying: {
		enter: 'Hold the program key until the day blinks.',
		leave: 'Press the program key once more; the running setpoint comes back.',
		eventOrder: 'time-first',
		timeEntry: 'whole',
		timeoutSeconds: 30,
		confirm: 'Confirm'
	}
};

const hourStripKeypad: ControlProfile = {
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
		enter: 'Press the clock key until the strip of hours shows.',
		leave: 'Leave the keys alone; the menu goes by itself.',
		eventOrder: 'time-first',
		timeEntry: 'whole',
		timeoutSeconds: 30,
		confirm: 'Next hour'
	}
};

const switchTimer: ControlProfile = {
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
		enter: 'Press program until pair 1 shows.',
		leave: 'Press program until the clock shows.',
		eventOrder: 'time-first',
		timeEntry: 'hour-then-minute',
		timeoutSeconds: 20,
		confirm: 'Program'
	}
};

/** The profiles that ship with the program, in the order they are offered. Figures are our own. */
export const shippedProfiles: readonly ControlProfile[] = [sixStepRoomStat, hourStripKeypad, switchTimer];

/** The profile with this id among those given and those shipped; undefined if there is none. */
export function findProfile(id: string, own: readonly ControlProfile[] = []): ControlProfile | undefined {
	return own.find((profile) => profile.id === id) ?? shippedProfiles.find((profile) => profile.id === id);
}
