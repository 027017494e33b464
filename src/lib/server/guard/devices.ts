import { createHmac, randomBytes, timingSafeEqual } from 'node:crypto';
import { z } from 'zod';
import type { Database } from '../db';
import { change } from '../store/change';
import { settingOf } from '../store/settings';
import { placeOf, type Trier } from './tries';

/** The cookie of a device on which somebody has signed in before. It opens nothing: its tries are counted by themselves. */
export const DEVICE_COOKIE = 'fq-device';
export const DEVICE_DAYS = 400;

const secretSchema = z.strictObject({ secret: z.string() });
let secret: Promise<string> | undefined;

/** The secret that devices' marks are signed with: made once for an installation. */
function secretOf(db: Database): Promise<string> {
	secret ??= (async () => {
		const setting = settingOf('devices', secretSchema, { secret: '' });
		let kept = '';
		await change(db, setting, null, (_, { value }) => {
			kept = value.secret || randomBytes(32).toString('base64url');
			return { secret: kept };
		});
		return kept;
	})();
	secret.catch(() => (secret = undefined));
	return secret;
}

const signed = (key: string, id: string) => createHmac('sha256', key).update(id).digest('base64url');

/** A mark for a device on which somebody has signed in just now. */
export async function markDevice(db: Database): Promise<string> {
	const id = randomBytes(18).toString('base64url');
	return `${id}.${signed(await secretOf(db), id)}`;
}

/** Who tries a passphrase, by the device's mark or else the address. */
export async function trierOf(db: Database, mark: string | undefined, address: string): Promise<Trier> {
	const device = await deviceOf(db, mark);
	return { known: device !== null, by: device ?? placeOf(address) };
}

/** The id of a device by its mark; null where this program never gave it. */
export async function deviceOf(db: Database, mark: string | undefined): Promise<string | null> {
	const [id, hash, ...more] = (mark ?? '').split('.');
	if (!id || !hash || more.length > 0 || id.length > 40) return null;
	const right = Buffer.from(signed(await secretOf(db), id));
	const given = Buffer.from(hash);
	return right.length === given.length && timingSafeEqual(right, given) ? id : null;
}
