import { describe, expect, it } from 'vitest';
import { factoryOptions, findProfile, shippedProfiles } from '$core/control';
import { TEST_STEPS } from '$core/plan';
import { delayLeft, nextTestStep, placeAfter, testWords, VISIT_STEPS, type VisitPlace } from './visitSteps';

describe('the way through a visit', () => {
	it('leads through every step of every zone to the sign-off, and back the same way', () => {
		const way: VisitPlace[] = [{ zone: 0, step: 'found' }];
		while (way.at(-1)!.step !== 'sign-off') way.push(placeAfter(way.at(-1)!, 3, 1));
		expect(way).toHaveLength(3 * VISIT_STEPS.length + 1);
		expect(placeAfter(way.at(-1)!, 3, 1)).toEqual(way.at(-1));
		const back = [way.at(-1)!];
		while (back.length < way.length) back.push(placeAfter(back.at(-1)!, 3, -1));
		expect(back.reverse()).toEqual(way.with(-1, { ...way.at(-1)!, step: 'sign-off' }));
		expect(placeAfter(way[0]!, 3, -1)).toEqual(way[0]);
	});

	it('asks each control for what it can be set to, above the room and under it', () => {
		for (const profile of shippedProfiles) {
			const said = (step: (typeof TEST_STEPS)[number]) =>
				testWords(step, profile, factoryOptions(profile)).does;
			const figures = (words: string) => Number(/([\d.]+)\u00a0°/.exec(words)?.[1]);
			if (profile.temperature) expect(figures(said('raise'))).toBeGreaterThan(figures(said('lower')));
			else
				expect([said('raise'), said('lower')]).toEqual([
					'Set it to on, above the room.',
					'Set it to off, under the room.'
				]);
			expect(said('automatic')).toBe(
				profile.program.form === 'plain' ? 'Set it back to what was agreed.' : 'Put it back on its program.'
			);
		}
		const stat = findProfile('six-step-room-stat')!;
		expect(testWords('raise', stat, { ...factoryOptions(stat), unit: 'C' }).does).toContain('30.0\u00a0°C');
		// a hot emitter is touched with care
		expect(testWords('warm', stat, factoryOptions(stat)).does).toMatch(/with care: it may be hot/);
	});

	it('waits out what a control holds back after its setpoint was raised', () => {
		const at = (minute: number) => new Date(Date.UTC(2026, 10, 25, 9, minute)).toISOString();
		const raised = [{ step: 'raise' as const, at: at(0), seen: true, readingC: null }];
		expect(nextTestStep([])).toBe('raise');
		expect(nextTestStep(raised)).toBe('call');
		expect(nextTestStep(TEST_STEPS.map((step) => ({ ...raised[0]!, step })))).toBeNull();
		expect(delayLeft([], 5, Date.parse(at(0)))).toBe(0);
		expect([0, 1, 4, 5, 60].map((minute) => delayLeft(raised, 5, Date.parse(at(minute))))).toEqual([
			300, 240, 60, 0, 0
		]);
		expect(delayLeft(raised, 0, Date.parse(at(0)))).toBe(0);
	});
});
