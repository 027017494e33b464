import {
	awayNeeds,
	awayPlaceAt,
	type ControlProfile,
	type HandAct,
	type Panel,
	type PanelGesture,
	type PanelPlace,
	type PlaceField
} from '$core/control';

const press = (key: string): PanelGesture => ({ do: 'press', key, times: 1 });

/** A record without one of its entries, or with it put to something. */
export function put<T extends object, K extends keyof T>(record: T, key: K, value: T[K] | undefined): T {
	const { [key]: _, ...others } = record;
	return (value === undefined ? others : { ...others, [key]: value }) as T;
}

/** Keys to begin with for writing each setting of a strip: those that change a value, then any that does nothing else in the week. */
export function writingKeys({ keys, program }: Panel, count: number): PanelGesture[] {
	const { up, down, take, day, copy } = program!;
	const taken = [take, day, ...(copy ? [copy.start] : [])].flatMap((one) =>
		one.do === 'press' ? [one.key] : []
	);
	const ids = [up, down, ...keys.map(({ id }) => id)].filter((id) => !taken.includes(id));
	return [...new Set(ids)].slice(0, count).map(press);
}

/** Words with commas between them; none where fewer than two are named. */
export function modeNames(text: string): string[] | null {
	const names = text
		.split(',')
		.map((name) => name.trim())
		.filter((name) => name !== '');
	return names.length < 2 ? null : names;
}

/** Modes by their names: led to as they were, by a slide that has as many positions, or by the last key. What a mode keeps stays with its name. */
export function modesOf(panel: Panel, names: string[]): NonNullable<Panel['modes']> {
	const was = panel.modes;
	const kept = was && was.names.length === names.length ? was : null;
	const slide = panel.keys.find(({ positions }) => positions.length === names.length);
	const last = panel.keys.filter(({ kind }) => kind !== 'slide').at(-1) ?? panel.keys[0]!;
	const led = kept
		? { next: kept.next, each: kept.each }
		: slide
			? { next: null, each: slide.positions.map((to) => [{ do: 'set' as const, key: slide.id, to }]) }
			: { next: press(last.id), each: [] };
	const figures = Object.entries(was?.figures ?? {}).filter(([name]) => names.includes(name));
	return {
		names,
		off: names.find((name) => name.toLowerCase() === 'off' || name === was?.off) ?? null,
		...led,
		figures: Object.fromEntries(figures)
	};
}

/** Modes gone through by one gesture; or, without it, each by a way of its own to begin with. */
export function modesBy(panel: Panel, next: PanelGesture | undefined): NonNullable<Panel['modes']> {
	const modes = panel.modes!;
	const usual = (i: number): PanelGesture[] => [{ do: 'hold', keys: [panel.keys[0]!.id], seconds: 10 + i }];
	return {
		...modes,
		next: next ?? null,
		each: next ? [] : modes.names.map((_name, i) => modes.each[i] ?? usual(i))
	};
}

/** A menu to begin with: its keys are those of the week. */
export function newPlace({ keys, program }: Panel, field: PlaceField): PanelPlace {
	const first = keys[0]!.id;
	return {
		name: 'Menu',
		way: [{ do: 'hold', keys: [first], seconds: 3 }],
		fields: [field],
		up: program?.up ?? first,
		down: program?.down ?? first,
		take: program?.take ?? press(first),
		leave: [],
		timeoutSeconds: 30,
		keeps: true,
		onlyWhenOff: false
	};
}

/** The code of a lock with so many figures, keyed like a menu of the panel; null for none. What it comes with begins as noughts. */
export function codeOf(panel: Panel, digits: number | null): NonNullable<Panel['lock']>['code'] {
	if (digits === null) return null;
	const { up, down, take } = newPlace(panel, 'unit');
	const factory = (panel.lock?.code?.factory ?? '').padEnd(digits, '0').slice(0, digits);
	return { up, down, take, ...panel.lock?.code, digits, factory };
}

/** A menu in which an absence is set, as the control takes it; null where it takes none in a menu, or has one. */
export function newAwayPlace({ panel, habits }: ControlProfile): PanelPlace | null {
	const needs = awayNeeds(habits.holiday);
	if (!panel || !needs || awayPlaceAt(panel) >= 0) return null;
	const [first] = panel.keys;
	return {
		...newPlace(panel, needs[0]!),
		name: 'Away',
		way: [{ do: 'hold', keys: [first!.id], seconds: 8 }],
		fields: [...needs]
	};
}

/** What the household can do at it, as far as it has that, with its label. */
export const handActs = ({ habits, temperature }: ControlProfile): (readonly [HandAct, string])[] =>
	(
		[
			['boost', 'Heat now, a step each time', habits.boost !== null],
			['hold', 'Stay as it is, and back', habits.hold !== null],
			['advance', 'The next change now', habits.advance !== null],
			['away', 'Away, and back', habits.holiday?.by === 'until-ended'],
			['toggle', 'On or off until the next change', habits.override !== null && temperature === null]
		] as const
	).flatMap(([act, label, has]) => (has ? [[act, label] as const] : []));
