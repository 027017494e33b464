import { levelOf, wantedWeek, withWanted, type Zone } from '$core/plan';
import {
	addRiser,
	carryInUntil,
	clearRiser,
	copyDay,
	DAY_MINUTES,
	moveRiser,
	paint,
	setTread,
	splitByDay,
	withDay,
	type DayShape
} from '$core/week';

/**
 * A change on the drawn week: day (0 = Monday) and the number of its riser. Riser 0 stands at 00:00
 * where the day before ends on another level; riser i ≥ 1 begins tread i.
 */
export interface RiserPlace {
	readonly day: number;
	readonly riser: number;
}

/** Shapes made once: a drag asks for those of one week many times in a frame. */
const shapesOf = new WeakMap<Zone['wanted'], readonly DayShape<string>[]>();

/** The seven day shapes of a zone's wanted week, of level ids. */
export function dayShapes(zone: Zone): readonly DayShape<string>[] {
	const shapes = shapesOf.get(zone.wanted) ?? splitByDay(wantedWeek(zone));
	shapesOf.set(zone.wanted, shapes);
	return shapes;
}

function edited(zone: Zone, day: number, change: (shape: DayShape<string>) => DayShape<string>): Zone {
	const before = dayShapes(zone)[day]!;
	const after = change(before);
	return after === before ? zone : withWanted(zone, withDay(wantedWeek(zone), day, after));
}

/** The level that the day before ends on. */
export function carriedInto(zone: Zone, day: number): string {
	return dayShapes(zone)[(day + 6) % 7]!.at(-1)!.value;
}

/** The zone with a riser moved to a minute of its day, kept between its neighbours. */
export function riserMoved(zone: Zone, place: RiserPlace, minute: number, step: number): Zone {
	return edited(zone, place.day, (shape) => {
		if (place.riser > 0) return moveRiser(shape, place.riser, minute, step);
		const latest = Math.max(shape[0]!.to - step, 0);
		return carryInUntil(shape, carriedInto(zone, place.day), Math.min(minute, latest));
	});
}

/** Where a riser is found after it was moved: the one at 00:00, once moved, has a tread before it. */
export function placeAfterMove(zone: Zone, place: RiserPlace): RiserPlace {
	const still = risersOf(zone, place.day).some((r) => r.riser === place.riser);
	return place.riser === 0 && !still ? { ...place, riser: 1 } : place;
}

/** The zone with one tread of a day on another level. */
export function treadSet(zone: Zone, day: number, tread: number, level: string): Zone {
	return edited(zone, day, (shape) => setTread(shape, tread, level));
}

/**
 * The zone with a change added at a minute. A level equal to the one that rules there is replaced
 * by a neighbouring level, so that adding always shows something.
 */
export function riserAdded(zone: Zone, day: number, minute: number, level: string): Zone {
	const shape = dayShapes(zone)[day]!;
	const ruling = shape.find((span) => span.from <= minute && minute < span.to);
	if (!ruling || zone.levels.length < 2) return zone;
	const wanted = level === ruling.value ? otherLevel(zone, ruling.value) : level;
	return edited(zone, day, (before) =>
		minute === 0 ? setTread(before, 0, wanted) : addRiser(before, minute, wanted)
	);
}

/** The next warmer level, or the next cooler one above all. */
export function otherLevel(zone: Zone, id: string): string {
	return steppedLevel(zone, id, 1) ?? steppedLevel(zone, id, -1) ?? id;
}

/** The level `by` places warmer (or cooler) than this one; null at the end of the row. */
export function steppedLevel(zone: Zone, id: string, by: 1 | -1): string | null {
	const sorted = [...zone.levels].sort((a, b) => a.setpointC - b.setpointC);
	return sorted[sorted.findIndex((level) => level.id === id) + by]?.id ?? null;
}

/** The zone with a riser cleared: the tread before it runs on. */
export function riserCleared(zone: Zone, place: RiserPlace): Zone {
	return edited(zone, place.day, (shape) =>
		place.riser > 0
			? clearRiser(shape, place.riser)
			: paint(shape, 0, shape[0]!.to, carriedInto(zone, place.day))
	);
}

/** The zone with a level painted over some minutes of a day. */
export function weekPainted(zone: Zone, day: number, from: number, to: number, level: string): Zone {
	return from < to ? edited(zone, day, (shape) => paint(shape, from, to, level)) : zone;
}

/** The zone with one day's shape laid over others. */
export function dayCopied(zone: Zone, from: number, onto: readonly number[]): Zone {
	return withWanted(zone, copyDay(wantedWeek(zone), from, onto));
}

/** The risers of a day as minutes: riser 0 only where the day before ends on another level. */
export function risersOf(zone: Zone, day: number): { riser: number; minute: number }[] {
	const shape = dayShapes(zone)[day]!;
	const first = carriedInto(zone, day) === shape[0]!.value ? [] : [{ riser: 0, minute: 0 }];
	return [...first, ...shape.slice(1).map((span, i) => ({ riser: i + 1, minute: span.from }))];
}

/** The riser of a day that stands at (or nearest to) a minute. */
export function riserAt(zone: Zone, day: number, minute: number): RiserPlace | null {
	const risers = risersOf(zone, day);
	if (risers.length === 0) return null;
	const nearest = risers.reduce((best, r) =>
		Math.abs(r.minute - minute) < Math.abs(best.minute - minute) ? r : best
	);
	return { day, riser: nearest.riser };
}

/** The setpoint of a level in °C. */
export function setpointOf(zone: Zone, id: string): number {
	return levelOf(zone, id).setpointC;
}

/** The minute in the middle of the tread that a riser begins, on the control's step. */
export function middleOfTread(zone: Zone, place: RiserPlace, step: number): number {
	const span = dayShapes(zone)[place.day]![place.riser]!;
	const middle = Math.round((span.from + span.to) / 2 / step) * step;
	return Math.min(Math.max(middle, span.from + step), DAY_MINUTES - step);
}
