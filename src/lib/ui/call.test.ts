import { describe, expect, it } from 'vitest';
import { asked, later, net } from '../../../tests/support/network';
import { saving } from './saving.svelte';
import { call, mayLater, sendFile } from './call';

/** Answers one request with a status and a body. */
async function answered(status: number, body: unknown) {
	net.serve(() => ({ status, body }));
	const answer = call<unknown>('POST', '/somewhere', { a: 1 });
	await later(100);
	return answer;
}

describe('a request of a page', () => {
	it('comes back with its data, or with the server’s own sentence', async () => {
		expect(await answered(201, { id: 'x' })).toEqual({ ok: true, data: { id: 'x' } });
		expect(await answered(204, null)).toEqual({ ok: true, data: null });
		expect(await answered(422, { error: { sentence: 'name is missing.' } })).toMatchObject({
			ok: false,
			status: 422,
			sentence: 'name is missing.'
		});
		expect(await answered(404, { message: 'There is no such site.' })).toMatchObject({
			sentence: 'There is no such site.'
		});
		// nothing of a failure's inside reaches a person
		for (const body of [null, 'TypeError: x is undefined', { stack: 'at line 1' }])
			expect(await answered(500, body)).toMatchObject({
				sentence: 'The server could not do this. Nothing was changed.'
			});
		expect(asked[0]).toEqual({ method: 'POST', path: '/somewhere', body: { a: 1 } });
	});

	it('that hangs is said to have no connection after eight seconds, is given up after fifteen, and takes longer for a file', async () => {
		net.is = 'hangs';
		let answer: unknown = null;
		void call('POST', '/somewhere', { a: 1 }).then((given) => (answer = given));
		await later(7900);
		expect(saving.now.kind).toBe('quiet');
		await later(200);
		expect(saving.now).toMatchObject({ kind: 'waiting', sentence: expect.stringMatching(/^Offline/) });
		await later(7000);
		expect(answer).toMatchObject({ ok: false, status: 0 });
		expect(saving.now.kind).toBe('quiet');
		void sendFile('/pictures', new Blob([new Uint8Array(1_000_000)]));
		await later(60_000);
		expect(saving.now.kind).toBe('quiet');
		await later(60_000);
		expect(saving.now.kind).toBe('quiet');
	});

	it('never throws where nobody answers, and says what may be tried again', async () => {
		net.is = 'down';
		const lost = call('GET', '/somewhere');
		const file = sendFile('/pictures', new Blob(['x'], { type: 'image/jpeg' }));
		await later(100);
		for (const answer of [await lost, await file])
			expect(answer).toMatchObject({
				ok: false,
				status: 0,
				sentence: expect.stringMatching(/cannot be reached/)
			});
		expect([0, 500, 503, 507].every((status) => mayLater({ status }))).toBe(true);
		expect([400, 401, 404, 409, 413, 422].some((status) => mayLater({ status }))).toBe(false);
	});
});
