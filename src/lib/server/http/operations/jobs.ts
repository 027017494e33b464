import { z } from 'zod';
import {
	addZoneRequest,
	applyZonesRequest,
	createdResponse,
	jobSchema,
	keyedRequest,
	keyedResponse,
	listResponse,
	newSiteRequest,
	orderRequest,
	saveZoneRequest,
	savedResponse,
	weatherResponse
} from '$core/formats';
import { siteSchema, siteWeatherSchema } from '$core/plan';
import { site, zone, type Operation } from './operation';

/** Sites with their zones, and what is keyed at them. */
export const jobs: readonly Operation[] = [
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
		path: `${site}/weather`,
		method: 'get',
		id: 'readWeather',
		summary: "The site's year of outdoor temperatures; null where none was read",
		gives: weatherResponse,
		refusals: [404]
	},
	{
		path: `${site}/weather`,
		method: 'put',
		id: 'changeWeather',
		summary: 'A year of outdoor temperatures for the site',
		takes: siteWeatherSchema,
		refusals: [400, 404, 413, 422]
	},
	{
		path: `${site}/weather`,
		method: 'delete',
		id: 'deleteWeather',
		summary: 'Take the year of outdoor temperatures away',
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
		path: `${site}/weeks`,
		method: 'get',
		id: 'weeksCsv',
		summary: 'The weeks and programs of all zones as CSV: wanted, held, and what is keyed',
		text: 'text/csv',
		refusals: [404]
	},
	{
		path: `${zone}/calendar`,
		method: 'get',
		id: 'zoneCalendar',
		summary: 'The periods and exceptions of a zone as an iCalendar file',
		text: 'text/calendar',
		refusals: [404]
	}
];
