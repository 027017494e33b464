import { Busy, Late } from '../compute';
import { Stopping } from '../db';

/** What a person reads when the program fails. */
export function troubleSentence(error: unknown): string {
	if (error instanceof Busy)
		return 'The program has more to compute than it can just now. Try again in a moment.';
	if (error instanceof Late)
		return 'This takes longer to compute than anybody should wait. Nothing was changed.';
	if (error instanceof Stopping) return 'The program is being stopped: this was not saved. Try again.';
	const text = error instanceof Error ? error.message : String(error);
	if (/SQLITE_FULL|ENOSPC/.test(text))
		return 'The disk is full: this was not saved. Make room and try again.';
	if (/SQLITE_READONLY|EROFS|EACCES/.test(text))
		return 'The data folder cannot be written to: this was not saved.';
	if (/SQLITE_BUSY/.test(text)) return 'Another program holds the database: this was not saved. Try again.';
	if (/SQLITE_(CORRUPT|NOTADB)/.test(text))
		return 'The database is damaged: nothing was changed. Put a copy back.';
	return 'Something went wrong in the program. What was saved is safe; try again.';
}
