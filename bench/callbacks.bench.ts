/**
 * Calls about stand-ins: something is planted, its household reports what it lives through with an honest noise (times up to a quarter of an
 * hour off, one answer in ten wrong), and answers at most four questions. Printed: how often what it is stands first and among three, before
 * any question and after the last, and the Brier score of what was thought of it. Goals: first in 75 % and among three in 92 % before, first
 * in 90 % after, 0.15. Twice: told only when it is cold, too hot and when it comes on; and with what the customer’s form asks beside it. And the time of a ranking (50 ms) and of the next question (100 ms), as shares of what is allowed in one run.
 */
import { causesOf, nextQuestion, rank, type Fact, type QuestionId } from '../src/core/callback';
import { begin, calledOf, canHave, FAULTS, livedThrough, pass, plant, seeded } from '../src/core/rehearsal';
import { familyOn, interview } from '../tests/support/interview';
import { median, report, time } from './report';

const SEED = Number(process.env.SEED ?? 20261127);
const WORLDS = Number(process.env.WORLDS ?? 1000);
const CONTROLS = [
	'six-step-room-stat',
	'hour-strip-keypad',
	'day-by-day-panel-stat',
	'radio-stat',
	'four-step-floor-stat',
	'slider-stat'
];
/** How often each is met, in the trade (common practice, from memory): the same weights as the causes have. */
const OFTEN: Readonly<Record<(typeof FAULTS)[number], number>> = {
	'wrong-day': 3,
	'hour-missed': 6,
	'batteries-out': 4,
	'left-off-program': 10,
	'day-not-copied': 3,
	'hands-at-the-keys': 3,
	'limit-set': 1,
	'pairing-lost': 4,
	'sensor-in-sun': 1
};

const startMs = Date.UTC(2026, 0, 6, 12);
const worlds = CONTROLS.map((id) => {
	const { profile, memory } = familyOn(id);
	return pass(begin(profile, startMs, { timeZone: 'Europe/Dublin' }, memory), 86_400);
});
const percent = (count: number) => `${((100 * count) / WORLDS).toFixed(1)} %`;
console.log(`seed ${SEED}, ${WORLDS} calls`);

/** Calls in which the household tells what it lived through and, before it is asked anything, the answers to `tells`. */
function calls(tells: readonly QuestionId[]) {
	const random = seeded(SEED);
	let [before1, before3, after1, after3, brier, asked] = [0, 0, 0, 0, 0, 0];
	const missed = new Map<string, number>();
	for (let n = 0; n < WORLDS; n++) {
		const world = worlds[Math.floor(random() * worlds.length)]!;
		const can = FAULTS.filter((fault) => canHave(world, fault));
		const sum = can.reduce((all, fault) => all + OFTEN[fault], 0);
		let at = random() * sum;
		const fault = can.find((one) => (at -= OFTEN[one]) < 0) ?? can[0]!;
		const planted = plant(world, fault, random);
		const one = interview(planted, calledOf(planted), random, { tells });
		if (one.first === 1) before1++;
		if (one.first <= 3) before3++;
		if (one.last === 1) after1++;
		else {
			const instead = `${fault} for ${one.ranked[0]!.cause.kind}`;
			missed.set(instead, (missed.get(instead) ?? 0) + 1);
		}
		if (one.last <= 3) after3++;
		brier += (1 - one.share) ** 2;
		asked += one.asked;
	}
	console.log(
		`before any question: first in ${percent(before1)} (75 asked), among three in ${percent(before3)} (92 asked)`
	);
	console.log(
		`after ${(asked / WORLDS).toFixed(1)} answers: first in ${percent(after1)} (90 asked), among three in ${percent(after3)}`
	);
	console.log(`Brier score ${(brier / WORLDS).toFixed(3)} (0.15 asked)`);
	const often = [...missed].sort((a, b) => b[1] - a[1]).slice(0, 8);
	console.log(`not first in the end: ${often.map(([what, times]) => `${what} ${times}`).join(', ')}`);
}
console.log('told when it is cold, too hot, when it comes on:');
calls([]);
console.log('and, as the customer’s form asks with it, since when, on which days, in which rooms:');
calls(['since', 'which-days', 'rooms']);

const planted = plant(worlds[1]!, 'hour-missed', seeded(3));
const called = calledOf(planted);
const facts: Fact[] = livedThrough(planted);
const many = () => {
	const causes = causesOf(called);
	// as many as two hundred
	return Array.from({ length: 200 }, (_, i) => ({ ...causes[i % causes.length]!, id: `${i}` }));
};
report(
	'ranking two hundred causes',
	median(Array.from({ length: 9 }, () => time(() => rank(many(), facts)))),
	50
);
const ranked = rank(many(), facts);
report(
	'the next question',
	median(Array.from({ length: 9 }, () => time(() => nextQuestion(ranked, facts)))),
	100
);
