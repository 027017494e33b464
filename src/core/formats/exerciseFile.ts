import { z } from 'zod';
import { profileSchema, type ControlProfile } from '../control';
import { siteSchema, zoneSchema, type Zone } from '../plan';
import { FAULTS, type Fault } from '../rehearsal';
import { readWith, type Read } from '../schema';
import { checkHead, readJsonText } from './jsonText';

export const EXERCISE_FILE_VERSION = 1;

/** The largest exercise file read, in characters. */
export const LARGEST_EXERCISE_FILE = 1_000_000;

/** An exercise at a stand-in, for others: the zones on one control, and what is broken, where something is. */
export const exerciseFileSchema = z.strictObject({
	format: z.literal('fond-quarter/exercise'),
	version: z.literal(EXERCISE_FILE_VERSION),
	timeZone: siteSchema.shape.timeZone,
	profile: profileSchema,
	zones: z.array(zoneSchema).min(1).max(4),
	/** What is to be found; the same seed breaks the same. null where the card is to be keyed. */
	broken: z.strictObject({ fault: z.enum(FAULTS), seed: z.int() }).nullable()
});

/** See {@link exerciseFileSchema}. */
export interface Exercise {
	readonly timeZone: string;
	readonly profile: ControlProfile;
	readonly zones: readonly Zone[];
	readonly broken: { readonly fault: Fault; readonly seed: number } | null;
}

/** Reads an exercise file's text. Refused, with the field's path: text that is not JSON, another format or version, a field that is wrong, a control whose keys nobody has described. */
export function readExerciseFile(text: string): Read<Exercise> {
	const json = readJsonText(text, LARGEST_EXERCISE_FILE);
	if (!json.ok) return json;
	const head = checkHead(json.value, 'fond-quarter/exercise', EXERCISE_FILE_VERSION, 'exercise file');
	if (!head.ok) return head;
	const read = readWith(exerciseFileSchema, json.value);
	if (!read.ok) return read;
	const { timeZone, profile, zones, broken } = read.value;
	if (profile.panel === null)
		return {
			ok: false,
			problem: {
				path: 'profile.panel',
				sentence: `The keys of ${profile.name} are not described: nothing can be keyed into it.`
			}
		};
	return { ok: true, value: { timeZone, profile, zones, broken } };
}

/** The text of an exercise file. What tells of the people (notes, absences, looks at the clock) is left out of it. */
export function writeExerciseFile({ timeZone, profile, zones, broken }: Exercise): string {
	const document = {
		format: 'fond-quarter/exercise',
		version: EXERCISE_FILE_VERSION,
		timeZone,
		profile,
		zones: zones.map((zone) => ({
			...zone,
			note: '',
			fedBy: null,
			governs: null,
			exceptions: [],
			bookings: [],
			clockReadings: [],
			box: { name: '', place: '', note: '' }
		})),
		broken
	};
	return `${JSON.stringify(exerciseFileSchema.parse(document), null, '\t')}\n`;
}
