/** Thrown where the file is a database, but its pages are damaged, or it is of a later version than this program knows. */
export class Unusable extends Error {
	constructor(
		readonly kind: 'damaged' | 'later',
		readonly detail: string
	) {
		super(detail);
	}
}

/** Why the database cannot be opened, for whoever starts the program. */
export function databaseSentence(error: unknown): string {
	const where = process.env.FOND_QUARTER_DATA ?? 'data/own';
	if (error instanceof Unusable)
		return error.kind === 'damaged'
			? `The database in ${where} is damaged. It was left untouched; put a copy back with npm run restore.`
			: `The database in ${where} was written by a later version of this program. It was left untouched; start that version.`;
	const text = error instanceof Error ? `${error.name} ${error.message}` : String(error);
	if (/NOTADB|CORRUPT|malformed/i.test(text))
		return `The database in ${where} is damaged. It was left untouched; put a copy back with npm run restore.`;
	if (/READONLY|EACCES|EROFS|CANTOPEN|EPERM/i.test(text))
		return `The data folder ${where} cannot be written to.`;
	if (/BUSY|locked/i.test(text))
		return `Another program holds the database in ${where}. Stop it and start again.`;
	if (/FULL|ENOSPC/i.test(text)) return `The disk that holds ${where} is full.`;
	return `The database in ${where} could not be opened. Put a copy back with npm run restore, or start from an empty folder.`;
}
