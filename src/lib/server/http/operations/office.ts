import {
	controlFileSchema,
	controlsResponse,
	createdResponse,
	dueResponse,
	roundResponse,
	saveControlRequest,
	savedResponse,
	searchResponse,
	takenUpResponse
} from '$core/formats';
import { firmSchema, roundChangesSchema } from '$core/record';
import { control, type Operation } from './operation';

/** All sites together: search, due, rounds, the firm, copies, and the controls of one’s own. */
export const office: readonly Operation[] = [
	{
		path: '/api/v1/search',
		method: 'get',
		id: 'search',
		summary: 'Sites, zones and visits that hold every word of q',
		gives: searchResponse,
		refusals: []
	},
	{
		path: '/api/v1/due',
		method: 'get',
		id: 'listDue',
		summary: 'What is due on all sites, soonest first',
		gives: dueResponse,
		refusals: []
	},
	{
		path: '/api/v1/due.ics',
		method: 'get',
		id: 'dueCalendar',
		summary: 'What is due as an iCalendar file',
		text: 'text/calendar',
		refusals: []
	},
	{
		path: '/api/v1/rounds/{on}',
		method: 'get',
		id: 'readRound',
		summary: 'The sites whose clocks somebody must change on a date, and the round planned over them',
		gives: roundResponse,
		refusals: [404]
	},
	{
		path: '/api/v1/rounds/{on}',
		method: 'patch',
		id: 'planRound',
		summary: 'Plan stops of a round, site by site; null takes one out',
		takes: roundChangesSchema,
		refusals: [400, 404, 413, 422]
	},
	{
		path: '/api/v1/rounds/{on}/calendar',
		method: 'get',
		id: 'roundCalendar',
		summary: 'A planned round as an iCalendar file',
		text: 'text/calendar',
		refusals: [404]
	},
	{
		path: '/api/v1/firm',
		method: 'get',
		id: 'readFirm',
		summary: 'Whose name stands on what is handed over',
		gives: firmSchema,
		refusals: []
	},
	{
		path: '/api/v1/firm',
		method: 'put',
		id: 'changeFirm',
		summary: 'Change whose name stands on what is handed over',
		takes: firmSchema,
		refusals: [400, 413, 422]
	},
	{
		path: '/api/v1/backup',
		method: 'post',
		id: 'backup',
		summary: 'A consistent copy of the whole database',
		text: 'application/vnd.sqlite3',
		refusals: []
	},
	{
		path: '/api/v1/controls',
		method: 'get',
		id: 'listControls',
		summary: 'The control profiles: your own, then those shipped',
		gives: controlsResponse,
		refusals: []
	},
	{
		path: '/api/v1/controls',
		method: 'post',
		id: 'createControl',
		summary: 'Keep a control file as one of your own',
		takes: controlFileSchema,
		gives: createdResponse,
		created: true,
		refusals: [413, 422]
	},
	{
		path: control,
		method: 'get',
		id: 'readControl',
		summary: 'A control, own or shipped, as a file',
		gives: controlFileSchema,
		refusals: [404]
	},
	{
		path: control,
		method: 'put',
		id: 'saveControl',
		summary: 'Save an own control, unless someone else has meanwhile; zones are not touched',
		takes: saveControlRequest,
		gives: savedResponse,
		refusals: [400, 404, 409, 413, 422]
	},
	{
		path: control,
		method: 'delete',
		id: 'deleteControl',
		summary: 'Delete an own control; sites that use it keep their copy',
		refusals: [404]
	},
	{
		path: `${control}/restore`,
		method: 'post',
		id: 'restoreControl',
		summary: 'Put a deleted control back',
		refusals: [404]
	},
	{
		path: `${control}/take-up`,
		method: 'post',
		id: 'takeUpControl',
		summary: 'Bring the zones that use a control to its present version',
		gives: takenUpResponse,
		refusals: [404]
	}
];
