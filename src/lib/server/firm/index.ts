import { firmSchema, type Firm } from '$core/record';
import type { Database } from '../db';

const KEY = 'firm';

/** Whoever hands over, as this installation knows them. */
export async function readFirm(db: Database): Promise<Firm> {
	const row = await db.settings.findByPk(KEY);
	return firmSchema.parse(row?.get().document ?? {});
}

/** Whether a picture is what its address says, by its first bytes. */
export function isPicture(logo: string): boolean {
	const bytes = Buffer.from(logo.slice(logo.indexOf(',') + 1), 'base64');
	const png = bytes.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]));
	const jpeg = bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff;
	return logo.startsWith('data:image/png') ? png : jpeg;
}

export async function saveFirm(db: Database, firm: Firm): Promise<void> {
	await db.settings.upsert({ key: KEY, document: firm });
}
