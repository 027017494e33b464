import { readdirSync, readFileSync } from 'node:fs';
import { expect, it } from 'vitest';

it('a page loads, lays out and hands on: none has more than two hundred lines', () => {
	const pages = readdirSync('src/routes', { recursive: true, encoding: 'utf8' }).filter((file) =>
		file.endsWith('.svelte')
	);
	expect(pages.length).toBeGreaterThan(20);
	const long = pages.filter((file) => readFileSync(`src/routes/${file}`, 'utf8').split('\n').length > 201);
	expect(long).toEqual([]);
});
