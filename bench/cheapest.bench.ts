/**
 * Cards of small controls against every way of pressing their keys (Dijkstra over all that the control can hold): 1 000 of them, or as many as the number
 * after it. SEED chooses others. Ends with `cheapest: N controls, M dearer`. They have two groups of days and nothing to copy: with seven days there are more
 * ways than can be tried.
 */
import fc from 'fast-check';
import { anyDays, anySmall, cardAgainstLeast } from '../tests/support/smallControls';

const controls = Number(process.argv[2] ?? 1000);
const seed = Number(process.env.SEED ?? 20_261_201);
console.log(`seed ${seed}`);
let dearer = 0;
const began = performance.now();
for (let i = 0; i < controls; i++) {
	const [which] = fc.sample(anySmall, { seed: seed + i, numRuns: 1 });
	const [days] = fc.sample(anyDays(which!), { seed: seed + i, numRuns: 1 });
	const { cost, least } = cardAgainstLeast(which!, days!);
	if (least < cost) {
		dearer++;
		if (dearer <= 20)
			console.log(`  ${JSON.stringify(which)} ${JSON.stringify(days)}: ${cost} against ${least}`);
	}
	if ((i + 1) % 100 === 0) console.log(`  ${i + 1} in ${Math.round((performance.now() - began) / 1000)} s`);
}
console.log(`cheapest: ${controls} controls, ${dearer} dearer`);
if (dearer > 0) process.exitCode = 1;
