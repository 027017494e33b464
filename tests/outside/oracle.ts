/**
 * Writes `tests/fixtures/oracle.json` anew: answers by other means than the program's own, which every later change must give again.
 * Fits by HiGHS (a mixed-integer solver) on every form and family, °F among them; local times by Temporal (reference library); absences
 * day by day; tariffs minute by minute. Run by hand, a few minutes: `npx tsx tests/outside/oracle.ts`
 */
import { writeFileSync } from 'node:fs';
import highsLoader from 'highs';
import { Temporal } from 'temporal-polyfill';
import { shippedProfiles, startingLevels, type ControlProfile } from '../../src/core/control';
import { inUse } from './oracleZone';
import type { OracleAbsence, OracleFit, OracleFixture } from './oracleZone';
import { buildWeek, DAY_MINUTES, type WeekSteps } from '../../src/core/week';
import { seededRandom } from '../support/random';
import { candidateStarts, eventsLp, pairsLp, slotsLp, type MilpCase } from './milp';

const SEED = 20_261_201;
const random = seededRandom(SEED);
const among = <T>(all: readonly T[]): T => all[Math.floor(random() * all.length)]!;

/** A week as people live: a few patterns of a day, each day one of them, on the grid of five minutes. */
function livedWeek(levels: number): { at: number; level: number }[] {
	const patterns = Array.from({ length: 1 + Math.floor(random() * 4) }, () => {
		const count = 1 + Math.floor(random() * 6);
		const times = Array.from({ length: count }, () => Math.floor(random() * 288) * 5).sort((a, b) => a - b);
		return times.map((at) => ({ at, level: Math.floor(random() * levels) }));
	});
	const steps = Array.from({ length: 7 }, (_, day) =>
		among(patterns).map(({ at, level }) => ({ at: day * DAY_MINUTES + at, value: level }))
	).flat();
	return buildWeek(steps.length > 0 ? steps : [{ at: 0, value: 0 }]).map(({ at, value }) => ({
		at,
		level: value
	}));
}

const load = () => highsLoader();
let solver = await load();
let solved = 0;
async function optimum(lp: string): Promise<number> {
	if (++solved % 20 === 0) solver = await load();
	const answer = solver.solve(lp, { mip_rel_gap: 0, mip_abs_gap: 1e-9 });
	if (answer.Status !== 'Optimal') throw new Error(answer.Status);
	return answer.ObjectiveValue;
}
const subsets = (count: number, size: number): number[][] =>
	size === 0
		? [[]]
		: count < size
			? []
			: [...subsets(count - 1, size), ...subsets(count - 1, size - 1).map((s) => [...s, count - 1])];

/** What the control can be given for a setpoint: half a degree, or a whole °F. */
const onScale = (profile: ControlProfile, c: number, unit: 'C' | 'F') => {
	if (!profile.temperature) return c;
	const { minC, maxC, stepC } = profile.temperature;
	if (unit === 'F')
		return (
			(Math.min(
				Math.round(maxC * 1.8 + 32),
				Math.max(Math.round(minC * 1.8 + 32), Math.round(c * 1.8 + 32))
			) -
				32) /
			1.8
		);
	return Math.min(maxC, Math.max(minC, Math.round(c / stepC) * stepC));
};

async function fitted(profile: ControlProfile, fit: Omit<OracleFit, 'weighted'>): Promise<number> {
	const { program } = profile;
	const grouping = profile.groupings.find(({ id }) => id === fit.grouping)!;
	// on a control in °F what is wanted is a whole °F too
	const wanted = fit.setpointsC.map((c) => (fit.unit === 'F' ? onScale(profile, c, 'F') : c));
	const target: WeekSteps<number> = buildWeek(
		fit.wanted.map(({ at, level }) => ({ at, value: wanted[level]! }))
	);
	const values = [...new Set(wanted.map((c) => onScale(profile, c, fit.unit)))].sort((a, b) => a - b);
	const { weights } = fit;
	const base = (times: readonly number[], of: readonly number[]): MilpCase => ({
		target,
		grouping,
		values: of,
		weights,
		times
	});
	if (program.form === 'slots') {
		const times = Array.from(
			{ length: DAY_MINUTES / program.slotMinutes },
			(_, i) => i * program.slotMinutes
		);
		return optimum(slotsLp(base(times, values), program.settings.length));
	}
	if (program.form === 'pairs') {
		const times = candidateStarts(target, program.stepMinutes);
		let least = Infinity;
		const sets = program.settings === null ? [[0, 1]] : subsets(values.length, Math.min(2, values.length));
		for (const set of sets) {
			const two = set.map((i) => values[i]!);
			least = Math.min(
				least,
				await optimum(
					pairsLp(
						base(times, two.length === 1 ? [two[0]!, two[0]!] : two),
						fit.perDay,
						!program.endsAtMidnight
					)
				)
			);
		}
		return least;
	}
	if (program.form !== 'events') throw new Error('a plain control is no case');
	const { stepMinutes, clearable, weekend, modes, beforeFirst } = program;
	const cool = profile.cooling ? { of: fit.coolC! } : null;
	const coolTarget = cool && buildWeek(fit.wanted.map(({ at, level }) => ({ at, value: cool.of[level]! })));
	const times = [
		...new Set([
			...candidateStarts(target, stepMinutes),
			...(coolTarget ? candidateStarts(coolTarget, stepMinutes) : []),
			// room behind a first event for all that are forced
			...Array.from({ length: fit.perDay }, (_, k) => DAY_MINUTES - (k + 1) * stepMinutes)
		])
	].sort((a, b) => a - b);
	const most = weekend
		? grouping.groups.map((days) =>
				days.includes(5) ? weekend.saturday : days.includes(6) ? weekend.sunday : fit.perDay
			)
		: fit.perDay;
	const size = modes ? Math.min(modes.length, values.length) : values.length;
	let least = Infinity;
	for (const set of subsets(values.length, size)) {
		const of = set.map((i) => values[i]!);
		const lp = eventsLp(
			{
				...base(times, of),
				...(beforeFirst === 'coolest-mode' ? { beforeFirst: 0 } : {}),
				...(cool && coolTarget
					? {
							cool: {
								target: coolTarget,
								values: of.map(
									(c) => cool.of[fit.setpointsC.findIndex((own) => onScale(profile, own, fit.unit) === c)]!
								)
							}
						}
					: {})
			},
			most,
			!clearable
		);
		least = Math.min(least, await optimum(lp));
	}
	return least;
}

const fits: OracleFit[] = [];
for (let round = 0; round < 5; round++)
	for (const profile of shippedProfiles) {
		if (profile.program.form === 'plain') continue;
		for (const unit of profile.temperature?.units ?? (['C'] as const)) {
			const levels = startingLevels(profile);
			const setpointsC = profile.temperature
				? levels.map(({ setpointC }, i) => Math.round((setpointC - (i === 0 ? 0 : random() * 3)) * 10) / 10)
				: levels.map(({ setpointC }) => setpointC);
			// cooling setpoints well above, on the scale
			const coolC = profile.cooling
				? setpointsC.map((_, i) => (unit === 'F' ? (78 + 4 * i - 32) / 1.8 : 25.5 + 2 * i))
				: null;
			const own =
				unit === 'F'
					? setpointsC.map((c) => Math.round(onScale(profile, c, 'F') * 1e9) / 1e9)
					: setpointsC.map((c) => (profile.cooling ? onScale(profile, c, 'C') : c));
			const perDay = inUse(profile, unit).perDay;
			const fit = {
				profile: profile.id,
				unit,
				perDay,
				grouping: among(profile.groupings).id,
				setpointsC: own,
				coolC,
				wanted: livedWeek(levels.length),
				weights: among([
					{ cold: 4, warm: 1 },
					{ cold: 1, warm: 1 },
					{ cold: 1, warm: 4 },
					{ cold: 5, warm: 2 }
				])
			};
			fits.push({ ...fit, weighted: Math.round((await fitted(profile, fit)) * 1e6) / 1e6 });
		}
		process.stdout.write('.');
	}

/** Local times round changes of clocks and elsewhere, by Temporal. */
const PLACES = [
	'Europe/Dublin',
	'Europe/Berlin',
	'America/St_Johns',
	'Australia/Lord_Howe',
	'Africa/Casablanca',
	'Asia/Kolkata',
	'America/Sao_Paulo',
	'Pacific/Apia'
];
const clocks = Array.from({ length: 34 }, (_, i) => {
	const timeZone = PLACES[i % PLACES.length]!;
	const start = Temporal.Instant.fromEpochMilliseconds(
		Date.UTC(2026, 0, 1) + Math.floor(random() * 365) * 86_400_000
	);
	// every other one within a few hours of a change of clocks
	const change = i % 2 === 0 ? start.toZonedDateTimeISO(timeZone).getTimeZoneTransition('next') : null;
	const at = (change?.toInstant() ?? start).add({ minutes: Math.floor((random() - 0.5) * 240) });
	return {
		timeZone,
		atMs: at.epochMilliseconds,
		local: at.toZonedDateTimeISO(timeZone).toPlainDateTime().toString({ smallestUnit: 'minute' })
	};
});

/** The days that a control counts, tried one by one until the next would end after the return. */
const absences: OracleAbsence[] = [];
const counting = shippedProfiles.filter(({ habits }) => habits.holiday?.by === 'days');
for (let i = 0; i < 20; i++) {
	const { id, habits } = counting[i % counting.length]!;
	const habit = habits.holiday as Extract<typeof habits.holiday, { by: 'days' }>;
	const leave = Temporal.PlainDateTime.from('2026-11-01T00:00').add({
		days: Math.floor(random() * 150),
		minutes: 15 * Math.floor(random() * 96)
	});
	const back = leave.add({ hours: 30 + Math.floor(random() * 500) });
	const ends = (days: number) =>
		habit.ends === 'same-time'
			? leave.add({ days })
			: leave.add({ days: days + (habit.todayCounts ? 0 : 1) }).with({ hour: 0, minute: 0 });
	let days = 0;
	while (days < habit.mostDays && Temporal.PlainDateTime.compare(ends(days + 1), back) <= 0) days++;
	const stamp = (time: Temporal.PlainDateTime) => time.toString({ smallestUnit: 'minute' });
	absences.push({
		profile: id,
		leave: stamp(leave),
		back: stamp(back),
		days: days === 0 ? null : days,
		until: days === 0 ? null : stamp(ends(days))
	});
}

/** What a week's heat costs, minute by minute. */
const tariffs = Array.from({ length: 16 }, (_, i) => {
	const clock = () => Math.floor(random() * 96) * 15;
	const nightFrom = clock();
	const tariff =
		i % 2 === 0
			? {
					kind: 'day-night' as const,
					dayPerKWh: 0.3,
					nightPerKWh: 0.12,
					nightFrom,
					nightTo: (nightFrom + 15 + clock()) % DAY_MINUTES || 15
				}
			: {
					kind: 'half-hours' as const,
					perKWh: Array.from({ length: 48 }, () => Math.round(random() * 400) / 1000)
				};
	if (tariff.kind === 'day-night' && tariff.nightFrom === tariff.nightTo)
		tariff.nightTo = (tariff.nightTo + 15) % DAY_MINUTES;
	const hoursKWh = Array.from({ length: 168 }, () => (random() < 0.4 ? 0 : Math.round(random() * 200) / 100));
	const price = (minute: number) => {
		if (tariff.kind === 'half-hours') return tariff.perKWh[Math.floor(minute / 30)]!;
		const night =
			(minute - tariff.nightFrom + DAY_MINUTES) % DAY_MINUTES <
			(tariff.nightTo - tariff.nightFrom + DAY_MINUTES) % DAY_MINUTES;
		return night ? tariff.nightPerKWh : tariff.dayPerKWh;
	};
	let money = 0;
	hoursKWh.forEach((kWh, hour) => {
		for (let minute = 0; minute < 60; minute++)
			money += (kWh / 60) * price((hour * 60 + minute) % DAY_MINUTES);
	});
	return { tariff, hoursKWh, money };
});

const fixture: OracleFixture = { seed: SEED, fits, clocks, absences, tariffs };
writeFileSync('tests/fixtures/oracle.json', `${JSON.stringify(fixture)}\n`);
console.log(
	`\n${fits.length} fits, ${clocks.length} clocks, ${absences.length} absences, ${tariffs.length} tariffs`
);
