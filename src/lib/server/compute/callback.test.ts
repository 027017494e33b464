import { describe, expect, it } from 'vitest';
import { sampleZone } from '$core/checks';
import { findProfile } from '$core/control';
import { callbackRequest, callbackResponse } from '$core/formats';
import { computeCallback } from './callback';

const zone = sampleZone(findProfile('hour-strip-keypad')!);
const ask = (part: object) => computeCallback(callbackRequest.parse({ zone, facts: [], ...part }));

describe('a call by the API', () => {
	it('weighs plain words and facts, says what to ask next and why, and what to do', () => {
		const came = ask({
			said: 'Cold in the evenings, an hour behind since the clocks changed',
			missedChangeMinutes: -60
		});
		if (!('value' in came)) throw new Error(came.problem.sentence);
		const { causes, facts, next, mend } = callbackResponse.parse(came.value);
		expect(facts).toHaveLength(3);
		expect(causes[0]).toMatchObject({ kind: 'clock-off', figure: -60, words: 'Clock 1 h slow' });
		expect(causes.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 9);
		expect(causes.reduce((sum, { priorShare }) => sum + priorShare, 0)).toBeCloseTo(1, 9);
		expect(next).toBeNull();
		expect(mend).not.toBe('');
		// a house of which nothing is known but its control
		const little = ask({ said: 'never warm' });
		expect('value' in little && little.value.next?.answers.length).toBeGreaterThan(1);
		// nothing said: nothing to ask
		const nothing = ask({});
		expect('value' in nothing && nothing.value.next).toBeNull();
	});

	it('hears of a source’s hours, and of what earlier calls were', () => {
		const fed = [
			{ at: 0, on: false },
			...[0, 1, 2, 3, 4, 5, 6].flatMap((d) => [
				{ at: d * 1440 + 660, on: true },
				{ at: d * 1440 + 1320, on: false }
			])
		];
		const came = ask({ zone: { ...zone, fedBy: 'boiler' }, said: 'cold in the mornings, all rooms', fed });
		expect('value' in came && came.value.causes[0]!.kind).toBe('source-later');
		const [plain, often] = [
			ask({ said: 'never warm' }),
			ask({ said: 'never warm', counts: { 'no-power': 200 } })
		];
		const shareOf = (of: typeof plain) =>
			'value' in of ? of.value.causes.find(({ kind }) => kind === 'no-power')!.share : NaN;
		expect(shareOf(often)).toBeGreaterThan(shareOf(plain));
	});

	it('refuses what cannot both be so, an unknown control, more than fifty facts', () => {
		const feels = (what: string) => ({ kind: 'feels', what, days: [1], from: 360, to: 540 });
		const clash = ask({ facts: [feels('cold'), feels('hot')] });
		expect('problem' in clash && clash.problem).toMatchObject({ path: 'facts[1]' });
		expect('problem' in clash && clash.problem.sentence).toContain('contradict');
		expect('problem' in ask({ zone: { ...zone, control: 'nobody-s' } })).toBe(true);
		const many = Array.from({ length: 51 }, (_, i) => ({ ...feels('cold'), from: i }));
		expect(callbackRequest.safeParse({ zone, facts: many }).success).toBe(false);
	});
});
