import { describe, expect, it } from 'vitest';
import { findProfile } from '../control';
import { newZone, withWanted, zoneSchema } from '../plan';
import { buildWeek } from '../week';
import { zoneCard } from '.';

type Day = readonly (readonly [at: number, level: string])[];
const at = (hour: number, minute = 0) => hour * 60 + minute;
const work: Day = [
	[at(6, 30), 'comfort'],
	[at(8, 20), 'eco'],
	[at(17), 'comfort'],
	[at(22, 30), 'eco']
];
const late: Day = [...work.slice(0, 3), [at(23, 30), 'eco']];
const free: Day = [
	[at(8), 'comfort'],
	[at(23), 'eco']
];

/** The card's route, in words, of a week on a control that keys day by day. */
function routeOf(id: string, days: readonly Day[]): string {
	const profile = findProfile(id)!;
	const week = buildWeek(
		days.flatMap((day, i) => day.map(([minute, value]) => ({ at: i * 1440 + minute, value })))
	);
	const fresh = withWanted(newZone('Any', profile), week);
	return zoneCard(
		zoneSchema.parse({ ...fresh, grouping: profile.groupings.at(-1)!.id }),
		profile
	).card.route.join(' ');
}

// what an installer does with such a week (common practice, from memory)
describe('a card goes the way that an installer would go', () => {
	it.each([
		[
			'working days alike, two others',
			'six-step-room-stat',
			[work, work, work, work, work, free, free],
			'Set Monday in 10 values. Copy it on from day to day up to Saturday, then put Saturday right in 3 values. Copy it to Sunday.'
		],
		[
			'free in the middle of the week as well',
			'six-step-room-stat',
			[work, work, free, work, work, free, free],
			'Set Monday in 10 values. Copy it to Tuesday, Wednesday, then put Wednesday right in 3 values. Copy Monday to Thursday, Friday. Copy Wednesday to Saturday, Sunday.'
		],
		[
			'all days alike',
			'radio-stat',
			[work, work, work, work, work, work, work],
			'Set Monday in 10 values. Copy it on from day to day up to Sunday.'
		],
		[
			'one evening longer, copied in a block',
			'block-copy-floor-stat',
			[work, work, work, work, late, work, work],
			'Set Monday in 8 values. Copy it to Tuesday–Sunday. Put right Friday in 1 value.'
		],
		[
			'a strip that is copied only onto the next day',
			'hour-strip-keypad',
			[work, work, work, work, work, free, free],
			'Type Monday. Copy it on from day to day up to Friday. Type Saturday. Copy it to Sunday.'
		],
		[
			'all days filled in one go',
			'plant-clock',
			[work, work, work, work, work, free, free],
			'Fill all days like Monday. Type Saturday. Copy it to Sunday.'
		]
	] as const)('%s', (_, id, days, route) => {
		expect(routeOf(id, days)).toBe(route);
	});
});
