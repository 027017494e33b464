import fc from 'fast-check';
import { expect, it } from 'vitest';
import { channelsOf, perDayOffers, shippedProfiles } from '../control';
import { newZone, withWanted, zoneSchema } from '../plan';
import { buildWeek } from '../week';
import { isCardId, MOST_KEYED, readBackGroups, readId, withKeyed, zoneCard } from '.';

it('every value that a card or its read-back asks for, on every control with every option, is known by its id', () => {
	let ids = 0;
	for (const profile of shippedProfiles)
		fc.assert(
			fc.property(
				fc.record({
					steps: fc.array(fc.record({ at: fc.nat(10_079), pick: fc.nat(2) }), {
						minLength: 1,
						maxLength: 40
					}),
					unit: fc.constantFrom(...(profile.temperature?.units ?? (['C'] as const))),
					clock: fc.constantFrom(...profile.clockFormats),
					perDay: fc.constantFrom(...perDayOffers(profile), 1),
					channel: fc.nat((channelsOf(profile)?.length ?? 1) - 1),
					grouping: fc.constantFrom(...profile.groupings.map(({ id }) => id)),
					plain: fc.boolean()
				}),
				({ steps, grouping, ...options }) => {
					const fresh = newZone('Any', profile);
					const byMinute = new Map(
						steps.map(({ at, pick }) => [at, fresh.levels[pick % fresh.levels.length]!.id])
					);
					const zone = zoneSchema.parse({
						...withWanted(fresh, buildWeek([...byMinute].map(([at, value]) => ({ at, value })))),
						grouping,
						options: { ...fresh.options, ...options, plain: options.plain && profile.canBePlain }
					});
					const { card, chosen } = zoneCard(zone, profile);
					const groups = readBackGroups(profile, zone.options, chosen.program);
					const all = [
						...card.items.map((item) => item.id),
						...groups.flatMap((group) => group.fields.flatMap(({ id }) => [id, readId(id)]))
					];
					expect(
						all.filter((id) => !isCardId(id, profile)),
						profile.id
					).toEqual([]);
					// all of it can be kept at once
					expect(new Set(all).size).toBeLessThanOrEqual(MOST_KEYED);
					ids += all.length;
				}
			),
			{ numRuns: 25 }
		);
	expect(ids).toBeGreaterThan(5000);
});

it('nothing else is, and of too much the last noted is kept', () => {
	const stat = shippedProfiles[0]!;
	for (const id of [
		'',
		'a',
		'kill/1/2',
		'setting/else',
		'mode/else',
		`${stat.groupings[0]!.id}/6/C/24/0/1`.replace('/0/1', '/x/1'),
		'other/6/C/24/0/1/time'
	])
		expect(isCardId(id, stat), id).toBe(false);
	const many = Object.fromEntries(Array.from({ length: 3000 }, (_, i) => [`id/${i}`, 'x']));
	expect(Object.keys(withKeyed({}, many))).toEqual(Object.keys(many).slice(-MOST_KEYED));
	expect(withKeyed({ a: '1', b: '2' }, { a: null })).toEqual({ b: '2' });
});

it('what a note overtakes is noted no longer: a cleared step’s time, a day copied onto, a week that another grouping wiped', () => {
	const stem = '7-day/6/C/24';
	const note = (keyed: Record<string, string>, id: string, shows: string) => ({
		...withKeyed(keyed, { [id]: shows })
	});
	const timed = {
		[`${stem}/0/2/time`]: '06:30',
		[`${stem}/0/2/temperature`]: '20.0',
		[`${stem}/0/21/x`]: '1'
	};
	const cleared = note(timed, `${stem}/0/2/clear`, '--:--');
	expect(Object.keys(cleared)).toEqual([`${stem}/0/21/x`, `${stem}/0/2/clear`]);
	expect(Object.keys(note(cleared, `${stem}/0/2/time`, '06:30'))).toEqual([
		`${stem}/0/21/x`,
		`${stem}/0/2/time`
	]);
	const pairs = note({ [`${stem}/0/1/clear`]: '--:--' }, `${stem}/0/1/on/hour`, '06');
	expect(Object.keys(pairs)).toEqual([`${stem}/0/1/on/hour`]);
	const copied = note(
		{ [`${stem}/1/1/time`]: '06:00', [`${stem}/2/1/time`]: '06:00', [`${stem}/copy/0-1/abc`]: 'Tue' },
		`${stem}/copy/2-1/def`,
		'Tue'
	);
	expect(Object.keys(copied)).toEqual([`${stem}/2/1/time`, `${stem}/copy/2-1/def`]);
	const filled = note(
		{ [`${stem}/1/1/time`]: '06:00', [`${stem}/1/2/time`]: '08:00' },
		`${stem}/all/1/time`,
		'07:00'
	);
	expect(Object.keys(filled)).toEqual([`${stem}/1/2/time`, `${stem}/all/1/time`]);
	const once = { 'setting/grouping': '7-day', 'setting/comfort/C': '20.0', [`${stem}/1/1/time`]: '06:00' };
	expect(Object.keys(note(once, 'setting/grouping', '7-day'))).toHaveLength(3);
	expect(Object.keys(note(once, 'setting/grouping', '5+2'))).toEqual([
		'setting/comfort/C',
		'setting/grouping'
	]);
});

it('a slot that is written since is cut out of the run that was noted, and the rest of it stays', () => {
	const day = '7-day/1/C/24/0';
	const noted = withKeyed(
		{},
		{ [`${day}/0-6`]: 'Eco', [`${day}/7-12`]: 'Comfort', [`read/${day}/7`]: 'Eco' }
	);
	const later = withKeyed(noted, { [`${day}/5-8`]: 'Eco', [`${day}/11`]: 'Eco' });
	expect(later).toEqual({
		[`${day}/0-4`]: 'Eco',
		[`${day}/9-10`]: 'Comfort',
		[`${day}/12`]: 'Comfort',
		[`read/${day}/7`]: 'Eco',
		[`${day}/5-8`]: 'Eco',
		[`${day}/11`]: 'Eco'
	});
});
