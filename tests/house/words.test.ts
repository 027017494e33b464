import ts from 'typescript';
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

/** Rooms and files where whole sentences stand for a reason. */
const SAID_ELSEWHERE: readonly (readonly [RegExp, string])[] = [
	[/^core\/words\//, 'the room of sentences'],
	[/^core\/(formats|schema)\//, 'a refusal says in which line or field of what was read'],
	[/^core\/(keying\/displayed|checks\/zoneSettings|plan\/onSite)\.ts$/, 'a refusal of what was typed'],
	[
		/^core\/(control\/(shipped\/.*|blank|panelWords)|plan\/roomUse)\.ts$/,
		'facts of controls and uses of rooms, as data'
	]
];

/** The texts of a file that read as a sentence: a capital, a figure or something filled in first, more than one word, a stop. */
function sentencesIn(name: string): string[] {
	const found: string[] = [];
	const visit = (node: ts.Node): void => {
		const text = ts.isTemplateExpression(node)
			? node.head.text + node.templateSpans.map((span) => `…${span.literal.text}`).join('')
			: ts.isStringLiteralLike(node)
				? node.text
				: null;
		const isThrown = node.parent && ts.isNewExpression(node.parent);
		if (text !== null && !isThrown && /^[A-Z0-9…].* .*[.!?]$/.test(text)) found.push(`${name}: ${text}`);
		ts.forEachChild(node, visit);
	};
	visit(ts.createSourceFile(name, read(name), ts.ScriptTarget.Latest, true));
	return found;
}

test('no computing room makes a sentence: it returns what it found, and core/words says it', () => {
	const rooms = files.filter(
		(name) => name.startsWith('core/') && !SAID_ELSEWHERE.some(([where]) => where.test(name))
	);
	expect(rooms.length).toBeGreaterThan(80);
	expect(rooms.flatMap(sentencesIn)).toEqual([]);
	// it would see one
	expect(sentencesIn('core/words/slip.ts').length).toBeGreaterThan(4);
});
