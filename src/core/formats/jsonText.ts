import { parse as parseTolerantly, type ParseError } from 'jsonc-parser';
import type { Read } from '../schema';

/** Line and column (from 1) of a character offset. */
function lineAndColumn(text: string, offset: number): string {
	const before = text.slice(0, offset);
	const line = before.split('\n').length;
	return `line ${line}, column ${offset - before.lastIndexOf('\n')}`;
}

/** The JSON of a file's text, byte-order mark or not; refused with line and column where it stops being JSON, or when longer than `largest` characters. */
export function readJsonText(text: string, largest: number): Read<unknown> {
	const refuse = (sentence: string): Read<unknown> => ({ ok: false, problem: { path: '', sentence } });
	if (text.length > largest)
		return refuse(
			`The file is too large: ${(text.length / 1e6).toFixed(1)} MB, at most ${largest / 1e6} MB are read.`
		);
	try {
		return { ok: true, value: JSON.parse(text.replace(/^\uFEFF/, '')) };
	} catch {
		const errors: ParseError[] = [];
		parseTolerantly(text, errors, { disallowComments: true, allowEmptyContent: false });
		return refuse(
			`The file is not JSON: it stops making sense at ${lineAndColumn(text, errors[0]?.offset ?? 0)}.`
		);
	}
}

/**
 * Checks the head of a document: refuses another format, or a version other than the one written now and those `before` it, with a sentence.
 * `called` names such a file.
 */
export function checkHead(
	document: unknown,
	format: string,
	version: number,
	called: string,
	before: readonly number[] = []
): Read<null> {
	const head = (document ?? {}) as { format?: unknown; version?: unknown };
	if (typeof head !== 'object' || head.format !== format)
		return {
			ok: false,
			problem: { path: 'format', sentence: `This is not a ${called}: format must be "${format}".` }
		};
	if (![version, ...before].includes(head.version as number))
		return {
			ok: false,
			problem: {
				path: 'version',
				sentence: `This ${called} has version ${JSON.stringify(head.version)?.slice(0, 20)}; this program reads version ${[...before, version].join(', ').replace(/, (?=[^,]*$)/, ' and ')}.`
			}
		};
	return { ok: true, value: null };
}
