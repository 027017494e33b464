import { z } from 'zod';
import { profileSchema, type ControlProfile } from '../control';
import { checkHead, readJsonText } from './jsonText';
import { readWith, type Read } from '../schema';

/** The version that this program writes. */
export const CONTROL_FILE_VERSION = 1;

/** The largest control file read, in characters: many times the longest profile. */
export const LARGEST_CONTROL_FILE = 200_000;

/** A control profile as a file to share. */
export const controlFileSchema = z.strictObject({
	format: z.literal('fond-quarter/control'),
	version: z.literal(CONTROL_FILE_VERSION),
	profile: profileSchema
});

/** Reads a control file's text. Refused, with the field's path: text that is not JSON, another format or version, a field that is wrong or contradicts another. */
export function readControlFile(text: string): Read<ControlProfile> {
	const json = readJsonText(text, LARGEST_CONTROL_FILE);
	if (!json.ok) return json;
	const head = checkHead(json.value, 'fond-quarter/control', CONTROL_FILE_VERSION, 'control file');
	if (!head.ok) return head;
	const read = readWith(controlFileSchema, json.value);
	return read.ok ? { ok: true, value: read.value.profile } : read;
}

/** The text of a control file: JSON, indented, so that equal profiles give equal files. */
export function writeControlFile(profile: ControlProfile): string {
	const document = { format: 'fond-quarter/control', version: CONTROL_FILE_VERSION, profile };
	return `${JSON.stringify(controlFileSchema.parse(document), null, '\t')}\n`;
}
