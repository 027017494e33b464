import { describe, expect, it } from 'vitest';
import { findProfile, type ControlProfile } from '$core/control';
import { fitZone } from '$core/fit';
import { newZone, roomSchema, sourceSchema, withWanted, type Zone } from '$core/plan';
import { asked, later, net } from '../../../../tests/support/network';
import { buildWeek, valueAt } from '$core/week';
import { houseView } from './houseView.svelte';

const stat = findProfile('six-step-room-stat')!;
const programmer = findProfile('two-channel-programmer')!;
const room = roomSchema.parse({
	floorAreaM2: 20,
	heightM: 2.5,
	build: 'heavy',
	loss: { by: 'figure', wattsPerKelvin: 100 },
	emitter: { kind: 'radiator', ratedW: 2000, waterC: 55 }
});
const daily = (zone: Zone, warm: string, from: number, cold: string, to: number) =>
	withWanted(
		zone,
		buildWeek(
			[0, 1, 2, 3, 4, 5, 6].flatMap((day) => [
				{ at: day * 1440 + from, value: warm },
				{ at: day * 1440 + to, value: cold }
			])
		)
	);
const onChannel = (zone: Zone, channel: number): Zone => ({ ...zone, options: { ...zone.options, channel } });

/** A boiler let run from 06:00, a parlour that asks from 04:30, hot water first from 05:00, and a study of its own. */
function site() {
	const zones: readonly (readonly [string, Zone, ControlProfile])[] = [
		[
			'heating',
			{ ...onChannel(daily(newZone('Heating', programmer), 'on', 360, 'off', 1380), 0), governs: 'boiler' },
			programmer
		],
		[
			'water',
			{ ...onChannel(daily(newZone('Hot water', programmer), 'on', 300, 'off', 420), 1), fedBy: 'boiler' },
			programmer
		],
		[
			'parlour',
			{ ...daily(newZone('Parlour', stat), 'comfort', 270, 'eco', 1320), fedBy: 'boiler', room },
			stat
		],
		['study', { ...daily(newZone('Study', stat), 'comfort', 480, 'eco', 1020), room }, stat]
	];
	const source = sourceSchema.parse({ id: 'boiler', name: 'Boiler', kind: 'boiler', waterFirstMinutes: 80 });
	return {
		site: { id: 'site', revision: 7, sources: [source] },
		zones: zones.map(([id, document], i) => ({ id, name: document.name, revision: i + 1, document })),
		profiles: [stat, programmer],
		held: Object.fromEntries(zones.map(([id, zone, profile]) => [id, fitZone(zone, profile).chosen.held]))
	};
}

describe('the house', () => {
	it('looks first at the longest call that is not met, and says what each does at any moment', () => {
		const house = houseView(site);
		expect(house.gaps.map(({ text }) => text)).toEqual([
			expect.stringMatching(/^Parlour cold every day 04:30–06:00, .*Boiler timed off/)
		]);
		expect(house.minute).toBe(270);
		expect(house.lane('boiler')).toMatchObject({
			state: 'waits',
			does: 'timed off until 06:00',
			governor: { may: false }
		});
		const ofBoiler = () =>
			Object.fromEntries(
				house.lane('boiler').zones.map(({ name, gets, state }) => [name, `${gets}, ${state}`])
			);
		expect(ofBoiler()).toEqual({ 'Hot water': 'own hours, rests', Parlour: 'no heat, waits' });
		// the water is heated until 06:20, whatever lets the rooms have heat from 06:00
		house.minute = 310;
		expect(ofBoiler()).toEqual({ 'Hot water': 'gets it, runs', Parlour: 'no heat, waits' });
		house.minute = 365;
		expect(ofBoiler()).toEqual({ 'Hot water': 'gets it, runs', Parlour: 'after the hot water, rests' });
		house.minute = 400;
		expect(ofBoiler().Parlour).toBe('gets it, runs');
		expect(house.own.zones.map(({ name }) => name)).toEqual(['Study']);
	});

	it('counts only described rooms, each with when what feeds it heats', () => {
		const [parlour, study, ...none] = houseView(site).rooms;
		expect(none).toEqual([]);
		expect(study).toMatchObject({ id: 'study', may: null });
		expect([300, 365, 385, 1390].map((minute) => valueAt(parlour!.may!, minute))).toEqual([
			false,
			false,
			true,
			false
		]);
	});

	it('makes the hours follow its rooms, not its hot water; takes a source away with its name everywhere; says a refusal', async () => {
		net.serve(() => ({ status: 200, body: {} }));
		const house = houseView(site);
		const follow = house.follow(house.chains[0]!);
		await later(100);
		expect(await follow).toBe(true);
		const [sent] = asked as { body: { changes: { id: string; revision: number; zone: Zone }[] } }[];
		expect(sent!.body.changes.map(({ id }) => id)).toEqual(['heating']);
		expect(sent!.body.changes[0]!.zone.wanted.slice(0, 2)).toEqual([
			{ at: 270, level: 'on' },
			{ at: 1320, level: 'off' }
		]);

		const removed = house.remove('boiler');
		await later(300);
		await removed;
		const [, zones, sources] = asked.filter(({ body }) => body) as {
			body: { changes?: { zone: Zone }[]; sources?: unknown[] };
		}[];
		expect(zones!.body.changes!.every(({ zone }) => zone.fedBy === null && zone.governs === null)).toBe(true);
		expect(sources!.body).toEqual({ revision: 7, sources: [] });

		net.serve(() => ({ status: 422, body: { error: { sentence: 'Heat would go in a circle.' } } }));
		const refused = house.feed('study', 'boiler');
		await later(100);
		expect([await refused, house.problem]).toEqual([false, 'Heat would go in a circle.']);
		house.dismiss();
		expect(house.problem).toBeNull();
	});
});
