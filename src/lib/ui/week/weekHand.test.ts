import { describe, expect, it } from 'vitest';
import { findProfile } from '$core/control';
import { newZone, withWanted, type Zone } from '$core/plan';
import { buildWeek } from '$core/week';
import { drawnWeek, weekScale } from './weekRows';
import { dayShapes, risersOf, type RiserPlace } from './weekEdits';
import { HEAD, weekHand, type UnderHand } from './weekHand.svelte';

const stat = findProfile('six-step-room-stat')!;
const start = withWanted(
	newZone('Loft', stat),
	buildWeek(
		[0, 1, 2, 3, 4, 5, 6].flatMap((day) => [
			{ at: day * 1440 + 360, value: 'comfort' },
			{ at: day * 1440 + 1320, value: 'eco' }
		])
	)
);
const [width, rowHeight, labelWidth] = [1440, 58, 88];

/** A drawing of a week under a hand, with what came of it; a pixel is a minute. */
function drawing(brush: string | null = null) {
	const came: string[] = [];
	let zone: Zone = start;
	let before: Zone = start;
	const on: UnderHand & { zone: Zone } = {
		get zone() {
			return zone;
		},
		get rows() {
			return drawnWeek(zone, stat, null, width, rowHeight - 8).days;
		},
		get scale() {
			return weekScale(zone.levels, stat, rowHeight - 8);
		},
		width,
		labelWidth,
		rowHeight,
		step: 10,
		frame: undefined,
		brush,
		selected: null as RiserPlace | null,
		selectedDay: 0,
		preview(next) {
			came.push('preview');
			zone = next;
		},
		commit() {
			came.push('commit');
			before = zone;
		},
		cancel() {
			came.push('cancel');
			zone = before;
		},
		change(next) {
			came.push('change');
			zone = before = next;
		}
	};
	return { on, came, hand: weekHand(on) };
}
const svg = { getBoundingClientRect: () => ({ left: 0, top: 0 }) };
const row = { closest: () => svg, setPointerCapture: () => undefined };
/** A pointer at a minute of a day, so many pixels under its top. */
const at = (day: number, minute: number, y: number) =>
	({
		button: 0,
		clientX: labelWidth + minute,
		clientY: HEAD + day * rowHeight + 4 + y,
		currentTarget: row,
		preventDefault: () => undefined
	}) as unknown as PointerEvent;
const key = (name: string, more: object = {}) => {
	const event = {
		key: name,
		shiftKey: false,
		taken: false,
		preventDefault: () => void (event.taken = true),
		...more
	};
	return event as unknown as KeyboardEvent & { readonly taken: boolean };
};
const minutes = (zone: Zone, day: number) => risersOf(zone, day).map(({ minute }) => minute);

describe('the hand on the drawn week', () => {
	it('chooses by a press, moves by a drag, step by step of the control and no oftener, and lets go as one change', () => {
		const { on, came, hand } = drawing();
		hand.pointerdown(at(0, 362, 20), 0);
		expect([on.selected, hand.holds]).toEqual([{ day: 0, riser: 1 }, true]);
		// a tremble moves nothing
		hand.pointermove(at(0, 364, 20), 0);
		expect(came).toEqual([]);
		for (const minute of [371, 372, 373, 381]) hand.pointermove(at(0, minute, 20), 0);
		expect(came).toEqual(['preview', 'preview']);
		expect(minutes(on.zone, 0)[0]).toBe(380);
		hand.pointerup();
		expect([came.at(-1), hand.holds]).toEqual(['commit', false]);
		expect(on.selected).toEqual({ day: 0, riser: 1 });
		// beside everything it lets go of what was chosen
		hand.pointerdown(at(0, 100, 2), 0);
		expect([on.selected, hand.holds]).toEqual([null, false]);
	});

	it('sets a stretch to the level under the finger, and Escape drops what is held', () => {
		const { on, came, hand } = drawing();
		const comfortY = on.scale.y(21);
		const y = on.rows[2]!.wanted.find((span) => span.from === 360)!;
		hand.pointerdown(at(2, 800, on.scale.y(y.value)), 2);
		expect(hand.holds).toBe(true);
		hand.pointermove(at(2, 800, comfortY + 200), 2);
		expect(dayShapes(on.zone)[2]!.map(({ value }) => value)).not.toContain('comfort');
		hand.riserKeys(key('Escape'), { day: 2, riser: 1 }, 360);
		expect([came.at(-1), hand.holds]).toEqual(['cancel', false]);
		expect(on.zone).toBe(start);
	});

	it('draws with a level that was taken up: over some hours by a drag, a whole step by a press, and still moves an edge', () => {
		const { on, came, hand } = drawing('eco');
		hand.pointerdown(at(1, 603, 2), 1);
		for (const minute of [650, 664]) hand.pointermove(at(1, minute, 2), 1);
		hand.pointerup();
		expect(came.at(-1)).toBe('commit');
		expect(minutes(on.zone, 1)).toEqual([360, 600, 660, 1320]);
		// backwards is the same
		hand.pointerdown(at(2, 660, 2), 2);
		hand.pointermove(at(2, 600, 2), 2);
		hand.pointerup();
		expect(minutes(on.zone, 2)).toEqual([360, 600, 660, 1320]);
		hand.pointerdown(at(3, 800, 2), 3);
		hand.pointerup();
		expect(dayShapes(on.zone)[3]!.map(({ value }) => value)).toEqual(['eco']);
		hand.pointerdown(at(4, 361, 2), 4);
		hand.pointermove(at(4, 391, 2), 4);
		hand.pointerup();
		expect(minutes(on.zone, 4)).toEqual([390, 1320]);
	});

	it('does by keys all that it does by hand, and leaves other keys alone', () => {
		const { on, hand } = drawing();
		const first = { day: 0, riser: 1 };
		hand.riserKeys(key('ArrowRight'), first, 360);
		expect(minutes(on.zone, 0)[0]).toBe(370);
		hand.riserKeys(key('ArrowLeft', { shiftKey: true }), first, 370);
		expect(minutes(on.zone, 0)[0]).toBe(310);
		hand.riserKeys(key('ArrowDown'), first, 310);
		expect(dayShapes(on.zone)[0]!.some(({ value }) => value === 'comfort')).toBe(false);
		hand.dayKeys(key('Insert'), 3);
		expect(minutes(on.zone, 3)).toContain(720);
		hand.riserKeys(key('Delete'), on.selected!, 720);
		expect(minutes(on.zone, 3)).not.toContain(720);
		const unknown = key('x');
		hand.riserKeys(unknown, { day: 1, riser: 1 }, 360);
		expect(unknown.taken).toBe(false);
	});
});
