import { randomUUID } from 'node:crypto';
import type { Transaction } from 'sequelize';
import sharp from 'sharp';
import { LARGEST_PICTURE, MOST_PICTURES } from '$core/record';
import type { Database } from '../db';

/** The longest side kept, in pixels: enough to read a display and a terminal label. */
const LONGEST_PX = 1800;

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

/** A picture's pixels, turned upright, at most {@link LONGEST_PX} wide or high, and nothing else of the file: no position, no device, no date. Null where it is none. */
export async function onlyPixels(
	file: Uint8Array
): Promise<{ readonly jpeg: Buffer; readonly width: number; readonly height: number } | null> {
	try {
		const { data, info } = await sharp(file, { limitInputPixels: 60_000_000, failOn: 'error' })
			.rotate()
			.resize({ width: LONGEST_PX, height: LONGEST_PX, fit: 'inside', withoutEnlargement: true })
			.flatten({ background: '#ffffff' })
			.jpeg({ quality: 80 })
			.toBuffer({ resolveWithObject: true });
		return { jpeg: data, width: info.width, height: info.height };
	} catch {
		return null;
	}
}

/** What came of adding a picture: its id, or why not. */
export type Added = { readonly id: string } | { readonly refused: string };

/** Keeps a picture with the visit that goes on at a site. The same `id` sent twice is kept once. */
export async function addPicture(
	db: Database,
	siteId: string,
	file: Uint8Array,
	about: { readonly id?: string | undefined; readonly zoneName: string; readonly caption: string }
): Promise<Added> {
	const id = about.id ?? randomUUID();
	const known = (transaction: Transaction | null) =>
		db.pictures.findByPk(id, { attributes: ['id'], transaction });
	if (await known(null)) return { id };
	if (file.byteLength > LARGEST_PICTURE)
		return { refused: `The picture is too large: at most ${LARGEST_PICTURE / 1e6} MB are taken.` };
	const read = await onlyPixels(file);
	if (!read) return { refused: 'This is no picture that can be read: JPEG, PNG and WebP are.' };
	return db.write(async (transaction): Promise<Added> => {
		// sent again by the next page while the first was being read
		if (await known(transaction)) return { id };
		if ((await db.pictures.count({ where: { siteId, visitAt: null }, transaction })) >= MOST_PICTURES)
			return { refused: `A visit keeps at most ${MOST_PICTURES} pictures.` };
		const now = new Date();
		await db.pictures.create(
			{
				id,
				siteId,
				zoneName: about.zoneName,
				visitAt: null,
				caption: about.caption,
				createdAt: now,
				...read
			},
			{ transaction }
		);
		await db.sites.update(
			{ visitOpenSince: now },
			{ where: { id: siteId, visitOpenSince: null }, transaction }
		);
		return { id };
	});
}

/** The pictures of a site's visits, oldest first, without their pixels. */
export async function picturesOf(db: Database, siteId: string): Promise<Picture[]> {
	const rows = await db.pictures.findAll({
		where: { siteId },
		attributes: { exclude: ['jpeg'] },
		order: [['createdAt', 'ASC']]
	});
	return rows.map((row) => {
		const { id, zoneName, visitAt, caption, width, height, createdAt } = row.get();
		return {
			id,
			zoneName,
			visitAt: visitAt?.toISOString() ?? null,
			caption,
			width,
			height,
			takenAt: createdAt.toISOString()
		};
	});
}

/** A picture's JPEG; null where the site has none of this id. */
export async function pictureJpeg(db: Database, siteId: string, id: string): Promise<Buffer | null> {
	return (await db.pictures.findOne({ where: { id, siteId } }))?.get().jpeg ?? null;
}

/** Removes a picture of the visit that goes on. Those of visits that have ended stay. Returns whether it was there. */
export async function removePicture(db: Database, siteId: string, id: string): Promise<boolean> {
	return (await db.pictures.destroy({ where: { id, siteId, visitAt: null } })) > 0;
}
