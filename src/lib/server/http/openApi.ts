import { z } from 'zod';
import {
	addZoneRequest,
	applyZonesRequest,
	clockRequest,
	clockResponse,
	computeRequest,
	conflictResponse,
	controlConflictResponse,
	controlFileSchema,
	controlsResponse,
	createdResponse,
	fitResponse,
	jobSchema,
	keyedRequest,
	keyedResponse,
	keyInResponse,
	listResponse,
	newSiteRequest,
	orderRequest,
	problemResponse,
	savedResponse,
	resolveRequest,
	resolveResponse,
	roomRequest,
	saveControlRequest,
	saveZoneRequest,
	simulateResponse,
	takenUpResponse,
	timelineRequest,
	timelineResponse,
	warmUpResponse
} from '$core/formats';
import { siteSchema } from '$core/plan';

type Method = 'get' | 'post' | 'put' | 'patch' | 'delete';

interface Operation {
	readonly path: string;
	readonly method: Method;
	readonly id: string;
	readonly summary: string;
	readonly takes?: z.ZodType;
	readonly gives?: z.ZodType;
	readonly created?: true;
	/** A media type of its own, where it answers with text. */
	readonly text?: string;
	readonly refusals: readonly number[];
}

const site = '/api/v1/jobs/{siteId}';
const zone = `${site}/zones/{zoneId}`;
const control = '/api/v1/controls/{controlId}';

/** Every route of the API: the one list from which its description is made. */
export const operations: readonly Operation[] = [
	{
		path: '/api/v1/fit',
		method: 'post',
		id: 'fit',
		summary: 'The best program of every day grouping for a zone',
		takes: computeRequest,
		gives: fitResponse,
		refusals: [400, 413, 422]
	},
	{
		path: '/api/v1/key-in',
		method: 'post',
		id: 'keyIn',
		summary: 'The values to key for a zone, in order',
		takes: computeRequest,
		gives: keyInResponse,
		refusals: [400, 413, 422]
	},
	{
		path: '/api/v1/resolve',
		method: 'post',
		id: 'resolve',
		summary: 'What a control does at a moment, what set it, until when, and why',
		takes: resolveRequest,
		gives: resolveResponse,
		refusals: [400, 413, 422]
	},
	{
		path: '/api/v1/timeline',
		method: 'post',
		id: 'timeline',
		summary: 'What a control does over a time, event by event',
		takes: timelineRequest,
		gives: timelineResponse,
		refusals: [400, 413, 422]
	},
	{
		path: '/api/v1/clock',
		method: 'post',
		id: 'clock',
		summary: "What to key into a control's clock, its place's summer time, what a power cut costs",
		takes: clockRequest,
		gives: clockResponse,
		refusals: [400, 413, 422]
	},
	{
		path: '/api/v1/warm-up',
		method: 'post',
		id: 'warmUp',
		summary:
			'How long a described room takes to warm, against outdoor temperature and for each rise of its week',
		takes: roomRequest,
		gives: warmUpResponse,
		refusals: [400, 413, 422]
	},
	{
		path: '/api/v1/simulate',
		method: 'post',
		id: 'simulate',
		summary: 'A week of a described room under its program, and what it costs against other ways',
		takes: roomRequest,
		gives: simulateResponse,
		refusals: [400, 413, 422]
	},
	{
		path: '/api/v1/jobs',
		method: 'get',
		id: 'listJobs',
		summary: 'The sites, latest touched first',
		gives: listResponse,
		refusals: []
	},
	{
		path: '/api/v1/jobs',
		method: 'post',
		id: 'createJob',
		summary: 'A new site: a whole job document, or a name',
		takes: z.union([jobSchema, newSiteRequest]),
		gives: createdResponse,
		created: true,
		refusals: [400, 413, 422]
	},
	{
		path: site,
		method: 'get',
		id: 'readJob',
		summary: 'A site as a job document',
		gives: jobSchema,
		refusals: [404]
	},
	{
		path: site,
		method: 'put',
		id: 'replaceJob',
		summary: 'A job document in the place of what the site holds',
		takes: jobSchema,
		refusals: [400, 404, 413, 422]
	},
	{
		path: site,
		method: 'patch',
		id: 'changeSite',
		summary: "The site's own fields",
		takes: siteSchema,
		refusals: [400, 404, 413, 422]
	},
	{
		path: site,
		method: 'delete',
		id: 'deleteJob',
		summary: 'Delete a site; it can be put back for 30 days',
		refusals: [404]
	},
	{
		path: `${site}/restore`,
		method: 'post',
		id: 'restoreJob',
		summary: 'Put a deleted site back',
		refusals: [404]
	},
	{
		path: `${site}/duplicate`,
		method: 'post',
		id: 'duplicateJob',
		summary: 'Copy a site, without what was keyed',
		gives: createdResponse,
		created: true,
		refusals: [404]
	},
	{
		path: `${site}/zones`,
		method: 'post',
		id: 'addZone',
		summary: 'Add a zone',
		takes: addZoneRequest,
		gives: createdResponse,
		created: true,
		refusals: [400, 404, 409, 413, 422]
	},
	{
		path: `${site}/zones/order`,
		method: 'put',
		id: 'orderZones',
		summary: 'Put the zones in order',
		takes: orderRequest,
		refusals: [400, 404, 413, 422]
	},
	{
		path: `${site}/zones/apply`,
		method: 'post',
		id: 'applyZones',
		summary: 'Save several zones together, or none',
		takes: applyZonesRequest,
		refusals: [400, 404, 409, 413, 422]
	},
	{
		path: zone,
		method: 'put',
		id: 'saveZone',
		summary: 'Save a zone, unless someone else has meanwhile',
		takes: saveZoneRequest,
		gives: savedResponse,
		refusals: [400, 404, 409, 413, 422]
	},
	{
		path: zone,
		method: 'delete',
		id: 'removeZone',
		summary: 'Remove a zone; it can be put back for 30 days',
		refusals: [404]
	},
	{
		path: `${zone}/restore`,
		method: 'post',
		id: 'restoreZone',
		summary: 'Put a removed zone back',
		refusals: [404]
	},
	{
		path: `${zone}/keyed`,
		method: 'post',
		id: 'noteKeyed',
		summary: 'Note values as keyed',
		takes: keyedRequest,
		gives: keyedResponse,
		refusals: [400, 404, 413, 422]
	},
	{
		path: `${zone}/calendar`,
		method: 'get',
		id: 'zoneCalendar',
		summary: 'The periods and exceptions of a zone as an iCalendar file',
		text: 'text/calendar',
		refusals: [404]
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

const refusalWords: Record<number, string> = {
	400: 'Not JSON',
	404: 'Not there',
	409: 'Changed meanwhile, or full',
	413: 'Too large',
	422: 'A field is wrong; the path says which'
};

function body(schema: z.ZodType, direction: 'input' | 'output') {
	const { $schema: _, ...document } = z.toJSONSchema(schema, { io: direction, unrepresentable: 'any' });
	return { 'application/json': { schema: document } };
}

/** The OpenAPI 3.1 document of the API, made from the schemas that the routes check with. */
export function openApi() {
	const paths: Record<string, Record<string, unknown>> = {};
	for (const op of operations) {
		const parameters = [...op.path.matchAll(/\{(\w+)\}/g)].map((match) => ({
			name: match[1],
			in: 'path',
			required: true,
			schema: { type: 'string' }
		}));
		const success = op.gives ? (op.created ? '201' : '200') : op.text ? '200' : '204';
		(paths[op.path] ??= {})[op.method] = {
			operationId: op.id,
			summary: op.summary,
			...(parameters.length > 0 ? { parameters } : {}),
			...(op.takes ? { requestBody: { required: true, content: body(op.takes, 'input') } } : {}),
			responses: {
				[success]: {
					description: 'Done',
					...(op.gives ? { content: body(op.gives, 'output') } : {}),
					...(op.text ? { content: { [op.text]: { schema: { type: 'string' } } } } : {})
				},
				...Object.fromEntries(
					op.refusals.map((status) => [
						String(status),
						{
							description: refusalWords[status],
							content: body(
								status === 409
									? z.union([conflictResponse, controlConflictResponse, problemResponse])
									: problemResponse,
								'output'
							)
						}
					])
				)
			}
		};
	}
	return {
		openapi: '3.1.0',
		info: {
			title: 'Fond Quarter',
			version: '1',
			description:
				'Fits a wanted week to what a heating control can hold and says what to key in. Times are week minutes (Monday 00:00 = 0), temperatures °C.'
		},
		paths
	};
}
