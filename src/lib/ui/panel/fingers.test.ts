import { expect, it } from 'vitest';
import type { Stroke } from '$core/machine';
import { Fingers } from './fingers';

function panel(runs: (key: string) => boolean = () => false) {
	const done: Stroke[] = [];
	return { done, fingers: new Fingers((stroke) => done.push(stroke), runs) };
}

it('a tap is a press, a key held is held as long as it was, and two at once are one gesture', () => {
	const { done, fingers } = panel();
	fingers.press('ok', 0);
	fingers.release('ok', 200);
	fingers.press('menu', 1000);
	expect(fingers.heldSeconds(4600)).toBe(3);
	fingers.release('menu', 6100);
	fingers.press('plus', 7000);
	fingers.press('minus', 7400);
	fingers.release('minus', 10_500);
	fingers.release('plus', 10_600);
	expect(done).toEqual([
		{ do: 'press', key: 'ok', times: 1 },
		{ do: 'hold', keys: ['menu'], seconds: 5 },
		{ do: 'hold', keys: ['plus', 'minus'], seconds: 3 }
	]);
	fingers.release('plus', 11_000);
	expect(done).toHaveLength(3);
});

it('a tap beside a key that is held is one thing of both, as often as it is tapped; let go, that key does nothing', () => {
	const { done, fingers } = panel();
	fingers.press('mo', 0);
	for (const [key, ms] of [
		['tu', 1000],
		['we', 1500]
	] as const) {
		fingers.press(key, ms);
		fingers.release(key, ms + 200);
	}
	fingers.release('mo', 5000);
	expect(done).toEqual([
		{ do: 'tap', key: 'tu', held: ['mo'] },
		{ do: 'tap', key: 'we', held: ['mo'] }
	]);
});

it('where a value runs on, a held key moves it and is no hold; fingers that are gone do nothing', () => {
	const { done, fingers } = panel((key) => key === 'plus');
	fingers.press('plus', 0);
	for (let ms = 110; ms <= 1100; ms += 110) fingers.tick(ms);
	fingers.release('plus', 1150);
	expect(done).toHaveLength(4);
	expect(new Set(done.map((stroke) => stroke.do))).toEqual(new Set(['run']));
	fingers.press('menu', 2000);
	fingers.tick(4000);
	fingers.leave();
	fingers.release('menu', 9000);
	expect(done).toHaveLength(4);
});
