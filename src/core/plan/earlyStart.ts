import type { ControlProfile, MenuEntry } from '../control';
import type { Lead } from './lead';
import type { Zone } from './zone';

/** The entry of a control's menus that turns starting early on and off; undefined where there is none. */
const earlyEntry = (profile: ControlProfile): MenuEntry | undefined =>
	profile.menu.find(({ means, values }) => means === 'early-start' && values.kind === 'choices');

/** Whether a control can start early by itself: always, or as its menus are set. */
export const canStartEarly = (profile: ControlProfile): boolean =>
	profile.startsEarly || earlyEntry(profile) !== undefined;

/** How a lead asks for starting early to be set: on where the control is to find its start, off where the lead is in the week; null where it may stay as it comes. */
export function earlyStartAsked({ school }: Pick<Lead, 'school'>): 'on' | 'off' | null {
	return school === 'control' ? 'on' : school === 'at-need' ? null : 'off';
}

/**
 * Whether a zone's control starts early by itself as it is to be set: by the entry of its menus, by hand or as the lead
 * asks, else as new; of a control without such an entry, whether it does at all.
 */
export function startsEarlyIn(
	{ lead, settings }: Pick<Zone, 'lead' | 'settings'>,
	profile: ControlProfile
): boolean {
	const entry = earlyEntry(profile);
	if (!entry || entry.values.kind !== 'choices') return profile.startsEarly;
	const { choices } = entry.values;
	const byHand = settings.menu[entry.id];
	const asked = earlyStartAsked(lead);
	if (byHand === undefined && asked !== null) return asked === 'on';
	return choices[Math.round(byHand ?? entry.factory)]?.is !== 'off';
}

/** How early a control that starts by itself may begin at most, in minutes: as it was set, else as its kind allows. */
export const mostOwnStart = ({ settings }: Pick<Zone, 'settings'>, { habits }: ControlProfile): number =>
	Math.min(settings.earlyStartMinutes ?? habits.earlyStartMostMinutes, habits.earlyStartMostMinutes);
