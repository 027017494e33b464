import { describe, expect, it } from 'vitest';
import { familyOn, interview } from '../../../tests/support/interview';
import { begin, canHave, FAULTS, livedThrough, pass, plant, seeded, type Fault } from '.';

const START_MS = Date.parse('2026-01-06T12:00:00Z');
const CONTROLS = [
	'six-step-room-stat',
	'hour-strip-keypad',
	'day-by-day-panel-stat',
	'radio-stat',
	'four-step-floor-stat'
];

describe('the household of a stand-in', () => {
	it('says what it lives through, and answers so that what is wrong is among the first three', () => {
		const wrong: unknown[] = [];
		const seen = new Set<Fault>();
		let [all, first] = [0, 0];
		for (const id of CONTROLS) {
			const { profile, memory } = familyOn(id);
			const world = pass(begin(profile, START_MS, { timeZone: 'Europe/Dublin' }, memory), 86_400);
			for (const fault of FAULTS.filter((one) => canHave(world, one))) {
				const planted = plant(world, fault, seeded(7));
				const { last, asked, ranked } = interview(planted);
				all++;
				seen.add(fault);
				if (last === 1) first++;
				if (last > 3)
					wrong.push([
						id,
						fault,
						planted.detail,
						asked,
						last,
						ranked.slice(0, 4).map((one) => one.cause.id),
						livedThrough(planted)
					]);
			}
		}
		expect(wrong).toEqual([]);
		expect([...seen].sort()).toEqual([...FAULTS].sort());
		expect(first / all).toBeGreaterThan(0.7);
	}, 90_000);
});
