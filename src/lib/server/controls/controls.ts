import { isDeepStrictEqual } from 'node:util';
import { Op } from 'sequelize';
import { profileSchema, shippedProfiles, type ControlProfile } from '$core/control';
import type { Database } from '../db';
import type { ControlRow } from '../db/database';

/** A control profile of this installation's own. */
export interface StoredControl {
	readonly id: string;
	readonly revision: number;
	readonly profile: ControlProfile;
	readonly updatedAt: string;
	readonly deletedAt: string | null;
}

function fromRow(row: ControlRow): StoredControl {
	return {
		id: row.id,
		revision: row.revision,
		profile: profileSchema.parse(row.document),
		updatedAt: row.updatedAt.toISOString(),
		deletedAt: row.deletedAt?.toISOString() ?? null
	};
}

/** The installation's own controls by name, or those deleted. */
export async function listControls(db: Database, deleted = false): Promise<StoredControl[]> {
	const rows = await db.controls.findAll({ where: { deletedAt: deleted ? { [Op.ne]: null } : null } });
	return rows
		.map((row) => fromRow(row.get()))
		.sort((a, b) => a.profile.name.localeCompare(b.profile.name, 'en'));
}

/** The own control with this id that is not deleted; null if there is none. */
export async function findControl(db: Database, id: string): Promise<StoredControl | null> {
	const row = await db.controls.findByPk(id);
	return row && !row.get().deletedAt ? fromRow(row.get()) : null;
}

/**
 * Keeps a profile as one of the installation's own and returns its id: the profile's, or with a number
 * behind it where another control goes by that one. A profile kept already in the very same words is not
 * kept twice; one deleted under its id comes back as it is given here.
 */
export async function createControl(db: Database, profile: ControlProfile): Promise<string> {
	return db.write(async (transaction) => {
		const now = new Date();
		for (let n = 1; ; n++) {
			const id = n === 1 ? profile.id : `${profile.id.slice(0, 56)}-${n}`;
			const named = { ...profile, id };
			if (shippedProfiles.some((shipped) => shipped.id === id)) continue;
			const row = await db.controls.findByPk(id, { transaction });
			if (!row) {
				await db.controls.create(
					{ id, document: named, revision: 1, createdAt: now, updatedAt: now, deletedAt: null },
					{ transaction }
				);
				return id;
			}
			if (row.get().deletedAt) {
				const revision = row.get().revision + 1;
				await row.update({ document: named, revision, updatedAt: now, deletedAt: null }, { transaction });
				return id;
			}
			if (isDeepStrictEqual(fromRow(row.get()).profile, named)) return id;
		}
	});
}

/** What came of saving a control; see the like for zones. */
export type ControlSaved =
	| { readonly kind: 'saved'; readonly revision: number }
	| { readonly kind: 'conflict'; readonly current: StoredControl }
	| { readonly kind: 'gone' };

/** Saves a control if it still stands at the revision that the person's window knew. Its id stays. */
export async function saveControl(
	db: Database,
	id: string,
	revision: number,
	profile: ControlProfile
): Promise<ControlSaved> {
	const [count] = await db.controls.update(
		{ document: { ...profile, id }, revision: revision + 1, updatedAt: new Date() },
		{ where: { id, revision, deletedAt: null } }
	);
	if (count === 1) return { kind: 'saved', revision: revision + 1 };
	const current = await findControl(db, id);
	return current ? { kind: 'conflict', current } : { kind: 'gone' };
}

/** Deletes an own control so that it can be put back; sites that use it keep their copy. Returns whether it was there. */
export async function deleteControl(db: Database, id: string): Promise<boolean> {
	const [count] = await db.controls.update({ deletedAt: new Date() }, { where: { id, deletedAt: null } });
	return count > 0;
}

/** Puts a deleted control back. Returns whether it was there. */
export async function restoreControl(db: Database, id: string): Promise<boolean> {
	const [count] = await db.controls.update(
		{ deletedAt: null },
		{ where: { id, deletedAt: { [Op.ne]: null } } }
	);
	return count > 0;
}
