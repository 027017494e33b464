import { expect, it } from 'vitest';
import { findProfile } from '../control';
import { offsetKeyWords } from '.';

it('a measured offset is keyed where the control has it, to the nearest that it shows, in its unit', () => {
	const stat = findProfile('six-step-room-stat')!;
	expect(offsetKeyWords(stat, 'C', -0.5)).toBe(
		'Hold Menu 5\u00a0s, then press OK 11 times: Correct by must show −0.5 °C.'
	);
	expect(offsetKeyWords(stat, 'C', 0.3)).toMatch(/must show 0\.5 °C\.$/);
	expect(offsetKeyWords(stat, 'F', -0.5)).toMatch(/must show −0\.9 °F\.$/);
	// more than it can be corrected by is the most of it
	expect(offsetKeyWords(stat, 'C', -9)).toMatch(/must show −5\.0 °C\.$/);
	expect(offsetKeyWords(findProfile('hour-strip-keypad')!, 'C', -0.5)).toBeNull();
	expect(offsetKeyWords({ ...stat, panel: null }, 'C', -0.5)).toBeNull();
});
