import { wallAt, weekdayOfDay } from '../civil';
import { displayTime, momentWords, setpointWithUnit, timeLeft } from '../control';
import { heldInZone } from '../plan';
import {
	aheadOf,
	resolve,
	timeline,
	type ChainLink,
	type Layer,
	type OwnedPeriod,
	type Prepared,
	type RunSpan
} from '../run';
import { DAY_MINUTES, DAY_SHORT } from '../week';

/** What a control holds, by its level's name where one has that setpoint: `Eco 17.0 °C`, `On`, `off`. */
export function stateWords(prepared: Prepared, heatC: number | null, coolC: number | null): string {
	const { profile, options, levels } = prepared.input;
	if (!profile.temperature) return heatC !== null && heatC >= 0.5 ? 'On' : 'Off';
	const level =
		heatC === null
			? undefined
			: levels.find((one) => Math.abs(heldInZone(prepared.input, profile, one.setpointC) - heatC) < 1e-6);
	const heat =
		heatC === null
			? 'no heating'
			: `${level ? `${level.name} ` : ''}${setpointWithUnit(profile, options, heatC)}`;
	if (!profile.cooling) return heatC === null ? 'off' : heat;
	if (heatC === null && coolC === null) return 'off';
	return `${heat}, ${coolC === null ? 'no cooling' : `cooling above ${setpointWithUnit(profile, options, coolC)}`}`;
}

/** A period as the control numbers it: `Thu step 2`, `Thu pair 1`, `Thu from 13:00`. */
export function periodWords(prepared: Prepared, { day, period }: OwnedPeriod): string {
	const { profile, options } = prepared.input;
	if (!Number.isFinite(day)) return 'the program';
	const name = DAY_SHORT[weekdayOfDay(day)]!;
	const form = prepared.input.program.form;
	const time = displayTime(period.at, options.clock);
	if (form === 'plain') return 'always';
	if (form === 'slots') return `${name} from ${time}`;
	if (period.number === 0) return `${name} before the first`;
	if (form === 'pairs')
		return `${name} pair ${period.number}${period.heatC > 0.5 || profile.temperature ? '' : ' over'}`;
	const names = profile.program.form === 'events' ? profile.program.eventNames : null;
	const modes = profile.program.form === 'events' && profile.program.modes;
	return `${name} ${names?.[period.number - 1] ?? `${modes ? 'period' : 'step'} ${period.number}`}`;
}

const layerNames: Record<Exclude<Layer, 'program'>, string> = {
	'special-day': 'special day',
	'early-start': 'optimum start',
	override: 'override',
	hold: 'hold',
	boost: 'boost',
	holiday: 'holiday',
	manual: 'manual',
	off: 'off',
	limits: 'limit'
};

/** What set a state: `Thu step 2`, `boost`, `holiday`. */
export function causeWords(
	prepared: Prepared,
	by: Layer,
	owned: OwnedPeriod,
	exception: string | null
): string {
	if (by === 'program')
		return prepared.input.program.form === 'plain' ? 'set by hand' : periodWords(prepared, owned);
	if (by === 'special-day' && owned.period.number !== 99)
		return `special day, as ${periodWords(prepared, owned)}`;
	if (by === 'holiday' && prepared.input.profile.habits.holiday === null) return 'turned down by hand';
	if (by === 'off' && prepared.input.profile.habits.off?.keepsC) return 'off, frost protection';
	if (by === 'override' && prepared.input.exceptions.find((one) => one.id === exception)?.kind === 'advance')
		return 'advanced';
	return layerNames[by];
}

/** The first stretch that holds something else or has another cause than program after program; what a person would call the next change. */
function nextDifferent(spans: readonly RunSpan[]): RunSpan | null {
	const [now, ...rest] = spans;
	const ofProgram = (span: RunSpan) => span.by === 'program' || span.by === 'special-day';
	return (
		rest.find(
			(span) =>
				span.heatC !== now!.heatC || span.coolC !== now!.coolC || !(ofProgram(span) && ofProgram(now!))
		) ?? null
	);
}

/** The answer for an instant in words. */
export interface MomentWords {
	/** `22.5 °C until 19:10 (boost), then Eco 17.0 °C.` */
	readonly sentence: string;
	/** When something else holds; null where nothing changes within a fortnight. */
	readonly untilMs: number | null;
	/** `1 h 35 left`; null where it does not end by itself. */
	readonly left: string | null;
	/** From the program up to what rules, a line each. */
	readonly chain: readonly { readonly layer: Layer; readonly words: string; readonly rules: boolean }[];
	/** What its own clock shows where that is not the right time; else null. */
	readonly clock: string | null;
}

function chainWords(prepared: Prepared, link: ChainLink, atWall: number): string {
	const { options, timeZone } = prepared.input;
	const state = stateWords(prepared, link.heatC, link.coolC);
	const cause = causeWords(prepared, link.layer, link.owned, link.span?.id ?? null);
	if (!link.span) return `${state} (${cause})`;
	const since = momentWords(wallAt(timeZone, link.span.fromMs), atWall, options);
	const until =
		link.untilMs === null
			? 'until ended'
			: `until ${momentWords(wallAt(timeZone, link.untilMs), atWall, options)}`;
	return `${state}: ${cause} since ${since}, ${until}`;
}

/** What a control does at an instant, said: the sentence, how long it lasts, and the chain of reasons. */
export function momentInWords(prepared: Prepared, atMs: number): MomentWords {
	const { options, timeZone, profile } = prepared.input;
	const resolved = resolve(prepared, atMs);
	const { now } = aheadOf(prepared, atMs);
	const reach = Math.max(15 * 86_400_000, now.toMs - atMs + 9 * 86_400_000);
	const next = nextDifferent(timeline(prepared, atMs, atMs + Math.min(reach, 400 * 86_400_000)));
	const atWall = wallAt(timeZone, atMs);
	const untilMs = next?.fromMs ?? null;
	const until =
		untilMs === null ? 'until changed' : `until ${momentWords(wallAt(timeZone, untilMs), atWall, options)}`;
	const state = stateWords(prepared, resolved.heatC, resolved.coolC);
	const cause = causeWords(prepared, resolved.by, resolved.owned, resolved.exception);
	const nextCause =
		next && next.by !== 'program' ? ` (${causeWords(prepared, next.by, next.owned, next.exception)})` : '';
	const then = next ? `, then ${stateWords(prepared, next.heatC, next.coolC)}${nextCause}` : '';
	const steady = prepared.input.program.form === 'plain' && resolved.by === 'program';
	const own = ((resolved.shownMinute % DAY_MINUTES) + DAY_MINUTES) % DAY_MINUTES;
	const ownDay = weekdayOfDay(Math.floor(resolved.shownMinute / DAY_MINUTES));
	// nobody minds half a minute
	const isRight = [-30_000, 0, 30_000].some((ms) => wallAt(timeZone, atMs + ms) === resolved.shownMinute);
	return {
		sentence: `${state} ${steady ? 'until someone turns it' : until} (${cause})${then}`,
		untilMs,
		left: untilMs === null ? null : `${timeLeft(untilMs - atMs)} left`,
		chain: resolved.chain.map((link, i) => ({
			layer: link.layer,
			words: chainWords(prepared, link, atWall),
			rules: i === resolved.chain.length - 1
		})),
		clock:
			isRight || profile.habits.clock.summerTime === 'no-clock'
				? null
				: `Its own clock shows ${DAY_SHORT[ownDay]} ${displayTime(own, options.clock)}.`
	};
}
