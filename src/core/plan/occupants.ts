import type { Level } from '../control';

/** Who lives or works somewhere, as far as it bears on settings. */
export const OCCUPANTS = ['infants', 'elderly', 'ill', 'children', 'tenants', 'hirers', 'adults'] as const;
export type Occupant = (typeof OCCUPANTS)[number];

export const OCCUPANT_WORDS: Readonly<Record<Occupant, string>> = {
	infants: 'infants',
	elderly: 'older people',
	ill: 'people who are ill',
	children: 'children',
	tenants: 'tenants',
	hirers: 'hirers of the hall',
	adults: 'healthy adults only'
};

/** Under this the frail are at risk, and for them more may be needed, in °C: WHO housing guidelines 2018. */
export const FRAIL_LEAST_C = 18;

/** Of levels at or under this nobody sits in a room: they protect pipes, in °C; common practice. */
export const FROST_LEVEL_C = 12;

const isFrail = (one: Occupant) => one === 'infants' || one === 'elderly' || one === 'ill';

/**
 * The frail who use a room: those noted of it; where nothing is noted of it, those who live on its site. A room whose use is theirs
 * counts for older people where nobody else is named.
 */
export function frailIn(
	livesHere: readonly Occupant[],
	noted: readonly Occupant[],
	use: string | null
): Occupant[] {
	const frail = (noted.length > 0 ? noted : livesHere).filter(isFrail);
	return frail.length === 0 && use === 'frail-occupants' ? ['infants', 'elderly'] : frail;
}

/** Levels to propose where the frail live: none of those that people sit in is under {@link FRAIL_LEAST_C}. */
export function levelsForFrail<L extends Pick<Level, 'setpointC'>>(levels: readonly L[]): L[] {
	return levels.map((level) =>
		level.setpointC > FROST_LEVEL_C && level.setpointC < FRAIL_LEAST_C
			? { ...level, setpointC: FRAIL_LEAST_C }
			: level
	);
}
