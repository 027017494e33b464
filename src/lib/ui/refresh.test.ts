import { beforeEach, expect, it } from 'vitest';
import { navigating, readAnew } from '../../../tests/support/app';
import { later, net } from '../../../tests/support/network';
import { refresh } from './refresh';

/** A navigation that is under way until it is ended, or given up. */
function navigation() {
	let end = () => {};
	let giveUp = () => {};
	const complete = new Promise<void>((resolve, reject) => {
		end = resolve;
		giveUp = () => reject(new Error('navigation aborted'));
	});
	complete.catch(() => undefined);
	return { complete, end, giveUp };
}

beforeEach(() => {
	readAnew.length = 0;
	navigating.complete = null;
	net.serve(() => ({ status: 200, body: null }));
});

it('reads a page anew when no navigation is under way, also where one began while the server was asked', async () => {
	const first = navigation();
	navigating.complete = first.complete;
	const done = refresh('fq:site');
	await later(100);
	expect(readAnew).toEqual([]);
	navigating.complete = null;
	first.end();
	// the server is being asked
	await later(1);
	const second = navigation();
	navigating.complete = second.complete;
	await later(100);
	expect(readAnew).toEqual([]);
	navigating.complete = null;
	second.end();
	await later(100);
	await done;
	expect(readAnew).toEqual(['fq:site']);
});

it('does not wait for ever for a navigation that was given up and still stands there', async () => {
	const lost = navigation();
	navigating.complete = lost.complete;
	const done = refresh('fq:site');
	lost.giveUp();
	await later(100);
	await done;
	expect(readAnew).toEqual(['fq:site']);
});

it('leaves a page as it is while the server does not answer', async () => {
	net.is = 'down';
	await Promise.all([refresh('fq:site'), later(100)]);
	expect(readAnew).toEqual([]);
});
