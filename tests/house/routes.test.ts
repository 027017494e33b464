import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { pageRole } from '../../src/lib/server/guard/rules';
import { operationAt, operations } from '../../src/lib/server/http/operations';

const routes = path.resolve('src/routes');
const files = readdirSync(routes, { recursive: true, encoding: 'utf8' });
/** The route that a file answers, as the framework calls it. */
const routeOf = (file: string) => `/${path.dirname(file)}`.replace(/^\/\.$/, '/');

/** Every route that answers, with its methods, as the files say it. */
const answered = files.flatMap((file): [string, string][] => {
	if (file.endsWith('+page.svelte')) return [[routeOf(file), 'GET']];
	if (!file.endsWith('+server.ts')) return [];
	const text = readFileSync(path.join(routes, file), 'utf8');
	const named = /export const \{ ([^}]+) \} = serve\('([^']+)'\)/.exec(text);
	if (named) {
		expect(named[2], file).toBe(routeOf(file));
		return named[1]!.split(', ').map((method) => [routeOf(file), method]);
	}
	return [...text.matchAll(/export const (GET|POST|PUT|PATCH|DELETE)\b/g)].map((match) => [
		routeOf(file),
		match[1]!
	]);
});

/** Those of some routes that nobody was given a role for: nobody is let in there. */
const withoutRole = (some: readonly (readonly [string, string])[]) =>
	some.filter(([route, method]) => (operationAt(route, method)?.role ?? pageRole(route, method)) === null);

describe('the routes that there are', () => {
	it('have each a least role, and one that was forgotten would be found', () => {
		expect(answered.length).toBeGreaterThan(70);
		expect(withoutRole(answered)).toEqual([]);
		const forgotten = [['/api/v1/new', 'GET'] as const, ['/new', 'GET'] as const, ['/firm', 'POST'] as const];
		expect(withoutRole([...answered, ...forgotten])).toEqual(forgotten);
	});

	it('are those that the operations describe, and no other', () => {
		const described = operations
			.map(({ method, path: at }) => `${method.toUpperCase()} ${at.replace(/\{(\w+)\}/g, '[$1]')}`)
			.sort();
		const present = answered
			.filter(([route]) => route.startsWith('/api/v1/'))
			.map(([route, method]) => `${method} ${route}`)
			.sort();
		expect(described).toEqual(present);
		expect(new Set(described).size).toBe(described.length);
	});

	it('hand every page’s data through the one place that cuts it to the role', () => {
		const loads = files.filter((file) => /\+(page|layout)\.server\.ts$/.test(file));
		expect(loads.length).toBeGreaterThan(20);
		for (const file of loads) {
			const text = readFileSync(path.join(routes, file), 'utf8');
			expect(text, file).toMatch(/export const load = pageLoad\(/);
		}
	});

	it('write nothing beside the one path', () => {
		const server = path.resolve('src/lib/server');
		const beside = readdirSync(server, { recursive: true, encoding: 'utf8' })
			.filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts') && !file.startsWith('db/'))
			.filter((file) =>
				/sequelize\.(query|transaction|define)/.test(readFileSync(path.join(server, file), 'utf8'))
			);
		// a copy of the whole is the one exception: it reads
		expect(beside).toEqual(['backup/index.ts']);
	});
});
