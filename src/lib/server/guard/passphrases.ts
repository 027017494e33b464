import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';
import { z } from 'zod';
import type { Database } from '../db';
import { change } from '../store/change';
import { settingOf } from '../store/settings';
import { ROLES, type Role } from './roles';
import { endEverySession } from './sessions';

const derive = promisify(scrypt) as (secret: string, salt: Buffer, length: number) => Promise<Buffer>;

const variables: Record<Role, string> = {
	office: 'FOND_QUARTER_PASSPHRASE',
	installer: 'FOND_QUARTER_PASSPHRASE_INSTALLER',
	reader: 'FOND_QUARTER_PASSPHRASE_READER'
};

/** Passphrases shorter than this are not taken. */
const SHORTEST = 12;
/** What is longer is no passphrase: it is refused before anything is computed of it. */
export const LONGEST_PASSPHRASE = 400;

const LOOPBACK = /^(localhost|127(\.\d{1,3}){3}|::1|\[::1\])$/i;

/** Whether a name or address means this machine alone. */
export function isLoopback(host: string | undefined): boolean {
	return host !== undefined && LOOPBACK.test(host);
}

/** What keeps the program from starting on an address, in a sentence; null where nothing does. */
export function startRefusal(environment: NodeJS.ProcessEnv): string | null {
	for (const role of ROLES) {
		const secret = environment[variables[role]];
		if (secret === undefined) continue;
		if (secret.length < SHORTEST)
			return `${variables[role]} is too short: at least ${SHORTEST} letters are wanted.`;
		if (secret.length > LONGEST_PASSPHRASE)
			return `${variables[role]} is too long: at most ${LONGEST_PASSPHRASE} letters are taken.`;
	}
	const { HOST, ORIGIN } = environment;
	const reached = HOST ?? 'every address of this machine';
	if (!isLoopback(HOST) && environment[variables.office] === undefined)
		return `Others can reach ${reached}: set ${variables.office} to a passphrase, or HOST to 127.0.0.1.`;
	if (!isLoopback(HOST) && ORIGIN === undefined)
		return `Others can reach ${reached}: set ORIGIN to the address that they type, such as https://heating.example.com, or HOST to 127.0.0.1.`;
	if (ORIGIN !== undefined && !URL.canParse(ORIGIN))
		return `ORIGIN must be an address such as https://heating.example.com; "${ORIGIN}" is none.`;
	return null;
}

const hashSchema = z.strictObject({ salt: z.base64(), hash: z.base64() });
/** What is kept of the passphrases: of each role's a salt and what scrypt makes of both. */
const keptSchema = z.strictObject({
	office: hashSchema.optional(),
	installer: hashSchema.optional(),
	reader: hashSchema.optional()
});
type Kept = z.infer<typeof keptSchema>;

const isIt = async (secret: string, { salt, hash }: z.infer<typeof hashSchema>) =>
	timingSafeEqual(
		Buffer.from(hash, 'base64'),
		await derive(secret.normalize('NFKC'), Buffer.from(salt, 'base64'), 32)
	);

let known: Kept = {};

/**
 * Takes the passphrases out of the environment and keeps them as hashes. Whoever is signed in by a role whose passphrase is another than at
 * the last start, or is gone, is signed out.
 */
export async function takePassphrases(db: Database, environment: NodeJS.ProcessEnv): Promise<void> {
	const setting = settingOf('passphrases', keptSchema, {});
	const before = (await setting.read(db as never))!.value;
	const now: Kept = {};
	for (const role of ROLES) {
		const secret = environment[variables[role]];
		delete environment[variables[role]];
		const had = before[role];
		if (secret !== undefined && had && (await isIt(secret, had))) {
			now[role] = had;
			continue;
		}
		if (secret !== undefined) {
			const salt = randomBytes(16);
			const hash = await derive(secret.normalize('NFKC'), salt, 32);
			now[role] = { salt: salt.toString('base64'), hash: hash.toString('base64') };
		}
		if (secret !== undefined || had) await endEverySession(db, role);
	}
	known = now;
	await change(db, setting, null, () => now);
}

/** Whether anybody has to sign in. */
export function signInWanted(): boolean {
	return known.office !== undefined;
}

/** The role that a passphrase opens; null for a wrong one. Every known one is tried, so that the time tells nothing. */
export async function roleOf(passphrase: string): Promise<Role | null> {
	if (passphrase.length > LONGEST_PASSPHRASE) return null;
	let found: Role | null = null;
	for (const role of ROLES) {
		const hash = known[role];
		if (hash && (await isIt(passphrase, hash)) && found === null) found = role;
	}
	return found;
}
