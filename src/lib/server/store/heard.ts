import type { Stamp } from '$core/schema';
import type { Tx } from '../db';

/** By which device something was sent, and as which of what it noted. */
export type By = Pick<Stamp, 'from' | 'number'>;

/**
 * Of what was sent to a place of a site, what did not come in before: a device sends all that it has no answer to once more, in its order,
 * so that what has a number no higher than the last of its device came in already, whatever a network did with it. What says nothing of its
 * device is always new. `mark` has what was taken of it, from the first on, count as heard where the transaction stands.
 */
export async function notHeard<Sent extends { readonly by?: By | undefined }>(
	tx: Tx,
	siteId: string,
	place: string,
	sent: readonly Sent[]
): Promise<{ readonly fresh: readonly Sent[]; mark(taken?: readonly Sent[]): Promise<void> }> {
	const fresh: Sent[] = [];
	const latest = new Map<string, number>();
	for (const one of sent) {
		if (!one.by) {
			fresh.push(one);
			continue;
		}
		const { from: device, number } = one.by;
		const known = latest.get(device) ?? (await tx.heard.one({ siteId, place, device }))?.number ?? -1;
		if (number <= known) continue;
		latest.set(device, number);
		fresh.push(one);
	}
	return {
		fresh,
		async mark(taken = fresh) {
			const at = new Date();
			const last = new Map(taken.flatMap(({ by }) => (by ? [[by.from, by.number]] : [])));
			for (const [device, number] of last) await tx.heard.put({ siteId, place, device, number, at });
		}
	};
}
