import type { Database, Tx } from '../db';

/** Something that is changed as a whole, and how: the one way in which anything in the database is changed. */
export interface Changeable<Current extends { readonly revision: number }, Next> {
	/** As it stands in a transaction; null where it is not there. */
	read(tx: Tx): Promise<Current | null>;
	/** Writes what is to stand there, with everything that is derived from it, and returns its revision. */
	write(tx: Tx, current: Current, next: Next): Promise<number>;
}

/** What came of a change. On `conflict` somebody else has changed it since the revision that the person knew. */
export type Changed<Current, Because = never> =
	| { readonly kind: 'saved'; readonly revision: number }
	| { readonly kind: 'conflict'; readonly current: Current }
	| { readonly kind: 'refused'; readonly because: Because }
	| { readonly kind: 'gone' };

/** Said by a change that does not want to be made. */
class Refusal<Because> {
	constructor(readonly because: Because) {}
}
export const refusal = <Because>(because: Because) => new Refusal(because);

/** What is to stand there, or a {@link refusal}. */
export type Make<Current, Next, Because> = (
	tx: Tx,
	current: Current
) => Next | Refusal<Because> | Promise<Next | Refusal<Because>>;

/** One change inside a transaction that is open already; see {@link change}. */
export async function changeWithin<Current extends { readonly revision: number }, Next, Because = never>(
	tx: Tx,
	what: Changeable<Current, Next>,
	revision: number | null,
	make: Make<Current, Next, Because>
): Promise<Changed<Current, Because>> {
	const current = await what.read(tx);
	if (!current) return { kind: 'gone' };
	if (revision !== null && current.revision !== revision) return { kind: 'conflict', current };
	const next = await make(tx, current);
	if (next instanceof Refusal) return { kind: 'refused', because: next.because };
	return { kind: 'saved', revision: await what.write(tx, current, next) };
}

/**
 * Changes something: read, merged, derived from and marked in one transaction, after every change asked for before. With a
 * `revision` only where it still stands at that; with null on whatever stands there: then `make` merges.
 */
export function change<Current extends { readonly revision: number }, Next, Because = never>(
	db: Database,
	what: Changeable<Current, Next>,
	revision: number | null,
	make: Make<Current, Next, Because>
): Promise<Changed<Current, Because>> {
	return db.write((tx) => changeWithin(tx, what, revision, make));
}

class Undone extends Error {
	constructor(readonly came: unknown) {
		super('undone');
	}
}

/** Several changes in one transaction: either all of them, or, where `undo` is called, none, and what it was given is returned. */
export async function together<T>(
	db: Database,
	work: (tx: Tx, undo: (came: T) => never) => Promise<T>
): Promise<T> {
	try {
		return await db.write((tx) =>
			work(tx, (came) => {
				throw new Undone(came);
			})
		);
	} catch (error) {
		if (error instanceof Undone) return error.came as T;
		throw error;
	}
}
