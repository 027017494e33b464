import { describe, expect, it, vi } from 'vitest';
import { callSchema, reportSchema, type Call, type Report } from '$core/callback';
import { db, siteWithZones } from '../../../../tests/support/database';
import {
	addCall,
	callsOf,
	countAnew,
	createLink,
	createSite,
	dueList,
	duplicateSite,
	findSite,
	historyOf,
	openCallsInList,
	outcomesOf,
	readSiteAsJob,
	removeCall,
	reportByLink,
	saveCall
} from '.';

const call = (part: Partial<Call> = {}): Call => callSchema.parse({ said: 'cold in the mornings', ...part });
const word = (part: Partial<Report> = {}): Report =>
	reportSchema.parse({ room: null, caller: 'R. Gable', said: 'cold', facts: [], ...part });
const outcome = (kind: 'clock-off' | 'left-off') => ({ kind, figure: 0, note: '' });

describe('a call', () => {
	it('is kept, saved on the revision that was known, closed, opened again, removed; its promise is due', async () => {
		const { site, zones } = await siteWithZones();
		const zone = zones[0]!;
		const added = await addCall(db, site.id, zone.id, call({ zoneName: zone.zone.name }));
		const id = added.kind === 'added' ? added.id : '';
		const promise = call({ promised: 'come on Friday', promisedBy: '2031-01-03' });
		expect(await saveCall(db, site.id, id, 1, { call: promise })).toEqual({ kind: 'saved', revision: 2 });
		expect((await saveCall(db, site.id, id, 1, { call: call() })).kind).toBe('conflict');
		expect((await saveCall(db, site.id, id, 2, { call: call(), zoneId: 'nobody' })).kind).toBe('refused');
		const due = async () =>
			(await dueList(db, Date.parse('2030-12-30T12:00:00Z'))).filter(({ sentence }) =>
				/Friday/.test(sentence)
			);
		expect(await due()).toMatchObject([{ on: '2031-01-03', kind: 'promised', zoneId: zone.id }]);
		await saveCall(db, site.id, id, 2, { call: { ...promise, outcome: outcome('clock-off') } });
		expect(await due()).toEqual([]);
		expect(await openCallsInList(db)).toEqual([]);
		expect((await outcomesOf(db)).counts).toEqual({ 'clock-off': 1 });
		await saveCall(db, site.id, id, 3, { call: promise });
		expect(await openCallsInList(db, site.id)).toMatchObject([{ id, isFresh: false }]);
		expect(await removeCall(db, 'another site', id)).toBe(false);
		expect(await removeCall(db, site.id, id)).toBe(true);
		expect(await callsOf(db, site.id)).toEqual([]);
	});

	it('that is closed counts until the counting is begun anew', async () => {
		const { site, zones } = await siteWithZones();
		await addCall(db, site.id, zones[0]!.id, call({ outcome: outcome('left-off') }));
		await addCall(db, site.id, null, call({ outcome: outcome('left-off') }));
		expect((await outcomesOf(db)).counts).toEqual({ 'left-off': 2 });
		await new Promise((resolve) => setTimeout(resolve, 5));
		await countAnew(db);
		expect((await outcomesOf(db)).counts).toEqual({});
		await new Promise((resolve) => setTimeout(resolve, 5));
		await addCall(db, site.id, null, call({ outcome: outcome('clock-off') }));
		expect((await outcomesOf(db)).counts).toEqual({ 'clock-off': 1 });
	});

	it('goes with the site’s file, with its zone, and not with a copy of its plan', async () => {
		const { site, zones } = await siteWithZones();
		await addCall(db, site.id, zones[1]!.id, call({ caller: 'R. Gable', outcome: outcome('left-off') }));
		const { token } = (await createLink(db, site.id, 3))!;
		await reportByLink(db, token, word());
		const job = (await readSiteAsJob(db, site.id))!;
		expect(job.calls).toMatchObject([{ zone: 1, caller: 'R. Gable', byCustomer: false }]);
		const again = await createSite(db, job);
		const [kept] = await callsOf(db, again);
		expect(kept).toMatchObject({ call: { outcome: { kind: 'left-off' } }, takenAt: expect.any(String) });
		expect(kept!.at).toBe(job.calls[0]!.at);
		expect(await callsOf(db, (await duplicateSite(db, site.id))!)).toEqual([]);
	});
});

describe('what a customer says by their link', () => {
	it('waits, bounded and limited in rate, until somebody takes it', async () => {
		const { site, zones } = await siteWithZones();
		const { token } = (await createLink(db, site.id, 3))!;
		expect(await reportByLink(db, 'x'.repeat(32), word())).toBe('ended');
		expect(await reportByLink(db, token, word({ room: 99 }))).toBe('room');
		const openCalls = async () => (await historyOf(db, (await findSite(db, site.id))!)).openCalls;
		expect(await openCalls()).toEqual([]);
		expect(await reportByLink(db, token, word({ room: 0 }))).toBe('kept');
		// nothing of the site was touched, and its places say it all the same
		expect(await openCalls()).toEqual([zones[0]!.id]);
		expect(await reportByLink(db, token, word())).toBe('soon');
		const [first] = await openCallsInList(db);
		expect(first).toMatchObject({ isFresh: true, zoneName: zones[0]!.zone.name, caller: 'R. Gable' });
		// nobody has taken it: it is not in the file
		expect((await readSiteAsJob(db, site.id))!.calls).toEqual([]);
		vi.useFakeTimers({ toFake: ['Date'] });
		try {
			// the machine's clock is set back by a year and forward again: nobody waits for the year to pass
			const now = Date.now();
			vi.setSystemTime(now - 365 * 86_400_000);
			expect(await reportByLink(db, token, word())).toBe('kept');
			vi.setSystemTime(now);
			for (let n = 2; n < 5; n++) {
				vi.setSystemTime(Date.now() + 61_000);
				expect(await reportByLink(db, token, word())).toBe('kept');
			}
			vi.setSystemTime(Date.now() + 61_000);
			expect(await reportByLink(db, token, word())).toBe('full');
			// one is taken: there is room for another
			await saveCall(db, site.id, first!.id, 1, { call: call() });
			expect(await reportByLink(db, token, word())).toBe('kept');
		} finally {
			vi.useRealTimers();
		}
		expect((await callsOf(db, site.id)).filter(({ takenAt }) => takenAt !== null)).toHaveLength(1);
	});
});
