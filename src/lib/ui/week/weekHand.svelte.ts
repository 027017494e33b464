import isSame from 'fast-deep-equal';
import { minuteAt, timeX, type HeightScale } from '$core/drawing';
import type { Zone } from '$core/plan';
import { DAY_SHORT } from '$core/week';
import type { DrawnDay } from './weekRows';
import {
	dayShapes,
	middleOfTread,
	placeAfterMove,
	riserAdded,
	riserAt,
	riserCleared,
	riserMoved,
	risersOf,
	steppedLevel,
	treadSet,
	weekPainted,
	type RiserPlace
} from './weekEdits';

/** Pixels above the first day of the drawing, for the hours. */
export const HEAD = 22;
const RISER_REACH = 9;
const TREAD_REACH = 9;
/** Pixels that a finger moves without meaning it. */
const TREMBLE = 4;

/** The drawing that the hand is on, as it stands. */
export interface UnderHand {
	readonly zone: Zone;
	readonly rows: readonly DrawnDay[];
	readonly scale: HeightScale;
	/** Pixels of a day's drawing, of the day's names beside it, and of a row. */
	readonly width: number;
	readonly labelWidth: number;
	readonly rowHeight: number;
	/** Minutes on which times fall. */
	readonly step: number;
	readonly frame: HTMLElement | undefined;
	/** The level that is drawn with; null where a press only chooses. */
	readonly brush: string | null;
	/** The chosen upright and the chosen day. */
	selected: RiserPlace | null;
	selectedDay: number;
	/** While it is dragged; then `commit` or `cancel`. */
	preview(zone: Zone): void;
	commit(): void;
	cancel(): void;
	/** A change by itself. */
	change(zone: Zone): void;
}

type Drag =
	| { readonly kind: 'riser'; readonly place: RiserPlace; readonly start: Zone }
	| {
			readonly kind: 'paint';
			readonly day: number;
			readonly from: number;
			readonly level: string;
			readonly start: Zone;
	  }
	| {
			readonly kind: 'tread';
			readonly day: number;
			readonly tread: number;
			readonly start: Zone;
			readonly startY: number;
	  };

/** What finger, mouse and keys do on the drawn week: a press chooses, a drag moves, a double click adds. Call while a component is made. */
export function weekHand(on: UnderHand) {
	let drag = $state.raw<Drag | null>(null);
	/** Whether what was pressed has been moved: a press alone only chooses. */
	let moved = $state(false);
	let hover = $state<'riser' | 'tread' | null>(null);
	let pressed = { x: 0, y: 0 };
	/** Where the drawing begins in the window. */
	let corner = { left: 0, top: 0 };
	/** What is dragged stands at this: a minute, or a setpoint in °C. */
	let shown: number | null = null;
	const setpoints = () => on.zone.levels.map((level) => level.setpointC);

	function place(event: PointerEvent | MouseEvent, day: number) {
		// while something is held the drawing stays where it is
		if (!drag) corner = (event.currentTarget as Element).closest('svg')!.getBoundingClientRect();
		return {
			x: event.clientX - corner.left - on.labelWidth,
			y: event.clientY - corner.top - HEAD - day * on.rowHeight - 4
		};
	}

	/** What lies under the pointer in a day's row: a riser before a tread, since risers are thin. */
	function under(day: number, x: number, y: number): { riser: number } | { tread: number } | null {
		const row = on.rows[day]!;
		const near = row.risers
			.map((riser) => ({ riser: riser.riser, far: Math.abs(riser.x - x) }))
			.sort((a, b) => a.far - b.far)[0];
		if (near && near.far <= RISER_REACH) return { riser: near.riser };
		const tread = row.wanted.findIndex(
			(span) => timeX(span.from, on.width) <= x && x < timeX(span.to, on.width)
		);
		if (tread < 0) return null;
		return Math.abs(on.scale.y(row.wanted[tread]!.value) - y) <= TREAD_REACH ? { tread } : null;
	}

	function pointerdown(event: PointerEvent, day: number) {
		if (event.button !== 0) return;
		const { x, y } = place(event, day);
		const found = under(day, x, y);
		on.selectedDay = day;
		// the edge of a step is taken as ever
		const hit = on.brush !== null && found && !('riser' in found) ? null : found;
		if (!hit && (on.brush === null || x < 0 || x > on.width)) {
			// a press beside everything lets go of what was chosen
			on.selected = null;
			return;
		}
		event.preventDefault();
		(event.currentTarget as Element).setPointerCapture(event.pointerId);
		pressed = { x: event.clientX, y: event.clientY };
		moved = false;
		shown = null;
		if (!hit) {
			drag = { kind: 'paint', day, from: minuteAt(x, on.width, on.step), level: on.brush!, start: on.zone };
		} else if ('riser' in hit) {
			on.selected = { day, riser: hit.riser };
			drag = { kind: 'riser', place: on.selected, start: on.zone };
			focusRiser(on.selected);
		} else {
			if (hit.tread > 0) on.selected = { day, riser: hit.tread };
			drag = { kind: 'tread', day, tread: hit.tread, start: on.zone, startY: y };
		}
	}

	function pointermove(event: PointerEvent, day: number) {
		const { x, y } = place(event, drag ? (drag.kind === 'riser' ? drag.place.day : drag.day) : day);
		if (!drag) {
			const hit = under(day, x, y);
			hover = hit ? ('riser' in hit ? 'riser' : 'tread') : null;
			return;
		}
		moved ||= Math.hypot(event.clientX - pressed.x, event.clientY - pressed.y) > TREMBLE;
		if (!moved) return;
		if (drag.kind === 'riser') {
			const minute = minuteAt(x, on.width, on.step);
			// within one step of the control nothing moves
			if (minute === shown) return;
			shown = minute;
			const next = riserMoved(drag.start, drag.place, minute, on.step);
			const now = placeAfterMove(next, drag.place);
			if (!isSame(now, on.selected)) on.selected = now;
			on.preview(next);
		} else if (drag.kind === 'paint') {
			const minute = minuteAt(x, on.width, on.step);
			if (minute === shown) return;
			shown = minute;
			const [from, to] = [Math.min(minute, drag.from), Math.max(minute, drag.from)];
			on.preview(weekPainted(drag.start, drag.day, from, to, drag.level));
		} else if (Math.abs(y - drag.startY) > TREMBLE) {
			const nearest = on.scale.nearest(y, setpoints());
			if (nearest === shown) return;
			shown = nearest;
			const level = on.zone.levels.find((candidate) => candidate.setpointC === nearest)!;
			on.preview(treadSet(drag.start, drag.day, drag.tread, level.id));
		}
	}

	function pointerup() {
		if (!drag) return;
		if (drag.kind === 'paint' && !moved) {
			// a press alone sets the step that lies there
			const { day, from, level } = drag;
			const tread = dayShapes(on.zone)[day]!.findIndex((span) => span.from <= from && from < span.to);
			if (tread >= 0) on.preview(treadSet(on.zone, day, tread, level));
		}
		drag = null;
		moved = false;
		on.commit();
		if (on.selected && !risersOf(on.zone, on.selected.day).some((r) => r.riser === on.selected!.riser))
			on.selected = null;
	}

	function dblclick(event: MouseEvent, day: number) {
		const { x, y } = place(event, day);
		const nearest = on.scale.nearest(y, setpoints());
		const level = on.zone.levels.find((candidate) => candidate.setpointC === nearest)!;
		addAt(day, minuteAt(x, on.width, on.step), level.id);
	}

	function addAt(day: number, minute: number, level: string) {
		const next = riserAdded(on.zone, day, Math.min(minute, 1440 - on.step), level);
		on.change(next);
		on.selected = riserAt(next, day, minute);
		if (on.selected) focusRiser(on.selected);
	}

	/** The upright that Tab comes to: the chosen one, else the first of the chosen day, else the first of all. */
	const stop = $derived.by((): RiserPlace | null => {
		if (on.selected && on.rows[on.selected.day]?.risers.some((one) => one.riser === on.selected!.riser))
			return on.selected;
		const day = [on.selectedDay, ...DAY_SHORT.keys()].find((one) => on.rows[one]!.risers.length > 0);
		return day === undefined ? null : { day, riser: on.rows[day]!.risers[0]!.riser };
	});

	/** The upright some places after one (or before it), over the days. */
	function neighbour(at: RiserPlace, by: 1 | -1): RiserPlace {
		const all = on.rows.flatMap((row) => row.risers.map(({ riser }) => ({ day: row.day, riser })));
		const here = all.findIndex((one) => one.day === at.day && one.riser === at.riser);
		return all[(here + by + all.length) % all.length]!;
	}

	function focusRiser(at: RiserPlace) {
		queueMicrotask(() =>
			on.frame
				?.querySelector<SVGGElement>(`[data-riser="${at.day}-${at.riser}"]`)
				?.focus({ preventScroll: true })
		);
	}

	function riserKeys(event: KeyboardEvent, at: RiserPlace, minute: number) {
		if (event.key === 'Escape' && drag) {
			drag = null;
			on.cancel();
			return;
		}
		if (event.ctrlKey || event.metaKey || event.altKey) return;
		const level = dayShapes(on.zone)[at.day]![at.riser]!.value;
		const moveTo = (to: number) => {
			const next = riserMoved(on.zone, at, to, on.step);
			on.change(next);
			on.selected = placeAfterMove(next, at);
			focusRiser(on.selected);
		};
		const big = event.shiftKey ? Math.max(60, on.step) : on.step;
		switch (event.key) {
			case 'ArrowLeft':
				moveTo(Math.ceil((minute - big) / on.step) * on.step);
				break;
			case 'ArrowRight':
				moveTo(Math.floor((minute + big) / on.step) * on.step);
				break;
			case 'ArrowUp':
			case 'ArrowDown': {
				const stepped = steppedLevel(on.zone, level, event.key === 'ArrowUp' ? 1 : -1);
				if (stepped) set(at, stepped);
				break;
			}
			case 'PageUp':
			case 'PageDown':
				focusRiser(neighbour(at, event.key === 'PageDown' ? 1 : -1));
				break;
			case 'Enter':
			case 'Insert': {
				addAt(at.day, middleOfTread(on.zone, at, on.step), level);
				break;
			}
			case 'Delete':
			case 'Backspace': {
				const next = riserCleared(on.zone, at);
				on.change(next);
				on.selected = riserAt(next, at.day, minute);
				if (on.selected) focusRiser(on.selected);
				else on.frame?.querySelector<HTMLElement>(`[data-day="${at.day}"]`)?.focus();
				break;
			}
			default: {
				const lettered = on.zone.levels.find((candidate) => candidate.letter === event.key.toUpperCase());
				if (!lettered) return;
				set(at, lettered.id);
			}
		}
		event.preventDefault();
	}

	function set(at: RiserPlace, level: string) {
		const minute = risersOf(on.zone, at.day).find((r) => r.riser === at.riser)!.minute;
		const next = treadSet(on.zone, at.day, at.riser, level);
		on.change(next);
		on.selected = riserAt(next, at.day, minute);
		if (on.selected) focusRiser(on.selected);
	}

	/** On a day's own label: arrows go to another day, a letter sets the whole first tread, Insert adds a change, so that a day without any change can be drawn by keyboard. */
	function dayKeys(event: KeyboardEvent, day: number) {
		if (event.ctrlKey || event.metaKey || event.altKey) return;
		const to = { ArrowUp: day - 1, ArrowDown: day + 1, Home: 0, End: 6 }[event.key];
		if (to !== undefined) {
			event.preventDefault();
			on.frame?.querySelector<HTMLElement>(`[data-day="${Math.min(6, Math.max(0, to))}"]`)?.focus();
			return;
		}
		const lettered = on.zone.levels.find((candidate) => candidate.letter === event.key.toUpperCase());
		if (lettered) on.change(treadSet(on.zone, day, 0, lettered.id));
		else if (event.key === 'Insert') addAt(day, 720, dayShapes(on.zone)[day]![0]!.value);
		else return;
		event.preventDefault();
	}

	return {
		/** Whether something is held. */
		get holds() {
			return drag !== null;
		},
		get moved() {
			return moved;
		},
		/** What lies under the mouse. */
		get hover() {
			return hover;
		},
		get stop() {
			return stop;
		},
		pointerdown,
		pointermove,
		pointerup,
		pointercancel() {
			drag = null;
			on.cancel();
		},
		dblclick,
		riserKeys,
		dayKeys
	};
}
