import {
	addCallRequest,
	callsResponse,
	createdResponse,
	openCallsResponse,
	reportRequest,
	saveCallRequest,
	savedResponse
} from '$core/formats';
import {
	addCall,
	callsOf,
	countAnew,
	MOST_CALLS,
	openCalls,
	outcomesOf,
	removeCall,
	reportByLink,
	saveCall,
	linkOpened,
	type StoredCall
} from '../../store';
import { refuse } from '../answers';
import { noSite, operation, siteAsked, sitePath, type Operation } from '../operation';

const noCall = () => refuse(404, 'There is no such call, or it was removed.');
const noZoneThere = () => refuse(422, { path: 'zoneId', sentence: 'There is no such zone on this site.' });
const plain = (one: StoredCall) => structuredClone(one) as never;

const linkEnded = () => refuse(404, 'Link expired. Ask your installer for a new one.');

/** Calls of households: taken, answered, closed with what it was; and what customers say by their link. */
export const calls: readonly Operation[] = [
	operation({
		path: '/api/v1/calls',
		method: 'get',
		id: 'openCalls',
		summary: 'The calls that are open on all sites, and what closed ones turned out to be',
		role: 'reader',
		gives: openCallsResponse,
		async handle({ db }) {
			const [open, { since, counts }] = await Promise.all([openCalls(db), outcomesOf(db)]);
			return { open: open.map(plain), since, counts: { ...counts } };
		}
	}),
	operation({
		path: '/api/v1/calls/count-anew',
		method: 'post',
		id: 'countCallsAnew',
		summary: 'Count closed calls from now on only: what is likely goes by common practice again',
		role: 'office',
		handle: ({ db }) => countAnew(db)
	}),
	operation({
		path: `${sitePath}/calls`,
		method: 'get',
		id: 'listCalls',
		summary: 'The calls of a site, the latest first',
		role: 'reader',
		gives: callsResponse,
		handle: async (asked) => ({ calls: (await callsOf(asked.db, (await siteAsked(asked)).id)).map(plain) })
	}),
	operation({
		path: `${sitePath}/calls`,
		method: 'post',
		id: 'addCall',
		summary: 'Keep a call: what was said and answered',
		role: 'installer',
		takes: addCallRequest,
		gives: createdResponse,
		created: true,
		refusals: [409],
		async handle({ db, params, body }) {
			const added = await addCall(db, params.siteId!, body.zoneId, body.call);
			if (added.kind === 'gone') return noSite();
			if (added.kind === 'zone') return noZoneThere();
			return added.kind === 'full'
				? refuse(409, `A site keeps at most ${MOST_CALLS} calls.`)
				: { id: added.id };
		}
	}),
	operation({
		path: `${sitePath}/calls/{callId}`,
		method: 'put',
		id: 'saveCall',
		summary: 'Save a call; with an outcome it is closed, and whoever saves what a customer began takes it',
		role: 'installer',
		takes: saveCallRequest,
		gives: savedResponse,
		refusals: [409],
		async handle({ db, params, body: { revision, ...next } }) {
			const came = await saveCall(db, params.siteId!, params.callId!, revision, next);
			if (came.kind === 'gone') return noCall();
			if (came.kind === 'refused') return noZoneThere();
			if (came.kind === 'conflict')
				return refuse(409, 'Somebody else has changed this call. Open it again, then write yours.');
			return { revision: came.revision };
		}
	}),
	operation({
		path: `${sitePath}/calls/{callId}`,
		method: 'delete',
		id: 'removeCall',
		summary: 'Remove a call',
		role: 'installer',
		async handle({ db, params }) {
			if (!(await removeCall(db, params.siteId!, params.callId!))) return noCall();
		}
	}),
	operation({
		path: '/api/v1/reports/{token}',
		method: 'post',
		id: 'report',
		summary:
			'What a customer says by their link: bounded, marked as theirs, changing nothing until it is taken',
		role: 'anyone',
		takes: reportRequest,
		refusals: [429],
		door: async ({ db, params }) => ((await linkOpened(db, params.token!)) === null ? linkEnded() : null),
		async handle({ db, params, body }) {
			const came = await reportByLink(db, params.token!, body);
			if (came === 'ended') return linkEnded();
			if (came === 'room') return refuse(422, { path: 'room', sentence: 'There is no such room.' });
			if (came === 'soon') return refuse(429, 'You said something less than a minute ago: it is with them.');
			if (came === 'full')
				return refuse(429, 'What you said before is still with them. If it is urgent, telephone them.');
		}
	})
];
