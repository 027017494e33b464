import type { Room, Site, Zone } from '../plan';
import {
	costGivens,
	heatCost,
	weekCost,
	type CostGivens,
	type HeatCost,
	type Proof,
	type WeekMoney,
	type YearProof
} from '../thermal';

/** A sum of money, in a currency by its three letters: "€18.40". */
export const moneyWords = (money: number, currency: string): string =>
	new Intl.NumberFormat('en-GB', { style: 'currency', currency }).format(money);

type WayName = keyof Proof['ways'];

/** What the three ways of running a room cost, and what to make of it. */
export interface CostWords {
	readonly costs: Readonly<Record<WayName, HeatCost>>;
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
	return saidOf(
		'a week',
		(way) => weekCost(proof.ways[way].hoursKWh, room, proof.outdoorC, givens),
		givens,
		currency
	);
}

/** The same of a year, whose hours had outdoor temperatures in °C; see {@link costWords}. */
export function yearCostWords(
	year: YearProof,
	hoursC: readonly number[],
	room: Room,
	givens: CostGivens,
	currency: string
): CostWords | null {
	return saidOf(
		'a year',
		(way) => heatCost(year[way].hoursKWh, room, (hour) => hoursC[hour]!, givens),
		givens,
		currency
	);
}

/** What three ways of running a room cost in a week or a year, said. */
function saidOf(
	period: 'a week' | 'a year',
	of: (way: WayName) => HeatCost | null,
	givens: CostGivens,
	currency: string
): CostWords | null {
	const [steady, programmed, frost] = [of('steady'), of('programmed'), of('frost')];
	if (!steady || !programmed || !frost) return null;
	const pump = givens.source?.kind === 'heat-pump';
	const kind = givens.source?.kind;
	const what = `${kind === 'boiler' ? 'fuel' : kind === 'district' ? 'heat' : 'electricity'} ${period}`;
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
				? `The program costs ${say(programmed.money)} ${period}, ${say(programmed.money - steady.money)} more than one temperature${
						pump && hotter
							? ': warming up needs hotter water, and the heat pump pays more for it than the night saves. Set it back less.'
							: ': its heat falls into dear hours.'
					}`
				: drawn < once * (1 - SAME_SHARE)
					? `The program costs ${say(programmed.money)} ${period}, ${say(steady.money - programmed.money)} less than one temperature.`
					: `The program costs ${say(programmed.money)} ${period}, as much as one temperature.`;
	return { costs: { steady, programmed, frost }, what, sentence, loses };
}

/** What a cold week costs, for a customer, in round sums; `outside` is the temperature in their unit. */
export function customerCostWords(
	{ programmed, steady }: WeekMoney,
	currency: string,
	outside: string
): string {
	const about = (money: number) =>
		money < 10
			? moneyWords(Math.round(money * 10) / 10, currency)
			: new Intl.NumberFormat('en-GB', { style: 'currency', currency, maximumFractionDigits: 0 }).format(
					money
				);
	const same = about(programmed) === about(steady);
	return `A week at ${outside} outside costs about ${about(programmed)} here${
		same
			? ', as much as one temperature day and night'
			: `; one temperature day and night would cost about ${about(steady)}`
	}.`;
}

/** What a room of the house takes and costs, ready to be shown. */
interface HouseCostRow {
	readonly name: string;
	/** "4812 kWh". */
	readonly heat: string;
	/** A year of the program; "not said" where what makes the heat, or its price, is not. */
	readonly costs: string;
	readonly steady: string;
	/** A week of the program. */
	readonly week: string;
	/** Whether the program costs more than one temperature. */
	readonly loses: boolean;
}

const NOT_SAID = 'not said';

/** What a house costs in a year and in a week, zone by zone and together: only what all zones have a price for is money. */
export function houseCostWords(
	rooms: readonly { readonly zone: Zone; readonly week: Proof; readonly year: YearProof }[],
	hoursC: readonly number[],
	site: Pick<Site, 'sources' | 'electricity' | 'currency'>
): { readonly sentence: string; readonly rows: readonly HouseCostRow[] } {
	const { currency } = site;
	const sum = (all: readonly number[]) => all.reduce((a, b) => a + b, 0);
	const money = (cost: HeatCost | undefined) => cost?.money ?? null;
	const said = (amount: number | null) => (amount === null ? NOT_SAID : moneyWords(amount, currency));
	const each = rooms.map(({ zone, week, year }) => {
		const room = zone.room!;
		const givens = costGivens(zone, room, site);
		const yearly = givens && yearCostWords(year, hoursC, room, givens, currency);
		const weekly = givens && costWords(week, room, givens, currency);
		return {
			name: zone.name,
			heatKWh: sum(year.programmed.kWh),
			costs: money(yearly?.costs.programmed),
			steady: money(yearly?.costs.steady),
			week: money(weekly?.costs.programmed),
			loses: yearly?.loses ?? false
		};
	});
	const together = (key: 'costs' | 'steady' | 'week') => {
		const all = each.flatMap((one) => one[key] ?? []);
		return all.length === each.length ? sum(all) : null;
	};
	const [costs, steady] = [together('costs'), together('steady')];
	const heat = (kWh: number) => `${Math.round(kWh)} kWh`;
	const heatKWh = sum(each.map((one) => one.heatKWh));
	const missing = each.filter((one) => one.costs === null).map((one) => one.name);
	const difference = costs !== null && steady !== null ? steady - costs : 0;
	const against =
		Math.abs(difference) < 0.005
			? 'as much as'
			: `${moneyWords(Math.abs(difference), currency)} ${difference > 0 ? 'less' : 'more'} than`;
	return {
		sentence:
			costs === null
				? `The house takes ${heat(heatKWh)} of heat a year; what it costs is not known: ${missing.join(', ')} ${missing.length === 1 ? 'has' : 'have'} no price, or no figure of what makes the heat.`
				: `The house costs ${said(costs)} a year for ${heat(heatKWh)} of heat, ${against} at one temperature.`,
		rows: [
			...each.map((one) => ({
				...one,
				heat: heat(one.heatKWh),
				costs: said(one.costs),
				steady: said(one.steady),
				week: said(one.week)
			})),
			{
				name: 'The house',
				heat: heat(heatKWh),
				costs: said(costs),
				steady: said(steady),
				week: said(together('week')),
				loses: costs !== null && steady !== null && costs > steady * (1 + SAME_SHARE)
			}
		]
	};
}
