import postcss, { type AtRule, type Rule } from 'postcss';
import type { Plugin } from 'vite';

/** Carbon's own classes. */
const CLASS = /\.(bx--[\w-]+|flatpickr-[\w-]+)/g;

/**
 * The rules of a stylesheet that no part in use can match: those of Carbon's classes that none of `code` names, and of themes
 * that are never set. A class that is put together (`bx--tag--${kind}`) is known by how it begins.
 */
export function withoutUnused(css: string, code: readonly string[]): string {
	const named = new Set<string>();
	const begun = new Set<string>();
	for (const text of code) {
		for (const [name] of text.matchAll(/(?:bx--|flatpickr-)[\w-]+/g)) named.add(name);
		for (const [name] of text.matchAll(/(?:bx--|flatpickr-)[\w-]*-(?=\$\{|["'`]\s*\+)/g)) begun.add(name);
	}
	const isUsed = (name: string) => named.has(name) || [...begun].some((start) => name.startsWith(start));
	const root = postcss.parse(css);
	root.walkRules((rule: Rule) => {
		if ((rule.parent as AtRule | undefined)?.name?.endsWith('keyframes')) return;
		rule.selectors = rule.selectors.filter(
			(selector) =>
				!/\[theme=/.test(selector) &&
				// what is excluded by :not() need not be there
				[...selector.replace(/:not\([^)]*\)/g, '').matchAll(CLASS)].every(([, name]) => isUsed(name!))
		);
		if (rule.selectors.length === 0 || rule.selector === '') rule.remove();
	});
	root.walkAtRules(/^(media|supports)$/, (at) => {
		if (at.nodes?.length === 0) at.remove();
	});
	return root.toString();
}

/** Leaves of Carbon's stylesheet only what the parts in use can match. */
export function dropUnusedCarbon(): Plugin {
	let server = false;
	return {
		name: 'drop-unused-carbon',
		enforce: 'post',
		configResolved(config) {
			server = Boolean(config.build.ssr);
		},
		generateBundle(_, bundle) {
			if (server) return;
			const files = Object.values(bundle);
			const code = files.flatMap((file) => (file.type === 'chunk' ? [file.code] : []));
			for (const file of files)
				if (file.type === 'asset' && file.fileName.endsWith('.css') && String(file.source).includes('.bx--'))
					file.source = withoutUnused(String(file.source), code);
		}
	};
}
