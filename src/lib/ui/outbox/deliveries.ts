import { z } from 'zod';
import { notesSchema, type Notes } from '$core/keying';
import { onSiteEditSchema, onSiteSchema, type OnSite, type OnSiteConflict } from '$core/plan';
import { keepJson, keptJson } from '../browserStore';
import { sendFile, type Answer, type call } from '../call';
import { hearClock, type Letter, type LetterKind } from './letter';
import { forgetPicture, keptPicture } from './pictureStore';

/** How letters of a kind are sent, and what is kept of the answer. */
interface Delivery {
	/** Whether several that were made one after the other go in one request. */
	readonly together: boolean;
	ask(ask: typeof call, siteId: string, letters: readonly Letter[]): Promise<Answer<unknown>>;
	/** Keeps what the server said that it has. */
	took(siteId: string, letters: readonly Letter[], data: unknown): void;
}

const zonePath = (siteId: string, zoneId: string) => `/api/v1/jobs/${siteId}/zones/${zoneId}`;

const ackedKey = (siteId: string, kind: LetterKind, zoneId: string) =>
	`fond-quarter/heard/${siteId}/${kind}/${zoneId}`;
const ackedNotes = z.object({ notes: notesSchema.nullable(), atMs: z.number() });
const ackedOnSite = z.object({ onSite: onSiteSchema, atMs: z.number() });

/** What the server was known to have latest of a control's notes, and when. */
export function notesHeard(siteId: string, zoneId: string): { notes: Notes | null; atMs: number } | null {
	const read = ackedNotes.safeParse(keptJson(ackedKey(siteId, 'notes', zoneId)));
	return read.success ? read.data : null;
}
/** What the server was known to have latest of what is noted at a zone, and when. */
export function onSiteHeard(siteId: string, zoneId: string): { onSite: OnSite; atMs: number } | null {
	const read = ackedOnSite.safeParse(keptJson(ackedKey(siteId, 'on-site', zoneId)));
	return read.success ? read.data : null;
}

/** Of what the server has and a page has read: the newer, kept where that is the page's. */
export function newest<T extends { readonly atMs: number }>(heard: T | null, read: T): T {
	return heard && heard.atMs > read.atMs ? heard : read;
}
/** Keeps what a page has read where it is newer than what was heard: the page that is kept may be older than this one. */
export function keepNotesRead(siteId: string, zoneId: string, notes: Notes | null, atMs: number): void {
	const heard = notesHeard(siteId, zoneId);
	if (heard && heard.atMs <= atMs) keepJson(ackedKey(siteId, 'notes', zoneId), { notes, atMs });
}
export function keepOnSiteRead(siteId: string, zoneId: string, onSite: OnSite, atMs: number): void {
	const heard = onSiteHeard(siteId, zoneId);
	if (heard && heard.atMs <= atMs) keepJson(ackedKey(siteId, 'on-site', zoneId), { onSite, atMs });
}
/** Forgets what was heard of a zone's notes: the visit that they were of is over. */
export const forgetOnSite = (siteId: string, zoneId: string) =>
	keepJson(ackedKey(siteId, 'on-site', zoneId), null);

/** A field of a zone that two people noted differently. */
export type ZoneConflict = OnSiteConflict & { readonly zoneId: string };
const conflictsSchema = z.array(
	z.object({ zoneId: z.string(), key: onSiteEditSchema.shape.key, theirs: z.unknown(), mine: z.unknown() })
);
const conflictsKey = (siteId: string) => `fond-quarter/visit/${siteId}/conflicts`;
/** What two people noted differently at a site, until it is settled. */
export function conflictsKept(siteId: string): readonly ZoneConflict[] {
	const read = conflictsSchema.safeParse(keptJson(conflictsKey(siteId)));
	return read.success ? (read.data as ZoneConflict[]) : [];
}
export const keepConflicts = (siteId: string, conflicts: readonly ZoneConflict[]) =>
	keepJson(conflictsKey(siteId), conflicts.length > 0 ? conflicts : null);

/** The longest ago that the server hears of: a week. */
const LONGEST_AGO_MS = 604_800_000;
/** What is kept of a picture beside its pixels. */
export const pictureSchema = z.object({ id: z.string(), caption: z.string() });

export const deliveries: Readonly<Record<LetterKind, Delivery>> = {
	notes: {
		together: true,
		ask: (ask, siteId, letters) =>
			ask('POST', `${zonePath(siteId, letters[0]!.zoneId)}/notes`, {
				notes: letters.map(({ body, by }) => ({ ...(body as object), by }))
			}),
		took(siteId, letters, data) {
			const { notes, nowMs } = data as { notes: Notes | null; nowMs: number };
			hearClock(nowMs);
			keepJson(ackedKey(siteId, 'notes', letters[0]!.zoneId), { notes, atMs: nowMs });
		}
	},
	'on-site': {
		together: true,
		ask(ask, siteId, letters) {
			const [{ zoneId, after }] = letters as [Letter];
			return ask('POST', `${zonePath(siteId, zoneId)}/on-site`, {
				edits: letters.map(({ body, by: { from, number } }) => ({
					...(body as object),
					by: { from, number }
				})),
				...(after === undefined ? {} : { after })
			});
		},
		took(siteId, letters, data) {
			const { onSite, conflicts, nowMs } = data as {
				onSite: OnSite;
				conflicts: readonly OnSiteConflict[];
				nowMs: number;
			};
			hearClock(nowMs);
			const { zoneId } = letters[0]!;
			keepJson(ackedKey(siteId, 'on-site', zoneId), { onSite, atMs: nowMs });
			// noted again since it was offered, a field is offered as it was noted last
			const latest = conflicts.filter(
				(one, i) => i === conflicts.findLastIndex(({ key }) => key === one.key)
			);
			const others = conflictsKept(siteId).filter(
				(one) => one.zoneId !== zoneId || !latest.some(({ key }) => key === one.key)
			);
			keepConflicts(siteId, [...others, ...latest.map((one) => ({ ...one, zoneId }))]);
		}
	},
	picture: {
		together: false,
		async ask(_, siteId, letters) {
			const [{ zoneName, body, after, by }] = letters as [Letter];
			const { id, caption } = pictureSchema.parse(body);
			const file = await keptPicture(id);
			const gone = 'Its pixels are no longer in this browser.';
			if (!file) return { ok: false, status: 410, sentence: gone, data: null };
			const agoMs = String(Math.min(Math.max(0, Date.now() - by.number), LONGEST_AGO_MS));
			const about = {
				id,
				zone: zoneName,
				caption,
				agoMs,
				...(after === undefined ? {} : { after: after ?? '' })
			};
			const asked = Object.entries(about).map(([key, value]) => `${key}=${encodeURIComponent(value)}`);
			return sendFile(`/api/v1/jobs/${siteId}/pictures?${asked.join('&')}`, file);
		},
		took: (_, letters) => void forgetPicture(pictureSchema.parse(letters[0]!.body).id)
	}
};
