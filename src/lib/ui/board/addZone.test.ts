import { expect, it } from 'vitest';
import { shippedProfiles } from '$core/control';
import { dwellingsAsZones, roomsAsZones } from './addZone';

const profile = (id: string) => shippedProfiles.find((one) => one.id === id)!;
const rooms = [
	{ name: 'Lounge', profile: profile('six-step-room-stat'), others: true },
	{ name: ' Boiler ', profile: profile('two-channel-programmer'), others: true }
];
const told = (zones: ReturnType<typeof roomsAsZones>) =>
	zones.map(({ zone, hangsOn }) => `${zone.name} on ${hangsOn}/${zone.options.channel}`);

it('rooms become zones, the channels of a control on that control', () => {
	expect(told(roomsAsZones(rooms, []))).toEqual(['Lounge on 0/0', 'Boiler on 1/0', 'Hot water on 1/1']);
	expect(told(roomsAsZones([{ ...rooms[1]!, others: false }], []))).toEqual(['Boiler on 0/0']);
	const flat = roomsAsZones(rooms, [], 'Flat 7', 'Flat A');
	expect(told(flat)).toEqual(['Flat 7 Lounge on 0/0', 'Flat 7 Boiler on 1/0', 'Flat 7 Hot water on 1/1']);
	expect(new Set(flat.map(({ zone }) => `${zone.dwelling} of ${zone.type}`))).toEqual(
		new Set(['Flat 7 of Flat A'])
	);
});

it('for the frail no setback is proposed too low', () => {
	const eco = (livesHere: Parameters<typeof roomsAsZones>[1]) =>
		roomsAsZones(rooms, livesHere)[0]!.zone.levels.find(({ id }) => id === 'eco')!.setpointC;
	expect(eco(['infants'])).toBeGreaterThan(eco([]));
});

it('a dwelling once more, each on controls of its own, with its plan and nothing that was found there', () => {
	const there = roomsAsZones(rooms, [], 'Flat 1', 'Flat A').map(({ zone, hangsOn }) => ({
		boxId: `box ${hangsOn}`,
		document: {
			...zone,
			governs: hangsOn === 1 ? 'boiler' : null,
			clockReadings: [{ at: '2026-01-01T00:00:00Z', errorSeconds: 0, daysAhead: 0, set: true, lost: false }],
			bookedWeek: '2026-01-05'
		}
	}));
	const more = dwellingsAsZones(there, ['Flat 2', 'Flat 3'], 'Flat A');
	expect(told(more)).toEqual([
		'Flat 2 Lounge on 0/0',
		'Flat 2 Boiler on 1/0',
		'Flat 2 Hot water on 1/1',
		'Flat 3 Lounge on 2/0',
		'Flat 3 Boiler on 3/0',
		'Flat 3 Hot water on 3/1'
	]);
	for (const { zone } of more)
		expect(zone).toMatchObject({ governs: null, clockReadings: [], bookedWeek: null, type: 'Flat A' });
	expect(more[0]!.zone.levels).toEqual(there[0]!.document.levels);
});
