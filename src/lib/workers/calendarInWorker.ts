import { proxy, wrap } from 'comlink';
import type { CalendarContent } from '$core/formats';
import type { Read } from '$core/schema';
import type { CalendarWorkerApi } from './calendar.worker';

/** A calendar being read: what comes of it, or null once stopped. */
export interface CalendarRun {
	readonly answer: Promise<Read<CalendarContent> | null>;
	stop(): void;
}

/** Reads a calendar in a worker of its own. Stopping ends the worker at once, whatever it is busy with. */
export function calendarInWorker(
	text: string,
	siteZone: string,
	fromDate: string,
	toDate: string,
	onshare: (share: number) => void
): CalendarRun {
	const worker = new Worker(new URL('./calendar.worker.ts', import.meta.url), { type: 'module' });
	let stop = () => {};
	const stopped = new Promise<null>((resolve) => (stop = () => resolve(null)));
	const run = wrap<CalendarWorkerApi>(worker).read(text, siteZone, fromDate, toDate, proxy(onshare));
	return { answer: Promise.race([run, stopped]).finally(() => worker.terminate()), stop };
}
