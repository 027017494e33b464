import { DAY_MS } from '../civil';
import { isSwitch, type HandAct } from '../control';
import { degreesAt, modeHolds, press as pressMachine, type MachineState, type Stroke } from '../machine';
import { boostEnds, nextChangeFrom, overrideEnds, periodFrom } from '../run';
import { absenceKeyed } from './absenceKeyed';
import { heldOver, preparedOf, setpointNow } from './held';
import { anchored, secondsOf, withClock, type Override, type World } from './world';

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
	const clock = machine.memory.clock;
	if (clock !== before.memory.clock) return withClock(anchored(next, clock.minute));
	if (machine.act !== before.act && machine.act) {
		const { what } = machine.act;
		return what === 'away' ? { ...next, absence: gone(next) } : { ...next, override: acted(next, what) };
	}
	const turned = byHand(world, stroke, machine);
	if (turned) return { ...next, override: turned };
	const manual = leftInManual(world, stroke, machine);
	if (manual) return { ...next, machine: manual, override: null, absence: null };
	// another mode ends what was changed by hand, and an absence
	return machine.mode !== before.mode ? { ...next, override: null, absence: null } : next;
}

/** What was set of an absence, or begun until it is ended; null where that ends it, or the control is off. */
function gone(world: World): Override | null {
	const { profile, atMs, absence } = world;
	const spans = heldOver({ ...world, override: null, absence: null }, atMs, atMs + 9 * DAY_MS);
	const week = spans.flatMap(({ setC }) => (setC === null ? [] : [setC]));
	const lowestC = isSwitch(profile) || week.length === 0 ? 0 : Math.min(...week);
	if (profile.habits.holiday?.by === 'until-ended')
		return absence ? null : { what: 'away', setpointC: lowestC, untilMs: Infinity, steps: 0 };
	const keyed = absenceKeyed(world);
	return keyed && { what: 'away', steps: 0, ...keyed, setpointC: keyed.setpointC ?? lowestC };
}

/** When the program of a stand-in changes next, as in its run; what stands over it does not count. */
function changesAt(world: World): number {
	const ready = preparedOf(world);
	return ready ? nextChangeFrom(ready, ready.input.program, world.atMs) : Infinity;
}

/** What a boost, a hold, an advance or a switch by hand makes of what it holds; null where the same act has ended it, or the control has none. */
function acted(world: World, what: Exclude<HandAct, 'away'>): Override | null {
	const { profile, atMs, override } = world;
	const { boost, hold, advance, override: habit } = profile.habits;
	const week = heldOver({ ...world, override: null }, atMs, atMs + 9 * DAY_MS).flatMap(({ setC }) =>
		setC === null ? [] : [setC]
	);
	const now = setpointNow({ ...world, override: null, absence: null });
	if (now === null) return override;
	const same = override?.what === what ? override : null;
	const nextChange = () => changesAt(world);
	switch (what) {
		case 'boost': {
			if (!boost) return override;
			// one step more, after the most of them none
			const steps = (same?.steps ?? 0) + 1;
			if ((boost.ends === 'next-change' && same) || steps > boost.mostSteps) return null;
			const setpointC = Math.max(...week);
			return { what, setpointC, untilMs: boostEnds(boost, nextChange, atMs, steps), steps };
		}
		case 'hold':
			if (!hold || same) return hold ? null : override;
			return { what, setpointC: override?.setpointC ?? now, untilMs: Infinity, steps: 0 };
		case 'advance': {
			const ready = preparedOf(world);
			const [here, next] = ready ? periodFrom(ready, atMs) : [];
			if (!advance || same || !here || !next) return same && advance ? null : override;
			return { what, setpointC: next.owned.period.heatC, untilMs: here.toMs, steps: 0 };
		}
		case 'toggle':
			if (!habit || same) return habit ? null : override;
			return {
				what,
				setpointC: now >= 0.5 ? 0 : 1,
				untilMs: overrideEnds(habit, nextChange, atMs),
				steps: 0
			};
	}
}

/** What the keys that change the setpoint at rest do: a change by hand that ends by itself; the hold that stands, changed; or null where they do neither. */
function byHand(world: World, stroke: Stroke, after: MachineState): Override | null {
	const { profile, atMs, override } = world;
	const { override: habit } = profile.habits;
	const setpointC = turnedTo(world, stroke, after);
	if (setpointC === null) return null;
	if (override?.what === 'hold') return { ...override, setpointC };
	return (
		habit && {
			what: 'change',
			setpointC,
			untilMs: overrideEnds(habit, () => changesAt(world), atMs),
			steps: 0
		}
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
