import fc from 'fast-check';
import isSame from 'fast-deep-equal';
import {
	beginSession,
	cardAsNew,
	closesAfterSeconds,
	confirmed,
	foundSaid,
	gone,
	keptHand,
	noNotes,
	notedElsewhere,
	onShow,
	placeBefore,
	planned,
	planSeen,
	replayed,
	sectionConfirmed,
	sectionOf,
	seenAtRest,
	seenBefore,
	seenElsewhere,
	strokePresses,
	withNote,
	zoneCard,
	type Acted,
	type KeyCard,
	type KeyingSession,
	type Notes,
	type TurnStep
} from '../../src/core/keying';
import {
	display,
	FORGETS_AFTER_SECONDS,
	optionAt,
	press,
	programFields,
	statesOf,
	underCursor,
	settled,
	start,
	type MachineState,
	type Operable,
	type Stroke
} from '../../src/core/machine';
import { OPTION_IDS, type PanelGesture } from '../../src/core/control';
import type { Zone } from '../../src/core/plan';
import { holdsWeek, keysThere } from '../../src/core/keying';
import { anyProfile } from './anyProfile';
import { anyZone, operable } from './anyZone';
import { seededChance } from './random';

/** What went wrong while a screen was followed. */
export class Misled extends Error {}

/** Strokes one touch after the other. */
const touches = (strokes: readonly Stroke[]): Stroke[] =>
	strokes.flatMap((stroke): Stroke[] =>
		stroke.do === 'press' ? Array.from({ length: stroke.times }, () => ({ ...stroke, times: 1 })) : [stroke]
	);

/** A person at a real control who does what the screen says, one touch a second, and looks where it says until. */
export class Follower {
	at = 0;
	constructor(
		readonly profile: Operable,
		public state: MachineState
	) {}

	do(strokes: readonly Stroke[]) {
		for (const stroke of strokes) {
			this.at += stroke.do === 'wait' ? stroke.seconds : 0.5;
			this.state = press(this.profile, this.state, stroke, this.at);
		}
	}
	wait(seconds: number) {
		this.at += seconds;
		this.state = settled(this.profile, this.state, this.at);
	}
	get shows() {
		return display(this.profile, this.state, this.at).shows;
	}
	get #cursor() {
		const { place, memory } = this.state;
		const under = place && underCursor(this.profile, memory, place);
		return under?.of === 'day' ? under.field.key : null;
	}
	/** Begins at rest where the screen says so: what leads there is done only where it is not there. */
	toRest(out: readonly Stroke[]) {
		if (out.length === 0) return this.wait(0.5);
		// whoever goes elsewhere on the card takes a while: half of a way that began at rest is forgotten by then
		this.wait(FORGETS_AFTER_SECONDS);
		if (this.state.place === null) return;
		this.do(out);
		if (this.state.place !== null) this.wait(1000);
		if (this.state.place !== null) throw new Misled('the way out does not lead to rest');
	}
	/** What takes a value of the week and goes on. */
	get #take(): PanelGesture {
		const takes = [...statesOf(this.profile).of.values()].map(({ id, field }) =>
			field?.of === 'day' ? keysThere(this.profile, id)?.take : null
		);
		return takes.find((take) => take != null)!;
	}
	get isInWeek() {
		return this.#cursor !== null;
	}
	#keyOf({ goal }: TurnStep['item']) {
		if (goal.of !== 'field') return null;
		const { place, memory } = this.state;
		const { fields } = programFields(this.profile, memory, place as { channel: number; group: number });
		const step = Number(goal.key.split('/')[0]) - 1;
		return goal.position === null ? fields.find((field) => field.step === step)!.key : goal.key;
	}

	/** Does what one screen says; with `most` only so many touches of it, and then no more. Returns the strokes of its way, change and take that were done. */
	follow({ item, keys }: TurnStep, out: readonly Stroke[], most = Infinity, takes = true) {
		if (!keys) throw new Misled(`no keys for ${item.id}`);
		this.toRest(out);
		let left = most;
		const some = (strokes: readonly Stroke[]) => {
			const now = touches(strokes).slice(0, left);
			left -= now.length;
			this.do(now);
		};
		if (keys.isSure) some(keys.way);
		else {
			const take = this.#take;
			const isTake = (stroke: Stroke) =>
				isSame(stroke, { ...take, times: (stroke as { times?: number }).times });
			const last = keys.way.findLastIndex(isTake);
			some(keys.way.slice(0, last));
			for (let n = 0; n < 60 && left > 0 && this.#cursor !== this.#keyOf(item); n++) some([take]);
			some(keys.way.slice(last + 1));
		}
		if (left > 0 && keys.shows !== null && this.state.place && this.shows !== keys.shows)
			throw new Misled(`${item.id}: it shows ${this.shows}, not ${keys.shows}`);
		if (keys.change) some(keys.change);
		else
			for (const key of [keys.until!.up, keys.until!.down])
				for (
					let n = 0, was = '';
					n < 1500 && left > 0 && this.shows !== item.shows && was !== this.shows;
					n++
				) {
					was = this.shows;
					some([{ do: 'press', key, times: 1 }]);
				}
		const isShown = keys.take.length > 0 && (item.goal.of !== 'field' || item.goal.position !== null);
		if (left > 0 && isShown && this.shows !== item.shows)
			throw new Misled(`${item.id}: it must show ${item.shows} and shows ${this.shows}`);
		if (takes) some(keys.take);
	}
}

/** A source of chance: whole numbers from 0 up to but not including a bound. */
export type Chance = (below: number) => number;

/** What happens to somebody who keys. */
export const HAPPENINGS = [
	'closed',
	'closed early',
	'reload',
	'later',
	'another device',
	'back',
	'jump',
	'not taken',
	'astray',
	'plan',
	'plan seen',
	'day',
	'day but one',
	'other hand',
	'found'
] as const;
export type Happening = (typeof HAPPENINGS)[number];

export interface Followed {
	readonly values: number;
	readonly presses: number;
	/** Presses that the screens showed as they came, and those that the first of them said were left. */
	readonly shown: number;
	readonly said: number;
}

export interface ToFollow {
	readonly profile: Operable;
	readonly zone: Zone;
	/** Other plans that somebody at a desk changes it to. */
	readonly others: readonly Zone[];
	/** A control as it really stands, and what the person says of it. */
	readonly state: MachineState;
	readonly found: 'as-new' | 'in-use';
	/** How often out of a hundred values something happens. */
	readonly percent: number;
	readonly chance: Chance;
}

/** Whether a control holds what a card plans. */
function expectPlanned(profile: Operable, card: KeyCard, state: MachineState) {
	const { options } = card.operated;
	const known = { memory: state.memory, unsure: [], mode: state.mode };
	if (state.place !== null) throw new Misled('it is not at rest');
	// without a program its days are nobody's
	const asked = OPTION_IDS.filter((id) => !options.plain || (id !== 'grouping' && id !== 'per-day'));
	for (const id of asked)
		if (optionAt(profile, state.memory.options, id) !== optionAt(profile, options, id))
			throw new Misled(`${id} is not as planned`);
	for (const { id, goal } of card.items) {
		const held =
			goal.of === 'menu'
				? state.memory.menu[goal.id]
				: goal.of === 'setpoint'
					? state.memory.setpoints[goal.index]
					: goal.of === 'kept'
						? state.memory.kept[goal.side]
						: undefined;
		if (held !== undefined && held !== (goal as { position: number }).position)
			throw new Misled(`${id} stands otherwise`);
	}
	if (!holdsWeek({ items: card.items, ...card.operated }, known)) throw new Misled('the week is another');
	const runs = profile.keying.bracket?.after ?? profile.panel.modes?.names[0];
	if (runs !== undefined && profile.panel.modes?.names[state.mode] !== runs)
		throw new Misled(`it is left in ${profile.panel.modes?.names[state.mode]}`);
}

/** Keys a card by its screens alone, whatever happens, to the end; throws {@link Misled} where it does not lead to the plan. */
export function followScreens(
	{ profile, zone, others, state, found, percent, chance }: ToFollow,
	trace?: (line: string) => void
): Followed {
	const person = new Follower(profile, state);
	let noted: Notes = withNote(profile, noNotes(profile), { what: 'found', found });
	let plan = zone;
	let card = zoneCard(plan, profile, noted).card;
	const cardNow = (of: Zone) => zoneCard(of, profile, noted).card;
	// nobody has begun yet: the first session goes on from what is found
	let session: KeyingSession = beginSession(profile, card, noted, {
		place: null,
		backTo: null,
		mode: found === 'as-new' ? 0 : profile.panel.modes ? null : 0,
		next: null,
		pending: []
	});
	const said = session.turn.presses;
	let shown = 0;
	let values = 0;
	let interrupted = false;
	const take = ({ session: next, notes }: Acted) => {
		session = next;
		for (const note of notes) noted = withNote(profile, noted, note);
		// what is noted is what the session goes by
		if (!isSame(noted, session.noted)) throw new Misled('the notes are not those of the session');
	};
	const partly = (step: TurnStep) => {
		const { keys } = step;
		const all = touches([...keys!.way, ...(keys!.change ?? []), ...keys!.take]).length;
		person.follow(step, session.out, chance(all + 1));
	};
	const another = () => (others.length > 0 ? others[chance(others.length)]! : zone);

	for (let n = 0; ; n++) {
		if (n > 2000) throw new Misled('it never ends');
		const step = onShow(session);
		const sum = session.turn.steps.reduce(
			(all, { keys }) => all + (keys?.presses ?? 0),
			strokePresses(profile, session.turn.leave)
		);
		if (sum !== session.turn.presses) throw new Misled('what is left is not what the screens come to');
		if (!step) break;
		const happening = chance(100) < percent && n < 300 ? HAPPENINGS[chance(HAPPENINGS.length)]! : null;
		if (happening) interrupted = true;
		trace?.(`${happening ?? 'keys'}: ${step.item.id} = ${step.item.shows}`);
		switch (happening) {
			case 'closed':
			case 'closed early': {
				const after = closesAfterSeconds(session);
				if (after === null) break;
				partly(step);
				// a hand that went on pressing is still inside when the page thinks it is out
				if (happening === 'closed') person.wait(1000);
				take(seenAtRest(session));
				continue;
			}
			case 'reload': {
				// the keys are the same, and the hand where it was
				const before = onShow(session);
				const kept = JSON.parse(JSON.stringify(keptHand(session)));
				const out = session.out;
				if (out.length > 0) break;
				session = beginSession(profile, session.card, noted, kept);
				// what was changed and then dropped the notes have in doubt
				const now = onShow(session)?.keys;
				const isLess = now?.change === null && isSame(now.way, before?.keys?.way);
				if (!isLess && !isSame(now, before?.keys) && step.index !== null && session.pending.length === 0)
					throw new Misled(`${step.item.id}: other keys after a reload`);
				continue;
			}
			case 'later':
			case 'another device':
				partly(step);
				if (happening === 'later') person.wait(5000);
				card = cardNow(plan);
				session = beginSession(profile, card, noted);
				continue;
			case 'back': {
				const at = placeBefore(session);
				if (at === null) break;
				partly(step);
				take(gone(session, at));
				continue;
			}
			case 'jump':
				partly(step);
				take(gone(session, chance(session.card.items.length)));
				continue;
			case 'not taken': {
				if (step.keys!.take.length === 0) break;
				shown += step.keys!.presses;
				person.follow(step, session.out, Infinity, false);
				take(confirmed(session));
				take(seenBefore(session));
				continue;
			}
			case 'astray': {
				const { take: key } = profile.panel.program ?? {};
				if (step.keys!.take.length === 0 || !person.isInWeek || !key) break;
				// it is not taken, and the next one is changed in its place; or it is taken more than once
				const isLate = chance(2) === 0;
				person.follow(step, session.out, Infinity, !isLate);
				take(confirmed(session));
				if (isLate)
					person.do(onShow(session)?.keys?.change?.filter(({ do: what }) => what === 'press') ?? []);
				else for (let more = 1 + chance(3); more > 0 && person.state.place; more--) person.do([key]);
				take(seenElsewhere(session));
				continue;
			}
			case 'plan':
			case 'plan seen': {
				plan = another();
				const partway = chance(2) === 1 && happening === 'plan seen';
				card = cardNow(plan);
				session = planned(session, card);
				if (happening === 'plan') continue;
				if (session.instead) {
					if (partway) partly(step);
					take(planSeen(session));
				}
				continue;
			}
			case 'other hand': {
				// a second screen keys some values, and this one hears of it
				person.wait(1000);
				card = cardNow(plan);
				let other = beginSession(profile, card, noted);
				for (let more = 1 + chance(3); more > 0 && onShow(other); more--) {
					person.follow(onShow(other)!, other.out);
					const acted = confirmed(other);
					other = acted.session;
					for (const note of acted.notes) noted = withNote(profile, noted, note);
				}
				session = notedElsewhere(session, noted, cardNow(plan));
				continue;
			}
			case 'found': {
				const said = found === 'as-new' && chance(2) ? 'as-new' : 'in-use';
				take(foundSaid(session, said, (now) => zoneCard(plan, profile, now).card));
				// said once something was done, it was reset
				if (said === 'as-new') person.state = start(profile, undefined, person.at);
				continue;
			}
			case 'day':
			case 'day but one': {
				const steps = sectionOf(session);
				let out = session.out;
				const wrong = happening === 'day but one' ? steps[chance(steps.length)]! : null;
				for (const one of steps) {
					// one of them slips: it is keyed, and then found to be wrong by a step
					person.follow(one, out);
					out = [];
				}
				if (wrong) person.wait(1000);
				values += steps.length;
				take(sectionConfirmed(session, wrong ? [wrong.item.id] : []));
				if (wrong && person.state.place !== null) person.wait(1000);
				continue;
			}
			default:
		}
		person.follow(step, session.out);
		shown += step.keys!.presses;
		values++;
		take(confirmed(session));
		if (values % 8 > 0) continue;
		// what the notes tell, done again, is what the hand knows, or less
		const { known } = replayed(profile, noted, session.card.operated.options);
		const hand = (onShow(session)?.before ?? session.turn.last).known;
		const told = known.memory.days.every((week, channel) =>
			week.every((content, day) =>
				Object.entries(content).every(([key, at]) => hand.memory.days[channel]![day]![key] === at)
			)
		);
		if (session.turn.steps.length > 0 && !told)
			throw new Misled(`${step.item.id}: the notes tell another week than the hand holds`);
	}
	person.toRest(session.out);
	person.do(session.turn.leave);
	shown += strokePresses(profile, session.turn.leave);
	if (person.state.place !== null) person.wait(5000);
	expectPlanned(profile, session.card, person.state);
	if (!interrupted && shown !== said)
		throw new Misled(`the screens come to ${shown} presses where the first said ${said}`);
	return { values, presses: strokePresses(profile, session.turn.leave), shown, said };
}

/** A control that somebody had set and keyed before, left in any mode. */
export function usedControl(profile: Operable, before: Zone, chance: Chance): MachineState {
	const { card } = zoneCard(before, profile);
	const { memory } = cardAsNew(profile, { items: card.items, ...card.operated });
	return { ...start(profile, memory), mode: chance(profile.panel.modes?.names.length ?? 1) };
}

/** One round of the law: a control of some kind, as new or in use, with a plan, keyed by its screens with whatever happens. */
export function followOne(
	profile: Operable,
	zones: readonly [Zone, ...Zone[]],
	percent: number,
	chance: Chance
) {
	const [zone, ...others] = zones;
	const isUsed = chance(2) === 1;
	return followScreens({
		profile,
		zone,
		others,
		state: isUsed ? usedControl(profile, others.at(-1) ?? zone, chance) : start(profile),
		found: isUsed ? 'in-use' : 'as-new',
		percent,
		chance
	});
}

/** The nth round of a seed: half of them on shipped families, half on controls that nobody shipped. */
export function followNth(seed: number, n: number): Followed {
	const round = Math.floor(n / (2 * operable.length));
	const at = n % (2 * operable.length);
	const profile =
		operable[at] ??
		fc.sample(anyProfile, { numRuns: operable.length, seed: seed + round })[at - operable.length]!;
	const chance = seededChance(seed + n);
	const zones = fc.sample(anyZone(profile), { numRuns: 3, seed: seed + n }) as [Zone, Zone, Zone];
	return followOne(profile, zones, chance(3) * 10, chance);
}
