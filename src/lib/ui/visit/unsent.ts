import { z } from 'zod';

/** A visit that somebody else ended. */
export const endedVisitSchema = z.object({
	id: z.string(),
	at: z.string(),
	who: z.string(),
	signedOff: z.boolean()
});
export type EndedVisit = z.infer<typeof endedVisitSchema>;

/** Why something was not taken, so that it waits for a person: what can be done about it follows from the kind. */
export const whyUnsentSchema = z.object({
	kind: z.enum(['zone-gone', 'visit-ended', 'refused']),
	sentence: z.string(),
	/** Of a visit that somebody else ended: which. */
	ended: endedVisitSchema.nullable()
});
export type WhyUnsent = z.infer<typeof whyUnsentSchema>;

/** Whether an answer says that whoever asks must sign in, or as somebody else: then everything waits, and nothing is wrong with it. */
export const mustSignIn = (answer: { readonly status: number }) =>
	answer.status === 401 || answer.status === 403;

/** Said in the head while that is so. */
export const signInSentence = (status: number, what: string) =>
	status === 401
		? `You are signed out. ${what} kept here and sent when you have signed in.`
		: `${what} kept here: an installer must be signed in to send it.`;

/** Why an answer that will not be another one later took nothing. */
export function whyUnsent(answer: {
	readonly status: number;
	readonly sentence: string;
	readonly data: unknown;
}): WhyUnsent {
	const ended = endedVisitSchema.safeParse((answer.data as { ended?: unknown } | null)?.ended);
	if (answer.status === 409 && ended.success)
		return { kind: 'visit-ended', sentence: answer.sentence, ended: ended.data };
	return {
		kind: answer.status === 404 ? 'zone-gone' : 'refused',
		sentence: answer.sentence,
		ended: null
	};
}

/** Gives a person a file with a name to keep on their own device. Call in the browser. */
export function saveFile(name: string, content: Blob | string): void {
	const url = URL.createObjectURL(
		typeof content === 'string' ? new Blob([content], { type: 'text/plain;charset=utf-8' }) : content
	);
	const link = Object.assign(document.createElement('a'), { href: url, download: name });
	link.click();
	setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
