/**
 * The law of the screen, at large: what Key in shows is followed literally on a control that answers as it is described, confirmed as
 * the page does, with reload, time-out, Back, jumps, slips, a plan changed at a desk, another device. The control then holds the plan.
 * `npx tsx bench/screens.bench.ts 10000` follows so many; the seed can be given after that.
 */
import fc from 'fast-check';
import { anyProfile } from '../tests/support/anyProfile';
import { anyZone, operable } from '../tests/support/anyZone';
import { followOne, Misled } from '../tests/support/follower';
import { seededChance } from '../tests/support/random';
import type { Zone } from '../src/core/plan';

const many = Number(process.argv[2] ?? 400);
const seed = Number(process.argv[3] ?? 20_261_130);
console.log(`seed ${seed}`);

let followed = 0;
let wrong = 0;
let values = 0;
const began = performance.now();
for (let round = 0; followed < many; round++) {
	// half of them on shipped families, half on controls that nobody shipped
	const drawn = fc.sample(anyProfile, { numRuns: operable.length, seed: seed + round });
	for (const profile of [...operable, ...drawn]) {
		if (followed === many) break;
		const chance = seededChance(seed + followed);
		const zones = fc.sample(anyZone(profile), { numRuns: 3, seed: seed + followed }) as [Zone, Zone, Zone];
		try {
			values += followOne(profile, zones, chance(3) * 10, chance).values;
		} catch (failure) {
			wrong++;
			if (!(failure instanceof Misled)) throw failure;
			console.log(`${profile.id}, ${seed + followed}: ${failure.message}`);
		}
		followed++;
		if (followed % 1000 === 0)
			console.log(`… ${followed} followed, ${Math.round((performance.now() - began) / 1000)} s`);
	}
}
console.log(
	`${values} values keyed, ${((performance.now() - began) / values).toFixed(2)} ms each, the control's part included`
);
console.log(`screens: ${followed} followed, ${wrong} wrong`);
if (wrong > 0) process.exitCode = 1;
