import { everyDayAlike, weekdaysWeekend, sevenDays, programKey, type ProfileInput } from './parts';

/** Timers, dials, plant clocks and programmers. */
export const programmers: readonly ProfileInput[] = [
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
		operation: {
			options: {
				grouping: { wipes: 'program' }
			}
		},
		habits: {
			override: {
				ends: 'next-change',
				how: 'Press Enter: it turns on or off until the next set time.'
			},
			manual: { how: 'Put Switch to On.' },
			off: { keepsC: null, how: '' },
			clock: {
				summerTime: 'by-hand',
				reserveMinutes: 4320,
				programKept: true,
				how: ''
			}
		}
	},
	{
		id: 'step-timer',
		name: 'Step timer',
		family: 'step-timer',
		summary:
			'Timer without a sensor: up to eight steps a day, each a time and then on or off; its days are chosen while it is off.',
		temperature: null,
		clockFormats: ['24', '12'],
		dayNumbering: 'names',
		program: { form: 'pairs', stepMinutes: 1, perDay: [4], endsAtMidnight: true, keyedAs: 'steps' },
		groupings: [everyDayAlike, weekdaysWeekend, sevenDays],
		keying: { ...programKey, timeEntry: 'hour-then-minute', confirm: 'Next' },
		operation: {
			options: {
				grouping: { wipes: 'program', onlyWhenOff: true },
				clock: { wipes: 'nothing', onlyWhenOff: true }
			}
		},
		habits: {
			override: { ends: 'next-change', how: 'Press On/off: it stays so until the next step.' },
			boost: {
				ends: 'after-steps',
				stepMinutes: 60,
				mostSteps: 4,
				how: 'Press Hour more once for every hour.'
			},
			manual: { how: '' },
			off: { keepsC: null, how: '' },
			clock: { summerTime: 'by-hand', reserveMinutes: 7200, programKept: true, how: '' }
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
			modes: ['in-use', 'standby', 'reduced', 'off'],
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
		operation: {
			options: {
				grouping: { wipes: 'program' }
			}
		},
		habits: {
			holiday: { by: 'periods', mostPeriods: 4, how: '' },
			specialDays: {
				most: 8,
				how: 'Press Menu, then hold Day 3 s: the date, then a mode or the day to run.'
			},
			manual: { how: 'Put Dial to one mode.' },
			off: { keepsC: 5, how: '' },
			limits: { bindProgram: true },
			clock: {
				summerTime: 'by-rule',
				reserveMinutes: 10080,
				programKept: true,
				how: ''
			}
		}
	},
	{
		id: 'climate-clock',
		name: 'Climate clock',
		family: 'climate-clock',
		summary:
			'Clock of a hall’s air and heat: bands in one of three modes, each with its own warmth, cooling, humidity and fan.',
		temperature: { minC: 5, maxC: 28, stepC: 0.5, units: ['C', 'F'] },
		clockFormats: ['24'],
		dayNumbering: 'names',
		program: {
			form: 'events',
			stepMinutes: 5,
			perDay: [6],
			clearable: true,
			modes: ['in-use', 'standby', 'closed'],
			beforeFirst: 'coolest-mode'
		},
		groupings: [everyDayAlike, sevenDays],
		keying: {
			...programKey,
			bracket: { before: 'Stop', after: 'Run' },
			timeoutSeconds: 120,
			copy: { onto: 'any-day', presses: 4 },
			allDays: true
		},
		operation: { options: { unit: { wipes: 'nothing' }, grouping: { wipes: 'program' } } },
		habits: {
			holiday: { by: 'periods', mostPeriods: 6, how: '' },
			manual: { how: 'Press Mode until it shows In use, Standby or Closed.' },
			off: { keepsC: 5, how: '' },
			limits: { bindProgram: true },
			clock: { summerTime: 'by-itself', reserveMinutes: 43_200, programKept: true, how: '' }
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
				how: 'Hold Push 2 s: comfort until the program changes.'
			},
			holiday: {
				by: 'return-date',
				ends: 'midnight',
				how: ''
			},
			manual: { how: 'Press Mode until it shows Manual; it stays until you change it back.' },
			off: { keepsC: 5, how: '' },
			clock: {
				summerTime: 'by-itself',
				reserveMinutes: 0,
				programKept: true,
				how: ''
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
		operation: {
			options: {
				clock: { wipes: 'nothing' },
				grouping: { wipes: 'program' }
			}
		},
		habits: {
			boost: {
				ends: 'after-steps',
				stepMinutes: 60,
				mostSteps: 3,
				how: 'Press Heating once for every hour.'
			},
			advance: { how: 'Press Advance: the next set time comes now.' },
			holiday: { by: 'return-date', ends: 'time', how: '' },
			manual: { how: 'Hold Heating 5 s until it shows Constant; hold it 2 s to go back to Auto.' },
			off: { keepsC: null, how: 'Hold Heating 10 s until it shows Off; hold it 2 s to go back to Auto.' },
			clock: {
				summerTime: 'by-itself',
				reserveMinutes: 1440,
				programKept: true,
				how: ''
			}
		}
	}
];
