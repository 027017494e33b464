import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import path from 'node:path';
import text400 from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?inline';
import text700 from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?inline';
import ext400 from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-400-normal.woff?inline';
import ext700 from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-700-normal.woff?inline';
import type { ContentText, TDocumentDefinitions } from 'pdfmake/interfaces';

interface PdfMake {
	addFonts(fonts: Record<string, { normal: string; bold: string }>): void;
	setUrlAccessPolicy(allowed: (url: string) => boolean): void;
	setLocalAccessPolicy(allowed: (path: string) => boolean): void;
	createPdf(document: TDocumentDefinitions): { getBuffer(): Promise<Buffer> };
}

let ready: PdfMake | undefined;

/** The printer with our face: regular and bold, and their extended letters. It reads no file but those and asks no address. */
function printer(): PdfMake {
	if (ready) return ready;
	const made = createRequire(import.meta.url)('pdfmake') as PdfMake;
	// drawings ask for a face by its file: the faces stand in a folder of their own, and nothing else is read
	const folder = mkdtempSync(path.join(tmpdir(), 'fond-quarter-faces-'));
	process.on('exit', () => rmSync(folder, { recursive: true, force: true }));
	const put = (name: string, address: string) => {
		const file = path.join(folder, name);
		writeFileSync(file, Buffer.from(address.slice(address.indexOf(',') + 1), 'base64'));
		return file;
	};
	made.addFonts({
		Text: { normal: put('text-400.woff', text400), bold: put('text-700.woff', text700) },
		Ext: { normal: put('ext-400.woff', ext400), bold: put('ext-700.woff', ext700) }
	});
	made.setUrlAccessPolicy(() => false);
	made.setLocalAccessPolicy((file) => path.dirname(path.resolve(file)) === folder);
	ready = made;
	return made;
}

/** Letters beyond Latin-1 and its usual marks stand in the extended face. */
const isExtended = (letter: string) => {
	const code = letter.codePointAt(0)!;
	return code >= 0x100 && code <= 0x24f && code !== 0x152 && code !== 0x153 && code !== 0x131;
};

/** Words as pdfmake takes them: arrows, which the face lacks, said; other letters in the face that has them. */
export function words(text: string, style: { readonly bold?: boolean } = {}): ContentText {
	const said = text.replace(/ ?→ ?/g, ' to ').normalize('NFC');
	const runs: { text: string; font: 'Text' | 'Ext'; bold?: boolean }[] = [];
	for (const letter of said) {
		const font = isExtended(letter) ? 'Ext' : 'Text';
		const last = runs.at(-1);
		if (last?.font === font) last.text += letter;
		else runs.push({ text: letter, font, ...style });
	}
	return { text: runs };
}

/** Prints a document as a PDF with embedded fonts; text stays text. */
export async function print(document: TDocumentDefinitions): Promise<Uint8Array<ArrayBuffer>> {
	const buffer = await printer()
		.createPdf({
			pageSize: 'A4',
			pageMargins: [42, 34, 42, 34],
			compress: true,
			...document,
			defaultStyle: { font: 'Text', fontSize: 10, lineHeight: 1.15, ...document.defaultStyle }
		})
		.getBuffer();
	return Uint8Array.from(buffer);
}
