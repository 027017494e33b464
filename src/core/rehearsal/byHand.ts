import { DAY_MS } from '../civil';
import { channelsOf, isSwitch, type HandAct } from '../control';
import { degreesAt, modeHolds, press as pressMachine, type MachineState, type Stroke } from '../machine';
import type { Done } from '../run';
import { absenceKeyed } from './absenceKeyed';
import { heldOver, setpointNow, standing } from './held';
import { anchored, secondsOf, withClock, type World } from './world';

/** One stroke at its keys, now. A key that changes the setpoint at rest, while a program runs, is a change by hand that ends by itself. */
export function strokeAt(world: World, stroke: Stroke): World {
	const { profile, atMs } = world;
	const before = world.machine;
	// each press at rest may be an act of its own
	if (stroke.do === 'press' && stroke.times > 1 && !before.place)
		return strokeAt(strokeAt(world, { ...stroke, times: 1 }), { ...stroke, times: stroke.times - 1 });
	const seconds = secondsOf(world, atMs);
	const machine = pressMachine(profile, before, stroke, seconds);
	const next = { ...world, machine };
	const { clock, menu, days } = machine.memory;
	// as new it holds nothing that was done at it
	const isNew = menu !== before.memory.menu && days !== before.memory.days;
	if (clock !== before.memory.clock)
		return withClock(anchored({ ...next, done: isNew ? [] : next.done }, clock));
	if (machine.act !== before.act && machine.act)
		return { ...next, done: acted(next, machine.act.what, machine.act.channel) };
	const turned = byHand(world, stroke, machine);
	if (turned) return { ...next, done: turned };
	const manual = leftInManual(world, stroke, machine);
	if (manual) return { ...next, machine: manual, done: [] };
	// another mode ends what was changed by hand, and an absence
	return machine.mode !== before.mode ? { ...next, done: [] } : next;
}

type Kind = Done['kind'];

/** What was done, with one thing more from now on; what `ends` names is over. */
function withDone(
	{ done, atMs }: World,
	one: Omit<Done, 'id' | 'fromMs'> & Partial<Done>,
	ends: readonly Kind[] = [one.kind]
): Done[] {
	const rest = done.filter(({ kind, channel }) => !ends.includes(kind) || channel !== one.channel);
	return [...rest, { id: `${one.kind}/${one.channel ?? ''}@${atMs}`, fromMs: atMs, ...one }];
}

const without = ({ done }: World, ...kinds: readonly Kind[]): Done[] =>
	done.filter(({ kind }) => !kinds.includes(kind));

/** What an act of the household's makes of what was done: begun, once more, or ended by the same again. Nothing where the control has none of it. */
function acted(world: World, what: HandAct, channel: number): readonly Done[] {
	const { profile, atMs, done } = world;
	const { boost, hold, advance, override, holiday } = profile.habits;
	const stands = (kind: Kind) =>
		standing(world).find(({ done: one }) => one.kind === kind && (one.channel ?? channel) === channel)?.done;
	const its = channelsOf(profile) ? { channel } : {};
	/** What it holds without some of it. */
	const holding = (...but: Kind[]) => setpointNow({ ...world, done: without(world, ...but) });
	switch (what) {
		case 'boost': {
			if (!boost) return done;
			// one step more, after the most of them none
			const had = stands('boost');
			const steps = (had?.steps ?? 0) + 1;
			if ((boost.ends === 'next-change' && had) || steps > boost.mostSteps)
				return done.filter((one) => one !== had);
			const week = heldOver({ ...world, done: [] }, atMs, atMs + 9 * DAY_MS);
			const setpointC = isSwitch(profile) ? 1 : Math.max(...week.flatMap(({ setC }) => setC ?? []));
			return setpointC === -Infinity ? done : withDone(world, { kind: 'boost', steps, setpointC, ...its });
		}
		case 'hold': {
			if (!hold || stands('hold')) return hold ? without(world, 'hold') : done;
			const setpointC = holding('absence', 'boost');
			return setpointC === null
				? done
				: withDone(world, { kind: 'hold', setpointC }, ['override', 'advance']);
		}
		case 'advance':
			if (!advance) return done;
			return stands('advance')
				? without(world, 'advance')
				: withDone(world, { kind: 'advance' }, ['override', 'advance']);
		case 'toggle': {
			if (!override || stands('override')) return override ? without(world, 'override') : done;
			const now = holding('absence');
			return now === null ? done : withDone(world, { kind: 'override', setpointC: now >= 0.5 ? 0 : 1 });
		}
		case 'away': {
			if (holiday?.by === 'until-ended')
				return stands('absence') ? without(world, 'absence') : withDone(world, { kind: 'absence' });
			const keyed = absenceKeyed(world);
			return keyed ? withDone(world, { kind: 'absence', ...keyed }) : without(world, 'absence');
		}
	}
}

/** What the keys that change the setpoint at rest do: another figure for the boost or the hold that stands, else a change by hand that ends by itself; null where they do neither. */
function byHand(world: World, stroke: Stroke, after: MachineState): readonly Done[] | null {
	const setpointC = turnedTo(world, stroke, after);
	if (setpointC === null) return null;
	const had = standing(world).findLast(({ done: { kind } }) => kind === 'boost' || kind === 'hold')?.done;
	if (had) return world.done.map((one) => (one === had ? { ...had, setpointC } : one));
	return (
		world.profile.habits.override && withDone(world, { kind: 'override', setpointC }, ['override', 'advance'])
	);
}

/** A control that any change leaves in manual, so left: in the mode that keeps a setpoint, at what it was turned to; null where it is none. */
function leftInManual(world: World, stroke: Stroke, after: MachineState): MachineState | null {
	const { profile } = world;
	const { override, manual } = profile.habits;
	const { modes } = profile.panel;
	const mode = modes?.names.findIndex((name) => modes.figures[name] === 'kept') ?? -1;
	if (override || !manual || mode < 0) return null;
	const setpointC = turnedTo(world, stroke, after);
	if (setpointC === null) return null;
	const heat = degreesAt(profile, after.memory.options.unit, setpointC);
	return { ...after, mode, memory: { ...after.memory, kept: { ...after.memory.kept, heat } } };
}

/** The setpoint that a stroke at rest turns what is held to, in °C; null where it turns nothing: another key, a lock, a menu, a mode that is off or keeps a figure of its own. */
function turnedTo(world: World, stroke: Stroke, after: MachineState): number | null {
	const { profile, machine } = world;
	const { rest } = profile.panel;
	if (!rest || !profile.temperature || machine.asks) return null;
	if (machine.locked && profile.panel.lock?.covers !== 'all-but-setpoint') return null;
	if (machine.place || after.place || after.trail.length > 0) return null;
	if (modeHolds(profile, machine).by !== 'program' || modeHolds(profile, after).by !== 'program') return null;
	if (stroke.do !== 'press' && stroke.do !== 'run') return null;
	if (stroke.key !== rest.up && stroke.key !== rest.down) return null;
	const held = setpointNow(world);
	if (held === null) return null;
	const { stepC, minC, maxC } = profile.temperature;
	const times = stroke.do === 'press' ? stroke.times : stroke.steps;
	const step = machine.memory.options.unit === 'F' ? 5 / 9 : stepC;
	return Math.min(maxC, Math.max(minC, held + (stroke.key === rest.up ? times : -times) * step));
}
