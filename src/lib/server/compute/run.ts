import type { z } from 'zod';
import { localTime, instantOf, wallAt, wallMinute } from '$core/civil';
import { allowedOptions, findProfile, type ControlProfile } from '$core/control';
import { fitZone } from '$core/fit';
import type {
	clockRequest,
	clockResponse,
	Problem,
	resolveRequest,
	resolveResponse,
	timelineRequest,
	timelineResponse
} from '$core/formats';
import { clockValues, demandOf, resolve, runOfZone, timeline } from '$core/run';
import { unknownControl } from './zone';
import {
	momentInWords,
	clockChanges,
	powerLossSentence,
	reserveSentence,
	summerTimeSentences
} from '$core/words';

type Computed<T> = { value: T } | { problem: Problem };
type Asked = Pick<z.output<typeof resolveRequest>, 'zone' | 'profile' | 'timeZone'>;

function known({ zone, profile }: Asked): ControlProfile | undefined {
	return profile ?? findProfile(zone.control);
}

function prepared(asked: Asked, profile: ControlProfile, nowMs: number) {
	const program = fitZone(asked.zone, profile).chosen.program;
	return runOfZone(asked.zone, profile, program, { timeZone: asked.timeZone, nowMs });
}

/** What a zone's control does at a moment, as the API answers it. */
export function computeResolve(
	request: z.output<typeof resolveRequest>
): Computed<z.input<typeof resolveResponse>> {
	const profile = known(request);
	if (!profile) return unknownControl(request.zone.control);
	const atMs = instantOf(request.timeZone, wallMinute(request.at));
	const run = prepared(request, profile, atMs);
	const { heatC, coolC, by } = resolve(run, atMs);
	const { sentence, untilMs, chain, clock } = momentInWords(run, atMs);
	return {
		value: {
			heatC,
			coolC,
			by,
			sentence,
			until: untilMs === null ? null : localTime(wallAt(request.timeZone, untilMs)),
			chain: chain.map((link) => ({ ...link })),
			clock,
			calls:
				request.roomC === undefined
					? null
					: demandOf(profile, request.zone.settings, { heatC, coolC }, request.roomC, atMs).call
		}
	};
}

/** What a zone's control does over a time, event by event, as the API answers it. */
export function computeTimeline(
	request: z.output<typeof timelineRequest>
): Computed<z.input<typeof timelineResponse>> {
	const profile = known(request);
	if (!profile) return unknownControl(request.zone.control);
	const instant = (local: string) => instantOf(request.timeZone, wallMinute(local));
	const [from, to] = [instant(request.from), instant(request.to)];
	const iso = (ms: number) => new Date(ms).toISOString();
	const spans = timeline(prepared(request, profile, from), from, to);
	return {
		value: {
			spans: spans.map(({ fromMs, toMs, heatC, coolC, by, exception }) => ({
				from: iso(fromMs),
				to: iso(toMs),
				heatC,
				coolC,
				by,
				exception
			}))
		}
	};
}

/** What to key into a zone's clock and what becomes of it, as the API answers it. */
export function computeClock(
	request: z.output<typeof clockRequest>,
	nowMs: number
): Computed<z.input<typeof clockResponse>> {
	const profile = known(request);
	if (!profile) return unknownControl(request.zone.control);
	const options = allowedOptions(profile, request.zone.options);
	const atMs = request.at === undefined ? nowMs : Date.parse(request.at);
	const { time, day, date } = clockValues(profile, options, request.timeZone, atMs);
	return {
		value: {
			time,
			day,
			date,
			rule: summerTimeSentences(request.timeZone, options, new Date(atMs).getUTCFullYear()),
			changes: clockChanges(profile, options, request.timeZone, atMs).map((change) => ({
				at: new Date(change.atMs).toISOString(),
				shiftMinutes: change.shiftMinutes,
				byHand: change.byHand,
				sentence: change.sentence
			})),
			reserve: reserveSentence(profile),
			afterPowerLoss: powerLossSentence(profile, options, request.withoutPowerMinutes)
		}
	};
}
