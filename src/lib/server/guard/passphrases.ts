import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';

const derive = promisify(scrypt) as (secret: string, salt: Buffer, length: number) => Promise<Buffer>;

/** Who may do what: the office everything; an installer the work on sites; a reader only looks. */
export const ROLES = ['office', 'installer', 'reader'] as const;
export type Role = (typeof ROLES)[number];

const variables: Record<Role, string> = {
	office: 'FOND_QUARTER_PASSPHRASE',
	installer: 'FOND_QUARTER_PASSPHRASE_INSTALLER',
	reader: 'FOND_QUARTER_PASSPHRASE_READER'
};

interface Hashed {
	readonly role: Role;
	readonly salt: Buffer;
	readonly hash: Buffer;
}

/** Passphrases shorter than this are not taken. */
const SHORTEST = 12;

let hashed: Promise<readonly Hashed[]> | undefined;

/** Whether the program only listens to this machine. Anything else needs a passphrase. */
export function isLoopback(host: string | undefined): boolean {
	return host === '127.0.0.1' || host === '::1' || host === 'localhost';
}

/** What keeps the program from starting on an address, in a sentence; null where nothing does. */
export function startRefusal(environment: NodeJS.ProcessEnv): string | null {
	const short = ROLES.find((role) => {
		const secret = environment[variables[role]];
		return secret !== undefined && secret.length < SHORTEST;
	});
	if (short) return `${variables[short]} is too short: at least ${SHORTEST} letters are wanted.`;
	if (!isLoopback(environment.HOST) && environment[variables.office] === undefined)
		return `Others can reach ${environment.HOST ?? 'every address of this machine'}: set ${variables.office} to a passphrase, or HOST to 127.0.0.1.`;
	return null;
}

/** Whether anybody has to sign in. */
export function signInWanted(environment: NodeJS.ProcessEnv = process.env): boolean {
	return environment[variables.office] !== undefined;
}

/** The passphrases as hashes (scrypt, each with its own salt); they leave the environment once hashed. */
function known(): Promise<readonly Hashed[]> {
	hashed ??= Promise.all(
		ROLES.flatMap((role) => {
			const secret = process.env[variables[role]];
			if (secret === undefined) return [];
			const salt = randomBytes(16);
			return [derive(secret.normalize('NFKC'), salt, 32).then((hash) => ({ role, salt, hash }))];
		})
	);
	return hashed;
}

/** The role that a passphrase opens; null for a wrong one. Every known one is tried, so that the time tells nothing. */
export async function roleOf(passphrase: string): Promise<Role | null> {
	let found: Role | null = null;
	for (const { role, salt, hash } of await known()) {
		const same = timingSafeEqual(hash, await derive(passphrase.normalize('NFKC').slice(0, 400), salt, 32));
		if (same && found === null) found = role;
	}
	return found;
}
