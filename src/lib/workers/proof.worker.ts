import { expose } from 'comlink';
import { profileSchema } from '$core/control';
import { fitZone } from '$core/fit';
import { roomSchema, zoneSchema } from '$core/plan';
import {
	measureRoom,
	proofOf,
	yearOf,
	type EvenLog,
	type Measured,
	type Proof,
	type YearProof
} from '$core/thermal';

/** Proves a zone's room off the main thread. All documents cross the border through their schemas. */
const api = {
	/** Null where the room has not been described. */
	proof(zone: unknown, profile: unknown, outdoorC: number): Proof | null {
		const known = zoneSchema.parse(zone);
		const control = profileSchema.parse(profile);
		return known.room
			? proofOf(known, known.room, control, fitZone(known, control).chosen.held, outdoorC)
			: null;
	},
	/** A described room's year of hours, three ways; `onshare` hears the share done. */
	year(
		zone: unknown,
		profile: unknown,
		hoursC: readonly number[],
		onshare: (share: number) => void
	): YearProof {
		const known = zoneSchema.parse(zone);
		const control = profileSchema.parse(profile);
		return yearOf(known, known.room!, control, fitZone(known, control).chosen.held, hoursC, onshare);
	},
	/** A room's loss and capacity from a log, or why it gives none. */
	measure(room: unknown, log: EvenLog): Measured | string {
		return measureRoom(roomSchema.parse(room), log);
	}
};
export type ProofWorkerApi = typeof api;

expose(api);
