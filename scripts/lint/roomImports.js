import path from 'node:path';

/**
 * Who may import whom: routes → lib/ui, lib/server, lib/workers → core, and inside the core from the
 * ground up. A file outside these rooms (tests, bench, scripts) may import anything.
 */
/** The rooms that compute, from the ground up as far as the house with its records. */
const ground = ['schema', 'week', 'civil', 'control', 'machine', 'plan'];
const computing = [...ground, 'house', 'fit', 'keying', 'run', 'thermal', 'checks'];
/** @type {Record<string, string[]>} */
const coreOrder = {
	schema: [],
	week: ['schema'],
	drawing: ['schema', 'week'],
	civil: ['week', 'schema'],
	control: ['schema', 'week', 'civil'],
	machine: ['schema', 'week', 'civil', 'control'],
	plan: ['schema', 'week', 'civil', 'control'],
	house: ground,
	fit: ground,
	keying: [...ground, 'fit', 'thermal'],
	run: ground,
	thermal: ground,
	checks: computing.filter((room) => room !== 'checks'),
	record: computing,
	callback: computing,
	heard: [...computing, 'callback'],
	rehearsal: [...computing, 'callback'],
	words: [...computing, 'record', 'drawing', 'rehearsal', 'callback', 'heard'],
	formats: [...computing, 'record', 'callback', 'rehearsal', 'words']
};

/** Packages the core may use: pure data and arithmetic, no interface, server or database. */
const corePackages = new Set([
	'zod',
	'jsonc-parser',
	'temporal-polyfill',
	'ical.js',
	'papaparse',
	'windows-iana',
	'ml-levenberg-marquardt',
	'ml-matrix',
	'fast-deep-equal',
	'd3-scale',
	'd3-shape'
]);

/** @type {Record<string, string[]>} */
const libRooms = {
	'lib/ui': ['lib/ui', 'lib/workers', 'core'],
	'lib/workers': ['lib/workers', 'core'],
	'lib/server': ['lib/server', 'core']
};

/**
 * The room of a path below src: 'core/fit', 'lib/ui', 'routes', or null.
 * @param {string} file
 */
function roomOf(file) {
	const parts = file.split(path.sep).join('/').split('/');
	const src = parts.lastIndexOf('src');
	if (src < 0) return null;
	const [first, second] = parts.slice(src + 1);
	if (first === 'core') return `core/${second}`;
	if (first === 'lib') return `lib/${second}`;
	return first === 'routes' ? 'routes' : null;
}

/**
 * Where an import of ours leads to, without its ending; null for a package.
 * @param {string} file path of the importing file
 * @param {string} source what it imports, as written
 */
export function targetOf(file, source) {
	if (source.startsWith('.')) return path.resolve(path.dirname(file), source);
	if (source.startsWith('$core')) return path.join('src', 'core', source.slice('$core'.length));
	if (source.startsWith('$lib')) return path.join('src', 'lib', source.slice('$lib'.length));
	return null;
}

/**
 * Why an import is not allowed, as a sentence; null if it is.
 * @param {string} file path of the importing file
 * @param {string} source what it imports, as written
 * @returns {string | null}
 */
export function importRefusal(file, source) {
	const room = roomOf(file);
	if (!room) return null;
	const isTest = file.endsWith('.test.ts');
	const target = targetOf(file, source);

	if (room.startsWith('core/')) {
		if (isTest) return null;
		if (!target)
			return corePackages.has(source)
				? null
				: `the core computes on plain data and may not import "${source}"`;
		const there = roomOf(target);
		if (there === room) return null;
		if (!there?.startsWith('core/')) return `the core may not import from ${there ?? 'outside src'}`;
		const [from, to] = [room.slice(5), there.slice(5)];
		if (!coreOrder[from]) return `core/${from} is no room of the core`;
		if (!coreOrder[from].includes(to)) return `core/${from} may not import core/${to}`;
		if (!/core\/[a-z]+(\/index)?$/.test(target.split(path.sep).join('/')))
			return `import core/${to} by its index: the rest is private to it`;
		return null;
	}
	if (!target) return null;
	const there = roomOf(target);
	if (libRooms[room] && there && !libRooms[room].includes(there.startsWith('core/') ? 'core' : there))
		return `${room} may not import from ${there}`;
	if (room !== 'routes' && there === 'routes') return `${room} may not import from routes`;
	return null;
}

/** @type {import('eslint').Rule.RuleModule} */
export const roomImports = {
	meta: {
		type: 'problem',
		docs: { description: 'imports go one way through the rooms of the house' },
		schema: []
	},
	create(context) {
		/** @param {any} node */
		const check = (node) => {
			if (!node.source || typeof node.source.value !== 'string') return;
			const message = importRefusal(context.filename, node.source.value);
			if (message) context.report({ node: node.source, message });
		};
		return {
			ImportDeclaration: check,
			ExportNamedDeclaration: check,
			ExportAllDeclaration: check,
			ImportExpression: check
		};
	}
};
