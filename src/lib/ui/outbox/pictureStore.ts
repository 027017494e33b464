import { createStore, del, entries, get, set, type UseStore } from 'idb-keyval';
import { z } from 'zod';

let store: UseStore | null = null;
/** Where the pixels of pictures wait in this browser. */
export const disk = (): UseStore => (store ??= createStore('fond-quarter-pictures', 'waiting'));
/** Those for which there was no room: kept for as long as the window is open. */
const held = new Map<string, Blob>();

/** Keeps a picture; returns whether it is kept over a reload. */
export async function keepPicture(id: string, file: Blob): Promise<boolean> {
	try {
		await set(id, file, disk());
		return true;
	} catch {
		held.set(id, file);
		return false;
	}
}

/** A picture that waits; null where it is gone. */
export async function keptPicture(id: string): Promise<Blob | null> {
	const file = held.get(id) ?? (await get<unknown>(id, disk()).catch(() => null));
	return file instanceof Blob ? file : null;
}

export async function forgetPicture(id: string): Promise<void> {
	held.delete(id);
	await del(id, disk()).catch(() => undefined);
}

/** Whether a picture would be gone with a reload. */
export const isHeld = (id: string): boolean => held.has(id);

const beforeSchema = z.object({
	siteId: z.string(),
	zone: z.string(),
	caption: z.string(),
	file: z.instanceof(globalThis.Blob ?? Object),
	takenAtMs: z.number().default(0),
	after: z.string().nullable().optional()
});
/** A picture as the version before kept it: all of it together. */
export type PictureBefore = z.infer<typeof beforeSchema> & { readonly id: string };

/** The pictures of a site that the version before left waiting, oldest first. */
export async function picturesBefore(siteId: string): Promise<PictureBefore[]> {
	const all = await entries<string, unknown>(disk()).catch(() => []);
	return all
		.flatMap(([id, value]) => {
			const read = beforeSchema.safeParse(value);
			return read.success && read.data.siteId === siteId ? [{ ...read.data, id }] : [];
		})
		.sort((a, b) => a.takenAtMs - b.takenAtMs);
}
