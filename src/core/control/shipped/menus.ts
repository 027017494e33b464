import type { z } from 'zod';
import type { menuEntrySchema, MenuMeaning } from '../menu';

type EntryInput = z.input<typeof menuEntrySchema>;

const choices = (
	id: string,
	print: string,
	means: MenuMeaning,
	all: readonly (readonly [shows: string, is?: string])[],
	factory = 0
): EntryInput => ({
	id,
	print,
	means,
	values: { kind: 'choices', choices: all.map(([shows, is = '']) => ({ shows, is })) },
	factory
});
const onOff = (id: string, print: string, means: MenuMeaning, factory: 'on' | 'off'): EntryInput =>
	choices(
		id,
		print,
		means,
		[
			['Off', 'off'],
			['On', 'on']
		],
		factory === 'on' ? 1 : 0
	);
const degrees = (
	id: string,
	print: string,
	means: MenuMeaning,
	minC: number,
	maxC: number,
	factory: number
): EntryInput => ({ id, print, means, values: { kind: 'degrees', minC, maxC }, factory });
const kelvin = (
	id: string,
	print: string,
	means: MenuMeaning,
	[min, max, step]: readonly [number, number, number],
	factory: number
): EntryInput => ({ id, print, means, values: { kind: 'figure', unit: 'K', min, max, step }, factory });
const cycles = (factory: number, max = 12): EntryInput => ({
	id: 'cycles',
	print: 'Per hour',
	means: 'cycles',
	values: { kind: 'figure', unit: 'an hour', min: 1, max, step: 1 },
	factory
});
const sensor = (factory = 0): EntryInput =>
	choices(
		'sensor',
		'Sensor',
		'sensor',
		[
			['Air', 'air'],
			['Floor', 'floor'],
			['Both', 'air-with-floor-guard']
		],
		factory
	);
const light = choices('light', 'Light', 'none', [['Short'], ['Long'], ['Off']]);
const tone = choices('tone', 'Key tone', 'none', [['On'], ['Off']]);
const offset = kelvin('offset', 'Correct by', 'offset', [-5, 5, 0.5], 0);

/** Figures that a control with modes keeps for each of them, apart from its setpoint. */
const perMode = (modes: readonly (readonly [id: string, print: string])[]): EntryInput[] =>
	modes.flatMap(([id, print]): EntryInput[] => [
		{
			id: `${id}-cool`,
			print: `${print} cool`,
			name: `${print.toLowerCase()}: cool above`,
			means: 'per-mode',
			values: { kind: 'degrees', minC: 18, maxC: 35 },
			factory: 26
		},
		{
			id: `${id}-damp`,
			print: `${print} humid`,
			name: `${print.toLowerCase()}: humidity at most`,
			means: 'per-mode',
			values: { kind: 'figure', unit: '%', min: 30, max: 90, step: 5 },
			factory: 60
		},
		{
			...choices(`${id}-fan`, `${print} fan`, 'per-mode', [['Low'], ['High'], ['Off']]),
			name: `${print.toLowerCase()}: fan`
		}
	]);

/** The entries of the shipped controls' own menus, by the control's name in the file: words, ranges and figures of our own. */
export const menus: Readonly<Record<string, readonly EntryInput[]>> = {
	'six-step-room-stat': [
		choices('regulation', 'Regulate', 'regulation', [
			['Band', 'on-off'],
			['Pulse', 'cycling']
		]),
		kelvin('band', 'Band', 'differential', [0.2, 3, 0.1], 0.5),
		cycles(3, 6),
		onOff('early', 'Early', 'early-start', 'off'),
		degrees('most', 'Most', 'high-limit', 10, 30, 30),
		degrees('least', 'Least', 'low-limit', 5, 20, 5),
		offset,
		onOff('frost', 'Frost guard', 'frost', 'on'),
		tone
	],
	'slider-stat': [
		choices('plan', 'Plan', 'stored-program', [
			['1', 'stored'],
			['2', 'stored'],
			['Own', 'own']
		])
	],
	'heat-and-cool-stat': [
		choices('works', 'Works', 'changeover', [
			['Both', 'automatic'],
			['Heat', 'heat-only'],
			['Cool', 'cool-only']
		]),
		choices('fan', 'Fan', 'fan', [
			['Auto', 'auto'],
			['On', 'on'],
			['Stir', 'circulate']
		]),
		{
			id: 'rest',
			print: 'Rest',
			means: 'minimum-off',
			values: { kind: 'figure', unit: 'min', min: 0, max: 10, step: 1 },
			factory: 5
		},
		offset,
		light
	],
	'radio-stat': [kelvin('band', 'Band', 'differential', [0.3, 1.5, 0.1], 0.5), offset],
	'four-step-floor-stat': [
		sensor(1),
		degrees('floor-most', 'Floor most', 'floor-limit', 20, 40, 28),
		onOff('early', 'Early', 'early-start', 'on'),
		offset,
		light
	],
	'touch-floor-stat': [
		sensor(1),
		degrees('floor-most', 'Floor most', 'floor-limit', 20, 40, 27),
		onOff('frost', 'Frost guard', 'frost', 'on'),
		light
	],
	'line-voltage-stat': [
		cycles(4),
		onOff('early', 'Early', 'early-start', 'on'),
		degrees('most', 'Most', 'high-limit', 10, 30, 30),
		offset
	],
	'plant-clock': [onOff('summer', 'Summer time', 'summer-time', 'on'), tone],
	'climate-clock': [
		...perMode([
			['use', 'In use'],
			['standby', 'Standby'],
			['closed', 'Closed']
		]),
		onOff('summer', 'Summer time', 'summer-time', 'on')
	],
	'frost-setting-keypad': [
		degrees('frost', 'Frost', 'frost-level', 5, 12, 7),
		choices('light', 'Light', 'none', [['Short'], ['Off']])
	],
	'three-mode-floor-stat': [
		sensor(1),
		degrees('floor-most', 'Floor most', 'floor-limit', 20, 40, 28),
		kelvin('band', 'Band', 'differential', [0.3, 2, 0.1], 0.6),
		degrees('day', 'Day', 'manual-figure', 5, 35, 24),
		degrees('night', 'Night', 'manual-figure', 5, 35, 18),
		degrees('guard', 'Guard', 'manual-figure', 5, 10, 7)
	],
	'block-copy-floor-stat': [sensor(0), degrees('floor-most', 'Floor most', 'floor-limit', 20, 40, 30), light]
};
