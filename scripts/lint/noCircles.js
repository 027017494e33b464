import { existsSync, readFileSync, statSync } from 'node:fs';
import path from 'node:path';
import { targetOf } from './roomImports.js';

/** What a file of ours imports, read when it is asked for and again once it has changed. */
/** @type {Map<string, { at: number, imports: string[] }>} */
const known = new Map();

/**
 * The file that an import leads to: a script, a script beside an interface part, a part, or a folder's index; null where it is none of ours.
 * @param {string} file path of the importing file
 * @param {string} source what it imports, as written
 */
function fileOf(file, source) {
	const target = targetOf(file, source);
	if (!target) return null;
	const whole = path.resolve(target);
	for (const end of ['', '.ts', '.js', '/index.ts'])
		if (existsSync(whole + end) && statSync(whole + end).isFile()) return whole + end;
	return null;
}

/** @param {string} file */
function importsOf(file) {
	const at = statSync(file).mtimeMs;
	const kept = known.get(file);
	if (kept?.at === at) return kept.imports;
	const written = readFileSync(file, 'utf8').matchAll(
		/^\s*(?:\}|import|export)[^'"\n]*?['"]([^'"]+)['"];?$/gm
	);
	const imports = [...written].map(([, source]) => fileOf(file, source ?? '')).filter((to) => to !== null);
	known.set(file, { at, imports });
	return imports;
}

/**
 * The way by which an import leads back to the file that it stands in, file after file; null if it does not.
 * @param {string} file path of the importing file
 * @param {string} source what it imports, as written
 * @returns {string[] | null}
 */
export function wayBack(file, source) {
	const home = path.resolve(file);
	const first = fileOf(file, source);
	if (!first) return null;
	/** @type {Map<string, string | null>} */
	const from = new Map([[first, null]]);
	for (const here of from.keys()) {
		if (here === home) {
			const way = [];
			for (let at = from.get(here); at; at = from.get(at)) way.unshift(path.relative('.', at));
			return way;
		}
		for (const next of importsOf(here)) if (!from.has(next)) from.set(next, here);
	}
	return null;
}

/** @type {import('eslint').Rule.RuleModule} */
export const noCircles = {
	meta: {
		type: 'problem',
		docs: { description: 'no file leads back to itself, not even for a type' },
		schema: []
	},
	create(context) {
		/** @param {any} node */
		const check = (node) => {
			if (!node.source || typeof node.source.value !== 'string') return;
			const way = wayBack(context.filename, node.source.value);
			if (way) context.report({ node: node.source, message: `leads back here: ${way.join(', ')}` });
		};
		return { ImportDeclaration: check, ExportNamedDeclaration: check, ExportAllDeclaration: check };
	}
};
