import isSame from 'fast-deep-equal';
import type { KeyGrammar } from '../control';
import { cheapestArborescence } from './arborescence';

/** One field of a group's content: what the display must show and, for counting presses, where on its scale that is. */
export interface Field {
	readonly key: string;
	readonly shows: string;
	/** Position in steps of the control: minutes / step, degrees / step, the index of a mode. */
	readonly position: number;
}

/** What one group of days must hold, in the order the control asks for it. */
export interface GroupContent {
	readonly days: readonly number[];
	readonly fields: readonly Field[];
	/** Where each field stands before anything is keyed: null where nothing does, undefined where that is not known. */
	readonly stands: readonly (number | null | undefined)[];
}

/** One leg of the route. Groups by index. */
export type Leg =
	| { readonly kind: 'type'; readonly group: number }
	| { readonly kind: 'all-days'; readonly like: number }
	/** One group copied onto others; the last of them is the one that is chosen. */
	| { readonly kind: 'copy'; readonly from: number; readonly onto: readonly number[] }
	| { readonly kind: 'correct'; readonly group: number; readonly keys: readonly string[] };

/** A way to key a program, and what it takes. */
export interface Route {
	readonly legs: readonly Leg[];
	readonly presses: number;
	/** Values that a person looks at and sets; copies count one each. */
	readonly looks: number;
}

/** A person's pace: seconds a press and seconds a look at the card (start values: docs/domain.md §6). */
export interface Pace {
	readonly pressSeconds: number;
	readonly lookSeconds: number;
}
export const startingPace: Pace = { pressSeconds: 0.7, lookSeconds: 2.5 };

/** Minutes that a route takes at a pace. */
export function routeMinutes(route: Pick<Route, 'presses' | 'looks'>, pace: Pace = startingPace): number {
	return (route.presses * pace.pressSeconds + route.looks * pace.lookSeconds) / 60;
}

function changePresses(grammar: KeyGrammar, from: number, to: number): number {
	const steps = Math.abs(Math.round(to) - Math.round(from)) * grammar.presses.step;
	return grammar.presses.runsOnAfter === null ? steps : Math.min(steps, grammar.presses.runsOnAfter);
}

/** How a value is set from what the display stands at: so many steps up or down, or the key held until it is there. */
export interface Gesture {
	readonly direction: 'up' | 'down' | 'none';
	/** Presses of that key, where it is not held. */
	readonly times: number;
	/** Whether the key is held: it runs on by itself, and that many presses would be more. */
	readonly held: boolean;
}

/** The gesture from one place on a scale to another. */
export function gestureOf(grammar: KeyGrammar, from: number, to: number): Gesture {
	const steps = Math.round(to) - Math.round(from);
	const times = Math.abs(steps) * grammar.presses.step;
	return {
		direction: steps === 0 ? 'none' : steps > 0 ? 'up' : 'down',
		times,
		held: grammar.presses.runsOnAfter !== null && times > grammar.presses.runsOnAfter
	};
}

/** The gesture for each field of a group typed whole; null where what the display shows at first is not known. */
export function typingGestures(grammar: KeyGrammar, content: GroupContent): (Gesture | null)[] {
	const last = new Map<string, number>();
	return content.fields.map((field) => {
		const kind = field.key.split('/').at(-1)!;
		const from = last.get(kind);
		last.set(kind, field.position);
		return from === undefined ? null : gestureOf(grammar, from, field.position);
	});
}

/** Presses for each field of a group typed whole: it shows at first what the like field before it was set to. */
export function typingPresses(grammar: KeyGrammar, content: GroupContent): number[] {
	const last = new Map<string, number>();
	return content.fields.map((field) => {
		const kind = field.key.split('/').at(-1)!;
		const from = last.get(kind) ?? 0;
		last.set(kind, field.position);
		return grammar.presses.field + changePresses(grammar, from, field.position);
	});
}

/** Presses to change one field from one place on its scale to another, and take it. */
export function fieldPresses(grammar: KeyGrammar, from: number, to: number): number {
	return grammar.presses.field + changePresses(grammar, from, to);
}

function typing(grammar: KeyGrammar, content: GroupContent): number {
	return typingPresses(grammar, content).reduce((sum, presses) => sum + presses, grammar.presses.day);
}

/** What it takes to bring a group from where it stands to its content: what differs passed to and set, all of it where none can be put right singly. */
function settingUp(grammar: KeyGrammar, { fields, stands }: GroupContent): Correction {
	const open = fields.filter(({ position }, i) => stands[i] !== position);
	if (open.length === 0) return { presses: 0, keys: [] };
	const asked = new Set(grammar.correctsSingly ? open : fields);
	const last = new Map<string, number>();
	let presses = grammar.presses.day + grammar.presses.field * fields.length;
	fields.forEach((field, i) => {
		const kind = field.key.split('/').at(-1)!;
		if (asked.has(field)) presses += changePresses(grammar, stands[i] ?? last.get(kind) ?? 0, field.position);
		last.set(kind, field.position);
	});
	return { presses, keys: [...asked].map(({ key }) => key) };
}

interface Correction {
	readonly presses: number;
	readonly keys: readonly string[];
}

/**
 * What it takes to turn one content into another once it stands in the control: its differing fields passed to and
 * set, or all of it typed anew where the fields are not the same or none can be put right singly.
 */
function correcting(grammar: KeyGrammar, from: GroupContent, to: GroupContent): Correction {
	const { day, field: pass } = grammar.presses;
	const keys: string[] = [];
	let presses = day + pass * to.fields.length;
	let same = from.fields.length === to.fields.length;
	for (let i = 0; same && i < to.fields.length; i++) {
		const [there, wanted] = [from.fields[i]!, to.fields[i]!];
		if (there.key !== wanted.key) same = false;
		else if (there.shows !== wanted.shows) {
			keys.push(wanted.key);
			presses += changePresses(grammar, there.position, wanted.position);
		}
	}
	if (same && keys.length === 0) return { presses: 0, keys };
	if (!same || !grammar.correctsSingly)
		return { presses: typing(grammar, to), keys: to.fields.map((field) => field.key) };
	return { presses, keys };
}

/**
 * In what order: whatever is cheapest; from the first day of the week on, each made of one before it,
 * from one source to several (`plain`) or from the day made last (`onward`).
 */
type Order = 'any' | 'plain' | 'onward';
const FACTORY = 0;
/** A look at the card weighs as many presses as it takes time at the starting pace. */
export const LOOK_PRESSES = startingPace.lookSeconds / startingPace.pressSeconds;

/** Every group typed by itself: what the route is measured against. */
export function typeEverything(grammar: KeyGrammar, groups: readonly GroupContent[]): Route {
	const frame = grammar.presses.enter + grammar.presses.leave;
	return {
		legs: groups.map((_, group) => ({ kind: 'type', group })),
		presses: groups.reduce((sum, content) => sum + typing(grammar, content), frame),
		looks: groups.reduce((sum, content) => sum + content.fields.length, 0)
	};
}

/**
 * The cheapest way to key a program: which groups to type, which to make by copying which, which to
 * put right after a copy. A cheapest directed spanning tree over the factory state, an entry for all
 * days where the control has one (tried with the content of every group) and the groups; an edge
 * costs the presses of copying and correcting, and a look at the card for every value touched.
 */
export function cheapestRoute(
	grammar: KeyGrammar,
	groups: readonly GroupContent[],
	order: Order = 'any'
): Route {
	if (grammar.copy?.onto !== 'block')
		return routeBy(grammar, groups, grammar.copy?.onto === 'any-day', order);
	// a block is a chain of copies onto the next day, or one copy onto all up to the last of several, if that leads there
	const isForward = order === 'plain' || order === 'onward';
	const tries = [
		// a block from one day would go over those between
		...(isForward ? [] : [routeBy(grammar, groups, true, order)]),
		routeBy(grammar, groups, false, order)
	];
	const leads = tries.filter(({ legs }) => leavesPlan(legs, groups));
	const weight = ({ presses, looks }: Route) => presses + looks * LOOK_PRESSES;
	return leads.reduce((a, b) => (weight(b) < weight(a) - 1e-9 ? b : a));
}

/**
 * The routes between which the exact keys of a control decide: first the plain one, from the first day on, that a person would go; then those that may take
 * fewer presses. What a field shows before it is typed, and what going back to a day takes, is only known once the keys are.
 */
export function routesToTry(grammar: KeyGrammar, groups: readonly GroupContent[]): readonly Route[] {
	if (!grammar.copy || groups.length < 3) return [cheapestRoute(grammar, groups)];
	const routes = ORDERS.map((order) => cheapestRoute(grammar, groups, order));
	return routes.filter(({ legs }, i) => routes.findIndex((one) => isSame(one.legs, legs)) === i);
}
const ORDERS: readonly Order[] = ['plain', 'onward', 'any'];

/** Whether legs leave in each group what it is to hold: a copy can have gone over what was right. */
function leavesPlan(legs: readonly Leg[], groups: readonly GroupContent[]): boolean {
	const holds: (string | undefined)[][] = groups.map(({ fields, stands }) =>
		fields.map(({ position, shows }, i) => (stands[i] === position ? shows : undefined))
	);
	const wanted = (group: number) => groups[group]!.fields.map(({ shows }) => shows);
	for (const leg of legs) {
		if (leg.kind === 'type') holds[leg.group] = wanted(leg.group);
		else if (leg.kind === 'all-days') groups.forEach((_, group) => (holds[group] = wanted(leg.like)));
		else if (leg.kind === 'copy') for (const group of leg.onto) holds[group] = holds[leg.from]!;
		else
			holds[leg.group] = groups[leg.group]!.fields.map(({ key, shows }, i) =>
				leg.keys.includes(key) ? shows : holds[leg.group]![i]
			);
	}
	return groups.every((_, group) => wanted(group).every((shows, i) => holds[group]![i] === shows));
}

/**
 * In what order a person begins with groups that are as good as each other: with the first day of the most that are alike,
 * and copies from it onto the others.
 */
function begunWith(groups: readonly GroupContent[]): number[] {
	const marks = groups.map(({ fields }) => fields.map(({ shows }) => shows).join('|'));
	const alike = marks.map((mark) => marks.filter((other) => other === mark).length);
	const order = groups.map((_, g) => g).sort((a, b) => alike[b]! - alike[a]! || a - b);
	return groups.map((_, g) => order.indexOf(g));
}

/** The cheapest tree with copies onto any group or only onto the next one, as legs; see {@link cheapestRoute}. */
function routeBy(grammar: KeyGrammar, groups: readonly GroupContent[], anyDay: boolean, order: Order): Route {
	const isBlock = grammar.copy?.onto === 'block';
	const singles = groups.every((group) => group.days.length === 1);
	const weigh = (presses: number, looks: number) => presses + looks * LOOK_PRESSES;
	const node = (group: number) => group + 1;
	const frame = grammar.presses.enter + grammar.presses.leave;
	const places = begunWith(groups);
	const isForward = order === 'plain' || order === 'onward';
	const setUp = groups.map((content) => settingUp(grammar, content));
	/** What it takes from one group's content to another's: the same for every way that is tried. */
	const corrections = groups.map((from) => groups.map((to) => correcting(grammar, from, to)));

	/** What brings a group to its content from where it stands; once all days were filled all of it is typed. */
	const apart = (g: number, isFilled: boolean): Correction =>
		isFilled
			? { presses: typing(grammar, groups[g]!), keys: groups[g]!.fields.map(({ key }) => key) }
			: setUp[g]!;

	const solve = (allLike: number | null) => {
		const count = groups.length + 1 + (allLike === null ? 0 : 1);
		const all = count - 1;
		const cost = Array.from({ length: count }, () => new Array<number>(count).fill(Infinity));
		groups.forEach((to, g) => {
			// of equally cheap ways the one that a person would go
			const alone = apart(g, allLike !== null);
			cost[FACTORY]![node(g)] = weigh(alone.presses, alone.keys.length) + places[g]! * 1e-6;
			if (allLike !== null) {
				const correction = corrections[allLike]![g]!;
				cost[all]![node(g)] = weigh(correction.presses, correction.keys.length);
			}
			if (!grammar.copy || !singles) return;
			groups.forEach((from, h) => {
				if (h === g || (isForward && h > g)) return;
				const next = (from.days[0]! + 1) % 7 === to.days[0]!;
				if (
					(!anyDay && !next) ||
					(h > g && grammar.copy!.onto !== 'any-day' && grammar.copy!.wraps === false)
				)
					return;
				const correction = corrections[h]![g]!;
				cost[node(h)]![node(g)] = weigh(
					grammar.copy!.presses + correction.presses,
					1 + correction.keys.length
				);
				cost[node(h)]![node(g)]! += (order === 'onward' ? g - h : isForward ? h : places[h]!) * 1e-7;
			});
		});
		if (allLike !== null) {
			cost[FACTORY]![all] = weigh(typing(grammar, groups[allLike]!), groups[allLike]!.fields.length);
		}
		const tree = cheapestArborescence(cost, FACTORY)!;
		return { tree, allLike, all: allLike === null ? -1 : all };
	};

	const tries = [solve(null)];
	if (grammar.allDays && singles) groups.forEach((_, g) => tries.push(solve(g)));
	const best = tries.reduce((a, b) => (b.tree.cost < a.tree.cost - 1e-9 ? b : a));

	const legs: Leg[] = [];
	let presses = frame;
	let looks = 0;
	const add = (leg: Leg, more: number, seen: number) => {
		legs.push(leg);
		presses += more;
		looks += seen;
	};
	const correct = (from: number, g: number) => set(g, corrections[from]![g]!);
	const set = (g: number, correction: Correction) => {
		if (correction.keys.length === 0) return;
		if (correction.keys.length === groups[g]!.fields.length)
			add({ kind: 'type', group: g }, correction.presses, correction.keys.length);
		else
			add({ kind: 'correct', group: g, keys: correction.keys }, correction.presses, correction.keys.length);
	};
	const visit = (parent: number) => {
		const children = best.tree.parents.flatMap((from, to) => (from === parent && to !== FACTORY ? [to] : []));
		// the entry for all days overwrites every day, so it comes first
		children.sort((a, b) => Number(b === best.all) - Number(a === best.all));
		if (isBlock && anyDay && parent !== FACTORY && parent !== best.all && children.length > 0) {
			// all that are made of it in one block, as far as the last of them
			const from = parent - 1;
			const far = Math.max(...children.map((to) => (to - 1 - from + groups.length) % groups.length));
			const onto = Array.from({ length: far }, (_, i) => (from + 1 + i) % groups.length);
			add({ kind: 'copy', from, onto }, grammar.copy!.presses + far - 1, 1);
			for (const to of children) correct(from, to - 1);
			for (const to of children) visit(to);
			return;
		}
		for (const to of children) {
			make(parent, to);
			visit(to);
		}
	};
	const make = (parent: number, to: number) => {
		if (to === best.all) {
			const content = groups[best.allLike!]!;
			add({ kind: 'all-days', like: best.allLike! }, typing(grammar, content), content.fields.length);
		} else if (parent === FACTORY) set(to - 1, apart(to - 1, best.allLike !== null));
		else if (parent === best.all) correct(best.allLike!, to - 1);
		else {
			const last = legs.at(-1);
			if (isBlock && last?.kind === 'copy' && last.onto.at(-1) === parent - 1) {
				// a block goes on over the next day with one press more
				legs[legs.length - 1] = { ...last, onto: [...last.onto, to - 1] };
				presses += 1;
			} else add({ kind: 'copy', from: parent - 1, onto: [to - 1] }, grammar.copy!.presses, 1);
			correct(parent - 1, to - 1);
		}
	};
	if (isForward) {
		if (best.all >= 0) make(FACTORY, best.all);
		groups.forEach((_, g) => make(best.tree.parents[node(g)]!, node(g)));
	} else visit(FACTORY);
	return { legs, presses, looks };
}
