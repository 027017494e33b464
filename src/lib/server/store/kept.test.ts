import { describe, expect, it } from 'vitest';
import { db, demoJob, another } from '../../../../tests/support/database';
import { whileUnchanged } from '../db';
import { createSite, findSite, changeSite } from '.';
import { stampOf, touchTime, whileUntouched } from './untouched';

describe('what is kept while nothing changes', () => {
	it('is computed once for all who ask, and anew after any change, whoever made it', async () => {
		const id = await createSite(db, demoJob());
		let computed = 0;
		const ask = (also = '') => whileUnchanged(db, 'answer', async () => ++computed, also);
		expect(await Promise.all([ask(), ask(), ask()])).toEqual(await Promise.all([ask(), ask(), ask()]));
		const before = computed;
		await ask();
		expect(computed).toBe(before);
		const site = (await findSite(db, id))!.site;
		await changeSite(db, id, { ...site, name: 'Suet Wharf' });
		await ask();
		expect(computed).toBe(before + 1);
		// another program's change counts too
		const other = await another();
		await changeSite(other, id, { ...site, name: 'Tallow Wharf' });
		await other.close();
		await ask();
		expect(computed).toBe(before + 2);
		await ask('the next hour');
		expect(computed).toBe(before + 3);
	});

	it('is not a failure: the next who asks has it tried again', async () => {
		let tries = 0;
		const ask = () =>
			whileUnchanged(db, 'fails first', async () => {
				if (++tries === 1) throw new Error('disk');
				return tries;
			});
		await expect(ask()).rejects.toThrow('disk');
		expect(await ask()).toBe(2);
	});
});

describe('what is kept of a site while it is untouched', () => {
	it('goes with each change of that site alone, and two changes in one millisecond are two', async () => {
		const [a, b] = await Promise.all([createSite(db, demoJob()), createSite(db, demoJob('kelter-court'))]);
		const computed = { a: 0, b: 0 };
		const ask = async (id: string, key: 'a' | 'b') =>
			whileUntouched(db, (await findSite(db, id))!, 'answer', async () => ++computed[key]);
		for (let i = 0; i < 3; i++) await Promise.all([ask(a, 'a'), ask(b, 'b')]);
		expect(computed).toEqual({ a: 1, b: 1 });
		const { site } = (await findSite(db, a))!;
		const stamps = new Set<string>();
		for (let i = 0; i < 5; i++) {
			await changeSite(db, a, { ...site, name: `Name ${i}` });
			stamps.add(stampOf((await findSite(db, a))!));
			await ask(a, 'a');
			await ask(b, 'b');
		}
		expect(stamps.size).toBe(5);
		expect(computed).toEqual({ a: 6, b: 1 });
		const times = Array.from({ length: 1000 }, () => touchTime().getTime());
		expect(new Set(times).size).toBe(1000);
	});

	it('is not a failure either, and of very much the longest unused goes', async () => {
		const id = await createSite(db, demoJob());
		const site = (await findSite(db, id))!;
		let tries = 0;
		const ask = () =>
			whileUntouched(db, site, 'fails first', async () => {
				if (++tries === 1) throw new Error('disk');
				return tries;
			});
		await expect(ask()).rejects.toThrow('disk');
		await new Promise((resolve) => setImmediate(resolve));
		expect(await ask()).toBe(2);
		for (let i = 0; i < 3000; i++) await whileUntouched(db, site, `other ${i}`, async () => i);
		expect(await ask()).toBe(3);
	});
});
