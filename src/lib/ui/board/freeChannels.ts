import { channelsOf, type ControlProfile } from '$core/control';
import type { Zone } from '$core/plan';
import { capital } from '$core/schema';
import { boxWords } from '$core/words';
import { onBoxOf, type OnBox } from '../zone/boxes';

/** A zone of the list with its plan. */
export interface ListedZone extends OnBox {
	readonly document: Zone;
}

/** A channel of a control that governs no zone yet. */
export interface FreeChannel {
	/** For a choice: told apart from every profile. */
	readonly value: string;
	/** "Hot water of Programmer, airing cupboard". */
	readonly text: string;
	/** A zone of that control. */
	readonly zoneId: string;
	readonly zone: Zone;
	readonly channel: number;
	readonly profile: ControlProfile;
}

/** The channels of a site's controls on which another zone can hang; not those of the zone `but` alone. */
export function freeChannels(
	zones: readonly ListedZone[],
	profiles: readonly ControlProfile[],
	but: string | null = null
): FreeChannel[] {
	const boxes = [...new Set(zones.map(({ boxId }) => boxId))];
	return boxes.flatMap((boxId) => {
		const on = onBoxOf(zones, boxId).filter(({ id }) => id !== but);
		const [first] = on;
		if (!first) return [];
		const profile = profiles.find(({ id }) => id === first.document.control);
		const names = profile && channelsOf(profile);
		if (!profile || !names) return [];
		const taken = new Set(on.map(({ document }) => document.options.channel));
		return names.flatMap((name, channel): FreeChannel[] =>
			taken.has(channel)
				? []
				: [
						{
							value: `beside/${first.id}/${channel}`,
							text: `${capital(name)} of ${boxWords(first.document, profile)}`,
							zoneId: first.id,
							zone: first.document,
							channel,
							profile
						}
					]
		);
	});
}
