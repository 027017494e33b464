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
	sixSteps,
	fourSteps,
	nightAndDay,
	type PanelInput
} from './panelParts';

/** The panels of stats of floors, panels, radiators and line-voltage heaters, by their name in the file: key words, ways and factory weeks of our own. */
export const emitterStatPanels: Readonly<Record<string, PanelInput>> = {
	'hour-strip-keypad': {
		keys: [
			{ id: 'clock', print: 'Clock' },
			plus,
			ok,
			minus,
			{ id: 'copy', print: 'Copy' },
			day,
			{ id: 'boost', print: 'Boost' },
			{ id: 'away', print: 'Away' }
		],
		rest: byPlusMinus,
		program: {
			way: [press('clock')],
			...byPlusMinus,
			take: press('ok'),
			day: press('day'),
			copy: { start: press('copy') },
			writes: [press('plus'), press('minus')]
		},
		places: [
			{
				name: 'Set',
				way: [hold('ok', 3)],
				fields: ['setpoints'],
				...byPlusMinus,
				take: press('ok')
			},
			{
				name: 'Clock',
				way: [hold('clock', 3)],
				fields: [...clockFields],
				...byPlusMinus,
				take: press('ok')
			},
			{ name: 'Away', way: [press('away')], fields: ['away-days'], ...byPlusMinus, take: press('ok') }
		],
		modes: { names: ['Auto', 'Off'], off: 'Off', each: [[hold('plus', 5)], [hold('minus', 5)]] },
		hand: { boost: [press('boost')] },
		resets: { all: [hold(['clock', 'copy'], 10)] },
		factory: { day: { form: 'slots', slots: nightAndDay('0', '1', 6, 22) }, setpointsC: [19, 15.5] }
	},
	'four-step-floor-stat': {
		keys: [
			{ id: 'power', print: 'Power' },
			{ id: 'up', print: 'Up' },
			{ id: 'left', print: 'Left' },
			{ id: 'ok', print: 'OK' },
			{ id: 'right', print: 'Right' },
			{ id: 'down', print: 'Down' }
		],
		rest: { up: 'up', down: 'down' },
		program: {
			way: [hold('ok', 3), press('ok')],
			up: 'up',
			down: 'down',
			take: press('ok'),
			day: press('right'),
			clear: press('left'),
			leave: [press('power')]
		},
		places: [
			{
				name: 'Warmth',
				way: [hold('ok', 3), press('right')],
				fields: ['setpoints'],
				up: 'up',
				down: 'down',
				take: press('ok'),
				leave: [press('power')],
				timeoutSeconds: 40
			},
			{
				name: 'Clock',
				way: [hold('ok', 3), press('left')],
				fields: [...clockFields],
				up: 'up',
				down: 'down',
				take: press('ok'),
				timeoutSeconds: 40
			},
			{
				name: 'List',
				way: [hold('power', 10)],
				fields: ['plain', 'menu/sensor', 'menu/floor-most', 'menu/early', 'menu/offset', 'menu/light'],
				up: 'up',
				down: 'down',
				take: press('ok'),
				onlyWhenOff: true
			},
			{
				name: 'Away',
				way: [hold('ok', 3), press('down')],
				fields: ['back-month', 'back-day', 'back-hour', 'back-minute'],
				up: 'up',
				down: 'down',
				take: press('ok'),
				timeoutSeconds: 40
			}
		],
		modes: { names: ['Auto', 'Off'], off: 'Off', next: hold('power', 3) },
		hand: { hold: [hold('up', 3)] },
		resets: { all: [hold(['up', 'down'], 10)] },
		lock: { way: [hold(['left', 'right'], 5)], ends: [hold(['left', 'right'], 5)] },
		factory: {
			day: {
				form: 'pairs',
				pairs: [
					{ on: 390, off: 510 },
					{ on: 1050, off: 1350 }
				]
			},
			setpointsC: [24, 18]
		}
	},
	'day-by-day-panel-stat': {
		keys: [day, plus, { id: 'set', print: 'Set' }, minus, mode, { id: 'power', print: 'Power' }],
		rest: byPlusMinus,
		program: {
			way: [press('day')],
			...byPlusMinus,
			take: press('set'),
			day: press('day')
		},
		places: [
			{
				name: 'Clock',
				way: [hold('set', 3)],
				fields: [...clockFields],
				...byPlusMinus,
				take: press('set')
			}
		],
		modes: {
			names: ['Automatic', 'Manual', 'Off'],
			off: 'Off',
			next: press('mode'),
			figures: { Manual: 'kept' }
		},
		resets: { program: [hold('day', 10)] },
		lock: { way: [hold(['plus', 'minus'], 5)], ends: [hold(['plus', 'minus'], 5)] },
		factory: { day: sixSteps }
	},
	'touch-floor-stat': {
		keys: [
			{ id: 'clock', print: 'Clock', kind: 'field' },
			{ id: 'up', print: 'Up', kind: 'field' },
			{ id: 'week', print: 'Week', kind: 'field' },
			{ id: 'down', print: 'Down', kind: 'field' },
			{ id: 'gear', print: 'Gear', kind: 'field' },
			{ id: 'next', print: 'Next', kind: 'field' },
			{ id: 'back', print: 'Back', kind: 'field' },
			{ id: 'day', print: 'Day', kind: 'field' },
			{ id: 'stay', print: 'Stay', kind: 'field' },
			{ id: 'away', print: 'Away', kind: 'field' }
		],
		rest: { up: 'up', down: 'down' },
		program: {
			way: [press('clock'), press('week')],
			up: 'up',
			down: 'down',
			take: press('next'),
			day: press('day'),
			leave: [press('back')]
		},
		places: [
			{
				name: 'Gear',
				way: [press('gear')],
				fields: [
					'unit',
					'clock',
					'grouping',
					'plain',
					'menu/sensor',
					'menu/floor-most',
					'menu/frost',
					'menu/light'
				],
				up: 'up',
				down: 'down',
				take: press('next'),
				leave: [press('back')],
				timeoutSeconds: 45
			},
			{
				name: 'Clock',
				way: [press('clock'), press('next')],
				fields: [...clockFields],
				up: 'up',
				down: 'down',
				take: press('next'),
				leave: [press('back')],
				timeoutSeconds: 45
			}
		],
		modes: { names: ['Auto', 'Off'], off: 'Off', next: hold('back', 5) },
		hand: { hold: [press('stay')], away: [press('away')] },
		resets: { program: [hold('week', 10)], all: [hold('gear', 10)] },
		lock: { way: [hold('next', 10)], ends: [hold('next', 10)] },
		factory: { day: fourSteps(25, 19) }
	},
	'three-mode-floor-stat': {
		keys: [
			{ id: 'way', print: 'Way' },
			plus,
			{ id: 'set', print: 'Set' },
			minus,
			day,
			{ id: 'clear', print: 'Clear' }
		],
		rest: byPlusMinus,
		program: {
			way: [hold('set', 3)],
			...byPlusMinus,
			take: press('set'),
			day: press('day'),
			clear: press('clear'),
			leave: [hold('set', 3)]
		},
		places: [
			{
				name: 'Set-up',
				way: [hold('clear', 6)],
				fields: [
					'grouping',
					'menu/sensor',
					'menu/floor-most',
					'menu/band',
					'menu/day',
					'menu/night',
					'menu/guard'
				],
				...byPlusMinus,
				take: press('set'),
				leave: [hold('set', 3)],
				onlyWhenOff: true
			},
			{
				name: 'Clock',
				way: [hold('day', 3)],
				fields: [...clockFields],
				...byPlusMinus,
				take: press('set')
			},
			{ name: 'Away', way: [hold('way', 3)], fields: ['away-days'], ...byPlusMinus, take: press('set') }
		],
		modes: {
			names: ['Program', 'Day', 'Night', 'Guard', 'Standby'],
			off: 'Standby',
			next: press('way'),
			figures: { Day: 'day', Night: 'night', Guard: 'guard' }
		},
		resets: { all: [hold(['way', 'clear'], 10)] },
		lock: {
			covers: 'all-but-setpoint',
			way: [hold(['plus', 'minus'], 5)],
			ends: [hold(['plus', 'minus'], 5)]
		},
		factory: { day: fourSteps(24, 18) }
	},
	'block-copy-floor-stat': {
		keys: [
			{ id: 'week', print: 'Week' },
			plus,
			ok,
			minus,
			day,
			{ id: 'block', print: 'Copy to' },
			{ id: 'power', print: 'Power' },
			{ id: 'time', print: 'Time' }
		],
		rest: byPlusMinus,
		program: {
			way: [press('week')],
			...byPlusMinus,
			take: press('ok'),
			day: press('day'),
			copy: { start: press('block'), put: press('ok'), block: true },
			leave: [press('week')]
		},
		places: [
			{
				name: 'Inside',
				way: [hold('week', 8)],
				fields: ['unit', 'clock', 'per-day', 'menu/sensor', 'menu/floor-most', 'menu/light'],
				...byPlusMinus,
				take: press('ok'),
				leave: [press('week')]
			},
			{
				name: 'Clock',
				way: [press('time')],
				fields: ['clock-hour', 'clock-minute', 'clock-day'],
				...byPlusMinus,
				take: press('ok')
			}
		],
		modes: { names: ['On', 'Off'], off: 'Off', next: hold('power', 2) },
		hand: { hold: [hold('ok', 5)] },
		resets: { program: [hold(['week', 'block'], 5)], all: [hold(['week', 'block'], 15)] },
		lock: { way: [hold(['time', 'ok'], 5)], ends: [hold(['time', 'ok'], 5)] },
		factory: { day: sixSteps }
	},
	'frost-setting-keypad': {
		keys: [{ id: 'strip', print: 'Strip' }, plus, minus, ok, day, { id: 'on', print: 'On again' }],
		rest: byPlusMinus,
		program: {
			way: [press('strip')],
			...byPlusMinus,
			take: press('ok'),
			day: press('day'),
			copy: { start: hold('day', 3) },
			writes: [press('plus'), press('minus')],
			leave: [press('strip')]
		},
		places: [
			{
				name: 'Warmth',
				way: [hold('ok', 4)],
				fields: ['setpoints', 'menu/frost'],
				...byPlusMinus,
				take: press('ok')
			},
			{
				name: 'Days',
				way: [hold('strip', 6)],
				fields: ['grouping', 'menu/light'],
				...byPlusMinus,
				take: press('ok')
			},
			{
				name: 'Clock',
				way: [hold('day', 6)],
				fields: [...clockFields],
				...byPlusMinus,
				take: press('ok')
			}
		],
		modes: {
			names: ['Run', 'Off'],
			off: 'Off',
			each: [[hold('on', 2)], [hold('on', 6)]],
			figures: { Off: 'frost' }
		},
		resets: { all: [hold(['strip', 'on'], 10)] },
		factory: {
			day: { form: 'slots', slots: '1'.repeat(12) + '0'.repeat(32) + '1'.repeat(4) },
			setpointsC: [19.5, 16]
		}
	},
	'line-voltage-stat': {
		keys: [
			{ id: 'program', print: 'Program' },
			{ id: 'up', print: 'Up' },
			{ id: 'set', print: 'Set' },
			{ id: 'down', print: 'Down' },
			day,
			{ id: 'switch', print: 'Switch', kind: 'slide', positions: ['Heat', 'Off'] },
			pin
		],
		rest: { up: 'up', down: 'down' },
		program: {
			way: [press('program')],
			up: 'up',
			down: 'down',
			take: press('set'),
			day: press('day'),
			leave: [press('program')]
		},
		places: [
			{
				name: 'Set-up',
				way: [hold(['up', 'down'], 3)],
				fields: ['unit', 'clock', 'plain', 'menu/cycles', 'menu/early', 'menu/most', 'menu/offset'],
				up: 'up',
				down: 'down',
				take: press('day'),
				leave: [press('set')]
			},
			{
				name: 'Clock',
				way: [hold('set', 3)],
				fields: ['clock-hour', 'clock-minute', 'clock-day'],
				up: 'up',
				down: 'down',
				take: press('set')
			}
		],
		modes: { names: ['Heat', 'Off'], off: 'Off', each: [[put('switch', 'Heat')], [put('switch', 'Off')]] },
		hand: { hold: [hold('up', 3)] },
		resets: { all: [hold('pin', 1)] },
		factory: { day: fourSteps(20, 16) }
	}
};
