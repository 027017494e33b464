import { describe, expect, it } from 'vitest';
import { findProfile } from '$core/control';
import { fitZone } from '$core/fit';
import { heatWeek, permissionOf } from '$core/house';
import { newZone, sourceSchema, withWanted, type Zone } from '$core/plan';
import { buildWeek, constantWeek, type WeekSteps } from '$core/week';
import { awayCut, waitsForGovernor } from './governed';

const stat = findProfile('six-step-room-stat')!;
const programmer = findProfile('two-channel-programmer')!;
const days = [0, 1, 2, 3, 4, 5, 6];
const daily = (zone: Zone, warm: string, from: number, cold: string, to: number) =>
	withWanted(
		zone,
		buildWeek(
			days.flatMap((day) => [
				{ at: day * 1440 + from, value: warm },
				{ at: day * 1440 + to, value: cold }
			])
		)
	);
const heating: Zone = {
	...daily(newZone('Heating', programmer), 'on', 360, 'off', 1380),
	governs: 'boiler',
	options: { ...newZone('H', programmer).options, channel: 0 }
};
const water: Zone = {
	...daily(newZone('Hot water', programmer), 'on', 300, 'off', 420),
	fedBy: 'boiler',
	options: { ...newZone('H', programmer).options, channel: 1 }
};
const room: Zone = { ...daily(newZone('Parlour', stat), 'comfort', 270, 'eco', 1320), fedBy: 'boiler' };
const boiler = sourceSchema.parse({ id: 'boiler', name: 'Boiler', kind: 'boiler' });
const { program, held: hours } = fitZone(heating, programmer).chosen;
const governor = { zone: heating, profile: programmer, program };
const { held } = fitZone(room, stat).chosen;
const may = permissionOf({ held: hours, isSwitch: true, levels: [] });
const never = constantWeek(false);
/** Monday 4 January 2027, at a minute of its day, where clocks go by UTC. */
const monday = (minute: number) => Date.UTC(2027, 0, 4, 0, minute);
const waits = (
	minute: number,
	setpointC: number,
	more: object = {},
	waterFirst: WeekSteps<boolean> = never
) =>
	waitsForGovernor(
		{ source: 'Boiler', governor: 'Heating', may, waterFirst, ...more },
		governor,
		{ zone: room, profile: stat, held },
		setpointC,
		{ timeZone: 'UTC', nowMs: monday(0), atMs: monday(minute) }
	);

describe('what a zone waits for', () => {
	it('is its source’s hours, first in the words of the week, and nothing while it rests or the source runs', () => {
		expect(waits(300, 21)).toMatch(
			/^Parlour cold every day 04:30–06:00, 1 h 30 a day: Boiler timed off, \d+\.\d\s°C wanted\. No heat until 06:00: Boiler timed off\.$/
		);
		expect(waits(300, 16)).toBeNull();
		expect(waits(400, 21)).toBeNull();
	});

	it('is the hot water where that comes first and its source may run', () => {
		const first = buildWeek([
			{ at: 0, value: false },
			{ at: 380, value: true },
			{ at: 420, value: false }
		]);
		expect(waits(400, 21, {}, first)).toBe('No heat until about 07:00: Boiler heats the hot water first.');
		// the same source without anything that governs it
		expect(waits(400, 21, { governor: null, may: constantWeek(true) }, first)).toContain('hot water first');
		expect(waits(500, 21, { governor: null, may: constantWeek(true) }, first)).toBeNull();
		expect(heatWeek({ may, waterFirst: first })).not.toEqual(may);
	});

	it('is nothing where the room makes its own heat', () => {
		expect(
			waitsForGovernor(null, null, { zone: room, profile: stat, held }, 21, {
				timeZone: 'UTC',
				nowMs: 0,
				atMs: 0
			})
		).toBeNull();
	});
});

it('an absence of what lets a source run cuts off its rooms, not its hot water; of anything else nothing', () => {
	const listed = (zone: Zone, profile: typeof stat) => ({ name: zone.name, document: zone, profile });
	const all = [listed(heating, programmer), listed(water, programmer), listed(room, stat)];
	expect(awayCut(heating, programmer, [boiler], all)).toBe(
		'Do not set Heating to holiday: Parlour loses Boiler and frost protection. Turn the zones down instead.'
	);
	expect(awayCut(heating, programmer, [boiler], all.slice(0, 2))).toBeNull();
	expect(awayCut(room, stat, [boiler], all)).toBeNull();
	// a stat that governs keeps a temperature while it is away
	expect(awayCut({ name: 'Hall', governs: 'boiler' }, stat, [boiler], all)).toBeNull();
});
