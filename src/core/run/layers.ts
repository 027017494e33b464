import { dayNumber, instantOf, wallMinute, DAY_MS } from '../civil';
import {
	expandProgram,
	heldCooling,
	heldSetpoint,
	type ControlOptions,
	type ControlProfile,
	type Level,
	type Program
} from '../control';
import type { Exception, Settings } from '../plan';
import { absenceKeeps, absenceSpan, lowestOf } from './absence';
import { firstShowing, wallSegments, type ControlClock, type WallSegment } from './controlClock';
import { dayPlan, periodSpans, type DayPlan, type PeriodSpan, type SpecialRun } from './periods';

/** What can set a control's setpoint, from the weakest to the strongest; each may be missing on a control. */
export const LAYERS = [
	'program',
	'special-day',
	'early-start',
	'override',
	'hold',
	'boost',
	'holiday',
	'manual',
	'off',
	'limits'
] as const;
export type Layer = (typeof LAYERS)[number];

/** Everything that decides what a control does. */
export interface RunInput {
	readonly profile: ControlProfile;
	readonly options: ControlOptions;
	readonly levels: readonly Level[];
	readonly program: Program;
	readonly settings: Settings;
	/** Whether the control starts early by itself as it is set; without it, whether such a control does. */
	readonly startsEarly?: boolean;
	readonly exceptions: readonly Exception[];
	/** What somebody did at the control itself, beside what is planned. */
	readonly done?: readonly Done[];
	readonly timeZone: string;
	readonly clock: ControlClock;
}

/** Something that is done over the week at an instant. How it ends is the control's habit; `toMs` where a person or a date ends it. */
export interface Done {
	readonly id: string;
	readonly kind: Exclude<Exception['kind'], 'special-day'>;
	readonly fromMs: number;
	readonly toMs?: number;
	/** °C (0/1 on a switch); without it what the control itself holds then. */
	readonly setpointC?: number;
	/** The channel that it is done to; without it all. */
	readonly channel?: number;
	/** How often a boost was asked for. */
	readonly steps?: number;
}

/** A stretch in which something stronger than the program rules. */
export interface LayerSpan {
	readonly fromMs: number;
	/** Infinity where only a person ends it. */
	readonly toMs: number;
	/** °C (0/1 on a switch); null: off altogether. */
	readonly heatC: number | null;
	/** Null: no cooling asked for. */
	readonly coolC: number | null;
	readonly id: string;
	readonly kind: Exception['kind'];
}

/** The layers above the program, strongest last; within a layer spans are in order and do not overlap. */
export interface Prepared {
	readonly input: RunInput;
	readonly plan: DayPlan;
	readonly layers: readonly { readonly layer: Layer; readonly spans: readonly LayerSpan[] }[];
	/** Minutes by which it starts early; 0 where it does not. */
	readonly earlyMinutes: number;
	segments(fromMs: number, toMs: number): readonly WallSegment[];
}

/** A period ends within so many days, whatever special days lie between. */
const LONGEST_PERIOD_MS = 9 * DAY_MS;

/** The period that rules at an instant, and its end. */
function periodFrom(
	prepared: Pick<Prepared, 'plan' | 'segments'>,
	atMs: number,
	reachMs = LONGEST_PERIOD_MS
): readonly PeriodSpan[] {
	return periodSpans(prepared.plan, prepared.segments(atMs, atMs + reachMs));
}

/** The end of the period of a program that rules at an instant; on hour strips midnight is none where the setting goes on. */
function nextChangeFrom(
	prepared: Pick<Prepared, 'plan' | 'segments'>,
	{ form }: Pick<Program, 'form'>,
	fromMs: number
): number {
	for (const reach of [2 * DAY_MS, LONGEST_PERIOD_MS]) {
		const spans = periodFrom(prepared, fromMs, reach);
		const goesOn = (span: PeriodSpan) =>
			form === 'slots' && span.owned.period.heatC === spans[0]!.owned.period.heatC;
		const next = spans.slice(1).find((span) => !goesOn(span));
		if (next) return next.fromMs;
	}
	return fromMs + LONGEST_PERIOD_MS;
}

/** When a change by hand, made at an instant, ends by itself. */
const overrideEnds = (
	{ ends, minutes }: NonNullable<ControlProfile['habits']['override']>,
	nextChange: (fromMs: number) => number,
	fromMs: number
): number => (ends === 'next-change' ? nextChange(fromMs) : fromMs + minutes * 60_000);

/** When a boost of so many steps, begun at an instant, ends by itself. */
const boostEnds = (
	{ ends, stepMinutes, mostSteps }: NonNullable<ControlProfile['habits']['boost']>,
	nextChange: (fromMs: number) => number,
	fromMs: number,
	steps: number
): number =>
	ends === 'next-change' ? nextChange(fromMs) : fromMs + Math.min(steps, mostSteps) * stepMinutes * 60_000;

/** Within a layer a later start replaces what ran before. */
function inOrder(spans: LayerSpan[]): LayerSpan[] {
	const sorted = spans.sort((a, b) => a.fromMs - b.fromMs);
	return sorted.flatMap((span, i) => {
		const next = sorted[i + 1];
		const toMs = next ? Math.min(span.toMs, next.fromMs) : span.toMs;
		return toMs > span.fromMs ? [{ ...span, toMs }] : [];
	});
}

/**
 * Makes ready to answer what a control does: puts its exceptions into stretches of time by its own ways of
 * ending them. What the control has not (a boost on one without) has no effect.
 */
export function prepareRun(input: RunInput): Prepared {
	const { profile, options, levels, program, settings, exceptions, timeZone, clock } = input;
	const { habits } = profile;
	const held = (c: number) => heldSetpoint(profile, options, c);
	const coolOf = (levelC: number, coolC: number | null) =>
		profile.cooling ? heldCooling(profile, options, coolC ?? profile.cooling.maxC, held(levelC)) : null;

	const special = new Map<number, SpecialRun>();
	if (habits.specialDays)
		for (const one of exceptions) {
			if (one.kind !== 'special-day') continue;
			const { runs } = one;
			if ('like' in runs) special.set(dayNumber(one.date), { like: runs.like });
			else {
				const level = levels.find((known) => known.id === runs.level)!;
				special.set(dayNumber(one.date), {
					heatC: held(level.setpointC),
					coolC: coolOf(level.setpointC, level.coolC)
				});
			}
		}

	const coolest = levels.reduce((a, b) => (b.setpointC < a.setpointC ? b : a));
	const plan = dayPlan(program, special, held(coolest.setpointC), coolOf(coolest.setpointC, coolest.coolC));
	const prepared: Pick<Prepared, 'plan' | 'segments'> = {
		plan,
		segments: (fromMs, toMs) => wallSegments(timeZone, clock, fromMs, toMs)
	};

	const startOf = (local: string) => instantOf(timeZone, wallMinute(local));
	const endOf = (local: string | null) => (local === null ? Infinity : startOf(local));
	const nextChange = (fromMs: number) => nextChangeFrom(prepared, program, fromMs);
	/** The first instant after `fromMs` at which the control's own clock shows a wall minute. */
	const whenShowing = (wall: number, fromMs: number): number => {
		const segments = prepared.segments(fromMs, instantOf(timeZone, wall) + 2 * DAY_MS);
		for (const segment of segments) {
			const at = firstShowing(segment, wall);
			if (at < segment.toMs) return at;
		}
		return segments.at(-1)!.toMs;
	};

	/** A change by hand keeps both setpoints: the cooling one as it stood, the dead band above the other at least. */
	const byHand = (fromMs: number, setpointC: number) => {
		const heatC = held(setpointC);
		const beneath = profile.cooling ? periodFrom(prepared, fromMs, 60_000)[0]!.owned.period.coolC : null;
		return { heatC, coolC: aboveBand(beneath, heatC, profile) };
	};

	const by = new Map<Layer, LayerSpan[]>();
	const add = (layer: Layer, span: LayerSpan) => {
		if (span.toMs <= span.fromMs) return;
		const there = by.get(layer);
		if (there) there.push(span);
		else by.set(layer, [span]);
	};
	/** A planned exception as what is done then; null for one that is no act of anybody's. */
	const doneOf = (one: Exception): Done | null => {
		const { id } = one;
		switch (one.kind) {
			case 'special-day':
				return null;
			case 'absence': {
				const absence = absenceSpan(profile, one);
				const leaveMs = startOf(one.leave);
				const fromMs =
					absence.when === 'on leaving' ? leaveMs : whenShowing(absence.fromWall, leaveMs - DAY_MS);
				const toMs = absence.toWall === null ? startOf(one.back) : whenShowing(absence.toWall, fromMs);
				const keeps = absence.by === 'by-hand' || absenceKeeps(profile) === 'figure';
				return { id, kind: 'absence', fromMs, toMs, ...(keeps ? { setpointC: one.setpointC } : {}) };
			}
			default: {
				const { kind } = one;
				const toMs = 'until' in one ? endOf(one.until) : Infinity;
				const setpointC = 'setpointC' in one ? { setpointC: one.setpointC } : {};
				return {
					id,
					kind,
					fromMs: startOf(one.from),
					toMs,
					...setpointC,
					...('steps' in one ? { steps: one.steps } : {})
				};
			}
		}
	};
	const planned = exceptions.flatMap((one) => doneOf(one) ?? []);
	for (const one of input.done ? [...planned, ...input.done] : planned) {
		const { id, kind, fromMs, toMs = Infinity, setpointC = 0 } = one;
		const common = { id, kind, fromMs };
		switch (kind) {
			case 'override':
				if (habits.override)
					add(kind, {
						...common,
						toMs: overrideEnds(habits.override, nextChange, fromMs),
						...byHand(fromMs, setpointC)
					});
				break;
			case 'advance': {
				const [now, next] = habits.advance ? periodFrom(prepared, fromMs) : [];
				if (now && next) {
					const { heatC, coolC } = next.owned.period;
					add('override', { ...common, toMs: now.toMs, heatC, coolC });
				}
				break;
			}
			case 'boost':
				if (habits.boost)
					add(kind, {
						...common,
						toMs: boostEnds(habits.boost, nextChange, fromMs, one.steps ?? 1),
						...byHand(fromMs, setpointC)
					});
				break;
			case 'hold':
			case 'manual':
				if (habits[kind]) add(kind, { ...common, toMs, ...byHand(fromMs, setpointC) });
				break;
			case 'absence': {
				const heatC = held(one.setpointC ?? lowestOf(expandProgram(program, held(coolest.setpointC))));
				add('holiday', { ...common, toMs, heatC, coolC: profile.cooling?.maxC ?? null });
				break;
			}
			case 'off':
				if (habits.off) {
					const heatC = profile.temperature ? habits.off.keepsC : 0;
					add(kind, { ...common, toMs, heatC, coolC: null });
				}
		}
	}
	const most = habits.earlyStartMostMinutes;
	return {
		...prepared,
		input,
		layers: LAYERS.flatMap((layer) => {
			const spans = by.get(layer);
			return spans ? [{ layer, spans: inOrder(spans) }] : [];
		}),
		earlyMinutes:
			(input.startsEarly ?? profile.startsEarly) && profile.temperature
				? Math.min(settings.earlyStartMinutes ?? Math.round(most / 2), most)
				: 0
	};
}

/** A cooling setpoint kept at least the dead band above a heating one; null where there is none. */
export function aboveBand(coolC: number | null, heatC: number, profile: ControlProfile): number | null {
	return coolC === null || !profile.cooling ? null : Math.max(coolC, heatC + profile.cooling.deadBandK);
}

/**
 * A setpoint after the limits: what is set by hand and, where the profile says so, the program too is
 * brought between them. Off stays off.
 */
export function clamp(
	heatC: number | null,
	layer: Layer,
	profile: ControlProfile,
	settings: Settings
): number | null {
	const { limits } = profile.habits;
	if (heatC === null || !limits || layer === 'off') return heatC;
	const ofProgram = layer === 'program' || layer === 'special-day' || layer === 'early-start';
	if (ofProgram && !limits.bindProgram) return heatC;
	const low = settings.lowLimitC ?? -Infinity;
	const high = settings.highLimitC ?? Infinity;
	return Math.min(Math.max(heatC, low), high);
}
