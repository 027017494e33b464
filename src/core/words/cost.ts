import type { Room, Site, Zone } from '../plan';
import { emitterClasses, weekCost, type CostGivens, type Proof, type WeekCost } from '../thermal';

/** A sum of money, in a currency by its three letters: "€18.40". */
export const moneyWords = (money: number, currency: string): string =>
	new Intl.NumberFormat('en-GB', { style: 'currency', currency }).format(money);

/** What makes the heat of a zone and what that costs; null where it is not said: water whose source nobody named. */
export function costGivens(
	zone: Pick<Zone, 'fedBy'>,
	room: Room,
	site: Pick<Site, 'sources' | 'electricity'>
): CostGivens | null {
	const source = site.sources.find(({ id }) => id === zone.fedBy) ?? null;
	const byWater = emitterClasses[room.emitter.kind].water;
	// what is not heated by water makes its own, whatever else is said
	if (!byWater) return { source: null, tariff: site.electricity };
	if (!source) return null;
	return { source, tariff: source.tariff ?? (source.kind === 'heat-pump' ? site.electricity : null) };
}

/** What the three ways of running a room cost, and what to make of it. */
export interface CostWords {
	readonly costs: Readonly<Record<keyof Proof['ways'], WeekCost>>;
	/** What goes in, as a heading: "electricity a week". */
	readonly what: string;
	/** Steady against programmed in a sentence; null without a tariff. */
	readonly sentence: string | null;
	/** Whether the program costs more than one temperature. */
	readonly loses: boolean;
}

/** Under this share more or less the two cost the same. */
const SAME_SHARE = 0.01;

/** What the ways of a proof cost, hour by hour; null where the figures of what makes the heat are not given. */
export function costWords(proof: Proof, room: Room, givens: CostGivens, currency: string): CostWords | null {
	const of = (way: keyof Proof['ways']) => weekCost(proof.ways[way].hoursKWh, room, proof.outdoorC, givens);
	const [steady, programmed, frost] = [of('steady'), of('programmed'), of('frost')];
	if (!steady || !programmed || !frost) return null;
	const pump = givens.source?.kind === 'heat-pump';
	const kind = givens.source?.kind;
	const what = kind === 'boiler' ? 'fuel a week' : kind === 'district' ? 'heat a week' : 'electricity a week';
	const [once, drawn] = [steady.money ?? steady.inputKWh, programmed.money ?? programmed.inputKWh];
	const loses = drawn > once * (1 + SAME_SHARE);
	// more electricity than one temperature: the water; else the hours in which it is taken
	const hotter = programmed.inputKWh > steady.inputKWh;
	const say = (money: number) => moneyWords(money, currency);
	const sentence =
		steady.money === null || programmed.money === null
			? loses && pump
				? 'The program takes more electricity than one temperature: the heat pump warms up with hotter water, which costs more than the night saves. Set it back less.'
				: null
			: loses
				? `The program costs ${say(programmed.money)} a week, ${say(programmed.money - steady.money)} more than one temperature${
						pump && hotter
							? ': warming up needs hotter water, and the heat pump pays more for it than the night saves. Set it back less.'
							: ': its heat falls into dear hours.'
					}`
				: drawn < once * (1 - SAME_SHARE)
					? `The program costs ${say(programmed.money)} a week, ${say(steady.money - programmed.money)} less than one temperature.`
					: `The program costs ${say(programmed.money)} a week, as much as one temperature.`;
	return { costs: { steady, programmed, frost }, what, sentence, loses };
}
