import isSame from 'fast-deep-equal';
import { allowedOptions, type ControlProfile } from '../control';
import type { ZoneFit } from '../fit';
import type { Zone } from '../plan';
import { menuWanted } from './atControl';
import { readBackGroups } from './readBack';

/** A zone of a control by itself, with its fit. */
interface Fitted {
	readonly zone: Zone;
	readonly fit: Pick<ZoneFit, 'chosen'>;
}

/**
 * How far two controls of one kind are from being keyed by one card: the number of values of settings and week that differ, 0 where the card is the
 * same; null where they are set otherwise (unit, clock format, steps, day grouping), so that hardly a value is the same.
 */
export function cardDistance(a: Fitted, b: Fitted, profile: ControlProfile): number | null {
	const [ofA, ofB] = [a, b].map(({ zone }) => allowedOptions(profile, zone.options));
	const [one, other] = [a.fit.chosen, b.fit.chosen];
	if (!isSame(ofA, ofB) || one.grouping.id !== other.grouping.id) return null;
	const valuesOf = ({ zone, fit }: Fitted) =>
		new Map(
			readBackGroups(profile, ofA!, fit.chosen.program, menuWanted([zone], profile)).flatMap(({ fields }) =>
				fields.map(({ id, shows }) => [id, shows] as const)
			)
		);
	const [mine, theirs] = [valuesOf(a), valuesOf(b)];
	const ids = new Set([...mine.keys(), ...theirs.keys()]);
	return [...ids].filter((id) => mine.get(id) !== theirs.get(id)).length;
}
