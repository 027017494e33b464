import { isSwitch, type HandAct } from '../control';
import { figureInUse, press as pressMachine, type MachineState, type Stroke } from '../machine';
import { absenceKeyed } from './absenceKeyed';
import { anchored, heldOver, secondsOf, withClock, type Override, type World } from './world';

const MINUTE_MS = 60_000;
const DAY_MS = 86_400_000;

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

/** What a boost, a hold or an advance makes of what it holds; null where the same act has ended it, or the control has none. */
function acted(world: World, what: Exclude<HandAct, 'away'>): Override | null {
	const { profile, atMs, override } = world;
	const { boost, hold, advance } = profile.habits;
	const spans = heldOver({ ...world, override: null }, atMs, atMs + 9 * DAY_MS);
	const [now, next] = spans;
	if (!now || now.setC === null) return override;
	const week = spans.flatMap(({ setC }) => (setC === null ? [] : [setC]));
	const same = override?.what === what ? override : null;
	switch (what) {
		case 'boost': {
			if (!boost) return override;
			// one step more, after the most of them none
			const steps = (same?.steps ?? 0) + 1;
			const ends = boost.ends === 'next-change';
			if ((ends && same) || steps > boost.mostSteps) return null;
			const untilMs = ends ? now.toMs : atMs + steps * boost.stepMinutes * MINUTE_MS;
			return { what, setpointC: Math.max(...week), untilMs, steps };
		}
		case 'hold':
			if (!hold || same) return hold ? null : override;
			return { what, setpointC: override?.setpointC ?? now.setC, untilMs: Infinity, steps: 0 };
		case 'advance':
			if (!advance || same || !next || next.setC === null) return same && advance ? null : override;
			return { what, setpointC: next.setC, untilMs: now.toMs, steps: 0 };
	}
}

function byHand(world: World, stroke: Stroke, after: MachineState): Override | null {
	const { profile, machine, atMs } = world;
	const { rest } = profile.panel;
	const { override: habit } = profile.habits;
	if (!rest || !habit || !profile.temperature || machine.asks) return null;
	if (machine.locked && profile.panel.lock?.covers !== 'all-but-setpoint') return null;
	if (machine.place || after.place || after.trail.length > 0 || figureInUse(profile, machine)) return null;
	if (stroke.do !== 'press' && stroke.do !== 'run') return null;
	if (stroke.key !== rest.up && stroke.key !== rest.down) return null;
	const name = profile.panel.modes?.names[machine.mode];
	if (name !== undefined && name === profile.panel.modes?.off) return null;
	const [held] = heldOver(world, atMs, atMs + 9 * DAY_MS);
	if (!held || held.setC === null) return null;
	const { stepC, minC, maxC } = profile.temperature;
	const times = stroke.do === 'press' ? stroke.times : stroke.steps;
	const step = machine.memory.options.unit === 'F' ? 5 / 9 : stepC;
	const setpointC = Math.min(
		maxC,
		Math.max(minC, held.setC + (stroke.key === rest.up ? times : -times) * step)
	);
	const untilMs =
		world.override?.untilMs ?? (habit.ends === 'next-change' ? held.toMs : atMs + habit.minutes * MINUTE_MS);
	return { what: 'change', setpointC, untilMs, steps: 0 };
}
