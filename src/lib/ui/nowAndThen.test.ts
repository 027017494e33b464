import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { NowAndThen } from './nowAndThen';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

it('shows the latest after each pause, and nothing after it is stopped', () => {
	const shown: number[] = [];
	const calm = new NowAndThen<number>(100, (value) => shown.push(value));
	for (let at = 0; at < 25; at++) {
		calm.next(at);
		vi.advanceTimersByTime(10);
	}
	expect(shown).toEqual([9, 19]);
	vi.advanceTimersByTime(1000);
	expect(shown).toEqual([9, 19, 24]);

	calm.next(50);
	calm.next(51);
	calm.stop();
	vi.advanceTimersByTime(1000);
	expect(shown).toEqual([9, 19, 24]);
	calm.next(52);
	vi.advanceTimersByTime(100);
	expect(shown.at(-1)).toBe(52);
});
