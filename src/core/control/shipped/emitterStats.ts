import { choices, switching, degrees, kelvin, cycles, sensor, light, offset } from './menuEntries';
import {
	panel,
	range,
	groupings,
	options,
	clock,
	programKey,
	sixSteps,
	fourSteps,
	onOff,
	strip,
	nightAndDay,
	type ProfileInput
} from './notation';

/** Controls of floors, panels, radiators and line-voltage heaters. */
export const emitterStats: readonly ProfileInput[] = [
	{
		id: 'hour-strip-keypad',
		name: 'Hour-strip keypad',
		summary: 'Radiator keypad that holds comfort or eco for each hour of each day.',
		temperature: range(7, 28),
		clockFormats: ['24'],
		dayNumbering: 'monday-is-1',
		program: { form: 'slots', slotMinutes: 60, settings: ['comfort', 'eco'] },
		groupings: groupings('7-day'),
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
			holiday: { by: 'days', mostDays: 365, todayCounts: false, ends: 'same-time' },
			off: { keepsC: 7 },
			clock: clock('by-hand', 2)
		},
		panel: panel({
			keys: 'clock plus ok minus copy day boost away',
			rest: true,
			week: { way: 'clock', copy: 'copy', writes: 'plus, minus' },
			places: [
				['Set', 'ok 3s', 'setpoints'],
				['Clock', 'clock 3s', 'CLOCK'],
				['Away', 'away', 'away-days']
			],
			modes: { names: 'Auto Off', each: ['plus 5s', 'minus 5s'] },
			hand: { boost: 'boost' },
			resets: { all: 'clock+copy 10s' },
			factory: { day: nightAndDay(6, 22), setpointsC: [19, 15.5] }
		})
	},
	{
		id: 'four-step-floor-stat',
		name: 'Four-step floor stat',
		summary: 'Floor thermostat: comfort and back twice a day, cleared in pairs; optimum start.',
		temperature: range(5, 35),
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
		groupings: groupings('7-day'),
		keying: {
			...programKey,
			enter: 'Hold OK for three seconds, choose the program.',
			timeoutSeconds: 40,
			allDays: true
		},
		operation: options({ plain: 'program' }),
		habits: {
			floorSensor: true,
			override: { ends: 'next-change', how: 'Press Up or Down.' },
			hold: { until: ['ended'], how: 'Hold Up until it says held.' },
			holiday: { by: 'return-date', ends: 'time' },
			off: { keepsC: 5 },
			limits: { bindProgram: true },
			earlyStartMostMinutes: 180,
			clock: clock('by-itself', 2880)
		},
		menu: [
			sensor(1),
			degrees('floor-most', 'Floor most', 'floor-limit', 20, 40, 28),
			switching('early', 'Early', 'early-start', 'on'),
			offset,
			light
		],
		panel: panel({
			keys: 'power up left ok right down',
			turns: ['up', 'down', 'ok'],
			rest: true,
			week: { way: 'ok 3s, ok', day: 'right', clear: 'left', leave: 'power' },
			places: [
				['Warmth', 'ok 3s, right', 'setpoints', { leave: 'power', timeoutSeconds: 40 }],
				['Clock', 'ok 3s, left', 'CLOCK', { timeoutSeconds: 40 }],
				[
					'List',
					'power 10s',
					'plain menu/sensor menu/floor-most menu/early menu/offset menu/light',
					{ onlyWhenOff: true }
				],
				['Away', 'ok 3s, down', 'BACK', { timeoutSeconds: 40 }]
			],
			modes: { names: 'Auto Off', next: 'power 3s' },
			hand: { hold: 'up 3s' },
			resets: { all: 'up+down 10s' },
			lock: { way: 'left+right 5s' },
			factory: { day: onOff('6:30–8:30', '17:30–22:30'), setpointsC: [24, 18] }
		})
	},
	{
		id: 'day-by-day-panel-stat',
		name: 'Day-by-day panel stat',
		summary:
			'On an electric panel: six steps for every day by itself, nothing copied; any change leaves it in manual.',
		temperature: range(5, 28),
		clockFormats: ['24'],
		dayNumbering: 'monday-is-1',
		program: { form: 'events', stepMinutes: 1, perDay: [6], clearable: false },
		groupings: groupings('7-day'),
		keying: {
			...programKey,
			leave: 'The menu closes by itself; any change leaves the stat in manual.',
			timeoutSeconds: 15,
			bracket: { before: 'Manual', after: 'Automatic' }
		},
		habits: {
			manual: { how: 'Any change of the temperature leaves it in manual; Mode brings the program back.' },
			off: { keepsC: 5 },
			limits: { bindProgram: false },
			clock: clock('by-hand', 120, false)
		},
		panel: panel({
			keys: 'day plus set minus mode power',
			turns: ['plus', 'minus', 'set'],
			rest: true,
			week: { way: 'day' },
			places: [['Clock', 'set 3s', 'CLOCK']],
			modes: { names: 'Automatic Manual Off', next: 'mode', figures: { Manual: 'kept' } },
			resets: { program: 'day 10s', all: 'power+set 5s' },
			lock: { way: 'plus+minus 5s' },
			factory: { day: sixSteps }
		})
	},
	{
		id: 'touch-floor-stat',
		name: 'Touch floor stat',
		summary: 'Floor thermostat with a touch glass: on, back, on, back, each with its own setpoint.',
		temperature: range(5, 40, 'C F'),
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
		groupings: groupings('5-2 7-day'),
		keying: { ...programKey, enter: 'Touch the clock, then the calendar.', timeoutSeconds: 45 },
		operation: options({ unit: 'nothing', clock: 'nothing', grouping: 'program', plain: 'nothing' }),
		habits: {
			floorSensor: true,
			override: { ends: 'after-minutes', minutes: 120, how: 'Touch Up or Down: it lasts two hours.' },
			hold: { until: ['ended', 'time'], how: 'Touch Up or Down, then Stay; set a time or leave it open.' },
			holiday: { by: 'until-ended', how: 'Touch Away; touch it again on coming back.' },
			off: { keepsC: 5 },
			limits: { bindProgram: true },
			clock: clock('by-itself', 720)
		},
		menu: [
			sensor(1),
			degrees('floor-most', 'Floor most', 'floor-limit', 20, 40, 27),
			switching('frost', 'Frost protection', 'frost', 'on'),
			light
		],
		panel: panel({
			keys: 'clock up week down gear next back day stay away',
			touch: true,
			turns: ['up', 'down', 'next'],
			rest: true,
			timeoutSeconds: 45,
			week: { way: 'clock, week', leave: 'back' },
			places: [
				[
					'Gear',
					'gear',
					'unit clock grouping plain menu/sensor menu/floor-most menu/frost menu/light',
					{ leave: 'back' }
				],
				['Clock', 'clock, next', 'CLOCK', { leave: 'back' }]
			],
			modes: { names: 'Auto Off', next: 'back 5s' },
			hand: { hold: 'stay', away: 'away' },
			resets: { program: 'week 10s', all: 'gear 10s' },
			lock: { way: 'next 10s' },
			factory: { day: fourSteps(25, 19) }
		})
	},
	{
		id: 'three-mode-floor-stat',
		name: 'Three-mode floor stat',
		summary:
			'Floor thermostat with three ways of leaving the program, day, night and guard, each with a temperature of its own; set up in standby.',
		temperature: range(5, 35),
		clockFormats: ['24'],
		dayNumbering: 'monday-is-1',
		program: { form: 'events', stepMinutes: 15, perDay: [4], clearable: true },
		groupings: groupings('5-2 7-day'),
		keying: { ...programKey, eventOrder: 'temperature-first', timeoutSeconds: 25 },
		operation: options({ grouping: 'program while-off' }),
		habits: {
			floorSensor: true,
			manual: { how: 'Press Way until it shows Day, Night or Guard; each keeps a temperature of its own.' },
			holiday: { by: 'days', mostDays: 99, todayCounts: true, ends: 'midnight' },
			off: { keepsC: null },
			clock: clock('by-hand', 1440)
		},
		menu: [
			sensor(1),
			degrees('floor-most', 'Floor most', 'floor-limit', 20, 40, 28),
			kelvin('band', 'Band', 'differential', [0.3, 2, 0.1], 0.6),
			degrees('day', 'Day', 'manual-figure', 5, 35, 24),
			degrees('night', 'Night', 'manual-figure', 5, 35, 18),
			degrees('guard', 'Guard', 'manual-figure', 5, 10, 7)
		],
		panel: panel({
			keys: 'way plus set minus day clear',
			turns: ['plus', 'minus', 'set'],
			rest: true,
			week: { way: 'set 3s', clear: 'clear', leave: 'set 3s' },
			places: [
				[
					'Set-up',
					'clear 6s',
					'grouping menu/sensor menu/floor-most menu/band menu/day menu/night menu/guard',
					{ leave: 'set 3s', onlyWhenOff: true }
				],
				['Clock', 'day 3s', 'CLOCK'],
				['Away', 'way 3s', 'away-days']
			],
			modes: {
				names: 'Program Day Night Guard Standby',
				next: 'way',
				figures: { Day: 'day', Night: 'night', Guard: 'guard' }
			},
			resets: { all: 'way+clear 10s' },
			lock: { way: 'plus+minus 5s', covers: 'all-but-setpoint' },
			factory: { day: fourSteps(24, 18) }
		})
	},
	{
		id: 'block-copy-floor-stat',
		name: 'Block-copy floor stat',
		summary:
			'Floor thermostat keyed hour and then minute; a day is copied onto all that follow up to a chosen one.',
		temperature: range(5, 40, 'C F'),
		clockFormats: ['24', '12'],
		dayNumbering: 'sunday-is-1',
		program: { form: 'events', stepMinutes: 10, perDay: [4, 6], clearable: false },
		groupings: groupings('7-day'),
		keying: {
			...programKey,
			timeEntry: 'hour-then-minute',
			timeoutSeconds: 60,
			copy: { onto: 'block', presses: 3 }
		},
		operation: options({ unit: 'program', clock: 'nothing', 'per-day': 'program' }),
		habits: {
			floorSensor: true,
			override: { ends: 'next-change', how: 'Press + or −.' },
			hold: { until: ['ended'], how: 'Hold OK 5 s until it says held.' },
			off: { keepsC: 5 },
			limits: { bindProgram: true },
			clock: clock('by-itself', 2880)
		},
		menu: [sensor(0), degrees('floor-most', 'Floor most', 'floor-limit', 20, 40, 30), light],
		panel: panel({
			keys: 'week plus ok minus day block|Copy_to power time',
			rest: true,
			week: { way: 'week', copy: 'block, ok', block: true, leave: 'week' },
			places: [
				['Inside', 'week 8s', 'unit clock per-day menu/sensor menu/floor-most menu/light', { leave: 'week' }],
				['Clock', 'time', 'CLOCK-DAY-LAST']
			],
			modes: { names: 'On Off', next: 'power 2s' },
			hand: { hold: 'ok 5s' },
			resets: { program: 'week+block 5s', all: 'week+block 15s' },
			lock: { way: 'time+ok 5s' },
			factory: { day: sixSteps }
		})
	},
	{
		id: 'frost-setting-keypad',
		name: 'Keypad with frost setting',
		summary:
			'Radiator keypad: comfort or eco for each half hour of a day, and a frost temperature beside its strip that rules while it is off.',
		temperature: range(5, 28),
		clockFormats: ['24'],
		dayNumbering: 'monday-is-1',
		program: { form: 'slots', slotMinutes: 30, settings: ['comfort', 'eco'] },
		groupings: groupings('5-2 7-day'),
		keying: { ...programKey, confirm: 'Next half hour', copy: { onto: 'next-day', presses: 1 } },
		operation: options({ grouping: 'program' }),
		habits: {
			power: 'batteries',
			override: { ends: 'next-change', how: 'Press + or −.' },
			off: { keepsC: 7 },
			clock: clock('by-hand', 5)
		},
		menu: [
			degrees('frost', 'Frost', 'frost-level', 5, 12, 7),
			choices('light', 'Light', 'none', 'Short, Off')
		],
		panel: panel({
			keys: 'strip plus minus ok day on|On_again',
			rest: true,
			week: { way: 'strip', copy: 'day 3s', writes: 'plus, minus', leave: 'strip' },
			places: [
				['Warmth', 'ok 4s', 'setpoints menu/frost'],
				['Days', 'strip 6s', 'grouping menu/light'],
				['Clock', 'day 6s', 'CLOCK']
			],
			modes: { names: 'Run Off', each: ['on 2s', 'on 6s'], figures: { Off: 'frost' } },
			resets: { all: 'strip+on 10s' },
			factory: { day: strip('1'.repeat(12) + '0'.repeat(32) + '1'.repeat(4)), setpointsC: [19.5, 16] }
		})
	},
	{
		id: 'line-voltage-stat',
		name: 'Line-voltage stat',
		summary: 'Four steps in strict order, weekdays and weekend; changing the unit wipes the program.',
		temperature: range(5, 30, 'C F'),
		startsEarly: true,
		canBePlain: true,
		clockFormats: ['24', '12'],
		dayNumbering: 'names',
		program: { form: 'events', stepMinutes: 10, perDay: [4], clearable: false },
		groupings: groupings('5-2'),
		keying: programKey,
		operation: {
			...options({ unit: 'program', clock: 'nothing', plain: 'nothing' }),
			counts:
				'hours of heating of the day and of the week: press Set at rest; a reset puts them back to nought'
		},
		habits: {
			override: { ends: 'next-change', how: 'Press Up or Down.' },
			hold: { until: ['ended'], how: 'Hold Up until it says held.' },
			off: { keepsC: null },
			limits: { bindProgram: true },
			earlyStartMostMinutes: 90,
			clock: { ...clock('by-itself', 4320), factoryDay: 0, factoryMinute: 480 }
		},
		menu: [
			cycles(4),
			switching('early', 'Early', 'early-start', 'on'),
			degrees('most', 'Most', 'high-limit', 10, 30, 30),
			offset
		],
		panel: panel({
			keys: 'program up set down day switch[Heat/Off] pin|Reset!',
			turns: ['up', 'down', 'set'],
			rest: true,
			week: { way: 'program', leave: 'program' },
			places: [
				[
					'Set-up',
					'up+down 3s',
					'unit clock plain menu/cycles menu/early menu/most menu/offset',
					{ take: 'day', leave: 'set' }
				],
				['Clock', 'set 3s', 'CLOCK-DAY-LAST']
			],
			modes: { names: 'Heat Off', slide: 'switch' },
			hand: { hold: 'up 3s' },
			resets: { all: 'pin 1s' },
			factory: { day: fourSteps(20, 16) }
		})
	}
];
