import {
	press,
	hold,
	put,
	plus,
	minus,
	day,
	mode,
	pin,
	byPlusMinus,
	clockFields,
	autoManualOff,
	nightAndDay,
	type PanelInput
} from './panelParts';

/** The panels of timers, dials, plant clocks and programmers, by their name in the file: key words, ways and factory weeks of our own. */
export const programmerPanels: Readonly<Record<string, PanelInput>> = {
	'switch-timer': {
		keys: [
			{ id: 'program', print: 'Program' },
			plus,
			{ id: 'enter', print: 'Enter' },
			minus,
			day,
			{ id: 'clock', print: 'Clock' },
			{ id: 'switch', print: 'Switch', kind: 'slide', positions: ['Auto', 'On', 'Off'] },
			pin
		],
		program: {
			way: [press('program')],
			...byPlusMinus,
			take: press('program'),
			day: press('day'),
			clear: hold(['plus', 'minus'], 2),
			leave: [press('clock')]
		},
		places: [
			{
				name: 'Days',
				way: [hold('day', 5)],
				fields: ['grouping'],
				...byPlusMinus,
				take: press('enter'),
				timeoutSeconds: 20
			},
			{
				name: 'Clock',
				way: [hold('clock', 3)],
				fields: [...clockFields],
				...byPlusMinus,
				take: press('clock'),
				timeoutSeconds: 20
			}
		],
		modes: {
			names: ['Auto', 'On', 'Off'],
			off: 'Off',
			figures: { On: 'on' },
			each: [[put('switch', 'Auto')], [put('switch', 'On')], [put('switch', 'Off')]]
		},
		hand: { toggle: [press('enter')] },
		resets: { all: [hold('pin', 1)] },
		lock: { way: [hold(['day', 'enter'], 3)], ends: [hold(['day', 'enter'], 3)] }
	},
	'step-timer': {
		keys: [
			{ id: 'next', print: 'Next' },
			plus,
			minus,
			day,
			{ id: 'on-off', print: 'On/off' },
			{ id: 'drop', print: 'Drop' },
			{ id: 'hour', print: 'Hour more' },
			{ id: 'slide', print: 'Slide', kind: 'slide', positions: ['Run', 'On', 'Off'] }
		],
		program: {
			way: [hold('next', 3)],
			...byPlusMinus,
			take: press('next'),
			day: press('day'),
			clear: press('drop'),
			leave: [hold('next', 3)]
		},
		places: [
			{
				name: 'Days',
				way: [hold(['plus', 'minus'], 5)],
				fields: ['clock', 'grouping'],
				...byPlusMinus,
				take: press('next'),
				onlyWhenOff: true
			},
			{
				name: 'Clock',
				way: [hold('day', 3)],
				fields: [...clockFields],
				...byPlusMinus,
				take: press('next')
			}
		],
		modes: {
			names: ['Run', 'On', 'Off'],
			off: 'Off',
			figures: { On: 'on' },
			each: [[put('slide', 'Run')], [put('slide', 'On')], [put('slide', 'Off')]]
		},
		hand: { boost: [press('hour')], toggle: [press('on-off')] },
		resets: { program: [hold(['next', 'drop'], 5)], all: [hold(['next', 'drop'], 15)] },
		factory: {
			day: {
				form: 'pairs',
				pairs: [
					{ on: 360, off: 480 },
					{ on: 1020, off: 1320 }
				]
			}
		}
	},
	'plant-clock': {
		keys: [
			{ id: 'menu', print: 'Menu' },
			{ id: 'up', print: 'Up' },
			{ id: 'ok', print: 'OK' },
			{ id: 'down', print: 'Down' },
			day,
			{ id: 'copy', print: 'Copy' },
			{
				id: 'knob',
				print: 'Dial',
				kind: 'slide',
				positions: ['Auto', 'In use', 'Standby', 'Reduced', 'Off']
			}
		],
		program: {
			way: [press('menu'), press('ok')],
			up: 'up',
			down: 'down',
			take: press('ok'),
			day: press('day'),
			clear: hold(['up', 'down'], 3),
			copy: { start: press('copy'), put: press('ok') },
			leave: [press('menu')]
		},
		places: [
			{
				name: 'Modes',
				way: [press('menu'), press('up')],
				fields: ['setpoints'],
				up: 'up',
				down: 'down',
				take: press('ok'),
				leave: [press('menu')],
				timeoutSeconds: null
			},
			{
				name: 'Days',
				way: [press('menu'), press('down')],
				fields: ['grouping', 'menu/summer', 'menu/tone'],
				up: 'up',
				down: 'down',
				take: press('ok'),
				leave: [press('menu')],
				timeoutSeconds: null
			},
			{
				name: 'Clock',
				way: [press('menu'), press('copy')],
				fields: [...clockFields],
				up: 'up',
				down: 'down',
				take: press('ok'),
				leave: [press('menu')],
				timeoutSeconds: null
			},
			{
				name: 'Closed days',
				way: [press('menu'), press('day')],
				fields: ['first-month', 'first-day', 'last-month', 'last-day'],
				up: 'up',
				down: 'down',
				take: press('ok'),
				leave: [press('menu')],
				timeoutSeconds: null
			}
		],
		modes: {
			names: ['Auto', 'In use', 'Standby', 'Reduced', 'Off'],
			off: 'Off',
			figures: { 'In use': 'setpoint-1', Standby: 'setpoint-2', Reduced: 'setpoint-3' },
			each: [
				[put('knob', 'Auto')],
				[put('knob', 'In use')],
				[put('knob', 'Standby')],
				[put('knob', 'Reduced')],
				[put('knob', 'Off')]
			]
		},
		resets: { program: [hold(['menu', 'down'], 5)], all: [hold(['menu', 'down'], 10)] },
		lock: { way: [hold(['menu', 'ok'], 5)], ends: [hold(['menu', 'ok'], 5)] },
		factory: {
			day: {
				form: 'events',
				events: [
					{ at: 420, mode: 0 },
					{ at: 1080, mode: 2 }
				]
			},
			setpointsC: [20, 17, 15, 5]
		}
	},
	'climate-clock': {
		keys: [
			{ id: 'list', print: 'List' },
			{ id: 'more', print: 'More' },
			{ id: 'take', print: 'Take' },
			{ id: 'less', print: 'Less' },
			day,
			{ id: 'copy', print: 'Copy' },
			{ id: 'empty', print: 'Empty' },
			mode
		],
		program: {
			way: [press('list'), press('take')],
			up: 'more',
			down: 'less',
			take: press('take'),
			day: press('day'),
			clear: press('empty'),
			copy: { start: press('copy'), put: press('take') },
			leave: [press('list')]
		},
		places: [
			{
				name: 'Modes',
				way: [press('list'), press('more')],
				fields: [
					'setpoints',
					'menu/use-cool',
					'menu/use-damp',
					'menu/use-fan',
					'menu/standby-cool',
					'menu/standby-damp',
					'menu/standby-fan',
					'menu/closed-cool',
					'menu/closed-damp',
					'menu/closed-fan'
				],
				up: 'more',
				down: 'less',
				take: press('take'),
				leave: [press('list')],
				timeoutSeconds: 120
			},
			{
				name: 'Set-up',
				way: [press('list'), press('less')],
				fields: ['unit', 'grouping', 'menu/summer'],
				up: 'more',
				down: 'less',
				take: press('take'),
				leave: [press('list')],
				timeoutSeconds: 120
			},
			{
				name: 'Clock',
				way: [press('list'), press('copy')],
				fields: [...clockFields],
				up: 'more',
				down: 'less',
				take: press('take'),
				leave: [press('list')],
				timeoutSeconds: 120
			},
			{
				name: 'Closed days',
				way: [press('list'), press('day')],
				fields: ['first-month', 'first-day', 'last-month', 'last-day'],
				up: 'more',
				down: 'less',
				take: press('take'),
				leave: [press('list')],
				timeoutSeconds: 120
			}
		],
		modes: {
			names: ['Run', 'In use', 'Standby', 'Closed', 'Stop'],
			off: 'Stop',
			next: press('mode'),
			figures: { 'In use': 'setpoint-1', Standby: 'setpoint-2', Closed: 'setpoint-3' }
		},
		resets: { program: [hold(['list', 'empty'], 5)], all: [hold(['list', 'empty'], 12)] },
		lock: { way: [hold(['list', 'take'], 4)], ends: [hold(['list', 'take'], 4)] },
		factory: {
			day: {
				form: 'events',
				events: [
					{ at: 480, mode: 0 },
					{ at: 1080, mode: 2 }
				]
			},
			setpointsC: [20, 17, 12]
		}
	},
	'dial-stat': {
		keys: [
			{ id: 'left', print: 'Turn left' },
			{ id: 'push', print: 'Push' },
			{ id: 'right', print: 'Turn right' },
			day,
			{ id: 'copy', print: 'Copy' },
			mode
		],
		program: {
			way: [press('push', 2)],
			up: 'right',
			down: 'left',
			take: press('push'),
			day: press('day'),
			copy: { start: press('copy') },
			leave: [hold('push', 3)]
		},
		places: [
			{
				name: 'Set',
				way: [press('push'), press('right')],
				fields: ['setpoints'],
				up: 'right',
				down: 'left',
				take: press('push')
			},
			{
				name: 'Clock',
				way: [press('push'), press('left')],
				fields: [...clockFields],
				up: 'right',
				down: 'left',
				take: press('push')
			},
			{
				name: 'Away',
				way: [press('push'), press('day')],
				fields: ['back-month', 'back-day'],
				up: 'right',
				down: 'left',
				take: press('push')
			}
		],
		modes: autoManualOff,
		hand: { boost: [hold('push', 2)] },
		resets: { all: [hold(['day', 'copy'], 10)] },
		factory: { day: { form: 'slots', slots: nightAndDay('0', '1', 7, 22) }, setpointsC: [20, 16, 7] }
	},
	'two-channel-programmer': {
		keys: [
			{ id: 'heating', print: 'Heating' },
			plus,
			{ id: 'set', print: 'Set' },
			minus,
			{ id: 'water', print: 'Hot water' },
			day,
			{ id: 'advance', print: 'Advance' },
			{ id: 'switch', print: 'Switch', kind: 'slide', positions: ['Run', 'Program', 'Clock'] },
			pin,
			{ id: 'away', print: 'Away' }
		],
		program: {
			way: [put('switch', 'Program')],
			channels: [[press('heating')], [press('water')]],
			...byPlusMinus,
			take: press('set'),
			day: press('day'),
			clear: hold('minus', 3),
			leave: [put('switch', 'Run')]
		},
		places: [
			{
				name: 'Clock',
				way: [put('switch', 'Clock')],
				fields: ['clock', ...clockFields],
				...byPlusMinus,
				take: press('set'),
				leave: [put('switch', 'Run')],
				timeoutSeconds: null
			},
			{
				name: 'Days',
				way: [put('switch', 'Program'), hold('day', 5)],
				fields: ['grouping'],
				...byPlusMinus,
				take: press('set'),
				leave: [put('switch', 'Run')],
				timeoutSeconds: 60
			},
			{
				name: 'Away',
				way: [press('away')],
				fields: ['back-month', 'back-day', 'back-hour', 'back-minute'],
				...byPlusMinus,
				take: press('set')
			}
		],
		modes: {
			names: ['Auto', 'Constant', 'Off'],
			off: 'Off',
			each: [[hold('heating', 2)], [hold('heating', 5)], [hold('heating', 10)]],
			figures: { Constant: 'on' }
		},
		hand: { boost: [press('heating')], advance: [press('advance')] },
		resets: { program: [hold(['plus', 'minus'], 5)], all: [hold('pin', 5)] },
		factory: {
			day: {
				form: 'pairs',
				pairs: [
					{ on: 390, off: 510 },
					{ on: 960, off: 1350 }
				]
			}
		}
	}
};
