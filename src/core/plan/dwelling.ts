import { freshCopy } from './freshCopy';
import type { Zone } from './zone';

/** A dwelling within a site: a flat of a landlord's house, and the type of which it is one of many. */
type Dwelt = Pick<Zone, 'name' | 'dwelling' | 'type'>;

/** The dwellings of a site's zones, in the order of their first; the house itself ('') among them. */
export const dwellingsOf = (zones: readonly Pick<Zone, 'dwelling'>[]): string[] => [
	...new Set(zones.map(({ dwelling }) => dwelling))
];

/** The types of a site's dwellings, in the order of their first. */
export const typesOf = (zones: readonly Pick<Zone, 'type'>[]): string[] => [
	...new Set(zones.map(({ type }) => type).filter((type) => type !== ''))
];

/** What a zone is called within its dwelling: "Lounge" of "Flat 7 Lounge" in Flat 7. */
export const roomIn = ({ name, dwelling }: Pick<Zone, 'name' | 'dwelling'>): string =>
	dwelling !== '' && name.startsWith(`${dwelling} `) ? name.slice(dwelling.length + 1) : name;

/** The name of a dwelling's room among all zones of its site; in the house itself just the room's. */
export const nameIn = (dwelling: string, room: string): string =>
	(dwelling === '' || room === dwelling ? room : `${dwelling} ${room}`).slice(0, 80);

/** Whether two zones are the same room of two dwellings of one type, and so meant to live alike. */
export const areTwins = (one: Dwelt, other: Dwelt): boolean =>
	one.type !== '' &&
	one.type === other.type &&
	one.dwelling !== other.dwelling &&
	roomIn(one) === roomIn(other);

/** A zone as it is planned for another dwelling of its type: nobody has looked at anything there. */
export const inDwelling = (zone: Zone, dwelling: string, type: string): Zone => ({
	...freshCopy(zone),
	governs: null,
	name: nameIn(dwelling, roomIn(zone)),
	dwelling,
	type
});
