import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	joinReadings,
	noteOnSite,
	nothingNoted,
	offsetOf,
	testStanding,
	TEST_STEPS,
	withReading,
	type ClockReading,
	type OnSite
} from '.';

const noted = (result: ReturnType<typeof noteOnSite>) => {
	if ('refused' in result) throw new Error(result.refused);
	return result;
};

describe('what is noted on site', () => {
	it('takes fields one by one, and keeps what somebody else noted meanwhile, saying so', () => {
		const office = noted(noteOnSite(nothingNoted, [{ key: 'leftIn', value: 'hold', base: null }])).noted;
		const phone = noted(
			noteOnSite(office, [
				{ key: 'leftIn', value: 'automatic', base: null },
				{ key: 'roomC', value: 19.5, base: null }
			])
		);
		expect(phone.noted).toMatchObject({ leftIn: 'hold', roomC: 19.5 });
		expect(phone.conflicts).toEqual([{ key: 'leftIn', theirs: 'hold', mine: 'automatic' }]);
		// knowing of it, it is taken
		const again = noted(noteOnSite(phone.noted, [{ key: 'leftIn', value: 'automatic', base: 'hold' }]));
		expect(again.noted.leftIn).toBe('automatic');
		expect(again.conflicts).toEqual([]);
	});

	it('may be sent twice: the second time changes nothing and is no conflict', () => {
		const edit = { key: 'offsetReadings', value: [{ controlC: 20, thermometerC: 19 }], base: [] } as const;
		const once = noted(noteOnSite(nothingNoted, [edit])).noted;
		expect(noted(noteOnSite(once, [edit]))).toEqual({ noted: once, conflicts: [] });
	});

	it('refuses a value that is none for its field, and then takes nothing', () => {
		const result = noteOnSite(nothingNoted, [
			{ key: 'frostOn', value: true },
			{ key: 'roomC', value: 'warm' }
		]);
		expect('refused' in result && result.refused).toMatch(/^The room must be a number\.$/);
	});

	it('merges edits of different fields in any order to the same', () => {
		const values: Partial<OnSite> = {
			frostOn: true,
			roomC: 18,
			lockWanted: true,
			leftIn: 'off',
			paired: false
		};
		const edits = Object.entries(values).map(([key, value]) => ({
			key: key as keyof OnSite,
			value,
			base: nothingNoted[key as keyof OnSite]
		}));
		fc.assert(
			fc.property(fc.shuffledSubarray(edits, { minLength: edits.length }), (order) => {
				expect(noted(noteOnSite(nothingNoted, order)).noted).toEqual({ ...nothingNoted, ...values });
			})
		);
	});

	describe('looks at a clock', () => {
		const look = (at: string, errorSeconds = 0): ClockReading => ({
			at: `2026-11-25T${at}Z`,
			errorSeconds,
			daysAhead: 0,
			set: true,
			lost: false
		});
		const [a, b, c] = [look('08:00:00.000'), look('08:05:00.000', 60), look('08:10:00.000', -60)] as const;
		const edit = (value: readonly ClockReading[], base: readonly ClockReading[]) =>
			({ key: 'clockReadings', value, base }) as const;

		it('of several people add up, and one taken back is taken away', () => {
			const once = noted(noteOnSite(nothingNoted, [edit([a, b], [])])).noted;
			// another device saw only the first
			const twice = noted(noteOnSite(once, [edit([a, c], [a])]));
			expect(twice).toMatchObject({ noted: { clockReadings: [a, b, c] }, conflicts: [] });
			expect(noted(noteOnSite(twice.noted, [edit([a, c], [a])]))).toEqual(twice);
			const back = noted(noteOnSite(twice.noted, [edit([a], [a, b])])).noted;
			expect(back.clockReadings).toEqual([a, c]);
			expect('refused' in noteOnSite(back, [{ ...edit([a], []), value: 'noon' }])).toBe(true);
		});

		it('in one second are two, in their order; lists are joined without doubles, the latest 400 kept', () => {
			const two = withReading([a], { ...a, errorSeconds: 30 });
			expect(two.map(({ at, errorSeconds }) => [at.slice(11), errorSeconds])).toEqual([
				['08:00:00.000Z', 0],
				['08:00:00.001Z', 30]
			]);
			expect(withReading(two, b)).toEqual([...two, b]);
			// one by a device whose own time is ahead moves no other
			expect(withReading([c], b)).toEqual([b, c]);
			expect(joinReadings([c, a], [b, a])).toEqual([a, b, c]);
			const many = Array.from({ length: 399 }, (_, i) => ({
				...a,
				at: new Date(Date.parse(a.at) - (i + 1) * 60_000).toISOString()
			}));
			expect(joinReadings(many, [a, b, c])).toHaveLength(400);
			expect(joinReadings(many, [a, b, c]).at(-1)).toEqual(c);
		});
	});

	it('computes an offset with its spread from readings beside a thermometer', () => {
		expect(offsetOf([])).toBeNull();
		const { offsetK, spreadK } = offsetOf([
			{ controlC: 20.5, thermometerC: 20 },
			{ controlC: 21, thermometerC: 20.2 },
			{ controlC: 20.8, thermometerC: 20.2 }
		])!;
		expect(offsetK).toBeCloseTo(-0.6333, 3);
		// sample standard deviation of -0.5, -0.8, -0.6
		expect(spreadK).toBeCloseTo(0.1528, 3);
	});

	it('a test has passed when every step was seen, and failed when one was not', () => {
		const at = '2026-11-25T08:00:00.000Z';
		const all = TEST_STEPS.map((step) => ({ step, at, seen: true, readingC: null }));
		expect([[], all.slice(0, 3), all].map(testStanding)).toEqual(['missing', 'under-way', 'passed']);
		expect(testStanding([{ ...all[0]!, seen: false }])).toBe('failed');
	});
});
