import type { Transaction } from 'sequelize';
import { siteWeatherSchema, type SiteWeather } from '$core/plan';
import type { Database } from '../db';
import { touchTime } from './untouched';

/** A site's year of weather; null where none was read. */
export async function weatherOf(db: Database, siteId: string): Promise<SiteWeather | null> {
	const row = await db.weather.findByPk(siteId);
	return row ? siteWeatherSchema.parse(row.get().document) : null;
}

/** Puts a year of weather in the place of what the site had; null takes it away. */
export async function saveWeather(
	db: Database,
	siteId: string,
	weather: SiteWeather | null,
	transaction?: Transaction
): Promise<void> {
	const inIt = transaction ? { transaction } : {};
	if (weather) await db.weather.upsert({ siteId, document: weather }, inIt);
	else await db.weather.destroy({ where: { siteId }, ...inIt });
	await db.sites.update({ updatedAt: touchTime() }, { where: { id: siteId }, ...inIt });
}
