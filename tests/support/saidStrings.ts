import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { parse } from 'svelte/compiler';
import ts from 'typescript';

const root = path.resolve(import.meta.dirname, '..', '..');

/** A text of the program that a person may read, and its file. */
export interface SaidString {
	readonly file: string;
	/** What is filled in stands as `{}`. */
	readonly text: string;
}

/** Whether it can be a sentence or a label: a name of the code has neither a blank nor a capital in front. */
const isSaid = (text: string) => /[a-z]/.test(text) && (/\s/.test(text.trim()) || /^[A-Z]/.test(text));

function stringsOf(code: string): string[] {
	const found: string[] = [];
	const visit = (node: ts.Node): void => {
		if (ts.isImportDeclaration(node) || ts.isExportDeclaration(node) || ts.isLiteralTypeNode(node)) return;
		if (ts.isStringLiteral(node) || ts.isNoSubstitutionTemplateLiteral(node)) found.push(node.text);
		if (ts.isTemplateExpression(node))
			found.push([node.head.text, ...node.templateSpans.map(({ literal }) => literal.text)].join('{}'));
		ts.forEachChild(node, visit);
	};
	visit(ts.createSourceFile('of.ts', code, ts.ScriptTarget.Latest, true));
	return found;
}

function textsOf(source: string): string[] {
	const tree = parse(source, { modern: true }) as unknown as {
		instance: { content: { start: number; end: number } } | null;
		fragment: unknown;
	};
	const found = tree.instance
		? stringsOf(source.slice(tree.instance.content.start, tree.instance.content.end))
		: [];
	const visit = (node: unknown): void => {
		if (Array.isArray(node)) return node.forEach(visit);
		if (!node || typeof node !== 'object') return;
		const one = node as Record<string, unknown> & { type?: string };
		if (one.type === 'Text') found.push(String(one.data));
		if (one.type === 'ExpressionTag') {
			const { start, end } = one.expression as { start: number; end: number };
			found.push(...stringsOf(`(${source.slice(start, end)})`));
			return;
		}
		for (const [key, value] of Object.entries(one)) {
			// classes and addresses are nothing that is read
			if (one.type === 'Attribute' && ['class', 'href', 'id', 'style'].includes(String(one.name))) continue;
			if (key !== 'parent') visit(value);
		}
	};
	visit(tree.fragment);
	return found;
}

/** Every text of the program's own code that a person may read: strings of modules, texts and attributes of components. */
export function saidStrings(): SaidString[] {
	return execFileSync('git', ['ls-files', 'src'], { cwd: root, encoding: 'utf8' })
		.split('\n')
		.filter((file) => /\.(ts|svelte)$/.test(file) && !/\.test\.ts$/.test(file))
		.flatMap((file) => {
			const source = readFileSync(path.join(root, file), 'utf8');
			return (file.endsWith('.ts') ? stringsOf(source) : textsOf(source))
				.map((text) => text.replace(/\s+/g, ' ').trim())
				.filter(isSaid)
				.map((text) => ({ file, text }));
		});
}
