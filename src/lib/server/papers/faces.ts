import text400 from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?inline';
import text700 from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?inline';
import ext400 from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-400-normal.woff?inline';
import ext700 from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-700-normal.woff?inline';

/** A face as it is shipped: regular and bold, as data addresses. */
interface FaceFiles {
	readonly normal: string;
	readonly bold: string;
}

/** Letters that are written by a face of their own, with what they are: the first that fits. Ranges of Unicode 16, Blocks.txt. */
const SCRIPTS = [
	['Greek', /[\u0370-\u03ff]/],
	['GreekExt', /[\u1f00-\u1fff]/],
	['Cyrillic', /[\u0400-\u045f\u2116]|[\u0490\u0491]|[\u04b0\u04b1]/],
	['CyrillicExt', /\p{Script=Cyrillic}/u],
	['Hebrew', /\p{Script=Hebrew}/u],
	['Arabic', /\p{Script=Arabic}/u],
	['Devanagari', /\p{Script=Devanagari}/u],
	['Thai', /\p{Script=Thai}/u],
	['Vietnamese', /[\u01a0\u01a1\u01af\u01b0\u1ea0-\u1ef9]/],
	['Chinese', /[\u2e80-\u30ff\u3400-\u9fff\uf900-\ufaff\uff00-\uffef]/],
	// letters beyond Latin-1 and its usual marks stand in the extended face
	['Ext', /[\u0100-\u0130\u0132-\u0151\u0154-\u024f\u1e00-\u1eff]/]
] as const;
export type FaceName = (typeof SCRIPTS)[number][0] | 'Text';

/** The face that a letter stands in. */
export function faceOf(letter: string): FaceName {
	return SCRIPTS.find(([, letters]) => letters.test(letter))?.[0] ?? 'Text';
}

/** Faces that are written from the right. */
export const FROM_THE_RIGHT: readonly FaceName[] = ['Hebrew', 'Arabic'];

const inline = async (module: Promise<{ readonly default: string }>) => (await module).default;

/**
 * The files of each face; those of other scripts (Noto Sans, SIL Open Font License 1.1) are read only when a paper needs them. Chinese has one
 * weight: its files are large.
 */
export const FACES: Readonly<Record<FaceName, () => Promise<FaceFiles> | FaceFiles>> = {
	Text: () => ({ normal: text400, bold: text700 }),
	Ext: () => ({ normal: ext400, bold: ext700 }),
	Greek: async () => ({
		normal: await inline(import('@fontsource/noto-sans/files/noto-sans-greek-400-normal.woff?inline')),
		bold: await inline(import('@fontsource/noto-sans/files/noto-sans-greek-700-normal.woff?inline'))
	}),
	GreekExt: async () => ({
		normal: await inline(import('@fontsource/noto-sans/files/noto-sans-greek-ext-400-normal.woff?inline')),
		bold: await inline(import('@fontsource/noto-sans/files/noto-sans-greek-ext-700-normal.woff?inline'))
	}),
	Cyrillic: async () => ({
		normal: await inline(import('@fontsource/noto-sans/files/noto-sans-cyrillic-400-normal.woff?inline')),
		bold: await inline(import('@fontsource/noto-sans/files/noto-sans-cyrillic-700-normal.woff?inline'))
	}),
	CyrillicExt: async () => ({
		normal: await inline(import('@fontsource/noto-sans/files/noto-sans-cyrillic-ext-400-normal.woff?inline')),
		bold: await inline(import('@fontsource/noto-sans/files/noto-sans-cyrillic-ext-700-normal.woff?inline'))
	}),
	Devanagari: async () => ({
		normal: await inline(import('@fontsource/noto-sans/files/noto-sans-devanagari-400-normal.woff?inline')),
		bold: await inline(import('@fontsource/noto-sans/files/noto-sans-devanagari-700-normal.woff?inline'))
	}),
	Vietnamese: async () => ({
		normal: await inline(import('@fontsource/noto-sans/files/noto-sans-vietnamese-400-normal.woff?inline')),
		bold: await inline(import('@fontsource/noto-sans/files/noto-sans-vietnamese-700-normal.woff?inline'))
	}),
	Hebrew: async () => ({
		normal: await inline(
			import('@fontsource/noto-sans-hebrew/files/noto-sans-hebrew-hebrew-400-normal.woff?inline')
		),
		bold: await inline(
			import('@fontsource/noto-sans-hebrew/files/noto-sans-hebrew-hebrew-700-normal.woff?inline')
		)
	}),
	Arabic: async () => ({
		normal: await inline(
			import('@fontsource/noto-sans-arabic/files/noto-sans-arabic-arabic-400-normal.woff?inline')
		),
		bold: await inline(
			import('@fontsource/noto-sans-arabic/files/noto-sans-arabic-arabic-700-normal.woff?inline')
		)
	}),
	Thai: async () => ({
		normal: await inline(
			import('@fontsource/noto-sans-thai/files/noto-sans-thai-thai-400-normal.woff?inline')
		),
		bold: await inline(import('@fontsource/noto-sans-thai/files/noto-sans-thai-thai-700-normal.woff?inline'))
	}),
	Chinese: async () => {
		const face = await inline(
			import('@fontsource/noto-sans-sc/files/noto-sans-sc-chinese-simplified-400-normal.woff?inline')
		);
		return { normal: face, bold: face };
	}
};
