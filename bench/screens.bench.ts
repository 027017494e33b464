/**
 * The law of the screen, at large: what Key in shows is followed literally on a control that answers as it is described, confirmed as
 * the page does, with reload, time-out, Back, jumps, slips, a plan changed at a desk, another device. The control then holds the plan.
 * `npx tsx bench/screens.bench.ts 10000` follows so many; the seed can be given after that.
 */
import { followNth, Misled } from '../tests/support/follower';

const many = Number(process.argv[2] ?? 400);
const seed = Number(process.argv[3] ?? 20_261_130);
/** From which round on, for several at once. */
const first = Number(process.argv[4] ?? 0);
console.log(`seed ${seed}`);

let wrong = 0;
let values = 0;
const began = performance.now();
for (let followed = 0; followed < many; followed++) {
	try {
		values += followNth(seed, first + followed).values;
	} catch (failure) {
		wrong++;
		if (!(failure instanceof Misled)) throw failure;
		console.log(`round ${first + followed}: ${failure.message}`);
	}
	if ((followed + 1) % 1000 === 0)
		console.log(`… ${followed + 1} followed, ${Math.round((performance.now() - began) / 1000)} s`);
}
console.log(
	`${values} values keyed, ${((performance.now() - began) / values).toFixed(2)} ms each, the control's part included`
);
console.log(`screens: ${many} followed, ${wrong} wrong`);
if (wrong > 0) process.exitCode = 1;
