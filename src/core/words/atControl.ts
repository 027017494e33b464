import {
	menuWay,
	temperatureWords,
	waySentence,
	type ControlProfile,
	type TemperatureUnit
} from '../control';
import { entryAt, entryShown } from '../machine';
import type { MenuWhy, SettingRow } from '../keying';
import { capital } from '../schema';
import { WIPES_WORDS } from './control';
import { finishes } from '../thermal';

/** Why an entry stands as it is to, as it stands beside it. */
export function menuWhyWords(why: MenuWhy, unit: TemperatureUnit): string {
	switch (why.because) {
		case 'by-hand':
			return 'chosen for this control';
		case 'limit':
			return 'the limit that was set for it';
		case 'setting':
			return 'as it is set for this control';
		case 'nothing-freezes':
			return 'frost protection while it is off';
		case 'changes-by-itself':
			return 'clock changes automatically';
		case 'own-week':
			return 'needed to run your program';
		case 'sensor':
			return {
				air: 'surveyed: the air of the room',
				floor: 'surveyed: the sensor is in the floor',
				'air-with-floor-guard': 'surveyed: the air, with the floor guarded',
				'no-floor': 'the floor does not heat'
			}[why.sensor];
		case 'floor':
			return why.finish
				? `${finishes[why.finish].words}: ${temperatureWords(unit, why.limitC)} at most`
				: `the floor may reach ${temperatureWords(unit, why.limitC)}`;
		case 'regulation':
			return why.kind === 'on-off' ? 'the room is reckoned on and off' : 'the room is reckoned in cycles';
		case 'lead':
			return {
				typed: 'preheat is already in the week',
				'by-itself': 'optimum start is wanted'
			}[why.lead];
		case 'level':
			return `the level ${why.level}`;
	}
}

/**
 * Where the correction of a sensor is keyed and what it must show: "Hold Menu 5 s, then press OK 11 times: Correct by must
 * show −0.5 °C." Null where a control has none in its menus. `offsetK` in kelvins, brought to the nearest that it has.
 */
export function offsetKeyWords(
	profile: ControlProfile,
	unit: TemperatureUnit,
	offsetK: number
): string | null {
	const entry = profile.menu.find(({ means }) => means === 'offset');
	const found = entry && menuWay(profile, `menu/${entry.id}`);
	if (!entry || !profile.panel || !found) return null;
	const shown = entryShown(profile, unit, entry, entryAt(profile, unit, entry, offsetK));
	const way = waySentence(profile.panel, found.way).replace(/\.$/, '');
	return `${way}: ${entry.print} must show ${shown.shows.replace('-', '−')}${shown.unit && ` ${shown.unit}`}.`;
}

const count = (n: number, one: string, many: string) => (n === 1 ? `One ${one}` : `${n} ${many}`);

/** How many settings differ from how the control comes, and which comes first because it wipes. */
export function howSetWords(rows: readonly SettingRow[]): string {
	const differing = rows.filter(({ differs }) => differs);
	if (differing.length === 0) return 'All factory settings.';
	const first =
		differing.find(({ wipes }) => wipes === 'all') ?? differing.find(({ wipes }) => wipes === 'program');
	const early = first ? ` Set the ${first.name} first: it ${WIPES_WORDS[first.wipes]}.` : '';
	return `${count(differing.length, 'setting differs', 'settings differ')} from how it comes.${early}`;
}

/** Why a setting stands as it does: an entry of the menus by what asks for it, an option because it was chosen. */
export function settingWhy(row: Pick<SettingRow, 'why' | 'shows' | 'field'>, unit: TemperatureUnit): string {
	if (row.why) return menuWhyWords(row.why, unit);
	if (row.shows === null) return 'leave as it is';
	return row.field === 'grouping' ? 'what the week is fitted to' : 'chosen for this control';
}

/** What of a control's menus means nothing for the heating. */
export const idleWords = (names: readonly string[]): string =>
	`${capital(names.join(', ').toLowerCase())}: leave ${names.length === 1 ? 'it' : 'them'} alone.`;
