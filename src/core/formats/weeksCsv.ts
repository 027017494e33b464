import Papa from 'papaparse';
import { displaySetpoint, type ControlProfile, type Level } from '../control';
import { fitZone, type ZoneFit } from '../fit';
import { zoneCard } from '../keying';
import { levelOf, unitOf, wantedWeek, type Zone } from '../plan';
import { clockTime, DAY_NAMES, DAY_MINUTES, splitByDay, type WeekSteps } from '../week';

/** The first line: what each column holds. Times are of a 24-hour clock; temperatures are as the control shows them, in its unit. */
export const WEEKS_CSV_COLUMNS = [
	'zone',
	'control',
	'what',
	'day',
	'from',
	'to',
	'level',
	'value',
	'unit'
] as const;

function rows<T>(week: WeekSteps<T>, say: (value: T) => readonly string[]): string[][] {
	return splitByDay(week).flatMap((spans, day) =>
		spans.map((span) => [
			DAY_NAMES[day]!,
			clockTime(span.from),
			span.to === DAY_MINUTES ? '24:00' : clockTime(span.to),
			...say(span.value)
		])
	);
}

/** What a zone brings to the CSV of a site's weeks, row by row; whoever has its fit already hands it in. */
function weekRows(
	zone: Zone,
	profile: ControlProfile,
	fit: Pick<ZoneFit, 'chosen'> = fitZone(zone, profile)
): string[][] {
	const { chosen, card } = zoneCard(zone, profile, undefined, fit);
	const named = (what: string) => (row: readonly string[]) => [zone.name, profile.name, what, ...row];
	const unit = profile.temperature ? `°${unitOf(zone, profile)}` : '';
	const shown = (setpointC: number | null): readonly [string, string] =>
		setpointC === null ? ['none', ''] : [displaySetpoint(profile, zone.options, setpointC), unit];
	const wanted = (of: (level: Level) => number | null) =>
		rows(wantedWeek(zone), (id) => {
			const level = levelOf(zone, id);
			return [level.name, ...shown(of(level))];
		});
	const held = (week: WeekSteps<number>) => rows(week, (c) => ['', ...shown(c)]);
	return [
		...wanted((level) => level.setpointC).map(named('wanted')),
		...(profile.cooling ? wanted((level) => level.coolC).map(named('wanted, cooling')) : []),
		...held(chosen.held).map(named('held')),
		...(chosen.heldCool ? held(chosen.heldCool).map(named('held, cooling')) : []),
		...card.items.map((item) => [item.section, '', '', item.what, item.shows, item.unit]).map(named('key'))
	];
}

const lines = (rows: readonly (readonly string[])[]): string =>
	`${Papa.unparse(rows as string[][], { newline: '\r\n', escapeFormulae: /^[=+\-@\t\r]/ })}\r\n`;

/** A zone's part of the CSV of a site's weeks; see {@link writeWeeksCsv}. */
export const weekLines = (...given: Parameters<typeof weekRows>): string => lines(weekRows(...given));

/**
 * Weeks and programs of a site's zones as CSV (RFC 4180) for a spreadsheet, of the part of each ({@link weekLines}). `what` tells the rows apart: "wanted" (how the
 * room should be), "held" (what its control will do), "key" (each value of the program as its display shows it, in the
 * order it is keyed; `level` then says what the control asks for). Text that a spreadsheet would run as a formula is made
 * plain. Lines end with CR LF.
 */
export const writeWeeksCsv = (zones: readonly string[]): string =>
	[lines([WEEKS_CSV_COLUMNS]), ...zones].join('');
