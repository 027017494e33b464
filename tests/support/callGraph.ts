import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { compile } from 'svelte/compiler';
import ts from 'typescript';

/** What a name brings about: itself, and the names that it uses, as the compiler resolves them. */
type Uses = ReadonlyMap<ts.Symbol, ReadonlySet<ts.Symbol>>;

/** Every source file but tests, from the root of the project. */
const sources = readdirSync('src', { recursive: true, encoding: 'utf8' })
	.filter((file) => /\.(ts|svelte)$/.test(file) && !/\.test\.ts$|\.d\.ts$/.test(file))
	.map((file) => path.resolve('src', file));

/** A component as the server draws it: what only happens in a browser (handlers, effects) is not in there. */
const drawn = (file: string) =>
	compile(readFileSync(file, 'utf8'), { generate: 'server', filename: file, runes: true }).js.code;

function program(): ts.Program {
	const components = new Map(
		sources.filter((file) => file.endsWith('.svelte')).map((file) => [`${file}.ts`, file])
	);
	const options: ts.CompilerOptions = {
		target: ts.ScriptTarget.ESNext,
		module: ts.ModuleKind.ESNext,
		moduleResolution: ts.ModuleResolutionKind.Bundler,
		noLib: true,
		types: [],
		paths: { $core: ['./src/core'], '$core/*': ['./src/core/*'], '$lib/*': ['./src/lib/*'] }
	};
	const host = ts.createCompilerHost(options);
	const { fileExists, readFile } = host;
	const text = (file: string) => (components.has(file) ? drawn(components.get(file)!) : readFile(file));
	host.fileExists = (file) => components.has(file) || (!file.includes('node_modules') && fileExists(file));
	host.readFile = text;
	host.getSourceFile = (file, language) => {
		const found = text(file);
		return found === undefined ? undefined : ts.createSourceFile(file, found, language, true);
	};
	return ts.createProgram(
		[...sources.filter((file) => file.endsWith('.ts')), ...components.keys()],
		options,
		host
	);
}

const isNamed = (node: ts.Node): node is ts.Node & { name: ts.Identifier | ts.PrivateIdentifier } =>
	(ts.isFunctionDeclaration(node) ||
		ts.isClassDeclaration(node) ||
		((ts.isMethodDeclaration(node) || ts.isGetAccessor(node)) && ts.isClassDeclaration(node.parent))) &&
	node.name !== undefined &&
	(ts.isIdentifier(node.name) || ts.isPrivateIdentifier(node.name));

/**
 * Who uses what: functions, classes, methods and values of a module, by their symbols. What a file does when it is loaded, and what it offers, counts as
 * the file's.
 */
export function callGraph(): {
	/** The ways from a file to one of the names given, each told name by name; none where nothing in it leads there. */
	readonly waysTo: (names: readonly string[]) => (file: string) => string | null;
	readonly files: readonly string[];
} {
	const whole = program();
	const checker = whole.getTypeChecker();
	const uses = new Map<ts.Symbol, Set<ts.Symbol>>();
	const ofFile = new Map<string, Set<ts.Symbol>>();
	const names = new Map<ts.Symbol, string>();
	const actual = (node: ts.Identifier | ts.PrivateIdentifier) => {
		const symbol = checker.getSymbolAtLocation(node);
		return symbol && symbol.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(symbol) : symbol;
	};
	const look = (node: ts.Node, into: Set<ts.Symbol>, top: boolean): void => {
		if (ts.isTypeNode(node) || ts.isImportDeclaration(node) || ts.isExportDeclaration(node)) return;
		const isValue = top && ts.isVariableDeclaration(node) && ts.isIdentifier(node.name);
		const owner = isNamed(node) || isValue ? actual(node.name as ts.Identifier) : undefined;
		const own = owner ? (uses.get(owner) ?? new Set()) : into;
		if (owner) {
			uses.set(owner, own);
			names.set(owner, owner.name);
			// a class or a function is there without being run; a value is made when its module is loaded
			if (isValue && !isFunction((node as ts.VariableDeclaration).initializer)) into.add(owner);
		}
		if (ts.isIdentifier(node) || ts.isPrivateIdentifier(node)) {
			const symbol = actual(node);
			if (symbol && symbol !== owner) own.add(symbol);
		}
		const stays = top && !owner && !ts.isFunctionLike(node);
		ts.forEachChild(node, (child) => {
			if (owner && child === (node as { name?: ts.Node }).name) return;
			look(child, own, stays);
		});
	};
	for (const file of whole.getSourceFiles()) {
		const own = new Set<ts.Symbol>();
		ofFile.set(path.relative('.', file.fileName).replace(/\.svelte\.ts$/, '.svelte'), own);
		look(file, own, true);
		// what a module offers is what others, and the framework, may run
		const module = checker.getSymbolAtLocation(file);
		for (const symbol of module ? checker.getExportsOfModule(module) : [])
			own.add(symbol.flags & ts.SymbolFlags.Alias ? checker.getAliasedSymbol(symbol) : symbol);
	}
	return {
		files: [...ofFile.keys()],
		waysTo(wanted) {
			const leads = leading(uses, names, wanted);
			return (file) => {
				const found = [...(ofFile.get(file) ?? [])].find((symbol) => leads.has(symbol));
				if (!found) return null;
				const way: string[] = [];
				for (let at: ts.Symbol | null = found; at; at = leads.get(at) ?? null)
					way.push(names.get(at) ?? at.name);
				return way.join(' > ');
			};
		}
	};
}

const isFunction = (node: ts.Expression | undefined) =>
	node !== undefined && (ts.isArrowFunction(node) || ts.isFunctionExpression(node));

/** Every name that leads to one of those wanted, with the next on its way. */
function leading(
	uses: Uses,
	names: ReadonlyMap<ts.Symbol, string>,
	wanted: readonly string[]
): ReadonlyMap<ts.Symbol, ts.Symbol | null> {
	const usedBy = new Map<ts.Symbol, ts.Symbol[]>();
	for (const [owner, used] of uses)
		for (const one of used) usedBy.set(one, [...(usedBy.get(one) ?? []), owner]);
	const found = [...names].filter(([, name]) => wanted.includes(name)).map(([symbol]) => symbol);
	const leads = new Map<ts.Symbol, ts.Symbol | null>(found.map((symbol) => [symbol, null]));
	for (const symbol of found)
		for (const owner of usedBy.get(symbol) ?? [])
			if (!leads.has(owner)) {
				leads.set(owner, symbol);
				found.push(owner);
			}
	return leads;
}
