import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { instantOf, localTime } from '../civil';
import { awayPlaceAt, factoryOptions } from '../control';
import { awayKeys } from '../keying';
import { factoryMemory, programOf, type Operable } from '../machine';
import { operable } from '../../../tests/support/anyZone';
import { absenceSpan, planAbsence, prepareRun, resolve, rightClock } from '../run';
import { newZone } from '../plan';
import { begin, displayOf, doneOf, heldOver, pass, settingsOf, startsEarly, strokeAt, type World } from '.';

const BERLIN = 'Europe/Berlin';
const DAY = 1440;
const families = operable.filter(({ panel }) => awayPlaceAt(panel) >= 0);

/** A stand-in whose clock is right at a wall minute, with an absence keyed by its keys from what it holds. */
function keyed(profile: Operable, leaveWall: number, backWall: number, setpointC: number): World | null {
	const absence = { leave: localTime(leaveWall), back: localTime(backWall), setpointC };
	const memory = factoryMemory(profile);
	const plan = { ...absence, ...planAbsence(profile, absence) };
	const keys = awayKeys(profile, factoryOptions(profile), plan, { memory, unsure: [], mode: 0 });
	if (!keys) return null;
	let world = begin(profile, instantOf(BERLIN, leaveWall), { timeZone: BERLIN }, memory);
	const strokes = keys.values.flatMap(({ keys: one }) => [...one.way, ...one.change!, ...one.take]);
	for (const stroke of [...strokes, ...keys.leave]) world = strokeAt(world, stroke);
	return world;
}

const away = fc.record({
	// the wall clock's days of 2027, both changes of the clocks among them
	leave: fc.integer({ min: 20_820 * DAY, max: 21_184 * DAY }),
	minutes: fc.integer({ min: 60, max: 25 * DAY }),
	setpointC: fc.integer({ min: 8, max: 16 })
});

describe('an absence set at the keys of a stand-in', () => {
	it('is there on every family that takes one by days, by a return or by dates', () => {
		expect(families.map(({ habits }) => habits.holiday!.by).sort()).toEqual([
			...Array<string>(5).fill('days'),
			...Array<string>(2).fill('periods'),
			...Array<string>(4).fill('return-date')
		]);
		const without = operable.filter(
			({ panel, habits }) =>
				awayPlaceAt(panel) < 0 && habits.holiday !== null && habits.holiday.by !== 'until-ended'
		);
		expect(without).toEqual([]);
	});

	it.each(families)('$name: is in force as it was planned, minute by minute as the run says', (profile) => {
		fc.assert(
			fc.property(away, ({ leave, minutes, setpointC }) => {
				const back = leave + minutes;
				const absence = { leave: localTime(leave), back: localTime(back), setpointC };
				const span = absenceSpan(profile, absence);
				const world = keyed(profile, leave, back, setpointC);
				fc.pre(span.by !== 'by-hand' && instantOf(BERLIN, leave) !== instantOf(BERLIN, leave + 60));
				expect(doneOf(world!, 'absence')).toBeDefined();
				expect(world!.machine.place).toBeNull();
				const fields = profile.panel.places[awayPlaceAt(profile.panel)]!.fields;
				const heldC = doneOf(world!, 'absence')!.setpointC ?? setpointC;
				if (fields.includes('away-setpoint')) expect(heldC).toBe(setpointC);
				const run = prepareRun({
					profile,
					options: factoryOptions(profile),
					levels: newZone('Any', profile).levels,
					program: programOf(profile, world!.machine.memory)!,
					settings: settingsOf(world!),
					startsEarly: startsEarly(profile, world!.machine.memory),
					exceptions: [{ kind: 'absence', id: 'away', note: '', ...absence, setpointC: heldC }],
					timeZone: BERLIN,
					clock: rightClock(profile, world!.atMs)
				});
				const held = heldOver(world!, world!.atMs, world!.atMs + (minutes + 2 * DAY) * 60_000);
				for (let at = 0; at < minutes + 2 * DAY; at += 37) {
					const ms = world!.atMs + at * 60_000;
					const ours = held.find(({ toMs }) => toMs > ms)!.setC;
					expect([at, ours]).toEqual([at, resolve(run, ms).heatC]);
				}
			}),
			{ numRuns: 12 }
		);
	});

	it('does not hold before its first day, ends with no days away and with another mode', () => {
		const clock = families.find(({ habits }) => habits.holiday!.by === 'periods')!;
		const tenDays = keyed(clock, 20_900 * DAY + 600, 20_920 * DAY, 10)!;
		const before = {
			...tenDays,
			done: [{ ...doneOf(tenDays, 'absence')!, fromMs: tenDays.atMs + 3_600_000 }]
		};
		expect(displayOf(before).foot).toBe('Auto');
		expect(displayOf(pass(before, 3_660)).foot).toMatch(/^away to /);
		// what is changed by hand meanwhile leaves it as it was set
		const boost = { ends: 'after-steps', stepMinutes: 120, mostSteps: 1, how: '' } as const;
		const boosted: World = {
			...before,
			profile: { ...before.profile, habits: { ...before.profile.habits, boost } },
			done: [...before.done, { id: 'b', kind: 'boost', setpointC: 21, fromMs: before.atMs, steps: 1 }]
		};
		expect(displayOf(boosted)).toMatchObject({ shows: '21.0', foot: expect.stringMatching(/^boost/) });
		expect(displayOf(pass(boosted, 3_660)).foot).toMatch(/^away to /);

		const stat = families.find(({ id }) => id === 'six-step-room-stat')!;
		const gone = keyed(stat, 20_900 * DAY + 600, 20_905 * DAY, 12)!;
		expect(displayOf(gone)).toMatchObject({ shows: '12.0', foot: 'away to Sun 28 Mar' });
		expect(strokeAt(gone, stat.panel.modes!.next!).done).toEqual([]);
		const hours = { leave: '2027-03-23T10:00', back: '2027-03-23T12:00', setpointC: 12 };
		const none = awayKeys(stat, factoryOptions(stat), { ...hours, ...planAbsence(stat, hours) });
		expect(none).toBeNull();
	});
});
