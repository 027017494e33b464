import { afterEach, expect, it, vi } from 'vitest';
import { onceAFrame } from './onceAFrame';

afterEach(() => vi.unstubAllGlobals());

it('shows the latest of what came, once a frame', () => {
	let frames: (() => void)[] = [];
	vi.stubGlobal('requestAnimationFrame', (work: () => void) => frames.push(work));
	const frame = () => {
		const due = frames;
		frames = [];
		for (const work of due) work();
	};
	const seen: (string | null)[] = [];
	const pass = onceAFrame<string | null>((latest) => seen.push(latest));
	pass('a');
	pass('b');
	expect(seen).toEqual([]);
	frame();
	frame();
	pass('c');
	pass(null);
	frame();
	expect(seen).toEqual(['b', null]);
});
