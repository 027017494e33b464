import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyCase, brokenLaws, caseWords } from '../../../tests/support/roomLaws';

describe('a typical week', () => {
	it('keeps the laws of heating in any room: more asked is more heat, steady ≥ programmed ≥ frost level, and it is what plain weeks come to', () => {
		fc.assert(
			fc.property(anyCase, (one) => {
				expect(brokenLaws(one), caseWords(one)).toEqual([]);
			}),
			{ numRuns: 200 }
		);
	});
});
