import type { z } from 'zod';

/** What is wrong with something a person gave: where (a path like `zones[3].name`, or "") and a sentence. */
export interface Problem {
	readonly path: string;
	readonly sentence: string;
}

/** Either a value, or what is wrong. Errors a person can cause are values, never thrown. */
export type Read<T> =
	{ readonly ok: true; readonly value: T } | { readonly ok: false; readonly problem: Problem };

/** What a person wrote, to be shown back to them: in quotes, in one line, its beginning where it is long. */
export function quoted(text: string): string {
	const line = text.replace(/[\s\p{Cc}]+/gu, ' ');
	return `"${line.length > 40 ? `${line.slice(0, 39)}…` : line}"`;
}

/** A path as a person reads it: `zones[3].levels[0].setpointC`. */
export function pathText(path: readonly PropertyKey[]): string {
	return path.reduce<string>((text, part) => {
		if (typeof part === 'number') return `${text}[${part}]`;
		return text === '' ? String(part) : `${text}.${String(part)}`;
	}, '');
}

const typeNames: Record<string, string> = {
	string: 'text',
	number: 'a number',
	int: 'a whole number',
	boolean: 'true or false',
	array: 'a list',
	object: 'a record',
	record: 'a record',
	null: 'null',
	undefined: 'nothing'
};

/** The words of one schema issue, to follow the name of the field. */
function issueWords(issue: z.core.$ZodIssue): string {
	switch (issue.code) {
		case 'invalid_type':
			return issue.input === undefined && issue.message.includes('undefined')
				? 'is missing'
				: `must be ${typeNames[issue.expected] ?? issue.expected}`;
		case 'unrecognized_keys':
			return `has a field that is not known here: ${issue.keys.map((key) => `"${key.slice(0, 40)}"`).join(', ')}`;
		case 'too_big':
			return /^(is|has|must|needs)/.test(issue.message)
				? issue.message
				: `must be at most ${issue.maximum}${issue.origin === 'array' ? ' entries' : issue.origin === 'string' ? ' characters' : ''}`;
		case 'too_small':
			return /^(is|has|must|needs)/.test(issue.message)
				? issue.message
				: `must be at least ${issue.minimum}${issue.origin === 'array' ? ' entries' : issue.origin === 'string' ? ' characters' : ''}`;
		case 'invalid_value':
			return `must be ${issue.values.map((value) => JSON.stringify(value)).join(' or ')}`;
		case 'invalid_union':
			return 'has none of the forms allowed here';
		default:
			return issue.message;
	}
}

/** The first problem of a failed schema check, as a path and a sentence that names the field. */
export function problemOf(error: z.ZodError): Problem {
	const issue = error.issues[0]!;
	const path = pathText(issue.path);
	return { path, sentence: `${path === '' ? 'The document' : path} ${issueWords(issue)}.` };
}

/** Checks a value against a schema and answers with the value or the first problem. */
export function readWith<S extends z.ZodType>(schema: S, value: unknown): Read<z.output<S>> {
	const result = schema.safeParse(value);
	return result.success ? { ok: true, value: result.data } : { ok: false, problem: problemOf(result.error) };
}
