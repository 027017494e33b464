import { channelsOf } from '../../control';
import type { Making } from '../making';
import { SLOTS } from '../worlds';

/** What feeds it, what it speaks to, what it lives on. */
export function houseCauses(make: Making): void {
	const { called, add, allowed, always, asked, gated, nothing, usual, wanted } = make;
	const { zone, onSite, profile } = called;
	const { habits } = profile;
	if (allowed && wanted.some((on, i) => on && !allowed[i]))
		add('source-later', 14, gated(wanted), {
			...usual,
			rooms: 'all',
			since: 'always',
			'which-days': 'every',
			'heater-asked': 'cold'
		});
	// what feeds it may be there though nobody has noted it
	add('source-off', zone.fedBy === null ? 1 : 5, nothing, {
		...usual,
		rooms: 'all',
		water: zone.fedBy === null ? undefined : 'no',
		'heater-asked': 'cold',
		since: 'power'
	});
	// the other channel may have its water
	if (channelsOf(profile))
		add('channel-off', 3, nothing, {
			...usual,
			mode: 'off',
			rooms: 'all',
			'heater-asked': 'cold',
			since: 'visitors'
		});
	if (zone.fedBy !== null || allowed)
		add('water-first', 1, gated(wanted), {
			...usual,
			rooms: 'all',
			since: 'always',
			'which-days': undefined
		});
	if (habits.paired) {
		const alone = profile.operation.receiver?.alone ?? 'off';
		const lost = {
			...usual,
			lamp: 'out-or-blinks',
			'heater-asked': alone === 'off' ? 'cold' : undefined,
			'which-days': 'every',
			since: 'power'
		};
		const prior = onSite.paired === false ? 20 : 4;
		// what a receiver does that hears nothing: off, on and off by itself, or as it was when it heard last
		add('no-radio', alone === 'off' ? prior : prior / 2, nothing, lost);
		if (alone !== 'off')
			add('no-radio', prior / 2, gated(always), lost, {
				figure: 1,
				levels: new Float64Array(SLOTS).fill(alone === 'stays' ? 1 : 0.5),
				shown: asked
			});
		if (profile.operation.receiver?.ownKey)
			add(
				'receiver-held',
				0.7,
				gated(always),
				{ ...usual, since: 'visitors', 'which-days': 'every', lamp: undefined },
				{ levels: new Float64Array(SLOTS).fill(1), shown: asked }
			);
	}
	add('no-power', habits.power === 'batteries' ? 5 : 1.5, nothing, {
		...usual,
		'clock-shows': 'blank',
		'heater-asked': 'cold',
		since: 'power'
	});
}
