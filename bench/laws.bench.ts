/**
 * The laws of heating over a thousand random rooms (time constants 3 to 900 h): the same code as the unit tests run over a
 * few; and what a proof of a slow room costs against the plain way of two weeks from rest that it took before.
 */
import fc from 'fast-check';
import { findProfile } from '../src/core/control';
import { fitZone } from '../src/core/fit';
import { newZone, roomSchema, withWanted } from '../src/core/plan';
import {
	byMinute,
	designDay,
	outdoorByMinute,
	periodic,
	proofOf,
	readyRoom,
	simulate,
	timeConstantHours
} from '../src/core/thermal';
import { buildWeek, WEEK_MINUTES } from '../src/core/week';
import { anyCase, brokenLaws, brokenLead, caseWords } from '../tests/support/roomLaws';

const seed = Number(process.env.SEED ?? Date.now() % 1_000_000_007);
const cases = fc.sample(anyCase, { seed, numRuns: 1000 });
let broken = 0;
for (const one of cases) {
	const laws = brokenLaws(one);
	if (laws.length === 0) continue;
	broken++;
	console.log(`${caseWords(one)}: ${laws.join('; ')}`);
}
const leads = cases.flatMap((one) => {
	const wrong = brokenLead(one);
	return wrong === null ? [] : [`${caseWords(one)}: ${wrong}`];
});
for (const wrong of leads) console.log(wrong);
console.log(`leads: ${cases.length} random rooms (seed ${seed}), ${leads.length} wrong`);
console.log(`laws of heating: ${cases.length} random rooms (seed ${seed}), ${broken} break one`);

const median = (times: number[]) => [...times].sort((a, b) => a - b)[times.length >> 1]!;
function time(work: () => void): number {
	const start = performance.now();
	work();
	return performance.now() - start;
}
const stat = findProfile('six-step-room-stat')!;
const zone = withWanted(
	newZone('Vault', stat),
	buildWeek(
		[0, 1, 2, 3, 4, 5, 6].flatMap((day) => [
			{ at: day * 1440 + 420, value: 'comfort' },
			{ at: day * 1440 + 1320, value: 'eco' }
		])
	)
);
const { held } = fitZone(zone, stat).chosen;
const room = roomSchema.parse({
	floorAreaM2: 20,
	heightM: 2.5,
	build: 'very-heavy',
	loss: {
		by: 'measured',
		wattsPerKelvin: 10,
		capacityScale: 2.5,
		timeConstantHours: 500,
		standardErrorHours: 3,
		on: '2026-01-01'
	},
	emitter: { kind: 'wet-floor', ratedW: 900, waterC: 38 }
});
const ready = readyRoom(room);
/** The weeks that a proof was before: three ways, each a week from rest and a week that counts, and the four afternoons of its regulation. */
function plainWay(): void {
	const outdoorC = outdoorByMinute(designDay(0, 6), 2 * WEEK_MINUTES);
	const set = byMinute(held, 2 * WEEK_MINUTES);
	for (const setpointC of [set, set.map(() => 20), set.map((c) => Math.min(c, 7))]) {
		const first = simulate({
			...ready,
			outdoorC: outdoorC.subarray(0, WEEK_MINUTES),
			setpointC: setpointC.subarray(0, WEEK_MINUTES)
		});
		simulate({
			...ready,
			outdoorC: outdoorC.subarray(WEEK_MINUTES),
			setpointC: setpointC.subarray(WEEK_MINUTES),
			wantedC: set.subarray(WEEK_MINUTES),
			start: first.end,
			record: true
		});
	}
	for (let setting = 0; setting < 4; setting++)
		simulate({
			...ready,
			outdoorC: new Float64Array(2880),
			setpointC: new Float64Array(2880).fill(20),
			record: true
		});
}
const proof = () => proofOf(zone, room, stat, held, 0);
const pairs = Array.from({ length: 45 }, () => [time(plainWay), time(proof)] as const);
const ratio = median(pairs.slice(5).map(([plain, now]) => now / plain));
const { runs } = periodic({
	...ready,
	outdoorC: outdoorByMinute(designDay(0, 6), WEEK_MINUTES),
	setpointC: byMinute(held, WEEK_MINUTES)
});
console.log(
	`a proof of a slow room (time constant ${timeConstantHours(ready.model).toFixed(0)} h, closed in ${runs} weeks): ${median(pairs.map(([, now]) => now)).toFixed(1)} ms, ${ratio.toFixed(2)} times the two plain weeks a way of before (at most 2 asked for)`
);
