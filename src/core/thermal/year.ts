import type { ControlProfile } from '../control';
import { levelOf, wantedWeek, YEAR_HOURS, type Room, type Zone } from '../plan';
import { mapWeek, WEEK_MINUTES, type WeekSteps } from '../week';
import { periodic } from './periodic';
import { gatedBy, setpointForRun, type Permission } from './leads';
import { frostBetween, hoursOf, warmestHeld } from './proof';
import { byMinute, outdoorByMinute, readyRoom, simulate, type Simulation } from './simulate';
import { hourly } from './weather';

/** Days of the months of a common year. */
const MONTH_DAYS = [31, 28, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const;

/** A way of running a room through a year, month by month. */
export interface YearWay {
	/** Hour by hour of the year. */
	readonly hoursKWh: readonly number[];
	readonly kWh: readonly number[];
	readonly coldMinutes: readonly number[];
	readonly coldestC: number;
	readonly starts: number;
}

/** A room's year under its held week: one temperature throughout, the program, frost level in the place of its setbacks. */
export interface YearProof {
	readonly steady: YearWay;
	readonly programmed: YearWay;
	readonly frost: YearWay;
	/** Outdoor means of the months in °C. */
	readonly outdoorC: readonly number[];
}

/**
 * Runs a room through a year of hours (8760 °C, beginning on a Monday) minute by minute, three ways. `heldTarget` is
 * the held week in °C. `onshare` hears the share done, 0…1; `permission` is when what
 * feeds the room may run.
 */
export function yearOf(
	zone: Zone,
	room: Room,
	profile: ControlProfile,
	heldTarget: WeekSteps<number>,
	hoursC: readonly number[],
	onshare: (share: number) => void = () => {},
	permission: Permission = null
): YearProof {
	const ready = readyRoom(room, profile.habits.minimumOffMinutes);
	const minutes = YEAR_HOURS * 60;
	const outdoor = outdoorByMinute(hourly(hoursC), minutes);
	const set = byMinute(heldTarget, minutes).map((c) => setpointForRun(profile, c));
	const wantedC = profile.temperature
		? byMinute(
				mapWeek(wantedWeek(zone), (id) => levelOf(zone, id).setpointC),
				minutes
			)
		: undefined;
	const warmest = warmestHeld(zone, profile);
	let done = 0;
	const way = (asked: Float64Array): YearWay => {
		const setpointC = gatedBy(permission, asked);
		const kWh: number[] = [];
		const hoursKWh: number[] = [];
		const coldMinutes: number[] = [];
		let coldestC = Infinity;
		let starts = 0;
		let at = 0;
		// before the year lies a week like its first, over and over
		let before: Pick<Simulation, 'end' | 'control'> = periodic({
			...ready,
			outdoorC: outdoor.subarray(0, WEEK_MINUTES),
			setpointC: setpointC.subarray(0, WEEK_MINUTES)
		}).run;
		for (const days of MONTH_DAYS) {
			const to = at + days * 1440;
			const run = simulate({
				...ready,
				outdoorC: outdoor.subarray(at, to),
				setpointC: setpointC.subarray(at, to),
				record: true,
				...(wantedC ? { wantedC: wantedC.subarray(at, to) } : {}),
				start: before.end,
				control: before.control
			});
			kWh.push(run.heatJ / 3.6e6);
			hoursKWh.push(...hoursOf(run, run.heatJ, ready.model));
			coldMinutes.push(run.coldMinutes);
			coldestC = Math.min(coldestC, run.coldest.c);
			starts += run.starts;
			before = run;
			at = to;
			onshare(++done / 36);
		}
		return { kWh, hoursKWh, coldMinutes, coldestC, starts };
	};
	let first = 0;
	return {
		steady: way(new Float64Array(minutes).fill(setpointForRun(profile, profile.temperature ? warmest : 1))),
		programmed: way(set),
		frost: way(frostBetween(set, zone, warmest)),
		outdoorC: MONTH_DAYS.map((days) => {
			const hours = hoursC.slice(first, first + days * 24);
			first += days * 24;
			return hours.reduce((sum, c) => sum + c, 0) / hours.length;
		})
	};
}

/** Of a year: what the program uses and saves against one temperature, in kWh, and the hours cold while warmth is wanted. */
export function yearSaved(year: YearProof): {
	readonly programmedKWh: number;
	readonly savedKWh: number;
	readonly coldHours: number;
} {
	const sum = (all: readonly number[]) => all.reduce((a, b) => a + b, 0);
	const programmedKWh = sum(year.programmed.kWh);
	return {
		programmedKWh,
		savedKWh: sum(year.steady.kWh) - programmedKWh,
		coldHours: sum(year.programmed.coldMinutes) / 60
	};
}
