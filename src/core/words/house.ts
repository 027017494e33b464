import { weekdayOfDay } from '../civil';
import { capital } from '../schema';
import type { Layer } from '../run';
import type { Limit, SiteLoad } from '../thermal';
import {
	gapsOf,
	isWarmth,
	type Chain,
	type ChainFault,
	type ChainMoment,
	type Asking,
	type Gap,
	type WayState
} from '../house';
import {
	buildWeek,
	clockTime,
	DAY_MINUTES,
	DAY_SHORT,
	dayOf,
	dayRange,
	duration,
	mapWeek,
	minuteOfDay,
	spansOf,
	valueAt,
	zipSpans,
	type WeekSteps
} from '../week';

/** The same stretch without permission on one or several days. */
export interface GapSentence {
	/** "Mon–Fri 09:00–11:30: Registrar asks for 20.5 °C, but Boiler may not run, 2 h 30 a day." */
	readonly text: string;
	/** Minutes over all its days, for putting the worst first. */
	readonly minutes: number;
}

/** What a zone asks in vain, worst first; the same stretch on several days is said once. `say` puts a setpoint in °C into the zone's figures; a zone that is named already is `''`. */
export function gapSentences(
	zone: string,
	source: string,
	gaps: readonly Gap[],
	say: (setpointC: number) => string
): GapSentence[] {
	return alikeOf(gaps, ({ wantedC }) => String(wantedC))
		.map(({ when, same, minutes, each }) => ({
			text: `${capital(`${zone} cold ${when}`.trim())}, ${each}: ${source} timed off, ${say(same[0]!.wantedC)} wanted.`,
			minutes
		}))
		.sort((a, b) => b.minutes - a.minutes);
}

/** Stretches at the same time of several days, said once: "Mon–Fri 09:00–11:30", "2 h 30 a day", and how many minutes they are together. */
function alikeOf<S extends { readonly from: number; readonly to: number }>(
	stretches: readonly S[],
	apart: (one: S) => string = () => ''
) {
	const alike = new Map<string, S[]>();
	for (const one of stretches) {
		const key = [minuteOfDay(one.from), one.to - one.from, apart(one)].join();
		alike.set(key, [...(alike.get(key) ?? []), one]);
	}
	return [...alike.values()].map((same) => {
		const length = same[0]!.to - same[0]!.from;
		const begins = minuteOfDay(same[0]!.from);
		const times = length === DAY_MINUTES ? 'all day' : `${clockTime(begins)}–${clockTime(begins + length)}`;
		return {
			when: `${dayRange(same.map((one) => dayOf(one.from)))} ${times}`,
			each: `${duration(length)}${same.length > 1 ? ' a day' : ''}`,
			minutes: length * same.length,
			same
		};
	});
}

/**
 * When a source heats the water first while a zone that holds a week asks for warmth: "Mon–Fri 06:00–06:45: Boiler heats the hot water first,
 * the room waits, 45 min a day.", the longest first.
 */
export function waterFirstSentences(
	{
		source,
		may,
		waterFirst
	}: {
		readonly source: string;
		readonly may: WeekSteps<boolean>;
		readonly waterFirst: WeekSteps<boolean>;
	},
	zone: Asking
): string[] {
	const free = buildWeek(
		zipSpans(may, waterFirst).map(({ from, value: [run, water] }) => ({ at: from, value: !(run && water) }))
	);
	return alikeOf(joined(gapsOf(zone, free)))
		.sort((a, b) => b.minutes - a.minutes)
		.map(
			({ when, each }) => `${capital(when)}: ${source} heats the hot water first, the room waits, ${each}.`
		);
}

/** Stretches that follow on one another as one, whatever was asked in them. */
function joined(gaps: readonly Gap[]): { from: number; to: number }[] {
	const all: { from: number; to: number }[] = [];
	for (const { from, to } of gaps) {
		const last = all.at(-1);
		if (last?.to === from) last.to = to;
		else all.push({ from, to });
	}
	return all;
}

/** That a source heats the water first at a week minute, and until when; null where it does not. */
export function waterFirstUntil(
	source: string,
	waterFirst: WeekSteps<boolean>,
	weekMinute: number
): string | null {
	if (!valueAt(waterFirst, weekMinute)) return null;
	const until = nextAllowed(
		mapWeek(waterFirst, (water) => !water),
		weekMinute
	);
	return `No heat until about ${until}: ${source} heats the hot water first.`;
}

/** When a source may run again after a week minute: "11:30", on another day "Tue 07:00"; null where never. */
function nextAllowed(may: WeekSteps<boolean>, weekMinute: number): string | null {
	const spans = spansOf(may);
	const next =
		spans.find((span) => span.value && span.from >= weekMinute) ?? spans.find((span) => span.value);
	if (!next) return null;
	const day = dayOf(next.from) === dayOf(weekMinute) ? '' : `${DAY_SHORT[dayOf(next.from)]!} `;
	return `${day}${clockTime(minuteOfDay(next.from))}`;
}

/** That a source may not run at a week minute, and until when: "Boiler may not run until 11:30: nothing heats here." */
export function waitsUntil(source: string, may: WeekSteps<boolean>, weekMinute: number): string {
	const next = nextAllowed(may, weekMinute);
	if (next === null) return `No heat: ${source} timed off all week.`;
	return `No heat until ${next}: ${source} timed off.`;
}

/**
 * What a zone waits for at a local minute: its setpoint asks for warmth, but what governs its source does not let that run, by its week or
 * because it departs from it: then nothing keeps the frost out either. `state` is what the governor holds then. Null where the zone does not wait.
 */
export function waitsAt(
	{
		source,
		governor,
		may
	}: { readonly source: string; readonly governor: string; readonly may: WeekSteps<boolean> },
	zone: Asking,
	setpoint: number | null,
	governs: {
		readonly state: { readonly heatC: number | null; readonly by: Layer };
		readonly isSwitch: boolean;
	},
	wallMinute: number
): string | null {
	if (setpoint === null) return null;
	const asks = isWarmth(setpoint, zone);
	const day = Math.floor(wallMinute / DAY_MINUTES);
	const weekMinute = weekdayOfDay(day) * DAY_MINUTES + (wallMinute - day * DAY_MINUTES);
	const { heatC, by } = governs.state;
	if (by === 'program' || by === 'early-start' || by === 'limits')
		return !asks || valueAt(may, weekMinute) ? null : waitsUntil(source, may, weekMinute);
	// what departs from the week lets its source run where it is on, or holds more than a frost level
	const runs = heatC !== null && heatC > (governs.isSwitch ? 0.5 : GOVERNED_FROST_C);
	if (runs) return null;
	// a room at its frost level asks for nothing, until it freezes
	if (!asks) return zone.isSwitch ? null : frostVoid(source, governor, by);
	return waitsOnGovernor(source, governor, by);
}

/** That frost protection does nothing at a moment, because what governs its source lets that make no heat. */
const frostVoid = (source: string, governor: string, by: Layer): string =>
	`No heat, no frost protection: ${governor} ${governorWords[by]}, so ${source} is off.`;

/** Up to this a governing control that departs from its week lets nothing run, in °C: common practice for frost levels. */
const GOVERNED_FROST_C = 12;

/** That a source is switched off at what governs it. */
export const sourceOffWords = (source: string, governor: string): string =>
	`No heat, no frost protection: ${governor} is off, so ${source} is off too.`;

/** That a zone waits at a moment because what governs its source departs from its week: away, held, switched off. */
const waitsOnGovernor = (source: string, governor: string, by: Layer): string =>
	`No heat: ${governor} ${governorWords[by]}, so ${source} is off.`;

const governorWords: Readonly<Record<Layer, string>> = {
	program: 'is in its off hours',
	'special-day': 'has a special day',
	'early-start': 'starts early',
	override: 'is overridden',
	hold: 'is held',
	boost: 'is boosted',
	holiday: 'is away',
	manual: 'is on manual',
	off: 'is off',
	limits: 'is limited'
};

/** What an absence of a zone that lets a source run does to the zones that it feeds. */
export const awayCutWords = (source: string, governor: string, fed: readonly string[]): string =>
	`Do not set ${governor} to holiday: ${fed.join(', ')} ${fed.length === 1 ? 'loses' : 'lose'} ${source} and frost protection. Turn the zones down instead.`;

/** How a source stands with its rooms, in a sentence. */
export function chainStanding({ source, governor, fed, lostMinutes }: Chain): string {
	if (fed.length === 0) return `${source.name} heats no zone yet.`;
	if (!governor) return `${source.name} runs whenever one of its zones calls.`;
	return lostMinutes === 0
		? `Every call for heat to ${source.name} is met.`
		: `${source.name} is timed off for ${duration(lostMinutes)} of the week while its zones call for heat.`;
}

/** What a zone does at a moment, in a few words: what it asks for, or what it rests at. `say` puts a setpoint into its figures. */
export function zoneAtWords(
	{ holds, state }: ChainMoment['fed'][number],
	isSwitch: boolean,
	say: (setpointC: number) => string
): string {
	if (isSwitch) return state === 'rests' ? 'off' : 'on';
	return state === 'rests' ? `${say(holds)}, not calling` : `calling for ${say(holds)}`;
}

/** What becomes of it. */
export const wayWords: Readonly<Record<WayState, string>> = {
	runs: 'gets it',
	waits: 'no heat',
	'after-water': 'after the hot water',
	rests: ''
};

/** Of a store that rests: what lets a source run for its rooms is nothing to it. */
export const STORE_RESTS = 'own hours';

/** What a source does at a moment: whether it runs, or until when it may not. */
export function sourceAtWords({ permission }: Chain, at: ChainMoment, weekMinute: number): string {
	if (at.runs) return 'runs';
	if (at.may) return 'nothing calls';
	const next = nextAllowed(permission, weekMinute);
	return next === null ? 'timed off all week' : `timed off until ${next}`;
}

/** What is set up wrong between sources and zones, in a sentence. */
export function chainFaultWords(fault: ChainFault): string {
	switch (fault.kind) {
		case 'two-governors':
			return `${fault.zones.join(' and ')} both control ${fault.source}: only the first counts.`;
		case 'no-such-source':
			return `${fault.zone} names a source that is not here any more.`;
		case 'circle':
			return `${fault.sources.join(' and ')} control each other. Remove one.`;
	}
}

const kilowatts = (w: number) => `${(w / 1000).toFixed(1)} kW`;

/**
 * What a source is asked for, against its limit: the highest mean over the window and the worst minute side by side, and which of the two
 * keeps it. A fuse or a demand meter sees the mean; a supply that trips at once sees the minute.
 */
export function loadWords(
	{
		peakW,
		peakAt,
		worstW,
		worstAt,
		overMinutes
	}: Pick<SiteLoad, 'peakW' | 'peakAt' | 'worstW' | 'worstAt' | 'overMinutes'>,
	{ limitW, windowMinutes }: Limit
): string {
	const at = (minute: number) => `${DAY_SHORT[dayOf(minute)]} ${clockTime(minuteOfDay(minute))}`;
	const mean = `average over ${windowMinutes} min ${kilowatts(peakW)}, ${at(peakAt)}`;
	const minute = `any one minute ${kilowatts(worstW)}, ${at(worstAt)}`;
	if (limitW === null) return `At most: ${mean}; ${minute}`;
	const allowed = kilowatts(limitW);
	const [meanKept, minuteKept] = [overMinutes === 0, worstW <= limitW];
	const kept = meanKept
		? minuteKept
			? `Under ${allowed} always`
			: `Under ${allowed} on average, over it at single minutes`
		: `Over ${allowed} for ${duration(overMinutes)} of the week`;
	return `${kept}: ${mean}; ${minute}`;
}
