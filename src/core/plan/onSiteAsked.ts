import { channelsOf, type ControlProfile } from '../control';
import type { OnSiteKey } from './onSite';
import type { Zone } from './zone';

/** Whether a zone's control hangs on a hot-water store. */
export function heatsStore(profile: ControlProfile, zone: Pick<Zone, 'options'>): boolean {
	return /water/i.test(channelsOf(profile)?.[zone.options.channel] ?? '');
}

/** Why a field is not asked of a zone, as it stands in a sentence; null where it is: only what this control and this emitter have. */
export function notAsked(
	key: OnSiteKey,
	zone: Pick<Zone, 'options' | 'room'>,
	profile: ControlProfile
): string | null {
	switch (key) {
		case 'occupants':
		case 'controlPlace':
		case 'frostOn':
		case 'offsetReadings':
		case 'offsetSetK':
			return profile.temperature ? null : 'it only switches';
		case 'sensorHeightM':
		case 'sensorTroubles':
			if (!profile.temperature) return 'it only switches';
			return zone.room?.sensor === 'floor' ? 'its sensor lies in the floor' : null;
		case 'paired':
			return profile.habits.paired ? null : 'it has no receiver to be paired with';
		case 'batteriesOn':
		case 'batteryMonths':
			return profile.habits.power === 'batteries' ? null : 'it has no batteries';
		case 'storeC':
			return heatsStore(profile, zone) ? null : 'it heats no cylinder';
		default:
			return null;
	}
}
