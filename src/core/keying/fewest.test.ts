import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyDays, cardAgainstLeast, SMALL } from '../../../tests/support/smallControls';
import { expandProgram } from '../control';

describe('a card presses no more than it must', () => {
	it.each(SMALL)(
		'$form, $order, $time, first again $leaves: nothing that its keys could do takes less',
		(which) => {
			fc.assert(
				fc.property(anyDays(which), (days) => {
					const { program, held, cost, least } = cardAgainstLeast(which, days);
					expect(expandProgram(held, 0)).toEqual(expandProgram(program, 0));
					expect([days, least]).toEqual([days, cost]);
				}),
				{ numRuns: 1 }
			);
		}
	);
});
