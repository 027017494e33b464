import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findProfile, fahrenheitToCelsius, shippedProfiles, type ControlProfile } from '../control';
import { fitZone } from '../fit';
import { newZone, roomSchema, withWanted, type Absence, type Zone } from '../plan';
import { buildWeek, valueAt } from '../week';
import { customerPage } from './customerPage';
import { NARROW_SPAN } from './printedWeek';

const NOW = Date.UTC(2026, 10, 25, 9);
const site = (name: string) => ({ name, place: 'Anywhere', timeZone: 'Europe/Berlin' });
const page = (zone: Zone, profile: ControlProfile, choice = {}) =>
	customerPage(zone, profile, site('Pepper Wharf'), NOW, { choice });
const NAMES = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

/** The days that a heading of the page names. */
function daysOf(heading: string): number[] {
	if (heading === 'Every day') return [0, 1, 2, 3, 4, 5, 6];
	const run = /^(\w+) to (\w+)$/.exec(heading);
	if (run) {
		const [from, to] = [NAMES.indexOf(run[1]!), NAMES.indexOf(run[2]!)];
		return Array.from({ length: to - from + 1 }, (_, i) => from + i);
	}
	return heading.split(/, | and /).map((name) => NAMES.indexOf(name));
}

/** What a sentence of the page says of each minute of a day. */
function readSentence(sentence: string, clock12: boolean): (minute: number) => string {
	const minuteOf = (words: string) => {
		if (words === 'midnight') return 1440;
		const [, hour, minute, half] = /^(\d+):(\d\d)(?: (am|pm))?$/.exec(words)!;
		return (clock12 ? (Number(hour) % 12) + (half === 'pm' ? 12 : 0) : Number(hour)) * 60 + Number(minute);
	};
	const allDay = /^(.*) all day\.$/.exec(sentence);
	if (allDay) return () => allDay[1]!;
	const switched = /^On from (.*); off otherwise\.$/.exec(sentence);
	if (switched) {
		const spans = switched[1]!.split(' and from ').map((span) => span.split(' to ').map(minuteOf));
		return (minute) => (spans.some(([from, to]) => minute >= from! % 1440 && minute < to!) ? 'On' : 'Off');
	}
	const parts = sentence
		.slice(0, -1)
		.split(', then ')
		.map((part) => part.split(' until ') as [string, string]);
	return (minute) => parts.find(([, until]) => minute < minuteOf(until))![0];
}

const zones = fc
	.tuple(
		fc.constantFrom(...shippedProfiles),
		fc.array(fc.tuple(fc.nat(10_079), fc.nat(20)), { minLength: 1, maxLength: 10 })
	)
	.map(([profile, risers]) => {
		const zone = newZone('Sail loft', profile);
		const ids = zone.levels.map((level) => level.id);
		const week = risers.map(([at, n]) => ({ at: at - (at % 10), value: ids[n % ids.length]! }));
		return { profile, zone: withWanted(zone, buildWeek(week)) };
	});

describe('the customer’s page', () => {
	it('says in words, day by day and minute by minute, what the control will hold, on either clock and in either unit', () => {
		fc.assert(
			fc.property(
				zones,
				fc.constantFrom<'12' | '24'>('12', '24'),
				fc.constantFrom<'C' | 'F'>('C', 'F'),
				fc.array(fc.nat(1439), { minLength: 20, maxLength: 20 }),
				({ profile, zone }, clock, unit, minutes) => {
					const { held } = fitZone(zone, profile).chosen;
					const { week } = page(zone, profile, { clock, unit });
					expect(week.flatMap(({ days }) => daysOf(days)).sort()).toEqual([0, 1, 2, 3, 4, 5, 6]);
					for (const { days, sentence } of week) {
						const said = readSentence(sentence, clock === '12');
						for (const day of daysOf(days))
							for (const minute of minutes) {
								const is = valueAt(held, day * 1440 + minute);
								if (profile.temperature === null) expect(said(minute)).toBe(is === 1 ? 'On' : 'Off');
								else {
									const [, figure, shown] = /^(-?[\d.]+)\u00a0°([CF])$/.exec(said(minute))!;
									expect(shown).toBe(unit);
									// whole degrees Fahrenheit are rounded, tenths of a degree Celsius are not
									const c = unit === 'F' ? fahrenheitToCelsius(Number(figure)) : Number(figure);
									expect(Math.abs(c - is)).toBeLessThan(unit === 'F' ? 0.28 : 0.051);
								}
							}
					}
				}
			),
			{ numRuns: 120 }
		);
	}, 60_000);

	it('draws the same for a sheet and for a phone, with no word outside and none over another', () => {
		fc.assert(
			fc.property(zones, fc.constantFrom<'12' | '24'>('12', '24'), ({ profile, zone }, clock) => {
				const { drawing, narrowDrawing } = page(zone, profile, { clock });
				expect(narrowDrawing.span).toBe(NARROW_SPAN);
				expect(narrowDrawing.days.map(({ name }) => name)).toEqual(drawing.days.map(({ name }) => name));
				for (const { span, days } of [drawing, narrowDrawing])
					for (const { times, figures } of days) {
						for (const word of figures) {
							expect(word.x).toBeGreaterThanOrEqual(0);
							expect(word.x).toBeLessThanOrEqual(span);
						}
						// about 6.1 units a letter at this size, as the face is measured
						const wide = times.map(({ x, text, anchor }) => {
							const width = text.length * 6.1;
							const from = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2;
							return [from, from + width] as const;
						});
						// paper ends where the line does
						for (const [, to] of wide) expect(to).toBeLessThanOrEqual(span + 0.01);
						for (const [i, [from]] of wide.entries())
							if (i > 0) expect(from).toBeGreaterThanOrEqual(wide[i - 1]![1] - 9);
					}
			}),
			{ numRuns: 100 }
		);
	});

	it('says that the figures of a floor sensor are the floor’s, who signed, and all day where it is all day', () => {
		const stat = findProfile('touch-floor-stat')!;
		const room = roomSchema.parse({
			floorAreaM2: 10,
			heightM: 2.4,
			build: 'medium',
			loss: { by: 'figure', wattsPerKelvin: 30 },
			emitter: { kind: 'floor-cable', ratedW: 1000 },
			sensor: 'floor',
			finish: 'tile'
		});
		const words = (more: Partial<Zone>, setUpBy: string | null = null) =>
			JSON.stringify(customerPage({ ...newZone('Bath', stat), ...more }, stat, site('S'), NOW, { setUpBy }));
		expect(words({ room })).toContain('temperatures of the floor, not of the air');
		expect(words({ room: null })).not.toContain('of the floor');
		expect(words({}, 'M. Őrsi')).toContain('"setUpBy":"M. Őrsi"');
		// a Saturday and Sunday that no event of a 24-hour control can hold
		const alike = findProfile('six-step-room-stat')!;
		const fresh = newZone('Attic', alike);
		const weekend = withWanted(
			fresh,
			buildWeek([
				{ at: 0, value: 'comfort' },
				{ at: 7200, value: 'eco' }
			])
		);
		const off = customerPage({ ...weekend, grouping: '24-hour' }, alike, site('S'), NOW, {
			choice: { clock: '12' }
		});
		expect(JSON.stringify(off)).toContain('Sat, Sun, all day: warmer than you asked.');
	});

	it('says what is planned with its keys, and whose act it is', () => {
		const away = {
			kind: 'absence',
			id: 'x',
			leave: '2027-02-07T14:00',
			back: '2027-02-14T18:00',
			setpointC: 7,
			note: ''
		} as const;
		const said = (control: string, of: Partial<Absence>, now = '2027-02-01T12:00:00Z') => {
			const profile = findProfile(control)!;
			const zone = { ...newZone('Z', profile), exceptions: [{ ...away, ...of }] };
			const { right } = customerPage(zone, profile, site('S'), Date.parse(now));
			return right.find(({ title }) => title === 'When you go away')?.lines[0]!.text ?? '';
		};
		for (const { id, temperature, habits } of shippedProfiles) {
			const text = said(id, {});
			expect(text, id).toContain('Planned, ');
			if (temperature && habits.holiday?.by === 'days')
				expect(text, id).toMatch(/: set \d days when you leave\. \S/);
			expect(said(id, { keyedBy: 'installer' }), id).toMatch(/we set it for you\.$/);
			expect(said(id, {}, '2027-02-15T12:00:00Z'), id).not.toContain('Planned, ');
		}
	});

	it('tells nobody to switch off what lets the boiler run: the pipes would freeze', () => {
		const programmer = findProfile('two-channel-programmer')!;
		const page = (lets: string | null) =>
			customerPage(newZone('Heating', programmer), programmer, site('S'), NOW, { lets }).right.find(
				({ title }) => title === 'When you go away'
			);
		const said = JSON.stringify(page('the boiler'));
		expect(said).toMatch(/Leave this on its week, also in winter: it lets the boiler run/);
		expect(said).not.toMatch(/press/i);
		expect(JSON.stringify(page(null))).not.toContain('Leave this on its week');
	});

	it('warns of what hurts, and tells a timer from a thermostat', () => {
		const words = (id: string, choice = {}) => {
			const profile = findProfile(id)!;
			return JSON.stringify(page(newZone('Room', profile), profile, choice));
		};
		expect(words('six-step-room-stat')).toContain(
			'Infants, older people and people who are ill need 18\u00a0°C or more'
		);
		expect(words('six-step-room-stat', { unit: 'F' })).toContain('65\u00a0°F');
		expect(words('switch-timer')).toContain('turn it off when small children use the bathroom');
		expect(words('switch-timer')).not.toContain('Infants');
		const programmer = findProfile('two-channel-programmer')!;
		const water = newZone('Water', programmer);
		const sheet = JSON.stringify(page({ ...water, options: { ...water.options, channel: 1 } }, programmer));
		expect(sheet).toContain('at a tap can scald');
		expect(sheet).not.toContain('towel rail');
		for (const profile of shippedProfiles)
			expect(words(profile.id)).toContain('Never open a heating control or the boiler');
	});
});
