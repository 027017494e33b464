import { randomUUID } from 'node:crypto';
import { QueryTypes, type QueryInterface, type Transaction } from 'sequelize';
import { z } from 'zod';
import { findProfile, profileSchema, type ControlProfile } from '$core/control';
import { jobZonesJoined, keyedBeforeSchema } from '$core/formats';
import { boxOf, notesApart, onSiteSchema, SEEN_FIELDS, zonePart, zoneSchema, type Zone } from '$core/plan';
import { without } from '$core/schema';
import { boxesSearched, boxesUnsearched, zonesUnsearched } from './searchBoxes';
import { searchUp } from './searchTables';

/** A zone's row as the migrations before left it. */
interface OldRow {
	readonly id: string;
	readonly siteId: string;
	readonly document: string;
	readonly keyed: string;
	readonly onSite: string;
	readonly createdAt: string;
	readonly deletedAt: string | null;
}

/** A control and the zones of it, ready to be written. */
interface Apart {
	readonly box: { readonly document: unknown; readonly keyed: unknown; readonly onSite: unknown };
	readonly zones: { readonly row: OldRow; readonly document: unknown; readonly onSite: unknown }[];
}

const parsed = (row: OldRow) => ({
	row,
	zone: zoneSchema.safeParse(JSON.parse(row.document)),
	keyed: keyedBeforeSchema.safeParse(JSON.parse(row.keyed)),
	onSite: onSiteSchema.safeParse(JSON.parse(row.onSite || '{}'))
});

/** A zone that no schema reads any more, taken apart field by field so that nothing of it is lost. */
function rawApart({ row }: ReturnType<typeof parsed>): Apart {
	const zone = JSON.parse(row.document) as Record<string, unknown>;
	const options = (zone.options ?? {}) as Record<string, unknown>;
	const own = without(zone, ...SEEN_FIELDS);
	const kept = Object.fromEntries(Object.entries(zone).filter(([key]) => key !== 'options' && !(key in own)));
	return {
		box: {
			document: { ...kept, options: without(options, 'channel') },
			keyed: JSON.parse(row.keyed),
			onSite: JSON.parse(row.onSite)
		},
		zones: [{ row, document: { ...own, channel: options.channel ?? 0 }, onSite: {} }]
	};
}

/** A site's zones with the controls that they hang on; those of a programmer's channels together, removed ones each alone. */
function apart(rows: readonly OldRow[], profiles: readonly ControlProfile[]): Apart[] {
	const all = rows.map(parsed);
	const readable = all.flatMap(({ row, zone, keyed, onSite }) =>
		zone.success && keyed.success && onSite.success && findProfile(zone.data.control, profiles)
			? [{ row, kept: { ...zone.data, keyed: keyed.data, onSite: onSite.data } }]
			: []
	);
	const joined = (some: typeof readable): Apart[] => {
		const zones = jobZonesJoined(
			some.map(({ kept }) => kept),
			profiles
		);
		return [...new Set(zones.map(({ hangsOn }) => hangsOn))].map((on) => {
			const first = zones.find(({ hangsOn }) => hangsOn === on)!;
			return {
				box: {
					document: boxOf(first),
					keyed: first.keyed,
					onSite: notesApart(first.onSite).box
				},
				zones: zones.flatMap((zone, i) =>
					zone.hangsOn === on
						? [
								{
									row: some[i]!.row,
									document: zonePart(without(zone, 'keyed', 'onSite', 'hangsOn') as Zone),
									onSite: notesApart(zone.onSite).zone
								}
							]
						: []
				)
			};
		});
	};
	return [
		...joined(readable.filter(({ row }) => row.deletedAt === null)),
		...readable.filter(({ row }) => row.deletedAt !== null).flatMap((one) => joined([one])),
		...all.filter(({ row }) => !readable.some((one) => one.row === row)).map(rawApart)
	];
}

/** Runs statements one after the other. */
async function each(
	q: QueryInterface,
	statements: readonly string[],
	transaction: Transaction
): Promise<void> {
	for (const statement of statements) await q.sequelize.query(statement, { transaction });
}

/** What belongs to a control leaves the zones and becomes a row of its own; the zones of one programmer come to hang on one. */
export const boxesApart = (q: QueryInterface): Promise<void> =>
	q.sequelize.transaction(async (transaction) => {
		await each(
			q,
			[
				...zonesUnsearched,
				`CREATE TABLE boxes (id VARCHAR(36) NOT NULL PRIMARY KEY, siteId VARCHAR(36) NOT NULL REFERENCES sites (id) ON DELETE CASCADE,
					document JSON NOT NULL, keyed JSON NOT NULL, onSite JSON NOT NULL, createdAt DATETIME NOT NULL)`,
				'CREATE INDEX boxes_site ON boxes (siteId)',
				'ALTER TABLE zones ADD COLUMN boxId VARCHAR(36) REFERENCES boxes (id)',
				'CREATE INDEX zones_box ON zones (boxId)'
			],
			transaction
		);
		const select = <T extends object>(sql: string, replacements: Record<string, string> = {}) =>
			q.sequelize.query<T>(sql, { type: QueryTypes.SELECT, replacements, transaction });
		const sites = await select<{ id: string; profiles: string }>('SELECT id, profiles FROM sites');
		for (const { id: siteId, profiles } of sites) {
			const own = z.array(profileSchema).safeParse(JSON.parse(profiles));
			const rows = await select<OldRow>(
				`SELECT id, siteId, document, keyed, onSite, createdAt, deletedAt FROM zones WHERE siteId = :siteId
				ORDER BY position, createdAt`,
				{ siteId }
			);
			for (const { box, zones } of apart(rows, own.success ? own.data : [])) {
				const boxId = randomUUID();
				const text = (value: unknown) => JSON.stringify(value);
				await q.sequelize.query(
					`INSERT INTO boxes (id, siteId, document, keyed, onSite, createdAt) VALUES (:boxId, :siteId, :document, :keyed, :onSite, :at)`,
					{
						transaction,
						replacements: {
							boxId,
							siteId,
							document: text(box.document),
							keyed: text(box.keyed),
							onSite: text(box.onSite),
							at: zones[0]!.row.createdAt
						}
					}
				);
				for (const { row, document, onSite } of zones)
					await q.sequelize.query(
						'UPDATE zones SET boxId = :boxId, document = :document, onSite = :onSite, summary = NULL WHERE id = :id',
						{
							transaction,
							replacements: { boxId, id: row.id, document: text(document), onSite: text(onSite) }
						}
					);
			}
		}
		await each(q, ['ALTER TABLE zones DROP COLUMN keyed', ...boxesSearched], transaction);
	});

/** Puts what belongs to a control back into each of its zones. */
export const boxesBack = (q: QueryInterface): Promise<void> =>
	q.sequelize.transaction((transaction) =>
		each(
			q,
			[
				...boxesUnsearched,
				"ALTER TABLE zones ADD COLUMN keyed JSON NOT NULL DEFAULT '{}'",
				`UPDATE zones SET keyed = b.keyed, onSite = json_patch(b.onSite, zones.onSite),
					document = json_remove(json_set(json_patch(zones.document, json_remove(b.document, '$.name', '$.place', '$.note')),
						'$.options.channel', coalesce(zones.document ->> '$.channel', 0)), '$.channel')
					FROM boxes b WHERE b.id = zones.boxId`,
				'DROP INDEX zones_box',
				'ALTER TABLE zones DROP COLUMN boxId',
				'DROP TABLE boxes',
				...searchUp.filter((statement) =>
					/^CREATE TRIGGER (zones_words_added|zones_words_changed|sites_name_changed)/.test(statement)
				)
			],
			transaction
		)
	);
