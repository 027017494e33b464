import { switching, tone, perMode } from './menuEntries';
import {
	panel,
	range,
	groupings,
	options,
	clock,
	programKey,
	modesAt,
	onOff,
	nightAndDay,
	type ProfileInput
} from './notation';

/** Timers, dials, plant clocks and programmers. */
export const programmers: readonly ProfileInput[] = [
	{
		id: 'switch-timer',
		name: 'Switch timer',
		summary: 'Timer without a sensor: two on/off pairs a day, for towel rails and the like.',
		temperature: null,
		clockFormats: ['24'],
		dayNumbering: 'names',
		program: { form: 'pairs', stepMinutes: 15, perDay: [2], endsAtMidnight: true },
		groupings: groupings('5-2 7-day'),
		keying: {
			...programKey,
			enter: 'Press program until pair 1 shows.',
			leave: 'Press program until the clock shows.',
			timeEntry: 'hour-then-minute',
			timeoutSeconds: 20,
			confirm: 'Program'
		},
		operation: options({ grouping: 'program' }),
		habits: {
			override: { ends: 'next-change', how: 'Press Enter: it turns on or off until the next set time.' },
			manual: { how: 'Put Switch to On.' },
			off: { keepsC: null },
			clock: clock('by-hand', 4320)
		},
		panel: panel({
			keys: 'program plus enter minus day clock switch[Auto/On/Off] pin|Reset!',
			turns: ['plus', 'minus', 'program'],
			timeoutSeconds: 20,
			week: { way: 'program', clear: 'plus+minus 2s', leave: 'clock' },
			places: [
				['Days', 'day 5s', 'grouping', { take: 'enter' }],
				['Clock', 'clock 3s', 'CLOCK', { take: 'clock' }]
			],
			modes: { names: 'Auto On Off', slide: 'switch', figures: { On: 'on' } },
			hand: { toggle: 'enter' },
			resets: { all: 'pin 1s' },
			lock: { way: 'day+enter 3s' }
		})
	},
	{
		id: 'step-timer',
		name: 'Step timer',
		summary:
			'Timer without a sensor: up to eight steps a day, each a time and then on or off; its days are chosen while it is off.',
		temperature: null,
		clockFormats: ['24', '12'],
		dayNumbering: 'names',
		program: { form: 'pairs', stepMinutes: 1, perDay: [4], endsAtMidnight: true, keyedAs: 'steps' },
		groupings: groupings('24-hour 5-2 7-day'),
		keying: { ...programKey, timeEntry: 'hour-then-minute', confirm: 'Next' },
		operation: options({ grouping: 'program while-off', clock: 'nothing while-off' }),
		habits: {
			override: { ends: 'next-change', how: 'Press On/off: it stays so until the next step.' },
			boost: {
				ends: 'after-steps',
				stepMinutes: 60,
				mostSteps: 4,
				how: 'Press Hour more once for every hour.'
			},
			manual: {},
			off: { keepsC: null },
			clock: clock('by-hand', 7200)
		},
		panel: panel({
			keys: 'next plus minus day on-off|On/off drop hour|Hour_more slide[Run/On/Off]',
			turns: ['plus', 'minus', 'next'],
			week: { way: 'next 3s', clear: 'drop', leave: 'next 3s' },
			places: [
				['Days', 'plus+minus 5s', 'clock grouping', { onlyWhenOff: true }],
				['Clock', 'day 3s', 'CLOCK']
			],
			modes: { names: 'Run On Off', slide: 'slide', figures: { On: 'on' } },
			hand: { boost: 'hour', toggle: 'on-off' },
			resets: { program: 'next+drop 5s', all: 'next+drop 15s' },
			factory: { day: onOff('6:00–8:00', '17:00–22:00') }
		})
	},
	{
		id: 'plant-clock',
		name: 'Plant clock',
		summary:
			'Clock of a heating plant: up to four bands a day, each in one of four modes; off before the first.',
		temperature: range(5, 30),
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
		groupings: groupings('24-hour 7-day'),
		keying: {
			...programKey,
			enter: 'Choose time program, then the day.',
			leave: 'Leave the time program.',
			timeoutSeconds: null,
			bracket: { before: 'Off', after: 'Auto' },
			copy: { onto: 'any-day', presses: 4 },
			allDays: true
		},
		operation: options({ grouping: 'program' }),
		habits: {
			holiday: { by: 'periods', mostPeriods: 4 },
			specialDays: {
				most: 8,
				how: 'Press Menu, then hold Day 3 s: the date, then a mode or the day to run.'
			},
			manual: { how: 'Put Dial to one mode.' },
			off: { keepsC: 5 },
			limits: { bindProgram: true },
			clock: clock('by-rule', 10080)
		},
		menu: [switching('summer', 'Summer time', 'summer-time', 'on'), tone],
		panel: panel({
			keys: 'menu up ok down day copy knob|Dial[Auto/In_use/Standby/Reduced/Off]',
			turns: ['up', 'down', 'ok'],
			timeoutSeconds: null,
			week: { way: 'menu, ok', clear: 'up+down 3s', copy: 'copy, ok', leave: 'menu' },
			places: [
				['Modes', 'menu, up', 'setpoints', { leave: 'menu' }],
				['Days', 'menu, down', 'grouping menu/summer menu/tone', { leave: 'menu' }],
				['Clock', 'menu, copy', 'CLOCK', { leave: 'menu' }],
				['Closed days', 'menu, day', 'PERIOD', { leave: 'menu' }]
			],
			modes: {
				names: 'Auto In_use Standby Reduced Off',
				slide: 'knob',
				figures: { 'In use': 'setpoint-1', Standby: 'setpoint-2', Reduced: 'setpoint-3' }
			},
			resets: { program: 'menu+down 5s', all: 'menu+down 10s' },
			lock: { way: 'menu+ok 5s' },
			factory: { day: modesAt(['7:00', 0], ['18:00', 2]), setpointsC: [20, 17, 15, 5] }
		})
	},
	{
		id: 'climate-clock',
		name: 'Climate clock',
		summary:
			'Clock of a hall’s air and heat: bands in one of three modes, each with its own warmth, cooling, humidity and fan.',
		temperature: range(5, 28, 'C F'),
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
		groupings: groupings('24-hour 7-day'),
		keying: {
			...programKey,
			timeoutSeconds: 120,
			bracket: { before: 'Stop', after: 'Run' },
			copy: { onto: 'any-day', presses: 4 },
			allDays: true
		},
		operation: options({ unit: 'nothing', grouping: 'program' }),
		habits: {
			holiday: { by: 'periods', mostPeriods: 6 },
			manual: { how: 'Press Mode until it shows In use, Standby or Closed.' },
			off: { keepsC: 5 },
			limits: { bindProgram: true },
			clock: clock('by-itself', 43200)
		},
		menu: [
			...perMode(['use', 'In use'], ['standby', 'Standby'], ['closed', 'Closed']),
			switching('summer', 'Summer time', 'summer-time', 'on')
		],
		panel: panel({
			keys: 'list more take less day copy empty mode',
			turns: ['more', 'less', 'take'],
			timeoutSeconds: 120,
			week: { way: 'list, take', clear: 'empty', copy: 'copy, take', leave: 'list' },
			places: [
				[
					'Modes',
					'list, more',
					'setpoints menu/use-cool menu/use-damp menu/use-fan menu/standby-cool menu/standby-damp menu/standby-fan menu/closed-cool menu/closed-damp menu/closed-fan',
					{ leave: 'list' }
				],
				['Set-up', 'list, less', 'unit grouping menu/summer', { leave: 'list' }],
				['Clock', 'list, copy', 'CLOCK', { leave: 'list' }],
				['Closed days', 'list, day', 'PERIOD', { leave: 'list' }]
			],
			modes: {
				names: 'Run In_use Standby Closed Stop',
				next: 'mode',
				figures: { 'In use': 'setpoint-1', Standby: 'setpoint-2', Closed: 'setpoint-3' }
			},
			resets: { program: 'list+empty 5s', all: 'list+empty 12s' },
			lock: { way: 'list+take 4s' },
			factory: { day: modesAt(['8:00', 0], ['18:00', 2]), setpointsC: [20, 17, 12] }
		})
	},
	{
		id: 'dial-stat',
		name: 'Dial stat',
		summary: 'Dial with comfort, eco or frost for each hour of each day.',
		temperature: range(5, 30),
		clockFormats: ['24'],
		dayNumbering: 'monday-is-1',
		program: { form: 'slots', slotMinutes: 60, settings: ['comfort', 'eco', 'frost'] },
		groupings: groupings('7-day'),
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
			holiday: { by: 'return-date', ends: 'midnight' },
			manual: { how: 'Press Mode until it shows Manual; it stays until you change it back.' },
			off: { keepsC: 5 },
			clock: clock('by-itself', 0)
		},
		panel: panel({
			keys: 'left|Turn_left push right|Turn_right day copy mode',
			turns: ['right', 'left', 'push'],
			week: { way: 'push 2x', copy: 'copy', leave: 'push 3s' },
			places: [
				['Set', 'push, right', 'setpoints'],
				['Clock', 'push, left', 'CLOCK'],
				['Away', 'push, day', 'back-month back-day']
			],
			modes: { names: 'Auto Manual Off', next: 'mode', figures: { Manual: 'kept' } },
			hand: { boost: 'push 2s' },
			resets: { all: 'day+copy 10s' },
			factory: { day: nightAndDay(7, 22), setpointsC: [20, 16, 7] }
		})
	},
	{
		id: 'two-channel-programmer',
		name: 'Two-channel programmer',
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
		groupings: groupings('24-hour 5-2 7-day'),
		keying: {
			...programKey,
			enter: 'Slide the switch to program and choose the channel.',
			timeoutSeconds: 60
		},
		operation: options({ clock: 'nothing', grouping: 'program' }),
		habits: {
			boost: {
				ends: 'after-steps',
				stepMinutes: 60,
				mostSteps: 3,
				how: 'Press Heating once for every hour.'
			},
			advance: { how: 'Press Advance: the next set time comes now.' },
			holiday: { by: 'return-date', ends: 'time' },
			manual: { how: 'Hold Heating 5 s until it shows Constant; hold it 2 s to go back to Auto.' },
			off: { keepsC: null, how: 'Hold Heating 10 s until it shows Off; hold it 2 s to go back to Auto.' },
			clock: clock('by-itself', 1440)
		},
		panel: panel({
			keys: 'heating plus set minus water|Hot_water day advance switch[Run/Program/Clock] pin|Reset! away',
			turns: ['plus', 'minus', 'set'],
			week: { way: 'switch=Program', channels: ['heating', 'water'], clear: 'minus 3s', leave: 'switch=Run' },
			places: [
				['Clock', 'switch=Clock', 'clock CLOCK', { leave: 'switch=Run', timeoutSeconds: null }],
				['Days', 'switch=Program, day 5s', 'grouping', { leave: 'switch=Run', timeoutSeconds: 60 }],
				['Away', 'away', 'BACK']
			],
			modes: {
				names: 'Auto Constant Off',
				each: ['heating 2s', 'heating 5s', 'heating 10s'],
				figures: { Constant: 'on' }
			},
			hand: { boost: 'heating', advance: 'advance' },
			boosts: ['water'],
			resets: { program: 'plus+minus 5s', all: 'pin 5s' },
			factory: { day: onOff('6:30–8:30', '16:00–22:30') }
		})
	}
];
