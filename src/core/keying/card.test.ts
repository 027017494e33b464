import { describe, expect, it } from 'vitest';
import { factoryOptions, findProfile, shippedProfiles, valuesToKey, type ControlProfile } from '../control';
import { fitZone } from '../fit';
import { newZone, withWanted, type Zone } from '../plan';
import { buildWeek, splitByDay } from '../week';
import {
	cardAsNew,
	keyCard,
	leftToKey,
	noNotes,
	settingItems,
	withNote,
	zoneCard,
	type KeyCard,
	type Notes
} from '.';
import { heldInWords } from '../words';

const [stat, keypad, timer] = ['six-step-room-stat', 'hour-strip-keypad', 'switch-timer'].map((id) =>
	findProfile(id)!
) as [ControlProfile, ControlProfile, ControlProfile];

function cardOf(zone: Zone, profile: ControlProfile) {
	const { chosen } = fitZone(zone, profile);
	return { card: keyCard(profile, zone.options, chosen.grouping, chosen.program), chosen };
}
/** What is noted once all that a card asks for was keyed on a control as new. */
function keyedBy(card: KeyCard, profile: ControlProfile): Notes {
	const { steps } = cardAsNew(profile, { items: card.items, ...card.operated });
	const found = withNote(profile, noNotes(profile), { what: 'found', found: 'as-new' });
	return withNote(profile, found, { what: 'keyed', goals: steps.map(({ item }) => item.goal) });
}
/** What is left of a zone's card by what is noted. */
const leftOf = (zone: Zone, profile: ControlProfile, notes: Notes) =>
	leftToKey(profile, zoneCard(zone, profile, notes).card, notes).steps.map(
		({ item }) => `${item.section} ${item.what} ${item.shows}`
	);

const working = [0, 1, 2, 3, 4].flatMap((d) => [
	{ at: d * 1440 + 290, value: 'comfort' },
	{ at: d * 1440 + 1090, value: 'eco' }
]);
const bindery = {
	...withWanted(newZone('Bindery', stat), buildWeek([...working, { at: 7200, value: 'frost' }])),
	grouping: '5-2'
};

describe('the card', () => {
	it('leads to each option and says what a change of it wipes; what wipes all the others comes first', () => {
		const { options } = stat.operation;
		const other = {
			...stat,
			operation: {
				...stat.operation,
				options: {
					...options,
					unit: undefined,
					grouping: { how: 'Turn the wheel to D.', wipes: 'all' as const, onlyWhenOff: true }
				}
			}
		};
		const zone = newZone('Loft', stat);
		const first = (profile: typeof stat) => settingItems(profile, zone.options, profile.groupings[1]!);
		expect(first(stat).map(({ what, before }) => [what, before])).toEqual([
			['unit', 'Hold Menu 5\u00a0s.'],
			['clock format', 'Hold Menu 5\u00a0s, then press OK.'],
			['day grouping', 'Hold Menu 5\u00a0s, then press OK twice.'],
			['steps a day', 'Hold Menu 5\u00a0s, then press OK 3 times.'],
			['program', 'Hold Menu 5\u00a0s, then press OK 4 times.']
		]);
		expect(first(stat)[1]!.aside).toBe('a change of it wipes nothing');
		const [grouping, unit] = first(other);
		expect([grouping!.what, grouping!.before, grouping!.aside]).toEqual([
			'day grouping',
			'Switch it off first. Turn the wheel to D.',
			'before all else: a change of it wipes everything'
		]);
		// what is not said is taken to be as on many controls
		expect([unit!.before, unit!.aside]).toEqual([
			null,
			'before the program: changing it later can wipe the week'
		]);
		// where there is nothing to choose nothing is asked, whatever is said of it
		const single = { ...stat, clockFormats: ['24' as const] };
		expect(first(single).map(({ what }) => what)).not.toContain('clock format');
	});

	it('asks for settings first, then time and temperature of every step, in the control’s own figures', () => {
		const { card } = cardOf(bindery, stat);
		expect(
			card.items.slice(0, 9).map((item) => `${item.section}: ${item.what} = ${item.shows}${item.unit}`)
		).toEqual([
			'Settings: unit = °C',
			'Settings: clock format = 24 h',
			'Settings: day grouping = 5+2',
			'Settings: steps a day = 6',
			'Settings: program = On',
			'Mon–Fri: step 1, time = 04:50',
			'Mon–Fri: step 2, time = 18:10',
			'Mon–Fri: step 2, temperature = 16.0°C',
			'Mon–Fri: step 3, time = 23:20'
		]);
		expect(card.items[5]!.before).toBe(stat.keying.enter);
		expect(card.items[5]!.aside).toBe(
			'days 1–5 on this control · 24-hour clock · pass what is right with "OK"'
		);
		// what stands so as new is not asked for
		const { steps } = cardAsNew(stat, { items: card.items, ...card.operated });
		expect(steps.map(({ item }) => item.id)).toEqual(
			card.items.filter(({ stood }) => !stood).map(({ id }) => id)
		);
	});

	it('speaks Fahrenheit and the 12-hour clock where the control is set to them', () => {
		const { card } = cardOf({ ...bindery, options: { ...bindery.options, unit: 'F', clock: '12' } }, stat);
		const first = card.items.filter((item) => item.section === 'Mon–Fri');
		expect(first.slice(0, 4).map((item) => item.shows)).toEqual(['4:50 am', '68', '6:10 pm', '61']);
	});

	it('goes run by run from midnight on an hour strip, its two setpoints first', () => {
		const zone = withWanted(newZone('Flat', keypad), buildWeek(working));
		const { card, chosen } = cardOf(zone, keypad);
		expect(valuesToKey(chosen.program, () => 1)).toBe(2 + 7 * 24);
		expect(card.items.map((item) => item.what).filter((what) => what.startsWith('copy'))).toEqual([
			'copy Monday onto it',
			'copy Tuesday onto it',
			'copy Wednesday onto it',
			'copy Thursday onto it',
			'copy Saturday onto it'
		]);
		// two setpoints, three runs of Monday and one of Saturday, five copies
		expect(card.items).toHaveLength(2 + 3 + 4 + 1 + 1);
		expect(card.cost.typed.values).toBe(5 * 3 - 1);
		expect(card.route.join(' ')).toBe(
			'Type Monday. Copy it on from day to day up to Friday. Type Saturday. Copy it to Sunday.'
		);
		expect(card.cost.route.presses).toBeLessThan(card.cost.typed.presses / 2);
		expect(card.items.slice(0, 4).map((item) => `${item.what} = ${item.shows}`)).toEqual([
			'comfort temperature = 20.0',
			'eco temperature = 16.0',
			'00:00 to 05:00 = Eco',
			'05:00 to 18:00 = Comfort'
		]);
		expect(card.items[2]!.before).toBe(keypad.keying.enter);
	});

	it('takes hour and minute apart where the control does, and clears what is not needed', () => {
		const zone = {
			...withWanted(
				newZone('Rail', timer),
				buildWeek([
					{ at: 390, value: 'on' },
					{ at: 480, value: 'off' }
				])
			),
			grouping: '7-day'
		};
		const { card } = cardOf(zone, timer);
		expect(
			card.items.filter((item) => item.section === 'Monday').map((item) => `${item.what} = ${item.shows}`)
		).toEqual([
			'pair 1 on, hour = 06',
			'pair 1 on, minute = 30',
			'pair 1 off, hour = 08',
			'pair 1 off, minute = 00'
		]);
	});

	it('has an id of its own for every value', () => {
		for (const profile of shippedProfiles) {
			const { card } = cardOf(newZone('Z', profile), profile);
			expect(new Set(card.items.map((item) => item.id)).size).toBe(card.items.length);
		}
	});
});

describe('what was keyed', () => {
	it('is passed over where it stands on none of the control’s scales, whoever sends it', () => {
		for (const profile of shippedProfiles) {
			const { card } = zoneCard(newZone('Z', profile), profile);
			for (const { goal } of card.items) {
				if (!('position' in goal) || goal.position === null) continue;
				const goals = [{ ...goal, position: 9999 }];
				expect(withNote(profile, noNotes(profile), { what: 'keyed', goals }).acts, profile.id).toEqual([]);
				const asked = withNote(profile, noNotes(profile), { what: 'keyed', goals: [goal] });
				expect(asked.acts, profile.id).toHaveLength(1);
			}
		}
	});

	it('stays done when the plan changes elsewhere, and is asked again where it changed', () => {
		const notes = keyedBy(cardOf(bindery, stat).card, stat);
		expect(leftOf(bindery, stat, notes)).toEqual([]);
		const later = withWanted(
			bindery,
			buildWeek(
				bindery.wanted.map((s) => ({
					at: s.at === 290 || s.at % 1440 === 290 ? s.at + 30 : s.at,
					value: s.level
				}))
			)
		);
		expect(leftOf(later, stat, notes)).toEqual(['Mon–Fri step 1, time 05:20']);
	});

	it('is gone where another grouping wipes the program, and stays where it wipes nothing', () => {
		const notes = keyedBy(cardOf(bindery, stat).card, stat);
		const other = { ...bindery, grouping: '7-day' };
		const fresh = cardAsNew(
			stat,
			(({ items, operated }) => ({ items, ...operated }))(cardOf(other, stat).card)
		);
		// the factory week is back: all of it is to key again, but for the other settings
		expect(leftOf(other, stat, notes)).toHaveLength(fresh.steps.length);
		const kind = {
			...stat,
			operation: {
				...stat.operation,
				options: {
					...stat.operation.options,
					grouping: { ...stat.operation.options.grouping!, wipes: 'nothing' as const }
				}
			}
		};
		expect(leftOf(other, kind, notes)).toEqual(['Settings day grouping 7-day']);
	});

	it('counts whatever route brought it: a day copied and then read to be another is asked for in what differs', () => {
		const zone = { ...withWanted(newZone('Loft', stat), buildWeek(working)), grouping: '7-day' };
		const { card } = cardOf(zone, stat);
		expect(card.items.some((item) => item.section === 'Tuesday' && item.what === 'copy Monday onto it')).toBe(
			true
		);
		const notes = withNote(stat, keyedBy(card, stat), {
			what: 'read',
			goals: [{ of: 'field', channel: 0, day: 1, all: false, key: '1/time', position: 39 }]
		});
		// once more copied is fewer presses than the way to its time
		expect(leftOf(zone, stat, notes)).toEqual(['Tuesday copy Monday onto it Tue']);
		expect(leftOf(zone, { ...stat, keying: { ...stat.keying, copy: null } }, notes)).toEqual([
			'Tuesday step 1, time 04:50'
		]);
	});

	it('is forgotten with a reset, and all of it asked for where the control was found in use', () => {
		const keyed = keyedBy(cardOf(bindery, stat).card, stat);
		const reset = withNote(stat, keyed, { what: 'found', found: 'as-new' });
		expect(leftOf(bindery, stat, reset)).toEqual(leftOf(bindery, stat, noNotes(stat)));
		const used = withNote(stat, noNotes(stat), { what: 'found', found: 'in-use' });
		expect(leftOf(bindery, stat, used).length).toBeGreaterThan(leftOf(bindery, stat, reset).length);
	});
});

describe('days made by copying', () => {
	it('are all at once on a control that has such an entry', () => {
		const floor = shippedProfiles.find((profile) => profile.id === 'four-step-floor-stat')!;
		const { card } = cardOf(withWanted(newZone('Floor', floor), buildWeek(working)), floor);
		expect(card.items.filter((item) => item.section === 'All days at once').length).toBeGreaterThan(0);
		expect(card.cost.route.values).toBeLessThan(card.cost.typed.values);
	});
});

describe('the customer’s words', () => {
	it('say like days once and cover every minute', () => {
		const { chosen } = cardOf(bindery, stat);
		const words = heldInWords(chosen.held, stat, factoryOptions(stat));
		expect(words.flatMap((one) => one.days).sort()).toEqual([0, 1, 2, 3, 4, 5, 6]);
		expect(words.map((one) => `${one.name}: ${one.sentence}`)).toContain(
			'Tuesday to Friday: 16.0\u00a0°C until 04:50, then 20.0\u00a0°C until 18:10, then 16.0\u00a0°C until midnight.'
		);
		expect(splitByDay(chosen.held)).toHaveLength(7);
	});
});
