import { strokePresses, keysOfCard, type ToKey } from '$core/keying';
import type { MachineState, Operable, Stroke } from '$core/machine';
import { isAsked, rehearsed, strokesOf, type Rehearsed } from '$core/rehearsal';
import type { Room } from '$core/plan';
import type { RehearsalScore } from '$core/words';
import { StandIn } from './standIn.svelte';

/** Somebody who keys a card into a stand-in: where they are, and how it goes. */
export class Rehearsal {
	readonly standIn: StandIn;
	readonly card: ToKey;
	#pressed = $state(0);
	#slips = $state(0);
	#thrownOut = $state(0);
	#beganAt: number | null = null;
	#seconds = $state(0);
	#last: Stroke | null = null;
	#takenAt: number | null = null;
	readonly #onvalue: (presses: number, seconds: number) => void;
	readonly #ondone: (score: RehearsalScore) => void;
	readonly #needed: number;

	constructor(
		profile: Operable,
		card: ToKey,
		place: { readonly timeZone?: string; readonly room?: Room | null } = {},
		{
			onvalue = () => undefined,
			ondone = () => undefined
		}: {
			/** A value is in: the presses that it took at least, and the seconds since the one before. */
			onvalue?: (presses: number, seconds: number) => void;
			/** It holds the whole week. */
			ondone?: (score: RehearsalScore) => void;
		} = {}
	) {
		this.#onvalue = onvalue;
		this.#ondone = ondone;
		this.card = card;
		this.#needed = keysOfCard(profile, card).presses;
		this.standIn = new StandIn(profile, {
			...place,
			onstroke: (stroke, before) => this.#count(stroke, before)
		});
	}

	/** What is asked for next, from what the stand-in really holds. */
	get now(): Rehearsed {
		return rehearsed(this.standIn.profile, this.card, this.standIn.state);
	}

	/** The strokes that are left of what is asked for. */
	get strokes(): readonly Stroke[] {
		const { now } = this;
		return now.at === 'leaving' ? now.strokes : now.at === 'value' && now.keys ? strokesOf(now.keys) : [];
	}

	get score(): RehearsalScore {
		return {
			pressed: this.#pressed,
			needed: this.#needed,
			seconds: this.#seconds,
			slips: this.#slips,
			thrownOut: this.#thrownOut
		};
	}

	#count(stroke: Stroke, before: MachineState): void {
		const { profile } = this.standIn;
		const then = rehearsed(profile, this.card, before);
		if (then.at === 'done') return;
		this.#beganAt ??= performance.now();
		this.#seconds = (performance.now() - this.#beganAt) / 1000;
		// a value that runs on is one gesture, however long
		const runsOn = stroke.do === 'run' && this.#last?.do === 'run' && this.#last.key === stroke.key;
		this.#last = stroke;
		if (!runsOn) this.#pressed += strokePresses(profile, [stroke]);
		if (!runsOn && !isAsked(then, stroke)) this.#slips++;
		this.#taken(then);
	}

	/** A value that is in since the last stroke tells how fast this person keys; the last of them, how it went. */
	#taken(then: Rehearsed): void {
		const { now } = this;
		if (then.at === 'value' && then.keys && (now.at !== 'value' || now.item.what !== then.item.what)) {
			const at = performance.now();
			if (this.#takenAt !== null) this.#onvalue(then.keys.presses, (at - this.#takenAt) / 1000);
			this.#takenAt = at;
		}
		if (now.at === 'done') this.#ondone(this.score);
	}

	/** The menu has left by itself while something was still to be keyed. */
	leftByItself(): void {
		this.#thrownOut++;
	}

	again(): void {
		this.standIn.reset();
		this.#pressed = this.#slips = this.#thrownOut = this.#seconds = 0;
		this.#beganAt = this.#last = this.#takenAt = null;
	}
}
