import { capital } from './text';

/**
 * What the fields of documents are called by people. What is not here is called by its name in words, without the unit that
 * the name carries.
 */
const NAMES: Readonly<Record<string, string>> = {
	afterLast: 'where it goes after the last value',
	clear: 'gesture that clears a step',
	copy: 'copying',
	do: 'kind of the gesture',
	down: 'key that lowers',
	each: 'way to each mode',
	factory: 'what it holds as new',
	keeps: 'whether what was not taken is kept',
	key: 'key',
	kind: 'kind',
	next: 'gesture to the next mode',
	off: 'off',
	positions: 'positions',
	print: 'word on the key',
	put: 'gesture that puts the copy',
	rest: 'keys at rest',
	start: 'beginning',
	take: 'gesture that takes a value',
	times: 'number of times',
	up: 'key that raises',
	way: 'way',
	allDays: 'all days at once',
	areaM2: 'area',
	at: 'time',
	atMs: 'time',
	back: 'return',
	bandK: 'band',
	batteriesOn: 'date of the batteries',
	beforeFirst: 'what rules before the first step',
	beforeFirstC: 'setpoint before the first step',
	floorSensor: 'whether its sensor lies in the floor',
	bindProgram: 'whether limits bind the program',
	boilerStartsPerDay: 'starts of the boiler a day',
	boilerW: 'power of the boiler',
	bracket: 'mode before and after keying',
	by: 'way',
	canBePlain: 'whether it can be set to one setpoint',
	capacityScale: 'weight against its build',
	clockFormats: 'clock formats',
	coldKelvinMinutes: 'cold',
	computed: 'computed lead',
	coolC: 'cooling setpoint',
	correctsSingly: 'whether one value can be corrected',
	customerTold: 'whether the customer was told',
	dayNumbering: 'numbering of the days',
	daysAhead: 'days ahead',
	deadBandK: 'dead band',
	differentialK: 'differential',
	earlier: 'minutes for the others',
	earlyStartMostMinutes: 'longest optimum start',
	electricW: 'power of the supply',
	emptyC: 'setpoint without a program',
	endsAtMidnight: 'whether a pair may end at midnight',
	errorSeconds: 'error of the clock',
	eventNames: 'names of the steps',
	eventOrder: 'order of time and temperature',
	exposedM2: 'exposed area',
	factoryDay: 'day after a reset',
	factoryMinute: 'time after a reset',
	floorAreaM2: 'floor area',
	floorLimitC: 'floor limit',
	foundIn: 'what it was found in',
	from: 'start',
	gainsW: 'heat of people and devices',
	groupings: 'day groupings',
	grouping: 'day grouping',
	heatedM2: 'heated area',
	heightM: 'height',
	highLimitC: 'maximum setpoint',
	how: 'words on how it is done',
	id: 'name in the file',
	keepsC: 'temperature kept while off',
	keyed: 'values keyed',
	leave: 'leaving',
	leftIn: 'what it was left in',
	levels: 'levels',
	like: 'weekday that it runs as',
	limitW: 'limit',
	lockCodeIsFactory: 'whose lock code it is',
	lowLimitC: 'minimum setpoint',
	maxC: 'highest temperature',
	minC: 'lowest temperature',
	minimumOffMinutes: 'shortest rest',
	aloneAfterMinutes: 'minutes until a receiver hears nothing',
	min: 'lowest value',
	max: 'highest value',
	mostDays: 'most days',
	mostPeriods: 'most periods',
	mostSteps: 'most steps',
	offC: 'setpoint while off',
	offsetSetK: 'offset',
	on: 'date',
	onC: 'setpoint while on',
	onSite: 'notes on site',
	outdoorC: 'outdoor temperature',
	perDay: 'steps a day',
	perHour: 'cycles an hour',
	plain: 'whether it is set to one setpoint',
	presses: 'presses',
	programKept: 'whether the program is kept',
	promisedBy: 'date of the promise',
	ratedW: 'rated output',
	readingC: 'reading',
	reserveMinutes: 'clock reserve',
	revision: 'revision',
	roomC: 'room temperature',
	runsOnAfter: 'presses until a held key runs on',
	sensorHeightM: 'height of the sensor',
	setpointC: 'setpoint',
	slotMinutes: 'length of a slot',
	startsEarly: 'whether it has optimum start',
	stepC: 'temperature step',
	stepMinutes: 'time step',
	stopMinutes: 'early stop',
	storeC: 'cylinder',
	timeEntry: 'way times are keyed',
	timeoutSeconds: 'time-out of the menu',
	to: 'end',
	todayCounts: 'whether today counts',
	until: 'end',
	waterC: 'water temperature',
	wattsPerKelvin: 'loss',
	windowMinutes: 'window of the limit',
	withoutPowerMinutes: 'minutes without power'
};

/** Lists whose entries are called one by one, in the singular. */
const ENTRIES: Readonly<Record<string, string>> = {
	fields: 'field',
	keys: 'key',
	places: 'menu',
	setpointsC: 'setpoint',
	writes: 'gesture that writes',
	channels: 'way to the channel',
	bookings: 'booking',
	changes: 'change',
	controls: 'control',
	clockReadings: 'look at the clock',
	covers: 'what the lock covers',
	dayPerKWh: 'price by day',
	dayTypes: 'day type',
	edits: 'note',
	ends: 'end',
	events: 'step',
	exceptions: 'holiday or special day',
	fits: 'fit',
	groupings: 'day grouping',
	groups: 'group of days',
	leads: 'lead',
	levels: 'level',
	modes: 'mode',
	moved: 'moved start',
	nightPerKWh: 'price by night',
	offsetReadings: 'reading beside a thermometer',
	onlyWhenOff: 'whether it is reached only when off',
	overruled: 'accepted check',
	pairs: 'pair',
	perKWh: 'price of a kilowatt-hour',
	profiles: 'kind of control',
	settings: 'setting',
	sites: 'site',
	slots: 'slot',
	spans: 'span',
	tellsCost: 'whether the customers’ sheets say what heating costs',
	test: 'step of the test',
	visits: 'visit',
	wanted: 'step of the wanted week',
	waterFirstMinutes: 'time for the hot water',
	wipes: 'what it wipes',
	zones: 'zone'
};

/** The units that a field's name may end on. */
const UNIT = /(C|K|W|M|M2|Ms|Minutes|Seconds|Hours)$/;

/** A field's name as a person says it, without its unit. */
function spoken(name: string): string {
	const known = Object.hasOwn(NAMES, name) ? NAMES[name] : undefined;
	if (known !== undefined) return known;
	// a person's own words, or an id that they gave, are shown as they are
	if (!/^[a-z][A-Za-z0-9]*$/.test(name)) return `“${name.slice(0, 40)}”`;
	const bare = /[a-z]/.test(name.replace(UNIT, '')) ? name.replace(UNIT, '') : name;
	return bare.replace(/([a-z0-9])([A-Z])/g, '$1 $2').toLowerCase();
}

/**
 * A place in a document as a person says it, from the outside in; "" for the document itself. Entries count from one.
 * @example placeWords(['zones', 3, 'levels', 0, 'setpointC']) // 'Zone 4, level 1, setpoint'
 */
export function placeWords(path: readonly PropertyKey[]): string {
	const parts: string[] = [];
	path.forEach((part, i) => {
		if (typeof part === 'number') {
			const list = String(path[i - 1] ?? '');
			const entry = ENTRIES[list];
			if (entry !== undefined && parts.length > 0) parts[parts.length - 1] = `${entry} ${part + 1}`;
			else parts.push(`entry ${part + 1}`);
		} else parts.push(spoken(String(part)));
	});
	const text = parts.join(', ');
	return capital(text);
}
