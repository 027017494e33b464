import {
	press,
	hold,
	put,
	plus,
	minus,
	ok,
	day,
	mode,
	pin,
	byPlusMinus,
	clockFields,
	autoManualOff,
	sixSteps,
	type PanelInput
} from './panelParts';

/** The panels of room stats, by their name in the file: key words, ways and factory weeks of our own. */
export const roomStatPanels: Readonly<Record<string, PanelInput>> = {
	'six-step-room-stat': {
		keys: [
			{ id: 'menu', print: 'Menu' },
			plus,
			ok,
			minus,
			day,
			{ id: 'copy', print: 'Copy' },
			mode,
			{ id: 'boost', print: 'Boost' }
		],
		rest: byPlusMinus,
		program: {
			way: [press('menu'), press('ok')],
			...byPlusMinus,
			take: press('ok'),
			day: press('day'),
			copy: { start: press('copy'), put: press('ok') },
			leave: [press('menu')]
		},
		places: [
			{
				name: 'Set-up',
				way: [hold('menu', 5)],
				fields: [
					'unit',
					'clock',
					'grouping',
					'per-day',
					'plain',
					'menu/regulation',
					'menu/band',
					'menu/cycles',
					'menu/early',
					'menu/most',
					'menu/least',
					'menu/offset',
					'menu/frost',
					'menu/tone'
				],
				...byPlusMinus,
				take: press('ok'),
				leave: [press('menu')]
			},
			{
				name: 'Clock',
				way: [press('menu'), press('plus'), press('ok')],
				fields: [...clockFields],
				...byPlusMinus,
				take: press('ok')
			},
			{
				name: 'Away',
				way: [press('menu'), press('day')],
				fields: ['away-days', 'away-setpoint'],
				...byPlusMinus,
				take: press('ok')
			}
		],
		modes: autoManualOff,
		hand: { boost: [press('boost')] },
		resets: { all: [hold(['menu', 'minus'], 10)] },
		lock: {
			covers: 'all-but-setpoint',
			way: [hold(['plus', 'minus'], 3)],
			ends: [hold(['plus', 'minus'], 3)]
		},
		factory: { day: sixSteps }
	},
	'heat-and-cool-stat': {
		keys: [
			{ id: 'menu', print: 'Menu' },
			{ id: 'up', print: 'Warmer' },
			{ id: 'next', print: 'Next' },
			{ id: 'down', print: 'Cooler' },
			day,
			{ id: 'skip', print: 'No step' },
			mode,
			{ id: 'keep', print: 'Hold' }
		],
		rest: { up: 'up', down: 'down' },
		program: {
			way: [press('menu'), press('next')],
			up: 'up',
			down: 'down',
			take: press('next'),
			day: press('day'),
			clear: press('skip'),
			leave: [press('menu')]
		},
		places: [
			{
				name: 'Set-up',
				way: [hold('menu', 5)],
				fields: [
					'unit',
					'clock',
					'grouping',
					'plain',
					'menu/works',
					'menu/fan',
					'menu/rest',
					'menu/offset',
					'menu/light'
				],
				up: 'up',
				down: 'down',
				take: press('next'),
				leave: [press('menu')],
				timeoutSeconds: 60
			},
			{
				name: 'Kept',
				way: [press('menu'), press('up')],
				fields: ['setpoint', 'cool-setpoint'],
				up: 'up',
				down: 'down',
				take: press('next'),
				leave: [press('menu')],
				timeoutSeconds: 60
			},
			{
				name: 'Clock',
				way: [press('menu'), press('down')],
				fields: [...clockFields],
				up: 'up',
				down: 'down',
				take: press('next'),
				timeoutSeconds: 60
			},
			{
				name: 'Away',
				way: [press('menu'), press('day')],
				fields: ['back-month', 'back-day', 'back-hour', 'back-minute'],
				up: 'up',
				down: 'down',
				take: press('next'),
				timeoutSeconds: 60
			}
		],
		modes: {
			names: ['Auto', 'Heat', 'Cool', 'Off'],
			off: 'Off',
			next: press('mode'),
			figures: { Heat: 'heat-only', Cool: 'cool-only' }
		},
		hand: { hold: [press('keep')] },
		resets: { program: [hold(['menu', 'next'], 5)], all: [hold(['menu', 'next'], 10)] },
		lock: {
			way: [hold(['up', 'down'], 5)],
			ends: [hold(['up', 'down'], 5)],
			code: { up: 'up', down: 'down', take: press('next'), digits: 3, factory: '000' }
		},
		factory: {
			day: {
				form: 'events',
				events: [
					{ at: 360, setpointC: 20, coolC: 26 },
					{ at: 480, setpointC: 17, coolC: 29 },
					{ at: 1020, setpointC: 20, coolC: 26 },
					{ at: 1320, setpointC: 16.5, coolC: 28 }
				]
			}
		}
	},
	'six-four-four-stat': {
		keys: [
			{ id: 'program', print: 'Program' },
			plus,
			{ id: 'set', print: 'Set' },
			minus,
			day,
			mode,
			{ id: 'clock', print: 'Clock' },
			{ id: 'keep', print: 'Hold' },
			pin,
			{ id: 'away', print: 'Away' }
		],
		rest: byPlusMinus,
		program: {
			way: [press('program')],
			...byPlusMinus,
			take: press('set'),
			day: press('day'),
			leave: [press('program')]
		},
		places: [
			{
				name: 'Clock',
				way: [press('clock')],
				fields: ['clock', 'clock-hour', 'clock-minute', 'clock-day'],
				...byPlusMinus,
				take: press('set'),
				leave: [press('clock')]
			},
			{ name: 'Away', way: [press('away')], fields: ['away-days'], ...byPlusMinus, take: press('set') }
		],
		modes: autoManualOff,
		hand: { hold: [press('keep')] },
		resets: { all: [hold('pin', 1)] },
		factory: { day: sixSteps }
	},
	'four-step-copy-stat': {
		keys: [
			day,
			plus,
			{ id: 'copy', print: 'Copy' },
			minus,
			ok,
			{ id: 'clock', print: 'Clock' },
			{ id: 'switch', print: 'Switch', kind: 'slide', positions: ['Run', 'Off'] },
			{ id: 'away', print: 'Away' }
		],
		rest: byPlusMinus,
		program: {
			way: [press('day')],
			...byPlusMinus,
			take: press('ok'),
			day: press('day'),
			copy: { start: press('copy') },
			leave: [hold('ok', 3)]
		},
		places: [
			{
				name: 'Program in use',
				way: [hold('day', 3)],
				fields: ['plain'],
				...byPlusMinus,
				take: press('ok'),
				onlyWhenOff: true
			},
			{
				name: 'Clock',
				way: [press('clock')],
				fields: ['clock-hour', 'clock-minute', 'clock-day'],
				...byPlusMinus,
				take: press('ok')
			}
		],
		modes: { names: ['Run', 'Off'], off: 'Off', each: [[put('switch', 'Run')], [put('switch', 'Off')]] },
		hand: { away: [press('away')] },
		resets: { all: [hold(['day', 'copy'], 5)] }
	},
	'radio-stat': {
		keys: [
			{ id: 'program', print: 'Program' },
			plus,
			ok,
			minus,
			day,
			{ id: 'copy', print: 'Copy' },
			mode,
			{ id: 'clock', print: 'Clock' },
			{ id: 'extra', print: 'Extra heat' },
			{ id: 'away', print: 'Away' }
		],
		rest: byPlusMinus,
		program: {
			way: [press('program')],
			...byPlusMinus,
			take: press('ok'),
			day: press('day'),
			copy: { start: press('copy'), put: press('ok') },
			leave: [press('program')]
		},
		places: [
			{
				name: 'P',
				way: [hold('mode', 8)],
				fields: ['plain', 'menu/band', 'menu/offset'],
				...byPlusMinus,
				take: press('ok')
			},
			{
				name: 'Clock',
				way: [hold('clock', 3)],
				fields: ['clock-hour', 'clock-minute', 'clock-day'],
				...byPlusMinus,
				take: press('ok')
			},
			{
				name: 'Away',
				way: [press('away')],
				fields: ['away-days', 'away-setpoint'],
				...byPlusMinus,
				take: press('ok')
			}
		],
		modes: autoManualOff,
		hand: { boost: [press('extra')] },
		resets: { all: [hold(['clock', 'mode'], 10)] },
		factory: { day: sixSteps }
	},
	'slider-stat': {
		keys: [
			day,
			plus,
			ok,
			minus,
			{ id: 'empty', print: 'Empty' },
			{ id: 'slide', print: 'Slide', kind: 'slide', positions: ['Auto', 'Warm', 'Back', 'Off'] }
		],
		rest: byPlusMinus,
		program: {
			way: [press('day')],
			...byPlusMinus,
			take: press('ok'),
			day: press('day'),
			clear: press('empty')
		},
		places: [
			{
				name: 'Warmth',
				way: [hold('ok', 3)],
				fields: ['setpoints'],
				...byPlusMinus,
				take: press('ok')
			},
			{
				name: 'Days',
				way: [hold('empty', 5)],
				fields: ['grouping', 'menu/plan'],
				...byPlusMinus,
				take: press('ok')
			},
			{
				name: 'Clock',
				way: [hold(['plus', 'minus'], 3)],
				fields: [...clockFields],
				...byPlusMinus,
				take: press('ok')
			}
		],
		modes: {
			names: ['Auto', 'Warm', 'Back', 'Off'],
			off: 'Off',
			figures: { Warm: 'setpoint-1', Back: 'setpoint-2' },
			each: [[put('slide', 'Auto')], [put('slide', 'Warm')], [put('slide', 'Back')], [put('slide', 'Off')]]
		},
		resets: { all: [hold(['ok', 'empty'], 8)] },
		factory: {
			day: {
				form: 'pairs',
				pairs: [
					{ on: 380, off: 500 },
					{ on: 1010, off: 1340 }
				]
			},
			setpointsC: [20.5, 16.5]
		}
	},
	'plain-stat': {
		keys: [
			{ id: 'warmer', print: 'Warmer' },
			{ id: 'cooler', print: 'Cooler' }
		],
		rest: { up: 'warmer', down: 'cooler' }
	}
};
