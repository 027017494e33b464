import type { z } from 'zod';
import { problemOf, readWith, type Problem } from '$core/formats';

/** How deep a document may go, and how many values it may hold: more than any that the program takes. */
const DEEPEST = 40;
const MOST_VALUES = 100_000;

/** Whether a text is deeper or holds more than anything that is taken, found without parsing it. */
export function isTangled(text: string): boolean {
	let [depth, values, quoted] = [0, 0, false];
	for (let at = 0; at < text.length; at++) {
		const code = text.charCodeAt(at);
		if (quoted) {
			if (code === 92) at++;
			else if (code === 34) quoted = false;
		} else if (code === 34) quoted = true;
		else if (code === 91 || code === 123) {
			if (++depth > DEEPEST) return true;
		} else if (code === 93 || code === 125) depth--;
		else if (code === 44 && ++values > MOST_VALUES) return true;
	}
	return false;
}

/** A text as a document of a schema; or with which status, and why, it is none. */
export function readDocument<S extends z.ZodType>(
	schema: S,
	text: string
): { value: z.output<S> } | { status: 400 | 422; problem: Problem } {
	const refused = (status: 400 | 422, sentence: string) => ({ status, problem: { path: '', sentence } });
	if (isTangled(text))
		return refused(422, 'What was sent goes deeper, or holds more, than anything that is read here.');
	let document: unknown;
	try {
		document = JSON.parse(text);
	} catch {
		return refused(400, 'What was sent is not JSON.');
	}
	const read = readWith(schema, document);
	return read.ok ? { value: read.value } : { status: 422, problem: read.problem };
}

/** A document that has been held against its schema: what the description promises is what is sent. Throws where it does not fit. */
export function held<S extends z.ZodType>(schema: S, value: z.input<S>): z.output<S> {
	const checked = schema.safeParse(value);
	if (!checked.success)
		throw new Error(`answer does not fit its schema: ${problemOf(checked.error).sentence}`);
	return checked.data;
}
