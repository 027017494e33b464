import { describe, expect, it } from 'vitest';
import { callSchema, type Fact } from '$core/callback';
import { asked, later, net } from '../../../../tests/support/network';
import { CallModel, type GivenCall } from './callModel.svelte';

const zone = { id: 'z1', name: 'Parlour' };
const cold: Fact = { kind: 'feels', what: 'cold', days: [0], from: 360, to: 540 };
const given: GivenCall = {
	id: 'c1',
	zoneId: 'z1',
	revision: 4,
	byCustomer: true,
	takenAt: null,
	closedAt: null,
	at: '2026-01-05T08:00:00.000Z',
	call: callSchema.parse({ said: 'cold' })
};

/** A server that keeps calls, each save on the revision before. */
function serving(revision = 1, status = 200) {
	const server = { revision, status };
	net.serve((method, _path, body) => {
		if (server.status !== 200)
			return { status: server.status, body: { error: { sentence: 'Somebody else.' } } };
		if (method === 'POST') return { status: 201, body: { id: 'new' } };
		const { revision: on } = body as { revision: number };
		if (on !== server.revision) return { status: 409, body: { error: { sentence: 'Somebody else.' } } };
		return { status: 200, body: { revision: ++server.revision } };
	});
	return server;
}

describe('a call being taken', () => {
	it('in other words loses what only the words before said, and keeps what was chosen', () => {
		const model = new CallModel('s', zone, null);
		const hot: Fact = { ...cold, what: 'hot' };
		model.answer('rooms', 'this');
		model.reword('cold', [], [cold]);
		model.reword('hot', [cold], [hot]);
		expect(model.call.said).toBe('hot');
		expect(model.call.facts).toEqual([{ kind: 'answer', question: 'rooms', answer: 'this' }, hot]);
		model.takeBack(0);
		model.takeBack(0);
		model.put({ said: '' });
	});

	it('stays in the window until it is kept, is then saved as it goes, closed with what it was and opened again', async () => {
		serving();
		const model = new CallModel('s', zone, null);
		expect(model.isBegun).toBe(false);
		model.say(cold, cold);
		model.answer('rooms', 'this');
		model.answer('lamp', null);
		expect(model.call).toMatchObject({
			facts: [cold, { question: 'rooms', answer: 'this' }],
			passed: ['lamp']
		});
		await later(1000);
		expect(asked).toHaveLength(0);
		const kept = model.keep();
		await later(200);
		expect(await kept).toBe(true);
		expect(asked[0]!.body).toMatchObject({ zoneId: 'z1', call: { zoneName: 'Parlour', facts: [cold, {}] } });
		model.put({ promised: 'ring' });
		model.put({ promised: 'ring on Friday' });
		await later(1000);
		expect(asked.slice(1).map(({ body }) => body)).toMatchObject([
			{ revision: 1, call: { promised: 'ring on Friday' } }
		]);
		const closed = model.close({ kind: 'clock-off', figure: -60, note: '' });
		await later(200);
		expect(await closed).toBe(true);
		expect(model.kept).toMatchObject({ revision: 3, closedAt: expect.any(String) });
		const opened = model.close(null);
		await later(200);
		await opened;
		expect(model.kept).toMatchObject({ revision: 4, closedAt: null });
	});

	it('of a customer is taken by whoever saves it; one that another has written on says so and loses nothing', async () => {
		const server = serving(4);
		const model = new CallModel('s', zone, given);
		model.takeBack(0);
		model.say(cold);
		await later(1000);
		expect(model.kept!.takenAt).not.toBeNull();
		server.revision = 9;
		model.put({ caller: 'R. Gable' });
		await later(1000);
		expect(model.problem).toBe('Somebody else.');
		expect(model.call).toMatchObject({ caller: 'R. Gable', facts: [cold] });
	});
});
