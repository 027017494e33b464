import { randomUUID } from 'node:crypto';
import { LARGEST_PICTURE, MOST_PICTURES } from '$core/record';
import { compute } from '../compute';
import type { Database, Readable } from '../db';
import { openVisit, touchSite } from './documents';
import { endedSince, type StoredVisit } from './visitRows';

/** A picture of a visit, without its pixels. Instants in ISO 8601. */
export interface Picture {
	readonly id: string;
	readonly zoneName: string;
	/** The end of the visit it belongs to; null while that goes on. */
	readonly visitAt: string | null;
	readonly caption: string;
	readonly width: number;
	readonly height: number;
	readonly takenAt: string;
}

/** Whether bytes begin as a JPEG, a PNG or a WebP does (ITU-T T.81 B.1; RFC 2083 §3.1; RFC 9649 §2): nothing else reaches the decoder. */
export function looksLikePicture(bytes: Uint8Array): boolean {
	const begins = (at: number, ...these: number[]) => these.every((byte, i) => bytes[at + i] === byte);
	return (
		begins(0, 0xff, 0xd8, 0xff) ||
		begins(0, 0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a) ||
		(begins(0, 0x52, 0x49, 0x46, 0x46) && begins(8, 0x57, 0x45, 0x42, 0x50))
	);
}

/** What came of adding a picture: its id, or why not, or which visit ended meanwhile. */
export type Added = { readonly id: string } | { readonly refused: string } | { readonly ended: StoredVisit };

/** Keeps a picture with the visit that goes on at a site. The same `id` sent twice is kept once. */
export async function addPicture(
	db: Database,
	siteId: string,
	file: Uint8Array,
	about: {
		readonly id?: string | undefined;
		readonly zoneName: string;
		readonly caption: string;
		/** The visit that the device knew as the last one that ended; see {@link noteFields}. */
		readonly after?: string | null | undefined;
		/** How long ago it was taken by the device's own clock, in ms: those of one device stay in their order. */
		readonly agoMs?: number | undefined;
	}
): Promise<Added> {
	const id = about.id ?? randomUUID();
	const known = async (from: Readable) => (await from.pictures.count({ id })) > 0;
	if (await known(db)) return { id };
	if (file.byteLength > LARGEST_PICTURE)
		return { refused: `The picture is too large: at most ${LARGEST_PICTURE / 1e6} MB are taken.` };
	const read = looksLikePicture(file) ? await compute('picture', file) : null;
	if (!read) return { refused: 'This is no picture that can be read: JPEG, PNG and WebP are.' };
	return db.write(async (tx): Promise<Added> => {
		// sent again by the next page while the first was being read
		if (await known(tx)) return { id };
		const site = await tx.sites.get(siteId);
		if (!site || site.deletedAt) return { refused: 'There is no such site, or it has been deleted.' };
		const ended = await endedSince(tx, siteId, about.after);
		if (ended) return { ended };
		if ((await tx.pictures.count({ siteId, visitAt: null })) >= MOST_PICTURES)
			return { refused: `A visit keeps at most ${MOST_PICTURES} pictures.` };
		await tx.pictures.create({
			id,
			siteId,
			zoneName: about.zoneName,
			visitAt: null,
			caption: about.caption,
			createdAt: new Date(Date.now() - (about.agoMs ?? 0)),
			width: read.width,
			height: read.height,
			jpeg: Buffer.from(read.jpeg)
		});
		await openVisit(tx, siteId);
		await touchSite(tx, siteId);
		return { id };
	});
}

/** The pictures of a site's visits, oldest first, without their pixels. */
export async function picturesOf(from: Readable, siteId: string): Promise<Picture[]> {
	const rows = await from.pictures.all({
		where: { siteId },
		without: ['jpeg'],
		order: [['createdAt', 'ASC']]
	});
	return rows.map(({ id, zoneName, visitAt, caption, width, height, createdAt }) => ({
		id,
		zoneName,
		visitAt: visitAt?.toISOString() ?? null,
		caption,
		width,
		height,
		takenAt: createdAt.toISOString()
	}));
}

/** A picture's JPEG; null where the site has none of this id. */
export async function pictureJpeg(from: Readable, siteId: string, id: string): Promise<Buffer | null> {
	return (await from.pictures.one({ id, siteId }))?.jpeg ?? null;
}

/** Removes a picture of the visit that goes on. Those of visits that have ended stay. Returns whether it was there. */
export async function removePicture(db: Database, siteId: string, id: string): Promise<boolean> {
	return db.write(async (tx) => {
		const removed = await tx.pictures.remove({ id, siteId, visitAt: null });
		if (removed > 0) await touchSite(tx, siteId);
		return removed > 0;
	});
}
