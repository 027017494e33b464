/**
 * Rooms measured from logs that another model wrote: how near the warm-up and the time constant come to the truth, and how many of the
 * intervals that claim nine in ten hold it. SEED and ROOMS say which and how many; COARSE=1 has the heating told from the temperature.
 */
import { fromTemperature } from '../src/core/formats/loggerRead';
import { measureRoom } from '../src/core/thermal';
import { otherRoom } from '../tests/support/otherRoom';

const seed = Number(process.env.SEED ?? Date.now() % 1_000_000);
const count = Number(process.env.ROOMS ?? 200);
const refused: Record<string, number> = {};
const warm: { ratio: number; held: boolean; width: number }[] = [];
const tau: { ratio: number; held: boolean }[] = [];
const times: number[] = [];
for (let i = 0; i < count; i++) {
	const room = otherRoom(seed + i);
	const log = process.env.COARSE ? { ...room.log, heating: fromTemperature(room.log.roomC) } : room.log;
	const began = performance.now();
	const measured = measureRoom(room.survey, log);
	times.push(performance.now() - began);
	if ('kind' in measured) {
		const reason = measured.kind;
		refused[reason] = (refused[reason] ?? 0) + 1;
		continue;
	}
	const truth = room.warmUpMinutes(measured.night.outdoorC);
	const found = measured.warmUpMinutes;
	if (truth !== null && found)
		warm.push({
			ratio: found.value / truth,
			held: found.from <= truth && truth <= found.to,
			width: found.to / found.from
		});
	const constant = room.timeConstantHours;
	const { value, from, to } = measured.timeConstantHours;
	tau.push({ ratio: value / constant, held: from <= constant && constant <= to });
	if (process.env.SAY)
		console.log(
			i,
			`warm ${found?.value.toFixed(0)} (${found?.from.toFixed(0)}–${found?.to.toFixed(0)}) of ${truth?.toFixed(0)}; tau ${value.toFixed(0)} (${from.toFixed(0)}–${to.toFixed(0)}) of ${constant.toFixed(0)}; left ${measured.residualK.toFixed(2)}, foretold ${measured.foretoldK.toFixed(2)} K`
		);
}
const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[values.length >> 1] ?? NaN;
const share = (of: readonly { held: boolean }[]) =>
	`${((100 * of.filter((one) => one.held).length) / of.length).toFixed(0)} %`;
const off = (of: readonly { ratio: number }[]) =>
	`${(100 * median(of.map((one) => Math.abs(one.ratio - 1)))).toFixed(1)} %`;
console.log(
	`measured rooms: ${count} made by another model (seed ${seed}), ${count - tau.length} refused`,
	refused
);
console.log(
	`warm-up: off by ${off(warm)} at the median (ratio ${median(warm.map((one) => one.ratio)).toFixed(3)}); of ${warm.length} intervals of nine in ten ${share(warm)} hold it, width × ${median(warm.map((one) => one.width)).toFixed(2)}`
);
console.log(`time constant: off by ${off(tau)} at the median; ${share(tau)} of the intervals hold it`);
console.log(`${median(times).toFixed(0)} ms a log of five days at the median`);
