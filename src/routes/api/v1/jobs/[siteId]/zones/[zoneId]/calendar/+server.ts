import { dateOfDay, wallAt } from '$core/civil';
import { fitZone } from '$core/fit';
import { writeCalendar } from '$core/formats';
import { rightClock, runOfZone } from '$core/run';
import { refuse, zoneOfRoute } from '$lib/server/http';
import { profileOf } from '$lib/server/jobs';
import type { RequestHandler } from './$types';

/** Days ahead for which exceptions are written out one by one. */
const DAYS_AHEAD = 730;

export const GET: RequestHandler = async ({ params }) => {
	const found = await zoneOfRoute(params.siteId, params.zoneId);
	if ('refusal' in found) return found.refusal;
	const { zone, site } = found;
	if (zone.deletedAt) return refuse(404, 'This zone has been removed.');
	const profile = profileOf(zone.zone, site.profiles);
	const { chosen } = fitZone(zone.zone, profile);
	const { timeZone } = site.site;
	const nowMs = Date.now();
	const clock = { ...rightClock(profile, nowMs), follows: true };
	const text = writeCalendar({
		prepared: runOfZone(zone.zone, profile, chosen.program, { timeZone, nowMs, clock }),
		held: chosen.held,
		heldCool: chosen.heldCool,
		name: `${zone.zone.name}, ${site.site.name}`,
		uid: zone.id,
		fromDate: dateOfDay(Math.floor(wallAt(timeZone, nowMs) / 1440)),
		days: DAYS_AHEAD,
		nowMs
	});
	const name = zone.zone.name.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-|-$/g, '') || 'zone';
	return new Response(text, {
		headers: {
			'content-type': 'text/calendar; charset=utf-8',
			'content-disposition': `attachment; filename*=UTF-8''${encodeURIComponent(name)}.ics`
		}
	});
};
