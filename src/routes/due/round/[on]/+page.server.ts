import { pageLoad } from '$lib/server/pages';
import { error } from '@sveltejs/kit';
import { dateOfDay, wallAt } from '$core/civil';
import { database } from '$lib/server/db';
import { readRound, roundDates, roundSites } from '$lib/server/store';
import type { PageServerLoadEvent } from './$types';

export const load = pageLoad(async ({ params, depends }: PageServerLoadEvent) => {
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
});
