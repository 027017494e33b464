import { isLoopback } from './passphrases';
import type { Least } from './roles';

/**
 * The pages, by their route, and the least role that may see each: what does not stand here nobody sees. The routes of the API say it
 * themselves.
 */
const pages: Readonly<Record<string, Least>> = {
	'/': 'reader',
	'/controls': 'reader',
	'/controls/[controlId]': 'reader',
	'/due': 'reader',
	'/due/round/[on]': 'reader',
	'/firm': 'office',
	'/rehearse': 'reader',
	'/sites/[siteId]': 'reader',
	'/sites/[siteId]/away': 'reader',
	'/sites/[siteId]/checks': 'reader',
	'/sites/[siteId]/clocks': 'reader',
	'/sites/[siteId]/heat': 'reader',
	'/sites/[siteId]/cards': 'reader',
	'/sites/[siteId]/hand-over': 'reader',
	'/sites/[siteId]/house': 'reader',
	'/sites/[siteId]/record': 'reader',
	'/sites/[siteId]/settings': 'reader',
	'/sites/[siteId]/visit': 'reader',
	'/sites/[siteId]/zones/[zoneId]/away': 'reader',
	'/sites/[siteId]/zones/[zoneId]/clock': 'reader',
	'/sites/[siteId]/zones/[zoneId]/hand-over': 'reader',
	'/sites/[siteId]/zones/[zoneId]/key-in': 'reader',
	'/sites/[siteId]/zones/[zoneId]/rehearse': 'reader',
	'/sites/[siteId]/zones/[zoneId]/moment': 'reader',
	'/sites/[siteId]/zones/[zoneId]/talk': 'reader',
	'/sites/[siteId]/zones/[zoneId]/proof': 'reader',
	'/sites/[siteId]/zones/[zoneId]/room': 'reader',
	'/sites/[siteId]/zones/[zoneId]/control': 'reader',
	'/sites/[siteId]/zones/[zoneId]/callback': 'reader',
	'/sites/[siteId]/zones/[zoneId]/read-back': 'reader',
	'/sites/[siteId]/zones/[zoneId]/week': 'reader',
	'/sign-in': 'anyone',
	'/c/[token]': 'anyone',
	'/api/health': 'anyone',
	'/api/openapi.json': 'reader'
};

const looking = (method: string) => method === 'GET' || method === 'HEAD';

/** The least role for a page's route; null where nobody is let in. */
export function pageRole(route: string, method: string): Least | null {
	if (!looking(method) && route !== '/sign-in') return null;
	return Object.hasOwn(pages, route) ? pages[route]! : null;
}

/** A host's name and port, as headers give them. */
function parted(host: string | null): { readonly name: string; readonly port: string } | null {
	if (host === null || !URL.canParse(`http://${host}`)) return null;
	const { hostname, port } = new URL(`http://${host}`);
	return { name: hostname, port };
}

/** Whether the program is served under this name: a loopback name, or that of its ORIGIN. Any other is somebody's page playing our server. */
export function isServed(host: string | null, ownOrigin: string | undefined): boolean {
	const asked = parted(host);
	if (!asked) return false;
	if (isLoopback(asked.name)) return true;
	return (
		ownOrigin !== undefined && URL.canParse(ownOrigin) && new URL(ownOrigin).host === host!.toLowerCase()
	);
}

/**
 * Whether a request that changes something comes from another site's page: from another origin than ORIGIN, and not, on loopback, from the
 * same port under another of this machine's own names.
 */
export function isForeign(
	method: string,
	headers: { readonly origin: string | null; readonly site: string | null; readonly host: string | null },
	ownOrigin: string
): boolean {
	if (looking(method)) return false;
	if (headers.site === 'cross-site' || headers.site === 'same-site') return true;
	const { origin } = headers;
	if (origin === null || origin === ownOrigin) return false;
	if (!URL.canParse(origin)) return true;
	const from = new URL(origin);
	const asked = parted(headers.host);
	return !(
		from.protocol === 'http:' &&
		asked !== null &&
		isLoopback(asked.name) &&
		isLoopback(from.hostname) &&
		from.port === asked.port
	);
}
