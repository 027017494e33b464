/** A piece of a line of text, and the number that it is, where it is a telephone number. */
export interface TelephonePart {
	readonly text: string;
	/** As a telephone dials it: figures, with a plus in front where one stood there; null for plain text. */
	readonly telephone: string | null;
}

/** Seven figures and more, with a plus, blanks, brackets, strokes between them: shorter ones are house numbers and dates. */
const NUMBER = /\+?\(?\d[\d ()/.-]{5,}\d/g;
const LEAST_FIGURES = 7;
const DATE = /^(?:\d{4}-\d\d-\d\d|\d{1,2}[./-]\d{1,2}[./-]\d{4})/;

/** A line of text in pieces: what can be dialled stands apart. */
export function telephoneParts(line: string): TelephonePart[] {
	const parts: TelephonePart[] = [];
	let from = 0;
	for (const { 0: text, index } of line.matchAll(NUMBER)) {
		const dialled = text.replace(/[^\d+]/g, '');
		if (dialled.replace('+', '').length < LEAST_FIGURES || DATE.test(text)) continue;
		if (index > from) parts.push({ text: line.slice(from, index), telephone: null });
		parts.push({ text, telephone: dialled });
		from = index + text.length;
	}
	if (from < line.length) parts.push({ text: line.slice(from), telephone: null });
	return parts;
}
