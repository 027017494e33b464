import isSame from 'fast-deep-equal';
import { allowedOptions, type ControlProfile } from '../control';
import type { ZoneFit } from '../fit';
import type { Zone } from '../plan';
import { readBackGroups } from './readBack';

/** A zone of a control by itself, with its fit. */
interface Fitted {
	readonly zone: Zone;
	readonly fit: Pick<ZoneFit, 'chosen'>;
}

/**
 * How far two controls of one kind are from being keyed by one card: the number of values of the week that differ, 0 where the card is the
 * same; null where they are set otherwise (unit, clock format, steps, day grouping), so that hardly a value is the same.
 */
export function cardDistance(a: Fitted, b: Fitted, profile: ControlProfile): number | null {
	const [ofA, ofB] = [a, b].map(({ zone }) => allowedOptions(profile, zone.options));
	const [one, other] = [a.fit.chosen, b.fit.chosen];
	if (!isSame(ofA, ofB) || one.grouping.id !== other.grouping.id) return null;
	if (isSame(one.program, other.program)) return 0;
	const valuesOf = (program: typeof one.program) =>
		new Map(
			readBackGroups(profile, ofA!, program).flatMap(({ fields }) =>
				fields.map(({ id, shows }) => [id, shows] as const)
			)
		);
	const [mine, theirs] = [valuesOf(one.program), valuesOf(other.program)];
	const ids = new Set([...mine.keys(), ...theirs.keys()]);
	return [...ids].filter((id) => mine.get(id) !== theirs.get(id)).length;
}
