import { createHash, randomBytes } from 'node:crypto';
import { Op } from 'sequelize';
import type { Database } from '../db';
import { ROLES, type Role } from './roles';

/** The cookie of somebody signed in. */
export const SESSION_COOKIE = 'fq-session';
/** How long one stays signed in. */
export const SESSION_DAYS = 30;

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

/** Signs somebody in; the token goes into their cookie and is kept nowhere. */
export async function beginSession(db: Database, role: Role): Promise<string> {
	const token = randomBytes(32).toString('base64url');
	const now = new Date();
	await db.write(async (tx) => {
		await tx.sessions.remove({ endsAt: { [Op.lt]: now } });
		await tx.sessions.create({
			hash: hashOf(token),
			role,
			createdAt: now,
			endsAt: new Date(now.getTime() + SESSION_DAYS * 86_400_000)
		});
	});
	return token;
}

/** The role of a session; null where it is unknown or over. */
export async function sessionRole(db: Database, token: string | undefined): Promise<Role | null> {
	if (!token) return null;
	const row = await db.sessions.get(hashOf(token));
	if (!row || row.endsAt.getTime() < Date.now()) return null;
	return ROLES.find((role) => role === row.role) ?? null;
}

/** Signs somebody out. */
export async function endSession(db: Database, token: string): Promise<void> {
	await db.write((tx) => tx.sessions.remove({ hash: hashOf(token) }));
}

/** Signs everybody out, or everybody of a role. */
export async function endEverySession(db: Database, role?: Role): Promise<void> {
	await db.write((tx) => tx.sessions.remove(role ? { role } : {}));
}
