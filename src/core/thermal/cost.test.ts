import fc from 'fast-check';
import { expect, it } from 'vitest';
import { findProfile } from '../control';
import { fitZone } from '../fit';
import { newZone, priceAt, roomSchema, sourceSchema, tariffSchema, withWanted, type Tariff } from '../plan';
import { buildWeek } from '../week';
import { costWords, customerCostWords, houseCostWords, yearCostWords } from '../words';
import { coldWeekMoney, costGivens, inventedYear, proofOf, weekCost, yearOf } from '.';

const radiators = roomSchema.parse({
	floorAreaM2: 20,
	heightM: 2.5,
	build: 'heavy',
	loss: { by: 'figure', wattsPerKelvin: 25 },
	emitter: { kind: 'radiator', ratedW: 1875, waterC: 55 }
});
const boiler = sourceSchema.parse({ id: 'b', name: 'Boiler', kind: 'boiler', efficiency: 0.9 });
const pump = sourceSchema.parse({ id: 'p', name: 'Pump', kind: 'heat-pump', performance: 4.5 });
const flat: Tariff = { kind: 'flat', perKWh: 0.3 };
const night: Tariff = { kind: 'day-night', dayPerKWh: 0.3, nightPerKWh: 0.1, nightFrom: 1320, nightTo: 360 };

const anyTariff: fc.Arbitrary<Tariff> = fc.oneof(
	fc.record({ kind: fc.constant('flat' as const), perKWh: fc.double({ min: 0.01, max: 5, noNaN: true }) }),
	fc.record({
		kind: fc.constant('half-hours' as const),
		perKWh: fc.array(fc.double({ min: 0.01, max: 5, noNaN: true }), { minLength: 48, maxLength: 48 })
	})
);

it('money is each hour’s energy at that hour’s price, whatever the tariff', () => {
	fc.assert(
		fc.property(
			anyTariff,
			fc.array(
				fc.integer({ min: 0, max: 300 }).map((n) => n / 100),
				{ minLength: 168, maxLength: 168 }
			),
			(tariff, hours) => {
				const cost = weekCost(hours, radiators, 0, { source: null, tariff })!;
				const sum = hours.reduce(
					(all, kWh, hour) =>
						all + (kWh / 2) * (priceAt(tariff, (hour % 24) * 60) + priceAt(tariff, (hour % 24) * 60 + 30)),
					0
				);
				expect(cost.money).toBeCloseTo(sum, 6);
				expect(cost.inputKWh).toBeCloseTo(
					hours.reduce((a, b) => a + b, 0),
					6
				);
				// a boiler only scales it
				const fired = weekCost(hours, radiators, 0, { source: boiler, tariff })!;
				expect(fired.money! * cost.inputKWh).toBeCloseTo(cost.money! * fired.inputKWh, 6);
			}
		),
		{ numRuns: 60 }
	);
});

it('an hour in which the price changes at a quarter past is charged to the quarter', () => {
	const tariff: Tariff = {
		kind: 'day-night',
		dayPerKWh: 0.4,
		nightPerKWh: 0.1,
		nightFrom: 1395,
		nightTo: 375
	};
	const hours = (hour: number) => Array.from({ length: 168 }, (_, i) => (i === hour ? 2 : 0));
	const money = (hour: number) => weekCost(hours(hour), radiators, 0, { source: null, tariff })!.money!;
	// night to 06:15, from 23:15: a quarter of the one hour, three quarters of the other
	expect(money(6)).toBeCloseTo(2 * (0.25 * 0.1 + 0.75 * 0.4), 9);
	expect(money(23)).toBeCloseTo(2 * (0.75 * 0.1 + 0.25 * 0.4), 9);
	expect(money(5)).toBeCloseTo(0.2, 9);
	expect(money(7)).toBeCloseTo(0.8, 9);
});

it('a night tariff covers the day over midnight; one that does not is refused with a sentence', () => {
	expect([
		priceAt(night, 1319),
		priceAt(night, 1320),
		priceAt(night, 0),
		priceAt(night, 359),
		priceAt(night, 360)
	]).toEqual([0.3, 0.1, 0.1, 0.1, 0.3]);
	const wrong = (tariff: object) => {
		const read = tariffSchema.safeParse(tariff);
		return read.success ? null : read.error.issues[0]!.message;
	};
	expect(wrong({ kind: 'half-hours', perKWh: Array(47).fill(0.2) })).toMatch(/must be 48 prices/);
	expect(wrong({ ...night, nightTo: 1320 })).toMatch(/must end at another/);
	expect(wrong({ kind: 'flat', perKWh: -1 })).not.toBeNull();
});

it('the same heat at once costs a heat pump more than slowly, a boiler the same', () => {
	const slowly = Array.from({ length: 168 }, () => 1);
	const atOnce = Array.from({ length: 168 }, (_, hour) => (hour % 3 === 0 ? 3 : 0));
	const of = (hours: number[], source: typeof pump) =>
		weekCost(hours, radiators, 2, { source, tariff: flat })!;
	expect(of(atOnce, pump).money!).toBeGreaterThan(of(slowly, pump).money! * 1.15);
	expect(of(atOnce, boiler).money!).toBeCloseTo(of(slowly, boiler).money!, 9);
	expect(weekCost(slowly, radiators, 2, { source: { ...pump, performance: null }, tariff: flat })).toBeNull();
});

it('says where a deep setback loses on a heat pump though it saves heat, and says no money without a tariff', () => {
	const stat = findProfile('six-step-room-stat')!;
	const fresh = newZone('Parlour', stat);
	const zone = {
		...withWanted(
			{
				...fresh,
				levels: fresh.levels.map((level) => (level.id === 'eco' ? { ...level, setpointC: 12 } : level))
			},
			buildWeek(
				[0, 1, 2, 3, 4, 5, 6].flatMap((day) => [
					{ at: day * 1440 + 360, value: 'comfort' },
					{ at: day * 1440 + 1320, value: 'eco' }
				])
			)
		),
		room: radiators,
		fedBy: 'p'
	};
	const proof = proofOf(zone, radiators, stat, fitZone(zone, stat).chosen.held, 2);
	const week = (way: keyof typeof proof.ways) => proof.ways[way].hoursKWh.reduce((a, b) => a + b, 0);
	// the hours are the way's own heat, to a millionth
	for (const way of ['steady', 'programmed', 'frost'] as const)
		expect(week(way) / 7 / proof.ways[way].kWhPerDay).toBeCloseTo(1, 6);
	expect(week('programmed')).toBeLessThan(week('steady'));
	const site = { sources: [pump, boiler], electricity: flat };
	const said = costWords(proof, radiators, costGivens(zone, radiators, site)!, 'EUR')!;
	expect(said.loses).toBe(true);
	expect(said.sentence).toMatch(
		/^The program costs €[\d.]+ a week, €[\d.]+ more than one temperature: warming up needs hotter water/
	);
	// cheap nights: what is saved there is dear by day, and it is not the water's fault
	const dear = costWords(proof, radiators, { source: boiler, tariff: { ...night, nightPerKWh: 0 } }, 'EUR')!;
	expect(dear.sentence).toMatch(/more than one temperature: its heat falls into dear hours\.$/);
	const fired = costWords(proof, radiators, { source: boiler, tariff: flat }, 'GBP')!;
	expect(fired.sentence).toMatch(/^The program costs £[\d.]+ a week, £[\d.]+ less than one temperature\.$/);
	const bare = costWords(proof, radiators, { source: boiler, tariff: null }, 'EUR')!;
	expect(bare.sentence).toBeNull();
	expect(bare.costs.steady.money).toBeNull();
	expect(costGivens({ fedBy: null }, radiators, site)).toBeNull();
	const panel = { ...radiators, emitter: { ...radiators.emitter, kind: 'electric-panel' as const } };
	expect(costGivens({ fedBy: null }, panel, site)).toEqual({ source: null, tariff: flat });
});

it('a year costs each hour’s heat at that hour’s price and weather; the house is its rooms, or says whose price is missing', () => {
	const stat = findProfile('six-step-room-stat')!;
	const fresh = newZone('Parlour', stat);
	const zone = {
		...withWanted(
			fresh,
			buildWeek(
				[0, 1, 2, 3, 4, 5, 6].flatMap((day) => [
					{ at: day * 1440 + 360, value: 'comfort' },
					{ at: day * 1440 + 1320, value: 'eco' }
				])
			)
		),
		room: { ...radiators, emitter: { ...radiators.emitter, kind: 'electric-panel' as const } }
	};
	const { held } = fitZone(zone, stat).chosen;
	const hoursC = inventedYear();
	const year = yearOf(zone, zone.room, stat, held, hoursC);
	for (const way of ['steady', 'programmed', 'frost'] as const) {
		expect(year[way].hoursKWh).toHaveLength(8760);
		const months = year[way].kWh.reduce((a, b) => a + b, 0);
		expect(year[way].hoursKWh.reduce((a, b) => a + b, 0) / months).toBeCloseTo(1, 6);
	}
	const site = { sources: [], electricity: flat, currency: 'EUR' };
	const said = yearCostWords(year, hoursC, zone.room, { source: null, tariff: flat }, 'EUR')!;
	const kWh = year.programmed.kWh.reduce((a, b) => a + b, 0);
	expect(said.costs.programmed.money).toBeCloseTo(kWh * 0.3, 6);
	expect(said.what).toBe('electricity a year');
	expect(said.sentence).toMatch(/^The program costs €[\d,.]+ a year, €[\d,.]+ less than one temperature\.$/);

	const week = proofOf(zone, zone.room, stat, held, 0);
	const one = { zone, week, year };
	const house = houseCostWords([one, { ...one, zone: { ...zone, name: 'Study' } }], hoursC, site);
	expect(house.rows.map(({ name }) => name)).toEqual(['Parlour', 'Study', 'The house']);
	const euros = (text: string) => Number(text.replace(/[€,]/g, ''));
	expect(euros(house.rows[2]!.costs)).toBeCloseTo(2 * kWh * 0.3, 1);
	expect(house.sentence).toMatch(
		/^The house costs €[\d,.]+ a year for \d+ kWh of heat, €[\d,.]+ less than at one temperature\.$/
	);
	const wet = houseCostWords(
		[one, { ...one, zone: { ...zone, name: 'Study', room: radiators } }],
		hoursC,
		site
	);
	expect(wet.sentence).toContain('what it costs is not known: Study has no price');
	expect(wet.rows[2]!.costs).toBe('not said');

	const money = coldWeekMoney(zone, stat, held, site, null)!;
	expect(money.programmed).toBeCloseTo(
		weekCost(week.ways.programmed.hoursKWh, zone.room, 0, { source: null, tariff: flat })!.money!,
		9
	);
	expect(coldWeekMoney({ ...zone, room: radiators }, stat, held, site, null)).toBeNull();
	expect(customerCostWords({ programmed: 17.6, steady: 21.2 }, 'EUR', '0 °C')).toBe(
		'A week at 0 °C outside costs about €18 here; one temperature day and night would cost about €21.'
	);
	expect(customerCostWords({ programmed: 4.62, steady: 4.58 }, 'GBP', '32 °F')).toBe(
		'A week at 32 °F outside costs about £4.60 here, as much as one temperature day and night.'
	);
});
