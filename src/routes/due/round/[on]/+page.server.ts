import { error } from '@sveltejs/kit';
import { dateOfDay, wallAt } from '$core/civil';
import { database } from '$lib/server/db';
import { readRound, roundDates, roundSites } from '$lib/server/jobs';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = async ({ params, depends }) => {
	depends('fq:round');
	const db = await database();
	const [dates, sites, round] = await Promise.all([
		roundDates(db),
		roundSites(db, params.on),
		readRound(db, params.on).catch(() => ({ stops: {} }))
	]);
	if (sites.length === 0) error(404, 'No clock is changed by hand on that date.');
	return {
		on: params.on,
		dates,
		sites,
		stops: round.stops,
		today: dateOfDay(Math.floor(wallAt('UTC', Date.now()) / 1440))
	};
};
