import type { Method, Operation } from '../operation';
import { calls } from './calls';
import { computations } from './compute';
import { controls, office } from './office';
import { sites } from './sites';
import { visits } from './visits';
import { zones } from './zones';

/** Every operation of the API: the one list from which its routes, their roles and their description are made. */
export const operations: readonly Operation[] = [
	...computations,
	...sites,
	...zones,
	...visits,
	...calls,
	...office,
	...controls
];

/** The address of an operation as a route of the program is called. */
const routeOf = (path: string) => path.replace(/\{(\w+)\}/g, '[$1]');

const byRoute = new Map(operations.map((op) => [`${op.method} ${routeOf(op.path)}`, op]));

/** The operation that a route answers a method with; undefined where there is none. */
export const operationAt = (route: string, method: string): Operation | undefined =>
	byRoute.get(`${(method === 'HEAD' ? 'get' : method).toLowerCase() as Method} ${route}`);

/** The operations of one route. */
export const operationsAt = (route: string): readonly Operation[] =>
	operations.filter((op) => routeOf(op.path) === route);
