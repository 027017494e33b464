import { changeStands, nextTransitions } from '$core/run';
import { dateOfDay, wallAt, DAY_MS } from '$core/civil';
import { roundSchema, type Round, type RoundSite, type roundChangesSchema } from '$core/record';
import type { z } from 'zod';
import { whileUnchanged, type Database } from '../../db';
import { change } from '../change';
import { readSetting, settingOf } from '../settings';
import { sitesByHand } from './due';

const keyOf = (on: string) => `round-${on}`;

/** A date on which clocks change at places where some are changed by hand, with how many. */
export interface RoundDate {
	readonly on: string;
	readonly sites: number;
	readonly clocks: number;
	/** Clocks still to be set; all of them before the change, after it those that missed it. */
	readonly left: number;
	/** Clocks that were never seen to be right: whether they missed it nobody knows. */
	readonly unseen: number;
}

/** How far back a change is still worth a round, and how far ahead one is planned, in days. */
const BACK_DAYS = 60;
const AHEAD_DAYS = 400;

/** The changes of clocks from {@link BACK_DAYS} ago to {@link AHEAD_DAYS} ahead, with the sites whose clocks somebody must change. */
function rounds(db: Database, nowMs: number): Promise<ReadonlyMap<string, readonly RoundSite[]>> {
	return whileUnchanged(db, 'rounds', () => roundsRead(db, nowMs), String(Math.floor(nowMs / 3_600_000)));
}

async function roundsRead(db: Database, nowMs: number): Promise<Map<string, RoundSite[]>> {
	const found = new Map<string, RoundSite[]>();
	const transitions = new Map<
		string,
		(ReturnType<typeof nextTransitions>[number] & { readonly on: string })[]
	>();
	for (const { siteId, siteName, place, timeZone, clocksByHand } of await sitesByHand(db, nowMs)) {
		if (!transitions.has(timeZone))
			transitions.set(
				timeZone,
				nextTransitions(timeZone, nowMs - BACK_DAYS * DAY_MS, 6).map((change) => ({
					...change,
					on: dateOfDay(Math.floor(wallAt(timeZone, change.atMs) / 1440))
				}))
			);
		for (const change of transitions.get(timeZone)!) {
			if (change.atMs > nowMs + AHEAD_DAYS * DAY_MS) break;
			const clocks = clocksByHand.map(({ rightMs, ...clock }) => {
				const stands = changeStands(rightMs, change.atMs, nowMs);
				return { ...clock, set: stands === 'made', unseen: stands === 'unknown' };
			});
			const { on, afterMinutes, beforeMinutes } = change;
			const list = found.get(on) ?? [];
			found.set(on, list);
			list.push({ siteId, siteName, place, shiftMinutes: afterMinutes - beforeMinutes, clocks });
		}
	}
	return found;
}

/** The dates for which there is a round, soonest first. */
export async function roundDates(db: Database, nowMs = Date.now()): Promise<RoundDate[]> {
	return [...(await rounds(db, nowMs))]
		.map(([on, sites]) => {
			const clocks = sites.flatMap((site) => site.clocks);
			return {
				on,
				sites: sites.length,
				clocks: clocks.length,
				left: clocks.filter(({ set, unseen }) => !set && !unseen).length,
				unseen: clocks.filter(({ unseen }) => unseen).length
			};
		})
		.sort((a, b) => (a.on < b.on ? -1 : 1));
}

/** The sites of the round of a date, by name; none where no clock changes by hand then. */
export async function roundSites(db: Database, on: string, nowMs = Date.now()): Promise<RoundSite[]> {
	const sites = (await rounds(db, nowMs)).get(on) ?? [];
	return [...sites].sort((a, b) => a.siteName.localeCompare(b.siteName));
}

const nothingPlanned: Round = { stops: {} };

/** What is planned of the round of a date. */
export async function readRound(db: Database, on: string): Promise<Round> {
	return (await readSetting(db, keyOf(on), roundSchema, nothingPlanned)).value;
}

/** Changes stops of a round, site by site, so that two people planning do not undo each other. */
export async function changeRound(
	db: Database,
	on: string,
	{ stops }: z.infer<typeof roundChangesSchema>
): Promise<void> {
	await change(db, settingOf(keyOf(on), roundSchema, nothingPlanned), null, (_, { value }) =>
		roundSchema.parse({
			stops: Object.fromEntries(
				Object.entries({ ...value.stops, ...stops }).filter((entry) => entry[1] !== null)
			)
		})
	);
}
