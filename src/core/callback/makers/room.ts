import { DAY_MINUTES } from '../../week';
import type { Making } from '../making';
import { SLOT_MINUTES, USUAL_RISE_MINUTES, warmthOf } from '../worlds';

/** Whether sun can fall into a room at a slot of the week: from nine until three (common practice). */
const isSunny = (slot: number) => {
	const minute = (slot * SLOT_MINUTES) % DAY_MINUTES;
	return minute >= 540 && minute < 900;
};

/** Its limits, its sensor, its room, somebody’s hand, and what is no fault or none of these. */
export function roomCauses(make: Making): void {
	const { called, add, always, asked, gated, mild, nothing, rise, usual, wanted } = make;
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
	if (profile.temperature) {
		const troubles = onSite.sensorTroubles;
		const inSun = troubles.includes('sun');
		const other = { ...usual, since: undefined, 'which-days': undefined };
		add('sensor', troubles.length > 0 ? (inSun ? 3 : 8) : 0.5, gated(wanted), other, { warm: nothing });
		// sun falls on it from the morning until the afternoon: it believes that it is warm
		const heats = gated(wanted).map((on, i) => (isSunny(i) ? 0 : on));
		add('sensor', inSun ? 6 : 0.5, heats, { ...other, since: 'always' }, { figure: 1, levels: asked });
	}
	const isLow = onSite.sensorTroubles.includes('draught');
	if (profile.temperature)
		add(
			'sensor-low',
			isLow ? 6 : 0.25,
			gated(wanted),
			{ ...usual, since: undefined, 'which-days': undefined },
			{ warm: always }
		);
	const offsetK = onSite.offsetSetK ?? 0;
	// it shows more than there is by what was keyed, or less
	if (offsetK !== 0)
		add(
			'offset',
			3,
			gated(wanted),
			{ ...usual, since: 'always', 'which-days': undefined },
			{ warm: offsetK > 0 ? nothing : warmthOf(gated(wanted), mild ?? USUAL_RISE_MINUTES), figure: offsetK }
		);
	if (profile.cooling) {
		const { changeover } = zone.settings;
		const other = { ...usual, since: undefined, 'which-days': 'every', 'heater-asked': undefined };
		add('changeover', changeover === 'heat-only' ? 15 : 3, gated(wanted), other, { figure: 1, warm: always });
		add('changeover', changeover === 'cool-only' ? 15 : 1, nothing, other, { figure: -1 });
	}
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
	const emitter = zone.room?.emitter.kind ?? null;
	if (emitter === null || emitter === 'radiator' || emitter === 'wet-floor')
		add(
			'blockage',
			1,
			gated(wanted),
			{ ...usual, 'heater-asked': 'cold', since: undefined },
			{ warm: nothing }
		);
	if (profile.temperature) {
		add('cycle-rate', 0.5, gated(wanted), { ...usual, since: 'always', 'which-days': 'every' });
		// its figures are right, and whoever sits there is cold
		const isFrail = onSite.occupants.length > 0;
		add(
			'comfort',
			isFrail ? 2 : 0.5,
			gated(wanted),
			{ ...usual, since: undefined, 'which-days': 'every' },
			{ warm: nothing }
		);
	}
	add(
		'somebody-changed',
		profile.operation.lock && onSite.lockSet ? 0.7 : 3,
		gated(wanted),
		{ ...usual, since: 'visitors', 'set-to': 'lower', 'which-days': undefined },
		{ anyWeek: 0.18 }
	);
	if (profile.temperature)
		add('no-fault', 1.5, gated(wanted), { ...usual, 'heater-asked': 'cold', since: 'always' });
	add('other', 2, gated(wanted), {});
}
