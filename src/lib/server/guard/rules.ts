import type { Role } from './passphrases';

/** What needs no sign-in: the sign-in itself, the customer's link, the health of the program, its assets. */
const open = [
	/^\/sign-in$/,
	/^\/c\/[^/]+$/,
	/^\/api\/health$/,
	/^\/_app\//,
	/^\/service-worker\.js$/,
	/^\/[\w.-]+\.(svg|png|ico|webmanifest)$/
];

/** Computations: they are posted to and change nothing. */
const computing = /^\/api\/v1\/(fit|key-in|resolve|timeline|clock|warm-up|simulate)$/;

/** What only the office does. */
const office = [/^\/api\/v1\/(firm|backup)/, /^\/firm$/];

const looking = (method: string) => method === 'GET' || method === 'HEAD';

/** Whether an address needs no sign-in. */
export function isOpen(path: string): boolean {
	return open.some((pattern) => pattern.test(path));
}

/** Whether a role may do something; a sentence where not. */
export function roleRefusal(role: Role, method: string, path: string): string | null {
	if (role === 'office') return null;
	if (office.some((pattern) => pattern.test(path)) && !(looking(method) && path.startsWith('/api/v1/firm')))
		return 'Only the office may do this.';
	if (role === 'reader' && !looking(method) && !computing.test(path) && path !== '/sign-in')
		return 'You are signed in to read only.';
	return null;
}

/** Whether a request that changes something comes from another site's page. */
export function isForeign(method: string, origin: string | null, site: string | null, own: string): boolean {
	if (looking(method)) return false;
	if (site === 'cross-site' || site === 'same-site') return true;
	return origin !== null && origin !== own;
}
