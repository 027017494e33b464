import { describe, expect, it } from 'vitest';
import {
	causesOf,
	factOfLog,
	matchLog,
	nextQuestion,
	rank,
	SLOTS,
	type CalledZone,
	type Logged
} from '../callback';
import { findProfile } from '../control';
import { readLogger, writeLog } from '../formats';
import { isOperable, programOf, type Operable } from '../machine';
import { newZone, nothingNoted } from '../plan';
import { begin, pass, type World } from '../rehearsal';
import { logWords } from '.';

const PLACE = 'Europe/Dublin';
const START_MS = Date.parse('2026-01-12T00:00:00Z');

/** A stand-in that runs the program it came with, its clock ahead by so many minutes, for so many days. */
function lived(id: string, aheadMinutes: number, days = 9): World {
	const profile = findProfile(id)!;
	if (!isOperable(profile)) throw new Error(id);
	const fresh = begin(profile as Operable, START_MS, { timeZone: PLACE, outdoorC: 2 });
	const set = { atMs: START_MS, errorSeconds: aheadMinutes * 60 };
	return pass({ ...fresh, clock: { ...fresh.clock, anchors: [...fresh.clock.anchors, set] } }, days * 86_400);
}

/** Its log as a file, with or without the column that says when it heated, as a fact. */
function factOf(world: World, saysHeating: boolean) {
	const file = writeLog(world.log, PLACE);
	const text = saysHeating ? file : file.replaceAll(/;[^;\n]*$/gm, '');
	const read = readLogger(text, { outdoorC: 2 });
	if (!read.ok) throw new Error(read.problem.sentence);
	const { log, minutes } = read.value;
	return factOfLog({ roomC: log.roomC, minutes }, causesOf(calledOf(world)).at(-1)!.levels)!;
}

const calledOf = (world: World): CalledZone => ({
	zone: newZone('Parlour', world.profile),
	profile: world.profile,
	program: programOf(world.profile, world.machine.memory)!,
	onSite: nothingNoted,
	governor: null,
	outdoorC: 2,
	missedChangeMinutes: 0
});

describe('a logger’s file of a room', () => {
	it('an hour late is recognised without a question, with and without a column for the heating', () => {
		for (const id of ['six-step-room-stat', 'hour-strip-keypad'])
			for (const saysHeating of [true, false]) {
				const world = lived(id, -60);
				const causes = causesOf(calledOf(world));
				const fact = factOf(world, saysHeating);
				const match = matchLog(causes.at(-1)!.levels, fact)!;
				expect(match.days, id).toBe(0);
				expect(Math.abs(match.shiftMinutes - 60), `${id}: ${match.shiftMinutes} min`).toBeLessThanOrEqual(20);
				expect(match.agrees).toBeGreaterThan(0.6);
				const ranked = rank(causes, [fact]);
				expect(ranked[0]!.cause.id).toBe('clock-off/-60');
				// one that waits for a hand, and nobody came: no question is left
				if (id === 'hour-strip-keypad') {
					const missed = causesOf({ ...calledOf(world), missedChangeMinutes: -60 });
					expect(nextQuestion(rank(missed, [fact]), [fact])).toBeNull();
				}
				expect(logWords(match)).toMatch(/, (40 min|50 min|1 h|1 h 10|1 h 20) too late/);
			}
	});

	it('in its own time says so', () => {
		const right = lived('six-step-room-stat', 0);
		const planned = causesOf(calledOf(right)).at(-1)!.levels;
		expect(logWords(matchLog(planned, factOf(right, true))!)).toContain('in its own time');
	});

	it('a hand, a missed start, another room, a still room, one without dates are told apart', () => {
		const planned = new Float64Array(SLOTS);
		// six to ten every day
		for (let d = 0; d < 7; d++) planned.fill(1, d * 144 + 36, d * 144 + 60);
		const warm = (from: number, to: number) => (week: Float64Array) => week.fill(1, from / 10, to / 10);
		/** A room that is heated so, warmed and cooled a share of what is left. */
		const logOf = (heats: Float64Array): Logged => {
			let c = 17;
			const roomC = Array.from(
				{ length: 2 * SLOTS },
				(_, i) => (c += ((heats[i % SLOTS] ? 21 : 15) - c) * 0.08)
			);
			// a Monday midnight
			return { minutes: roomC.map((_, i) => 4 * 1440 + i * 10), roomC };
		};
		const matchOf = (heats: Float64Array) => matchLog(planned, factOfLog(logOf(heats), planned)!)!;
		expect(matchOf(planned)).toMatchObject({ days: 0, byHand: [], missed: [] });
		// only the weekend is warm by day: a weekday off shows
		const weekend = Float64Array.from(planned);
		weekend.fill(1, 5 * 144 + 60, 5 * 144 + 130);
		const moved = Float64Array.from(weekend, (_, i) => weekend[(i - 144 + SLOTS) % SLOTS]!);
		expect(matchLog(weekend, factOfLog(logOf(moved), weekend)!)).toMatchObject({ days: 1 });
		const hand = matchOf(warm(2 * 1440 + 900, 2 * 1440 + 1200)(Float64Array.from(planned)));
		expect(hand).toMatchObject({ days: 0, missed: [] });
		expect(hand.byHand).toHaveLength(1);
		expect(logWords(hand)).toMatch(/Warm where nothing was planned: Wednesday 1[56]:/);
		const without = Float64Array.from(planned);
		without.fill(0, 144 + 36, 144 + 60);
		expect(matchOf(without).missed.map((minute) => Math.floor(minute / 1440))).toEqual([1]);
		const odd = new Float64Array(SLOTS);
		[3, 500, 760, 1100, 4444, 5000, 6100, 9000].forEach((at) => warm(at, at + 400)(odd));
		expect(logWords(matchOf(odd))).toMatch(/^The log does not follow/);
		const still = {
			minutes: Array.from({ length: 500 }, (_, i) => i * 10),
			roomC: Array.from({ length: 500 }, () => 16)
		};
		expect(factOfLog(still, planned)).toBeNull();
		const moving = logOf(planned);
		expect(factOfLog({ ...moving, minutes: moving.minutes.map(() => NaN) }, planned)).toBeNull();
		expect(matchLog(new Float64Array(SLOTS), factOfLog(moving, planned)!)).toBeNull();
	});
});
