import type { DateOrder, HourClock } from '../kit/entry';

/** How dates and times are written in a language: a new site begins with its installer's own way. */
export function deviceManner(language?: string): { dates: DateOrder; clock: HourClock } {
	const parts = new Intl.DateTimeFormat(language, {
		year: 'numeric',
		month: 'numeric',
		day: 'numeric',
		hour: 'numeric'
	});
	const first = parts
		.formatToParts(new Date())
		.find(({ type }) => ['year', 'month', 'day'].includes(type))?.type;
	return {
		dates: first === 'year' ? 'ymd' : first === 'month' ? 'mdy' : 'dmy',
		clock: parts.resolvedOptions().hour12 ? '12' : '24'
	};
}
