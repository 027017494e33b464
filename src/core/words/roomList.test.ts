import { expect, it } from 'vitest';
import { shippedProfiles } from '../control';
import { controlsCalled, roomsSaid } from './roomList';

const said = (text: string) =>
	roomsSaid(text, shippedProfiles).map(({ name, controls }) => `${name}: ${controls[0] ?? 'none'}`);

// ways in which installers write rooms down (from memory)
it.each([
	[
		'Lounge six-step; Bed 1, Bed 2, Bed 3 four-step copy',
		[
			'Lounge: six-step-room-stat',
			'Bed 1: four-step-copy-stat',
			'Bed 2: four-step-copy-stat',
			'Bed 3: four-step-copy-stat'
		]
	],
	['Dining room', ['Dining room: none']],
	['Crèche floor; Day room', ['Crèche floor: none', 'Day room: none']],
	['Bathroom touch floor stat', ['Bathroom: touch-floor-stat']],
	['Bathroom rail switch timer', ['Bathroom rail: switch-timer']],
	['Hall with a radio stat', ['Hall: radio-stat']],
	['Boiler programmer with hot water', ['Boiler: two-channel-programmer']],
	['Study dial\nLanding hour-strip', ['Study: dial-stat', 'Landing: hour-strip-keypad']],
	['Attic seven-way stat; , ;', ['Attic seven-way: six-step-room-stat']],
	['', []]
])('%s', (text, rooms) => {
	expect(said(text)).toEqual(rooms);
});

it('finds a control by what people call it', () => {
	const first = (words: string) => controlsCalled(words, shippedProfiles).map(({ id }) => id);
	expect(first('with hot water')).toEqual(['two-channel-programmer']);
	expect(first('battery').length).toBeGreaterThan(3);
	expect(first('battery 5+2')).not.toContain('six-step-room-stat');
	expect(first('5+2')).toContain('six-step-room-stat');
	expect(first('')).toEqual([]);
	expect(first('with')).toEqual([]);
});
