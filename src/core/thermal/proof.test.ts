import { describe, expect, it } from 'vitest';
import { findProfile } from '../control';
import { fitZone } from '../fit';
import {
	leadInputs,
	leadIsStale,
	newZone,
	roomSchema,
	target,
	withComputedLead,
	withWanted,
	zoneSchema,
	type Room,
	type Zone
} from '../plan';
import { buildWeek, valueAt, WEEK_MINUTES } from '../week';
import { proofWords } from '../words';
import { byMinute, feltMinutes, gatedBy, nightsOf, proofOf, readyRoom, risesOf, roomWeek, simulate } from '.';

const stat = findProfile('six-step-room-stat')!;
const room = (more: object): Room =>
	roomSchema.parse({
		floorAreaM2: 20,
		heightM: 2.5,
		build: 'medium',
		loss: { by: 'figure', wattsPerKelvin: 50 },
		emitter: { kind: 'electric-panel', ratedW: 2000 },
		...more
	});
const light = room({ build: 'very-light' });
const heavyFloor = room({
	build: 'very-heavy',
	emitter: { kind: 'wet-floor', ratedW: 1700, waterC: 38 },
	finish: 'tile',
	loss: { by: 'figure', wattsPerKelvin: 30 }
});
const plain: Zone = withWanted(
	newZone('Parlour', stat),
	buildWeek(
		[0, 1, 2, 3, 4, 5, 6].flatMap((day) => [
			{ at: day * 1440 + 420, value: 'comfort' },
			{ at: day * 1440 + 1320, value: 'eco' }
		])
	)
);
const proved = (of: Room, outdoorC = 0, zone = plain) => {
	const known = { ...zone, room: of };
	const proof = proofOf(known, of, stat, fitZone(known, stat).chosen.held, outdoorC);
	return { proof, words: proofWords(proof, known, of, stat) };
};

describe('a proof', () => {
	it('has the room’s line that the week draws', () => {
		const { held } = fitZone(plain, stat).chosen;
		for (const of of [light, heavyFloor])
			expect(roomWeek(plain, of, stat, held, -3)).toEqual(proofOf(plain, of, stat, held, -3).days.air);
	});

	it('heats only while its control calls and what feeds it may run, minute by minute, and the heat balances', () => {
		const { held } = fitZone(plain, stat).chosen;
		const hours = buildWeek(
			[0, 1, 2, 3, 4, 5, 6].flatMap((day) => [
				{ at: day * 1440 + 540, value: true },
				{ at: day * 1440 + 690 + 7 * day, value: false }
			])
		);
		for (const of of [light, heavyFloor, room({ emitter: { kind: 'radiator', ratedW: 2500 } })]) {
			const free = proofOf(plain, of, stat, held, -3);
			expect(proofOf(plain, of, stat, held, -3, buildWeek([{ at: 0, value: true }]))).toEqual({
				...free,
				days: { ...free.days, may: free.days.air.map(() => 1) }
			});
			const { days, ways, rises } = proofOf(plain, of, stat, held, -3, hours);
			const { ways: never } = proofOf(plain, of, stat, held, -3, buildWeek([{ at: 0, value: false }]));
			expect(never.programmed.kWhPerDay).toBeCloseTo(0, 6);
			expect(rises).toEqual(free.rises);
			expect(ways.programmed.coldMinutes).toBeGreaterThan(free.ways.programmed.coldMinutes);
			expect(ways.programmed.kWhPerDay).toBeLessThan(free.ways.programmed.kWhPerDay);
			const request = readyRoom(of);
			const set = byMinute(held, WEEK_MINUTES);
			const run = simulate({
				...request,
				outdoorC: new Float64Array(WEEK_MINUTES).fill(-3),
				setpointC: gatedBy(hours, set),
				record: true
			});
			for (let minute = 0; minute < WEEK_MINUTES; minute++)
				if (!valueAt(hours, minute)) expect(run.heating[minute]).toBe(0);
			days.heating.forEach((share, i) => expect(days.may![i] === 1 || share === 0).toBe(true));
			expect(run.heatJ).toBeGreaterThan(0);
			expect((run.heatJ + run.gainsJ - run.lossJ - run.storedJ) / run.heatJ).toBeCloseTo(0, 6);
		}
	});

	it('gives a light room on a panel and a heavy one on its floor plainly different leads and opposite advice', () => {
		const [a, b] = [proved(light), proved(heavyFloor)];
		const lead = (one: typeof a) => Math.max(...one.proof.rises.map((rise) => rise.minutes ?? 999));
		expect(lead(a)).toBeLessThanOrEqual(60);
		expect(lead(b)).toBeGreaterThan(1.5 * lead(a));
		expect(a.words.setback).toMatch(/^Set it back/);
		expect(b.words.setback).toMatch(/^(Keep it steady|Keep the setback small)/);
		expect(b.words.low).toMatch(/changes nothing|holds it/);
	});

	it('says of every cold what mends it, and the mend followed takes that cold away', () => {
		const gate = buildWeek(
			[0, 1, 2, 3, 4, 5, 6].flatMap((day) => [
				{ at: day * 1440 + 540, value: true },
				{ at: day * 1440 + 1200, value: false }
			])
		);
		const seen = new Set<string | null>();
		const run = (
			id: string,
			of: Room,
			change: (zone: Zone) => Zone,
			may: typeof gate | null,
			outdoorC = 0
		) => {
			const profile = findProfile(id)!;
			const fresh = newZone('Z', profile);
			const zone = change({
				...withWanted(fresh, buildWeek(plain.wanted.map(({ at, level }) => ({ at, value: level })))),
				room: of
			});
			const proof = proofOf(zone, of, profile, fitZone(zone, profile).chosen.held, outdoorC, may);
			const words = proofWords(proof, zone, of, profile, 'Boiler');
			const { cold, ways } = proof;
			expect(cold.sourceMinutes + cold.weekMinutes + cold.leadMinutes + cold.restMinutes).toBe(
				ways.programmed.coldMinutes
			);
			// no red headline without a mend, and none where nothing is cold
			expect(words.mend === null).toBe(words.warm);
			if (words.mend === 'source') expect(words.answer).toContain('Boiler is timed off');
			seen.add(words.mend);
			return { proof, words, zone, profile };
		};
		const same = (zone: Zone) => zone;
		const fair = room({ build: 'medium', loss: { by: 'figure', wattsPerKelvin: 35 } });
		const late = run('six-step-room-stat', light, same, null);
		expect(late.words.mend).toBe('leads');
		const leads = late.proof.rises.map(({ at, minutes }) => ({ at, minutes: minutes!, earlier: 0 }));
		const led = run('six-step-room-stat', light, (zone) => withComputedLead(zone, 0, leads), null);
		expect(led.proof.cold.leadMinutes).toBeLessThanOrEqual(1);
		const gated = run('six-step-room-stat', light, (zone) => withComputedLead(zone, 0, leads), gate);
		expect(gated.words.mend).toBe('source');
		expect(gated.proof.ways.programmed.coldMinutes - gated.proof.cold.sourceMinutes).toBe(
			led.proof.ways.programmed.coldMinutes
		);
		// a control that finds its own start is in time with no lead typed; with too short a start it says so
		const own = run('line-voltage-stat', fair, same, null);
		expect(own.words.mend).toBeNull();
		const short = run(
			'line-voltage-stat',
			fair,
			(zone) => ({ ...zone, settings: { ...zone.settings, earlyStartMinutes: 10 } }),
			null
		);
		expect(short.words.mend).toBe('own-start');
		expect(short.words.answer).toContain('it may begin 10 min early');
		const ownGated = run('line-voltage-stat', fair, same, gate);
		expect(ownGated.words.mend).toBe('source');
		// what is left with every lead is the swing of its control: a little of it is no cold room, much of it is
		expect(led.words.answer).toMatch(/^Warm in time .* between starts it dips for/);
		const wide = { ...light, regulation: { kind: 'on-off', differentialK: 3 } } as Room;
		const swinging = run('six-step-room-stat', wide, (zone) => withComputedLead(zone, 0, leads), null);
		expect(swinging.words.mend).toBe('regulation');
		expect(run('six-step-room-stat', light, same, null, -40).words.mend).toBe('room');
		expect([...seen].sort()).toEqual(['leads', 'own-start', 'regulation', 'room', 'source', null].sort());
	});

	it('feels for each held week what its proof calls cold, and a heavy floor hardly what a light room does', () => {
		const { fits } = fitZone(plain, stat);
		const late = fits[0]!.held.map((step) => ({ ...step, at: (step.at + 40) % WEEK_MINUTES }));
		const weeks = [fits[0]!.held, buildWeek(late), fits[0]!.held];
		const of = (one: Room) => {
			const felt = feltMinutes(plain, one, stat, weeks, -3);
			expect(felt).toEqual(
				weeks.map((week) => proofOf(plain, one, stat, week, -3).ways.programmed.coldMinutes)
			);
			return felt[1]! - felt[0]!;
		};
		expect(of(light)).toBeGreaterThan(150);
		expect(of(heavyFloor)).toBeLessThan(of(light));
	});

	it('never lets the program burn more than one temperature, nor frost level more than the program', () => {
		for (const of of [light, heavyFloor, room({ emitter: { kind: 'radiator', ratedW: 2500 } })]) {
			const { steady, programmed, frost } = proved(of).proof.ways;
			expect(programmed.kWhPerDay).toBeLessThanOrEqual(steady.kWhPerDay * 1.001);
			expect(frost.kWhPerDay).toBeLessThanOrEqual(programmed.kWhPerDay * 1.02);
		}
	});

	it('saves, for eight hours 8.3 K lower (15 °F) in a light, poorly insulated house, about 15 % (US DOE: 1 % per °F per 8 h, from memory)', () => {
		const deep = {
			...plain,
			levels: plain.levels.map((level) =>
				level.id === 'eco' ? { ...level, setpointC: 20 - 15 / 1.8 } : level
			)
		};
		const night = withWanted(
			deep,
			buildWeek(
				[0, 1, 2, 3, 4, 5, 6].flatMap((day) => [
					{ at: day * 1440 + 360, value: 'comfort' },
					{ at: day * 1440 + 1320, value: 'eco' }
				])
			)
		);
		const { steady, programmed } = proved(
			room({
				build: 'very-light',
				loss: { by: 'figure', wattsPerKelvin: 130 },
				emitter: { kind: 'electric-panel', ratedW: 5000 }
			}),
			2,
			night
		).proof.ways;
		const saving = 1 - programmed.kWhPerDay / steady.kWhPerDay;
		expect(saving).toBeGreaterThan(0.07);
		expect(saving).toBeLessThan(0.2);
	});

	it('says where the emitter is too small, where a floor gets too hot and where pipes can freeze', () => {
		const small = proved(room({ emitter: { kind: 'electric-panel', ratedW: 700 } }), -10);
		expect(small.words.answer).toMatch(/^Too small at .* wanted/);
		expect(small.words.warm).toBe(false);
		const hot = proved(
			room({
				emitter: { kind: 'floor-cable', ratedW: 4000 },
				finish: 'wood',
				loss: { by: 'figure', wattsPerKelvin: 90 }
			}),
			-5
		);
		expect(hot.words.floor).toMatchObject({ stops: true });
		expect(hot.words.floor?.text).toMatch(/^Stop: the floor surface reaches/);
		const frost = proved(room({ emitter: { kind: 'electric-panel', ratedW: 300 } }), -12);
		expect(frost.words.frost).toMatch(/pipes can freeze/);
	});

	it('takes a night from the last time it was as warm, over a weekend too', () => {
		const office = withWanted(
			newZone('Office', stat),
			buildWeek([
				{ at: 480, value: 'comfort' },
				{ at: 1020, value: 'eco' },
				{ at: 1200, value: 'frost' },
				{ at: 1440 + 300, value: 'eco' },
				{ at: 1440 + 480, value: 'comfort' },
				{ at: 1440 + 1020, value: 'frost' }
			])
		);
		const rise = (at: number) => nightsOf(office, stat).find((one) => one.at === at)!.night;
		expect(rise(1440 + 480)).toEqual({ beforeC: 20, setbackC: 7, minutes: 900, comfortC: 20 });
		expect(rise(480).minutes).toBe(5 * 1440 + 900);
	});

	it('moves every rise of the target week by its own lead, and is stale once the room or the week is another', () => {
		const rises = risesOf(plain, heavyFloor, stat, 0);
		const zone: Zone = zoneSchema.parse({ ...plain, room: heavyFloor });
		const led: Zone = {
			...zone,
			lead: {
				...zone.lead,
				school: 'computed',
				computed: {
					outdoorC: 0,
					leads: rises.map(({ at, minutes }) => ({ at, minutes: minutes ?? 720, earlier: 0 })),
					inputs: leadInputs(zone)
				}
			}
		};
		const starts = target(led)
			.week.filter((step) => step.value === 'comfort')
			.map((step) => step.at);
		expect(starts).toEqual(
			rises.map((rise) => (rise.at - rise.minutes! + 10_080) % 10_080).sort((a, b) => a - b)
		);
		expect(leadIsStale(led)).toBe(false);
		expect(leadIsStale({ ...led, room: light })).toBe(true);
		expect(
			leadIsStale(
				withWanted(
					led,
					buildWeek([
						{ at: 60, value: 'eco' },
						{ at: 900, value: 'comfort' }
					])
				)
			)
		).toBe(true);
		// with it the room is warm in time where without it was not
		const [without, withLead] = [proved(heavyFloor, 0, zone), proved(heavyFloor, 0, led)];
		expect(withLead.proof.ways.programmed.coldMinutes).toBeLessThan(
			0.35 * without.proof.ways.programmed.coldMinutes
		);
	});
});
