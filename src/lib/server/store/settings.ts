import type { z } from 'zod';
import type { Readable } from '../db';
import type { Changeable } from './change';

/** A setting of this installation: its document and how often it was changed (0 where it never was). */
export interface StoredSetting<T> {
	readonly revision: number;
	readonly value: T;
}

/** A setting as it stands, or as its schema makes it of `empty`. */
export async function readSetting<S extends z.ZodType>(
	from: Readable,
	key: string,
	schema: S,
	empty: unknown
): Promise<StoredSetting<z.output<S>>> {
	const row = await from.settings.get(key);
	return { revision: row?.revision ?? 0, value: schema.parse(row?.document ?? empty) };
}

/** A setting to be changed; see {@link readSetting}. */
export const settingOf = <S extends z.ZodType>(
	key: string,
	schema: S,
	empty: unknown
): Changeable<StoredSetting<z.output<S>>, z.output<S>> => ({
	read: (tx) => readSetting(tx, key, schema, empty),
	async write(tx, current, document) {
		const revision = current.revision + 1;
		await tx.settings.put({ key, document, revision });
		return revision;
	}
});
