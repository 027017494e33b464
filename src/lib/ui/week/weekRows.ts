import { displaySetpoint, type ControlProfile } from '$core/control';
import { isShort, type ZoneFit } from '$core/fit';
import { levelOf, target, wantedWeek, type Zone } from '$core/plan';
import {
	clockTime,
	DAY_MINUTES,
	DAY_SHORT,
	duration,
	firstAlike,
	sameWeek,
	type Span,
	splitByDay
} from '$core/week';
import {
	type HeightScale,
	heightScale,
	type MisfitRect,
	misfitRects,
	stepArea,
	stepPath,
	timeX
} from '$core/drawing';
import { carriedInto, dayShapes, risersOf, setpointOf } from './weekEdits';

/** Treads narrower than this carry no letter. */
const LETTER_ROOM = 16;

/** An upright of a drawn day, in pixels of the day's drawing. */
export interface DrawnRiser {
	readonly riser: number;
	readonly minute: number;
	readonly x: number;
	readonly top: number;
	readonly bottom: number;
	/** The level that ends here, and the one that begins. */
	readonly from: string;
	readonly level: string;
}

/** What a day's row says at its end. */
export interface DaySays {
	readonly text: string;
	readonly kind: 'fine' | 'cold' | 'warm';
}

/** Everything drawn for one day; paths are empty where there is nothing to draw. */
export interface DrawnDay {
	readonly day: number;
	readonly line: string;
	readonly coolLine: string;
	/** Where the two lines of heating and cooling begin, for what is written at their edge; null where it only heats. */
	readonly edge: { readonly heat: number; readonly cool: number } | null;
	readonly targetLine: string;
	readonly heldArea: string;
	readonly heldLine: string;
	readonly heldCoolLine: string;
	readonly misfit: readonly MisfitRect[];
	/** What the longest stretch that is too cold lasts, over its middle; null for none. */
	readonly short: { readonly x: number; readonly text: string } | null;
	readonly letters: readonly { readonly x: number; readonly y: number; readonly letter: string }[];
	readonly risers: readonly DrawnRiser[];
	readonly says: DaySays;
	/** The day in words, for who does not see it: what is wanted, and what the control holds. */
	readonly spoken: string;
	/** The wanted stretches in °C, for finding what lies under the pointer. */
	readonly wanted: readonly Span<number>[];
}

/** The drawn week: the figures beside its scale, and its days. */
export interface DrawnWeek {
	readonly scaleLabels: readonly { readonly y: number; readonly text: string }[];
	readonly days: readonly DrawnDay[];
	/** What it was drawn from: a day drawn from the same is not drawn again. */
	readonly from: {
		readonly common: readonly unknown[];
		readonly days: readonly string[];
	};
}

/** A stretch too short to be seen is drawn so wide, in pixels. */
const LEAST_HATCH = 16;
const legible = (rects: readonly MisfitRect[], width: number): MisfitRect[] =>
	rects.map((rect) => {
		const wide = Math.max(LEAST_HATCH, rect.width);
		const x = Math.min(width - wide, Math.max(0, rect.x - (wide - rect.width) / 2));
		return { ...rect, x, width: wide };
	});

/** The longest stretch of a day that is too cold, with its length. */
function shortOf(fit: ZoneFit | null, day: number, width: number): DrawnDay['short'] {
	const spans = (fit?.chosen.misfit.spans ?? []).filter(
		(span) => isShort(span) && Math.floor(span.from / DAY_MINUTES) === day
	);
	const longest = spans.sort((a, b) => b.to - b.from - (a.to - a.from))[0];
	if (!longest) return null;
	const middle = timeX((longest.from + longest.to) / 2 - day * DAY_MINUTES, width);
	return { x: Math.min(width - 24, Math.max(24, middle)), text: duration(longest.to - longest.from) };
}

type DaySpans = readonly (readonly Span<number>[])[];

/** How much of a day is off; heating and cooling off at the same time count that minute once. */
function saysOf(day: number, zone: Zone, profile: ControlProfile, fit: ZoneFit, alike: number): DaySays {
	const off = { cold: 0, warm: 0 };
	const until = { cold: 0, warm: 0 };
	/** Whether a side is made of cooling alone. */
	const cools = { cold: true, warm: true };
	for (const span of fit.chosen.misfit.spans) {
		if (Math.floor(span.from / DAY_MINUTES) !== day) continue;
		const side = isShort(span) ? 'cold' : 'warm';
		off[side] += Math.max(0, span.to - Math.max(span.from, until[side]));
		until[side] = Math.max(until[side], span.to);
		if (!span.cooling) cools[side] = false;
	}
	const [less, more] = profile.temperature
		? [cools.cold ? 'not cooled' : 'cold', cools.warm ? 'cooled more' : 'warm']
		: ['off', 'on'];
	if (off.cold > 0) return { text: `${duration(off.cold)} ${less}`, kind: 'cold' };
	if (off.warm > 0) return { text: `${duration(off.warm)} ${more}`, kind: 'warm' };
	return { text: alike === day ? 'fits' : `as ${DAY_SHORT[alike]!}`, kind: 'fine' };
}

/** Every setpoint in °C that a week of these levels can show, the highest first. */
function heightsC(levels: Zone['levels'], profile: ControlProfile): readonly number[] {
	const setpoints = levels.map((level) => level.setpointC);
	const cools = profile.cooling ? levels.flatMap((level) => (level.coolC === null ? [] : [level.coolC])) : [];
	return [...new Set([...setpoints, ...cools])].sort((a, b) => b - a);
}

/** The scale of a day of `height` pixels, with space for the room's own line if it is drawn. */
export const weekScale = (
	levels: Zone['levels'],
	profile: ControlProfile,
	height: number,
	withRoom = false
): HeightScale => heightScale([...heightsC(levels, profile)], height, { overshoot: withRoom });

/** A day's stretches as text, to tell whether they are the same. */
const markOf = (spans: readonly Span<unknown>[] | undefined) =>
	spans?.map(({ from, value }) => `${from} ${String(value)}`).join() ?? '';

/** What a fit holds, day by day, split once: while a week is dragged the fit stays as it is for many frames. */
interface HeldDays {
	readonly held: DaySpans | null;
	readonly heldCool: DaySpans | null;
	readonly marks: readonly string[];
}
const splits = new WeakMap<ZoneFit, HeldDays>();
function heldIn(fit: ZoneFit | null): HeldDays {
	if (!fit) return { held: null, heldCool: null, marks: [] };
	const known = splits.get(fit);
	if (known) return known;
	const held = splitByDay(fit.chosen.held);
	const heldCool = fit.chosen.heldCool ? splitByDay(fit.chosen.heldCool) : null;
	const marks = held.map((spans, day) => `${markOf(spans)};${markOf(heldCool?.[day])}`);
	const split = { held, heldCool, marks };
	splits.set(fit, split);
	return split;
}

/**
 * Draws a zone's week into days of `width` by `height` pixels. Without a fit only the wanted week is drawn. A day that would look as it
 * did `before` is the very same object.
 */
export function drawnWeek(
	zone: Zone,
	profile: ControlProfile,
	fit: ZoneFit | null,
	width: number,
	height: number,
	scale: HeightScale = weekScale(zone.levels, profile, height),
	before: DrawnWeek | null = null
): DrawnWeek {
	const all = heightsC(zone.levels, profile);
	const path = (spans: readonly Span<number>[]) => stepPath(spans, width, scale.y);

	const shapes = dayShapes(zone);
	const inDegrees = (days: readonly (readonly Span<string>[])[], of: (level: string) => number): DaySpans =>
		days.map((spans) => spans.map((span) => ({ ...span, value: of(span.value) })));
	const wanted = inDegrees(shapes, (id) => setpointOf(zone, id));
	// a level that asks for no cooling runs along the top
	const wantedCool = profile.cooling ? inDegrees(shapes, (id) => levelOf(zone, id).coolC ?? all[0]!) : null;
	const led = target(zone).week;
	const followed = sameWeek(led, wantedWeek(zone))
		? wanted
		: inDegrees(splitByDay(led), (id) => setpointOf(zone, id));
	const { held, heldCool, marks: heldMarks } = heldIn(fit);
	const alike = firstAlike(wantedWeek(zone));

	const scaleLabels: { y: number; text: string }[] = [];
	for (const c of all) {
		const y = scale.y(c);
		if (scaleLabels.length === 0 || y - scaleLabels.at(-1)!.y >= 11)
			scaleLabels.push({ y, text: displaySetpoint(profile, zone.options, c) });
	}

	const shown = (c: number) => displaySetpoint(profile, zone.options, c);
	const stretches = (spans: readonly Span<number>[], say: (i: number) => string) =>
		spans.map((span, i) => `${clockTime(span.from)} ${say(i)}`).join(', ');
	const spokenDay = (day: number): string => {
		const shape = shapes[day]!;
		const wants = stretches(wanted[day]!, (i) => {
			const level = levelOf(zone, shape[i]!.value);
			return `${level.name} ${shown(level.setpointC)}`;
		});
		const holds = held ? stretches(held[day]!, (i) => shown(held[day]![i]!.value)) : null;
		const cools = heldCool ? stretches(heldCool[day]!, (i) => shown(heldCool[day]![i]!.value)) : null;
		return [`Wanted: ${wants}.`, holds && `The control holds: ${holds}.`, cools && `Cooling above: ${cools}.`]
			.filter(Boolean)
			.join(' ');
	};

	const common = [zone.levels, zone.options, profile, width, height, scale];
	const known = before !== null && common.every((one, i) => one === before.from.common[i]);
	const marks: string[] = [];
	const days = wanted.map((spans, day): DrawnDay => {
		const cooling = wantedCool?.[day];
		const says: DaySays = fit ? saysOf(day, zone, profile, fit, alike[day]!) : { text: '', kind: 'fine' };
		const mark = [
			markOf(shapes[day]),
			carriedInto(zone, day),
			followed === wanted ? '' : markOf(followed[day]),
			heldMarks[day],
			says.kind,
			says.text,
			alike[day] === day
		].join('|');
		marks.push(mark);
		if (known && before.from.days[day] === mark) return before.days[day]!;
		return {
			day,
			wanted: spans,
			line: path(spans),
			coolLine: cooling ? path(cooling) : '',
			edge: cooling ? { heat: scale.y(spans[0]!.value), cool: scale.y(cooling[0]!.value) } : null,
			targetLine: followed === wanted ? '' : path(followed[day]!),
			heldArea: held ? stepArea(held[day]!, width, height, scale.y) : '',
			heldLine: held ? path(held[day]!) : '',
			heldCoolLine: heldCool ? path(heldCool[day]!) : '',
			misfit: legible(
				[
					...(held ? misfitRects(followed[day]!, held[day]!, width, scale.y) : []),
					...(cooling && heldCool
						? misfitRects(cooling, heldCool[day]!, width, scale.y).map((rect) => ({
								...rect,
								cold: !rect.cold
							}))
						: [])
				],
				width
			),
			short: shortOf(fit, day, width),
			// a day that is as one before says so at its end
			letters: spans.flatMap((span, i) => {
				if (alike[day] !== day || timeX(span.to - span.from, width) < LETTER_ROOM) return [];
				const y = scale.y(span.value);
				const below = cooling !== undefined || y < height * 0.45;
				return [
					{
						x: timeX((span.from + span.to) / 2, width),
						y: below ? Math.min(y + 13, height - 1) : y - 5,
						// a switch knows on and off: the words, not letters for them
						letter: profile.temperature
							? levelOf(zone, shapes[day]![i]!.value).letter
							: levelOf(zone, shapes[day]![i]!.value).name.toLowerCase()
					}
				];
			}),
			risers: risersOf(zone, day).map(({ riser, minute }) => {
				const from = riser > 0 ? shapes[day]![riser - 1]!.value : carriedInto(zone, day);
				const heights = [scale.y(setpointOf(zone, from)), scale.y(spans[riser]!.value)];
				return {
					riser,
					minute,
					x: timeX(minute, width),
					top: Math.min(...heights),
					bottom: Math.max(...heights),
					from,
					level: shapes[day]![riser]!.value
				};
			}),
			spoken: spokenDay(day),
			says
		};
	});
	return { scaleLabels, days, from: { common, days: marks } };
}
