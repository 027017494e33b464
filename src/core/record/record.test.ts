import { describe, expect, it } from 'vitest';
import { findProfile } from '../control';
import { newZone, onSiteSchema, wantedWeek, withWanted, type OnSite, type Zone } from '../plan';
import { buildWeek, sameWeek } from '../week';
import { lastWhole, putBack, visitBefore, visitSchema, type LeftZone, type Visit } from '.';
import { changesBetween, planChanges, zoneChanges, dueAt } from '../words';

const stat = findProfile('six-step-room-stat')!;
const radio = findProfile('radio-stat')!;
const zone = newZone('Parlour', stat);
const left = (of: Zone, onSite: Partial<OnSite> = {}, id = 'a'): LeftZone => ({
	id,
	zone: of,
	onSite: onSiteSchema.parse(onSite),
	done: 5,
	of: 5,
	checks: []
});
const visit = (at: string, zones: LeftZone[]): Visit =>
	visitSchema.parse({ at, who: 'R. Tilling', signedOff: true, zones });

describe('what changed between two versions of a zone', () => {
	it('is nothing where they are alike', () => {
		expect(zoneChanges(left(zone), left(structuredClone(zone)), stat)).toMatchObject({
			sentences: [],
			weekDiffers: false
		});
	});

	it('is said day by day, level by level, setting by setting; a lock code never', () => {
		const other = withWanted(
			{
				...zone,
				name: 'Front parlour',
				levels: zone.levels.map((level, i) =>
					i === 0 ? { ...level, setpointC: level.setpointC + 1 } : level
				),
				settings: { ...zone.settings, highLimitC: 24 },
				lead: { ...zone.lead, school: 'fixed', minutes: 45 }
			},
			buildWeek([...wantedWeek(zone), { at: 5 * 1440 + 840, value: zone.levels.at(-1)!.id }])
		);
		const { sentences, weekDiffers } = zoneChanges(
			left(zone, { leftIn: 'automatic' }),
			left(other, { leftIn: 'hold', lockCode: '4711', lockSet: true }),
			stat
		);
		expect(weekDiffers).toBe(true);
		const text = sentences.join('\n');
		expect(text).toContain('Was called Parlour.');
		expect(text).toMatch(/Comfort 2\d\.\d\u00a0°C → 2\d\.\d\u00a0°C\./);
		expect(text).toMatch(/^Sat: .* → .*14:00/m);
		expect(text).toContain('Maximum setpoint none → 24.0\u00a0°C.');
		expect(text).toMatch(/Preheat: .* → 45 min before\./);
		expect(text).toContain('What it is left in: automatic → hold.');
		expect(text).not.toContain('4711');
	});

	it('leaves no difference of a plan unsaid, whatever part of it differs', () => {
		const other: { [K in keyof Zone]: Zone[K] } = {
			...zone,
			name: 'N',
			note: 'a note',
			dwelling: 'Flat 2',
			type: 'Flat A',
			box: { name: 'Programmer', place: '', note: '' },
			otherChannels: null,
			control: 'radio-stat',
			options: { ...zone.options, clock: '12' },
			levels: zone.levels.map((level) => ({ ...level, letter: level.letter === 'C' ? 'K' : level.letter })),
			wanted: [{ at: 5, level: zone.levels[0]!.id }],
			use: 'bedroom',
			routine: { dayTypes: [], week: [] } as unknown as Zone['routine'],
			weights: { cold: 1, warm: 1 },
			lead: { ...zone.lead, stopMinutes: 20 },
			grouping: '5-2',
			room: {} as Zone['room'],
			fedBy: 'boiler',
			governs: 'boiler',
			settings: { ...zone.settings, fan: 'on' },
			exceptions: [{ kind: 'off', id: 'x', from: '2026-01-01T00:00', until: null }],
			bookings: [
				{ name: 'Choir', from: '2026-01-01T10:00', to: '2026-01-01T11:00' } as Zone['bookings'][number]
			],
			bookedWeek: '2026-01-05',
			clockReadings: [{ at: '2026-01-01T00:00:00Z', errorSeconds: 0, daysAhead: 0, set: true, lost: false }]
		};
		const said = (differs: Partial<Zone>) => planChanges(zone, { ...zone, ...differs }, stat).sentences;
		expect(said({})).toEqual([]);
		// what its control's other channels cost is computed, no part of its plan
		expect(said({ otherChannels: { '7-day': { weighted: 1, values: 2 } } })).toEqual([]);
		for (const key of (Object.keys(other) as (keyof Zone)[]).filter((one) => one !== 'otherChannels'))
			expect(said({ [key]: other[key] }), key).not.toEqual([]);
		expect(said({ lead: other.lead })).toEqual(['Early stop 0 min → 20 min.']);
		expect(said({ lead: { ...zone.lead, school: 'fixed' } })[0]).toMatch(/^Preheat: none →/);
		expect(said({ levels: zone.levels.map((level) => ({ ...level, coolC: 30 })) })[0]).toMatch(
			/cools: no cooling → above/
		);
	});

	it('of a site: new, gone and changed zones', () => {
		const before = visit('2025-01-10T10:00:00Z', [left(zone), left(zone, {}, 'b')]);
		const after = visit('2026-01-10T10:00:00Z', [left(zone, { frostOn: true }), left(zone, {}, 'c')]);
		expect(changesBetween(before, after, () => stat).map(({ id, kind }) => [id, kind])).toEqual([
			['a', 'changed'],
			['c', 'new'],
			['b', 'gone']
		]);
		expect(changesBetween(before, before, () => stat)).toEqual([]);
	});

	it('an old week put back is the old week, with what is not of the week as it is now', () => {
		const old = zone;
		const now: Zone = {
			...withWanted(zone, buildWeek([{ at: 0, value: zone.levels[0]!.id }])),
			name: 'Kept',
			note: 'kept too'
		};
		const back = putBack(now, old);
		expect(sameWeek(wantedWeek(back), wantedWeek(old))).toBe(true);
		expect([back.name, back.note]).toEqual(['Kept', 'kept too']);
	});
});

describe('visits to a site and to its dwellings', () => {
	const left = (dwelling: string) => ({
		id: dwelling,
		zone: { ...newZone('Lounge', radio), dwelling },
		onSite: onSiteSchema.parse({}),
		done: 0,
		of: 0,
		checks: []
	});
	const visit = (day: number, dwelling: string | null) => ({
		id: `${day}`,
		visit: visitSchema.parse({
			at: `2026-01-0${day}T10:00:00Z`,
			who: 'R. Tilling',
			signedOff: true,
			dwelling,
			zones: dwelling === null ? [left('Flat 1'), left('Flat 2')] : [left(dwelling)]
		})
	});
	const all = [visit(1, null), visit(2, 'Flat 1'), visit(3, 'Flat 2'), visit(4, 'Flat 1'), visit(5, null)];
	const before = (at: number) => {
		const one = visitBefore(all, all[at]!);
		return one ? `${one.id}: ${one.visit.zones.map(({ id }) => id).join(', ')}` : null;
	};

	it('each is held against the last that left the same, and that alone', () => {
		expect(all.map((_, at) => before(at))).toEqual([
			null,
			'1: Flat 1',
			'1: Flat 2',
			'2: Flat 1',
			// what was signed off between did not leave the whole
			'1: Flat 1, Flat 2'
		]);
		expect([lastWhole(all)?.id, lastWhole(all.slice(0, 4))?.id, lastWhole(all.slice(1, 4))]).toEqual([
			'5',
			'1',
			undefined
		]);
	});
});

describe('what is due', () => {
	const reading = (at: string) => ({ at, errorSeconds: 0, daysAhead: 0, set: true, lost: false });
	const due = (of: Partial<Zone>, onSite: Partial<OnSite>, now: string, timeZone = 'Europe/Dublin') =>
		dueAt(
			[
				{
					id: 'a',
					zone: { ...newZone('Parlour', radio), ...of },
					onSite: onSiteSchema.parse(onSite),
					profile: radio
				}
			],
			timeZone,
			Date.parse(now)
		);

	it('a clock changed by hand: ahead before the change, missed after it, and done once it is set', () => {
		// Directive 2000/84/EC: the last Sunday of March 2026 is the 29th, of October the 25th
		const set = [reading('2026-01-10T10:00:00.000Z')];
		const before = due({ clockReadings: set }, {}, '2026-03-28T12:00:00Z');
		expect(before[0]).toMatchObject({ on: '2026-03-29', kind: 'clock', late: false });
		expect(before[0]!.sentence).toBe('Put the clock forward 1 h by hand.');
		const after = due({ clockReadings: set }, {}, '2026-03-30T12:00:00Z');
		expect(after[0]).toMatchObject({ on: '2026-03-29', kind: 'clock', late: true });
		expect(after[0]!.sentence).toMatch(/not changed/);
		const done = due(
			{ clockReadings: [...set, reading('2026-03-30T13:00:00.000Z')] },
			{},
			'2026-03-31T12:00:00Z'
		);
		expect(done.filter((one) => one.late)).toEqual([]);
		expect(done[0]).toMatchObject({ on: '2026-10-25', sentence: 'Put the clock back 1 h by hand.' });
	});

	it('the next week on its Monday, where each is keyed by itself', () => {
		const weekly = (now: string) =>
			due({ bookedWeek: '2026-12-07' }, {}, now)
				.filter(({ kind }) => kind === 'week-card')
				.map(({ on, late, sentence }) => [on, late, sentence]);
		const said = 'Key the week of Mon 14 Dec.';
		expect(weekly('2026-12-08T12:00:00Z')).toEqual([['2026-12-14', false, said]]);
		expect(weekly('2026-12-15T12:00:00Z')).toEqual([['2026-12-14', true, said]]);
		expect(due({}, {}, '2026-12-15T12:00:00Z').some(({ kind }) => kind === 'week-card')).toBe(false);
	});

	it('a planned holiday by who keys it and on which day, until it is keyed; and bookings left to a hand', () => {
		const away = {
			kind: 'absence',
			id: 'x',
			leave: '2026-12-20T14:00',
			back: '2027-01-02T18:00',
			setpointC: 7,
			note: ''
		} as const;
		const said = (control: string, of: object, now = '2026-12-01T12:00:00Z') => {
			const profile = findProfile(control)!;
			const day = {
				date: '2026-12-18',
				names: ['Ball'],
				level: 'Comfort',
				stretches: [[990, 1140]] as [number, number][]
			};
			return dueAt(
				[
					{
						id: 'a',
						zone: { ...newZone('Z', profile), exceptions: [{ ...away, ...of }] },
						onSite: onSiteSchema.parse({}),
						profile,
						byHand: [day]
					}
				],
				'Europe/Dublin',
				Date.parse(now)
			)
				.filter(({ kind }) => kind === 'absence' || kind === 'by-hand')
				.map(({ on, sentence }) => `${on} ${sentence}`);
		};
		const [ball, ...days] = said('six-step-room-stat', {});
		expect(ball).toBe('2026-12-18 By hand: Comfort 16:30–19:00 (Ball).');
		expect(days).toEqual(['2026-12-20 Away until Sat 2 Jan 18:00; the household: key 13 days on leaving.']);
		expect(said('six-step-room-stat', { keyed: true })).toHaveLength(1);
		// the household's is past once they left; ours stands until they are back
		expect(said('six-step-room-stat', {}, '2026-12-22T12:00:00Z')).toEqual([]);
		expect(said('six-step-room-stat', { keyedBy: 'installer' }, '2026-12-22T12:00:00Z')).toHaveLength(1);
		// what does not end by itself is to be ended on return
		const byHand = said('plain-stat', { keyedBy: 'installer' });
		expect(byHand[1]).toContain('turn it down by hand on leaving');
		expect(byHand[2]).toBe('2027-01-02 End its holiday: back Sat 2 Jan 18:00.');
	});

	it('a control of two channels has one clock and one set of batteries, whatever hangs on it', () => {
		const one = (id: string, boxId: string) => ({
			id,
			boxId,
			zone: { ...newZone(`Zone ${id}`, radio), clockReadings: [reading('2026-01-10T10:00:00.000Z')] },
			onSite: onSiteSchema.parse({ batteriesOn: '2024-10-01', leftIn: 'holiday' }),
			profile: radio
		});
		const all = dueAt(
			[one('a', 'x'), one('b', 'x'), one('c', 'y')],
			'Europe/Dublin',
			Date.parse('2026-03-28T12:00:00Z')
		);
		for (const kind of ['clock', 'batteries', 'left-on'])
			expect(new Set(all.filter((due) => due.kind === kind).map(({ zoneName }) => zoneName)), kind).toEqual(
				new Set(['Zone a and Zone b', 'Zone c'])
			);
	});

	it('nothing of clocks where they do not change, or change by themselves', () => {
		expect(due({}, {}, '2026-03-01T00:00:00Z', 'Asia/Tokyo')).toEqual([]);
		expect(
			dueAt(
				[{ id: 'a', zone, onSite: onSiteSchema.parse({}), profile: findProfile('touch-floor-stat')! }],
				'Europe/Dublin',
				Date.parse('2026-03-01T00:00:00Z')
			).filter((one) => one.kind === 'clock')
		).toEqual([]);
	});

	it('batteries, what was left on, and promises, soonest first', () => {
		const all = due(
			{ clockReadings: [reading('2026-11-01T10:00:00.000Z')] },
			{
				batteriesOn: '2024-10-01',
				batteryMonths: 24,
				leftIn: 'holiday',
				promised: 'bring the valve key',
				promisedBy: '2026-12-03'
			},
			'2026-11-25T10:00:00Z'
		);
		expect(all.map(({ on, kind, late }) => [on, kind, late])).toEqual([
			['2026-10-01', 'batteries', true],
			['2026-11-25', 'left-on', false],
			['2026-12-03', 'promised', false],
			['2027-03-28', 'clock', false],
			['2027-10-31', 'clock', false]
		]);
		expect(all[2]!.sentence).toBe('Promised: bring the valve key');
	});
});
