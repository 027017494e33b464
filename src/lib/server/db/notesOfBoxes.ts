import { QueryTypes, type QueryInterface, type Transaction } from 'sequelize';
import { z } from 'zod';
import { profileSchema } from '$core/control';
import { keyedBeforeSchema, notesOfKeyed } from '$core/formats';
import { boxSchema } from '$core/plan';

/** The indices that lists of zones are read from. */
const standingIndex = (left: string) =>
	`CREATE INDEX zones_standing ON zones (deletedAt, siteId, ${left}, summary ->> '$.version',
		(summary ->> '$.coldMinutes') + (summary ->> '$.warmMinutes'))`;

interface OldBox {
	readonly id: string;
	readonly document: string;
	readonly keyed: string;
	readonly profiles: string;
}

/** What was noted at a control as it is noted now; null where nothing was, or no schema reads it any more. */
function notesOf({ document, keyed, profiles }: OldBox, own: readonly unknown[]) {
	const known = z.array(profileSchema).safeParse([...JSON.parse(profiles), ...own]);
	const box = boxSchema.safeParse(JSON.parse(document));
	const noted = keyedBeforeSchema.safeParse(JSON.parse(keyed));
	if (!known.success || !box.success || !noted.success) return null;
	const options = { ...box.data.options, channel: 0 };
	return notesOfKeyed({ ...box.data, options }, noted.data, known.data);
}

/** What was keyed at a control, until now by what its display showed, is noted by what it brought about; what stood there before is kept beside it for the way back. */
export const notesOfBoxes = (q: QueryInterface): Promise<void> =>
	q.sequelize.transaction(async (transaction) => {
		const run = (sql: string, replacements: Record<string, string | null> = {}) =>
			q.sequelize.query(sql, { transaction, replacements });
		const select = <T extends object>(sql: string, from: Transaction = transaction) =>
			q.sequelize.query<T>(sql, { type: QueryTypes.SELECT, transaction: from });
		await run('ALTER TABLE boxes ADD COLUMN notes JSON');
		const controls = await select<{ document: string }>('SELECT document FROM controls');
		const own = controls.map(({ document }) => JSON.parse(document) as unknown);
		const boxes = await select<OldBox>(
			'SELECT b.id, b.document, b.keyed, s.profiles FROM boxes b JOIN sites s ON s.id = b.siteId'
		);
		for (const box of boxes) {
			const notes = notesOf(box, own);
			if (notes)
				await run('UPDATE boxes SET notes = :notes WHERE id = :id', {
					id: box.id,
					notes: JSON.stringify(notes)
				});
		}
		await run('CREATE TABLE keyedBefore (boxId VARCHAR(36) NOT NULL PRIMARY KEY, keyed JSON NOT NULL)');
		await run('INSERT INTO keyedBefore (boxId, keyed) SELECT id, keyed FROM boxes');
		await run('ALTER TABLE boxes DROP COLUMN keyed');
		await run('DROP INDEX zones_standing');
		await run(standingIndex("summary ->> '$.left'"));
	});

/** Back to what was noted before; what was keyed since is left out. */
export const notesBack = (q: QueryInterface): Promise<void> =>
	q.sequelize.transaction(async (transaction) => {
		const run = (sql: string) => q.sequelize.query(sql, { transaction });
		await run("ALTER TABLE boxes ADD COLUMN keyed JSON NOT NULL DEFAULT '{}'");
		await run(
			"UPDATE boxes SET keyed = coalesce((SELECT keyed FROM keyedBefore WHERE boxId = boxes.id), '{}')"
		);
		await run('DROP TABLE keyedBefore');
		await run('ALTER TABLE boxes DROP COLUMN notes');
		await run('DROP INDEX zones_standing');
		await run(standingIndex("summary ->> '$.done', summary ->> '$.of'"));
	});
