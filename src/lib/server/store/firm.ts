import { firmSchema, type Firm } from '$core/record';
import type { Database, Readable } from '../db';
import { change, type Changed } from './change';
import { readSetting, settingOf, type StoredSetting } from './settings';

const KEY = 'firm';

/** Whoever hands over, as this installation knows them. */
export async function readFirm(from: Readable): Promise<Firm> {
	return (await storedFirm(from)).value;
}

/** The same with its revision. */
export const storedFirm = (from: Readable): Promise<StoredSetting<Firm>> =>
	readSetting(from, KEY, firmSchema, {});

/** Whether a picture is what its address says, by its first bytes. */
export function isPicture(logo: string): boolean {
	const bytes = Buffer.from(logo.slice(logo.indexOf(',') + 1), 'base64');
	const png = bytes.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]));
	const jpeg = bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff;
	return logo.startsWith('data:image/png') ? png : jpeg;
}

/** Saves the firm, with a revision only where it still stands at that. */
export const saveFirm = (
	db: Database,
	firm: Firm,
	revision: number | null = null
): Promise<Changed<StoredSetting<Firm>>> => change(db, settingOf(KEY, firmSchema, {}), revision, () => firm);
