import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyCase, brokenLaws, caseWords } from '../../../tests/support/roomLaws';

describe('a typical week', () => {
	it('keeps the laws of heating in any room: more asked is more heat, steady ≥ programmed ≥ frost level, and it is what plain weeks come to', () => {
		fc.assert(
			fc.property(anyCase, (one) => {
				expect(brokenLaws(one), caseWords(one)).toEqual([]);
			}),
			// the same rooms each time; bench/laws runs others by the thousand
			{ numRuns: 200, seed: 20_261_126 }
		);
	});
});
