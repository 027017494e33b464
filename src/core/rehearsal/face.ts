import { dateOfDay, dateWords, wallAt } from '../civil';
import { displayTime, isSwitch } from '../control';
import { degreesAt, degreesShown, display, type Display } from '../machine';
import { DAY_MINUTES } from '../week';
import { clockShows, secondsOf, type Override, type World } from './world';

/** What the display says of what was done by hand. */
const ACT_SHOWN: Readonly<Record<Override['what'], string>> = {
	change: 'by hand',
	boost: 'boost',
	hold: 'held',
	advance: 'next step',
	away: 'away',
	toggle: 'by hand'
};

/** What stands on the display of a stand-in: at rest what it holds just now, by hand or by its week. */
export function displayOf(world: World): Display {
	const { profile, machine, around, absence } = world;
	const isGone = absence !== null && (absence.fromMs ?? 0) <= world.atMs;
	const override = isGone ? absence : world.override;
	const shown = display(profile, machine, secondsOf(world, world.atMs));
	if (machine.place || !override) return shown;
	const { unit, clock } = machine.memory.options;
	const until =
		override.untilMs === Infinity
			? ''
			: override.what === 'away'
				? ` to ${dateWords(dateOfDay(Math.floor(wallAt(around.timeZone, override.untilMs) / DAY_MINUTES)), 'short')}`
				: ` to ${displayTime(clockShows({ around, clock: world.clock }, override.untilMs) % DAY_MINUTES, clock)}`;
	return {
		...shown,
		...(isSwitch(profile)
			? { shows: override.setpointC >= 0.5 ? 'On' : 'Off', unit: '' }
			: {
					shows: degreesShown(profile, unit, degreesAt(profile, unit, override.setpointC)),
					unit: `°${unit}`
				}),
		foot: `${ACT_SHOWN[override.what]}${until}`
	};
}
