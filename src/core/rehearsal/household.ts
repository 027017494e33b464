import { clockAnswer, type CalledZone, type CauseKind, type Fact, type QuestionId } from '../callback';
import { wallAt } from '../civil';
import { programOf } from '../machine';
import { newZone, nothingNoted } from '../plan';
import { memo } from '../schema';
import { DAY_MINUTES } from '../week';
import type { Fault, Planted } from './faults';
import { doneOf, startsEarly } from './held';
import { pass } from './passing';
import { clockErrorSeconds, commissioned, type LogPoint, type World } from './world';

/** What the causes of a call are called that each fault is. */
export const CAUSES_OF: Readonly<Record<Fault, readonly CauseKind[]>> = {
	'wrong-day': ['weekday-off'],
	'hour-missed': ['clock-off'],
	'batteries-out': ['clock-off', 'weekday-off', 'factory-week'],
	'left-off-program': ['left-off', 'left-manual', 'left-away'],
	'day-not-copied': ['day-not-copied', 'somebody-changed'],
	'hands-at-the-keys': ['somebody-changed', 'day-not-copied', 'step-slip'],
	'limit-set': ['limit'],
	'pairing-lost': ['no-radio'],
	'sensor-in-sun': ['sensor']
};

const WEEK_SECONDS = 7 * 86_400;
/** A room is called cold, or too hot, where it is so much beside what it would be, in K, for a third of the time. */
const FELT_K = 1;
const FELT_SHARE = 0.35;
/** Times are told in quarters of an hour, and only where they are another by so much. */
const TOLD_MINUTES = 15;
const LATE_MINUTES = 25;

/** Parts of a day in which people feel it, in minutes. */
const PARTS = [
	{ what: 'cold', from: 360, to: 540 },
	{ what: 'cold', from: 600, to: 1020 },
	{ what: 'cold', from: 1080, to: 1320 },
	{ what: 'hot', from: 60, to: 300 },
	{ what: 'hot', from: 600, to: 1020 }
] as const;

interface TwoWeeks {
	readonly right: readonly LogPoint[];
	readonly lived: readonly LogPoint[];
}
/** The week after something went wrong, minute by minute, beside what it would have been. */
const weekOf = memo(({ world, planned }: Planted): TwoWeeks => ({
	right: pass(commissioned({ ...world, log: [] }, planned), WEEK_SECONDS).log,
	lived: pass({ ...world, log: [] }, WEEK_SECONDS).log
}));

/** The day of the week (0 = Monday) and the minute of the day that the wall shows at a point. */
function wallOf({ around }: World, { atMs }: LogPoint): { readonly day: number; readonly minute: number } {
	const minute = Math.floor(wallAt(around.timeZone, atMs));
	return {
		day: (((Math.floor(minute / DAY_MINUTES) + 3) % 7) + 7) % 7,
		minute: ((minute % DAY_MINUTES) + DAY_MINUTES) % DAY_MINUTES
	};
}

/** What a household lives through in the week after something went wrong, as facts: when it is cold, when too hot, when it comes on. */
export function livedThrough(planted: Planted): Fact[] {
	const { right, lived } = weekOf(planted);
	const wall = (point: LogPoint) => wallOf(planted.world, point);
	const days = Array.from({ length: 7 }, (_, d) => d);
	const facts: Fact[] = [];
	for (const { what, from, to } of PARTS) {
		const felt = days.filter((day) => {
			let [all, so] = [0, 0];
			lived.forEach((point, i) => {
				const at = wall(point);
				if (at.day !== day || at.minute < from || at.minute >= to || !right[i]) return;
				all++;
				const beside = point.roomC - right[i].roomC;
				if (what === 'cold' ? beside < -FELT_K : beside > FELT_K) so++;
			});
			return all > 0 && so / all >= FELT_SHARE;
		});
		if (felt.length > 0) facts.push({ kind: 'feels', what, days: felt, from, to });
	}
	// keeping its setback is not called coming on
	const setsC = right.map(({ setC }) => setC ?? 0);
	const middleC = (Math.min(...setsC) + Math.max(...setsC)) / 2;
	/** When it comes on first after four in the morning, by day. */
	const first = (log: readonly LogPoint[]) =>
		days
			.map((day) =>
				log.find((point) => {
					const at = wall(point);
					return at.day === day && at.minute >= 240 && point.heats && (point.setC ?? 0) >= middleC;
				})
			)
			.map((point) => (point ? wall(point).minute : null));
	const [was, is] = [first(right), first(lived)];
	const late = days.filter(
		(d) => was[d] !== null && is[d] !== null && Math.abs(was[d]! - is[d]!) >= LATE_MINUTES
	);
	if (late.length > 0) {
		const times = late.map((d) => is[d]!).sort((a, b) => a - b);
		const at = Math.round(times[times.length >> 1]! / TOLD_MINUTES) * TOLD_MINUTES;
		facts.push({ kind: 'turns', to: 'on', days: late, at: Math.min(1439, at) });
	}
	return facts;
}

const SINCE: Readonly<Record<Fault, string>> = {
	'wrong-day': 'power',
	'hour-missed': 'clocks-changed',
	'batteries-out': 'power',
	'left-off-program': 'visitors',
	'day-not-copied': 'always',
	'hands-at-the-keys': 'visitors',
	'limit-set': 'always',
	'pairing-lost': 'power',
	'sensor-in-sun': 'always'
};

const clockShows = (world: World): string => clockAnswer(Math.round(clockErrorSeconds(world) / 60));

/** What a household answers that looks as well as it can; null where its control has nothing to tell. */
export function householdAnswers(planted: Planted, question: QuestionId): string | null {
	const { world, fault } = planted;
	const { profile, machine, around } = world;
	const { panel, habits } = profile;
	switch (question) {
		case 'clock-shows':
			return habits.clock.summerTime === 'no-clock' ? null : clockShows(world);
		case 'mode': {
			if (doneOf(world, 'absence')) return 'away';
			if (machine.mode === planted.mode && world.done.length === 0) return 'program';
			return panel.modes?.names[machine.mode] === panel.modes?.off ? 'off' : 'manual';
		}
		case 'since':
			return SINCE[fault];
		case 'rooms':
			return 'this';
		case 'heater-asked':
			// under a limit it cannot be asked for more
			return around.linked && fault !== 'limit-set' ? 'hot' : 'cold';
		case 'lamp':
			return habits.paired ? (around.linked ? 'as-usual' : 'out-or-blinks') : null;
		case 'which-days': {
			const fact = livedThrough(planted).find((one) => 'days' in one);
			return !fact || !('days' in fact) || fact.days.length === 7 ? 'every' : 'some';
		}
		case 'set-to': {
			if (profile.temperature === null) return null;
			const { right, lived } = weekOf(planted);
			const warmest = Math.max(...right.map(({ setC }) => setC ?? -Infinity));
			// looked at when it is cold, where that was said
			const cold = livedThrough(planted).filter((fact) => fact.kind === 'feels' && fact.what === 'cold');
			const isLooked = (point: LogPoint) => {
				const { day, minute } = wallOf(world, point);
				return (
					cold.length === 0 ||
					cold.some(
						(fact) =>
							fact.kind === 'feels' && fact.days.includes(day) && minute >= fact.from && minute < fact.to
					)
				);
			};
			const beside = right.flatMap((point, i) =>
				point.setC !== null && point.setC > warmest - 0.5 && lived[i] && isLooked(point)
					? [(lived[i].setC ?? 5) - point.setC]
					: []
			);
			// what it is set to at most of the times at which it should be warm
			const middle = beside.sort((a, b) => a - b)[beside.length >> 1] ?? 0;
			return Math.abs(middle) < 0.3 ? 'as-planned' : middle < 0 ? 'lower' : 'higher';
		}
		case 'water':
			return 'yes';
		case 'keys':
			return machine.locked ? 'locked' : 'work';
	}
}

/** The zone of a stand-in, as one whose household calls. */
export function calledOf({ world, planned }: Planted): CalledZone {
	const { profile, around } = world;
	const zone = newZone(profile.name, profile);
	const school = startsEarly(profile, planned) ? ('control' as const) : zone.lead.school;
	return {
		zone: { ...zone, room: around.room, lead: { ...zone.lead, school } },
		profile,
		program: programOf(profile, planned)!,
		onSite: nothingNoted,
		governor: null,
		outdoorC: around.outdoorC,
		missedChangeMinutes: 0
	};
}
