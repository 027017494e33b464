import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { expect, test } from 'vitest';
import { withoutUnused } from '../../scripts/carbonCss';

test('of a stylesheet stays what the parts in use can match', () => {
	const css = [
		'.bx--btn{a:1}',
		'.bx--btn--ghost:not(.bx--tabs){a:2}',
		'.bx--tabs .bx--btn{a:3}',
		'.bx--btn,.bx--tabs{a:4}',
		'.bx--tag--red{a:5}',
		':root[theme=g90]{a:6}',
		'@media print{.bx--tabs{a:7}}',
		'@keyframes turn{from{a:8}}',
		'.own{a:9}'
	].join('');
	const kept = withoutUnused(css, ['x="bx--btn bx--btn--ghost"', 'y=`bx--tag--${kind}`']);
	expect(kept.replace(/\s/g, '')).toBe(
		'.bx--btn{a:1}.bx--btn--ghost:not(.bx--tabs){a:2}.bx--btn{a:4}.bx--tag--red{a:5}@keyframesturn{from{a:8}}.own{a:9}'
	);
});

test('no colour of the parts\u2019 own shows through: each of their colour tokens is ours, tags in hues aside, which are not used', () => {
	const css = readFileSync(
		createRequire(import.meta.url).resolve('carbon-components-svelte/css/all.css'),
		'utf8'
	);
	const ours = readFileSync(new URL('../../src/lib/ui/style/tokens.css', import.meta.url), 'utf8');
	const theirs = new Set([...css.matchAll(/var\((--cds-[\w-]+),#/g)].map(([, name]) => name!));
	expect(theirs.size).toBeGreaterThan(80);
	const open = [...theirs].filter((name) => !/^--cds-tag-/.test(name) && !ours.includes(`${name}:`));
	expect(open).toEqual([]);
});
