import { expandProgram } from '../control';
import { permissionOf } from '../house';
import { valueAt } from '../week';
import type { CalledZone, Cause, CauseKind } from './causes';
import { asks, levelsOf, riseOf, SLOT_MINUTES, SLOTS, USUAL_RISE_MINUTES, warmthOf } from './worlds';

/** What is answered where nothing of the kind is the matter. */
const usual = {
	'set-to': 'as-planned',
	water: 'yes',
	'clock-shows': 'right',
	mode: 'program',
	rooms: 'this',
	lamp: 'as-usual',
	'heater-asked': 'hot'
} as const;

/** What the causes of one zone are made from: its week as it was meant, what feeds it, its room. */
export type Making = ReturnType<typeof making>;

/** Begins with a zone of which nothing is the matter yet; `add` adds a cause with its world to `causes`. */
export function making(called: CalledZone) {
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
	const nothing = new Uint8Array(SLOTS);
	const always = new Uint8Array(SLOTS).fill(1);
	const asked = levelsOf(held, held);
	const causes: Cause[] = [];
	const add = (
		kind: CauseKind,
		prior: number,
		heats: Uint8Array,
		answers: Cause['answers'],
		{
			figure = 0,
			warm = warmthOf(heats, mild ?? USUAL_RISE_MINUTES),
			levels = heats === nothing ? new Float64Array(SLOTS) : asked
		}: { figure?: number; warm?: Uint8Array; levels?: Float64Array } = {}
	) =>
		causes.push({
			id: figure === 0 ? kind : `${kind}/${figure}`,
			kind,
			figure,
			prior,
			heats,
			warm,
			levels: allowed ? levels.map((level, i) => level * allowed[i]!) : levels,
			answers
		});
	return {
		called,
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
		usual,
		causes,
		add
	};
}
