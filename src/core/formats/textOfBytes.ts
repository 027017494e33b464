import type { Read } from '../schema';

const refused = (sentence: string): Read<never> => ({ ok: false, problem: { path: '', sentence } });

/** Whether bytes are UTF-16 without a mark at their head: every other byte of what is mostly Latin letters is nothing. */
function evenNothing(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | null {
	const looked = Math.min(bytes.length, 400);
	if (looked < 8) return null;
	let [first, second] = [0, 0];
	for (let i = 0; i + 1 < looked; i += 2) {
		if (bytes[i] === 0) first++;
		if (bytes[i + 1] === 0) second++;
	}
	if (second > looked / 4 && first < looked / 20) return 'utf-16le';
	return first > looked / 4 && second < looked / 20 ? 'utf-16be' : null;
}

/**
 * The text of a file: UTF-8, UTF-16 with or without a mark at its head, else Windows' Latin-1 (windows-1252), in which no byte is wrong but
 * those that no text has. Refused: what is no text, as a spreadsheet's own file or a picture.
 */
export function readText(bytes: Uint8Array): Read<string> {
	const begins = (...these: number[]) => these.every((byte, i) => bytes[i] === byte);
	if (begins(0x50, 0x4b, 0x03, 0x04) || begins(0xd0, 0xcf, 0x11, 0xe0))
		return refused('This is a spreadsheet’s own file: save it as CSV, and open that.');
	const wide = begins(0xff, 0xfe) ? 'utf-16le' : begins(0xfe, 0xff) ? 'utf-16be' : evenNothing(bytes);
	if (wide) return { ok: true, value: new TextDecoder(wide).decode(bytes) };
	if (bytes.includes(0)) return refused('This is no text file.');
	try {
		return { ok: true, value: new TextDecoder('utf-8', { fatal: true }).decode(bytes) };
	} catch {
		// not UTF-8: one byte a letter, as older programs write
	}
	const CONTROL = (byte: number) => byte < 32 && byte !== 9 && byte !== 10 && byte !== 13;
	if (bytes.some(CONTROL)) return refused('This is no text file.');
	return { ok: true, value: new TextDecoder('windows-1252').decode(bytes) };
}
