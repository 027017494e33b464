import { choices, switching, degrees, kelvin, cycles, light, tone, offset, restMinutes } from './menuEntries';
import {
	panel,
	range,
	groupings,
	options,
	clock,
	programKey,
	sixSteps,
	steps,
	onOff,
	type ProfileInput
} from './notation';

/** Thermostats on a room’s wall. Names, key words, ways, figures and factory weeks are our own. */
export const roomStats: readonly ProfileInput[] = [
	{
		id: 'six-step-room-stat',
		name: 'Six-step room stat',
		summary: 'Wall thermostat with a setpoint at each of six (or four) steps a day.',
		temperature: range(5, 30, 'C F'),
		canBePlain: true,
		clockFormats: ['24', '12'],
		dayNumbering: 'monday-is-1',
		program: { form: 'events', stepMinutes: 10, perDay: [6, 4], clearable: false },
		groupings: groupings('24-hour 5-2 7-day'),
		keying: { ...programKey, copy: { onto: 'any-day', presses: 3 } },
		operation: options({
			unit: 'program',
			clock: 'nothing',
			grouping: 'program',
			'per-day': 'program',
			plain: 'nothing'
		}),
		habits: {
			override: { ends: 'next-change', how: 'Press + or − until the temperature wanted shows.' },
			boost: {
				ends: 'after-steps',
				stepMinutes: 30,
				mostSteps: 8,
				how: 'Press Boost once for every half hour.'
			},
			holiday: { by: 'days', mostDays: 99, todayCounts: true, ends: 'midnight' },
			manual: {},
			off: { keepsC: 5 },
			limits: { bindProgram: true },
			clock: clock('by-itself', 1440)
		},
		menu: [
			choices('regulation', 'Regulate', 'regulation', 'Band: on-off, Pulse: cycling'),
			kelvin('band', 'Band', 'differential', [0.2, 3, 0.1], 0.5),
			cycles(3, 6),
			switching('early', 'Early', 'early-start', 'off'),
			degrees('most', 'Most', 'high-limit', 10, 30, 30),
			degrees('least', 'Least', 'low-limit', 5, 20, 5),
			offset,
			switching('frost', 'Frost protection', 'frost', 'on'),
			tone
		],
		panel: panel({
			keys: 'menu plus ok minus day copy mode boost',
			rest: true,
			week: { way: 'menu, ok', copy: 'copy, ok', leave: 'menu' },
			places: [
				[
					'Set-up',
					'menu 5s',
					'unit clock grouping per-day plain menu/regulation menu/band menu/cycles menu/early menu/most menu/least menu/offset menu/frost menu/tone',
					{ leave: 'menu' }
				],
				['Clock', 'menu, plus, ok', 'CLOCK'],
				['Away', 'menu, day', 'away-days away-setpoint']
			],
			modes: { names: 'Auto Manual Off', next: 'mode', figures: { Manual: 'kept' } },
			hand: { boost: 'boost' },
			resets: { all: 'menu+minus 10s' },
			lock: { way: 'plus+minus 3s', covers: 'all-but-setpoint' },
			factory: { day: sixSteps }
		})
	},
	{
		id: 'heat-and-cool-stat',
		name: 'Heat-and-cool stat',
		summary:
			'Changes over by itself between heating and cooling; a heat and a cool setpoint at every period.',
		temperature: range(7, 30, 'C F'),
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
		groupings: groupings('5-1-1 7-day'),
		keying: { ...programKey, enter: 'Menu, then schedule.', timeoutSeconds: 60 },
		operation: options({ unit: 'nothing', clock: 'nothing', grouping: 'program', plain: 'nothing' }),
		habits: {
			override: { ends: 'next-change', how: 'Press Warmer or Cooler.' },
			hold: {
				until: ['ended', 'time'],
				how: 'Press Hold; press it again and set a time to have it end by itself.'
			},
			holiday: { by: 'return-date', ends: 'time' },
			off: { keepsC: null },
			limits: { bindProgram: false },
			fan: ['auto', 'on', 'circulate'],
			minimumOffMinutes: 5,
			clock: clock('by-itself', null)
		},
		menu: [
			choices('works', 'Works', 'changeover', 'Both: automatic, Heat: heat-only, Cool: cool-only'),
			choices('fan', 'Fan', 'fan', 'Auto: auto, On: on, Stir: circulate'),
			restMinutes,
			offset,
			light
		],
		panel: panel({
			keys: 'menu up|Warmer next down|Cooler day skip|No_step mode keep|Hold',
			turns: ['up', 'down', 'next'],
			rest: true,
			timeoutSeconds: 60,
			week: { way: 'menu, next', clear: 'skip', leave: 'menu' },
			places: [
				[
					'Set-up',
					'menu 5s',
					'unit clock grouping plain menu/works menu/fan menu/rest menu/offset menu/light',
					{ leave: 'menu' }
				],
				['Kept', 'menu, up', 'setpoint cool-setpoint', { leave: 'menu' }],
				['Clock', 'menu, down', 'CLOCK'],
				['Away', 'menu, day', 'BACK']
			],
			modes: { names: 'Auto Heat Cool Off', next: 'mode', figures: { Heat: 'heat-only', Cool: 'cool-only' } },
			hand: { hold: 'keep' },
			resets: { program: 'menu+next 5s', all: 'menu+next 10s' },
			lock: { way: 'up+down 5s', code: 3 },
			factory: { day: steps(['6:00', 20, 26], ['8:00', 17, 29], ['17:00', 20, 26], ['22:00', 16.5, 28]) }
		})
	},
	{
		id: 'six-four-four-stat',
		name: 'Six-four-four stat',
		summary: 'Six steps on weekdays, four on Saturday, four on Sunday.',
		temperature: range(5, 30),
		clockFormats: ['24', '12'],
		dayNumbering: 'names',
		program: {
			form: 'events',
			stepMinutes: 10,
			perDay: [6],
			clearable: false,
			weekend: { saturday: 4, sunday: 4 }
		},
		groupings: groupings('5-1-1'),
		keying: programKey,
		operation: options({ clock: 'nothing' }),
		habits: {
			power: 'batteries',
			override: { ends: 'next-change', how: 'Press + or −; the time left shows.' },
			hold: { until: ['ended'], how: 'Press Hold.' },
			holiday: { by: 'days', mostDays: 99, todayCounts: true, ends: 'same-time' },
			off: { keepsC: 5 },
			clock: clock('by-hand', 1)
		},
		panel: panel({
			keys: 'program plus set minus day mode clock keep|Hold pin|Reset! away',
			turns: ['plus', 'minus', 'set'],
			rest: true,
			week: { way: 'program', leave: 'program' },
			places: [
				['Clock', 'clock', 'clock CLOCK-DAY-LAST', { leave: 'clock' }],
				['Away', 'away', 'away-days']
			],
			modes: { names: 'Auto Manual Off', next: 'mode', figures: { Manual: 'kept' } },
			hand: { hold: 'keep' },
			resets: { all: 'pin 1s' },
			factory: { day: sixSteps }
		})
	},
	{
		id: 'four-step-copy-stat',
		name: 'Four-step copy stat',
		summary: 'Four steps a day, each time ending the period before it; a day can be copied forward.',
		temperature: range(5, 30),
		canBePlain: true,
		clockFormats: ['24'],
		dayNumbering: 'monday-is-1',
		program: { form: 'events', stepMinutes: 10, perDay: [4], clearable: false },
		groupings: groupings('7-day'),
		keying: { ...programKey, eventOrder: 'temperature-first', copy: { onto: 'next-day', presses: 2 } },
		operation: options({ plain: 'nothing' }),
		habits: {
			power: 'batteries',
			override: { ends: 'next-change', how: 'Press + or −.' },
			holiday: { by: 'until-ended', how: 'Press Away on leaving, and again on coming back.' },
			off: { keepsC: 5 },
			clock: clock('by-hand', 3)
		},
		panel: panel({
			keys: 'day plus copy minus ok clock switch[Run/Off] away',
			rest: true,
			week: { way: 'day', copy: 'copy', leave: 'ok 3s' },
			places: [
				['Program in use', 'day 3s', 'plain', { onlyWhenOff: true }],
				['Clock', 'clock', 'CLOCK-DAY-LAST']
			],
			modes: { names: 'Run Off', slide: 'switch' },
			hand: { away: 'away' },
			resets: { all: 'day+copy 5s' }
		})
	},
	{
		id: 'radio-stat',
		name: 'Radio stat and receiver',
		summary: 'Wireless thermostat paired with a receiver: six steps a day, days copied.',
		temperature: range(5, 30),
		canBePlain: true,
		clockFormats: ['24'],
		dayNumbering: 'names',
		program: { form: 'events', stepMinutes: 10, perDay: [6], clearable: false },
		groupings: groupings('7-day'),
		keying: { ...programKey, copy: { onto: 'any-day', presses: 3 } },
		operation: {
			...options({ plain: 'program' }),
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
			holiday: { by: 'days', mostDays: 31, todayCounts: true, ends: 'midnight' },
			manual: {},
			off: { keepsC: 5 },
			clock: clock('by-hand', 5, false)
		},
		menu: [kelvin('band', 'Band', 'differential', [0.3, 1.5, 0.1], 0.5), offset],
		panel: panel({
			keys: 'program plus ok minus day copy mode clock extra|Extra_heat away',
			rest: true,
			week: { way: 'program', copy: 'copy, ok', leave: 'program' },
			places: [
				['P', 'mode 8s', 'plain menu/band menu/offset'],
				['Clock', 'clock 3s', 'CLOCK-DAY-LAST'],
				['Away', 'away', 'away-days away-setpoint']
			],
			modes: { names: 'Auto Manual Off', next: 'mode', figures: { Manual: 'kept' } },
			hand: { boost: 'extra' },
			resets: { all: 'clock+mode 10s' },
			factory: { day: sixSteps }
		})
	},
	{
		id: 'slider-stat',
		name: 'Slider stat',
		summary:
			'Radio thermostat with a slide for program, warm, back and off; its receiver has a key of its own.',
		temperature: range(5, 30),
		clockFormats: ['24'],
		dayNumbering: 'monday-is-1',
		program: {
			form: 'pairs',
			stepMinutes: 10,
			perDay: [3],
			endsAtMidnight: true,
			settings: ['comfort', 'eco']
		},
		groupings: groupings('24-hour 5-2'),
		keying: { ...programKey, confirm: 'OK' },
		operation: {
			...options({ grouping: 'program' }),
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
			off: { keepsC: 5 },
			clock: clock('by-hand', 3)
		},
		menu: [choices('plan', 'Plan', 'stored-program', '1: stored, 2: stored, Own: own')],
		panel: panel({
			keys: 'day plus ok minus empty slide[Auto/Warm/Back/Off]',
			rest: true,
			week: { way: 'day', clear: 'empty' },
			places: [
				['Warmth', 'ok 3s', 'setpoints'],
				['Days', 'empty 5s', 'grouping menu/plan'],
				['Clock', 'plus+minus 3s', 'CLOCK']
			],
			modes: {
				names: 'Auto Warm Back Off',
				slide: 'slide',
				figures: { Warm: 'setpoint-1', Back: 'setpoint-2' }
			},
			resets: { all: 'ok+empty 8s' },
			factory: { day: onOff('6:20–8:20', '16:50–22:20'), setpointsC: [20.5, 16.5] }
		})
	},
	{
		id: 'plain-stat',
		name: 'Plain stat',
		summary: 'No clock: one setpoint, kept until someone turns it.',
		temperature: range(5, 30),
		clockFormats: ['24'],
		dayNumbering: 'names',
		program: { form: 'plain' },
		groupings: groupings('24-hour').map((one) => ({ ...one, id: 'always', name: 'always' })),
		keying: { ...programKey, enter: 'Turn it by hand.', leave: 'Leave it there.', timeoutSeconds: null },
		habits: {
			off: { keepsC: null, how: 'Press Cooler until it goes no further.' },
			clock: clock('no-clock', null)
		},
		panel: panel({
			keys: 'warmer cooler',
			turns: ['warmer', 'cooler', 'ok'],
			rest: true
		})
	}
];
