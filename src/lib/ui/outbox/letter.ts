import { z } from 'zod';
import { stampSchema, type Stamp } from '$core/schema';
import { keepJson, kept, keptJson, keptNames } from '../browserStore';
import { whyUnsentSchema } from '../visit/unsent';
import { newUuid } from '../newUuid';

/** What is sent from here: what was done at a control, a field found or done on site, a picture. */
const KINDS = ['notes', 'on-site', 'picture'] as const;
export type LetterKind = (typeof KINDS)[number];

/** Something noted in this browser that the server may not have yet. */
export const letterSchema = z.object({
	/** Tells it apart from all others, and puts it in their order. */
	by: stampSchema,
	kind: z.enum(KINDS),
	/** The zone that it is of. */
	zoneId: z.string(),
	/** The zone's name as it was, for when it is gone. */
	zoneName: z.string(),
	/** The visit that was known as the last one that ended when it was noted (null: none); absent where it does not matter. */
	after: z.string().nullable().optional(),
	body: z.unknown(),
	/** Why it was not taken: then it waits for a person. */
	why: whyUnsentSchema.optional()
});
export type Letter = z.infer<typeof letterSchema>;

/** What the names of all letters begin with; the site's id follows. */
export const PREFIX = 'fond-quarter/outbox/';
/** Under which name a letter of a site is kept: each by itself, so that windows take nothing from each other. */
export const letterKey = (siteId: string, { from, number }: Stamp) => `${PREFIX}${siteId}/${from}/${number}`;

/** What is kept under a name, if it is a letter. */
export function letterAt(name: string): Letter | null {
	const read = letterSchema.safeParse(keptJson(name));
	return read.success ? read.data : null;
}

/** Letters in the order in which they were made; those with pictures last, as they take longest. */
export const inOrder = (letters: readonly Letter[]): Letter[] =>
	letters.toSorted(
		(a, b) =>
			Number(a.kind === 'picture') - Number(b.kind === 'picture') ||
			a.by.atMs - b.by.atMs ||
			a.by.number - b.by.number
	);

/** All letters of a site that wait in this browser, of every window. */
export const lettersKept = (siteId: string): Letter[] =>
	inOrder(
		keptNames().flatMap((name) => {
			const letter = name.startsWith(`${PREFIX}${siteId}/`) ? letterAt(name) : null;
			return letter ? [letter] : [];
		})
	);

/** This page, as those who send from it say. */
export const thisPage = newUuid();
let last = 0;

const CLOCK = 'fond-quarter/server-clock';
/** A device's clock that is off by less counts as right: answers take that long, in ms. */
const RIGHT_WITHIN_MS = 30_000;

/** Hears what the server's clock says just now: when something was done is told by that. */
export function hearClock(nowMs: number): void {
	const aheadMs = nowMs - Date.now();
	keepJson(CLOCK, Math.abs(aheadMs) < RIGHT_WITHIN_MS ? null : aheadMs);
}

/** The stamp of what is done at this moment. */
export function stampNow(from: string = thisPage): Stamp {
	last = Math.max(last + 1, Date.now());
	return { from, number: last, atMs: Math.max(0, last + Math.round(Number(kept(CLOCK) ?? 0))) };
}
