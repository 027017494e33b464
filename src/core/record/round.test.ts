import fc from 'fast-check';
import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import { writeRoundCalendar } from '../formats';
import { ROUND_PACE, spreadRound, stopMinutes, type RoundSite } from '.';

const site = (id: string, place: string, clocks: number, set = 0): RoundSite => ({
	siteId: id,
	siteName: `Site ${id}`,
	place,
	shiftMinutes: 60,
	clocks: Array.from({ length: clocks }, (_, i) => ({
		zoneId: `${id}${i}`,
		name: `Zone ${i}`,
		how: 'hold the clock key',
		set: i < set,
		unseen: false
	}))
});

describe('a round', () => {
	it('goes town by town, the town with most clocks first, and passes over the weekend', () => {
		const plan = spreadRound(
			[
				site('a', 'Low Road, Combe', 2),
				site('b', 'Weir Street, Brinmoor', 9),
				site('c', 'High Road, Combe', 3),
				site('d', 'Quay, Harrowmere', 1),
				site('e', 'Mill, Harrowmere', 4, 4)
			],
			// Saturday 3 April 2027; 25 + 9·4 = 61 min in Brinmoor, 37 + 33 in Combe, 29 in Harrowmere
			{ from: '2027-04-03', minutesADay: 75 }
		);
		expect(plan).toEqual({
			b: { day: '2027-04-05', place: 0 },
			c: { day: '2027-04-06', place: 0 },
			a: { day: '2027-04-06', place: 1 },
			d: { day: '2027-04-07', place: 0 }
		});
		expect(
			spreadRound([site('a', 'X', 2)], { from: '2027-04-03', minutesADay: 75, weekends: true })['a']!.day
		).toBe('2027-04-03');
	});

	it('gives every open site one day, no day more than it holds unless one site alone does, in one order', () => {
		const anySite = fc.record({
			town: fc.constantFrom('Combe', 'Brinmoor', 'Withy End', ''),
			clocks: fc.integer({ min: 1, max: 30 }),
			set: fc.integer({ min: 0, max: 30 })
		});
		fc.assert(
			fc.property(
				fc.array(anySite, { maxLength: 40 }),
				fc.integer({ min: 30, max: 600 }),
				(made, minutesADay) => {
					const sites = made.map(({ town, clocks, set }, i) => site(String(i), town, clocks, set));
					const plan = spreadRound(sites, { from: '2027-03-29', minutesADay });
					const open = sites.filter((one) => one.clocks.some((clock) => !clock.set));
					expect(Object.keys(plan).sort()).toEqual(open.map((one) => one.siteId).sort());
					const days = new Map<string, RoundSite[]>();
					for (const one of open) {
						const { day } = plan[one.siteId]!;
						days.set(day, [...(days.get(day) ?? []), one]);
					}
					for (const [day, here] of days) {
						expect([0, 6]).not.toContain(new Date(`${day}T00:00Z`).getUTCDay());
						const minutes = here.reduce((sum, one) => sum + stopMinutes(one), 0);
						expect(minutes <= minutesADay || here.length === 1).toBe(true);
						expect(here.map((one) => plan[one.siteId]!.place).sort((a, b) => a - b)).toEqual(
							here.map((_, i) => i)
						);
					}
				}
			)
		);
		expect(stopMinutes(site('a', '', 3, 1))).toBe(ROUND_PACE.minutesAStop + 2 * ROUND_PACE.minutesAClock);
	});

	it('is a calendar of whole days: a day for each planned site with clocks left, and what to do there', () => {
		const sites = [site('a', 'Low Road, Combe', 2, 1), site('b', 'Weir', 1, 1), site('c', 'Quay', 1)];
		const stop = (day: string, who = '') => ({ day, who, place: 0 });
		const text = writeRoundCalendar(
			'2027-03-28',
			sites,
			{ stops: { a: stop('2027-03-29', 'M. Sedge'), b: stop('2027-03-29') } },
			new Date('2027-01-01T00:00:00Z')
		);
		const events = new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent');
		expect(events).toHaveLength(1);
		const event = new ICAL.Event(events[0]!);
		expect(event.summary).toBe('Site a: set 1 clock 60 min on (M. Sedge)');
		expect(event.location).toBe('Low Road, Combe');
		expect(event.description).toBe('Zone 1: hold the clock key');
		expect(event.startDate.toString()).toBe('2027-03-29');
		expect(event.startDate.isDate).toBe(true);
	});
});
