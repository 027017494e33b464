import { beforeEach, expect, it } from 'vitest';
import { navigating, readAnew, readings } from '../../../tests/support/app';
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
	Object.assign(readings, { takeMs: [], shown: [] });
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

it('ends when what was read is on the page, also where another reading gave up its own', async () => {
	readings.takeMs = [20, 200];
	const order: string[] = [];
	const first = refresh('fq:round').then(() => order.push(`first, shown ${readings.shown}`));
	await later(10);
	const second = refresh('fq:round').then(() => order.push(`second, shown ${readings.shown}`));
	await later(600);
	await Promise.all([first, second]);
	expect(order.sort()).toEqual(['first, shown 2', 'second, shown 2']);
});
