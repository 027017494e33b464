import { routeMinutes, type CardItem, type KeyCard, type Pace } from '../keying';

/** A value as the display must show it, with its unit: `20.5 °C`, `06:30`. */
export const shownWith = ({ shows, unit }: Pick<CardItem, 'shows' | 'unit'>): string =>
	unit === '' ? shows : `${shows}\u00a0${unit}`;

/** How a value is set from what the display stands at, as it stands in the box beside it: "+ 10 times", "+ held"; null where that is not known. */
export function gestureWords({ gesture }: Pick<CardItem, 'gesture'>, confirm: string): string | null {
	if (!gesture) return null;
	if (gesture.direction === 'none') return confirm;
	const key = gesture.direction === 'up' ? '+' : '\u2212';
	if (gesture.held) return `${key} held`;
	return gesture.times === 1
		? `${key} once`
		: gesture.times === 2
			? `${key} twice`
			: `${key} ${gesture.times} times`;
}

/** What a route takes at a person's pace, and what it saves against typing every value: "96 presses, about 9 min". */
export function routeWords(
	{ route, typed }: KeyCard['cost'],
	pace: { readonly now: Pace; readonly learnt: boolean }
): string {
	const minutes = Math.max(
		1,
		Math.round(routeMinutes({ presses: route.presses, looks: route.values }, pace.now))
	);
	const takes = `${route.presses} presses, about ${minutes} min${pace.learnt ? ' at your pace' : ''}`;
	const fewer = typed.presses - route.presses;
	return fewer > 0 ? `${takes}. This order saves ${fewer} presses` : takes;
}
