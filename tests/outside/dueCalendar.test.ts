/**
 * The calendars of what is due and of a round, read back by `ical.js` and, line by line, as RFC 5545 has it: lines of at
 * most 75 octets (3.1), commas, semicolons, backslashes and line breaks escaped (3.3.11), whole days that end with the
 * day after (3.6.1), one UID an event (3.8.4.7).
 */
import fc from 'fast-check';
import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import { writeDueCalendar, writeRoundCalendar, type DueEntry } from '../../src/core/formats';

const NOW = new Date(Date.UTC(2026, 10, 25, 9, 30));
const words = fc
	.string({ unit: 'grapheme', maxLength: 60 })
	.map((text) => text.replace(/[\p{Cc}\p{Cs}]/gu, ''));
const dates = fc
	.date({ min: new Date('2026-01-01'), max: new Date('2028-12-31'), noInvalidDate: true })
	.map((date) => date.toISOString().slice(0, 10));
const entries = fc.array(
	fc.record({
		on: dates,
		kind: fc.constantFrom('clock' as const, 'batteries' as const, 'left-on' as const, 'promised' as const),
		sentence: words,
		zoneId: fc.uuid(),
		zoneName: words,
		late: fc.boolean(),
		siteId: fc.uuid(),
		siteName: words,
		place: words
	}),
	{ maxLength: 8 }
);

/** The content lines of a calendar, unfolded (RFC 5545, 3.1). */
function contentLines(text: string): string[] {
	expect(text.endsWith('\r\n')).toBe(true);
	for (const line of text.slice(0, -2).split('\r\n')) {
		expect(line).not.toMatch(/[\r\n]/);
		expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
	}
	return text
		.replace(/\r\n[ \t]/g, '')
		.trimEnd()
		.split('\r\n');
}
/** The values of a property, unescaped (RFC 5545, 3.3.11). */
const values = (lines: readonly string[], name: string) =>
	lines
		.filter((line) => line.startsWith(`${name}:`) || line.startsWith(`${name};`))
		.map((line) =>
			line
				.slice(line.indexOf(':') + 1)
				.replace(/\\(.)/g, (_, one: string) => (one === 'n' || one === 'N' ? '\n' : one))
		);
const dayAfter = (date: string) => new Date(Date.parse(date) + 86_400_000).toISOString().slice(0, 10);

describe('the calendar of what is due', () => {
	it('says the same to every reader, whatever names people give', () => {
		fc.assert(
			fc.property(entries, (due: DueEntry[]) => {
				const text = writeDueCalendar(due, NOW);
				const lines = contentLines(text);
				const summaries = due.map((one) => `${one.siteName}, ${one.zoneName}: ${one.sentence}`);
				expect(values(lines, 'SUMMARY')).toEqual(summaries);
				expect(values(lines, 'DTSTART')).toEqual(due.map((one) => one.on.replaceAll('-', '')));
				expect(values(lines, 'DTEND')).toEqual(due.map((one) => dayAfter(one.on).replaceAll('-', '')));
				const events = new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent');
				expect(events.map((event) => event.getFirstPropertyValue('summary'))).toEqual(summaries);
				expect(
					events.map((event) => (event.getFirstPropertyValue('dtstart') as ICAL.Time).toString())
				).toEqual(due.map((one) => one.on));
				const uids = values(lines, 'UID');
				expect(new Set(uids).size).toBe(
					new Set(due.map((one) => `${one.siteId} ${one.zoneId} ${one.kind} ${one.on}`)).size
				);
			}),
			{ numRuns: 200 }
		);
	});

	it('of a round has the sites that have a day and clocks left, with what to do at each', () => {
		const clock = (name: string, set: boolean, how = 'Hold; then press.') => ({
			zoneId: name,
			name,
			how,
			set,
			unseen: false
		});
		const site = (siteId: string, clocks: ReturnType<typeof clock>[]) => ({
			siteId,
			siteName: `Site ${siteId}`,
			place: 'Weir Street, Brinmoor',
			shiftMinutes: -60,
			clocks
		});
		const stop = (day: string, who = '') => ({ day, who, place: 0 });
		const text = writeRoundCalendar(
			'2026-10-25',
			[
				site('a', [clock('Hall', false), clock('Flat, upper', false, ''), clock('Archive', true)]),
				site('b', [clock('Hall', true)]),
				site('c', [clock('Hall', false)])
			],
			{ stops: { a: stop('2026-10-26', 'R. Tilling'), b: stop('2026-10-26') } },
			NOW
		);
		const lines = contentLines(text);
		expect(values(lines, 'SUMMARY')).toEqual(['Site a: set 2 clocks 60 min back (R. Tilling)']);
		expect(values(lines, 'DESCRIPTION')).toEqual(['Hall: Hold; then press.\nFlat, upper']);
		expect(values(lines, 'DTSTART')).toEqual(['20261026']);
		expect(values(lines, 'LOCATION')).toEqual(['Weir Street, Brinmoor']);
	});
});
