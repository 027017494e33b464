import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { answer, bodyBytes, readBody, refuse } from './answers';
import { isTangled } from './document';

const request = (body: BodyInit | null, headers: Record<string, string> = {}) =>
	new Request('http://127.0.0.1/', {
		method: 'POST',
		body,
		headers: { 'content-type': 'application/json', ...headers }
	});
const schema = z.strictObject({ name: z.string().min(1) });
const MOST = 8000;
/** The status and the sentence of a refusal; the value where it is none. */
async function said(sent: Request): Promise<unknown> {
	const read = await readBody(sent, schema, MOST);
	if ('value' in read) return read.value;
	const { error } = (await read.refusal.json()) as { error: { sentence: string } };
	return [read.refusal.status, error.sentence];
}

describe('what is sent to the API', () => {
	it('is taken as it should be, or refused with a status and a sentence', async () => {
		expect(await said(request('{"name":"Hall"}'))).toEqual({ name: 'Hall' });
		expect(await said(request('{"name":'))).toEqual([400, 'What was sent is not JSON.']);
		expect(await said(request(''))).toEqual([400, 'What was sent is not JSON.']);
		expect(await said(request('{}'))).toEqual([422, 'Name is missing.']);
		expect(await said(request('[]'))).toEqual([422, 'The document must be a record.']);
		const unnamed = new Request('http://127.0.0.1/', { method: 'POST', body: new Uint8Array([123, 125]) });
		expect(await said(unnamed)).toEqual([
			415,
			'What was sent does not say what it is: send JSON with the content type application/json.'
		]);
		expect(await said(request('{}', { 'content-type': 'text/plain' }))).toEqual([
			415,
			'What was sent does not say that it is JSON: send it with the content type application/json.'
		]);
	});

	it('is not read at all where it says that it is too large, and given up where it is without saying so', async () => {
		const tooLarge = [413, 'What was sent is too large: at most 8 kB are read.'];
		expect(await said(request('{}', { 'content-length': String(MOST + 1) }))).toEqual(tooLarge);
		expect(await said(request(' '.repeat(MOST + 1)))).toEqual(tooLarge);
		// one whose sender goes away in the middle
		const broken = new ReadableStream({ pull: (controller) => controller.error(new Error('gone')) });
		const sent = new Request('http://127.0.0.1/', {
			method: 'POST',
			body: broken,
			duplex: 'half',
			headers: { 'content-type': 'application/json' }
		} as RequestInit);
		expect(await said(sent)).toEqual(tooLarge);
		const picture = await bodyBytes(request(new Uint8Array(MOST + 1)), MOST);
		expect('refusal' in picture && picture.refusal.status).toBe(413);
		const small = await bodyBytes(request(new Uint8Array([1, 2, 3])), MOST);
		expect('bytes' in small && [...small.bytes]).toEqual([1, 2, 3]);
	});

	it('is read no further than to its limit, however it comes', async () => {
		let pulled = 0;
		const endless = new ReadableStream({ pull: (to) => (pulled++, to.enqueue(new Uint8Array(1000))) });
		const sent = new Request('http://127.0.0.1/', {
			method: 'POST',
			body: endless,
			duplex: 'half'
		} as RequestInit);
		const read = await bodyBytes(sent, MOST);
		expect(['refusal' in read && read.refusal.status, pulled < 20]).toEqual([413, true]);
	});

	it('is not parsed where it goes deeper or holds more than anything that is taken', async () => {
		const deep = (n: number) => '['.repeat(n) + ']'.repeat(n);
		expect([isTangled(deep(40)), isTangled(deep(41))]).toEqual([false, true]);
		expect(isTangled(JSON.stringify({ said: '[[[{{{,,,"'.repeat(20_000) }))).toBe(false);
		expect(isTangled(`[${'1,'.repeat(100_001)}1]`)).toBe(true);
		expect(await said(request(deep(3000)))).toEqual([
			422,
			'What was sent goes deeper, or holds more, than anything that is read here.'
		]);
	});
});

describe('what the API answers', () => {
	it('is what its description promises, or it is not sent', async () => {
		expect(await answer(schema, { name: 'Hall' }, 201).json()).toEqual({ name: 'Hall' });
		expect(() => answer(schema, { name: '' })).toThrow(/Name must be at least 1 characters/);
		expect(() => answer(schema, { name: 'Hall', secret: 1 } as never)).toThrow(/not known here: "secret"/);
	});

	it('refuses with the field that it is about', async () => {
		const refusal = refuse(422, { path: 'zones[2].name', sentence: 'zones[2].name is missing.' });
		expect([refusal.status, await refusal.json()]).toEqual([
			422,
			{ error: { path: 'zones[2].name', sentence: 'zones[2].name is missing.' } }
		]);
		expect(await refuse(404, 'Gone.').json()).toEqual({ error: { path: '', sentence: 'Gone.' } });
	});
});
