import { profileOf } from '$core/control';
import { z } from 'zod';
import {
	LARGEST_JOB_FILE,
	createdResponse,
	jobSchema,
	listResponse,
	markResponse,
	newSiteRequest,
	readWith,
	weatherResponse,
	writeWeeksCsv
} from '$core/formats';
import { siteSchema, siteWeatherSchema } from '$core/plan';
import { compute } from '../../compute';
import {
	changeSite,
	createSite,
	deleteSite,
	duplicateSite,
	importSite,
	jobText,
	listSites,
	replaceSite,
	restoreSite,
	saveWeather,
	siteMark,
	weatherOf,
	zonesOf
} from '../../store';
import { fileAnswer, plainName, refuse } from '../answers';
import { noSite, operation, siteAsked, sitePath, type Operation } from '../operation';

/**
 * A site's fields, any of them, and the revision that the person knew. What they may hold is said where they are merged: a schema of parts
 * would fill in what nobody sent.
 */
const siteChanges = z.looseObject({ revision: z.int().positive().optional() });

/** The longest request for a new site by its name alone, in characters. */
const LONGEST_NAMED = 2000;

function jsonOf(text: string): unknown {
	try {
		return JSON.parse(text);
	} catch {
		return null;
	}
}

/** Sites as wholes, and their weather. */
export const sites: readonly Operation[] = [
	operation({
		path: `${sitePath}/mark`,
		method: 'get',
		id: 'markOfJob',
		summary: 'A mark that is another after every change of a site, whoever made it',
		role: 'reader',
		gives: markResponse,
		handle: async (asked) => ({ mark: siteMark(await siteAsked(asked)) })
	}),
	operation({
		path: '/api/v1/jobs',
		method: 'get',
		id: 'listJobs',
		summary: 'The sites, latest touched first',
		role: 'reader',
		gives: listResponse,
		handle: async ({ db }) => ({ jobs: [...(await listSites(db))] })
	}),
	operation({
		path: '/api/v1/jobs',
		method: 'post',
		id: 'createJob',
		summary: 'A new site: a whole job document, or a name',
		role: 'installer',
		takes: z.union([jobSchema, newSiteRequest]),
		sent: 'text',
		most: LARGEST_JOB_FILE,
		gives: createdResponse,
		created: true,
		async handle({ db, body, signal }) {
			// a name alone is short; what is longer is read where nobody waits for it
			const named = body.length < LONGEST_NAMED ? jsonOf(body) : null;
			if (named && typeof named === 'object' && !('format' in named) && 'name' in named) {
				const read = readWith(newSiteRequest, named);
				if (!read.ok) return refuse(422, read.problem);
				const id = await createSite(db, {
					site: siteSchema.parse(read.value),
					weather: null,
					visits: [],
					calls: [],
					profiles: [],
					zones: []
				});
				return { id };
			}
			// a whole house may take its time to be checked
			const job = await compute('readJob', body, { signal });
			if (job.ok) return importSite(db, job.value);
			// where the text stops being JSON the reader has said
			return refuse(jsonOf(body) === null ? 400 : 422, job.problem);
		}
	}),
	operation({
		path: sitePath,
		method: 'get',
		id: 'readJob',
		summary: 'A site as a job document; its ETag is the mark to replace it by',
		role: 'reader',
		gives: jobSchema,
		async handle(asked) {
			const site = await siteAsked(asked);
			const job = await jobText(asked.db, site.id);
			if (!job) return noSite();
			const text = asked.role === 'reader' ? await compute('seenJob', job.text, asked) : job.text;
			return fileAnswer(text, 'application/json; charset=utf-8', `${plainName(job.name, 'site')}.job.json`, {
				etag: `"${siteMark(site)}"`
			});
		}
	}),
	operation({
		path: sitePath,
		method: 'put',
		id: 'replaceJob',
		summary:
			'A job document in the place of what the site holds; with If-Match only where nothing there changed since',
		role: 'installer',
		takes: jobSchema,
		sent: 'text',
		most: LARGEST_JOB_FILE,
		refusals: [412],
		async handle({ db, params, body, headers, signal }) {
			const job = await compute('readJob', body, { signal });
			if (!job.ok) return refuse(422, job.problem);
			const match = headers.get('if-match');
			const mark = match === null || match.trim() === '*' ? null : match.trim().replace(/^"|"$/g, '');
			const came = await replaceSite(db, params.siteId!, job.value, mark);
			if (came.kind === 'gone') return noSite();
			if (came.kind !== 'saved')
				return refuse(
					412,
					'The site has been changed since it was read. Nothing was replaced; read it again.'
				);
		}
	}),
	operation({
		path: sitePath,
		method: 'patch',
		id: 'changeSite',
		summary: "Fields of the site's own; with a revision only where they still stand at that",
		role: 'installer',
		takes: siteChanges,
		refusals: [409],
		async handle({ db, params, body: { revision, ...fields } }) {
			const came = await changeSite(db, params.siteId!, fields, revision ?? null);
			if (came.kind === 'gone') return noSite();
			if (came.kind === 'refused') return refuse(422, came.because);
			if (came.kind === 'conflict')
				return refuse(409, {
					path: 'revision',
					sentence: 'Another window has changed this site since you opened it. Nothing was saved; look again.'
				});
		}
	}),
	operation({
		path: sitePath,
		method: 'delete',
		id: 'deleteJob',
		summary: 'Delete a site; it can be put back for 30 days',
		role: 'installer',
		async handle({ db, params }) {
			if (!(await deleteSite(db, params.siteId!))) return noSite();
		}
	}),
	operation({
		path: `${sitePath}/restore`,
		method: 'post',
		id: 'restoreJob',
		summary: 'Put a deleted site back',
		role: 'installer',
		async handle({ db, params }) {
			if (!(await restoreSite(db, params.siteId!)))
				return refuse(404, 'There is no deleted site to put back.');
		}
	}),
	operation({
		path: `${sitePath}/duplicate`,
		method: 'post',
		id: 'duplicateJob',
		summary: 'Copy a site, without what was keyed',
		role: 'installer',
		gives: createdResponse,
		created: true,
		async handle({ db, params }) {
			const id = await duplicateSite(db, params.siteId!);
			return id ? { id } : noSite();
		}
	}),
	operation({
		path: `${sitePath}/weather`,
		method: 'get',
		id: 'readWeather',
		summary: "The site's year of outdoor temperatures; null where none was read",
		role: 'reader',
		gives: weatherResponse,
		handle: async (asked) => ({ weather: await weatherOf(asked.db, (await siteAsked(asked)).id) })
	}),
	operation({
		path: `${sitePath}/weather`,
		method: 'put',
		id: 'changeWeather',
		summary: 'A year of outdoor temperatures for the site',
		role: 'installer',
		takes: siteWeatherSchema,
		most: 2_000_000,
		async handle({ db, params, body }) {
			if (!(await saveWeather(db, params.siteId!, body))) return noSite();
		}
	}),
	operation({
		path: `${sitePath}/weather`,
		method: 'delete',
		id: 'deleteWeather',
		summary: 'Take the year of outdoor temperatures away',
		role: 'installer',
		async handle({ db, params }) {
			if (!(await saveWeather(db, params.siteId!, null))) return noSite();
		}
	}),
	operation({
		path: `${sitePath}/weeks`,
		method: 'get',
		id: 'weeksCsv',
		summary: 'The weeks and programs of all zones as CSV: wanted, held, and what is keyed',
		role: 'reader',
		text: 'text/csv',
		async handle(asked) {
			const site = await siteAsked(asked);
			const zones = await Promise.all(
				(await zonesOf(asked.db, site)).map(({ zone }) =>
					compute('weekLines', { zone, profile: profileOf(zone, site.profiles) }, asked)
				)
			);
			// the mark says UTF-8 to spreadsheets that would guess
			const text = `\uFEFF${writeWeeksCsv(zones)}`;
			return fileAnswer(text, 'text/csv; charset=utf-8', 'weeks.csv');
		}
	})
];
