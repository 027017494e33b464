import { z } from 'zod';
import {
	onSiteEditSchema,
	onSiteSchema,
	type OnSite,
	type OnSiteConflict,
	type OnSiteEdit
} from '$core/plan';
import type { OnBox } from '../zone/boxes';
import { whyUnsentSchema, type WhyUnsent } from './unsent';

/** A field noted here that the server may not have yet. */
export interface Waiting extends OnSiteEdit {
	/** Told apart from all others, in this window and the next. */
	readonly id: string;
	readonly zoneId: string;
	/** The zone's name as it was, for when it is gone. */
	readonly zoneName: string;
	/** The visit that was known as the last one that ended when it was noted; absent where it does not matter. */
	readonly after?: string | null | undefined;
	/** Why it was not taken: then it waits for a person. */
	readonly why?: WhyUnsent | undefined;
}
export const waitingSchema = onSiteEditSchema.extend({
	id: z.string(),
	zoneId: z.string(),
	zoneName: z.string().default(''),
	after: z.string().nullable().optional(),
	why: whyUnsentSchema.optional()
});

/** Notes that were not taken, for one reason, at one zone. */
export interface Unsent {
	readonly zoneId: string;
	readonly zoneName: string;
	readonly why: WhyUnsent;
	readonly edits: readonly OnSiteEdit[];
	readonly ids: readonly string[];
}

/** What a page knows of what it was loaded with. */
export interface Loaded {
	/** When it was read, in ms since 1970 by the server. */
	readonly readAtMs: number;
	/** The zones' names. */
	readonly names?: Readonly<Record<string, string>> | undefined;
	/** The zones of the site: what is noted of a control is noted at its first zone, for all of them. */
	readonly zones?: readonly OnBox[] | undefined;
	/** The visit that ended last (null: none); absent on pages whose notes belong to no visit. */
	readonly after?: string | null | undefined;
}

/** What the server was known to have of a zone that was noted at from here, and when: the latest of its answers and of the pages read since. */
export const ackedSchema = z.record(z.string(), z.object({ onSite: onSiteSchema, atMs: z.number() }));
export type Acked = Readonly<Record<string, { readonly onSite: OnSite; readonly atMs: number }>>;

/** A field of a zone that two people noted differently. */
export type ZoneConflict = OnSiteConflict & { readonly zoneId: string };
export const conflictsSchema = z.array(
	z.object({
		zoneId: z.string(),
		key: onSiteEditSchema.shape.key,
		theirs: z.unknown(),
		mine: z.unknown()
	})
);

/** Tells a conflict from all others. */
export const identity = ({ zoneId, key, mine }: ZoneConflict) => JSON.stringify([zoneId, key, mine]);

/** What a device may have sent of a field without an answer, from what waited before. */
export const ownOf = (before: readonly Waiting[]) =>
	before.flatMap((one) => [...(one.own ?? []), one.value]).slice(-50);

/** An id of its own for what waits, in this window and the next. */
export const newId = () => `${Date.now().toString(36)}${Math.random().toString(36).slice(2)}`;
