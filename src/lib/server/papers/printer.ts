import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Content, ContentText, TDocumentDefinitions } from 'pdfmake/interfaces';
import { FACES, faceOf, FROM_THE_RIGHT, type FaceName } from './faces';

interface PdfMake {
	addFonts(fonts: Record<string, { normal: string; bold: string }>): void;
	setUrlAccessPolicy(allowed: (url: string) => boolean): void;
	setLocalAccessPolicy(allowed: (path: string) => boolean): void;
	createPdf(document: TDocumentDefinitions): { getBuffer(): Promise<Buffer> };
}

let ready: { readonly make: PdfMake; readonly folder: string } | undefined;
const put = new Set<FaceName>();

/** The printer. It reads no file but the faces, which stand in a folder of their own, and asks no address. */
function printer(): NonNullable<typeof ready> {
	if (ready) return ready;
	const make = createRequire(import.meta.url)('pdfmake') as PdfMake;
	// drawings ask for a face by its file
	const folder = mkdtempSync(path.join(tmpdir(), 'fond-quarter-faces-'));
	process.on('exit', () => rmSync(folder, { recursive: true, force: true }));
	make.setUrlAccessPolicy(() => false);
	make.setLocalAccessPolicy((file) => path.dirname(path.resolve(file)) === folder);
	return (ready = { make, folder });
}

/** Has the faces ready that a paper is written in. */
async function withFaces(names: Iterable<FaceName>): Promise<PdfMake> {
	const { make, folder } = printer();
	for (const name of names) {
		if (put.has(name)) continue;
		const files = await FACES[name]();
		const written = (weight: 'normal' | 'bold') => {
			const file = path.join(folder, `${name}-${weight}.woff`);
			const address = files[weight];
			writeFileSync(file, Buffer.from(address.slice(address.indexOf(',') + 1), 'base64'));
			return file;
		};
		make.addFonts({ [name]: { normal: written('normal'), bold: written('bold') } });
		put.add(name);
	}
	return make;
}

/** The faces that a document is written in. */
function facesIn(content: unknown, found = new Set<FaceName>(['Text'])): Set<FaceName> {
	if (Array.isArray(content)) for (const one of content) facesIn(one, found);
	else if (content !== null && typeof content === 'object')
		for (const [key, value] of Object.entries(content)) {
			if (key === 'font' && typeof value === 'string') found.add(value as FaceName);
			else if (typeof value === 'object') facesIn(value, found);
		}
	return found;
}

/** Letters that belong to no script: they stand with those before them. */
const isNeutral = (letter: string) => /[\s\p{P}\p{N}\p{S}\p{M}]/u.test(letter);

/** Words as pdfmake takes them: arrows, which the face lacks, said; letters of other scripts in the face that has them, and what is written from the right in its order. */
export function words(text: string, style: { readonly bold?: boolean } = {}): ContentText {
	const said = text.replace(/ ?→ ?/g, ' to ').normalize('NFC');
	const runs: { text: string; font: FaceName; bold?: boolean }[] = [];
	const letters = [...said];
	for (const [i, letter] of letters.entries()) {
		const last = runs.at(-1);
		let font = faceOf(letter);
		// a space between two words that are written from the right is one of theirs, and a mark stands with its letter
		if (font === 'Text' && last && last.font !== 'Text' && isNeutral(letter)) {
			const next = letters.slice(i + 1).find((one) => !isNeutral(one));
			const within =
				/\p{M}/u.test(letter) || (/\s/.test(letter) && next !== undefined && faceOf(next) === last.font);
			if (within) font = last.font;
		}
		if (last?.font === font) last.text += letter;
		else runs.push({ text: letter, font, ...style });
	}
	// the printer puts words one behind the other from the left, and a space within one that is written from the right on its wrong side
	const inOrder = runs.flatMap((run) =>
		FROM_THE_RIGHT.includes(run.font)
			? run.text
					.split(/(\s+)/)
					.reverse()
					.filter((part) => part !== '')
					.map((part) =>
						/\s/.test(part) ? { ...run, text: part, font: 'Text' as const } : { ...run, text: part }
					)
			: [run]
	);
	return { text: inOrder };
}

/** What stays together on a page, where it fits on one. */
export const together = (...stack: Content[]): Content => ({ stack, unbreakable: true });

/** Prints a document as a PDF with embedded fonts; text stays text. */
export async function print(document: TDocumentDefinitions): Promise<Uint8Array<ArrayBuffer>> {
	const make = await withFaces(facesIn(document.content));
	const buffer = await make
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
