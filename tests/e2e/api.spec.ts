import { readFileSync } from 'node:fs';
import { seenZone, someZones } from '../support/seenZone';
import { expect, test } from './bench';

const job = JSON.parse(readFileSync('demo/tallow-quay-workshops.job.json', 'utf8'));

test('fit and key-in answer statelessly to a zone as it is seen', async ({ request }) => {
	const fit = await (await request.post('/api/v1/fit', { data: { zone: seenZone(job) } })).json();
	expect(fit).toMatchObject({ chosen: '7-day', optimal: true });
	expect(fit.fits.map((one: { grouping: string }) => one.grouping)).toEqual(['24-hour', '5-2', '7-day']);
	expect(fit.fits[2]).toMatchObject({ coldKelvinMinutes: 50, warmKelvinMinutes: 0, valuesToKey: 84 });
	const card = await (await request.post('/api/v1/key-in', { data: { zone: seenZone(job) } })).json();
	expect(card.items).toContainEqual(expect.objectContaining({ what: 'step 1, time', shows: '04:50' }));
	expect(card.cost.route.values).toBe(card.items.length);
	expect(card.cost.route.minutes).toBeLessThan(card.cost.typed.minutes);
	expect(card.timeoutSeconds).toBe(30);
});

test('jobs are listed, written, read, replaced and deleted', async ({ request }) => {
	const made = await request.post('/api/v1/jobs', { data: job });
	expect(made.status()).toBe(201);
	const { id } = await made.json();
	expect(await (await request.get(`/api/v1/jobs/${id}`)).json()).toEqual(job);
	expect((await (await request.get('/api/v1/jobs')).json()).jobs).toHaveLength(1);
	const smaller = { ...someZones(job, 0, 1), visits: [] };
	expect((await request.put(`/api/v1/jobs/${id}`, { data: smaller })).status()).toBe(204);
	expect(await (await request.get(`/api/v1/jobs/${id}`)).json()).toEqual(smaller);
	expect((await request.delete(`/api/v1/jobs/${id}`)).status()).toBe(204);
	expect((await request.get(`/api/v1/jobs/${id}`)).status()).toBe(404);
});

test('refusals name the field and never show a stack', async ({ request }) => {
	const refusal = async (path: string, data: unknown) => {
		const answer = await request.post(path, {
			data: Buffer.from(typeof data === 'string' ? data : JSON.stringify(data)),
			headers: { 'content-type': 'application/json' }
		});
		const text = await answer.text();
		expect(text).not.toMatch(/at .*\.(js|ts):/);
		return { status: answer.status(), ...JSON.parse(text).error };
	};
	expect(await refusal('/api/v1/fit', 'nonsense')).toMatchObject({ status: 400 });
	expect(
		await refusal('/api/v1/fit', {
			zone: { ...seenZone(job), options: { unit: 'K', clock: '24', perDay: 6 } }
		})
	).toMatchObject({
		status: 422,
		path: 'zone.options.unit',
		sentence: 'Zone, options, unit must be "C" or "F".'
	});
	expect(await refusal('/api/v1/key-in', { zone: { ...seenZone(job), control: 'teapot' } })).toMatchObject({
		status: 422,
		path: 'zone.control'
	});
	expect(await refusal('/api/v1/jobs', ' '.repeat(9_000_000))).toMatchObject({ status: 413 });
	expect((await request.patch('/api/v1/fit')).status()).toBe(405);
});

test('a described room is simulated and its warm-up told; one that is not is refused', async ({
	request,
	installation
}) => {
	await installation.loadDemo();
	const { jobs } = await (await request.get('/api/v1/jobs')).json();
	const id = jobs.find((job: { name: string }) => job.name.startsWith('Kelter')).id;
	const kelter = await (await request.get(`/api/v1/jobs/${id}`)).json();
	const zone = seenZone(
		kelter,
		kelter.zones.findIndex((one: { name: string }) => one.name.startsWith('Crèche'))
	);
	const warmUp = await (await request.post('/api/v1/warm-up', { data: { zone, outdoorC: -5 } })).json();
	expect(warmUp.curve).toHaveLength(31);
	expect(warmUp.rises[0].minutes).toBeGreaterThan(30);
	const week = await (await request.post('/api/v1/simulate', { data: { zone, outdoorC: -5 } })).json();
	expect(week.airC).toHaveLength(168);
	expect(week.ways.programmed.kWhPerDay).toBeLessThan(week.ways.steady.kWhPerDay);
	const refused = await request.post('/api/v1/simulate', { data: { zone: { ...zone, room: null } } });
	expect(refused.status()).toBe(422);
	expect((await refused.json()).error.path).toBe('zone.room');
});

test('the OpenAPI document describes what a route takes, and who may ask it', async ({ request }) => {
	const document = await (await request.get('/api/openapi.json')).json();
	expect(document.openapi).toBe('3.1.0');
	expect(
		document.paths['/api/v1/fit'].post.requestBody.content['application/json'].schema.properties.zone
			.properties.wanted.type
	).toBe('array');
	expect(document.paths['/api/v1/backup'].post['x-least-role']).toBe('office');
});
