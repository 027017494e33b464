import { expandProgram } from '../control';
import { permissionOf } from '../house';
import { canStartEarly, startsEarlyIn } from '../plan';
import { valueAt } from '../week';
import type { CalledZone, Cause, CauseKind } from './cause';
import type { Fact } from './facts';
import { around, asks, levelsOf, riseOf, SLOT_MINUTES, SLOTS, USUAL_RISE_MINUTES, warmthOf } from './worlds';

/** What is answered where nothing of the kind is the matter. */
const USUAL = {
	'set-to': 'as-planned',
	water: 'yes',
	'clock-shows': 'right',
	mode: 'program',
	rooms: 'this',
	lamp: 'as-usual',
	'heater-asked': 'hot',
	keys: 'work'
} as const;

/** What the causes of one zone are made from: its week as it was meant, what feeds it, its room. */
export type Making = ReturnType<typeof making>;

/** Begins with a zone of which nothing is the matter yet; `add` adds a cause with its world to `causes`. */
export function making(called: CalledZone, facts: readonly Fact[] = []) {
	const { zone, profile, program, governor } = called;
	const held = expandProgram(program, profile.temperature?.minC ?? 0);
	const like = { held, isSwitch: profile.temperature === null };
	/** When warmth is asked for, by slot. */
	const wanted = asks(held, like);
	/** Minutes that the room takes as it is outside, and on a mild day. */
	const rise = riseOf(called);
	const mild = zone.room ? riseOf({ ...called, outdoorC: 8 }) : rise;
	const permission = governor && permissionOf(governor);
	/** When its source may run, by slot; null where nothing lets it run. */
	const allowed =
		permission &&
		Uint8Array.from({ length: SLOTS }, (_, i) => (valueAt(permission, i * SLOT_MINUTES) ? 1 : 0));
	const gated = (heats: Uint8Array) => (allowed ? heats.map((on, i) => on & allowed[i]!) : heats);
	/** By so many slots it begins before a start, where it starts early by itself and its week does not. */
	const early =
		canStartEarly(profile) && zone.lead.school === 'control' && startsEarlyIn(zone, profile)
			? Math.max(1, Math.round((mild ?? USUAL_RISE_MINUTES) / SLOT_MINUTES))
			: 0;
	const sooner = (heats: Uint8Array) =>
		early === 0 ? heats : gated(heats.map((on, i) => (on || heats[around(i + early)] ? 1 : 0)));
	const nothing = new Uint8Array(SLOTS);
	const always = new Uint8Array(SLOTS).fill(1);
	const asked = levelsOf(held, held);
	const setpoints = held.map(({ value }) => value);
	/** The lowest and the highest that the week asks for, in °C. */
	const spanC = [Math.min(...setpoints), Math.max(...setpoints)] as const;
	// one that was locked on purpose is locked whatever the matter is
	const usual = called.onSite.lockSet ? { ...USUAL, keys: undefined } : USUAL;
	const causes: Cause[] = [];
	const add = (
		kind: CauseKind,
		prior: number,
		runs: Uint8Array,
		answers: Cause['answers'],
		{
			figure = 0,
			warm = warmthOf(sooner(runs), mild ?? USUAL_RISE_MINUTES),
			levels = runs === nothing ? new Float64Array(SLOTS) : asked,
			shown = runs === nothing ? asked : levels,
			anyWeek = null
		}: {
			figure?: number;
			warm?: Uint8Array;
			levels?: Float64Array;
			/** What its display says it is set to: by slot as the levels are, or a range in °C throughout. */
			shown?: Float64Array | readonly [fromC: number, toC: number];
			anyWeek?: number | null;
		} = {}
	) => {
		const setC = (slot: number): readonly [number, number] => {
			if (!(shown instanceof Float64Array)) return shown;
			const c = spanC[0] + shown[slot]! * (spanC[1] - spanC[0]);
			return [c, c];
		};
		causes.push({
			id: figure === 0 ? kind : `${kind}/${figure}`,
			kind,
			figure,
			prior,
			heats: sooner(runs),
			warm,
			levels: allowed ? levels.map((level, i) => level * allowed[i]!) : levels,
			anyWeek,
			setC: profile.temperature ? setC : null,
			answers
		});
	};
	return {
		called,
		facts,
		held,
		like,
		wanted,
		rise,
		mild,
		allowed,
		gated,
		nothing,
		always,
		asked,
		spanC,
		usual,
		causes,
		add
	};
}
