import {
	createdResponse,
	endVisitRequest,
	linkRequest,
	linkResponse,
	linksResponse,
	onSiteRequest,
	onSiteResponse,
	picturesResponse,
	visitsResponse
} from '$core/formats';
import { site, zone, type Operation } from './operation';

/** What belongs to being there and handing over: notes, visits, pictures, papers, links. */
export const visits: readonly Operation[] = [
	{
		path: `${zone}/on-site`,
		method: 'post',
		id: 'noteOnSite',
		summary: 'Note what was found or done at a control, field by field',
		takes: onSiteRequest,
		gives: onSiteResponse,
		refusals: [400, 404, 413, 422]
	},
	{
		path: `${site}/visits`,
		method: 'get',
		id: 'listVisits',
		summary: 'The visits to a site, oldest first',
		gives: visitsResponse,
		refusals: [404]
	},
	{
		path: `${site}/visits`,
		method: 'post',
		id: 'endVisit',
		summary: 'End a visit: keep how everything is left, or sign it off',
		takes: endVisitRequest,
		gives: createdResponse,
		created: true,
		refusals: [400, 404, 409, 413, 422]
	},
	{
		path: `${site}/pictures`,
		method: 'get',
		id: 'listPictures',
		summary: "The pictures of a site's visits, oldest first",
		gives: picturesResponse,
		refusals: [404]
	},
	{
		path: `${site}/pictures`,
		method: 'post',
		id: 'addPicture',
		summary:
			'Keep a picture with the visit that goes on: its pixels only; zone, caption and id may stand in the address',
		file: 'image/*',
		gives: createdResponse,
		created: true,
		refusals: [404, 413, 422]
	},
	{
		path: `${site}/pictures/{pictureId}`,
		method: 'get',
		id: 'readPicture',
		summary: 'A picture of a visit',
		text: 'image/jpeg',
		refusals: [404]
	},
	{
		path: `${site}/pictures/{pictureId}`,
		method: 'delete',
		id: 'removePicture',
		summary: 'Remove a picture of the visit that goes on',
		refusals: [404]
	},
	{
		path: `${zone}/customer.pdf`,
		method: 'get',
		id: 'customerPdf',
		summary: "The customer's page of a zone as a PDF; large=1, unit=C or F, clock=12 or 24 choose how",
		text: 'application/pdf',
		refusals: [404]
	},
	{
		path: `${site}/record.pdf`,
		method: 'get',
		id: 'recordPdf',
		summary: "The installer's record of a site as a PDF",
		text: 'application/pdf',
		refusals: [404]
	},
	{
		path: `${site}/links`,
		method: 'get',
		id: 'listLinks',
		summary: "The customer's links of a site",
		gives: linksResponse,
		refusals: [404]
	},
	{
		path: `${site}/links`,
		method: 'post',
		id: 'createLink',
		summary: "A read-only link to the customer's pages, for so many days",
		takes: linkRequest,
		gives: linkResponse,
		created: true,
		refusals: [400, 404, 413, 422]
	},
	{
		path: `${site}/links/{linkId}`,
		method: 'delete',
		id: 'endLink',
		summary: "End a customer's link",
		refusals: [404]
	}
];
