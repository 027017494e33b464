import { channelsOf, type ControlProfile } from '$core/control';
import { boxOf, frailIn, levelsForFrail, newZone, onBox, type Occupant } from '$core/plan';
import { capital } from '$core/schema';
import { call } from '../call';
import type { FreeChannel } from './freeChannels';

/** A zone that is added, and what it hangs on. */
export interface NewZone {
	readonly name: string;
	readonly profile: ControlProfile;
	/** The free channel of a control that is there already; null for a control of its own. */
	readonly beside?: FreeChannel | null;
	/** Whether the other channels of its own control become zones as well. */
	readonly others: boolean;
}

/** The other channels of a control that is added anew. */
export const otherChannels = (profile: ControlProfile): readonly string[] =>
	channelsOf(profile)?.slice(1) ?? [];

/** Adds a zone to a site; for the frail (`livesHere`) no level is proposed that is too low. Gives its id, and what was refused. */
export async function addZone(
	siteId: string,
	livesHere: readonly Occupant[],
	{ name, profile, beside = null, others }: NewZone
): Promise<{ readonly id: string | null; readonly refused: string | null }> {
	const zones = `/api/v1/jobs/${siteId}/zones`;
	const plain = newZone(name.trim(), profile);
	const fresh =
		frailIn(livesHere, [], null).length > 0 ? { ...plain, levels: levelsForFrail(plain.levels) } : plain;
	const options = { ...fresh.options, channel: beside?.channel ?? 0 };
	const answer = await call<{ id: string }>('POST', zones, {
		zone: beside ? onBox({ ...fresh, options }, boxOf(beside.zone)) : fresh,
		after: null,
		beside: beside?.zoneId ?? null
	});
	if (!answer.ok) return { id: null, refused: answer.sentence };
	const { id } = answer.data;
	// its other channels hang on the same control: one card, one clock
	let refused: string | null = null;
	for (const [i, channelName] of (others ? otherChannels(profile) : []).entries()) {
		const zone = { ...newZone(capital(channelName), profile), box: fresh.box };
		const also = await call('POST', zones, {
			zone: { ...zone, options: { ...fresh.options, channel: i + 1 } },
			after: id,
			beside: id
		});
		refused ??= also.ok ? null : also.sentence;
	}
	return { id, refused };
}
