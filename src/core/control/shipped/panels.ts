import type { z } from 'zod';
import type { gestureSchema, panelSchema } from '../panel';

type PanelInput = z.input<typeof panelSchema>;
type Gesture = z.input<typeof gestureSchema>;

const press = (key: string, times = 1): Gesture => ({ do: 'press', key, times });
const hold = (keys: string | string[], seconds: number): Gesture => ({
	do: 'hold',
	keys: typeof keys === 'string' ? [keys] : keys,
	seconds
});
const put = (key: string, to: string): Gesture => ({ do: 'set', key, to });

const plus = { id: 'plus', print: '+' };
const minus = { id: 'minus', print: '\u2212' };
const ok = { id: 'ok', print: 'OK' };
const day = { id: 'day', print: 'Day' };
const mode = { id: 'mode', print: 'Mode' };
const pin = { id: 'pin', print: 'Reset', kind: 'recessed' as const };
const byPlusMinus = { up: 'plus', down: 'minus' };
const clockFields = ['clock-day', 'clock-hour', 'clock-minute'] as const;
const autoManualOff = { names: ['Auto', 'Manual', 'Off'], off: 'Off', next: press('mode') };

const step = (hour: number, minute: number, setpointC: number) => ({ at: hour * 60 + minute, setpointC });
const sixSteps = {
	form: 'events' as const,
	events: [
		step(6, 0, 20),
		step(8, 0, 17),
		step(12, 0, 19),
		step(14, 0, 17),
		step(17, 0, 20.5),
		step(22, 0, 16)
	]
};
const fourSteps = (warmC: number, backC: number) => ({
	form: 'events' as const,
	events: [step(6, 0, warmC), step(8, 30, backC), step(17, 0, warmC), step(22, 30, backC)]
});
const nightAndDay = (warm: string, back: string, from: number, to: number) =>
	back.repeat(from) + warm.repeat(to - from) + back.repeat(24 - to);

/** The panels of the shipped families, by their name in the file: key words, ways and factory weeks of our own. */
export const panels: Readonly<Record<string, PanelInput>> = {
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
				fields: ['unit', 'clock', 'grouping', 'per-day', 'plain'],
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
			}
		],
		modes: autoManualOff,
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
				fields: ['unit', 'clock', 'grouping', 'plain'],
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
			}
		],
		modes: { names: ['Auto', 'Heat', 'Cool', 'Off'], off: 'Off', next: press('mode') },
		resets: { program: [hold(['menu', 'next'], 5)], all: [hold(['menu', 'next'], 10)] },
		lock: { way: [hold(['up', 'down'], 5)], ends: [hold(['up', 'down'], 5)] },
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
			}
		],
		modes: autoManualOff,
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
				fields: ['plain'],
				...byPlusMinus,
				take: press('ok')
			},
			{
				name: 'Clock',
				way: [hold('clock', 3)],
				fields: ['clock-hour', 'clock-minute', 'clock-day'],
				...byPlusMinus,
				take: press('ok')
			}
		],
		modes: autoManualOff,
		resets: { all: [hold(['clock', 'mode'], 10)] },
		factory: { day: sixSteps }
	},
	'plain-stat': {
		keys: [
			{ id: 'warmer', print: 'Warmer' },
			{ id: 'cooler', print: 'Cooler' }
		],
		rest: { up: 'warmer', down: 'cooler' }
	},
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
			}
		],
		modes: { names: ['Auto', 'Off'], off: 'Off', each: [[hold('plus', 5)], [hold('minus', 5)]] },
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
				fields: ['plain'],
				up: 'up',
				down: 'down',
				take: press('ok'),
				onlyWhenOff: true
			}
		],
		modes: { names: ['Auto', 'Off'], off: 'Off', next: hold('power', 3) },
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
		modes: { names: ['Automatic', 'Manual', 'Off'], off: 'Off', next: press('mode') },
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
				fields: ['unit', 'clock', 'grouping', 'plain'],
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
		resets: { program: [hold('week', 10)], all: [hold('gear', 10)] },
		lock: { way: [hold('next', 10)], ends: [hold('next', 10)] },
		factory: { day: fourSteps(25, 19) }
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
				fields: ['unit', 'clock', 'plain'],
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
		resets: { all: [hold('pin', 1)] },
		factory: { day: fourSteps(20, 16) }
	},
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
			each: [[put('switch', 'Auto')], [put('switch', 'On')], [put('switch', 'Off')]]
		},
		resets: { all: [hold('pin', 1)] },
		lock: { way: [hold(['day', 'enter'], 3)], ends: [hold(['day', 'enter'], 3)] }
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
			clear: hold('down', 3),
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
				fields: ['grouping'],
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
			}
		],
		modes: {
			names: ['Auto', 'In use', 'Standby', 'Reduced', 'Off'],
			off: 'Off',
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
			}
		],
		modes: autoManualOff,
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
			}
		],
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
