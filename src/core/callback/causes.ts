import { expandProgram, type ControlProfile, type Program } from '../control';
import { isWarmth, permissionOf, type ChainZone } from '../house';
import { factoryMemory, programOf } from '../machine';
import type { Exception, OnSite, Zone } from '../plan';
import { warmUp } from '../thermal';
import { DAY_MINUTES, valueAt, WEEK_MINUTES, type WeekSteps } from '../week';
import { QUESTIONS, type QuestionId } from './facts';

/** The grain in which a week is looked at, in minutes. */
export const SLOT_MINUTES = 10;
export const SLOTS = WEEK_MINUTES / SLOT_MINUTES;

/** What can be the matter. */
export const CAUSE_KINDS = [
	'clock-off',
	'weekday-off',
	'left-manual',
	'left-off',
	'left-away',
	'factory-week',
	'day-not-copied',
	'source-later',
	'source-off',
	'no-radio',
	'no-power',
	'limit',
	'sensor',
	'slow-room',
	'weak-emitter',
	'somebody-changed',
	'no-fault',
	'other'
] as const;
export type CauseKind = (typeof CAUSE_KINDS)[number];

/** A cause with its changed world: when the heating runs and when the room is warm in it, and what would be answered. */
export interface Cause {
	readonly id: string;
	readonly kind: CauseKind;
	/** Minutes by which its clock is ahead, days by which its weekday is; the day that holds the day before (1 to 7), or ten times the first of the days that hold what another is meant to have, and that. */
	readonly figure: number;
	/** Weight before anything was said: the trade's own frequency (common practice, from memory), and what the record tells. */
	readonly prior: number;
	/** By slot of the week: 1 while the heating runs. */
	readonly heats: Uint8Array;
	/** By slot of the week: 1 while the room is warm. */
	readonly warm: Uint8Array;
	/** By slot of the week: how warm it is asked to be, from 0 (the lowest that is asked for) to 1 (the highest). */
	readonly levels: Float64Array;
	/** What is answered to a question where this is the matter; any answer as likely as another where it is not named. */
	readonly answers: { readonly [Id in QuestionId]?: string | undefined };
}

/** What is known of a zone whose household calls. */
export interface CalledZone {
	readonly zone: Zone;
	readonly profile: ControlProfile;
	readonly program: Program;
	readonly onSite: OnSite;
	/** What lets its source run, where a control does; null without. */
	readonly governor: Pick<ChainZone, 'held' | 'isSwitch'> | null;
	/** Outside on the days that were spoken of, in °C. */
	readonly outdoorC: number;
	/** Minutes by which a clock that is changed by hand, and was not, is ahead by now; 0 where none is missed. */
	readonly missedChangeMinutes: number;
}

/** A room of which nothing is known: minutes until it is warm, and until it is no longer (common practice). */
const USUAL_RISE_MINUTES = 40;
const COOLS_TIMES_SLOWER = 3;

const from = (i: number) => ((i % SLOTS) + SLOTS) % SLOTS;
const rotate = (of: Uint8Array, slots: number): Uint8Array =>
	Uint8Array.from(of, (_, i) => of[from(i + slots)]!);
const rotateLevels = (of: Float64Array, slots: number): Float64Array =>
	Float64Array.from(of, (_, i) => of[from(i + slots)]!);

/** When a room is warm whose heating runs so, if it takes so many minutes to warm: nothing is gained past warm, and it cools three times as slowly. Never where it does not get there. */
export function warmthOf(heats: Uint8Array, riseMinutes: number | null): Uint8Array {
	const warm = new Uint8Array(SLOTS);
	if (riseMinutes === null) return warm;
	const up = SLOT_MINUTES / Math.max(SLOT_MINUTES, riseMinutes);
	const down = up / COOLS_TIMES_SLOWER;
	let level = 0.5;
	// twice round, so that the week closes on itself
	for (let i = 0; i < 2 * SLOTS; i++) {
		level = Math.min(1.15, Math.max(0, level + (heats[i % SLOTS] ? up : -down)));
		if (i >= SLOTS) warm[i - SLOTS] = level >= 1 - 1e-9 ? 1 : 0;
	}
	return warm;
}

/** When a held week asks for warmth, by slot. */
function asks(held: WeekSteps<number>, like: Pick<ChainZone, 'held' | 'isSwitch'>): Uint8Array {
	return Uint8Array.from({ length: SLOTS }, (_, i) =>
		isWarmth(valueAt(held, i * SLOT_MINUTES), like) ? 1 : 0
	);
}

/** How warm a held week asks it to be, by slot, against the lowest and highest of the one that was planned. */
function levelsOf(held: WeekSteps<number>, planned: WeekSteps<number>): Float64Array {
	const values = planned.map(({ value }) => value);
	const [low, high] = [Math.min(...values), Math.max(...values)];
	return Float64Array.from({ length: SLOTS }, (_, i) => {
		const at = valueAt(held, i * SLOT_MINUTES);
		return high > low ? Math.min(1.2, Math.max(0, (at - low) / (high - low))) : 0;
	});
}

/** Minutes that the room needs from its setback to comfort at an outdoor temperature; null where it never gets there. */
function riseOf({ zone, outdoorC }: CalledZone): number | null {
	if (!zone.room) return USUAL_RISE_MINUTES;
	const setpoints = zone.levels.map(({ setpointC }) => setpointC);
	const comfortC = Math.max(...setpoints);
	const setbackC = Math.max(...setpoints.filter((c) => c < comfortC - 1), comfortC - 5);
	return warmUp(zone.room, { beforeC: comfortC, setbackC, minutes: 480, comfortC }, outdoorC).minutes;
}

/** Everything that may be the matter with a zone, each with its world; the weights are not brought to one. */
export function causesOf(called: CalledZone): Cause[] {
	const { zone, profile, program, onSite, governor, missedChangeMinutes } = called;
	const { habits } = profile;
	const held = expandProgram(program, profile.temperature?.minC ?? 0);
	const like = { held, isSwitch: profile.temperature === null };
	const wanted = asks(held, like);
	const rise = riseOf(called);
	const mild = zone.room ? riseOf({ ...called, outdoorC: 8 }) : rise;
	const permission = governor && permissionOf(governor);
	const allowed =
		permission &&
		Uint8Array.from({ length: SLOTS }, (_, i) => (valueAt(permission, i * SLOT_MINUTES) ? 1 : 0));
	const gated = (heats: Uint8Array) => (allowed ? heats.map((on, i) => on & allowed[i]!) : heats);
	const nothing = new Uint8Array(SLOTS);
	const always = new Uint8Array(SLOTS).fill(1);
	const asked = levelsOf(held, held);
	const causes: Cause[] = [];
	const add = (
		kind: CauseKind,
		prior: number,
		heats: Uint8Array,
		answers: Cause['answers'],
		{
			figure = 0,
			warm = warmthOf(heats, mild ?? USUAL_RISE_MINUTES),
			levels = heats === nothing ? new Float64Array(SLOTS) : asked
		}: { figure?: number; warm?: Uint8Array; levels?: Float64Array } = {}
	) =>
		causes.push({
			id: figure === 0 ? kind : `${kind}/${figure}`,
			kind,
			figure,
			prior,
			heats,
			warm,
			levels: allowed ? levels.map((level, i) => level * allowed[i]!) : levels,
			answers
		});
	const usual = {
		'set-to': 'as-planned',
		water: 'yes',
		'clock-shows': 'right',
		mode: 'program',
		rooms: 'this',
		lamp: 'as-usual',
		'heater-asked': 'hot'
	} as const;

	if (habits.clock.summerTime !== 'no-clock' && program.form !== 'plain') {
		for (const hours of [-12, -3, -2, -1.5, -1, -0.5, 0.5, 1, 1.5, 2, 3, 12]) {
			const minutes = hours * 60;
			const isChange = Math.abs(minutes) === 60 && habits.clock.summerTime === 'by-hand';
			const isMissed = minutes === missedChangeMinutes && missedChangeMinutes !== 0;
			add(
				'clock-off',
				isMissed ? 40 : isChange ? 3 : Math.abs(hours) === 12 ? 1 : minutes % 60 === 0 ? 0.9 : 0.4,
				gated(rotate(wanted, minutes / SLOT_MINUTES)),
				{
					...usual,
					'clock-shows': minutes === 60 ? 'hour-ahead' : minutes === -60 ? 'hour-behind' : 'another-time',
					since: isChange ? 'clocks-changed' : 'power',
					'which-days': 'every'
				},
				{ figure: minutes, levels: rotateLevels(asked, minutes / SLOT_MINUTES) }
			);
		}
		for (let day = 1; day <= 6; day++)
			add(
				'weekday-off',
				0.5,
				gated(rotate(wanted, (day * DAY_MINUTES) / SLOT_MINUTES)),
				{
					...usual,
					'clock-shows': 'another-day',
					since: 'power',
					'which-days': 'some'
				},
				{ figure: day, levels: rotateLevels(asked, (day * DAY_MINUTES) / SLOT_MINUTES) }
			);
		const factory = profile.panel && programOf(profile, factoryMemory(profile));
		if (factory && factory.form !== 'plain') {
			const week = expandProgram(factory, profile.temperature?.minC ?? 0);
			add(
				'factory-week',
				habits.clock.programKept ? 0.7 : 4,
				gated(asks(week, like)),
				{
					...usual,
					since: 'power',
					'which-days': 'every'
				},
				{ levels: levelsOf(week, held) }
			);
		}
		const byDay = Array.from({ length: 7 }, (_, d) => wanted.slice((d * SLOTS) / 7, ((d + 1) * SLOTS) / 7));
		for (let d = 0; d < 7; d++) {
			const before = byDay[(d + 6) % 7]!;
			if (before.join() === byDay[d]!.join()) continue;
			const heats = Uint8Array.from(wanted);
			heats.set(before, (d * SLOTS) / 7);
			const levels = Float64Array.from(asked, (level, i) =>
				Math.floor(i / (SLOTS / 7)) === d ? asked[from(i - SLOTS / 7)]! : level
			);
			add(
				'day-not-copied',
				0.4,
				gated(heats),
				{ ...usual, since: 'always', 'which-days': 'some' },
				{ figure: d + 1, levels }
			);
		}
		// days that are alike are keyed together, and can be given what others are meant to have
		const alike = new Map<string, number[]>();
		byDay.forEach((day, d) => alike.set(day.join(), [...(alike.get(day.join()) ?? []), d]));
		const groups = [...alike.values()];
		for (const days of groups)
			for (const others of groups) {
				const source = others[0]!;
				// of a single day after another it is said already
				if (days === others || (days.length === 1 && (days[0]! + 6) % 7 === source)) continue;
				const heats = Uint8Array.from(wanted);
				const levels = Float64Array.from(asked);
				const [day, perDay] = [byDay[source]!, SLOTS / 7];
				for (const d of days) {
					heats.set(day, d * perDay);
					levels.set(asked.slice(source * perDay, (source + 1) * perDay), d * perDay);
				}
				add(
					'day-not-copied',
					0.6,
					gated(heats),
					{ ...usual, since: 'always', 'which-days': 'some' },
					{ figure: 10 * (days[0]! + 1) + source + 1, levels }
				);
			}
	}
	// what it was left in at the last visit, or was said to stand on with no end
	const left = (what: NonNullable<OnSite['leftIn']>, kind?: Exception['kind']) =>
		onSite.leftIn === what ||
		zone.exceptions.some((one) => one.kind === kind && 'until' in one && one.until === null)
			? 10
			: 1;
	if (habits.manual || habits.hold || habits.override) {
		const more = Math.max(left('manual', 'manual'), left('hold', 'hold'));
		add(
			'left-manual',
			5 * more,
			nothing,
			{ ...usual, mode: 'manual', since: 'visitors', 'which-days': 'every', 'set-to': 'lower' },
			{ figure: -1 }
		);
		add(
			'left-manual',
			2 * more,
			gated(always),
			{ ...usual, mode: 'manual', since: 'visitors', 'which-days': 'every', 'set-to': 'higher' },
			{ figure: 1, levels: new Float64Array(SLOTS).fill(1) }
		);
	}
	if (habits.off)
		add('left-off', 3 * left('off', 'off'), nothing, {
			...usual,
			mode: 'off',
			since: 'visitors',
			'set-to': 'lower',
			'heater-asked': 'cold'
		});
	if (habits.holiday)
		add('left-away', 3 * left('holiday'), nothing, {
			...usual,
			mode: 'away',
			since: 'visitors',
			'set-to': 'lower'
		});
	if (allowed && wanted.some((on, i) => on && !allowed[i]))
		add('source-later', 14, gated(wanted), {
			...usual,
			rooms: 'all',
			since: 'always',
			'which-days': 'every',
			'heater-asked': 'cold'
		});
	// what feeds it may be there though nobody has noted it
	add('source-off', zone.fedBy === null ? 1 : 5, nothing, {
		...usual,
		rooms: 'all',
		water: zone.fedBy === null ? undefined : 'no',
		'heater-asked': 'cold',
		since: 'power'
	});
	if (habits.paired) {
		const alone = profile.operation.receiver?.alone ?? 'off';
		const lost = {
			...usual,
			lamp: 'out-or-blinks',
			'heater-asked': alone === 'off' ? 'cold' : undefined,
			'which-days': 'every',
			since: 'power'
		};
		const prior = onSite.paired === false ? 20 : 4;
		// what a receiver does that hears nothing: off, on and off by itself, or as it was when it heard last
		add('no-radio', alone === 'off' ? prior : prior / 2, nothing, lost);
		if (alone !== 'off')
			add('no-radio', prior / 2, gated(always), lost, {
				figure: 1,
				levels: new Float64Array(SLOTS).fill(alone === 'stays' ? 1 : 0.5)
			});
	}
	add('no-power', habits.power === 'batteries' ? 5 : 1.5, nothing, {
		...usual,
		'clock-shows': 'blank',
		'heater-asked': 'cold',
		since: 'power'
	});
	if (habits.limits)
		add(
			'limit',
			zone.settings.highLimitC === null ? 1 : 3,
			gated(wanted),
			{ ...usual, since: undefined, 'set-to': 'lower', 'heater-asked': 'cold' },
			{ warm: nothing }
		);
	if (profile.temperature)
		add(
			'sensor',
			onSite.sensorTroubles.length > 0 ? 8 : 0.8,
			gated(wanted),
			{ ...usual, since: undefined, 'which-days': undefined },
			{ warm: nothing }
		);
	const slow = rise === null ? null : Math.max(rise, 2 * (mild ?? rise));
	const isSlow = zone.room !== null && rise !== null && rise > (mild ?? rise) * 1.3 && rise > 90;
	add(
		'slow-room',
		isSlow ? 14 : 3,
		gated(wanted),
		{ ...usual, since: 'colder', 'which-days': 'every' },
		{
			warm: warmthOf(gated(wanted), slow ?? 180)
		}
	);
	add(
		'weak-emitter',
		rise === null ? 14 : 1.5,
		gated(wanted),
		{ ...usual, since: 'colder' },
		{ warm: nothing }
	);
	add('somebody-changed', profile.operation.lock && onSite.lockSet ? 0.7 : 3, gated(wanted), {
		...usual,
		since: 'visitors'
	});
	if (profile.temperature)
		add('no-fault', 1.5, gated(wanted), { ...usual, 'heater-asked': 'cold', since: 'always' });
	add('other', 2, gated(wanted), {});
	return causes;
}

/** Questions that are not asked of a zone: its control, its house or its record answers them already. */
export function unaskable({ zone, profile, program }: CalledZone): QuestionId[] {
	const { habits, panel } = profile;
	const hasClock = habits.clock.summerTime !== 'no-clock' && program.form !== 'plain';
	return [
		...(hasClock ? [] : (['clock-shows', 'which-days'] as const)),
		...(panel?.modes || habits.manual || habits.hold || habits.off || habits.holiday
			? []
			: (['mode'] as const)),
		...(habits.paired ? [] : (['lamp'] as const)),
		...(profile.temperature ? [] : (['set-to'] as const)),
		...(zone.fedBy === null ? (['water'] as const) : [])
	];
}

/** Calls for which the trade's own frequencies stand: as many of a firm's own weigh as much. */
const TRADE_CALLS = 20;

/** Causes with a firm's own closed calls counted in, by kind: common practice first, experience as it comes. */
export function taught(
	causes: readonly Cause[],
	closed: Readonly<Partial<Record<CauseKind, number>>>
): Cause[] {
	const sum = causes.reduce((all, { prior }) => all + prior, 0);
	const ofKind = new Map<CauseKind, number>();
	for (const { kind, prior } of causes) ofKind.set(kind, (ofKind.get(kind) ?? 0) + prior / sum);
	return causes.map((cause) => {
		const base = ofKind.get(cause.kind)!;
		return {
			...cause,
			prior: (cause.prior * (TRADE_CALLS * base + (closed[cause.kind] ?? 0))) / (TRADE_CALLS * base)
		};
	});
}

/** The answers that a question has. */
export const answersTo = (question: QuestionId): readonly string[] => QUESTIONS[question];
