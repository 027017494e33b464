import { expose } from 'comlink';
import { profileSchema } from '$core/control';
import { fitZone } from '$core/fit';
import { zoneSchema } from '$core/plan';
import { proofOf, type Proof } from '$core/thermal';

/** Proves a zone's room off the main thread. All documents cross the border through their schemas. */
const api = {
	/** Null where the room has not been described. */
	proof(zone: unknown, profile: unknown, outdoorC: number): Proof | null {
		const known = zoneSchema.parse(zone);
		const control = profileSchema.parse(profile);
		return known.room
			? proofOf(known, known.room, control, fitZone(known, control).chosen.held, outdoorC)
			: null;
	}
};
export type ProofWorkerApi = typeof api;

expose(api);
