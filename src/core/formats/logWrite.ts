import { localTime, wallAt } from '../civil';

/** A reading of a logger. */
export interface Reading {
	readonly atMs: number;
	readonly roomC: number;
	readonly outdoorC: number;
	readonly heats: boolean;
}

/** A logger's file as *measured rooms* reads it: local time, room and outdoor in °C, 1 while heating; a line every so many minutes. */
export function writeLog(readings: readonly Reading[], timeZone: string, everyMinutes = 5): string {
	const lines = readings
		.filter(({ atMs }) => Math.round(atMs / 60_000) % everyMinutes === 0)
		.map(
			({ atMs, roomC, outdoorC, heats }) =>
				`${localTime(wallAt(timeZone, atMs)).replace('T', ' ')};${roomC.toFixed(2)};${outdoorC.toFixed(2)};${heats ? 1 : 0}`
		);
	return `${['time;room;outdoor;heating', ...lines].join('\n')}\n`;
}
