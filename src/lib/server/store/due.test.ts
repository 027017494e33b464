import { expect, it } from 'vitest';
import { profileOf } from '$core/control';
import { dueAt } from '$core/words';
import { db, demoJob, siteWithZones } from '../../../../tests/support/database';
import { dueList } from '.';

it('what is due of all sites, read in parts, is what their whole zones tell', async () => {
	const nowMs = Date.parse('2026-12-08T12:00:00Z');
	for (const name of ['tallow-quay-workshops', 'kelter-court', 'marrow-house', 'osier-lane-reading-room']) {
		const job = demoJob(name);
		const [first, ...others] = job.zones;
		const { id, site, zones } = await siteWithZones({
			...job,
			// each week keyed by itself, in one of them
			zones: [{ ...first!, bookedWeek: '2026-12-07' }, ...others]
		});
		const whole = dueAt(
			zones.map(({ id: zoneId, boxId, zone, onSite, summary }) => ({
				id: zoneId,
				boxId,
				zone,
				onSite,
				profile: profileOf(zone, site.profiles),
				byHand: summary.byHand
			})),
			site.site.timeZone,
			nowMs
		);
		const listed = (await dueList(db, nowMs)).filter((one) => one.siteId === id && one.zoneId !== '');
		const told = ({ on, kind, zoneName, sentence, late }: (typeof whole)[number]) =>
			`${on} ${kind} ${zoneName}: ${sentence} ${late}`;
		expect(
			whole.some(({ kind }) => kind === 'week-card'),
			name
		).toBe(true);
		// what was promised to who called stands in the list alone
		expect(listed.map(told)).toEqual(expect.arrayContaining(whole.map(told)));
		expect(
			listed
				.filter(({ kind }) => kind !== 'promised')
				.map(told)
				.sort()
		).toEqual(
			whole
				.filter(({ kind }) => kind !== 'promised')
				.map(told)
				.sort()
		);
	}
});
