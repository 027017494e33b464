import { scaleLinear } from 'd3-scale';
import { curveStepAfter, line } from 'd3-shape';
import type { LogPoint } from '$core/rehearsal';

/** How much of its log is drawn: the last two days. */
const SHOWN_MINUTES = 2 * 1440;
/** The most points of a line: more are not seen on a phone. */
const MOST_POINTS = 288;

type Stretch = readonly [from: number, to: number];

export interface RoomLine {
	readonly room: string;
	readonly set: string;
	/** Above what it cools; empty where it does not. */
	readonly coolSet: string;
	/** Stretches of heating, and of cooling, from and to across. */
	readonly heats: readonly Stretch[];
	readonly cools: readonly Stretch[];
	readonly lowC: number;
	readonly highC: number;
}

/** The last two days of a stand-in as lines over a box: the room, what was held, when it heated. null before a minute has passed. */
export function roomLine(
	log: readonly LogPoint[],
	width: number,
	height: number,
	isSwitch: boolean
): RoomLine | null {
	const last = log.slice(-SHOWN_MINUTES);
	if (last.length < 2) return null;
	const every = Math.ceil(last.length / MOST_POINTS);
	const points = last.filter((_, i) => i % every === 0 || i === last.length - 1);
	const sets = isSwitch
		? []
		: points.flatMap(({ setC, coolC }) => [setC, coolC].filter((one) => one !== null));
	const rooms = points.map(({ roomC }) => roomC);
	const lowC = Math.floor(Math.min(...rooms, ...sets));
	const highC = Math.max(lowC + 2, Math.ceil(Math.max(...rooms, ...sets)));
	const x = scaleLinear([last[0]!.atMs, last.at(-1)!.atMs], [0, width]);
	const y = scaleLinear([lowC, highC], [height, 0]);
	const held = (of: (point: LogPoint) => number | null): string =>
		line<LogPoint>()
			.defined((point) => of(point) !== null)
			.x(({ atMs }) => x(atMs))
			.y((point) => y(of(point)!))
			.curve(curveStepAfter)(points) ?? '';
	const stretches = (is: (point: LogPoint) => boolean): Stretch[] => {
		const found: [number, number][] = [];
		for (const [i, point] of last.entries()) {
			if (!is(point)) continue;
			if (i === 0 || !is(last[i - 1]!)) found.push([x(point.atMs), x(point.atMs)]);
			found.at(-1)![1] = x(point.atMs);
		}
		return found;
	};
	return {
		room:
			line<LogPoint>()
				.x(({ atMs }) => x(atMs))
				.y(({ roomC }) => y(roomC))(points) ?? '',
		set: isSwitch ? '' : held(({ setC }) => setC),
		coolSet: held(({ coolC }) => coolC),
		heats: stretches(({ heats }) => heats),
		cools: stretches(({ cools }) => cools),
		lowC,
		highC
	};
}
