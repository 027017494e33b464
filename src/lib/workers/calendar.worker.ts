import { expose } from 'comlink';
import { readCalendar } from '$core/formats';

/** Reads calendars off the main thread: a file from anywhere may take its time. */
const api = {
	/** See `readCalendar`; `onshare` hears the share read. */
	read(text: string, siteZone: string, fromDate: string, toDate: string, onshare: (share: number) => void) {
		return readCalendar(text, siteZone, fromDate, toDate, (share) => void onshare(share));
	}
};
export type CalendarWorkerApi = typeof api;

expose(api);
