/** A view, where it is and what it is found by. */
export interface Place {
	readonly id: string;
	readonly name: string;
	readonly href: string;
	/** Other words that it is found by. */
	readonly also?: string;
}

/** One of the places where work is done, with its views; the first is where it is come in by. */
export interface Tab<T extends string = string> {
	readonly id: T;
	readonly name: string;
	readonly views: readonly Place[];
}

type Views = readonly (readonly [id: string, name: string, also: string])[];

const FIRM = [
	[
		'jobs',
		'Jobs',
		[
			['', 'Sites', 'jobs list'],
			['due', 'Visits due', 'clock changes batteries promised round']
		]
	],
	[
		'controls',
		'Controls',
		[
			['controls', 'Controls', 'profiles describe a control'],
			['rehearse', 'Practise', 'rehearse stand-in exercise keys simulator']
		]
	],
	['firm', 'Firm', [['firm', 'Firm', 'name logo copies backup everybody out']]]
] as const;

const SITE = [
	[
		'overview',
		'Overview',
		[
			['', 'Zones', 'overview board'],
			['clocks', 'Clocks', 'summer time winter time all clocks'],
			['away', 'Holidays', 'away absence whole site closing'],
			['settings', 'Edit many at once', 'settings limits lock fan frost survey']
		]
	],
	[
		'house',
		'House',
		[
			['house', 'Heat sources', 'boiler heat pump feeds chain house'],
			['heat', 'Peak load', 'heat at once fuse boiler stagger']
		]
	],
	[
		'visit',
		'Visit',
		[
			['visit', 'Visit', 'found clock test sign off leave'],
			['checks', 'Checks', 'forgotten wrong missing']
		]
	],
	[
		'record',
		'Record',
		[
			['record', 'Record', 'visits versions what changed pdf'],
			['hand-over', 'Handover sheet', 'customer sheet whole house print hand over'],
			['cards', 'Key-in cards', 'print all cards']
		]
	]
] as const;

const ZONE = [
	[
		'plan',
		'Plan',
		[
			['week', 'Week', 'plan draw program levels routine'],
			['room', 'Room', 'survey emitter radiator floor logger measure'],
			['proof', 'Start early', 'proof cold mornings warm in time lead preheat warm-up'],
			['away', 'Dates', 'away holiday special day calendar booking']
		]
	],
	[
		'control',
		'Control',
		[
			['control', 'Settings', 'control how it is set options unit limits sensor fan'],
			['clock', 'Clock', 'time summer time an hour wrong'],
			['rehearse', 'Practise', 'rehearse stand-in simulator keys exercise']
		]
	],
	[
		'key-in',
		'Key in',
		[
			['key-in', 'Key in', 'card press program'],
			['read-back', 'Read back', 'compare display'],
			['hand-over', 'Customer page', 'hand over pdf link']
		]
	],
	[
		'now',
		'Now',
		[
			['moment', 'Now', 'any moment why is it on off override boost'],
			[
				'talk',
				'Talk through',
				'help press keys telephone household clock batteries holiday back to automatic'
			],
			[
				'callback',
				'Call',
				'a call cold mornings too hot never warm comes on at wrong something is wrong what is the matter callback'
			]
		]
	]
] as const;

const tabs = <T extends string>(all: readonly (readonly [T, string, Views])[], under: string): Tab<T>[] =>
	all.map(([id, name, views]) => ({
		id,
		name,
		views: views.map(([part, called, also]) => ({
			id: part || id,
			name: called,
			also,
			href: part === '' ? under || '/' : `${under}/${part}`
		}))
	}));

/** The places of the firm, for whoever may go there: the firm's own page is the office's. */
export const firmTabs = (role: unknown) =>
	tabs(FIRM, '').filter(({ id }) => id !== 'firm' || role === 'office');

/** The places of a site. */
export const siteTabs = (siteId: string) => tabs(SITE, `/sites/${siteId}`);

/** The places of a zone, in the order of the work. */
export const zoneTabs = (siteId: string, zoneId: string) => tabs(ZONE, `/sites/${siteId}/zones/${zoneId}`);

/** The place of a path, by its own views and what lies below them; undefined where it is none of these. */
export const tabOf = <T extends string>(all: readonly Tab<T>[], path: string): Tab<T> | undefined =>
	all.find(({ views }) => views.some(({ href }) => path === href)) ??
	all.find(({ views }) => views.some(({ href }) => href !== '/' && path.startsWith(`${href}/`)));
