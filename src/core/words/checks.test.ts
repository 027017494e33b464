import { describe, expect, it } from 'vitest';
import { findProfile } from '../control';
import {
	allWeek,
	levelsForUse,
	newZone,
	nothingNoted,
	onSiteSchema,
	roomSchema,
	roomUse,
	TEST_STEPS,
	type OnSite,
	withRoutine,
	withWanted,
	type Zone
} from '../plan';
import { buildWeek } from '../week';
import { dueOf, reasonFor, rules, stopsOf, type Checked } from '../checks';
import { checksOf } from '.';

const now = Date.parse('2026-11-25T09:00:00Z');
const at = '2026-11-25T08:00:00.000Z';
const passed: OnSite['test'] = TEST_STEPS.map((step) => ({ step, at, seen: true, readingC: null }));
const reading = { at, errorSeconds: 0, daysAhead: 0, set: true, lost: false };
const floorRoom = (more: object) =>
	roomSchema.parse({
		floorAreaM2: 12,
		heightM: 2.4,
		build: 'medium',
		loss: { by: 'figure', wattsPerKelvin: 30 },
		emitter: { kind: 'floor-cable', ratedW: 1200 },
		...more
	});

/** A zone with nothing to be said of it, and what is changed about it. */
function checked(
	control: string,
	change: { zone?: (zone: Zone) => Zone; onSite?: Partial<OnSite>; more?: Partial<Checked> } = {}
): Checked {
	const profile = findProfile(control)!;
	const plain = newZone('Parlour', profile);
	const [warm, cool] = [plain.levels[0]!.id, plain.levels[1]?.id ?? plain.levels[0]!.id];
	const week = buildWeek([
		{ at: 420, value: warm },
		{ at: 1320, value: cool }
	]);
	const zone: Zone = { ...withWanted(plain, week), clockReadings: [reading] };
	return {
		zone: change.zone ? change.zone(zone) : zone,
		profile,
		onSite: onSiteSchema.parse({
			test: passed,
			leftIn: 'automatic',
			frostOn: true,
			customerTold: true,
			batteriesOn: '2026-11-01',
			...change.onSite
		}),
		left: 0,
		presses: 0,
		of: 10,
		otherwise: null,
		read: 7,
		toRead: 7,
		livesHere: [],
		readBackStops: false,
		misfit: { coldMinutes: 0, warmMinutes: 0 },
		timeZone: 'Europe/Dublin',
		nowMs: now,
		...change.more
	};
}
/** A zone that the boiler feeds, by what governs that. */
const fedBy = (governor: Partial<NonNullable<Checked['unfed']>['governor']>) => ({
	more: {
		unfed: {
			source: 'Boiler',
			gaps: [],
			governor: { id: 'g', name: 'Programmer', exceptions: [], leftIn: 'automatic' as const, ...governor }
		}
	}
});
const levelsAt =
	(...c: number[]) =>
	(zone: Zone): Zone => ({
		...zone,
		levels: zone.levels.map((level, i) => ({ ...level, setpointC: c[i] ?? level.setpointC }))
	});
const said = (one: Checked) => checksOf(one).map(({ id, severity }) => `${severity} ${id}`);

describe('commissioning checks', () => {
	it('say nothing of a zone that was done well, whatever its control', () => {
		for (const control of ['six-step-room-stat', 'radio-stat', 'plain-stat', 'line-voltage-stat'])
			expect(said(checked(control)), control).toEqual([]);
	});

	it('take one level all week for drawn once somebody said that it is wanted', () => {
		const only = (zone: Zone) => ({ ...zone, wanted: [zone.wanted[0]!] });
		const wanted = (zone: Zone) => withRoutine(zone, allWeek(zone.levels[0]!));
		for (const control of ['six-step-room-stat', 'two-channel-programmer', 'hour-strip-keypad']) {
			expect(said(checked(control, { zone: only })), control).toContain('stop undrawn');
			expect(said(checked(control, { zone: wanted })), control).not.toContain('stop undrawn');
		}
		expect(said(checked('plain-stat', { zone: only }))).toEqual([]);
	});

	it('look after the frail of the whole site in every room, level, absence and hold', () => {
		const plain = (control: string, change: Parameters<typeof checked>[1] = {}) =>
			checksOf(checked(control, { ...change, more: { livesHere: ['infants', 'tenants'], ...change.more } }))
				.filter(({ id }) => id === 'frail')
				.map(({ sentence }) => sentence);
		const six = 'six-step-room-stat';
		expect(plain(six, { zone: levelsAt(21, 18) })).toEqual([]);
		expect(plain(six, { zone: levelsAt(21, 17) })).toMatchObject([
			expect.stringMatching(/^Infants are in this room, and the week falls to 17.0\s°C, under 18\s°C\.$/)
		]);
		// noted of the room itself: that rules
		expect(plain(six, { zone: levelsAt(21, 17), onSite: { occupants: ['adults'] } })).toEqual([]);
		const during = (one: object) => (zone: Zone) =>
			({ ...levelsAt(21, 18)(zone), exceptions: [{ id: 'x', from: '2026-11-20T08:00', ...one }] }) as Zone;
		const away = {
			kind: 'absence',
			leave: '2026-12-20T08:00',
			back: '2026-12-27T08:00',
			setpointC: 12,
			note: ''
		};
		expect(plain(six, { zone: during(away) })[0]).toContain('a holiday lets it fall to 12.0');
		expect(plain(six, { zone: during({ kind: 'hold', until: null, setpointC: 15 }) })[0]).toContain(
			'held at 15.0'
		);
		expect(plain(six, { zone: during({ kind: 'off', until: '2026-12-02T08:00' }) })[0]).toContain(
			'switched off'
		);
		expect(plain(six, { zone: during({ ...away, back: '2026-11-24T08:00' }) })).toEqual([]);
		// on whole °F a level of 18 °C is 64, and that is under it
		const inF = (zone: Zone) => ({
			...levelsAt(21, 18)(zone),
			options: { ...zone.options, unit: 'F' as const }
		});
		expect(plain(six, { zone: inF })[0]).toContain('falls to 64');
		// a switch has no room's temperature: it is asked nothing
		expect(plain('two-channel-programmer')).toEqual([]);
		for (const use of ['frail-occupants', 'bedroom']) {
			const room = levelsForUse(checked(six).zone.levels, roomUse(use)!);
			const lived = room.filter(({ setpointC }) => setpointC > 12);
			expect(
				lived.every(({ setpointC }) => setpointC >= 18),
				use
			).toBe(use === 'frail-occupants');
		}
	});

	const cases: [string, string, Parameters<typeof checked>[1]][] = [
		['stop keyed-missing', 'six-step-room-stat', { more: { left: 3 } }],
		['stop undrawn', 'six-step-room-stat', { zone: (zone) => ({ ...zone, wanted: [zone.wanted[0]!] }) }],
		[
			'stop power-density',
			'four-step-floor-stat',
			{
				zone: (zone) => ({
					...zone,
					room: {
						...floorRoom({ finish: 'tile' }),
						floorAreaM2: 6,
						emitter: { ...floorRoom({}).emitter, ratedW: 1600 }
					}
				})
			}
		],
		['look unread', 'six-step-room-stat', { more: { read: 2 } }],
		['stop unread', 'six-step-room-stat', { more: { read: 0, readBackStops: true } }],
		['stop test-missing', 'six-step-room-stat', { onSite: { test: [] } }],
		['stop test-missing', 'six-step-room-stat', { onSite: { test: passed.slice(0, 4) } }],
		['stop test-missing', 'six-step-room-stat', { onSite: { test: [{ ...passed[0]!, seen: false }] } }],
		['stop left-in', 'six-step-room-stat', { onSite: { leftIn: 'hold' } }],
		['look left-in', 'six-step-room-stat', { onSite: { leftIn: null } }],
		[
			'stop left-standing',
			'six-step-room-stat',
			{
				zone: (zone) => ({
					...zone,
					exceptions: [
						{
							kind: 'hold',
							from: '2026-11-01T08:00',
							until: null,
							setpointC: 20
						} as unknown as Zone['exceptions'][number]
					]
				})
			}
		],
		[
			'stop floor-limit',
			'four-step-floor-stat',
			{
				zone: (zone) => ({ ...levelsAt(28, 22)(zone), room: floorRoom({ sensor: 'floor', finish: 'wood' }) })
			}
		],
		['look floor-finish', 'four-step-floor-stat', { zone: (zone) => ({ ...zone, room: floorRoom({}) }) }],
		['stop unpaired', 'radio-stat', { onSite: { paired: false } }],
		['look setback', 'six-step-room-stat', { zone: levelsAt(21, 20) }],
		['look setback', 'six-step-room-stat', { zone: levelsAt(23, 13) }],
		['look setback', 'six-step-room-stat', { zone: levelsAt(21, 12) }],
		['look setback', 'six-step-room-stat', { zone: levelsAt(21, 7) }],
		['look comfort-high', 'six-step-room-stat', { zone: levelsAt(25, 20) }],
		['look frost', 'six-step-room-stat', { onSite: { frostOn: false } }],
		[
			'look high-limit',
			'six-step-room-stat',
			{ zone: (zone) => ({ ...zone, settings: { ...zone.settings, highLimitC: 19 } }) }
		],
		['look control-outside', 'six-step-room-stat', { onSite: { controlPlace: 'other-room' } }],
		[
			'look double-lead',
			'four-step-floor-stat',
			// turned on by hand: the card would turn it off
			{
				zone: (zone) => ({
					...zone,
					lead: { ...zone.lead, school: 'fixed' },
					settings: { ...zone.settings, menu: { early: 1 } }
				})
			}
		],
		['look settings-changed', 'six-step-room-stat', { more: { otherwise: 'grouping' } }],
		[
			'look unfed',
			'six-step-room-stat',
			{
				more: {
					unfed: {
						source: 'Boiler',
						gaps: [{ from: 270, to: 360, wantedC: 20.5 }],
						governor: { id: 'g', name: 'Programmer', exceptions: [], leftIn: null }
					}
				}
			}
		],
		['stop source-off', 'six-step-room-stat', fedBy({ leftIn: 'off' })],
		[
			'stop source-off',
			'six-step-room-stat',
			fedBy({ exceptions: [{ kind: 'off', id: 'o', from: '2026-01-01T00:00', until: null }] })
		],
		[
			'stop source-away',
			'six-step-room-stat',
			fedBy({
				exceptions: [
					{
						kind: 'absence',
						id: 'a',
						leave: '2026-12-18T14:00',
						back: '2027-01-02T12:00',
						setpointC: 0,
						note: ''
					}
				]
			})
		],
		['look misfit', 'six-step-room-stat', { more: { misfit: { coldMinutes: 20, warmMinutes: 0 } } }],
		['note misfit', 'six-step-room-stat', { more: { misfit: { coldMinutes: 0, warmMinutes: 20 } } }],
		['look clock', 'six-step-room-stat', { zone: (zone) => ({ ...zone, clockReadings: [] }) }],
		[
			'stop clock',
			'six-step-room-stat',
			{ zone: (zone) => ({ ...zone, clockReadings: [{ ...reading, set: false, errorSeconds: 180 }] }) }
		],
		['look summer-time', 'radio-stat', { onSite: { customerTold: false } }],
		[
			'look lock-code',
			'six-step-room-stat',
			{ onSite: { lockWanted: true, lockSet: true, lockCodeIsFactory: true } }
		],
		['look lock-missing', 'six-step-room-stat', { onSite: { lockWanted: true } }],
		['look batteries', 'radio-stat', { onSite: { batteriesOn: '2024-11-24' } }],
		['look batteries', 'radio-stat', { onSite: { batteriesOn: null } }],
		['look sensor-place', 'six-step-room-stat', { onSite: { sensorTroubles: ['sun'] } }],
		['note sensor-place', 'six-step-room-stat', { onSite: { sensorHeightM: 0.4 } }],
		['look frail', 'six-step-room-stat', { onSite: { occupants: ['infants'] }, zone: levelsAt(21, 16.5) }],
		['look hot-water', 'six-step-room-stat', { onSite: { storeC: 52 } }],
		[
			'stop stored-program',
			'slider-stat',
			{ zone: (zone) => ({ ...zone, settings: { ...zone.settings, menu: { plan: 1 } } }) }
		],
		[
			'look fan',
			'heat-and-cool-stat',
			{ zone: (zone) => ({ ...zone, settings: { ...zone.settings, fan: 'on' } }) }
		],
		[
			'look differential',
			'six-step-room-stat',
			{
				zone: (zone) => ({
					...zone,
					room: floorRoom({
						emitter: { kind: 'radiator', ratedW: 1200 },
						regulation: { kind: 'on-off', differentialK: 0.2 }
					})
				})
			}
		],
		[
			'look lead-stale',
			'six-step-room-stat',
			{
				zone: (zone) => ({
					...zone,
					lead: { ...zone.lead, school: 'computed', computed: { outdoorC: 0, leads: [], inputs: 'other' } }
				})
			}
		],
		[
			'look offset',
			'six-step-room-stat',
			{ onSite: { offsetReadings: [{ controlC: 21, thermometerC: 20 }] } }
		]
	];
	it.each(cases)('%s on a %s', (what, control, change) => {
		expect(said(checked(control, change))).toContain(what);
	});

	it('speak of a °F zone in °F alone, thresholds on their safe side', () => {
		const inF = (zone: Zone): Zone => ({ ...zone, options: { ...zone.options, unit: 'F' } });
		let said = 0;
		for (const [, control, change = {}] of cases) {
			const profile = findProfile(control)!;
			if (!profile.temperature) continue;
			const one = checked(control, { ...change, zone: (zone) => inF(change.zone?.(zone) ?? zone) });
			// a profile that does not show °F is made one that does
			const both = {
				...profile,
				temperature: { ...profile.temperature, units: ['C' as const, 'F' as const] }
			};
			for (const { sentence } of checksOf({ ...one, profile: both })) {
				said++;
				expect(sentence).not.toMatch(/°C|\u00a0K| K\b/);
			}
		}
		expect(said).toBeGreaterThan(cases.length / 2);
		const touch = checked('touch-floor-stat', {
			zone: (zone) => ({
				...inF(levelsAt(29, 24)(zone)),
				room: floorRoom({ sensor: 'floor', finish: 'wood' })
			})
		});
		expect(checksOf(touch)[0]!.sentence).toBe('Floor at risk: 84\u00a0°F set, 80\u00a0°F allowed.');
	});

	it('name the next change of a clock changed by hand where it is, and none where clocks never change', () => {
		const told = (timeZone: string) =>
			checksOf(checked('radio-stat', { onSite: { customerTold: false }, more: { timeZone } })).find(
				({ id }) => id === 'summer-time'
			)?.sentence;
		expect(told('Europe/Dublin')).toBe('Clock to change by hand on Sun 28 Mar: the customer was not told.');
		expect(told('Australia/Sydney')).toContain('on Sun 4 Apr');
		expect(told('Asia/Tokyo')).toBeUndefined();
	});

	it('has a case above for every rule', () => {
		expect([...new Set(cases.map(([what]) => what.split(' ')[1]!))].sort()).toEqual(
			Object.keys(rules).sort()
		);
	});

	it('let a stop pass only with a reason, and nothing else', () => {
		const one = checked('six-step-room-stat', {
			onSite: {
				test: [],
				leftIn: null,
				overruled: [
					{ check: 'test-missing', reason: 'Boiler away for repair', at },
					{ check: 'left-in', reason: 'does not matter here', at }
				]
			}
		});
		const checks = checksOf(one);
		expect(checks[0]).toMatchObject({ id: 'test-missing', severity: 'stop' });
		expect(stopsOf(checks, one.onSite)).toEqual([]);
		expect(checks.map((check) => reasonFor(check, one.onSite))).toEqual(['Boiler away for repair', null]);
		expect(stopsOf(checks, nothingNoted).map(({ id }) => id)).toEqual(['test-missing']);
		expect(onSiteSchema.safeParse({ overruled: [{ check: 'test-missing', reason: 'ok', at }] }).success).toBe(
			false
		);
	});

	it('count months to when batteries are due as a calendar does', () => {
		expect(dueOf('2024-01-31', 1)).toBe('2024-02-29');
		expect(dueOf('2025-01-31', 13)).toBe('2026-02-28');
		expect(dueOf('2026-11-25', 24)).toBe('2028-11-25');
	});
});
