import { strokePresses, type ToKey } from '$core/keying';
import type { Operable, Stroke } from '$core/machine';
import {
	drawTask,
	isAsked,
	strokesOf,
	taskNeeds,
	taskNow,
	TASKS,
	type Rehearsed,
	type Task,
	type TaskKind,
	type World
} from '$core/rehearsal';
import type { Room } from '$core/plan';
import type { RehearsalScore } from '$core/words';
import { StandIn } from './standIn.svelte';

/** Somebody who keys a card into a stand-in: where they are, and how it goes. */
export class Rehearsal {
	readonly standIn: StandIn;
	readonly card: ToKey;
	#task = $state.raw<Task>({ kind: 'week' });
	#needed = $state(0);
	#pressed = $state(0);
	#slips = $state(0);
	#thrownOut = $state(0);
	#beganAt: number | null = null;
	#seconds = $state(0);
	#last: Stroke | null = null;
	#takenAt: number | null = null;
	readonly #onvalue: (presses: number, seconds: number) => void;
	readonly #ondone: (score: RehearsalScore) => void;
	readonly #seed: () => number;

	constructor(
		profile: Operable,
		card: ToKey,
		place: { readonly timeZone?: string; readonly room?: Room | null } = {},
		{
			onvalue = () => undefined,
			ondone = () => undefined,
			seed = () => Math.floor(Math.random() * 2 ** 31)
		}: {
			/** A value is in: the presses that it took at least, and the seconds since the one before. */
			onvalue?: (presses: number, seconds: number) => void;
			/** It holds the whole week. */
			ondone?: (score: RehearsalScore) => void;
			/** What chance begins from, each time that something is drawn. */
			seed?: () => number;
		} = {}
	) {
		this.#onvalue = onvalue;
		this.#ondone = ondone;
		this.#seed = seed;
		this.card = card;
		this.standIn = new StandIn(profile, {
			...place,
			onstroke: (stroke, before) => this.#count(stroke, before)
		});
		this.#needed = taskNeeds(this.#task, card, this.standIn.world);
	}

	/** What is to be done. */
	get task(): Task {
		return this.#task;
	}

	/** What can be done on this control, of all there is. */
	get tasks(): TaskKind[] {
		return TASKS.filter((kind) => drawTask(kind, this.card, this.standIn.world, 1) !== null);
	}

	/** Something else to do: drawn by chance, begun at once. */
	take(kind: TaskKind): void {
		const task = drawTask(kind, this.card, this.standIn.world, this.#seed());
		if (!task) return;
		this.#task = task;
		this.#begin();
	}

	/** What is asked for next, from what the stand-in really holds. */
	get now(): Rehearsed {
		return taskNow(this.#task, this.card, this.standIn.world);
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

	#count(stroke: Stroke, before: World): void {
		const { profile } = this.standIn;
		const then = taskNow(this.#task, this.card, before);
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
			if (this.#takenAt !== null && this.#task.kind === 'week')
				this.#onvalue(then.keys.presses, (at - this.#takenAt) / 1000);
			this.#takenAt = at;
		}
		if (now.at === 'done') this.#ondone(this.score);
	}

	/** The menu has left by itself while something was still to be keyed. */
	leftByItself(): void {
		this.#thrownOut++;
	}

	/** The same kind of thing once more: of a slip and of a holiday another. */
	again(): void {
		this.take(this.#task.kind);
	}

	#begin(): void {
		this.#needed = taskNeeds(this.#task, this.card, this.standIn.world);
		if (this.#task.kind === 'week') this.standIn.reset();
		else this.standIn.hold(this.#task.memory);
		this.#pressed = this.#slips = this.#thrownOut = this.#seconds = 0;
		this.#beganAt = this.#last = this.#takenAt = null;
	}
}
