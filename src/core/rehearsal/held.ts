import { type Level, type Program } from '../control';
import { entryValue, menuAt, modeHolds, programOf, setpointAt, type Memory, type Operable } from '../machine';
import { settingsSchema } from '../plan';
import { prepareRun, timeline, type Prepared } from '../run';
import { type Override, type World } from './world';

/** What the limits of its menus hold down; of a control without them nothing. */
export function settingsOf({ profile, machine }: World) {
	const { menu, options } = machine.memory;
	const figure = (means: 'high-limit' | 'low-limit') => {
		const entry = profile.menu.find((one) => one.means === means);
		const at = entry && menu[entry.id];
		return entry && at !== undefined ? entryValue(profile, options.unit, entry, at) : null;
	};
	return settingsSchema.parse({
		highLimitC: figure('high-limit'),
		lowLimitC: figure('low-limit')
	});
}

/** Whether it starts early by itself, by its menus where they say so. */
export function startsEarly(profile: Operable, { menu }: Memory): boolean {
	const entry = profile.menu.find(({ means }) => means === 'early-start');
	const at = entry && menu[entry.id];
	if (!entry || at === undefined || entry.values.kind !== 'choices') return profile.startsEarly;
	return entry.values.choices[at]?.is !== 'off';
}

const prepared = new WeakMap<Memory['days'], { readonly key: string; readonly of: Prepared | null }>();

/** Its program made ready to run; null where a step of it is not known. */
export function preparedOf(world: World, channel = 0): Prepared | null {
	const { profile, machine, around, clock } = world;
	const { memory } = machine;
	const settings = settingsOf(world);
	const early = startsEarly(profile, memory);
	const key = JSON.stringify([
		memory.options,
		memory.setpoints,
		memory.kept,
		settings,
		early,
		clock,
		channel
	]);
	const known = prepared.get(memory.days);
	if (known?.key === key) return known.of;
	const program = programOf(profile, memory, channel);
	const options = { ...memory.options, channel };
	const made =
		program &&
		prepareRun({
			profile,
			options,
			levels: [coolest(program, profile)],
			program,
			settings,
			startsEarly: early,
			exceptions: [],
			timeZone: around.timeZone,
			clock
		});
	prepared.set(memory.days, { key, of: made });
	return made;
}

const coolest = (program: Program, profile: Operable): Level => ({
	id: 'coolest',
	letter: 'C',
	name: 'Coolest',
	note: '',
	setpointC: program.form === 'pairs' ? program.offC : (profile.temperature?.minC ?? 0),
	coolC: null
});

/** A stretch with one setpoint. */
interface Held {
	readonly fromMs: number;
	readonly toMs: number;
	readonly setC: number | null;
}

/** Stretches with an override laid over them, from where it begins to where it ends. */
function over(spans: readonly Held[], override: Override | null): Held[] {
	if (!override) return [...spans];
	const { fromMs: first = -Infinity, untilMs, setpointC } = override;
	return spans.flatMap(({ fromMs, toMs, setC }) => {
		const beginMs = Math.min(toMs, Math.max(fromMs, first));
		const endMs = Math.max(beginMs, Math.min(toMs, untilMs));
		return [
			{ fromMs, toMs: beginMs, setC },
			{ fromMs: beginMs, toMs: endMs, setC: setpointC },
			{ fromMs: endMs, toMs, setC }
		].filter((one) => one.fromMs < one.toMs);
	});
}

/** What it holds from one instant to another, in one channel: °C (0/1 on a switch); null where it is off, or nobody knows. */
export function heldOver(world: World, fromMs: number, toMs: number, channel = 0): Held[] {
	const { profile, machine, override, absence } = world;
	const whole = (setC: number | null): Held[] => [{ fromMs, toMs, setC }];
	const holds = modeHolds(profile, machine);
	if (holds.by === 'figure') {
		const at = menuAt(profile, machine.memory, holds.field, 0);
		return whole(at === undefined ? null : setpointAt(profile, machine.memory.options.unit, at));
	}
	if (holds.by === 'on') return whole(1);
	if (holds.by === 'off') return whole(profile.temperature ? (profile.habits.off?.keepsC ?? null) : 0);
	// what only cools heats nothing
	if (holds.by === 'program' && holds.side === 'cool') return whole(null);
	const ready = preparedOf(world, channel);
	if (!ready) return whole(null);
	const spans = timeline(ready, fromMs, toMs).map((span): Held => ({
		fromMs: span.fromMs,
		toMs: span.toMs,
		setC: span.heatC
	}));
	return over(over(spans, override), absence);
}

/** What it holds now. */
export const setpointNow = (world: World, channel = 0): number | null =>
	heldOver(world, world.atMs, world.atMs + 1, channel)[0]?.setC ?? null;
