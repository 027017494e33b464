import { channelsOf, type ControlProfile } from '../control';
import { capital } from '../schema';
import type { JoinDecided, Zone } from '../plan';

/** What a control is called, as it stands alone: by its own name, else by its kind. */
export const boxName = ({ box }: Pick<Zone, 'box'>, profile: Pick<ControlProfile, 'name'>): string =>
	box.name === '' ? profile.name : box.name;

/** A control with its place: "Programmer, airing cupboard". */
export const boxWords = (zone: Pick<Zone, 'box'>, profile: Pick<ControlProfile, 'name'>): string =>
	[boxName(zone, profile), zone.box.place].filter((text) => text !== '').join(', ');

/** The channel that governs a zone, as its control names it; empty where it has one. */
export const channelName = ({ options }: Pick<Zone, 'options'>, profile: ControlProfile): string =>
	channelsOf(profile)?.[options.channel] ?? '';

const decidedWords = {
	grouping: 'different day groupings: it is left to the fit',
	options: 'different options: those of the first stand',
	settings: 'different settings: those of the first stand',
	notes: 'different notes: those of the first stand'
} as const;

/** What was decided where zones of one control said otherwise of it; empty where they agreed. */
export function joinedWords(decided: readonly JoinDecided[], nameOf: (place: number) => string): string {
	const pairs = new Map<string, JoinDecided[]>();
	for (const one of decided) {
		const key = `${one.first}/${one.second}`;
		pairs.set(key, [...(pairs.get(key) ?? []), one]);
	}
	return [...pairs.values()]
		.map((same) => {
			const { first, second } = same[0]!;
			return `${nameOf(first)} and ${nameOf(second)} had ${same.map(({ kind }) => decidedWords[kind]).join('; ')}.`;
		})
		.map(capital)
		.join(' ');
}
