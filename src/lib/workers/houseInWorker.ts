import { proxy, wrap } from 'comlink';
import type { ControlProfile } from '$core/control';
import type { Zone } from '$core/plan';
import type { Permission, Proof, YearProof } from '$core/thermal';
import type { ProofWorkerApi } from './proof.worker';

/** A described room of a house, and when what feeds it heats. */
export interface HouseRoom {
	readonly id: string;
	readonly zone: Zone;
	readonly profile: ControlProfile;
	readonly may: Permission;
}

/** What its heat comes to: a week of days alike, and a year of hours. */
export interface RoomHeat {
	readonly room: HouseRoom;
	readonly week: Proof;
	readonly year: YearProof;
}

/** A house under way: what comes of its rooms, or null once stopped. */
export interface HouseRun {
	readonly answer: Promise<readonly RoomHeat[] | null>;
	stop(): void;
}

/**
 * Runs the described rooms of a house, one after the other in a worker of their own, through a week at a mean outdoor temperature in °C and a
 * year of hours in °C. `onshare` hears the share done, 0…1. Stopping ends the worker at once.
 */
export function houseInWorker(
	rooms: readonly HouseRoom[],
	outdoorC: number,
	hoursC: readonly number[],
	onshare: (share: number) => void
): HouseRun {
	const worker = new Worker(new URL('./proof.worker.ts', import.meta.url), { type: 'module' });
	const remote = wrap<ProofWorkerApi>(worker);
	let stop = () => {};
	const stopped = new Promise<null>((resolve) => (stop = () => resolve(null)));
	async function run(): Promise<readonly RoomHeat[]> {
		const done: RoomHeat[] = [];
		for (const room of rooms) {
			const { zone, profile, may } = room;
			const share = (part: number) => onshare((done.length + part) / rooms.length);
			const week = await remote.proof(zone, profile, outdoorC, may);
			const year = await remote.year(zone, profile, hoursC, proxy(share), may);
			if (week) done.push({ room, week, year });
		}
		return done;
	}
	return { answer: Promise.race([run(), stopped]).finally(() => worker.terminate()), stop };
}
