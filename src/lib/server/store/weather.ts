import { siteWeatherSchema, type SiteWeather } from '$core/plan';
import type { Database, Readable, Tx } from '../db';
import { change } from './change';
import { siteOf } from './documents';

/** A site's year of weather; null where none was read. */
export async function weatherOf(from: Readable, siteId: string): Promise<SiteWeather | null> {
	const row = await from.weather.get(siteId);
	return row && siteWeatherSchema.parse(row.document);
}

/** Puts a year of weather in the place of what the site had; null takes it away. The site is touched by whoever calls. */
export async function putWeather(tx: Tx, siteId: string, weather: SiteWeather | null): Promise<void> {
	if (weather) await tx.weather.put({ siteId, document: weather });
	else await tx.weather.remove({ siteId });
}

/** Changes a site's year of weather; see {@link putWeather}. Returns whether the site was there. */
export async function saveWeather(
	db: Database,
	siteId: string,
	weather: SiteWeather | null
): Promise<boolean> {
	const saved = await change(db, siteOf(siteId), null, async (tx) => {
		await putWeather(tx, siteId, weather);
		return {};
	});
	return saved.kind === 'saved';
}
