/** Where things are, in the order of the work: what the shell, the tabs and the palette go by. */
export interface Place {
	readonly id: string;
	readonly name: string;
	readonly href: string;
	/** Other words that it is found by. */
	readonly also?: string;
}

const FIRM: readonly Place[] = [
	{ id: 'jobs', name: 'Jobs', href: '/' },
	{ id: 'due', name: 'Visits due', href: '/due', also: 'clock changes batteries promised round' },
	{ id: 'controls', name: 'Controls', href: '/controls', also: 'profiles describe a control' },
	{ id: 'rehearse', name: 'Rehearse', href: '/rehearse', also: 'stand-in practise exercise keys' },
	{ id: 'firm', name: 'Firm', href: '/firm', also: 'name logo copies backup everybody out' }
];

/** The places of the firm, for whoever may go there: the firm's own page is the office's. */
export const firmPlaces = (role: unknown): readonly Place[] =>
	role === 'office' ? FIRM : FIRM.filter(({ id }) => id !== 'firm');

const SITE = [
	['', 'Overview', 'board zones'],
	['house', 'House', 'sources boiler heat pump feeds chain'],
	['visit', 'Visit', 'found clock test sign off leave'],
	['clocks', 'Clocks', 'summer time winter time all clocks'],
	['away', 'Holidays', 'away absence whole site closing'],
	['heat', 'Heat at once', 'fuse peak load boiler stagger'],
	['settings', 'Settings', 'limits lock fan frost survey'],
	['checks', 'Checks', 'forgotten wrong missing'],
	['hand-over', 'Hand over', 'customer sheet whole house print'],
	['record', 'Record', 'visits versions what changed pdf']
] as const;

/** The places of a site. */
export function sitePlaces(siteId: string): Place[] {
	return SITE.map(([id, name, also]) => ({
		id: id || 'overview',
		name,
		also,
		href: `/sites/${siteId}${id === '' ? '' : `/${id}`}`
	}));
}

const ZONE = [
	['room', 'Room', 'survey emitter radiator floor logger measure'],
	['control', 'Control', 'how it is set options unit settings limits sensor fan stand-in'],
	['clock', 'Clock', 'time summer time an hour wrong'],
	['week', 'Week', 'draw program levels routine'],
	['away', 'Away', 'holiday special day calendar'],
	['proof', 'Proof', 'cold mornings warm in time lead warm-up'],
	['key-in', 'Key in', 'card press program'],
	['read-back', 'Read back', 'compare display'],
	['hand-over', 'Hand over', 'customer page pdf link'],
	['moment', 'Any moment', 'why is it on off now override boost'],
	[
		'callback',
		'A call',
		'cold mornings too hot never warm comes on at wrong something is wrong what is the matter callback'
	]
] as const;

export type ZoneView = (typeof ZONE)[number][0];

/** The views of a zone, in the order of the work. */
export function zonePlaces(siteId: string, zoneId: string): (Place & { readonly id: ZoneView })[] {
	return ZONE.map(([id, name, also]) => ({ id, name, also, href: `/sites/${siteId}/zones/${zoneId}/${id}` }));
}
