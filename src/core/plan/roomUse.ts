import { z } from 'zod';
import type { Level } from '../control';

/** Rooms by use with the setpoint usually wanted in them: advice, never a rule. */
export interface RoomUse {
	readonly id: string;
	readonly name: string;
	readonly comfortC: number;
	/** Where the comfort figure comes from. */
	readonly source: string;
	/** A caution that belongs to the use, or nothing. */
	readonly care: string;
}

const EN12831 = 'EN 12831-1 default indoor temperature (from memory)';
const WORKPLACE = 'UK workplace practice (from memory)';
const COMMON = 'common practice';

const uses = [
	{ id: 'living-room', name: 'Living room', comfortC: 20, source: EN12831, care: '' },
	{
		id: 'frail-occupants',
		name: 'Room of frail or very young people',
		comfortC: 21,
		source: 'common practice; WHO housing guidelines 2018: never under 18 °C',
		care: 'Ask those who care for them before letting the room fall under 18 °C.'
	},
	{ id: 'bedroom', name: 'Bedroom', comfortC: 20, source: EN12831, care: '' },
	{
		id: 'bathroom',
		name: 'Bathroom or showers',
		comfortC: 24,
		source: EN12831,
		care: 'Keep a floor under the limit its maker gives for the finish.'
	},
	{ id: 'kitchen', name: 'Kitchen', comfortC: 20, source: EN12831, care: '' },
	{ id: 'hall-and-stairs', name: 'Hall and stairs', comfortC: 16, source: COMMON, care: '' },
	{ id: 'office', name: 'Office or reading room', comfortC: 20, source: EN12831, care: '' },
	{ id: 'workshop', name: 'Workshop, sitting or light work', comfortC: 16, source: WORKPLACE, care: '' },
	{ id: 'heavy-work', name: 'Workshop, hard physical work', comfortC: 13, source: WORKPLACE, care: '' },
	{ id: 'assembly', name: 'Hall for meetings or singing', comfortC: 18, source: COMMON, care: '' },
	{
		id: 'store',
		name: 'Store kept from frost',
		comfortC: 7,
		source: COMMON,
		care: 'Pipes in cold corners freeze first: 5 °C at the sensor is the least in common practice.'
	}
] as const satisfies readonly RoomUse[];

export const roomUses: readonly RoomUse[] = uses;

export const roomUseId = z.enum(uses.map((use) => use.id) as [string, ...string[]]);

/** The use with this id; undefined for one not known. */
export function roomUse(id: string | null): RoomUse | undefined {
	return roomUses.find((use) => use.id === id);
}

/** Setback in K under comfort that is suggested: 4–5 K is common practice, taken at 4. */
export const SETBACK_K = 4;

/**
 * A zone's levels with those a use suggests: the warmest becomes its comfort, the setback (the first level at
 * least 3 K under it) 4 K less (never under 5 °C: common practice for frost), the others stay, but never warmer
 * than the setback where they lay below it. Levels of a switch (0/1) are returned as they are.
 */
export function levelsForUse(levels: readonly Level[], use: RoomUse): Level[] {
	const ranked = [...levels].sort((a, b) => b.setpointC - a.setpointC);
	if (ranked[0]!.setpointC <= 1) return [...levels];
	const warmest = ranked[0]!;
	const lowered = ranked.find((level) => level.setpointC <= warmest.setpointC - 3);
	const setbackC = Math.max(5, use.comfortC - SETBACK_K);
	return levels.map((level) => {
		if (level === warmest) return { ...level, setpointC: use.comfortC };
		if (level === lowered)
			return { ...level, setpointC: setbackC, note: `${use.comfortC - setbackC} K under comfort` };
		const below = lowered !== undefined && level.setpointC < lowered.setpointC;
		return { ...level, setpointC: Math.min(level.setpointC, below ? setbackC : use.comfortC) };
	});
}
