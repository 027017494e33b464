import { expose, transfer } from 'comlink';
import { profileSchema } from '$core/control';
import { fitZone } from '$core/fit';
import { roomSchema, zoneSchema } from '$core/plan';
import {
	measureRoom,
	type LogRefusal,
	proofOf,
	roomWeek,
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
	/** The room's air every five minutes of the week, in °C; null where it has not been described. */
	room(zone: unknown, profile: unknown, outdoorC: number): Float32Array | null {
		const known = zoneSchema.parse(zone);
		const control = profileSchema.parse(profile);
		if (!known.room) return null;
		const { held } = fitZone(known, control).chosen;
		const line = Float32Array.from(roomWeek(known, known.room, control, held, outdoorC));
		return transfer(line, [line.buffer]);
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
	measure(room: unknown, log: EvenLog): Measured | LogRefusal {
		return measureRoom(roomSchema.parse(room), log);
	}
};
export type ProofWorkerApi = typeof api;

expose(api);
