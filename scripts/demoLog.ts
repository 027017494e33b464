/**
 * The simulated logger: `npx tsx scripts/demoLog.ts` writes demo/porters-lodge.log.csv, three nights of a room that is not
 * quite what its survey says, with a logger's noise. Committed, so that there is something to open.
 */
import { writeFileSync } from 'node:fs';
import { roomSchema } from '../src/core/plan';
import { designDay, outdoorByMinute, readyRoom, simulate } from '../src/core/thermal';

const room = roomSchema.parse({
	floorAreaM2: 9,
	heightM: 2.4,
	build: 'medium',
	loss: { by: 'figure', wattsPerKelvin: 27 },
	emitter: { kind: 'electric-panel', ratedW: 1000 }
});
let seed = 2026;
const noise = () => {
	seed = (Math.imul(seed, 1664525) + 1013904223) | 0;
	return ((seed >>> 0) / 4294967296 - 0.5) * 0.3;
};
const minutes = 3 * 1440 + 1;
const outdoorC = outdoorByMinute(designDay(3, 7), minutes);
const setpointC = Float64Array.from({ length: minutes }, (_, m) =>
	m % 1440 < 345 || m % 1440 > 1110 ? 15 : 20.5
);
const run = simulate({ ...readyRoom(room), outdoorC, setpointC, record: true });
const two = (n: number) => String(n).padStart(2, '0');
const rows = Array.from({ length: minutes - 1 }, (_, m) => {
	const time = `2026-11-${16 + Math.floor(m / 1440)} ${two(Math.floor((m % 1440) / 60))}:${two(m % 60)}`;
	return `${time};${(run.air[m]! + noise()).toFixed(1).replace('.', ',')};${outdoorC[m]!.toFixed(1).replace('.', ',')};${run.heating[m + 1]}`;
});
writeFileSync('demo/porters-lodge.log.csv', ['time;room °C;outdoor °C;heating', ...rows, ''].join('\n'));
