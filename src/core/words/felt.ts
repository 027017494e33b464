import type { Fit } from '../fit';
import { duration } from '../week';

/** What would be felt of each day grouping's held week: minutes in which the room itself is short of what is wanted. */
export interface Felt {
	/** If the control held all that is asked of it. */
	readonly exactMinutes: number;
	/** By the id of the grouping. */
	readonly minutes: Readonly<Record<string, number>>;
}

/** Up to this more of a week nobody notices. */
const HARDLY_MINUTES = 15;
/** From this on a misfit of setpoints is worth a word when the room does not notice it. */
const MISFIT_MINUTES = 30;

/**
 * What the room makes of the chosen grouping, in a sentence: whether it notices what the setpoint lacks, and where another feels the same for
 * fewer values to key. Null where there is nothing to say.
 */
export function feltWords(
	felt: Felt,
	chosen: Pick<Fit, 'grouping' | 'misfit'>,
	offers: readonly { readonly id: string; readonly name: string; readonly values: number }[]
): string | null {
	const here = felt.minutes[chosen.grouping.id];
	if (here === undefined) return null;
	const more = here - felt.exactMinutes;
	const own = offers.find(({ id }) => id === chosen.grouping.id);
	const less = own
		? offers
				.filter(
					({ id, values }) => values < own.values && (felt.minutes[id] ?? Infinity) - here <= HARDLY_MINUTES
				)
				.sort((a, b) => a.values - b.values)[0]
		: undefined;
	const same = less
		? ` ${less.name} would feel the same for ${own!.values - less.values} ${own!.values - less.values === 1 ? 'value' : 'values'} fewer to key.`
		: '';
	if (more > HARDLY_MINUTES)
		return `The room itself is short of warmth for ${duration(here)} of the week, ${duration(more)} of it because of the control.${same}`;
	if (chosen.misfit.coldMinutes >= MISFIT_MINUTES) return `Nobody will feel the difference.${same}`;
	return same === '' ? null : same.trim();
}
