import { channelsOf, type ControlProfile } from '$core/control';
import {
	boxOf,
	frailIn,
	inDwelling,
	levelsForFrail,
	nameIn,
	newZone,
	onBox,
	type Occupant,
	type Zone
} from '$core/plan';
import { capital } from '$core/schema';
import { call } from '../call';
import type { FreeChannel } from './freeChannels';

/** A zone to be added; those with one number hang on one control. */
interface ToAdd {
	readonly zone: Zone;
	readonly hangsOn: number;
}

/** A room that is added with its control. */
export interface NewRoom {
	readonly name: string;
	readonly profile: ControlProfile;
	/** Whether the other channels of its control become zones as well. */
	readonly others: boolean;
}

/** The other channels of a control that is added anew. */
export const otherChannels = (profile: ControlProfile): readonly string[] =>
	channelsOf(profile)?.slice(1) ?? [];

/** A zone of which nothing is drawn; for the frail no level is proposed that is too low. */
function freshZone(name: string, profile: ControlProfile, livesHere: readonly Occupant[]): Zone {
	const zone = newZone(name, profile);
	return frailIn(livesHere, [], null).length > 0 ? { ...zone, levels: levelsForFrail(zone.levels) } : zone;
}

/** Rooms as zones on new controls, for a dwelling of a type where one is named. */
export const roomsAsZones = (
	rooms: readonly NewRoom[],
	livesHere: readonly Occupant[],
	dwelling = '',
	type = ''
): ToAdd[] =>
	rooms.flatMap(({ name, profile, others }, hangsOn) =>
		[name.trim(), ...(others ? otherChannels(profile).map(capital) : [])].map((room, channel) => {
			const zone = freshZone(nameIn(dwelling, room), profile, channel === 0 ? livesHere : []);
			return { hangsOn, zone: { ...zone, dwelling, type, options: { ...zone.options, channel } } };
		})
	);

/** The zones of a dwelling once more for others of its type, with their plans, each dwelling on controls of its own. */
export const dwellingsAsZones = (
	zones: readonly { readonly boxId: string; readonly document: Zone }[],
	dwellings: readonly string[],
	type: string
): ToAdd[] => {
	const boxes = [...new Set(zones.map(({ boxId }) => boxId))];
	return dwellings.flatMap((dwelling, d) =>
		zones.map(({ boxId, document }) => ({
			zone: inDwelling(document, dwelling, type),
			hangsOn: d * boxes.length + boxes.indexOf(boxId)
		}))
	);
};

/** What came of adding: the ids, or the sentence that says why nothing was. */
export interface Added {
	readonly ids: readonly string[];
	readonly refused: string | null;
}

/** Adds zones on controls of their own, all or none. */
export async function addZones(siteId: string, zones: readonly ToAdd[]): Promise<Added> {
	const answer = await call<{ ids: string[] }>('POST', `/api/v1/jobs/${siteId}/zones/add`, { zones });
	return answer.ok ? { ids: answer.data.ids, refused: null } : { ids: [], refused: answer.sentence };
}

/** Adds a zone on the free channel of a control that is there already. */
export async function addBeside(
	siteId: string,
	livesHere: readonly Occupant[],
	name: string,
	{ profile, channel, zone, zoneId }: FreeChannel
): Promise<Added> {
	const { dwelling, type } = zone;
	const fresh = { ...freshZone(nameIn(dwelling, name.trim()), profile, livesHere), dwelling, type };
	const answer = await call<{ id: string }>('POST', `/api/v1/jobs/${siteId}/zones`, {
		zone: onBox({ ...fresh, options: { ...fresh.options, channel } }, boxOf(zone)),
		after: null,
		beside: zoneId
	});
	return answer.ok ? { ids: [answer.data.id], refused: null } : { ids: [], refused: answer.sentence };
}
