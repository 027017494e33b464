import type { ControlProfile } from '../control';
import { heldInZone, type Zone } from '../plan';
import { mapWeek, type WeekSteps } from '../week';

/** What a control holds through the week, and which of that asks for warmth. */
export interface Asking {
	/** In °C; 0 and 1 on one that only switches. */
	readonly held: WeekSteps<number>;
	/** Whether it only switches: then on asks, and off does not. */
	readonly isSwitch: boolean;
	/** Its zone's levels as the control holds them, in °C, and whether each asks. */
	readonly levels: readonly { readonly heldC: number; readonly asks: boolean }[];
}

/** At or under this a setpoint protects pipes and asks for no warmth, in °C: common practice. */
const FROST_C = 12;

/**
 * The levels of a zone that ask for no warmth, by their ids: setbacks, to which its room falls by itself. What a person said of a level holds; of the
 * others those of {@link FROST_C} and under are, and of the rest that its week uses the lowest, if it uses two or more. (On one that
 * only switches nobody asks: off is off.)
 */
export function setbacks({ levels, wanted }: Pick<Zone, 'levels' | 'wanted'>): ReadonlySet<string> {
	const used = new Set(wanted.map(({ level }) => level));
	const warm = levels
		.filter(({ id, setpointC }) => used.has(id) && setpointC > FROST_C)
		.map(({ setpointC }) => setpointC);
	const lowest = new Set(warm).size > 1 ? Math.min(...warm) : null;
	return new Set(
		levels
			.filter(({ asks, setpointC, id }) =>
				asks === undefined ? setpointC <= FROST_C || (used.has(id) && setpointC === lowest) : !asks
			)
			.map(({ id }) => id)
	);
}

/** What of a zone asks for warmth, where its control holds this week. */
export function askingOf(
	zone: Pick<Zone, 'levels' | 'wanted' | 'settings' | 'options'>,
	profile: ControlProfile,
	held: WeekSteps<number>
): Asking {
	const resting = setbacks(zone);
	return {
		held,
		isSwitch: profile.temperature === null,
		levels: zone.levels.map(({ id, setpointC }) => ({
			heldC: heldInZone(zone, profile, setpointC),
			asks: !resting.has(id)
		}))
	};
}

/** Whether a setpoint (on a switch: 1 for on) asks for warmth: as its level does, where it is one; else where it is over all that do not. */
export function isWarmth(valueC: number, { isSwitch, levels }: Pick<Asking, 'isSwitch' | 'levels'>): boolean {
	if (isSwitch) return valueC >= 0.5;
	const own = levels.filter(({ heldC }) => Math.abs(heldC - valueC) < 0.01);
	if (own.length > 0) return own.some(({ asks }) => asks);
	return valueC > Math.max(FROST_C, ...levels.filter(({ asks }) => !asks).map(({ heldC }) => heldC));
}

/** When a control asks for warmth; see {@link isWarmth}. */
export const asksForWarmth = (asking: Asking): WeekSteps<boolean> =>
	mapWeek(asking.held, (value) => isWarmth(value, asking));
