import { dateOfDay, dateWords, wallAt } from '../civil';
import { channelsOf, displayTime, isSwitch } from '../control';
import { degreesAt, degreesShown, display, modeHolds, type Display } from '../machine';
import type { Done } from '../run';
import { DAY_MINUTES } from '../week';
import { setpointNow, standing } from './held';
import { clockShows, secondsOf, type World } from './world';

/** What the display says of what was done by hand. */
const ACT_SHOWN: Readonly<Record<Done['kind'], string>> = {
	override: 'by hand',
	boost: 'boost',
	hold: 'held',
	advance: 'next step',
	absence: 'away',
	manual: 'by hand',
	off: 'off'
};

/** What the other channels hold, for the foot of a display: `hot water on`. */
const otherChannels = (world: World): string[] =>
	(channelsOf(world.profile) ?? []).flatMap((name, channel) => {
		const now = channel === 0 ? null : setpointNow(world, channel);
		return now === null ? [] : [`${name} ${now >= 0.5 ? 'on' : 'off'}`];
	});

/** What stands on the display of a stand-in: at rest what it holds just now, by hand or by its week. */
export function displayOf(world: World): Display {
	const { profile, machine, around } = world;
	const shown = display(profile, machine, secondsOf(world, world.atMs));
	if (machine.place || machine.asks) return shown;
	const others = otherChannels(world);
	const over = modeHolds(profile, machine).by === 'program' ? standing(world).at(-1) : undefined;
	const setC = setpointNow(world);
	if (!over || setC === null) return { ...shown, foot: [shown.foot, ...others].join(' · ') };
	const { unit, clock } = machine.memory.options;
	const { kind, channel = 0 } = over.done;
	const until =
		over.toMs === Infinity
			? ''
			: kind === 'absence'
				? ` to ${dateWords(dateOfDay(Math.floor(wallAt(around.timeZone, over.toMs) / DAY_MINUTES)), 'short')}`
				: ` to ${displayTime(clockShows({ around, clock: world.clock }, over.toMs) % DAY_MINUTES, clock)}`;
	const whose = channel > 0 ? `${channelsOf(profile)![channel]!} ` : '';
	return {
		...shown,
		...(isSwitch(profile)
			? { shows: setC >= 0.5 ? 'On' : 'Off', unit: '' }
			: {
					shows: degreesShown(profile, unit, degreesAt(profile, unit, setC)),
					unit: `°${unit}`
				}),
		foot: [`${whose}${ACT_SHOWN[kind]}${until}`, ...others].join(' · ')
	};
}
