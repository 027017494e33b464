import { type Level, type Program } from '../control';
import {
	channelCount,
	entryValue,
	menuAt,
	modeHolds,
	programOf,
	setpointAt,
	type Memory,
	type Operable
} from '../machine';
import { settingsSchema } from '../plan';
import { MINUTE_MS } from '../civil';
import { prepareRun, timeline, type Done, type Prepared } from '../run';
import type { World } from './world';

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
	const done = world.done.filter((one) => (one.channel ?? channel) === channel);
	const { memory } = machine;
	const settings = settingsOf(world);
	const early = startsEarly(profile, memory);
	const key = JSON.stringify([
		memory.options,
		memory.setpoints,
		memory.kept,
		memory.menu,
		early,
		clock,
		done,
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
			done,
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

/** A stretch with one setpoint, or two where it also cools. */
interface Held {
	readonly fromMs: number;
	readonly toMs: number;
	/** °C (0/1 on a switch); null where it heats nothing, or nobody knows. */
	readonly setC: number | null;
	/** °C above which it cools; null where it does not. */
	readonly coolC: number | null;
}

/** What it holds from one instant to another, in one channel: by its mode; else as the run of its week and of what was done over it says. */
export function heldOver(world: World, fromMs: number, toMs: number, channel = 0): Held[] {
	const { profile, machine } = world;
	const whole = (setC: number | null, coolC: number | null = null): Held[] => [{ fromMs, toMs, setC, coolC }];
	const holds = modeHolds(profile, machine);
	if (holds.by === 'figure') {
		const { field, cool } = holds;
		const degrees = (one: typeof field | undefined) => {
			const at = one && menuAt(profile, machine.memory, one, 0);
			return at === undefined ? null : setpointAt(profile, machine.memory.options.unit, at);
		};
		return whole(field === cool ? null : degrees(field), degrees(cool));
	}
	if (holds.by === 'on') return whole(1);
	if (holds.by !== 'program') return whole(profile.temperature ? (profile.habits.off?.keepsC ?? null) : 0);
	const ready = preparedOf(world, channel);
	if (!ready) return whole(null);
	return timeline(ready, fromMs, toMs).map((span) => ({
		fromMs: span.fromMs,
		toMs: span.toMs,
		setC: holds.side === 'cool' ? null : span.heatC,
		coolC: holds.side === 'heat' ? null : span.coolC
	}));
}

/** What it holds now. */
export const setpointNow = (world: World, channel = 0): number | null =>
	heldOver(world, world.atMs, world.atMs + 1, channel)[0]?.setC ?? null;

/** What was done over its week with the stretch in which its run has it, for each channel that it is done to: the strongest last, the first channel's after the others'; none where its week is not known. */
export function stretches(
	world: World
): { readonly done: Done; readonly fromMs: number; readonly toMs: number }[] {
	const channels = Array.from({ length: channelCount(world.profile) }, (_, channel) => channel).reverse();
	const spans = channels.flatMap(
		(channel) => preparedOf(world, channel)?.layers.flatMap((one) => one.spans) ?? []
	);
	return spans.flatMap(({ id, fromMs, toMs }) => {
		const done = world.done.find((one) => one.id === id);
		return done ? [{ done, fromMs, toMs }] : [];
	});
}

/** What of it stands over the week now, the strongest last, with its end. */
export const standing = (world: World) =>
	stretches(world).filter(({ fromMs, toMs }) => fromMs <= world.atMs && world.atMs < toMs);

/** What was done of one kind and has not ended, though it may still be ahead. */
export const doneOf = ({ done }: World, kind: Done['kind']): Done | undefined =>
	done.findLast((one) => one.kind === kind);

/** A stand-in without what was done over its week and has come to its end by itself. */
export function withoutEnded(world: World): World {
	if (world.done.length === 0) return world;
	// a minute that has begun is still to be lived through, from its beginning
	const minuteMs = Math.floor(world.atMs / MINUTE_MS) * MINUTE_MS;
	const left = new Set(stretches(world).flatMap(({ done, toMs }) => (toMs > minuteMs ? [done] : [])));
	// of a week that is not known nobody can say when it ends
	return left.size === world.done.length || !preparedOf(world)
		? world
		: { ...world, done: world.done.filter((one) => left.has(one)) };
}
