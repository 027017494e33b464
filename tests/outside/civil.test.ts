/**
 * Clock changes and summer-time rules against the run-time's own tz database (Intl), for a dozen zones,
 * 2024–2037. Europe: last Sunday of March and October at 01:00 UTC (Directive 2000/84/EC). North America:
 * second Sunday of March, first Sunday of November, 02:00 local (Energy Policy Act of 2005).
 */
import { Temporal } from 'temporal-polyfill';
import { describe, expect, it } from 'vitest';
import {
	instantOf,
	offsetAt,
	summerTimeFrom,
	transitionsBetween,
	wallAt,
	wallMinute,
	type RuleSide,
	type SummerTime
} from '../../src/core/civil';

const zones = [
	'Europe/Berlin',
	'Europe/London',
	'Europe/Lisbon',
	'Europe/Helsinki',
	'America/New_York',
	'America/Los_Angeles',
	'America/Phoenix',
	'America/Sao_Paulo',
	'Australia/Sydney',
	'Australia/Lord_Howe',
	'Asia/Kolkata',
	'Africa/Casablanca',
	'Pacific/Auckland'
];

/** Minutes ahead of UTC by Intl alone, without any of the code under test. */
function offsetByIntl(zone: string, ms: number): number {
	const parts = new Intl.DateTimeFormat('en-US', {
		timeZone: zone,
		hourCycle: 'h23',
		year: 'numeric',
		month: 'numeric',
		day: 'numeric',
		hour: 'numeric',
		minute: 'numeric',
		second: 'numeric'
	}).formatToParts(ms);
	const of = (type: string) => Number(parts.find((part) => part.type === type)!.value);
	return (
		(Date.UTC(of('year'), of('month') - 1, of('day'), of('hour'), of('minute'), of('second')) - ms) / 60_000
	);
}

const FROM = Date.UTC(2024, 0, 1);
const TO = Date.UTC(2038, 0, 1);

/** The date of a rule's side in a year, as `YYYY-MM-DD`. */
function ruleDate(side: RuleSide, year: number): string {
	const first = Temporal.PlainDate.from({ year, month: side.month, day: 1 });
	const ahead = (side.weekday + 1 - first.dayOfWeek + 7) % 7;
	const nth = first.add({ days: ahead + 7 * ((side.ordinal === 'last' ? 5 : side.ordinal) - 1) });
	return (side.ordinal === 'last' && nth.month !== side.month ? nth.subtract({ days: 7 }) : nth).toString();
}

describe('clock changes', () => {
	it.each(zones)('%s: every change of 2024–2037 is one by Intl, and there is no other', (zone) => {
		const changes = transitionsBetween(zone, FROM, TO);
		for (const change of changes) {
			expect(offsetByIntl(zone, change.atMs - 1000)).toBe(change.beforeMinutes);
			expect(offsetByIntl(zone, change.atMs)).toBe(change.afterMinutes);
		}
		// between two changes the offset stands still: looked at every three days
		for (let ms = FROM; ms < TO; ms += 3 * 86_400_000 + 3_600_000)
			expect(offsetAt(zone, ms), new Date(ms).toISOString()).toBe(offsetByIntl(zone, ms));
	});

	it('wall clock and instant are each other’s inverse, but for the skipped and the repeated hour', () => {
		for (const zone of zones)
			for (const change of transitionsBetween(zone, FROM, Date.UTC(2026, 0, 1)))
				for (let ms = change.atMs - 7_200_000; ms < change.atMs + 7_200_000; ms += 600_000) {
					const back = instantOf(zone, wallAt(zone, ms));
					const repeated =
						change.afterMinutes < change.beforeMinutes
							? (change.beforeMinutes - change.afterMinutes) * 60_000
							: 0;
					expect([ms, ms - repeated]).toContain(back);
				}
		// 02:30 does not exist on that night: it is read as half an hour after the jump
		expect(new Date(instantOf('Europe/Berlin', wallMinute('2026-03-29T02:30'))).toISOString()).toBe(
			'2026-03-29T01:30:00.000Z'
		);
	});
});

describe('summer time as a rule', () => {
	const europe = (localMinute: [number, number]): SummerTime => ({
		kind: 'rule',
		forward: { ordinal: 'last', weekday: 6, month: 3, localMinute: localMinute[0] },
		back: { ordinal: 'last', weekday: 6, month: 10, localMinute: localMinute[1] },
		shiftMinutes: 60
	});

	it('Europe: Directive 2000/84/EC, an hour apart in local time from zone to zone', () => {
		expect(summerTimeFrom('Europe/Berlin', 2026)).toEqual(europe([120, 180]));
		expect(summerTimeFrom('Europe/London', 2026)).toEqual(europe([60, 120]));
		expect(summerTimeFrom('Europe/Helsinki', 2026)).toEqual(europe([180, 240]));
		for (const zone of ['Europe/Berlin', 'Europe/Lisbon'])
			for (const change of transitionsBetween(zone, FROM, TO)) {
				const at = new Date(change.atMs);
				expect([at.getUTCHours(), at.getUTCMinutes(), at.getUTCDay()]).toEqual([1, 0, 0]);
				expect(at.getUTCDate() + 7).toBeGreaterThan(31);
			}
	});

	it('North America: Energy Policy Act of 2005; none in Arizona', () => {
		expect(summerTimeFrom('America/New_York', 2026)).toEqual({
			kind: 'rule',
			forward: { ordinal: 2, weekday: 6, month: 3, localMinute: 120 },
			back: { ordinal: 1, weekday: 6, month: 11, localMinute: 120 },
			shiftMinutes: 60
		});
		expect(summerTimeFrom('America/Phoenix', 2026)).toEqual({ kind: 'none' });
		expect(summerTimeFrom('Asia/Kolkata', 2026)).toEqual({ kind: 'none' });
	});

	it('the south begins in spring; Lord Howe shifts by thirty minutes; Morocco follows no rule', () => {
		expect(summerTimeFrom('Australia/Sydney', 2026)).toMatchObject({
			forward: { ordinal: 1, weekday: 6, month: 10, localMinute: 120 },
			back: { ordinal: 1, weekday: 6, month: 4, localMinute: 180 }
		});
		expect(summerTimeFrom('Australia/Lord_Howe', 2026)).toMatchObject({ kind: 'rule', shiftMinutes: 30 });
		expect(summerTimeFrom('Africa/Casablanca', 2026)).toEqual({ kind: 'irregular' });
	});

	it.each(zones)('%s: the rule gives the very dates of 2026–2037', (zone) => {
		const rule = summerTimeFrom(zone, 2026);
		if (rule.kind !== 'rule') return;
		for (const change of transitionsBetween(zone, Date.UTC(2026, 0, 1), TO)) {
			const shown = new Date(change.atMs + change.beforeMinutes * 60_000).toISOString();
			const side = change.afterMinutes > change.beforeMinutes ? rule.forward : rule.back;
			expect(`${ruleDate(side, Number(shown.slice(0, 4)))} ${side.localMinute}`).toBe(
				`${shown.slice(0, 10)} ${Number(shown.slice(11, 13)) * 60 + Number(shown.slice(14, 16))}`
			);
		}
	});
});
