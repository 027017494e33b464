import { z } from 'zod';
import { limitWords, type Level, type TemperatureUnit } from '../control';
import { FRAIL_LEAST_C, levelsForFrail } from './occupants';

/** Rooms by use with the setpoint usually wanted in them: advice, never a rule. */
export interface RoomUse {
	readonly id: string;
	readonly name: string;
	readonly comfortC: number;
	/** Where the comfort figure comes from, in a unit's figures. */
	readonly source: (unit: TemperatureUnit) => string;
	/** A caution that belongs to the use, in a unit's figures; or nothing. */
	readonly care: (unit: TemperatureUnit) => string;
}

/** Quoted from memory: the default indoor temperatures of EN 12831-1, and UK workplace practice. */
const EN12831 = () => 'EN 12831-1, default indoor temperature';
const WORKPLACE = () => 'UK workplace practice';
const COMMON = () => 'common practice';
const none = () => '';

const uses = [
	{ id: 'living-room', name: 'Living room', comfortC: 20, source: EN12831, care: none },
	{
		id: 'frail-occupants',
		name: 'Room of frail or very young people',
		comfortC: 21,
		source: (unit) =>
			`common practice; WHO housing guidelines 2018: never under ${limitWords(unit, FRAIL_LEAST_C, 'least')}`,
		care: (unit) =>
			`Ask those who care for them before letting the room fall under ${limitWords(unit, FRAIL_LEAST_C, 'least')}.`
	},
	{ id: 'bedroom', name: 'Bedroom', comfortC: 20, source: EN12831, care: none },
	{
		id: 'bathroom',
		name: 'Bathroom or showers',
		comfortC: 24,
		source: EN12831,
		care: () => 'Keep a floor under the limit its maker gives for the finish.'
	},
	{ id: 'kitchen', name: 'Kitchen', comfortC: 20, source: EN12831, care: none },
	{ id: 'hall-and-stairs', name: 'Hall and stairs', comfortC: 16, source: COMMON, care: none },
	{ id: 'office', name: 'Office or reading room', comfortC: 20, source: EN12831, care: none },
	{ id: 'workshop', name: 'Workshop, sitting or light work', comfortC: 16, source: WORKPLACE, care: none },
	{ id: 'heavy-work', name: 'Workshop, hard physical work', comfortC: 13, source: WORKPLACE, care: none },
	{ id: 'assembly', name: 'Hall for meetings or singing', comfortC: 18, source: COMMON, care: none },
	{
		id: 'store',
		name: 'Store room, frost protection',
		comfortC: 7,
		source: COMMON,
		care: (unit) =>
			`Pipes in cold corners freeze first: ${limitWords(unit, 5, 'least')} at the sensor is the least in common practice.`
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
 * than the setback where they lay below it; for the frail none that people sit in is under {@link FRAIL_LEAST_C}. Levels of a switch (0/1) are returned as they are.
 */
export function levelsForUse(levels: readonly Level[], use: RoomUse): Level[] {
	const ranked = [...levels].sort((a, b) => b.setpointC - a.setpointC);
	if (ranked[0]!.setpointC <= 1) return [...levels];
	const warmest = ranked[0]!;
	const lowered = ranked.find((level) => level.setpointC <= warmest.setpointC - 3);
	const setbackC = Math.max(5, use.comfortC - SETBACK_K);
	const usual = levels.map((level) => {
		if (level === warmest) return { ...level, setpointC: use.comfortC };
		if (level === lowered) return { ...level, setpointC: setbackC, note: '' };
		const below = lowered !== undefined && level.setpointC < lowered.setpointC;
		return { ...level, setpointC: Math.min(level.setpointC, below ? setbackC : use.comfortC) };
	});
	return use.id === 'frail-occupants' ? levelsForFrail(usual) : usual;
}
