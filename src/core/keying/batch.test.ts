import { expect, it } from 'vitest';
import { findProfile } from '../control';
import { fitZone } from '../fit';
import { newZone, withWanted, type Zone } from '../plan';
import { buildWeek } from '../week';
import { cardDistance, zoneCard } from '.';

const keypad = findProfile('hour-strip-keypad')!;
const room = (name: string, from: number): Zone => {
	const fresh = newZone(name, keypad);
	return withWanted(
		fresh,
		buildWeek(
			[0, 1, 2, 3, 4, 5, 6].flatMap((day) => [
				{ at: day * 1440 + from * 60, value: fresh.levels[0]!.id },
				{ at: day * 1440 + 1320, value: fresh.levels[1]!.id }
			])
		)
	);
};
const fitted = (zone: Zone) => ({ zone, fit: fitZone(zone, keypad) });

it('controls alike with one program are one card; what differs is counted; other settings make another card', () => {
	const first = fitted(room('Apple', 7));
	const alike = fitted(room('Bittern', 7));
	const later = fitted(room('Dormer', 9));
	expect(cardDistance(first, alike, keypad)).toBe(0);
	const ids = (zone: Zone) => zoneCard(zone, keypad).card.items.map(({ id, shows }) => [id, shows]);
	expect(ids(alike.zone)).toEqual(ids(first.zone));
	// two hours a day, in each group of days that the grouping has
	const groups = first.fit.chosen.grouping.groups.length;
	expect(cardDistance(first, later, keypad)).toBe(2 * groups);
	const grouped = fitted({ ...alike.zone, grouping: keypad.groupings.at(-1)!.id });
	expect(cardDistance(first, grouped, keypad)).toBe(
		first.fit.chosen.grouping.id === grouped.fit.chosen.grouping.id ? 0 : null
	);
	const other = keypad.clockFormats.find((clock) => clock !== first.zone.options.clock);
	if (other)
		expect(
			cardDistance(first, fitted({ ...alike.zone, options: { ...alike.zone.options, clock: other } }), keypad)
		).toBeNull();
});
