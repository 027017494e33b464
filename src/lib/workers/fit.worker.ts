import { expose } from 'comlink';
import { profileSchema } from '$core/control';
import { fitZone, type ZoneFit } from '$core/fit';
import { zoneSchema } from '$core/plan';

/** Fits a zone off the main thread. Both documents cross the border through their schemas. */
const api = {
	fit(zone: unknown, profile: unknown): ZoneFit {
		return fitZone(zoneSchema.parse(zone), profileSchema.parse(profile));
	}
};
export type FitWorkerApi = typeof api;

expose(api);
