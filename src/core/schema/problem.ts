import type { z } from 'zod';
import { placeWords } from './fieldWords';

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

/** A path as a program reads it: `zones[3].levels[0].setpointC`; a person reads {@link placeWords}. */
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
	date: 'a date',
	boolean: 'true or false',
	array: 'a list',
	object: 'a record',
	record: 'a record',
	null: 'null',
	undefined: 'nothing'
};

const countOf = (origin: string | undefined) =>
	origin === 'array' ? ' entries' : origin === 'string' ? ' characters' : '';
/** A message of our own, to follow the name of the field; the schema library's own words never reach a person. */
const OWN_WORDS =
	/^(is|are|has|have|must|needs|cannot|comes|does|lies|falls|names|goes|holds|leaves|overlaps|\()/;
const figure = (value: unknown) =>
	typeof value === 'number' || typeof value === 'bigint'
		? Number(value).toLocaleString('en-GB', { useGrouping: false, maximumFractionDigits: 6 })
		: String(value);

/** The words of one schema issue, to follow the name of the field. */
export function issueWords(issue: z.core.$ZodIssue): string {
	const { message } = issue;
	switch (issue.code) {
		case 'invalid_type':
			if (issue.input === undefined && message.includes('undefined')) return 'is missing';
			return OWN_WORDS.test(message) ? message : `must be ${typeNames[issue.expected] ?? 'of another kind'}`;
		case 'unrecognized_keys':
			return `has a field that is not known here: ${issue.keys.map((key) => `"${key.slice(0, 40)}"`).join(', ')}`;
		case 'too_big':
			return OWN_WORDS.test(message)
				? message
				: `must be at most ${figure(issue.maximum)}${countOf(issue.origin)}`;
		case 'too_small':
			return OWN_WORDS.test(message)
				? message
				: `must be at least ${figure(issue.minimum)}${countOf(issue.origin)}`;
		case 'invalid_value':
			return `must be ${issue.values.map((value) => JSON.stringify(value)).join(' or ')}`;
		case 'not_multiple_of':
			return `must be a multiple of ${figure(issue.divisor)}`;
		case 'invalid_union':
			return 'has none of the forms allowed here';
		case 'invalid_key':
		case 'invalid_element':
			return 'has an entry that is not allowed here';
		case 'invalid_format':
			if (OWN_WORDS.test(message)) return message;
			return issue.format === 'datetime'
				? 'is no date and time, as in 2026-12-24T14:00:00Z'
				: issue.format === 'date'
					? 'is no date, as in 2026-12-24'
					: 'is not written as it must be';
		default:
			return OWN_WORDS.test(message) ? message : 'is not allowed here';
	}
}

/** The first problem of a failed schema check: the path of the field, and a sentence that names it as a person would. */
export function problemOf(error: z.ZodError): Problem {
	const issue = error.issues[0]!;
	const path = pathText(issue.path);
	const place = placeWords(issue.path);
	return { path, sentence: `${place === '' ? 'The document' : place} ${issueWords(issue)}.` };
}

/** The words of the first thing that is wrong with a value, to follow the name that the reader knows it by. */
export const wrongWords = (error: z.ZodError): string => issueWords(error.issues[0]!);

/** Checks a value against a schema and answers with the value or the first problem. */
export function readWith<S extends z.ZodType>(schema: S, value: unknown): Read<z.output<S>> {
	const result = schema.safeParse(value);
	return result.success ? { ok: true, value: result.data } : { ok: false, problem: problemOf(result.error) };
}
