import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { callGraph } from '../support/callGraph';

/** What takes long for a hard zone: a fit, a card, a room simulated. */
const HEAVY = ['fitZone', 'cardOf', 'simulate', 'periodic'];

/** What leads there and yet never computes while a page is drawn on the server, with why. */
const ONLY_IN_A_BROWSER: Readonly<Record<string, string>> = {
	'src/routes/sites/[siteId]/visit/+page.svelte': 'fits only what is noted on this device and not yet sent'
};

const graph = callGraph();
const wayToHeavy = graph.waysTo(HEAVY);
const answersHere = (file: string) => /(\.server\.ts|\+server\.ts)$/.test(file);
/** Pages that the server does not draw: theirs is a browser's work. */
function isDrawnHere(file: string): boolean {
	if (!/\+(page|layout|error)\.svelte$/.test(file)) return false;
	const beside = file.replace(/\.svelte$/, '.ts');
	return !(existsSync(beside) && /export const ssr = false/.test(readFileSync(beside, 'utf8')));
}

describe('the thread that answers', () => {
	it('computes no fit, no card and no room: neither a request nor the drawing of a page leads there', () => {
		const there = graph.files.filter((file) => file.startsWith(`src${path.sep}`));
		expect(there.filter(answersHere).length).toBeGreaterThan(60);
		expect(there.filter(isDrawnHere).length).toBeGreaterThan(20);
		const ways = there
			.filter((file) => answersHere(file) || isDrawnHere(file))
			.flatMap((file) => {
				const way = wayToHeavy(file);
				return way === null || ONLY_IN_A_BROWSER[file] ? [] : [`${file}: ${way}`];
			});
		expect(ways).toEqual([]);
	}, 120_000);

	it('would be found out: what a thread of the pool runs leads to all of them', () => {
		for (const heavy of HEAVY.filter((name) => name !== 'periodic'))
			expect(graph.waysTo([heavy])('src/lib/server/compute/tasks.ts'), heavy).not.toBeNull();
	});
});
