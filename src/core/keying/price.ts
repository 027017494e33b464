import type { ControlOptions, ControlProfile, Grouping, Program } from '../control';
import { keyCard } from './card';

/** What keying a program takes, without the card itself: small enough to follow a drag. */
export interface KeyingPrice {
	/** Values looked at and set, and presses, by the cheapest route. */
	readonly values: number;
	readonly presses: number;
	/** Values where every one is typed. */
	readonly typedValues: number;
	/** The route in the order of doing, a sentence a step. */
	readonly route: readonly string[];
}

/** The price of keying a program on a control. `grouping` must be the program's. */
export function keyingPrice(
	profile: ControlProfile,
	options: ControlOptions,
	grouping: Grouping,
	program: Program
): KeyingPrice {
	const { cost, route } = keyCard(profile, options, grouping, program);
	return {
		values: cost.route.values,
		presses: cost.route.presses,
		typedValues: cost.typed.values,
		route
	};
}
