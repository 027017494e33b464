import type { z } from 'zod';
import { oneLine } from '$core/schema';
import { refuse } from './answers';
import type { Database } from '../db';
import type { Least, Role } from '../guard/roles';
import { findSite, findZone, type StoredSite, type StoredZone } from '../store';

export type Method = 'get' | 'post' | 'put' | 'patch' | 'delete';

/** The most that is read of a request: what a zone with its room, its week and a fortnight's exceptions takes many times over. */
export const USUAL_BYTES = 512_000;
/** And of what somebody sends who is not signed in. */
export const STRANGERS_BYTES = 8_000;

/** The most that an operation reads, in bytes. */
export const mostOf = ({ most, role }: Pick<Operation, 'most' | 'role'>): number =>
	most ?? (role === 'anyone' ? STRANGERS_BYTES : USUAL_BYTES);

/** A request as an operation is asked it: its body is held against what the operation takes. */
export interface Asked<Body = unknown> {
	readonly params: Readonly<Record<string, string>>;
	readonly search: URLSearchParams;
	readonly headers: Headers;
	readonly body: Body;
	readonly db: Database;
	readonly role: Role;
	/** Ends when whoever asked is gone. */
	readonly signal: AbortSignal;
}

/** What an operation answers: what it gives, a response of its own (a file, a refusal), or nothing. */
export type Answered<Given> = Promise<Given | Response | void>;

/** A route of the API: its address, its checks, its refusals and its description come from this one object. */
export interface Operation {
	readonly path: string;
	readonly method: Method;
	readonly id: string;
	readonly summary: string;
	/** The least role that may ask it. */
	readonly role: Least;
	readonly takes?: z.ZodType;
	/** How what it takes is sent: as JSON held against `takes` (when nothing stands here), as a text that it reads itself, or as bytes. */
	readonly sent?: 'text' | 'bytes';
	readonly gives?: z.ZodType;
	readonly created?: true;
	/** The most that is read of what is sent, in bytes, where it is not {@link USUAL_BYTES}. */
	readonly most?: number;
	/** Whether it is asked at all, by its address alone: before anything that was sent is read. A refusal where it is not. */
	door?(asked: Pick<Asked, 'params' | 'db'>): Promise<Response | null>;
	/** A media type of its own, where it answers with text. */
	readonly text?: string;
	/** A media type of its own, where it takes a file. */
	readonly file?: string;
	/** Refusals beside those that its description implies (see {@link refusalsOf}). */
	readonly refusals?: readonly number[];
	handle(asked: Asked<never>): Answered<unknown>;
}

type Body<Takes, Sent> = Sent extends 'text'
	? string
	: Sent extends 'bytes'
		? Uint8Array
		: Takes extends z.ZodType
			? z.output<Takes>
			: null;

/** An operation whose handler is held to what it takes and gives. */
export function operation<
	Takes extends z.ZodType | undefined = undefined,
	Gives extends z.ZodType | undefined = undefined,
	Sent extends 'text' | 'bytes' | undefined = undefined
>(
	of: Omit<Operation, 'takes' | 'gives' | 'sent' | 'handle'> & {
		readonly takes?: Takes;
		readonly gives?: Gives;
		readonly sent?: Sent;
		handle(asked: Asked<Body<Takes, Sent>>): Answered<Gives extends z.ZodType ? z.input<Gives> : never>;
	}
): Operation {
	return of as unknown as Operation;
}

/** The statuses with which an operation can refuse. */
export function refusalsOf(op: Operation): readonly number[] {
	const takes = op.takes || op.file;
	return [
		...new Set([
			...(takes && op.sent !== 'bytes' ? [400, 415] : []),
			...(op.role === 'anyone' ? [] : [401, 403]),
			...(op.path.includes('{') ? [404] : []),
			...(takes ? [413, 422] : []),
			503,
			...(op.refusals ?? [])
		])
	].sort();
}

/** What is said where nothing is, or is any more. */
export const noSite = () => refuse(404, 'There is no such site, or it has been deleted.');
export const noZone = () => refuse(404, 'This zone has been removed from the site.');

/** A refusal thrown from a place that a handler calls; it is answered as it stands. */
export class Refused extends Error {
	constructor(readonly response: Response) {
		super('refused');
	}
}

/** The site that is asked for; refuses where it is not there. */
export async function siteAsked({ db, params }: Asked): Promise<StoredSite> {
	const site = await findSite(db, params.siteId!);
	if (!site || site.deletedAt) throw new Refused(noSite());
	return site;
}

/** The zone that is asked for, with its site; refuses where it is not there or was removed. */
export async function zoneAsked(asked: Asked): Promise<{ site: StoredSite; zone: StoredZone }> {
	const site = await siteAsked(asked);
	const zone = await findZone(asked.db, site, asked.params.zoneId!);
	if (!zone) throw new Refused(refuse(404, 'There is no such zone on this site.'));
	if (zone.deletedAt) throw new Refused(noZone());
	return { site, zone };
}

/** Who asks, as far as their browser says: the name with which they end a visit, percent-encoded in the header `person`. Empty where it does not. */
export function personOf(headers: Headers): string {
	try {
		const read = oneLine(80).safeParse(decodeURIComponent(headers.get('person') ?? ''));
		return read.success ? read.data : '';
	} catch {
		return '';
	}
}

export const sitePath = '/api/v1/jobs/{siteId}';
export const zonePath = `${sitePath}/zones/{zoneId}`;
export const controlPath = '/api/v1/controls/{controlId}';
