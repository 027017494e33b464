import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findProfile, shippedProfiles, startingLevels } from '../control';
import { buildWeek, clockTime, DAY_MINUTES, sameWeek, splitByDay, valueAt, WEEK_MINUTES } from '../week';
import {
	FLOOR_MOST_W_M2,
	followsRoutine,
	levelsForUse,
	newZone,
	ROOM_STARTS,
	roomBegun,
	roomUse,
	roomUses,
	routineFromTemplate,
	routineOfWeek,
	routineSchema,
	routineTemplates,
	routineWeek,
	SETBACK_K,
	takeWeek,
	templatesFor,
	usualAreaM2,
	wattsPerM2,
	withRoutine,
	withWanted,
	zoneSchema,
	type Routine
} from '.';

const stat = findProfile('six-step-room-stat')!;
const levels = startingLevels(stat);
const setpointOf = (id: string) => levels.find((level) => level.id === id)!.setpointC;
const day = (id: string, spans: [number, number, string][], otherwise: string | null = 'eco') => ({
	id,
	name: `Day ${id}`,
	otherwise,
	spans: spans.map(([from, to, level]) => ({ from: from * 60, to: to * 60, level }))
});
const all = (id: string) => Array.from({ length: 7 }, () => id);
const shape = (routine: Routine, of: number) =>
	splitByDay(routineWeek(routine, setpointOf))[of]!.map(
		(span) => `${clockTime(span.from)}–${clockTime(span.to)} ${span.value}`
	);
const refusal = (routine: unknown) => {
	const read = routineSchema.safeParse(routine);
	return read.success ? null : `${read.error.issues[0]!.path.join('.')} ${read.error.issues[0]!.message}`;
};

describe('a routine', () => {
	it('runs a span past midnight on into the next day, Sunday into Monday too', () => {
		const routine = { dayTypes: [day('late', [[17, 25.5, 'comfort']])], week: all('late') };
		expect(shape(routine, 0)).toEqual(['00:00–01:30 comfort', '01:30–17:00 eco', '17:00–24:00 comfort']);
	});

	it('lets the warmer rule where the night before meets the morning', () => {
		const routine = {
			dayTypes: [
				day('early', [[4, 9, 'comfort']]),
				day('before', [
					[12, 20, 'comfort'],
					[22, 30, 'frost']
				])
			],
			week: ['before', 'early', ...all('before').slice(2)]
		};
		expect(shape(routine, 1)).toEqual(['00:00–04:00 frost', '04:00–09:00 comfort', '09:00–24:00 eco']);
	});

	it.each([
		[
			'spans that overlap',
			{ dayTypes: [day('a', [[6, 9, 'comfort'], [8, 10, 'eco']])], week: all('a') }, // prettier-ignore
			'dayTypes.0.spans.1 (Day a, 08:00–10:00) overlaps 06:00–09:00'
		],
		[
			'a gap where nothing rules otherwise',
			{ dayTypes: [day('a', [[6, 22, 'comfort']], null)], week: all('a') },
			'dayTypes.0.spans (Day a) leaves Mon 00:00–06:00 without a level'
		],
		[
			'a weekday without a day type',
			{ dayTypes: [day('a', [])], week: [...all('a').slice(1), 'b'] },
			'week.6 names no day type of this routine ("b")'
		],
		[
			'a span that ends before it begins',
			{ dayTypes: [day('a', [[9, 6, 'comfort']])], week: all('a') },
			'dayTypes.0.spans.0 ends before it begins'
		]
	])('refuses %s and says where', (_, routine, sentence) => {
		expect(refusal(routine)).toBe(sentence);
	});

	it('that covers the day by spans past midnight needs nothing otherwise', () => {
		const routine = {
			dayTypes: [
				day(
					'a',
					[
						[7, 22, 'comfort'],
						[22, 31, 'eco']
					],
					null
				)
			],
			week: all('a')
		};
		expect(refusal(routine)).toBeNull();
		expect(shape(routine, 3)).toEqual(['00:00–07:00 eco', '07:00–22:00 comfort', '22:00–24:00 eco']);
	});

	it('taken from any drawn week gives that very week again', () => {
		fc.assert(
			fc.property(
				fc.array(
					fc.record({
						at: fc.integer({ min: 0, max: WEEK_MINUTES - 1 }),
						value: fc.constantFrom('comfort', 'eco', 'frost')
					}),
					{ minLength: 1, maxLength: 40 }
				),
				(steps) => {
					const week = buildWeek(steps);
					const routine = routineSchema.parse(routineOfWeek(week, setpointOf));
					expect(sameWeek(routineWeek(routine, setpointOf), week)).toBe(true);
				}
			)
		);
	});

	it('is known to have been left by a week drawn over it', () => {
		for (const template of routineTemplates) {
			const zone = zoneSchema.parse(
				withRoutine(newZone('Parlour', stat), routineFromTemplate(template, levels))
			);
			expect(followsRoutine(zone)).toBe(true);
			const drawn = withWanted(zone, [
				{ at: 100, value: 'comfort' },
				{ at: 4 * DAY_MINUTES + 7, value: 'frost' }
			]);
			expect(followsRoutine(drawn)).toBe(false);
			expect(drawn.routine).toEqual(zone.routine);
		}
	});

	it('of a zone may name only its own levels', () => {
		const zone = {
			...newZone('Parlour', stat),
			routine: { dayTypes: [day('a', [[6, 9, 'hot']])], week: all('a') }
		};
		expect(zoneSchema.safeParse(zone).error!.issues[0]!.message).toBe(
			'(Day a) names no level of this zone ("hot")'
		);
	});
});

describe('a room’s use', () => {
	// EN 12831-1 defaults and UK workplace practice, both from memory; setback 4–5 K and 5 °C frost: common practice
	it.each([
		['living-room', 20],
		['bedroom', 20],
		['bathroom', 24],
		['workshop', 16],
		['heavy-work', 13]
	])('%s suggests %d °C, a setback 4 to 5 K under it, and says where that comes from', (id, comfortC) => {
		const use = roomUse(id)!;
		const [comfort, eco] = levelsForUse(levels, use);
		expect([comfort!.setpointC, comfort!.setpointC - eco!.setpointC]).toEqual([comfortC, SETBACK_K]);
		expect(SETBACK_K).toBeGreaterThanOrEqual(4);
		expect(SETBACK_K).toBeLessThanOrEqual(5);
		expect(use.source('C')).toMatch(/EN 12831-1|UK workplace practice|common practice/);
		expect(use.source('F') + use.care('F')).not.toContain('°C');
	});

	it('never suggests under 5 °C, nor under 18 °C comfort for frail people (WHO 2018, from memory)', () => {
		for (const use of roomUses)
			for (const level of levelsForUse(levels, use)) expect(level.setpointC).toBeGreaterThanOrEqual(5);
		expect(roomUse('frail-occupants')!.comfortC).toBeGreaterThanOrEqual(18);
	});

	it('takes a level a little under the warmest for another use of the room, not for its setback', () => {
		const three = [20.5, 18.5, 15].map((setpointC, i) => ({ ...levels[i]!, setpointC }));
		const suggested = levelsForUse(three, roomUse('office')!);
		expect(suggested.map((level) => level.setpointC)).toEqual([20, 18.5, 16]);
	});

	it('leaves a switch’s on and off alone', () => {
		const onOff = startingLevels(findProfile('switch-timer')!);
		expect(levelsForUse(onOff, roomUse('bathroom')!)).toEqual(onOff);
	});
});

describe('the same week as another zone', () => {
	const timer = findProfile('switch-timer')!;
	const from = withRoutine(
		{ ...newZone('Parlour', stat), use: 'living-room' },
		routineFromTemplate(routineTemplates[0]!, levels)
	);

	it('brings week, routine, levels and lead along, but neither name nor control', () => {
		const taken = takeWeek(newZone('Study', findProfile('radio-stat')!), from, stat, stat);
		expect(taken).toMatchObject({
			name: 'Study',
			control: 'radio-stat',
			wanted: from.wanted,
			routine: from.routine
		});
		expect(zoneSchema.safeParse(taken).success).toBe(true);
	});

	it('gives a cooling control its own cooling setpoints, and a plain one none', () => {
		const cool = findProfile('heat-and-cool-stat')!;
		const warmed = takeWeek(newZone('Study', cool), from, cool, stat);
		expect(warmed.levels.map((level) => level.coolC)).toEqual([25, 28, 32]);
		expect(takeWeek(newZone('X', stat), warmed, stat, cool).levels.map((level) => level.coolC)).toEqual([
			null,
			null,
			null
		]);
	});

	it('gives a switch the times alone', () => {
		const taken = takeWeek(newZone('Rail', timer), from, timer, stat);
		expect(
			valueAt(
				taken.wanted.map((step) => ({ at: step.at, value: step.level })),
				7 * 60
			)
		).toBe('on');
		expect(taken.routine).toBeNull();
		expect(zoneSchema.safeParse(taken).success).toBe(true);
	});
});

it('a store of hot water has hours of its own: none is first heated when everybody has washed', () => {
	expect(templatesFor(false).some(({ id }) => id === 'out-all-day')).toBe(true);
	for (const template of templatesFor(true)) {
		const days = splitByDay(
			routineWeek(
				routineFromTemplate(template, startingLevels(findProfile('two-channel-programmer')!)),
				() => 0
			)
		);
		for (const day of days) expect(day.find(({ value }) => value === 'on')!.from).toBeLessThanOrEqual(7 * 60);
	}
	expect(templatesFor(true).length + templatesFor(false).length).toBe(routineTemplates.length);
});

describe('a room to begin with', () => {
	const start = (words: string) => ROOM_STARTS.find((one) => one.words === words)!;

	it('is as large as its use says, a bathroom small, and never a floor that no floor gives', () => {
		expect(usualAreaM2('bathroom', 'x')).toBe(6);
		expect(usualAreaM2(null, 'Bath under the roof')).toBe(6);
		expect(usualAreaM2(null, 'Parlour')).toBe(20);
		for (const { id } of roomUses)
			for (const one of ROOM_STARTS) {
				const areaM2 = usualAreaM2(id, '');
				const room = roomBegun(one, { areaM2, ratedW: areaM2 * one.wattsPerM2, floorSensor: true });
				expect(wattsPerM2(room)).toBeLessThanOrEqual(FLOOR_MOST_W_M2);
			}
	});

	it('has its sensor in the floor where its control measures the floor and the floor heats', () => {
		const given = { areaM2: 6, ratedW: 900 };
		const cable = start('A floor cable');
		expect(roomBegun(cable, { ...given, floorSensor: true }).sensor).toBe('floor');
		expect(roomBegun(cable, { ...given, floorSensor: false }).sensor).toBe('air');
		expect(roomBegun(start('A towel rail'), { ...given, floorSensor: true }).sensor).toBe('air');
		const floors = shippedProfiles.filter(({ habits }) => habits.floorSensor).map(({ id }) => id);
		expect(floors).toHaveLength(4);
		expect(floors.every((id) => id.includes('floor'))).toBe(true);
	});
});
