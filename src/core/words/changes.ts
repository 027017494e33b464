import isSame from 'fast-deep-equal';
import { dateWords } from '../civil';
import {
	allowedOptions,
	roundTemperatureWords,
	setpointWithUnit,
	type ControlProfile,
	type TemperatureUnit
} from '../control';
import {
	levelOf,
	ON_SITE_WORDS,
	onSiteValueWords,
	VISIT_FIELDS,
	wantedWeek,
	type OnSite,
	type Zone
} from '../plan';
import { clockTime, dayRange, duration, sameWeek, splitByDay, type Span } from '../week';
import type { LeftZone, Visit } from '../record';
import { capital, counted } from '../schema';

/** What differs between two versions of a zone, sentence by sentence; nothing where they are alike. */
export interface ZoneChanges {
	readonly id: string;
	readonly name: string;
	readonly kind: 'new' | 'gone' | 'changed';
	readonly sentences: readonly string[];
	/** Whether the week itself differs, so that the older one can be put back. */
	readonly weekDiffers: boolean;
}

/** What differs between two plans. */
export interface PlanChanges {
	readonly sentences: readonly string[];
	/** Whether the wanted week itself differs. */
	readonly weekDiffers: boolean;
}

const spansText = (spans: readonly Span<string>[]) =>
	spans.map((span) => `${clockTime(span.from)} ${span.value}`).join(', ');

/** The days whose wanted levels differ, those that changed alike said together. */
function weekSentences(before: Zone, after: Zone): string[] {
	const named = (zone: Zone) =>
		splitByDay(wantedWeek(zone)).map((spans) =>
			spans.map((span) => ({ ...span, value: levelOf(zone, span.value).name }))
		);
	const [a, b] = [named(before), named(after)];
	const alike: { text: string; days: number[] }[] = [];
	a.forEach((spans, day) => {
		const [was, is] = [spansText(spans), spansText(b[day]!)];
		if (was === is) return;
		const text = `${was} → ${is}`;
		const same = alike.find((one) => one.text === text);
		if (same) same.days.push(day);
		else alike.push({ text, days: [day] });
	});
	return alike.map(({ text, days }) => `${dayRange(days)}: ${text}.`);
}

function levelSentences(before: Zone, after: Zone, profile: ControlProfile): string[] {
	const say = (zone: Zone, c: number) => setpointWithUnit(profile, allowedOptions(profile, zone.options), c);
	const gone = before.levels.filter((level) => !after.levels.some((one) => one.id === level.id));
	return [
		...after.levels.flatMap((level) => {
			const was = before.levels.find((one) => one.id === level.id);
			if (!was) return [`New level ${level.name}, ${say(after, level.setpointC)}.`];
			const words = was.name === level.name ? level.name : `${was.name}, now ${level.name},`;
			const moved =
				was.setpointC === level.setpointC
					? []
					: [`${words} ${say(before, was.setpointC)} → ${say(after, level.setpointC)}.`];
			const cool = (zone: Zone, c: number | null) => (c === null ? 'no cooling' : `above ${say(zone, c)}`);
			const cooled =
				was.coolC === level.coolC
					? []
					: [`${level.name} cools: ${cool(before, was.coolC)} → ${cool(after, level.coolC)}.`];
			const renamed =
				moved.length > 0 || was.name === level.name ? [] : [`Level ${was.name} is called ${level.name}.`];
			return [...moved, ...cooled, ...renamed];
		}),
		...gone.map((level) => `Level ${level.name} is gone.`)
	];
}

const leadWords = (zone: Zone, unit: TemperatureUnit) => {
	const { school, minutes, computed } = zone.lead;
	if (school === 'at-need') return 'none';
	if (school === 'control') return 'optimum start';
	if (school === 'fixed') return `${duration(minutes)} before`;
	return computed ? `computed for ${roundTemperatureWords(unit, computed.outdoorC)}` : 'to be computed';
};

/** What of the notes on site bears on how a control was left; lock codes are never said. */
const noted: readonly (keyof OnSite)[] = [
	'leftIn',
	'frostOn',
	'offsetSetK',
	'paired',
	'batteriesOn',
	'lockSet',
	'sensorHeightM',
	'controlPlace',
	'roomC',
	'floorC',
	'supplyC',
	'storeC'
];

/** A setting in words: a limit in the control's own figures, minutes, or its name. */
const settingInWords = (key: keyof Zone['settings'], value: unknown, say: (c: number) => string) =>
	value === null
		? 'none'
		: key === 'highLimitC' || key === 'lowLimitC'
			? say(Number(value))
			: key === 'earlyStartMinutes'
				? duration(Number(value))
				: String(value).replace('-', ' ');

/** What is said otherwise of a control: nothing said is a dash. */
const boxChange = (what: string, was: string, is: string) =>
	`Its control ${what}: ${was || '–'} → ${is || '–'}.`;

/** What differs between two plans of a zone, in sentences; nothing only where they are alike in everything. */
export function planChanges(a: Zone, b: Zone, profile: ControlProfile): PlanChanges {
	const sentences: string[] = [];
	if (a.name !== b.name) sentences.push(`Was called ${a.name}.`);
	if (a.note !== b.note) sentences.push('Its note differs.');
	if (a.dwelling !== b.dwelling) sentences.push(`It belongs to ${b.dwelling || 'the house itself'}.`);
	if (a.type !== b.type)
		sentences.push(b.type ? `Its dwelling is one of ${b.type}.` : 'Its dwelling has no like.');
	if (a.bookedWeek !== b.bookedWeek)
		sentences.push(
			b.bookedWeek === null
				? 'It has one week for good.'
				: `It has the week of ${dateWords(b.bookedWeek, 'short')}: each is keyed by itself.`
		);
	if (a.control !== b.control) sentences.push('It has another control.');
	if (a.box.name !== b.box.name) sentences.push(boxChange('is called', a.box.name, b.box.name));
	if (a.box.place !== b.box.place) sentences.push(boxChange('hangs', a.box.place, b.box.place));
	if (a.box.note !== b.box.note) sentences.push('The note of its control differs.');
	const [was, is] = [allowedOptions(profile, a.options), allowedOptions(profile, b.options)];
	if (was.unit !== is.unit) sentences.push(`Unit °${was.unit} → °${is.unit}.`);
	if (was.clock !== is.clock) sentences.push(`Clock ${was.clock} h → ${is.clock} h.`);
	if (was.perDay !== is.perDay) sentences.push(`Steps a day ${was.perDay} → ${is.perDay}.`);
	if (was.channel !== is.channel) sentences.push('Now on another channel.');
	if (was.plain !== is.plain)
		sentences.push(is.plain ? 'It is set to hold one setpoint.' : 'It is set to run a program.');
	if (a.grouping !== b.grouping)
		sentences.push(`Day grouping ${a.grouping ?? 'as fitted'} → ${b.grouping ?? 'as fitted'}.`);
	sentences.push(...levelSentences(a, b, profile));
	const weekDiffers = !sameWeek(wantedWeek(a), wantedWeek(b));
	if (weekDiffers) sentences.push(...weekSentences(a, b));
	const [startedA, startedB] = [leadWords(a, is.unit), leadWords(b, is.unit)];
	if (startedA !== startedB) sentences.push(`Preheat: ${startedA} → ${startedB}.`);
	else if (!isSame({ ...a.lead, stopMinutes: 0 }, { ...b.lead, stopMinutes: 0 }))
		sentences.push('The computed preheat differs.');
	if (a.lead.stopMinutes !== b.lead.stopMinutes)
		sentences.push(`Early stop ${duration(a.lead.stopMinutes)} → ${duration(b.lead.stopMinutes)}.`);
	if (!isSame(a.weights, b.weights)) sentences.push('Cold and waste are weighed otherwise.');
	if (a.use !== b.use) sentences.push('The room is used otherwise.');
	if (a.fedBy !== b.fedBy) sentences.push('It is fed by something else.');
	if (a.governs !== b.governs) sentences.push('Now controls another heat source.');
	if (!isSame(a.routine, b.routine)) sentences.push('The routine behind the week differs.');
	for (const key of ['highLimitC', 'lowLimitC', 'earlyStartMinutes', 'fan', 'changeover'] as const)
		if (a.settings[key] !== b.settings[key])
			sentences.push(
				`${{ highLimitC: 'Maximum setpoint', lowLimitC: 'Minimum setpoint', earlyStartMinutes: 'Optimum start', fan: 'Fan', changeover: 'Changeover' }[key]} ${settingInWords(key, a.settings[key], (c) => setpointWithUnit(profile, was, c))} → ${settingInWords(key, b.settings[key], (c) => setpointWithUnit(profile, is, c))}.`
			);
	const lists = [
		['exceptions', 'Days away and special days', 'entry', 'entries'],
		['bookings', 'Bookings', 'booking', 'bookings'],
		['clockReadings', 'Looks at the clock', 'look', 'looks']
	] as const;
	for (const [key, name, one, many] of lists)
		if (!isSame(a[key], b[key]))
			sentences.push(
				a[key].length === b[key].length
					? `${name}: other ${many}.`
					: `${name}: ${counted(a[key].length, one, many)} → ${counted(b[key].length, one, many)}.`
			);
	if (!isSame(a.room, b.room)) sentences.push('The description of the room differs.');
	// what another channel of its control asks is no part of its plan
	const plain = (zone: Zone) => ({ ...zone, otherChannels: null });
	if (sentences.length === 0 && !isSame(plain(a), plain(b))) sentences.push('Something else differs.');
	return { sentences, weekDiffers };
}

/** What differs between two versions of a zone as it was left. */
export function zoneChanges(before: LeftZone, after: LeftZone, profile: ControlProfile): ZoneChanges {
	const is = allowedOptions(profile, after.zone.options);
	const { sentences: planned, weekDiffers } = planChanges(
		{ ...before.zone, clockReadings: [] },
		{ ...after.zone, clockReadings: [] },
		profile
	);
	const sentences = [...planned];
	for (const key of noted) {
		const words = ON_SITE_WORDS[key];
		// what a visit just begun has not noted yet is no change
		if (after.onSite[key] === null && (VISIT_FIELDS as readonly string[]).includes(key)) continue;
		if (JSON.stringify(before.onSite[key]) !== JSON.stringify(after.onSite[key]))
			sentences.push(
				`${capital(words)}: ${onSiteValueWords(key, before.onSite[key], is.unit)} → ${onSiteValueWords(key, after.onSite[key], is.unit)}.`
			);
	}
	if (before.done !== after.done || before.of !== after.of)
		sentences.push(`Keyed ${before.done} of ${before.of} → ${after.done} of ${after.of}.`);
	return { id: after.id, name: after.zone.name, kind: 'changed', sentences, weekDiffers };
}

/** What changed at a site from one visit to another, zone by zone; zones that are alike are left out. */
export function changesBetween(
	before: Visit,
	after: Visit,
	profileOf: (zone: Zone) => ControlProfile
): ZoneChanges[] {
	const changed = after.zones.flatMap((zone): ZoneChanges[] => {
		const was = before.zones.find((one) => one.id === zone.id);
		if (!was)
			return [
				{ id: zone.id, name: zone.zone.name, kind: 'new', sentences: ['New zone.'], weekDiffers: false }
			];
		const changes = zoneChanges(was, zone, profileOf(zone.zone));
		return changes.sentences.length > 0 ? [changes] : [];
	});
	const gone = before.zones
		.filter((zone) => !after.zones.some((one) => one.id === zone.id))
		.map((zone): ZoneChanges => ({
			id: zone.id,
			name: zone.zone.name,
			kind: 'gone',
			sentences: ['Removed.'],
			weekDiffers: false
		}));
	return [...changed, ...gone];
}

/** How a visit left what it left: "signed off", "Flat 7 signed off", "kept as it stood". */
export const leftAsWords = ({ signedOff, dwelling }: Pick<Visit, 'signedOff' | 'dwelling'>): string =>
	`${dwelling === null ? '' : `${dwelling} `}${signedOff ? 'signed off' : 'kept as it stood'}`;
