import { DAY_MINUTES, WEEK_MINUTES } from '../week';
import { SLOT_MINUTES, SLOTS } from './worlds';
import type { Fact } from './facts';

/** A logger's readings with the wall's minute since 1970 of each. */
export interface Logged {
	readonly minutes: readonly number[];
	readonly roomC: readonly number[];
}

/** Minutes since 1970 on the wall fell on a Thursday first. */
const MONDAY_BEFORE = 3 * DAY_MINUTES;
const slotOf = (minute: number): number =>
	Math.floor(((((minute + MONDAY_BEFORE) % WEEK_MINUTES) + WEEK_MINUTES) % WEEK_MINUTES) / SLOT_MINUTES);

type LogFact = Extract<Fact, { kind: 'log' }>;

/** A room that moves by less tells nothing of hours, in K. */
const LEAST_SPAN_K = 1.2;
/** A log is of at least so many slots: a day. */
const LEAST_SLOTS = DAY_MINUTES / SLOT_MINUTES;

/** The usual week of a logged room, by slot, in °C; null where the log has nothing. */
function usualWeek({ minutes, roomC }: Logged): (number | null)[] {
	const sums = new Float64Array(SLOTS);
	const counts = new Int32Array(SLOTS);
	minutes.forEach((minute, i) => {
		if (Number.isNaN(minute)) return;
		const slot = slotOf(minute);
		sums[slot]! += roomC[i]!;
		counts[slot]!++;
	});
	return Array.from(sums, (sum, i) => (counts[i]! > 0 ? Math.round((sum / counts[i]!) * 100) / 100 : null));
}

/** How long rooms take to be warm, and how fast they cool else (in that time to a third): heavy to light, common practice. */
const UP_HOURS = [0.4, 0.9, 2];
const DOWN_HOURS = [2, 5, 14];
/** Left alone, a room goes towards what is so much colder than the lowest that is asked for, in spans of what is asked. */
const COLDER = 1.5;
/** What a room has gained in so many slots before: its rises and falls tell of hours, what it is held at between does not. */
const GAIN_SLOTS = 4;

/** A week by slot, with its gains; NaN where nothing is known. */
interface Kind {
	readonly level: Float64Array;
	readonly gains: Float64Array;
}
const kindOf = (level: Float64Array): Kind => ({
	level,
	gains: level.map((now, i) => now - level[(i - GAIN_SLOTS + SLOTS) % SLOTS]!)
});

/** The warmth of a room that is asked to be so warm, by slot, for each of several kinds of room. */
function rooms(asked: Float64Array): Kind[] {
	const slotHours = SLOT_MINUTES / 60;
	return UP_HOURS.flatMap((upHours) =>
		DOWN_HOURS.map((downHours) => {
			const [up, down] = [slotHours / upHours, 1 - Math.exp(-slotHours / downHours)];
			const level = new Float64Array(SLOTS);
			let now = 0.5;
			for (let i = 0; i < 2 * SLOTS; i++) {
				// warm in the middle of the slot
				const before = now;
				const to = asked[i % SLOTS]!;
				now = now < to ? Math.min(to, now + up) : Math.max(to, now - (now + COLDER) * down);
				level[i % SLOTS] = (before + now) / 2;
			}
			return kindOf(level);
		})
	);
}

/** How a week, put on by so many slots, goes with a logged one: Pearson's correlation, and the line that brings one to the other. */
function along(week: Float64Array, logged: Float64Array, shift = 0) {
	const size = week.length;
	let n = 0;
	let x = 0;
	let y = 0;
	let xx = 0;
	let yy = 0;
	let xy = 0;
	let at = (size - (shift % size)) % size;
	for (let i = 0; i < size; i++, at = at + 1 === size ? 0 : at + 1) {
		const c = logged[i]!;
		if (Number.isNaN(c)) continue;
		const of = week[at]!;
		n++;
		x += of;
		y += c;
		xx += of * of;
		yy += c * c;
		xy += of * c;
	}
	const [vx, vy, cov] = [xx - (x * x) / n, yy - (y * y) / n, xy - (x * y) / n];
	const r = vx > 1e-9 && vy > 1e-9 ? cov / Math.sqrt(vx * vy) : 0;
	const slope = vx > 1e-9 ? cov / vx : 0;
	return { r, slope, offset: (y - slope * x) / n };
}

/** How a kind of room goes with a log: half by its warmth, half by its rises and falls. */
const goes = (kind: Kind, log: Kind, shift = 0): number =>
	(along(kind.level, log.level, shift).r + along(kind.gains, log.gains, shift).r) / 2;

const logged = (roomC: readonly (number | null)[]): Kind => kindOf(Float64Array.from(roomC, (c) => c ?? NaN));

/** How well a log goes with a week as it stands, from 0 to 1: with the kind of room that goes best. */
export function agreement(asked: Float64Array, { roomC }: Pick<LogFact, 'roomC'>): number {
	const log = logged(roomC);
	return rooms(asked).reduce((best, kind) => Math.max(best, goes(kind, log)), 0);
}

/** A log held against a week: by how much it runs late, how surely, and where it is heated or left against the plan. */
export interface LogMatch {
	/** Minutes by which the room is heated later than planned, from -720 to 720; negative for sooner. */
	readonly shiftMinutes: number;
	/** Days by which it is, from 0 to 6. */
	readonly days: number;
	/** How well log and week go together so, from 0 to 1. */
	readonly agrees: number;
	/** How much better than an hour or more beside it, from 0 to 1. */
	readonly confidence: number;
	/** When it began to be warm though no program asked for it, in minutes of the week: hands, boosts, another heat. */
	readonly byHand: readonly number[];
	/** When it began to stay cold though the program asked for warmth, in minutes of the week. */
	readonly missed: readonly number[];
}

/** So much against the plan, in K, and for so long, is no chance. */
const APART_K = 1.5;
const APART_SLOTS = 9;
/** Shifts nearer than this are one and the same, in slots. */
const SAME_SLOTS = 5;
/** By how much another day may go less well and is still taken. */
const AS_GOOD = 0.01;

function stretches(is: (slot: number) => boolean): number[] {
	const found: number[] = [];
	let length = 0;
	for (let i = 0; i < SLOTS; i++) {
		length = is(i) ? length + 1 : 0;
		if (length === APART_SLOTS) found.push((i - APART_SLOTS + 1) * SLOT_MINUTES);
	}
	return found;
}

/** A log held against the week that was planned, by every shift of ten minutes through the week. null where the week asks for one and the same throughout. `planned` is as in a cause's levels. */
export function matchLog(planned: Float64Array, { roomC }: Pick<LogFact, 'roomC'>): LogMatch | null {
	if (planned.every((level) => level === planned[0])) return null;
	const kinds = rooms(planned);
	const log = logged(roomC);
	const day = DAY_MINUTES / SLOT_MINUTES;
	const all: { r: number; shift: number; kind: Kind }[] = [];
	for (let shift = -day / 2; shift < SLOTS - day / 2; shift++) {
		let best = { r: -1, shift, kind: kinds[0]! };
		for (const kind of kinds) {
			const r = goes(kind, log, shift);
			if (r > best.r) best = { r, shift, kind };
		}
		all.push(best);
	}
	const most = all.reduce((high, one) => (one.r > high.r ? one : high));
	// a week that is alike every day says little of its days: of the same hour on those that go as well, the nearest is so
	const best = all.find(({ r, shift }) => r >= most.r - AS_GOOD && (most.shift - shift) % day === 0) ?? most;
	const off = (shift: number) => {
		const apart = Math.abs(shift - best.shift) % day;
		return Math.min(apart, day - apart);
	};
	const other = all
		.filter(({ shift }) => off(shift) > SAME_SLOTS)
		.reduce((high, { r }) => Math.max(high, r), 0);
	const days = Math.abs(Math.round(best.shift / day));
	const { slope, offset } = along(best.kind.level, log.level, best.shift);
	const at = (i: number) => (i - best.shift + 2 * SLOTS) % SLOTS;
	const above = (i: number) => {
		const c = log.level[i]!;
		return Number.isNaN(c) ? 0 : c - (offset + slope * best.kind.level[at(i)]!);
	};
	return {
		shiftMinutes: (best.shift - days * day) * SLOT_MINUTES,
		days,
		agrees: Math.max(0, best.r),
		confidence: Math.min(1, Math.max(0, best.r - other) * 2),
		byHand: stretches((i) => above(i) > APART_K && planned[at(i)]! < 0.5),
		missed: stretches((i) => above(i) < -APART_K && planned[at(i)]! >= 0.5)
	};
}

/** A log as a fact, held against the planned week. null where it has no dates, is shorter than a day, or its room hardly moves. */
export function factOfLog(log: Logged, planned: Float64Array): LogFact | null {
	const roomC = usualWeek(log);
	const there = roomC.filter((c) => c !== null);
	if (there.length < LEAST_SLOTS || Math.max(...there) - Math.min(...there) < LEAST_SPAN_K) return null;
	const match = matchLog(planned, { roomC });
	return { kind: 'log', roomC, best: match ? match.agrees : 1 };
}
