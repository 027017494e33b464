import type { Making } from '../making';
import { warmthOf } from '../worlds';

/** Its limits, its sensor, its room, somebody’s hand, and what is no fault or none of these. */
export function roomCauses(make: Making): void {
	const { called, add, gated, mild, nothing, rise, usual, wanted } = make;
	const { zone, onSite, profile } = called;
	const { habits } = profile;
	if (habits.limits)
		add(
			'limit',
			zone.settings.highLimitC === null ? 1 : 3,
			gated(wanted),
			{ ...usual, since: undefined, 'set-to': 'lower', 'heater-asked': 'cold' },
			{ warm: nothing }
		);
	if (profile.temperature)
		add(
			'sensor',
			onSite.sensorTroubles.length > 0 ? 8 : 0.8,
			gated(wanted),
			{ ...usual, since: undefined, 'which-days': undefined },
			{ warm: nothing }
		);
	const slow = rise === null ? null : Math.max(rise, 2 * (mild ?? rise));
	const isSlow = zone.room !== null && rise !== null && rise > (mild ?? rise) * 1.3 && rise > 90;
	add(
		'slow-room',
		isSlow ? 14 : 3,
		gated(wanted),
		{ ...usual, since: 'colder', 'which-days': 'every' },
		{
			warm: warmthOf(gated(wanted), slow ?? 180)
		}
	);
	add(
		'weak-emitter',
		rise === null ? 14 : 1.5,
		gated(wanted),
		{ ...usual, since: 'colder' },
		{ warm: nothing }
	);
	add('somebody-changed', profile.operation.lock && onSite.lockSet ? 0.7 : 3, gated(wanted), {
		...usual,
		since: 'visitors'
	});
	if (profile.temperature)
		add('no-fault', 1.5, gated(wanted), { ...usual, 'heater-asked': 'cold', since: 'always' });
	add('other', 2, gated(wanted), {});
}
