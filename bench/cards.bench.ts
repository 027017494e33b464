/**
 * Cards: the demo's, each followed screen by screen (presses that the screens come to, those in the head, those on the printed card: all the
 * same); what keying takes after a control in use was read; and what one confirmation takes on the largest card (2 ms asked).
 */
import { readFileSync, readdirSync } from 'node:fs';
import { findProfile } from '../src/core/control';
import { readJobFile } from '../src/core/formats';
import {
	beginSession,
	confirmed,
	foundSaid,
	leftOf,
	leftToKey,
	noNotes,
	onShow,
	strokePresses,
	withNote,
	zoneCard
} from '../src/core/keying';
import { isOperable, start } from '../src/core/machine';
import { newZone, withWanted } from '../src/core/plan';
import { buildWeek } from '../src/core/week';
import { operable } from '../tests/support/anyZone';
import { followScreens } from '../tests/support/follower';
import { seededChance } from '../tests/support/random';
import { afterOneChange } from '../tests/support/readFirst';
import { report, time } from './report';

console.log('zone | control | values | screens | head | printed card');
let wrong = 0;
for (const name of readdirSync('demo').filter((file) => file.endsWith('.job.json'))) {
	const job = readJobFile(readFileSync(`demo/${name}`, 'utf8'));
	if (!job.ok) throw new Error(job.problem.sentence);
	for (const zone of job.value.zones) {
		const profile = findProfile(zone.control, job.value.profiles)!;
		if (!isOperable(profile)) continue;
		const noted = withNote(profile, noNotes(profile), { what: 'found', found: 'as-new' });
		const { card } = zoneCard(zone, profile, noted);
		const printed = leftToKey(profile, card, noted).presses;
		const blank = noNotes(profile);
		const fresh = beginSession(profile, zoneCard(zone, profile, blank).card, blank);
		const said = foundSaid(fresh, 'as-new', (now) => zoneCard(zone, profile, now).card);
		const head = leftOf(said.session).presses;
		const { values, shown } = followScreens({
			profile,
			zone,
			others: [],
			state: start(profile),
			found: 'as-new',
			percent: 0,
			chance: seededChance(1)
		});
		if (shown !== head || shown !== printed) wrong++;
		console.log([zone.name, profile.name, values, shown, head, printed].join(' | '));
	}
}
console.log(`cards of the demo: ${wrong} wrong`);

console.log('\ncontrol | presses for one changed time, after reading it | all keyed without reading');
for (const profile of operable) {
	const { read, blind } = afterOneChange(profile);
	console.log([profile.name, read.presses, blind.presses].join(' | '));
}

const clock = findProfile('plant-clock')!;
const days = Array.from({ length: 7 }, (_, day) =>
	Array.from({ length: 12 }, (_, n) => ({
		at: day * 1440 + n * 100 + day * 15,
		value: n % 2 ? 'comfort' : 'eco'
	}))
).flat();
if (!isOperable(clock)) throw new Error('its panel is described');
const zone = { ...withWanted(newZone('Z', clock), buildWeek(days)), grouping: '7-day' };
const noted = withNote(clock, noNotes(clock), { what: 'found', found: 'as-new' });
let session = beginSession(clock, zoneCard(zone, clock, noted).card, noted);
const took: number[] = [];
while (onShow(session))
	took.push(
		time(() => {
			session = confirmed(session).session;
			void strokePresses(clock, session.turn.leave);
		})
	);
took.sort((a, b) => a - b);
report(`one confirmation of ${took.length}`, took[took.length >> 1]!, 2);
console.log(`the longest of them ${took.at(-1)!.toFixed(2)} ms`);
