/**
 * The key-in route and the largest profile's fit, as shares of what is allowed in one run:
 * - the card of a busy seven-day week with its exact keys (cheapest tree over days, and over all-days entries), 5 ms;
 * - the card of the largest control (six events, seven days, heat and cool) with its exact keys, 5 ms, priced in every day
 *   grouping, 50 ms; one press of its stand-in, 20 µs;
 * - all groupings of a heat-and-cool stat with six events on seven days, one frame (16 ms);
 * - a site of 60 zones re-fitted one after the other, 500 ms.
 */
import { factoryOptions, findProfile, type ControlProfile } from '../src/core/control';
import { fitAll, fitZone } from '../src/core/fit';
import { keyingPrice, keyCard } from '../src/core/keying';
import { isOperable, press, start } from '../src/core/machine';
import { newZone, withWanted } from '../src/core/plan';
import { buildWeek, type WeekSteps } from '../src/core/week';
import { median, report, time } from './report';

let state = 7;
function random(): number {
	state = (Math.imul(state, 1664525) + 1013904223) | 0;
	return (state >>> 0) / 4294967296;
}

function busyWeek<V>(values: readonly V[]): WeekSteps<V> {
	return buildWeek(
		Array.from({ length: 84 }, () => ({
			at: Math.floor(random() * 2016) * 5,
			value: values[Math.floor(random() * values.length)]!
		}))
	);
}

const clock = findProfile('plant-clock')!;
const stat = findProfile('six-step-room-stat')!;
const levels = ['comfort', 'eco', 'frost'];
for (const profile of [stat, clock]) {
	const zones = Array.from({ length: 40 }, () => withWanted(newZone('Z', profile), busyWeek(levels)));
	const fits = zones.map((zone) => fitZone({ ...zone, grouping: '7-day' }, profile).chosen);
	const card = (i: number) => keyCard(profile, factoryOptions(profile), fits[i]!.grouping, fits[i]!.program);
	for (let warm = 0; warm < 8; warm++) fits.forEach((_, i) => card(i));
	report(`route and card, ${profile.name.toLowerCase()}`, median(fits.map((_, i) => time(() => card(i)))), 5);
}

const both = findProfile('heat-and-cool-stat')!;
if (both.program.form !== 'events') throw new Error('a heat-and-cool stat holds events');
const largest: ControlProfile = {
	...both,
	program: { ...both.program, perDay: [6], eventNames: null, stepMinutes: 5 }
};
const heats = [7, 12, 15, 16, 17, 18, 20, 21.5];
const cools = [32, 31, 30, 29, 28, 27, 26, 25];
const requests = Array.from({ length: 30 }, () => ({
	profile: largest,
	options: factoryOptions(largest),
	setpointsC: heats,
	target: busyWeek(heats),
	weights: { cold: 4, warm: 1 },
	cooling: { setpointsC: cools, target: busyWeek(cools) }
}));
requests.forEach((request) => fitAll(request));
report(
	'all groupings, six events, seven days, heat and cool',
	median(requests.map((request) => time(() => fitAll(request)))),
	16
);

const busiest = Array.from({ length: 30 }, () =>
	withWanted(newZone('Z', largest), busyWeek(['comfort', 'eco']))
);
const fitsOf = busiest.map((zone) => fitZone({ ...zone, grouping: '7-day' }, largest));
const largestCard = (i: number) =>
	keyCard(largest, factoryOptions(largest), fitsOf[i]!.chosen.grouping, fitsOf[i]!.chosen.program);
for (let warm = 0; warm < 4; warm++) busiest.forEach((_, i) => largestCard(i));
report('card with its keys, largest control', median(busiest.map((_, i) => time(() => largestCard(i)))), 5);
const priced = (i: number) =>
	fitsOf[i]!.fits.map(({ grouping, program }) =>
		keyingPrice(largest, factoryOptions(largest), grouping, program)
	);
busiest.forEach((_, i) => priced(i));
report('priced in every day grouping', median(busiest.map((_, i) => time(() => priced(i)))), 50);
if (!isOperable(largest)) throw new Error('its panel is described');
const strokes = ['menu', 'next', 'up', 'next', 'down', 'day', 'next', 'up', 'up', 'next'] as const;
const pressed = () => {
	let state = start(largest);
	for (let n = 0; n < 2000; n++)
		state = press(largest, state, { do: 'press', key: strokes[n % strokes.length]!, times: 1 }, n);
};
pressed();
report('2000 presses', median(Array.from({ length: 9 }, () => time(pressed))), 40);

const site = Array.from({ length: 60 }, () => withWanted(newZone('Z', stat), busyWeek(levels)));
report(
	'60 zones re-fitted',
	median(Array.from({ length: 5 }, () => time(() => site.forEach((zone) => fitZone(zone, stat))))),
	500
);
