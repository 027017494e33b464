import type { Fact } from '$core/callback';

/** An open call as a list shows it. */
export interface OpenCall {
	readonly id: string;
	readonly href: string;
	readonly siteName: string;
	/** Empty for the whole house. */
	readonly zoneName: string;
	readonly said: string;
	readonly facts: readonly Fact[];
	readonly caller: string;
	readonly promised: string;
	readonly at: string;
	/** Said by a customer by their link, and taken by nobody yet. */
	readonly isFresh: boolean;
}
