import { z } from 'zod';
import { allGestures, profileSchema, withPanelWords, type ControlProfile, type Panel } from '../control';
import { operationSense } from '../checks';
import { checkHead, readJsonText } from './jsonText';
import { pathText, placeWords, problemOf, quoted, type Read } from '../schema';
import { senseWords } from '../words';

/** The latest version of a control file that this program knows: in the second a control says its states itself, and keys are held in ways of their own. */
export const CONTROL_FILE_VERSION = 2;

/** The largest control file read, in characters: many times the longest profile. */
export const LARGEST_CONTROL_FILE = 200_000;

/** A control profile as a file to share. */
export const controlFileSchema = z.strictObject({
	format: z.literal('fond-quarter/control'),
	version: z.int().min(1),
	profile: profileSchema
});

/** What of a file of a later version this program does not know, by what the file calls it. */
function lacking(error: z.ZodError, document: unknown): string {
	const named = error.issues.flatMap((issue): unknown[] => {
		if (issue.code === 'unrecognized_keys') return issue.keys;
		const at = issue.path.reduce<unknown>(
			(value, part) => (value as Record<PropertyKey, unknown>)?.[part],
			document
		);
		const { do: act, of, form, kind } = (at ?? {}) as Record<string, unknown>;
		return [act ?? of ?? form ?? kind ?? at];
	});
	const words = [...new Set(named.filter((one) => typeof one === 'string'))].slice(0, 4);
	return words.length > 0 ? words.map(quoted).join(', ') : placeWords(error.issues[0]!.path);
}

/**
 * Reads a control file's text. Refused, with the field's path: text that is not JSON, another format, a field that is wrong or contradicts another; a
 * file of a later version is read where it asks for nothing that is lacking here, else what that is is named.
 */
export function readControlFile(text: string): Read<ControlProfile> {
	const json = readJsonText(text, LARGEST_CONTROL_FILE);
	if (!json.ok) return json;
	const { version } = (json.value ?? {}) as { version?: unknown };
	const isLater = Number.isInteger(version) && (version as number) > CONTROL_FILE_VERSION;
	const known = isLater ? [version as number] : [1];
	const head = checkHead(json.value, 'fond-quarter/control', CONTROL_FILE_VERSION, 'control file', known);
	if (!head.ok) return head;
	const parsed = controlFileSchema.safeParse(json.value);
	if (!parsed.success && !isLater) return { ok: false, problem: problemOf(parsed.error) };
	if (!parsed.success) {
		const sentence = `This control file has version ${version as number} and needs what this program lacks: ${lacking(parsed.error, json.value)}.`;
		return { ok: false, problem: { path: pathText(parsed.error.issues[0]!.path), sentence } };
	}
	const { profile } = parsed.data;
	// a key that does nothing can be put right on its page; what leads nowhere, or is never done, cannot be keyed at all
	const wrong = operationSense(profile).find(
		({ fact }) => fact.kind === 'operation' && fact.fault.kind !== 'dead-key'
	);
	return wrong
		? { ok: false, problem: { path: `profile.${wrong.path}`, sentence: senseWords(wrong.fact) } }
		: { ok: true, value: withPanelWords(profile) };
}

/** The first version that can say a control: whoever has an earlier program still reads what that one can say. */
const versionOf = ({ panel, keying }: ControlProfile): number =>
	panel?.states || panel?.stored || keying.copy?.wraps === false || (panel && isHeldAnew(panel))
		? CONTROL_FILE_VERSION
		: 1;
const isHeldAnew = (panel: Panel): boolean =>
	allGestures(panel).all.some(
		({ gesture }) => gesture.do === 'tap' || (gesture.do === 'hold' && gesture.keys.length > 2)
	);

/** The text of a control file: JSON, indented, so that equal profiles give equal files. */
export function writeControlFile(profile: ControlProfile): string {
	const document = { format: 'fond-quarter/control', version: versionOf(profile), profile };
	return `${JSON.stringify(controlFileSchema.parse(document), null, '\t')}\n`;
}
