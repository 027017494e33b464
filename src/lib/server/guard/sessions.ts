import { createHash, randomBytes } from 'node:crypto';
import { Op } from 'sequelize';
import type { Database } from '../db';
import { ROLES, type Role } from './passphrases';

/** The cookie of somebody signed in. */
export const SESSION_COOKIE = 'fq-session';
/** How long one stays signed in. */
export const SESSION_DAYS = 30;

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

/** Signs somebody in; the token goes into their cookie and is kept nowhere. */
export async function beginSession(db: Database, role: Role): Promise<string> {
	const token = randomBytes(32).toString('base64url');
	const now = new Date();
	await db.sessions.destroy({ where: { endsAt: { [Op.lt]: now } } });
	await db.sessions.create({
		hash: hashOf(token),
		role,
		createdAt: now,
		endsAt: new Date(now.getTime() + SESSION_DAYS * 86_400_000)
	});
	return token;
}

/** The role of a session; null where it is unknown or over. */
export async function sessionRole(db: Database, token: string | undefined): Promise<Role | null> {
	if (!token) return null;
	const row = (await db.sessions.findByPk(hashOf(token)))?.get();
	if (!row || row.endsAt.getTime() < Date.now()) return null;
	return ROLES.find((role) => role === row.role) ?? null;
}

/** Signs somebody out. */
export async function endSession(db: Database, token: string): Promise<void> {
	await db.sessions.destroy({ where: { hash: hashOf(token) } });
}
