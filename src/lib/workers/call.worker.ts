import { expose } from 'comlink';
import { z } from 'zod';
import {
	CAUSE_KINDS,
	factOfLog,
	factsSchema,
	QUESTION_IDS,
	weigh,
	type CalledZone,
	type Fact,
	type Said,
	type Weighed
} from '$core/callback';
import { profileSchema } from '$core/control';
import { readLogger, readText } from '$core/formats';
import { zoneSchema } from '$core/plan';

/** What was said of a call, as it is sent here. */
const saidSchema = z.object({
	facts: factsSchema,
	passed: z.array(z.enum(QUESTION_IDS)),
	counts: z.partialRecord(z.enum(CAUSE_KINDS), z.number().min(0))
});

/** A logger's file as a fact, with what a person should know of how it was read; or why it tells nothing. */
export type LogRead =
	| { readonly ok: true; readonly fact: Extract<Fact, { kind: 'log' }>; readonly notes: readonly string[] }
	| { readonly ok: false; readonly sentence: string };

const api = {
	/** See `weigh`; a zone, its control and what was said cross through their schemas. */
	weigh(called: CalledZone, said: Said): Weighed {
		const zone = zoneSchema.parse(called.zone);
		const profile = profileSchema.parse(called.profile);
		return weigh({ ...called, zone, profile }, saidSchema.parse(said));
	},
	/** Reads a logger's file and holds it against the planned week, by slot; `onshare` hears the share done. */
	log(bytes: Uint8Array, planned: Float64Array, outdoorC: number, onshare: (share: number) => void): LogRead {
		const text = readText(bytes);
		const found = text.ok ? readLogger(text.value, { outdoorC }, undefined, onshare) : text;
		if (!found.ok) return { ok: false, sentence: found.problem.sentence };
		const { log, minutes, from, notes } = found.value;
		if (from === null)
			return { ok: false, sentence: 'It has no dates: nothing can be told of hours and days from it.' };
		const fact = factOfLog({ roomC: log.roomC, minutes }, planned);
		return fact
			? { ok: true, fact, notes }
			: {
					ok: false,
					sentence: 'Less than a day of it, or the room hardly moves: no hour can be told from it.'
				};
	}
};
export type CallWorkerApi = typeof api;

expose(api);
