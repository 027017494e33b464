import { isDeepStrictEqual } from 'node:util';
import { Op } from 'sequelize';
import { profileSchema, shippedProfiles, type ControlProfile } from '$core/control';
import type { ControlRow, Database, Readable } from '../db';
import { change, type Changeable, type Changed } from './change';

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

/** What of a control is to be another. What is not named stays. */
interface ControlNext {
	readonly profile?: ControlProfile;
	/** Deleted, or (null) put back. */
	readonly deletedAt?: Date | null;
}

/** A control of one's own, deleted or not as asked for. Its id stays, whatever its profile says. */
const controlOf = (id: string, deleted = false): Changeable<StoredControl, ControlNext> => ({
	async read(tx) {
		const row = await tx.controls.get(id);
		return row && (row.deletedAt !== null) === deleted ? fromRow(row) : null;
	},
	async write(tx, current, { profile, ...rest }) {
		const revision = profile ? current.revision + 1 : current.revision;
		const document = profile ? { document: { ...profile, id } } : {};
		await tx.controls.update({ ...rest, ...document, revision, updatedAt: new Date() }, { id });
		return revision;
	}
});

/** The installation's own controls by name, or those deleted. */
export async function listControls(from: Readable, deleted = false): Promise<StoredControl[]> {
	const rows = await from.controls.all({ where: { deletedAt: deleted ? { [Op.ne]: null } : null } });
	return rows.map(fromRow).sort((a, b) => a.profile.name.localeCompare(b.profile.name, 'en'));
}

/** The profiles of the installation's own controls. */
export const profilesOf = async (from: Readable): Promise<ControlProfile[]> =>
	(await listControls(from)).map((control) => control.profile);

/** The own control with this id that is not deleted; null if there is none. */
export async function findControl(from: Readable, id: string): Promise<StoredControl | null> {
	const row = await from.controls.get(id);
	return row && !row.deletedAt ? fromRow(row) : null;
}

/**
 * Keeps a profile as one of the installation's own and returns its id: the profile's, or with a number
 * behind it where another control goes by that one. A profile kept already in the very same words is not
 * kept twice; one deleted under its id comes back as it is given here.
 */
export async function createControl(db: Database, profile: ControlProfile): Promise<string> {
	return db.write(async (tx) => {
		const now = new Date();
		for (let n = 1; ; n++) {
			const id = n === 1 ? profile.id : `${profile.id.slice(0, 56)}-${n}`;
			const named = { ...profile, id };
			if (shippedProfiles.some((shipped) => shipped.id === id)) continue;
			const row = await tx.controls.get(id);
			if (!row) {
				await tx.controls.create({
					id,
					document: named,
					revision: 1,
					createdAt: now,
					updatedAt: now,
					deletedAt: null
				});
				return id;
			}
			if (row.deletedAt) {
				const gone = controlOf(id, true);
				await gone.write(tx, fromRow(row), { profile: named, deletedAt: null });
				return id;
			}
			if (isDeepStrictEqual(fromRow(row).profile, named)) return id;
		}
	});
}

/** Saves a control if it still stands at the revision that the person's window knew. Its id stays. */
export const saveControl = (
	db: Database,
	id: string,
	revision: number,
	profile: ControlProfile
): Promise<Changed<StoredControl>> => change(db, controlOf(id), revision, () => ({ profile }));

/** Deletes an own control so that it can be put back; sites that use it keep their copy. Returns whether it was there. */
export async function deleteControl(db: Database, id: string): Promise<boolean> {
	return (await change(db, controlOf(id), null, () => ({ deletedAt: new Date() }))).kind === 'saved';
}

/** Puts a deleted control back. Returns whether it was there. */
export async function restoreControl(db: Database, id: string): Promise<boolean> {
	return (await change(db, controlOf(id, true), null, () => ({ deletedAt: null }))).kind === 'saved';
}
