import { expect, it, vi } from 'vitest';
import { later } from '../../../../tests/support/network';
import { alone } from './alone';

it('without the locks of a browser one window at a time sends all the same', async () => {
	vi.stubGlobal('navigator', {});
	let [inside, most, done] = [0, 0, 0];
	const act = async () => {
		most = Math.max(most, ++inside);
		await new Promise((resolve) => setTimeout(resolve, 300));
		inside--;
		done++;
	};
	for (let i = 0; i < 4; i++) void alone('sending', act);
	await later(5000);
	expect([most, done]).toEqual([1, 4]);
	// one that was closed while it sent holds the others up no longer than its lease
	localStorage.setItem('sending/lease', JSON.stringify({ by: 'gone', untilMs: Date.now() + 20_000 }));
	void alone('sending', act);
	await later(10_000);
	expect(done).toBe(4);
	await later(15_000);
	expect(done).toBe(5);
});
