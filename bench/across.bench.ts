/**
 * Controls that are lived with, 20 000 or as many as the number after it: see `lived` in tests/support. SEED chooses others. Ends with
 * `across: N lived through, M differ`.
 */
import { lived } from '../tests/support/lives';

const lives = Number(process.argv[2] ?? 20_000);
const seed = Number(process.env.SEED ?? 20_261_201);
console.log(`seed ${seed}`);
let differ = 0;
const began = performance.now();
for (let i = 0; i < lives; i++) {
	const told = lived(seed + i);
	if (told.length > 0) {
		differ++;
		if (differ <= 20) console.log(`  ${seed + i}: ${told[0]!.slice(0, 600)}`);
	}
	if ((i + 1) % 500 === 0) console.log(`  ${i + 1} in ${Math.round((performance.now() - began) / 1000)} s`);
}
console.log(`across: ${lives} lived through, ${differ} differ`);
if (differ > 0) process.exitCode = 1;
