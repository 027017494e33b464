import { describe, expect, it } from 'vitest';
import { readText } from '.';

const bytes = (...parts: (string | number[])[]) =>
	Uint8Array.from(
		parts.flatMap((part) => (typeof part === 'string' ? [...Buffer.from(part, 'utf8')] : part))
	);
const wide = (text: string, swapped: boolean) => {
	const made = Buffer.from(text, 'utf16le');
	return [...(swapped ? made.swap16() : made)];
};
const TEXT = 'Zeit;Küche °C\n06:30;20,5\n';

describe('the text of a file', () => {
	it('is that of UTF-8, of UTF-16 with and without a mark, and of Windows’ Latin-1', () => {
		expect(readText(bytes(TEXT))).toEqual({ ok: true, value: TEXT });
		for (const swapped of [false, true]) {
			expect(readText(Uint8Array.from(wide(TEXT, swapped)))).toEqual({ ok: true, value: TEXT });
			const marked = readText(Uint8Array.from(wide(`\uFEFF${TEXT}`, swapped)));
			expect(marked.ok && marked.value.replace('\uFEFF', '')).toBe(TEXT);
		}
		expect(readText(Uint8Array.from(Buffer.from(TEXT, 'latin1')))).toEqual({ ok: true, value: TEXT });
	});

	it('is refused by name where it is none, and never holds a mark for a letter that was lost', () => {
		const sentence = (file: Uint8Array) => {
			const read = readText(file);
			return read.ok ? read.value : read.problem.sentence;
		};
		expect(sentence(bytes([0x50, 0x4b, 3, 4], 'xl/workbook'))).toMatch(
			/spreadsheet’s own file: save it as CSV/
		);
		expect(sentence(bytes([0x89, 0x50, 0x4e, 0x47, 0, 1, 2]))).toBe('This is no text file.');
		for (const file of [Buffer.from(TEXT, 'latin1'), Buffer.from(wide(TEXT, true))])
			expect(sentence(Uint8Array.from(file))).not.toContain('\uFFFD');
	});
});
