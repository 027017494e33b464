import { expect, it } from 'vitest';
import { findProfile } from '../control';
import { newZone, roomSchema, type Zone } from '../plan';
import { factoryMemory, isOperable, programOf, withEntry, entryOf } from '../machine';
import { cardAsNew, menuWanted, settingRows, zoneCard } from '.';

const profileOf = (id: string) => findProfile(id)!;
const wanted = (zone: Zone, ...beside: Zone[]) =>
	Object.fromEntries(
		menuWanted([zone, ...beside], profileOf(zone.control)).map(({ entry, shows }) => [entry.id, shows])
	);
const floorRoom = roomSchema.parse({
	floorAreaM2: 8,
	heightM: 2.4,
	build: 'medium',
	loss: { by: 'survey', insulation: 'fair', exposedM2: 12 },
	emitter: { kind: 'floor-cable', ratedW: 900 },
	sensor: 'floor',
	finish: 'wood'
});

it('a surveyed floor sets sensor and limit, in °F to the whole degree under it', () => {
	const zone = { ...newZone('Bath', profileOf('touch-floor-stat')), room: floorRoom };
	expect(wanted(zone)).toMatchObject({ sensor: 'Floor', 'floor-most': '27.0' });
	// 27 °C is 80.6 °F
	expect(wanted({ ...zone, options: { ...zone.options, unit: 'F' } })['floor-most']).toBe('80');
	expect(wanted({ ...zone, room: { ...floorRoom, floorLimitC: 25.2 } })['floor-most']).toBe('25.0');
	expect(wanted({ ...zone, room: null })).not.toHaveProperty('sensor');
});

it('early start is turned off where a lead is typed, on where it is left to the control, and else stays as it comes', () => {
	const zone = newZone('Hall', profileOf('line-voltage-stat'));
	const early = (school: Zone['lead']['school']) =>
		wanted({ ...zone, lead: { ...zone.lead, school } })['early'];
	expect(
		['fixed', 'computed', 'control', 'at-need'].map((school) => early(school as Zone['lead']['school']))
	).toEqual(['Off', 'Off', 'On', undefined]);
});

it('what was chosen by hand wins, a limit of the settings counts, and what nobody asks for stays', () => {
	const zone = newZone('Office', profileOf('six-step-room-stat'));
	const set = { ...zone, settings: { ...zone.settings, highLimitC: 22, menu: { band: 0.8, most: 25 } } };
	expect(wanted(set)).toMatchObject({ band: '0.8', most: '25.0', frost: 'On' });
	const rows = settingRows([set], profileOf(zone.control), profileOf(zone.control).groupings[0]!);
	const row = (field: string) => rows.find((one) => one.field === field)!;
	expect([row('menu/band').differs, row('menu/frost').differs, row('menu/offset').shows]).toEqual([
		true,
		false,
		null
	]);
	expect([row('menu/tone').isIdle, row('unit').wipes, row('unit').way.length]).toEqual([
		true,
		expect.any(String),
		1
	]);
	expect(rows.indexOf(row('unit'))).toBeLessThan(rows.indexOf(row('menu/band')));
});

it('a switch and a heat-and-cool stat: nothing to set, or fan and changeover as they are reckoned with', () => {
	expect(wanted(newZone('Rail', profileOf('switch-timer')))).toEqual({});
	const zone = newZone('Office', profileOf('heat-and-cool-stat'));
	const cool = {
		...zone,
		settings: { ...zone.settings, fan: 'circulate' as const, changeover: 'cool-only' as const }
	};
	expect(wanted(cool)).toMatchObject({ works: 'Cool', fan: 'Stir' });
});

it('of programs that it came with none runs in the place of the week that is keyed', () => {
	const profile = profileOf('slider-stat');
	if (!isOperable(profile)) throw new Error('it has a panel');
	const zone = newZone('Loft', profile);
	const { card } = zoneCard(zone, profile);
	expect(card.items.find(({ id }) => id.endsWith('plan'))).toMatchObject({
		shows: 'Own',
		section: 'Settings',
		why: { because: 'own-week' }
	});
	const asNew = factoryMemory(profile);
	const { memory } = cardAsNew(profile, { items: card.items, ...card.operated });
	const keyed = programOf(profile, memory);
	expect(keyed).not.toEqual(programOf(profile, asNew));
	// the week is there still, and does not run
	const stored = withEntry(profile, memory, entryOf(profile, 'plan')!, 0, 0);
	expect(stored.days).toEqual(memory.days);
	const { setpoints: _, ...days } = stored;
	expect(programOf(profile, stored)).toEqual(programOf(profile, { ...memory, ...days, days: asNew.days }));
	expect(programOf(profile, withEntry(profile, stored, entryOf(profile, 'plan')!, 2, 0))).toEqual(keyed);
});
