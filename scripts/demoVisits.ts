/** `npx tsx scripts/demoVisits.ts`: writes two years of invented visits into the demo's job files. */
import { readFileSync, writeFileSync } from 'node:fs';
import { findProfile } from '../src/core/control';
import { reasonFor } from '../src/core/checks';
import { fitZone } from '../src/core/fit';
import { boxStanding, notesAt } from '../src/core/keying';
import { readJobFile, writeJobFile, type Job, type JobZone } from '../src/core/formats';
import {
	nothingNoted,
	TEST_STEPS,
	VISIT_FIELDS,
	wantedWeek,
	withWanted,
	type OnSite
} from '../src/core/plan';
import type { LeftZone, Visit } from '../src/core/record';
import { buildWeek, DAY_MINUTES } from '../src/core/week';
import { checksOf } from '../src/core/words';

const test = (at: string): OnSite['test'] =>
	TEST_STEPS.map((step, i) => ({
		step,
		at: new Date(Date.parse(at) + i * 90_000).toISOString(),
		seen: true,
		readingC: step === 'warm' ? 41 : null
	}));

/** A zone as it was before: every change of its week so many minutes later, its warmest level so many K lower. */
function earlier(zone: JobZone, minutes: number, lowerK: number): JobZone {
	const moved = buildWeek(
		wantedWeek(zone).map((step) => ({ ...step, at: (step.at + minutes) % (7 * DAY_MINUTES) }))
	);
	const warmest = Math.max(...zone.levels.map((level) => level.setpointC));
	return {
		...zone,
		...withWanted(zone, moved),
		notes: zone.notes,
		onSite: zone.onSite,
		routine: null,
		levels: zone.levels.map((level) =>
			level.setpointC === warmest && warmest > 2 ? { ...level, setpointC: warmest - lowerK } : level
		)
	};
}

function left(job: Job, zone: JobZone, index: number, noted: Partial<OnSite>, at: string): LeftZone {
	const { notes, onSite: _, ...plan } = zone;
	const profile = findProfile(zone.control, job.profiles)!;
	const onSite = {
		...nothingNoted,
		...noted,
		...(profile.habits.power === 'batteries' ? {} : { batteriesOn: null })
	};
	const fit = fitZone(plan, profile);
	// on that day all of it was keyed
	const standing = {
		...boxStanding([{ zone: plan, fit }], profile, notesAt(profile, notes)),
		left: 0,
		presses: 0
	};
	const { of } = standing;
	const checks = checksOf({
		zone: plan,
		profile,
		onSite,
		...standing,
		livesHere: [],
		readBackStops: false,
		misfit: fit.chosen.misfit,
		timeZone: job.site.timeZone,
		nowMs: Date.parse(at)
	});
	return {
		id: String(index),
		zone: { ...plan, clockReadings: [], exceptions: [], bookings: [] },
		onSite,
		done: of,
		of,
		checks: checks.map((check) => ({
			id: check.id,
			severity: check.severity,
			sentence: check.sentence,
			reason: reasonFor(check, onSite)
		}))
	};
}

const good = (at: string, more: Partial<OnSite> = {}): Partial<OnSite> => ({
	foundIn: 'automatic',
	leftIn: 'automatic',
	frostOn: true,
	customerTold: true,
	controlPlace: 'in-room',
	sensorHeightM: 1.5,
	test: test(at),
	...more
});

function visitsOf(job: Job): Visit[] {
	const at = [
		'2024-11-19T10:20:00.000Z',
		'2025-03-31T09:05:00.000Z',
		'2025-10-27T13:40:00.000Z',
		'2026-03-30T08:30:00.000Z'
	];
	const zones = (
		when: string,
		of: (zone: JobZone, i: number) => JobZone,
		noted: (i: number) => Partial<OnSite>
	) => job.zones.map((zone, i) => left(job, of(zone, i), i, noted(i), when));
	return [
		{
			at: at[0]!,
			who: 'R. Tilling',
			note: 'First commissioning.',
			signedOff: true,
			dwelling: null,
			zones: zones(
				at[0]!,
				(zone, i) => (i === 0 ? earlier(zone, 60, 1.5) : i === 1 ? earlier(zone, 30, 0.5) : zone),
				(i) => good(at[0]!, i === 0 ? { foundIn: 'manual', roomC: 16.5 } : {})
			)
		},
		{
			at: at[1]!,
			who: 'R. Tilling',
			note: 'Clocks set on by hand.',
			signedOff: true,
			dwelling: null,
			zones: zones(
				at[1]!,
				(zone, i) => (i === 0 ? earlier(zone, 60, 1.5) : i === 1 ? earlier(zone, 30, 0.5) : zone),
				(i) => good(at[1]!, { batteriesOn: i === 0 ? null : '2025-03-31' })
			)
		},
		{
			at: at[2]!,
			who: 'M. Sedge',
			note: 'Cold mornings: the week starts half an hour earlier, comfort a degree up.',
			signedOff: true,
			dwelling: null,
			zones: zones(
				at[2]!,
				(zone, i) => (i < 2 ? earlier(zone, 30, 0.5) : zone),
				(i) =>
					i === job.zones.length - 1
						? {
								...good(at[2]!),
								test: [],
								overruled: [
									{ check: 'test-missing', reason: 'Boiler away for repair until Friday', at: at[2]! }
								]
							}
						: good(at[2]!, { batteriesOn: '2025-03-31', roomC: i === 0 ? 15.8 : null })
			)
		},
		{
			at: at[3]!,
			who: 'R. Tilling',
			note: 'Clocks set on; test made up for.',
			signedOff: true,
			dwelling: null,
			zones: zones(
				at[3]!,
				(zone, i) => (i === 0 ? earlier(zone, 30, 0.5) : zone),
				(i) => good(at[3]!, { batteriesOn: '2025-03-31', roomC: i === 0 ? 20.4 : null })
			)
		}
	];
}

for (const name of ['tallow-quay-workshops', 'osier-lane-reading-room']) {
	const file = new URL(`../demo/${name}.job.json`, import.meta.url);
	const read = readJobFile(readFileSync(file, 'utf8'));
	if (!read.ok) throw new Error(read.problem.sentence);
	const visits = visitsOf(read.value);
	// survey, batteries and the like stand as the last visit left them; the week was planned anew since
	const stands = (index: number): OnSite => {
		const kept: Record<string, unknown> = { ...visits.at(-1)!.zones[index]!.onSite };
		for (const key of VISIT_FIELDS) kept[key] = nothingNoted[key];
		return kept as OnSite;
	};
	const zones = read.value.zones.map((zone, index) => ({ ...zone, onSite: stands(index) }));
	writeFileSync(file, writeJobFile({ ...read.value, visits, zones }));
	console.log(`· demo/${name}.job.json has ${visits.length} visits`);
}
// what is due: batteries of the flat, a promise at the workshops
const due = (name: string, zone: string, onSite: Partial<OnSite>) => {
	const file = new URL(`../demo/${name}.job.json`, import.meta.url);
	const read = readJobFile(readFileSync(file, 'utf8'));
	if (!read.ok) throw new Error(read.problem.sentence);
	const job = read.value;
	writeFileSync(
		file,
		writeJobFile({
			...job,
			zones: job.zones.map((one) =>
				one.name === zone ? { ...one, onSite: { ...one.onSite, ...onSite } } : one
			)
		})
	);
};
due('kelter-court', 'Lower flat', { batteriesOn: '2024-12-10', batteryMonths: 24, paired: true });
due('tallow-quay-workshops', 'Choir loft', {
	promised: 'bring a cover against hirers’ hands',
	promisedBy: '2026-12-09'
});
