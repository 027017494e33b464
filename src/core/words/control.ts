import { DAY_SHORT, dayRange, duration, spanWords } from '../week';
import {
	AWAY_WORDS,
	awayNeeds,
	CLOCK_WORDS,
	entryName,
	isAwayField,
	isOffered,
	isSwitch,
	keyPrint,
	OPTION_IDS,
	perDayOffers,
	type ControlProfile,
	type Grouping,
	type MenuMeaning,
	type OptionId,
	type PlaceField,
	type Wipes
} from '../control';
import { capital, spokenName } from '../schema';

/** The parts of a profile that a person reads and changes together. */
export const FACT_TOPICS = [
	'holds',
	'days',
	'temperatures',
	'shows',
	'panel',
	'keying',
	'options',
	'habits',
	'hand',
	'away',
	'clock'
] as const;
export type FactTopic = (typeof FACT_TOPICS)[number];

/** One part of a profile, in sentences. */
export interface Fact {
	readonly topic: FactTopic;
	readonly title: string;
	readonly sentences: readonly string[];
}

const numberWords = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
const count = (n: number) => numberWords[n] ?? String(n);
const list = (words: readonly string[], joiner = 'and') =>
	words.length < 2 ? (words[0] ?? '') : `${words.slice(0, -1).join(', ')} ${joiner} ${words.at(-1)}`;
const minutes = (n: number) =>
	n === 60 ? 'on the full hour' : n === 1 ? 'to the minute' : `in steps of ${n} minutes`;
const clean = (text: string) => text.trim().replace(/[.]$/, '');

/** The groups of a day grouping as a person says them: `Mon–Fri, Sat, Sun`. */
export function groupingWords(grouping: Grouping): string {
	if (grouping.groups.length === 7) return 'each day by itself';
	return grouping.groups.map((days) => dayRange(days)).join(' · ');
}

function holds(profile: ControlProfile): string[] {
	const { program } = profile;
	switch (program.form) {
		case 'plain':
			return ['Holds one setpoint and no program.'];
		case 'slots':
			return [
				`Holds one value for ${program.slotMinutes === 60 ? 'each hour' : `each ${program.slotMinutes} minutes`} of the day: ${list(program.settings.map(spokenName), 'or')}.`,
				`${list(program.settings.map(spokenName).map((name, i) => (i === 0 ? capital(name) : name)))} are set once for the week; nothing runs on past midnight.`
			];
		case 'pairs': {
			const per = list(
				perDayOffers(profile).map((n) => count(n)),
				'or'
			);
			return [
				`Holds up to ${per} on/off ${program.perDay.length === 1 && program.perDay[0] === 1 ? 'pair' : 'pairs'} a day${program.channels ? ` for each of ${list(program.channels)}` : ''}, ${minutes(program.stepMinutes)}.`,
				program.settings
					? `On is ${program.settings[0]}, off is ${program.settings[1]}: two setpoints for the whole week.`
					: 'It switches only; it measures no temperature.',
				program.endsAtMidnight
					? 'A pair may run to 24:00.'
					: 'A pair must end before midnight: what should run on is cut there.'
			];
		}
		case 'events': {
			const per = list(program.perDay.map(count), 'or');
			const weekend = program.weekend
				? ` on weekdays, ${count(program.weekend.saturday)} on Saturday, ${count(program.weekend.sunday)} on Sunday`
				: ' a day';
			return [
				`Holds ${program.clearable ? 'up to ' : ''}${per} changes${weekend}, ${minutes(program.stepMinutes)}${program.clearable ? '' : '; all must be keyed in, unused ones too'}.`,
				program.modes
					? `Each change names a mode, ${list(program.modes.map(spokenName), 'or')}; a mode has one setpoint all week.`
					: profile.cooling
						? 'Each change has a heating and a cooling setpoint of its own.'
						: 'Each change has a setpoint of its own.',
				program.beforeFirst === 'carried'
					? 'The last change of a day rules past midnight until the first of the next.'
					: `Before the first change of a day it is ${program.modes?.at(-1) ?? 'off'}.`,
				...(program.eventNames ? [`It calls its changes ${list(program.eventNames)}.`] : [])
			];
		}
	}
}

/** What a person can do at it beside its program, and what ends that. */
function handSentences({ habits, temperature }: ControlProfile): string[] {
	const { override, hold, boost, advance, manual, off, limits, fan } = habits;
	const said = [
		override &&
			`An override lasts ${override.ends === 'next-change' ? 'until the next step' : duration(override.minutes)}.`,
		hold &&
			`A hold lasts ${hold.until.includes('time') ? (hold.until.includes('ended') ? 'to a time, or until it is ended' : 'to a time') : 'until it is ended'}.`,
		boost &&
			(boost.ends === 'next-change'
				? 'Boost lasts to the next change of the program.'
				: `Boost in steps of ${duration(boost.stepMinutes)}, up to ${duration(boost.stepMinutes * boost.mostSteps)}.`),
		advance && 'Advance: the next change comes now.',
		manual && 'Manual stays until it is put back.',
		habits.paired && 'It speaks by radio to a receiver, with which it is paired.',
		off && (off.keepsC === null ? 'Off is off.' : `Off: frost protection at ${off.keepsC} °C.`),
		limits &&
			`Maximum and minimum setpoints limit ${limits.bindProgram ? 'overrides and program' : 'overrides only'}.`,
		fan && `Fan: ${list(fan, 'or')}.`,
		habits.minimumOffMinutes > 0 && `After a stop it waits ${habits.minimumOffMinutes} min.`
	].filter((one): one is string => typeof one === 'string');
	if (said.length > 0) return said;
	return [temperature ? 'Nothing but its setpoint.' : 'Nothing but its program.'];
}

function awaySentences({ habits: { holiday, specialDays } }: ControlProfile): string[] {
	const said = [];
	if (!holiday) said.push('No holiday setting: it is turned down by hand.');
	else if (holiday.by === 'days')
		said.push(
			`Holiday of 1 to ${holiday.mostDays} days, today ${holiday.todayCounts ? 'counted' : 'not counted'}; over ${holiday.ends === 'midnight' ? 'at midnight after the last' : 'at the hour it was set'}.`
		);
	else if (holiday.by === 'return-date')
		said.push(
			`Holiday to a date of return, over ${holiday.ends === 'midnight' ? 'at its 00:00' : 'at the hour given'}.`
		);
	else if (holiday.by === 'periods')
		said.push(`${holiday.mostPeriods} holidays kept beforehand, of whole days.`);
	else said.push('Holiday stays until ended.');
	said.push(specialDays ? `${specialDays.most} special days.` : 'No special days.');
	return said;
}

function clockSentences({ habits, program }: ControlProfile): string[] {
	const { summerTime, reserveMinutes, programKept } = habits.clock;
	if (summerTime === 'no-clock') return ['It has no clock.'];
	const words = {
		'by-itself': 'Changes its clock automatically.',
		'by-rule': 'Its clock change is keyed in as a rule.',
		'by-hand': 'Its clock is changed by hand, twice a year.'
	}[summerTime];
	const power = habits.power === 'batteries' ? 'while batteries are changed' : 'without power';
	const lost = programKept || program.form === 'plain' ? 'the clock' : 'the clock and the program';
	return [
		words,
		reserveMinutes === null
			? 'Its clock goes on without power.'
			: reserveMinutes === 0
				? `${capital(power)} it forgets ${lost} within seconds.`
				: `It forgets ${lost} after ${spanWords(reserveMinutes)} ${power}.`
	];
}

/** A profile as sentences, part by part, in the order in which an installer asks. */
export function profileFacts(profile: ControlProfile): Fact[] {
	const { temperature, cooling, keying, groupings } = profile;
	const fact = (topic: FactTopic, title: string, sentences: string[]): Fact => ({ topic, title, sentences });
	const days =
		profile.program.form === 'plain'
			? ['Every day is alike.']
			: groupings.map((grouping) => `${grouping.name}: ${groupingWords(grouping)}.`);
	const range = temperature
		? [
				`Setpoints from ${temperature.minC} to ${temperature.maxC} °C in steps of ${temperature.stepC} K.`,
				temperature.units.length > 1 ? 'Shows °C or whole °F.' : `Shows °${temperature.units[0]} only.`,
				...(cooling
					? [`Also cools, at least ${cooling.deadBandK} K above heating, up to ${cooling.maxC} °C.`]
					: [])
			]
		: ['None: it only switches.'];
	const numbering = {
		names: `${DAY_SHORT[0]}, ${DAY_SHORT[1]} … by name`,
		'monday-is-1': '1 to 7, Monday is 1',
		'sunday-is-1': '1 to 7, Sunday is 1'
	}[profile.dayNumbering];
	const copy = !keying.copy
		? 'Days cannot be copied.'
		: `A day is copied onto ${{ 'next-day': 'the next day only', 'any-day': 'any other', block: 'every day up to a chosen one' }[keying.copy.onto]}, in ${keying.copy.presses} presses.`;
	return [
		fact('holds', 'What it holds', holds(profile)),
		fact('days', 'Its days', days),
		fact('temperatures', 'Temperatures', range),
		fact('shows', 'What it shows', [
			`Days as ${numbering}.`,
			profile.clockFormats.length > 1
				? 'Clock of 24 hours or 12 with am and pm.'
				: `Clock of ${profile.clockFormats[0]} hours${profile.clockFormats[0] === '12' ? ' with am and pm' : ''}.`
		]),
		fact('panel', 'Its keys', panelSentences(profile)),
		fact('keying', 'How it is keyed', [
			`${clean(keying.enter)}.`,
			...(profile.program.form === 'events' && !profile.program.modes
				? [
						keying.eventOrder === 'time-first'
							? 'Takes the time, then the temperature.'
							: 'Takes the temperature, then the time.'
					]
				: []),
			...(keying.timeEntry === 'hour-then-minute' ? ['Hours and minutes are two values.'] : []),
			...(profile.program.form === 'plain' ? [] : [copy]),
			...(keying.allDays ? ['One entry can fill all days.'] : []),
			...(keying.correctsSingly ? [] : ['A slip means keying the day again.']),
			keying.timeoutSeconds === null
				? 'The menu stays until it is left.'
				: `The menu closes after ${keying.timeoutSeconds} s without a key.`,
			...(keying.bracket
				? [`Set it to ${keying.bracket.before} before keying and to ${keying.bracket.after} afterwards.`]
				: []),
			`${clean(keying.leave)}.`
		]),
		fact('options', 'Its options, resets and lock', operationSentences(profile)),
		fact('habits', 'Automatic', [
			profile.startsEarly
				? 'Learns to start early: key the time of need.'
				: 'Starts at the time keyed in: preheat goes into the week.',
			...(profile.canBePlain ? ['Can be set to hold one setpoint, without a program.'] : [])
		]),
		fact('hand', 'By hand', handSentences(profile)),
		fact('away', 'Away', awaySentences(profile)),
		fact('clock', 'Its clock', clockSentences(profile))
	];
}

/** What is known of its keys. */
function panelSentences({ panel }: ControlProfile): string[] {
	if (!panel) return ['Not described yet: the card says in words what to look for, and it has no simulator.'];
	const { keys, rest, modes } = panel;
	const prints = keys.filter(({ kind }) => kind !== 'slide').map(({ print }) => print);
	const slides = keys.filter(({ kind }) => kind === 'slide');
	return [
		`${keys.some(({ kind }) => kind === 'field') ? 'Touched' : 'Pressed'}: ${prints.join(', ')}.`,
		...slides.map(({ print, positions }) => `${print}: ${positions.join(', ')}.`),
		...(rest
			? [`At rest ${keyPrint(panel, rest.up)} and ${keyPrint(panel, rest.down)} change the setpoint.`]
			: []),
		...(modes ? [`Modes: ${modes.names.join(', ')}.`] : [])
	];
}

/** What can stand in a menu, as it is named where a control is described. */
const PLACE_FIELD_NAMES: Readonly<Record<Exclude<PlaceField, `menu/${string}`>, string>> = {
	unit: 'unit',
	clock: 'clock format',
	grouping: 'day grouping',
	'per-day': 'steps a day',
	plain: 'with or without a program',
	setpoints: 'setpoints of the week',
	setpoint: 'setpoint without a program',
	'cool-setpoint': 'cooling setpoint',
	...CLOCK_WORDS,
	...AWAY_WORDS
};

/** Whether a control as it is described can have this in a menu. */
function isPossible(profile: ControlProfile, field: string): boolean {
	if ((OPTION_IDS as readonly string[]).includes(field)) return isOffered(profile, field as OptionId);
	if (!isAwayField(field)) return true;
	const needs = awayNeeds(profile.habits.holiday);
	return needs !== null && (field === 'away-setpoint' ? !isSwitch(profile) : needs.includes(field));
}

/** What can stand in a menu of a control, with its name: what every control has, its options and its own entries. */
export const placeFields = (profile: ControlProfile): (readonly [field: PlaceField, name: string])[] => [
	...Object.entries(PLACE_FIELD_NAMES).flatMap(([field, name]) =>
		isPossible(profile, field) ? [[field as PlaceField, name] as const] : []
	),
	...profile.menu.map(
		(entry) => [`menu/${entry.id}` as const, `${entry.print}: ${entryName(entry)}`] as const
	)
];

/** What an entry of a control's menus can mean, as it is chosen. */
export const MEANING_WORDS: Readonly<Record<MenuMeaning, string>> = {
	none: 'nothing for the heating',
	sensor: 'which sensor it goes by',
	'floor-limit': 'the highest floor temperature',
	'high-limit': 'the highest setting',
	'low-limit': 'the lowest setting',
	regulation: 'how it regulates',
	differential: 'its differential',
	cycles: 'its cycles an hour',
	'early-start': 'optimum start',
	frost: 'frost protection',
	'frost-level': 'the frost temperature',
	offset: 'correcting its sensor',
	fan: 'its fan',
	changeover: 'heating and cooling',
	'summer-time': 'clock change automatic',
	'stored-program': 'which program it runs',
	'minimum-off': 'the shortest time off',
	'manual-figure': 'the temperature of a manual mode',
	'per-mode': 'a figure of a mode'
};

/** What a value of an entry can say for the heating. */
export const SAYS_WORDS: Readonly<Record<string, string>> = {
	air: 'The air',
	floor: 'The floor',
	'air-with-floor-guard': 'The air with the floor guarded',
	'on-off': 'On and off',
	cycling: 'In cycles',
	off: 'Off',
	on: 'On',
	auto: 'By itself',
	circulate: 'Now and then',
	automatic: 'Both',
	own: 'The week keyed here',
	stored: 'One that it came with',
	'heat-only': 'Heating only',
	'cool-only': 'Cooling only'
};

/** What an option is called where it is set. */
export const OPTION_NAMES: Readonly<Record<OptionId, string>> = {
	unit: 'Unit',
	clock: 'Clock format',
	grouping: 'Day grouping',
	'per-day': 'Steps a day',
	plain: 'With or without a program'
};

/** What a change of an option or a reset takes away. */
export const WIPES_WORDS: Readonly<Record<Wipes, string>> = {
	nothing: 'wipes nothing',
	program: 'wipes the week',
	clock: 'wipes the time',
	all: 'wipes everything'
};

/** Where the options are found and what they wipe, how it is reset and locked: one sentence each. */
function operationSentences(profile: ControlProfile): string[] {
	const { options, resets, lock } = profile.operation;
	const offered = OPTION_IDS.filter((id) => isOffered(profile, id));
	const unsaid = offered.filter((id) => !options[id]);
	return [
		...offered.flatMap((id) => {
			const place = options[id];
			return place
				? [
						`${OPTION_NAMES[id]}: ${clean(place.how)}${place.onlyWhenOff ? ', only while it is off' : ''}; a change ${WIPES_WORDS[place.wipes]}.`
					]
				: [];
		}),
		...(unsaid.length > 0
			? [
					`Where it is set is not said of ${list(unsaid.map((id) => OPTION_NAMES[id].toLowerCase()))}: taken to wipe the week, as on many controls.`
				]
			: []),
		...(offered.length === 0 ? ['It leaves nothing to choose.'] : []),
		...menuSentences(profile),
		...resets.map(({ wipes, how }) => `Factory reset: ${clean(how)}; it ${WIPES_WORDS[wipes]}.`),
		...receiverSentences(profile),
		...(profile.operation.counts === '' ? [] : [`It counts: ${clean(profile.operation.counts)}.`]),
		...(lock
			? [
					`Its keys lock${lock.covers === 'all' ? '' : ', but the setpoint stays free'}: ${clean(lock.how)}. To end it: ${clean(lock.ends)}.`
				]
			: [])
	];
}

/** What stands in a control's own menus. */
function menuSentences({ menu }: ControlProfile): string[] {
	const meant = menu.filter(({ means }) => means !== 'none');
	const idle = menu.filter(({ means }) => means === 'none');
	return [
		...(meant.length > 0
			? [`Its menus set ${list(meant.map((entry) => `${entryName(entry)} (${entry.print})`))}.`]
			: []),
		...(idle.length > 0
			? [`Means nothing for the heating, leave alone: ${list(idle.map(({ print }) => print))}.`]
			: [])
	];
}

/** What a receiver does when it hears nothing from its control. */
const ALONE_WORDS = {
	off: 'switches off',
	stays: 'stays as it is',
	'part-time': 'heats part of the time'
} as const;

function receiverSentences({ operation: { receiver } }: ControlProfile): string[] {
	if (!receiver) return [];
	const { pairing, ownKey, alone, aloneAfterMinutes, lamps } = receiver;
	return [
		`To pair it with its receiver: ${clean(pairing)}.`,
		`A receiver that has heard nothing for ${duration(aloneAfterMinutes)} ${ALONE_WORDS[alone]}.`,
		...(ownKey === '' ? [] : [`${clean(ownKey)}.`]),
		...(lamps.length > 0
			? [`Its lamp: ${lamps.map(({ shows, means }) => `${shows}, ${means}`).join('; ')}.`]
			: [])
	];
}

/** A control's receiver and what its lamp shows, for whoever stands before it; null where nothing of it is known. */
export const pairingWords = (profile: ControlProfile): string | null =>
	profile.operation.receiver ? receiverSentences(profile).join(' ') : null;

/** How a control's keys are locked and how that is ended; null where it is not known. */
export function lockWords({ operation: { lock } }: ControlProfile): string | null {
	return lock && `${clean(lock.how)}. To end it: ${clean(lock.ends)}.`;
}

/** How a control is brought back to what it left the factory with, for one that was found set by somebody unknown. */
export const resetWords = ({ operation: { resets } }: ControlProfile): string[] =>
	resets.map(({ wipes, how }) => `${clean(how)}: ${WIPES_WORDS[wipes]}.`);

/** A profile in one sentence, for a list. */
export function profileInShort(profile: ControlProfile): string {
	const offers =
		profile.program.form === 'plain' ? '' : ` ${profile.groupings.map((g) => g.name).join(', ')}.`;
	return `${holds(profile)[0]}${offers}`;
}
