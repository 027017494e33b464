import { readdirSync, readFileSync } from 'node:fs';
import { expect, test } from 'vitest';

const src = new URL('../../src/', import.meta.url);
const files = readdirSync(src, { recursive: true, encoding: 'utf8' }).filter(
	(name) => /\.(ts|svelte)$/.test(name) && !/\.test\.ts$/.test(name)
);
const read = (name: string) => readFileSync(new URL(name, src), 'utf8');

test('every maker of sentences in core/words says them somewhere: none is left behind unused', () => {
	const words = files.filter((name) => /^core\/words\//.test(name) && !name.endsWith('/index.ts'));
	const makers = words.flatMap((name) =>
		[...read(name).matchAll(/^export (?:function|const) (\w+)/gm)].map(([, maker]) => ({
			name,
			maker: maker!
		}))
	);
	expect(makers.length).toBeGreaterThan(25);
	const texts = files.map((name) => ({ name, text: read(name) }));
	const unused = makers.filter(
		({ name, maker }) =>
			!texts.some((one) => one.name !== name && new RegExp(`\\b${maker}\\b`).test(one.text)) &&
			// or within its own file, beside its definition
			[...read(name).matchAll(new RegExp(`\\b${maker}\\b`, 'g'))].length < 2
	);
	expect(unused).toEqual([]);
});
