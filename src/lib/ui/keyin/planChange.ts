import type { CardItem } from '$core/keying';

/** A value that another plan asks for than the one before: null where the one or the other asks for none there. */
export interface ChangedValue {
	readonly id: string;
	/** Which value: "Tuesday, step 2, time". */
	readonly what: string;
	readonly was: string | null;
	readonly now: string | null;
}

type Asked = Pick<CardItem, 'id' | 'section' | 'what' | 'shows' | 'unit'>;

/** The values in which one card asks for another than the card before, in the order of the new one, those that are asked for no more behind. */
export function changedValues(before: readonly Asked[], now: readonly Asked[]): ChangedValue[] {
	const value = (item: Asked | undefined) =>
		item ? `${item.shows}${item.unit ? `\u202f${item.unit}` : ''}` : null;
	const changed = (item: Asked, was: Asked | undefined, is: Asked | undefined): ChangedValue[] =>
		value(was) === value(is)
			? []
			: [{ id: item.id, what: `${item.section}, ${item.what}`, was: value(was), now: value(is) }];
	const [had, has] = [before, now].map((items) => new Map(items.map((item) => [item.id, item])));
	return [
		...now.flatMap((item) => changed(item, had!.get(item.id), item)),
		...before.filter((item) => !has!.has(item.id)).flatMap((item) => changed(item, item, undefined))
	];
}
