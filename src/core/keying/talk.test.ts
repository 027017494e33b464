import { describe, expect, it } from 'vitest';
import { planAbsence } from '../run';
import { shippedProfiles, factoryOptions } from '../control';
import {
	clockAt,
	display,
	factoryMemory,
	follow,
	isOperable,
	press,
	settled,
	start,
	type MachineState,
	type Operable
} from '../machine';
import {
	beginTalk,
	noNotes,
	otherwise,
	seenIt,
	seenOther,
	talkAsks,
	type ShortTask,
	type Talk,
	type TalkMove
} from '.';

const operable = shippedProfiles.filter(isOperable);
/** Wed 2026-12-02 14:25. */
const NOW_WALL = Date.UTC(2026, 11, 2, 14, 25) / 60_000;
const AWAY = { leave: '2026-12-02T14:25', back: '2026-12-12T17:00', setpointC: 12 };
/** What is tried at a control; away from Wednesday to Saturday week. */
const tasksOf = (profile: Operable): readonly ShortTask[] => [
	{ kind: 'clock' },
	{ kind: 'program' },
	{ kind: 'warmer', setpointC: 22 },
	{ kind: 'level', index: 0, setpointC: 21.5 },
	{ kind: 'away', absence: { ...AWAY, ...planAbsence(profile, AWAY) } },
	{ kind: 'boost' },
	{ kind: 'hold' },
	{ kind: 'stay-away' }
];

/** Somebody before a control who does what a move says, and looks. */
class Household {
	presses = 0;
	constructor(
		readonly profile: Operable,
		public state: MachineState,
		readonly unit: 'C' | 'F'
	) {}
	get shown() {
		this.state = settled(this.profile, this.state, this.state.atSeconds);
		return display(this.profile, this.state, this.state.atSeconds);
	}
	/** What stands there as somebody reads it, with its unit. */
	get value() {
		const { shows, unit } = this.shown;
		return unit === '' ? shows : `${shows}\u00a0${unit}`;
	}
	does({ strokes }: TalkMove, shows: string) {
		for (const stroke of strokes) this.one(stroke, shows);
	}
	one(stroke: TalkMove['strokes'][number], shows: string) {
		if (stroke.do === 'turn') {
			// one way until it shows, at the end of the scale the other way
			for (const key of [stroke.up, stroke.down])
				for (let n = 0; n < (key === stroke.up ? 200 : 500) && this.value !== shows; n++) this.press(key);
			return;
		}
		if (stroke.do === 'wait') {
			this.state = settled(this.profile, this.state, this.state.atSeconds + stroke.seconds + 1);
			return;
		}
		this.state = follow(this.profile, this.state, [stroke]);
	}
	press(key: string) {
		this.state = press(this.profile, this.state, { do: 'press', key, times: 1 }, this.state.atSeconds);
	}
	/** Whether it looks as it is said to. */
	isAs({ sees, reads }: TalkMove, shows: string) {
		if (reads?.of === 'value' && this.value !== shows) return false;
		if (reads?.of === 'mode' && this.shown.foot !== reads.name) return false;
		return this.looksLike(sees);
	}
	looksLike(sees: TalkMove['sees']) {
		const { heading, aside, foot } = this.shown;
		return sees === null
			? this.state.place === null
			: this.state.place !== null && heading === sees.heading && aside === sees.aside && foot === sees.foot;
	}
}

const shows0 = (now: Talk) => now.asks[now.moves[0]!.ask]?.shows;
/** A talk lived through: what is told is done, but for a wrong key now and then, and what is seen is said. */
function lived(talk: Talk, who: Household, slips: (n: number) => string | null) {
	let now = talk;
	let misses = 0;
	for (let n = 0; now.moves.length > 0; n++) {
		if (n > 300)
			throw new Error(
				`it does not end: ${JSON.stringify([now.asks[0]?.field, now.moves[0]!.ask, shows0(now), who.value, now.moves[0]!.strokes, now.moves[0]!.sees, who.shown, who.state.place, who.state.trail, who.state.locked, who.state.mode])}`
			);
		const [move] = now.moves;
		const shows = now.asks[move!.ask]?.shows ?? '';
		const slip = slips(n);
		if (slip !== null && who.profile.panel.keys.some(({ id }) => id === slip)) who.press(slip);
		else who.does(move!, shows);
		if (who.isAs(move!, shows)) {
			now = seenIt(now);
			continue;
		}
		// who is lost a third time says so
		const other = misses++ % 3 === 2 ? undefined : otherwise(now).find(({ sees }) => who.looksLike(sees));
		now = seenOther(now, other ?? null);
	}
	return who.state;
}

function holds(profile: Operable, task: ShortTask, state: MachineState): unknown {
	const { memory } = state;
	switch (task.kind) {
		case 'clock': {
			const { day, minute } = clockAt(memory, state.atSeconds);
			const isDaily =
				operableClock(profile).includes('clock-day') || operableClock(profile).includes('clock-date');
			return [isDaily ? day : 2, minute];
		}
		case 'program':
			return state.mode;
		case 'level':
			return memory.setpoints[0];
		case 'away':
			return Object.values(memory.away).length > 0;
		default:
			return state.act?.what;
	}
}
const operableClock = (profile: Operable) =>
	talkAsks(profile, factoryOptions(profile), { kind: 'clock' }, NOW_WALL).map(({ field }) => field);

describe('a short task told', () => {
	it('is there for most controls', () => {
		const told: Record<string, number> = {};
		for (const profile of operable)
			for (const task of tasksOf(profile))
				if (talkAsks(profile, factoryOptions(profile), task, NOW_WALL).length > 0)
					told[task.kind] = (told[task.kind] ?? 0) + 1;
		expect(told).toEqual({
			clock: 20,
			program: 20,
			warmer: 14,
			level: 7,
			away: 11,
			boost: 6,
			hold: 6,
			'stay-away': 2
		});
	});
	it.each(operable.map((profile) => [profile.id, profile] as const))(
		'%s: is done as it is told, from three states, with and without a slip',
		(_, profile) => {
			const options = { ...factoryOptions(profile), ...factoryMemory(profile).options };
			const keys = profile.panel.keys.filter(({ kind }) => kind === 'key').map(({ id }) => id);
			for (const task of tasksOf(profile)) {
				const asks = talkAsks(profile, options, task, NOW_WALL);
				if (asks.length === 0 || task.kind === 'warmer') continue;
				const talk = beginTalk(profile, options, noNotes(profile), asks);
				expect(talk, task.kind).not.toBeNull();
				const fresh = start(profile, factoryMemory(profile));
				const modes = profile.panel.modes?.names.length ?? 1;
				for (const state of [
					fresh,
					{ ...fresh, mode: modes - 1 },
					{ ...fresh, memory: { ...fresh.memory, clock: { ...fresh.memory.clock, minute: 9000 } } }
				])
					for (const [slip, slipAt] of [
						[null, -1] as const,
						...keys.flatMap((key) => [0, 1, 2, 3].map((n) => [key, n] as const))
					]) {
						const end = lived(talk!, new Household(profile, state, options.unit), (n) =>
							n === slipAt ? slip : null
						);
						const what = `${task.kind}, slip ${slip} at ${slipAt}`;
						expect(end.place, what).toBeNull();
						if (task.kind === 'clock')
							expect([what, holds(profile, task, end)]).toEqual([what, [2, 14 * 60 + 25]]);
						if (task.kind === 'program') expect([what, end.mode]).toEqual([what, 0]);
					}
			}
		}
	);
});
