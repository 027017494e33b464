import { expect, it } from 'vitest';
import { allowedOptions, findProfile, shippedProfiles } from '$core/control';
import { newZone, withWanted, zoneSchema } from '$core/plan';
import { buildWeek } from '$core/week';
import { answered, followed, following, leftBehind, noteBefore, typeStanding } from './followers';

const stat = findProfile('six-step-room-stat')!;
const drawn = (name: string, minute: number) =>
	withWanted(
		newZone(name, stat),
		buildWeek([
			{ at: minute, value: 'comfort' },
			{ at: 1320, value: 'eco' }
		])
	);
const listed = (id: string, document = drawn(id, 360)) => ({ id, name: id, revision: 1, document });

it('those that lived the same week are left behind by a change, until they follow or it was answered', () => {
	const zones = [listed('a'), listed('b'), listed('c', drawn('c', 400)), listed('d')];
	noteBefore('a', zones[0]!.document);
	expect(leftBehind('a', zones[0]!.document, zones, stat)).toEqual([]);
	const changed = { ...drawn('a', 330), grouping: '5+2', note: 'Mind the step.' };
	// the page is seen again after the change: how it stood stays
	noteBefore('a', changed);
	const behind = leftBehind('a', changed, zones, stat);
	expect(behind.map(({ id }) => id)).toEqual(['b', 'd']);

	const [first] = followed(changed, behind, stat);
	expect(first).toMatchObject({ id: 'b', revision: 1, zone: { name: 'b', note: '', grouping: '5+2' } });
	expect(first!.zone.wanted).toEqual(changed.wanted);

	answered('a', changed);
	expect(leftBehind('a', changed, zones, stat)).toEqual([]);
});

it('nobody is asked to follow a week that nobody had drawn', () => {
	const fresh = newZone('e', stat);
	noteBefore('e', fresh);
	expect(leftBehind('e', drawn('e', 360), [listed('f', newZone('f', stat))], stat)).toEqual([]);
});

it('the like in other dwellings of a type follow what most of them share; one of its own keeps it', () => {
	const flat = (n: number, minute: number, room = 'Lounge', type = 'Flat A') =>
		listed(`${n}/${room}`, { ...drawn(`Flat ${n} ${room}`, minute), dwelling: `Flat ${n}`, type });
	const zones = [
		flat(1, 360),
		flat(2, 400),
		flat(3, 360),
		flat(4, 360),
		flat(5, 360, 'Bedroom'),
		flat(6, 360, 'Lounge', 'Flat B')
	];
	const names = (list: readonly { name: string }[] = []) => list.map(({ name }) => name);
	const standing = (of: (typeof zones)[number], document = of.document) =>
		typeStanding(of.id, document, zones);
	// as most of them
	expect(standing(zones[0]!)).toEqual({ shared: [], own: [zones[1]] });
	// changed: neither the flat with its own week, nor another room, nor another type is given it
	const changed = standing(zones[0]!, { ...zones[0]!.document, wanted: drawn('', 330).wanted });
	expect(names(changed?.shared)).toEqual(['3/Lounge', '4/Lounge']);
	expect(names(changed?.own)).toEqual(['2/Lounge']);
	// the one of its own is told what the others share
	expect(names(standing(zones[1]!)?.shared)).toEqual(['1/Lounge', '3/Lounge', '4/Lounge']);
	expect(standing(zones[4]!)).toBeNull();
	expect(typeStanding('x', drawn('Attic', 360), [...zones, listed('y', drawn('Attic', 360))])).toBeNull();
});

it.each(
	shippedProfiles.flatMap((profile) =>
		(['C', 'F'] as const).map((unit) => [`${profile.id} in °${unit}`, profile, unit] as const)
	)
)('who was given the week of its type lives as its type does: %s', (_, profile, unit) => {
	const flat = (n: number) => {
		const zone = newZone(`Flat ${n} Lounge`, profile);
		return { ...zone, dwelling: `Flat ${n}`, type: 'Flat A' };
	};
	const first = flat(1);
	const [warm, rest] = first.levels;
	const options = allowedOptions(profile, { ...first.options, unit, clock: '12' });
	const changed = {
		...withWanted(
			{ ...first, options, grouping: profile.groupings.at(-1)!.id },
			buildWeek([
				{ at: 1500, value: warm!.id },
				{ at: 2000, value: rest!.id }
			])
		),
		levels: first.levels.map((level) => ({ ...level, name: `${level.name} here` }))
	};
	const others = [2, 3].map((n) => listed(`${n}`, flat(n)));
	expect(typeStanding('1', changed, others)?.shared).toHaveLength(2);
	const given = followed(changed, others, profile).map(({ id, zone }) => listed(id, zone));
	expect(typeStanding('1', changed, given)).toEqual({ shared: [], own: [] });
	for (const { document } of given) expect(zoneSchema.safeParse(document).success).toBe(true);
	// and taking it back from them is no other way
	expect(typeStanding('2', following(others[0]!.document, changed, profile), given)?.shared).toEqual([]);
});
