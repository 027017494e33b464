/**
 * What a profile speaks of is a key: every mode, change by hand, boost, hold, advance, absence and lock of every shipped control is done by its own gestures on
 * a stand-in and seen on its display; and what is done by hand ends when the run of the same act ends.
 */
import { describe, expect, it } from 'vitest';
import { instantOf, wallMinute } from '../../src/core/civil';
import { factoryOptions, shippedProfiles, waySentence, type PanelGesture } from '../../src/core/control';
import {
	factoryMemory,
	isOperable,
	modeHolds,
	programOf,
	type Operable,
	type Stroke
} from '../../src/core/machine';
import { newZone, onControl, type Exception } from '../../src/core/plan';
import {
	begin,
	displayOf,
	heldOver,
	pass,
	setpointNow,
	settingsOf,
	standing,
	startsEarly,
	strokeAt,
	type World
} from '../../src/core/rehearsal';
import { absenceKeeps, prepareRun, resolve } from '../../src/core/run';
import { customerLines } from '../../src/core/words';
import { localTime, wallAt } from '../../src/core/civil';

const PLACE = 'Europe/Dublin';
const at = (local: string) => instantOf(PLACE, wallMinute(local));
/** A stand-in that holds its factory week, on a Wednesday in winter. */
const ready = (profile: Operable, local = '2026-01-14T07:30'): World =>
	begin(profile, at(local), { timeZone: PLACE }, factoryMemory(profile));
const strokesOf = (way: readonly PanelGesture[]): Stroke[] =>
	way.map((gesture) => ({ ...gesture }) as Stroke);
const does = (world: World, way: readonly PanelGesture[]) =>
	strokesOf(way).reduce((now, stroke) => pass(strokeAt(now, stroke), 1), world);
const operable = shippedProfiles.filter(isOperable);
const tap = (key: string): PanelGesture => ({ do: 'press', key, times: 1 });

/** The stand-in in a mode, by its own gestures. */
function inMode(world: World, mode: number): World {
	const { modes } = world.profile.panel;
	if (modes!.each[mode]) return does(world, modes!.each[mode]);
	let now = world;
	for (let n = 0; n < modes!.names.length && now.machine.mode !== mode; n++) now = does(now, [modes!.next!]);
	return now;
}

describe('a habit is a key', () => {
	it('every mode is reached by its gesture, shows its name, and holds what it is', () => {
		for (const profile of operable) {
			const { modes } = profile.panel;
			for (const [mode, name] of (modes?.names ?? []).entries()) {
				const world = inMode(ready(profile), mode);
				const where = `${profile.id}, ${name}`;
				expect(world.machine.mode, where).toBe(mode);
				const shown = displayOf(world);
				expect(shown.foot.split(' · ')[0], where).toBe(name);
				const held = setpointNow(world);
				const holds = modeHolds(profile, world.machine);
				if (name === modes!.off && holds.by !== 'figure')
					expect(held, where).toBe(profile.temperature ? (profile.habits.off?.keepsC ?? null) : 0);
				if (holds.by === 'on') expect([held, shown.shows], where).toEqual([1, 'On']);
				if (holds.by === 'program' && holds.side === 'cool') expect(held, where).toBeNull();
				// one figure day and night
				if (holds.by === 'figure')
					expect(heldOver(world, world.atMs, world.atMs + 7 * 86_400_000), where).toHaveLength(1);
				// and back
				expect(setpointNow(inMode(world, 0)), where).toBe(setpointNow(ready(profile)));
			}
		}
	});

	it('each mode of a clock of modes, a slide, a dial holds another temperature', () => {
		for (const id of ['slider-stat', 'plant-clock', 'climate-clock']) {
			const profile = operable.find((one) => one.id === id)!;
			const held = profile.panel
				.modes!.names.slice(1)
				.map((_, i) => setpointNow(inMode(ready(profile), i + 1)));
			expect(new Set(held).size, id).toBe(held.length);
			expect(
				held.toSorted((a, b) => b! - a!),
				id
			).toEqual(held);
		}
	});

	it('plus and minus do what its habits say, and nothing else', () => {
		for (const profile of operable) {
			const { rest } = profile.panel;
			const { override, manual } = profile.habits;
			if (!profile.temperature) continue;
			expect(rest !== null || (override === null && manual !== null), profile.id).toBe(true);
			if (!rest) continue;
			const world = ready(profile);
			const before = setpointNow(world);
			const warmer = does(world, [tap(rest.up)]);
			const cooler = does(world, [tap(rest.down)]);
			const changes = override !== null || manual !== null || profile.program.form === 'plain';
			// three modes of a floor stat, each with a figure: its program is not changed by hand
			const only =
				!override &&
				profile.panel.modes?.names.every(
					(name, i) => i === 0 || profile.panel.modes!.figures[name] !== 'kept'
				);
			if (changes && !(only && profile.program.form !== 'plain')) {
				expect(setpointNow(warmer)!, profile.id).toBeGreaterThan(before!);
				// one that comes blank stands at its lowest
				if (before! > profile.temperature.minC)
					expect(setpointNow(cooler)!, profile.id).toBeLessThan(before!);
			} else expect([setpointNow(warmer), setpointNow(cooler)], profile.id).toEqual([before, before]);
		}
		const panel = operable.find(({ id }) => id === 'day-by-day-panel-stat')!;
		const left = does(ready(panel), [tap('plus')]);
		expect(displayOf(left).foot).toBe('Manual');
	});

	it('every boost, hold, advance, absence and switch by hand of its habits has a gesture, and does it', () => {
		for (const profile of operable) {
			const { boost, hold, advance, override, holiday, off, manual } = profile.habits;
			const { hand, modes, places } = profile.panel;
			const has = (what: keyof typeof hand) => hand[what] !== undefined;
			expect(has('boost'), `${profile.id} boost`).toBe(boost !== null);
			expect(has('hold'), `${profile.id} hold`).toBe(hold !== null);
			expect(has('advance'), `${profile.id} advance`).toBe(advance !== null);
			expect(has('away'), `${profile.id} away`).toBe(holiday?.by === 'until-ended');
			expect(has('toggle'), `${profile.id} toggle`).toBe(!profile.temperature && override !== null);
			if (holiday && holiday.by !== 'until-ended')
				expect(
					places.some(({ fields }) => fields.some((field) => /^(away|back|first|last)-/.test(field))),
					profile.id
				).toBe(true);
			const isPlain = profile.program.form === 'plain';
			if (off && !isPlain) expect(modes?.off, `${profile.id} off`).not.toBeNull();
			if (manual && !isPlain)
				expect(Object.keys(modes!.figures).length, `${profile.id} manual`).toBeGreaterThan(0);
			for (const [what, way] of Object.entries(hand)) {
				const world = ready(profile, '2026-01-14T12:30');
				const done = does(world, way!);
				const kind = what === 'away' ? 'absence' : what === 'toggle' ? 'override' : what;
				expect(standing(done).at(-1)?.done.kind, `${profile.id} ${what}`).toBe(kind);
				expect(displayOf(done).foot, `${profile.id} ${what}`).not.toBe(displayOf(world).foot);
				// the same act ends it
				if (what === 'hold' || what === 'away' || what === 'toggle') {
					const ended = does(done, way!);
					expect(ended.done, `${profile.id} ${what} ended`).toEqual([]);
				}
			}
		}
	});

	it('as new it holds nothing that was done at it', () => {
		for (const profile of operable) {
			const { hand, resets } = profile.panel;
			if (!resets.all || !hand.hold) continue;
			const held = does(ready(profile), hand.hold);
			expect(held.done, profile.id).toHaveLength(1);
			expect(does(held, resets.all).done, profile.id).toEqual([]);
		}
	});

	it('a boost of the second channel leaves the first as it was, and is told to whoever has that channel', () => {
		const profile = operable.find(({ id }) => id === 'two-channel-programmer')!;
		const world = ready(profile, '2026-01-14T12:30');
		const boosted = does(world, profile.panel.boosts[0]!);
		expect([setpointNow(world, 1), setpointNow(boosted, 1), setpointNow(boosted)]).toEqual([0, 1, 0]);
		expect(displayOf(boosted).foot).toBe('hot water boost to 13:30 · hot water on');
		expect(setpointNow(pass(boosted, 3_600), 1)).toBe(0);
		const page = (channel: number) =>
			customerLines(profile, { ...factoryOptions(profile), channel }, PLACE, world.atMs)[0]!.sentences[0];
		expect([page(0), page(1)]).toEqual([
			'Press Heating once for every hour. At most 3 h; then your usual times start again automatically.',
			'Press Hot water once for every 1 h. At most 3 h; then your usual times start again automatically.'
		]);
	});
});

describe('the household’s page and the control', () => {
	const said = (profile: Operable, plain = false) =>
		customerLines(profile, { ...factoryOptions(profile), plain }, PLACE, at('2026-01-14T07:30'));

	it('says how a hold is ended, and that ends it', () => {
		for (const profile of operable.filter(({ habits }) => habits.hold)) {
			const { sentences } = said(profile).find(({ title }) => title === 'If it stays at one temperature')!;
			expect(sentences[1], profile.id).toBe(
				`${waySentence(profile.panel, profile.panel.hand.hold!)} Your usual times start again.`
			);
			const held = does(ready(profile), profile.panel.hand.hold!);
			expect(held.done.at(-1)?.kind, profile.id).toBe('hold');
			expect(setpointNow(does(held, profile.panel.hand.hold!)), profile.id).toBe(setpointNow(ready(profile)));
		}
	});

	it('tells of no week where the control is set to one setpoint', () => {
		for (const profile of operable.filter(({ canBePlain }) => canBePlain)) {
			const text = (plain: boolean) => said(profile, plain)[0]!.sentences.join(' ');
			expect(text(true), profile.id).not.toMatch(/usual time/);
			if (profile.habits.override?.ends === 'next-change')
				expect(text(false), profile.id).toMatch(/usual time/);
		}
	});

	it('an absence holds what can be keyed for it, on the stand-in as in the run', () => {
		const keeps = Object.fromEntries(
			operable.filter(({ habits }) => habits.holiday).map((one) => [one.id, absenceKeeps(one)])
		);
		expect(keeps).toMatchObject({
			'climate-clock': 'lowest',
			'hour-strip-keypad': 'lowest',
			'six-step-room-stat': 'figure',
			'radio-stat': 'figure'
		});
		for (const profile of operable) {
			if (absenceKeeps(profile) !== 'lowest' || profile.habits.holiday?.by !== 'until-ended') continue;
			const gone = does(ready(profile), profile.panel.hand.away!);
			const week = heldOver(ready(profile), gone.atMs, gone.atMs + 8 * 86_400_000).map(({ setC }) => setC!);
			expect(setpointNow(gone), profile.id).toBe(Math.min(...week));
		}
	});
});

describe('what departs from the week', () => {
	it('goes where another kind of control cannot do it', () => {
		const from = operable.find(({ id }) => id === 'touch-floor-stat')!;
		const to = operable.find(({ id }) => id === 'radio-stat')!;
		const exceptions: Exception[] = [
			{ kind: 'hold', id: 'a', from: '2026-01-14T08:00', until: null, setpointC: 20 },
			{ kind: 'override', id: 'b', from: '2026-01-14T09:00', setpointC: 20 },
			{
				kind: 'absence',
				id: 'c',
				leave: '2026-02-01T08:00',
				back: '2026-02-09T08:00',
				setpointC: 7,
				note: ''
			}
		];
		const moved = onControl({ ...newZone('Z', from), exceptions }, from, to);
		expect(moved.exceptions.map(({ kind }) => kind)).toEqual(['override', 'absence']);
	});
});

describe('the run and the stand-in', () => {
	/** The run of a stand-in's program with something done by hand at an instant. */
	const runOf = (world: World, exceptions: Exception[]) => {
		const { profile, machine, clock } = world;
		const program = programOf(profile, machine.memory)!;
		return prepareRun({
			profile,
			options: { ...machine.memory.options, channel: 0 },
			levels: [
				{
					id: 'l',
					letter: 'L',
					name: 'L',
					note: '',
					setpointC: program.form === 'pairs' ? program.offC : profile.temperature!.minC,
					coolC: null
				}
			],
			program,
			settings: settingsOf(world),
			startsEarly: startsEarly(profile, machine.memory),
			exceptions,
			timeZone: PLACE,
			clock
		});
	};

	it('hold the same at every quarter of an hour of the two days after a change by hand, a boost, a hold or an advance, on every control, across both clock changes', () => {
		let compared = 0;
		for (const profile of operable) {
			if (profile.program.form === 'plain') continue;
			for (const local of [
				'2026-01-14T05:50',
				'2026-01-14T07:30',
				'2026-01-16T21:45',
				'2026-03-28T20:10',
				'2026-10-24T23:05',
				'2026-01-18T12:00'
			]) {
				const world = ready(profile, local);
				const { rest, hand } = profile.panel;
				const from = localTime(wallAt(PLACE, world.atMs));
				const acts: [World, (now: World) => Exception | null][] = [];
				if (rest && profile.habits.override)
					acts.push([
						strokeAt(world, tap(rest.up) as Stroke),
						(now) => ({ kind: 'override', id: 'x', from, setpointC: setpointNow(now)! })
					]);
				for (const what of ['boost', 'hold', 'advance'] as const)
					if (hand[what]?.length === 1)
						acts.push([
							strokeAt(world, hand[what][0] as Stroke),
							(now) =>
								what === 'boost'
									? { kind: 'boost', id: 'x', from, steps: 1, setpointC: setpointNow(now)! }
									: what === 'hold'
										? { kind: 'hold', id: 'x', from, until: null, setpointC: setpointNow(now)! }
										: { kind: 'advance', id: 'x', from }
						]);
				for (const [done, exceptionOf] of acts) {
					const exception = exceptionOf(done);
					if (!exception) continue;
					const run = runOf(world, [exception]);
					for (let minute = 1; minute < 2 * 1440; minute += 15) {
						const ms = world.atMs + minute * 60_000;
						const stands = heldOver(done, ms, ms + 1)[0]!.setC;
						const runs = resolve(run, ms).heatC;
						compared++;
						expect(stands, `${profile.id} ${exception.kind} at ${local}, ${minute} min on`).toBeCloseTo(
							runs!,
							6
						);
					}
				}
			}
		}
		expect(compared).toBeGreaterThan(20_000);
	});
});
