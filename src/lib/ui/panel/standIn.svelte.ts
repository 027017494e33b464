import {
	display,
	press,
	settled,
	start,
	withoutPower,
	type Display,
	type MachineState,
	type Memory,
	type Operable,
	type Stroke
} from '$core/machine';

/** A control that stands in for the one on the wall: its state, and its own clock that can be made to run faster. */
export class StandIn {
	#state = $state.raw<MachineState>() as MachineState;
	/** Seconds on its clock at the last look. */
	#at = $state(0);
	#speed = $state(1);
	readonly profile: Operable;
	#onstroke: (stroke: Stroke, before: MachineState) => void;

	constructor(
		profile: Operable,
		{
			memory,
			onstroke = () => undefined
		}: { memory?: Memory; onstroke?: (stroke: Stroke, before: MachineState) => void } = {}
	) {
		this.profile = profile;
		this.#state = start(profile, memory);
		this.#onstroke = onstroke;
	}

	get state(): MachineState {
		return this.#state;
	}
	get atSeconds(): number {
		return this.#at;
	}
	get speed(): number {
		return this.#speed;
	}
	set speed(times: number) {
		this.#speed = times;
	}
	get display(): Display {
		return display(this.profile, this.#state, this.#at);
	}
	/** Seconds until the menu leaves by itself; null at rest and where it stays. */
	get leavesInSeconds(): number | null {
		const after = this.#state.place ? this.display.leavesAfterSeconds : null;
		return after === null ? null : Math.max(0, after - (this.#at - this.#state.atSeconds));
	}

	/** So many ms have passed for the person at it. While somebody is at its keys its clock runs as theirs does. */
	pass(ms: number): void {
		this.#at += (ms / 1000) * (this.#state.place ? 1 : this.#speed);
		this.#state = settled(this.profile, this.#state, this.#at);
	}

	stroke(stroke: Stroke): void {
		const before = this.#state;
		this.#state = press(this.profile, before, stroke, this.#at);
		this.#onstroke(stroke, before);
	}

	/** Whether holding this key moves the value under the cursor. */
	runs(key: string): boolean {
		const { place } = this.#state;
		if (!place || this.profile.keying.presses.runsOnAfter === null) return false;
		const { panel } = this.profile;
		const { up, down } = place.in === 'program' ? panel.program! : panel.places[place.menu]!;
		// where a longer hold of the same key is a gesture there, it is that
		const clear = place.in === 'program' ? panel.program!.clear : null;
		return (
			(key === up || key === down) &&
			!(clear?.do === 'hold' && clear.keys.length === 1 && clear.keys[0] === key)
		);
	}

	/** Its power gone for so many minutes. */
	cut(minutes: number): void {
		this.#at += minutes * 60;
		this.#state = withoutPower(this.profile, this.#state, minutes * 60, this.#at);
	}

	/** As new. */
	reset(): void {
		this.#state = start(this.profile, undefined, this.#at);
	}
}
