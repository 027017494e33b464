/** The program's answers against those of other means that are kept in `tests/fixtures/oracle.json`: see oracle.ts for how each was found. */
import { readFileSync } from 'node:fs';
import { expect, it } from 'vitest';
import { localTime, wallAt } from '../../src/core/civil';
import { findProfile, shippedProfiles } from '../../src/core/control';
import { fitZone } from '../../src/core/fit';
import { roomSchema } from '../../src/core/plan';
import { planAbsence } from '../../src/core/run';
import { weekCost } from '../../src/core/thermal';
import { zoneOf, type OracleFixture } from './oracleZone';

const { fits, clocks, absences, tariffs } = JSON.parse(
	readFileSync('tests/fixtures/oracle.json', 'utf8')
) as OracleFixture;

it('fits of every form and family, in °C and °F, miss no more than the least that HiGHS found', () => {
	for (const [i, one] of fits.entries()) {
		const profile = findProfile(one.profile)!;
		const { misfit } = fitZone(zoneOf(one, profile), profile).chosen;
		expect(
			Math.abs(misfit.weighted - one.weighted),
			`${i} ${one.profile} ${one.unit} ${one.grouping}`
		).toBeLessThan(1e-5 * Math.max(1, one.weighted));
	}
	const families = shippedProfiles.filter(({ program }) => program.form !== 'plain').map(({ id }) => id);
	expect(new Set(fits.map(({ profile }) => profile))).toEqual(new Set(families));
	expect(fits.filter(({ unit }) => unit === 'F').length).toBeGreaterThan(20);
	expect(fits.length + clocks.length + absences.length + tariffs.length).toBeGreaterThanOrEqual(200);
});

it('local times as Temporal has them', () => {
	for (const { timeZone, atMs, local } of clocks)
		expect(localTime(wallAt(timeZone, atMs)), timeZone).toBe(local);
});

it('absences by days end as they do counted day by day', () => {
	for (const { profile, leave, back, days, until } of absences) {
		const plan = planAbsence(findProfile(profile)!, { leave, back });
		expect(
			[plan.days, plan.toWall === null ? null : localTime(plan.toWall)],
			`${profile} ${leave} ${back}`
		).toEqual([days, until]);
	}
});

it('a week’s heat costs what it does minute by minute', () => {
	const room = roomSchema.parse({
		floorAreaM2: 20,
		heightM: 2.5,
		build: 'medium',
		loss: { by: 'figure', wattsPerKelvin: 50 },
		emitter: { kind: 'electric-panel', ratedW: 2000 }
	});
	for (const { tariff, hoursKWh, money } of tariffs)
		expect(weekCost(hoursKWh, room, 0, { source: null, tariff })!.money).toBeCloseTo(money, 6);
});
