import { z } from 'zod';
import { findProfile, shippedProfiles } from '$core/control';
import {
	controlConflictResponse,
	controlFileSchema,
	controlsResponse,
	createdResponse,
	dueResponse,
	readControlFile,
	roundResponse,
	saveControlRequest,
	savedResponse,
	searchResponse,
	takenUpResponse,
	writeControlFile,
	writeDueCalendar,
	writeRoundCalendar
} from '$core/formats';
import { firmSchema, roundChangesSchema, wholeFirmSchema } from '$core/record';
import { copyForOffice } from '../../backup';
import { whileUnchanged } from '../../db';
import { endEverySession } from '../../guard/sessions';
import {
	changeRound,
	createControl,
	deleteControl,
	dueList,
	findControl,
	isPicture,
	listControls,
	readFirm,
	readRound,
	restoreControl,
	roundSites,
	saveControl,
	saveFirm,
	search,
	takeUp
} from '../../store';
import { answer, fileAnswer, refuse } from '../answers';
import { controlPath, operation, type Operation } from '../operation';

const noControl = () => refuse(404, 'There is no such control among your own.');
const isDate = (on: string | undefined): on is string => z.iso.date().safeParse(on).success;
const noDate = () => refuse(404, 'There is no such date.');

/** All sites together: search, due, rounds, the firm, copies. */
export const office: readonly Operation[] = [
	operation({
		path: '/api/v1/search',
		method: 'get',
		id: 'search',
		summary: 'Sites, zones and visits that hold every word of q',
		role: 'reader',
		gives: searchResponse,
		handle: async ({ db, search: asked }) => ({ found: await search(db, asked.get('q') ?? '') })
	}),
	operation({
		path: '/api/v1/due',
		method: 'get',
		id: 'listDue',
		summary: 'What is due on all sites, soonest first',
		role: 'reader',
		gives: dueResponse,
		/** With thousands of entries the text is kept until anything changes, or the hour does. */
		async handle({ db }) {
			const due = await dueList(db);
			const text = await whileUnchanged(
				db,
				'due text',
				() => answer(dueResponse, { due: [...due] }).text(),
				String(Math.floor(Date.now() / 3_600_000))
			);
			return new Response(text, { headers: { 'content-type': 'application/json' } });
		}
	}),
	operation({
		path: '/api/v1/due.ics',
		method: 'get',
		id: 'dueCalendar',
		summary: 'What is due as an iCalendar file of whole days',
		role: 'reader',
		text: 'text/calendar',
		handle: async ({ db }) =>
			fileAnswer(writeDueCalendar(await dueList(db), new Date()), 'text/calendar; charset=utf-8', 'due.ics')
	}),
	operation({
		path: '/api/v1/rounds/{on}',
		method: 'get',
		id: 'readRound',
		summary: 'The sites whose clocks somebody must change on a date, and the round planned over them',
		role: 'reader',
		gives: roundResponse,
		async handle({ db, params: { on } }) {
			if (!isDate(on)) return noDate();
			const [sites, round] = await Promise.all([roundSites(db, on), readRound(db, on)]);
			return { on, sites: structuredClone(sites) as never, stops: round.stops };
		}
	}),
	operation({
		path: '/api/v1/rounds/{on}',
		method: 'patch',
		id: 'planRound',
		summary: 'Plan stops of a round, site by site; null takes one out',
		role: 'installer',
		takes: roundChangesSchema,
		async handle({ db, params: { on }, body }) {
			if (!isDate(on)) return noDate();
			const sites = await roundSites(db, on);
			const lost = Object.keys(body.stops).find((id) => !sites.some((site) => site.siteId === id));
			if (lost !== undefined)
				return refuse(422, {
					path: `stops.${lost}`,
					sentence: 'This site has no clock to be changed by hand then.'
				});
			await changeRound(db, on, body);
		}
	}),
	operation({
		path: '/api/v1/rounds/{on}/calendar',
		method: 'get',
		id: 'roundCalendar',
		summary: 'A planned round as an iCalendar file: a whole day for each site',
		role: 'reader',
		text: 'text/calendar',
		async handle({ db, params: { on } }) {
			if (!isDate(on)) return noDate();
			const sites = await roundSites(db, on);
			if (sites.length === 0) return refuse(404, 'No clock is changed by hand on that date.');
			const text = writeRoundCalendar(on, sites, await readRound(db, on), new Date());
			return fileAnswer(text, 'text/calendar; charset=utf-8', `round-${on}.ics`);
		}
	}),
	operation({
		path: '/api/v1/firm',
		method: 'get',
		id: 'readFirm',
		summary: 'The firm’s name on what customers keep',
		role: 'reader',
		gives: firmSchema,
		handle: ({ db }) => readFirm(db)
	}),
	operation({
		path: '/api/v1/firm',
		method: 'put',
		id: 'changeFirm',
		summary:
			'Change whose name stands on what is handed over; with a revision only where it still stands at that',
		role: 'office',
		takes: wholeFirmSchema.extend({ revision: z.int().min(0).optional() }),
		refusals: [409],
		async handle({ db, body: { revision, ...firm } }) {
			if (firm.logo !== null && !isPicture(firm.logo))
				return refuse(422, { path: 'logo', sentence: 'logo is not the picture that its name says.' });
			const saved = await saveFirm(db, firm, revision ?? null);
			if (saved.kind === 'conflict')
				return refuse(409, {
					path: 'revision',
					sentence: 'Another window has changed this meanwhile. Nothing was saved; look again.'
				});
		}
	}),
	operation({
		path: '/api/v1/backup',
		method: 'post',
		id: 'backup',
		summary: 'A consistent copy of the whole database, without anybody’s sign-in',
		role: 'office',
		text: 'application/vnd.sqlite3',
		async handle({ db }) {
			const day = new Date().toISOString().slice(0, 10);
			return fileAnswer(await copyForOffice(db), 'application/vnd.sqlite3', `fond-quarter-${day}.sqlite`);
		}
	}),
	operation({
		path: '/api/v1/sessions',
		method: 'delete',
		id: 'signEverybodyOut',
		summary: 'Sign everybody out, whoever asks included',
		role: 'office',
		handle: ({ db }) => endEverySession(db)
	})
];

/** The controls of one's own. */
export const controls: readonly Operation[] = [
	operation({
		path: '/api/v1/controls',
		method: 'get',
		id: 'listControls',
		summary: 'The control profiles: your own, then those shipped',
		role: 'reader',
		gives: controlsResponse,
		async handle({ db }) {
			const own = await listControls(db);
			const shipped = { own: false, revision: null };
			return {
				controls: [
					...own.map(({ id, revision, profile }) => ({
						id,
						name: profile.name,
						own: true,
						revision,
						profile
					})),
					...shippedProfiles.map((profile) => ({
						id: profile.id,
						name: profile.name,
						...shipped,
						profile
					}))
				]
			};
		}
	}),
	operation({
		path: '/api/v1/controls',
		method: 'post',
		id: 'createControl',
		summary: 'Keep a control file as one of your own',
		role: 'installer',
		takes: controlFileSchema,
		sent: 'text',
		gives: createdResponse,
		created: true,
		async handle({ db, body }) {
			const read = readControlFile(body);
			return read.ok ? { id: await createControl(db, read.value) } : refuse(422, read.problem);
		}
	}),
	operation({
		path: controlPath,
		method: 'get',
		id: 'readControl',
		summary: 'A control, own or shipped, as a file',
		role: 'reader',
		gives: controlFileSchema,
		async handle({ db, params }) {
			const own = await findControl(db, params.controlId!);
			const profile = own?.profile ?? findProfile(params.controlId!);
			return profile
				? fileAnswer(writeControlFile(profile), 'application/json', `${profile.id}.control.json`)
				: noControl();
		}
	}),
	operation({
		path: controlPath,
		method: 'put',
		id: 'saveControl',
		summary: 'Save an own control, unless someone else has meanwhile; zones are not touched',
		role: 'installer',
		takes: saveControlRequest,
		gives: savedResponse,
		refusals: [409],
		async handle({ db, params, body: { revision, profile } }) {
			const saved = await saveControl(db, params.controlId!, revision, profile);
			if (saved.kind === 'saved') return { revision: saved.revision };
			if (saved.kind !== 'conflict') return noControl();
			return answer(
				controlConflictResponse,
				{
					error: {
						path: 'revision',
						sentence: 'Another window has changed this control since you opened it.'
					},
					current: { revision: saved.current.revision, profile: saved.current.profile }
				},
				409
			);
		}
	}),
	operation({
		path: controlPath,
		method: 'delete',
		id: 'deleteControl',
		summary: 'Delete an own control; sites that use it keep their copy',
		role: 'installer',
		async handle({ db, params }) {
			if (!(await deleteControl(db, params.controlId!))) return noControl();
		}
	}),
	operation({
		path: `${controlPath}/restore`,
		method: 'post',
		id: 'restoreControl',
		summary: 'Put a deleted control back',
		role: 'installer',
		async handle({ db, params }) {
			if (!(await restoreControl(db, params.controlId!)))
				return refuse(404, 'There is no such deleted control.');
		}
	}),
	operation({
		path: `${controlPath}/take-up`,
		method: 'post',
		id: 'takeUpControl',
		summary: 'Bring the zones that use a control to its present version',
		role: 'installer',
		gives: takenUpResponse,
		handle: async ({ db, params }) =>
			(await findControl(db, params.controlId!)) ? takeUp(db, params.controlId!) : noControl()
	})
];
