import type { z } from 'zod';

type Method = 'get' | 'post' | 'put' | 'patch' | 'delete';

/** A route of the API, as its description says it. */
export interface Operation {
	readonly path: string;
	readonly method: Method;
	readonly id: string;
	readonly summary: string;
	readonly takes?: z.ZodType;
	readonly gives?: z.ZodType;
	readonly created?: true;
	/** A media type of its own, where it answers with text. */
	readonly text?: string;
	/** A media type of its own, where it takes a file. */
	readonly file?: string;
	readonly refusals: readonly number[];
}

export const site = '/api/v1/jobs/{siteId}';
export const zone = `${site}/zones/{zoneId}`;
export const control = '/api/v1/controls/{controlId}';
