/**
 * Stand-ins with their rooms, as shares of what is allowed in one run:
 * - a day of forty of them, 200 ms;
 * - one at an hour a second, frame by frame: a tenth of a core, 100 ms of work for a second of it.
 */
import { shippedProfiles } from '../src/core/control';
import { isOperable } from '../src/core/machine';
import { begin, pass, type World } from '../src/core/rehearsal';
import { median, report, time } from './report';

const START_MS = Date.UTC(2026, 0, 6);
const operable = shippedProfiles.filter(isOperable);
const worlds = (): World[] =>
	Array.from({ length: 40 }, (_, i) =>
		begin(operable[i % operable.length]!, START_MS, { timeZone: 'Europe/Dublin', outdoorC: (i % 12) - 4 })
	);

const day = (all: World[]) => all.map((world) => pass(world, 86_400));
day(worlds());
report(
	'a day of forty stand-ins',
	median(
		Array.from({ length: 7 }, () => {
			const all = worlds();
			return time(() => day(all));
		})
	),
	200
);

/** A second of the person's, in steps of 50 ms, each three minutes of the stand-in's. */
const STEPS = 20;
const second = (world: World) => {
	let now = world;
	for (let n = 0; n < STEPS; n++) now = pass(now, 180);
	return now;
};
const old = pass(worlds()[0]!, 20 * 86_400);
second(old);
report(
	'a second at 3600 times, with three weeks of log',
	median(Array.from({ length: 15 }, () => time(() => second(old)))),
	100
);
