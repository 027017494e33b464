import { describe, expect, it } from 'vitest';
import { findProfile } from '$core/control';
import { factoryMemory, isOperable, type Operable } from '$core/machine';
import { clockErrorSeconds } from '$core/rehearsal';
import { StandIn } from './standIn.svelte';

function standIn(id: string, timeZone: string): StandIn {
	const profile = findProfile(id)!;
	if (!isOperable(profile)) throw new Error(id);
	const one = new StandIn(profile as Operable, { timeZone });
	one.hold(factoryMemory(profile));
	return one;
}

describe('a stand-in taken over the next change of clocks', () => {
	it('is an hour off where it waits for a hand, and right where it changes by itself', () => {
		const byHand = standIn('hour-strip-keypad', 'Europe/Dublin');
		const before = byHand.nextChangeMs!;
		byHand.jumpOverChange();
		expect(byHand.world.atMs).toBe(before + 12 * 3_600_000);
		expect(Math.abs(clockErrorSeconds(byHand.world))).toBe(3600);
		const byItself = standIn('six-step-room-stat', 'Europe/Dublin');
		const { summerTime } = byItself.profile.habits.clock;
		byItself.jumpOverChange();
		expect(Math.abs(clockErrorSeconds(byItself.world))).toBe(summerTime === 'by-hand' ? 3600 : 0);
	});

	it('stays where it is in a place whose clocks never change', () => {
		const one = standIn('hour-strip-keypad', 'UTC');
		const { atMs } = one.world;
		expect(one.nextChangeMs).toBeNull();
		one.jumpOverChange();
		expect(one.world.atMs).toBe(atMs);
	});
});
