import {
	begin,
	changed,
	commissioned,
	cutPower,
	displayOf,
	nextAt,
	pass,
	receiverStands,
	strokeAt,
	type LogPoint,
	type Surroundings,
	type World
} from '$core/rehearsal';
import {
	runsOn,
	stateId,
	type Display,
	type MachineState,
	type Memory,
	type Operable,
	type Stroke
} from '$core/machine';
import type { Room } from '$core/plan';
import { nextTransitions } from '$core/run';

/** How long after a change of clocks it is looked at. */
const AFTER_CHANGE_SECONDS = 12 * 3600;
/** The longest that is passed in one go: what jumps ahead is shown going on. */
const MOST_SECONDS = 3600 * 24 * 8;

/** A control that stands in for the one on the wall, in a room that it heats; its clock can be made to run faster. */
export class StandIn {
	#world = $state.raw<World>() as World;
	#speed = $state(1);
	/** Whether something is wrong with it that is to be found: what would tell is not shown. */
	hides = $state(false);
	readonly profile: Operable;
	readonly #around: Partial<Surroundings> & Pick<Surroundings, 'timeZone'>;
	#onstroke: (stroke: Stroke, before: World) => void;

	constructor(
		profile: Operable,
		{
			timeZone = Intl.DateTimeFormat().resolvedOptions().timeZone,
			room = null,
			onstroke = () => undefined
		}: {
			timeZone?: string;
			/** The room that it heats; one of the usual size without. */
			room?: Room | null;
			onstroke?: (stroke: Stroke, before: World) => void;
		} = {}
	) {
		this.profile = profile;
		this.#around = room ? { timeZone, room } : { timeZone };
		this.#world = begin(profile, Date.now(), this.#around);
		this.#onstroke = onstroke;
	}

	get world(): World {
		return this.#world;
	}
	set world(world: World) {
		this.#world = world;
	}
	get state(): MachineState {
		return this.#world.machine;
	}
	get atSeconds(): number {
		return (this.#world.atMs - this.#world.startMs) / 1000;
	}
	get speed(): number {
		return this.#speed;
	}
	set speed(times: number) {
		this.#speed = times;
	}
	get display(): Display {
		return displayOf(this.#world);
	}
	get log(): readonly LogPoint[] {
		return this.#world.log;
	}
	get heats(): boolean {
		return this.#world.relay.on;
	}
	/** The air of the room, in °C. */
	get roomC(): number {
		return this.#world.temperatures[0]!;
	}
	get receiver(): ReturnType<typeof receiverStands> {
		return receiverStands(this.#world);
	}
	/** Seconds until the menu leaves by itself; null at rest and where it stays. */
	get leavesInSeconds(): number | null {
		const after = this.state.place ? this.display.leavesAfterSeconds : null;
		return after === null ? null : Math.max(0, after - (this.atSeconds - this.state.atSeconds));
	}

	/** So many ms have passed for the person at it. While somebody is at its keys its clock runs as theirs does. */
	pass(ms: number): void {
		this.#world = pass(
			this.#world,
			Math.min(MOST_SECONDS, (ms / 1000) * (this.state.place ? 1 : this.#speed))
		);
	}

	/** On to the next time that it is this weekday (0 = Monday) and minute of the day. */
	jump(day: number, minute: number): void {
		this.#world = pass(this.#world, (nextAt(this.#world, day, minute) - this.#world.atMs) / 1000);
	}

	/** When the clocks change next where it hangs, in ms since 1970; null where they do not. */
	get nextChangeMs(): number | null {
		return nextTransitions(this.#world.around.timeZone, this.#world.atMs, 1)[0]?.atMs ?? null;
	}

	/** On to half a day after the clocks change next. */
	jumpOverChange(): void {
		const { nextChangeMs } = this;
		if (nextChangeMs === null) return;
		this.#world = pass(this.#world, (nextChangeMs - this.#world.atMs) / 1000 + AFTER_CHANGE_SECONDS);
	}

	stroke(stroke: Stroke): void {
		const before = this.#world;
		this.#world = strokeAt(this.#world, stroke);
		this.#onstroke(stroke, before);
	}

	/** Whether holding this key moves the value under the cursor. */
	runs(key: string): boolean {
		return runsOn(this.profile, stateId(this.state), key);
	}

	/** Its power gone for so many minutes. */
	cut(minutes: number): void {
		this.#world = cutPower(this.#world, minutes);
	}

	/** Something about it otherwise: the window, the weather, the radio. */
	put(part: Partial<Surroundings>): void {
		this.#world = changed(this.#world, part);
	}

	/** Keyed and set right by itself. */
	hold(memory: Memory): void {
		this.#world = commissioned(this.#world, memory);
	}

	/** As new. */
	reset(): void {
		this.#world = begin(this.profile, this.#world.atMs, this.#around);
	}
}
