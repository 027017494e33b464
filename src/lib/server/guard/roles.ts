/** Who may do what: the office everything; an installer the work on sites; a reader only looks. */
export const ROLES = ['office', 'installer', 'reader'] as const;
export type Role = (typeof ROLES)[number];

/** The least that somebody must be to be answered; `anyone` needs no sign-in. */
export type Least = Role | 'anyone';

const rank: Record<Least, number> = { office: 3, installer: 2, reader: 1, anyone: 0 };

/** Whether a role (null: not signed in) is enough. */
export const isEnough = (role: Role | null, least: Least): boolean =>
	(role === null ? 0 : rank[role]) >= rank[least];

/** What is said to a role that is not enough. */
export const roleSentence = (least: Least): string =>
	least === 'office' ? 'Only the office may do this.' : 'You are signed in to read only.';
