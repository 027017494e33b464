/**
 * What is ordinary in the interface is one of the kit's parts on Carbon: a raw button, field, table or dialog stands only in
 * the kit and the drawings. And no icon is drawn by a sign of the text.
 */
const RAW = new Set(['button', 'input', 'select', 'table', 'textarea', 'dialog']);

/** Where a raw part may stand outside the kit, and why. */
const ALLOWED = new Map([
	// the name of a day lies over the drawing beside its row and takes the drawing's keys
	['lib/ui/week/WeekChart.svelte', ['button']],
	// the keys of the stand-in are drawn: they are held, two at a time, and look like none of the program's own
	['lib/ui/panel/Panel.svelte', ['button']]
]);

const SIGNS = /[✓✔✗✘×✕▴▾▲▼◀▶←→↑↓☰⋮]/u;

/** @type {import('eslint').Rule.RuleModule} */
export const rawParts = {
	meta: {
		type: 'problem',
		docs: { description: 'ordinary parts of the interface come from the kit' },
		schema: []
	},
	create(context) {
		const file = context.filename.split('\\').join('/');
		if (!file.endsWith('.svelte')) return {};
		const allowed = [...ALLOWED].find(([place]) => file.endsWith(place))?.[1] ?? [];
		return {
			/** @param {any} node */
			SvelteElement(node) {
				const name = node.kind === 'html' ? node.name.name : '';
				if (RAW.has(name) && !allowed.includes(name))
					context.report({
						node,
						message: `a <${name}> of the kit (src/lib/ui/kit) stands here, not a raw one`
					});
			},
			/** @param {any} node a text that is nothing but a sign */
			SvelteText(node) {
				const text = node.value.trim();
				if (text.length > 0 && text.length < 3 && SIGNS.test(text))
					context.report({ node, message: `"${text}" stands for an icon: take one of the icon set` });
			}
		};
	}
};
