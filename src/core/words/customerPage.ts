import {
	allowedOptions,
	channelsOf,
	displayTime,
	limitWords,
	setpointWithUnit,
	roundTemperatureWords,
	type ControlOptions,
	type ControlProfile
} from '../control';
import { localTime, wallAt } from '../civil';
import { fitZone, type ZoneFit } from '../fit';
import { COLD_WEEK_C, type WeekMoney } from '../thermal';
import { heatsStore, heldInZone, type Absence, type Site, type Zone } from '../plan';
import { DAY_MINUTES, dayRange, duration, type WeekSteps } from '../week';
import { customerCostWords } from './cost';
import { customerLines } from './customerLines';
import { heatHours, heldInWords } from './heldWeek';
import { misfitSentences } from './misfit';
import { NARROW_SPAN, printedWeek, type PrintedWeekDrawing } from './printedWeek';

/** A part of the customer's page: a heading and what stands under it, as a list or as running text. */
export interface CustomerPart {
	readonly title: string;
	readonly lines: readonly { readonly strong?: string; readonly text: string }[];
	readonly list: boolean;
}

/** The one page that a customer keeps of a zone, in plain words: the same on screen, on paper and as a file. */
export interface CustomerPage {
	readonly title: string;
	readonly place: string;
	readonly drawing: PrintedWeekDrawing;
	/** The same for a phone. */
	readonly narrowDrawing: PrintedWeekDrawing;
	/** The week in words, like days together. */
	readonly week: readonly { readonly days: string; readonly sentence: string }[];
	/** Above what it cools in warm weather; empty where it does not. */
	readonly cooling: readonly { readonly days: string; readonly sentence: string }[];
	/** What the temperatures are for, where the control cannot follow, good to know. */
	readonly left: readonly CustomerPart[];
	/** What is good to know, line by line: also the last part of the left. */
	readonly good: readonly string[];
	/** How this very control is overridden, left alone and kept right. */
	readonly right: readonly CustomerPart[];
	readonly control: string;
	/** Who signed the last visit off; null where nobody did yet. */
	readonly setUpBy: string | null;
}

/** How a customer wants their page. */
export interface CustomerChoice {
	readonly unit?: ControlOptions['unit'];
	readonly clock?: ControlOptions['clock'];
}

const text = (words: string) => ({ text: words });

/** What can hurt where a switch is on: hot water at a tap, or a rail that gets hot. */
function switchCare(zone: Zone, profile: ControlProfile, unit: ControlOptions['unit']): string[] {
	if (heatsStore(profile, zone))
		return [`Water hotter than ${limitWords(unit, 50, 'most')} at a tap can scald: try it with care.`];
	const kind = zone.room?.emitter.kind;
	if (kind === 'towel-rail' || (kind === undefined && channelsOf(profile) === null))
		return ['The rail gets hot: turn it off when small children use the bathroom.'];
	return [];
}

/** What else may be known for a customer's page. */
export interface ForCustomerPage {
	readonly choice?: CustomerChoice;
	/** Who signed the last visit off. */
	readonly setUpBy?: string | null;
	/** What makes its heat and when that may run, where something governs it. */
	readonly fed?: { readonly source: string; readonly may: WeekSteps<boolean> } | null;
	/** What a cold week costs, where the customer is to know. */
	readonly cost?: { readonly money: WeekMoney; readonly currency: string } | null;
	/** The source that its week lets run. */
	readonly lets?: string | null;
	/** Its fit, where somebody has it already. */
	readonly fit?: Pick<ZoneFit, 'chosen'>;
}

/** Writes the customer's page of a zone of a site; `nowMs` gives the next clock changes. */
export function customerPage(
	zone: Zone,
	profile: ControlProfile,
	{ name, place, timeZone }: Pick<Site, 'name' | 'place' | 'timeZone'>,
	nowMs: number,
	{
		choice = {},
		setUpBy = null,
		fed = null,
		cost = null,
		lets = null,
		fit = fitZone(zone, profile)
	}: ForCustomerPage = {}
): CustomerPage {
	const own = allowedOptions(profile, zone.options);
	const options: ControlOptions = { ...own, unit: choice.unit ?? own.unit, clock: choice.clock ?? own.clock };
	const { held, heldCool, misfit } = fit.chosen;
	const say = (c: number) => setpointWithUnit(profile, options, c);
	const isSwitch = profile.temperature === null;
	const levels = zone.levels
		.map((level) => ({ ...level, heldC: heldInZone(zone, profile, level.setpointC) }))
		.filter((level) => held.some((step) => Math.abs(step.value - level.heldC) < 1e-9))
		.sort((a, b) => b.heldC - a.heldC);
	const ofFloor = zone.room?.sensor === 'floor';
	const frost = levels.find((level) => !isSwitch && level.heldC < 12);
	// said once, also where heating and cooling are off at the same time
	const off = [
		...new Set(
			misfitSentences(misfit, zone.weights, say)
				.filter((sentence) => sentence.to - sentence.from >= 10)
				.slice(0, 3)
				.map((sentence) => {
					const length = sentence.to - sentence.from;
					const at =
						length === DAY_MINUTES
							? `${dayRange(sentence.days)}, all day`
							: `${dayRange(sentence.days)} ${displayTime(sentence.from, options.clock)} to ${displayTime(sentence.to, options.clock)} (${duration(length)})`;
					return isSwitch
						? `${at}: ${sentence.cold ? 'off, though it was wanted on' : 'on, though it was not asked for'}.`
						: `${at}: ${sentence.cold ? 'cooler' : 'warmer'} than you asked.`;
				})
		)
	];
	const now = localTime(wallAt(timeZone, nowMs));
	const ahead = zone.exceptions.filter((one): one is Absence => one.kind === 'absence' && one.back > now);
	const hours = fed && heatHours(fed.source, fed.may, options);
	const good = [
		...(hours ? [hours] : []),
		...(isSwitch
			? ['If the timer’s clock is wrong, so are these times.', ...switchCare(zone, profile, options.unit)]
			: [
					'A room warms slowly: turning the control higher than you want does not make it quicker.',
					`Infants, older people and people who are ill need ${limitWords(options.unit, 18, 'least')} or more; say so if that applies.`
				]),
		...(cost
			? [customerCostWords(cost.money, cost.currency, roundTemperatureWords(options.unit, COLD_WEEK_C))]
			: []),
		...(frost ? [`${say(frost.heldC)} protects the pipes, not people.`] : []),
		"Never open a heating control or the boiler. Call a qualified engineer; the maker's instructions come first."
	];
	const left: CustomerPart[] = [
		isSwitch
			? {
					title: 'What it does',
					list: false,
					lines: [text('The timer only switches on and off; it does not measure the room.')]
				}
			: {
					title: ofFloor ? 'What the floor temperatures are for' : 'What the temperatures are for',
					list: true,
					lines: [
						...levels.map((level) => ({ strong: say(level.heldC), text: level.name })),
						...(ofFloor ? [text('These are temperatures of the floor, not of the air in the room.')] : [])
					]
				},
		...(off.length > 0
			? [
					{
						title: `What this ${isSwitch ? 'timer' : 'thermostat'} cannot do`,
						list: true,
						lines: off.map(text)
					}
				]
			: []),
		{
			title: 'Good to know',
			list: true,
			lines: good.map(text)
		}
	];
	const days = (week: typeof held) =>
		heldInWords(week, profile, options).map(({ name, sentence }) => ({ days: name, sentence }));
	return {
		title: `Your heating week: ${zone.name}`,
		place: [name, place].filter(Boolean).join(', '),
		drawing: printedWeek(held, profile, options),
		narrowDrawing: printedWeek(held, profile, options, NARROW_SPAN),
		week: days(held),
		cooling: heldCool ? days(heldCool) : [],
		left,
		good,
		right: customerLines(profile, options, timeZone, nowMs, isSwitch ? lets : null, ahead).map(
			({ title, sentences }) => ({
				title,
				list: false,
				lines: [text(sentences.join(' '))]
			})
		),
		control: profile.name.toLowerCase(),
		setUpBy
	};
}
