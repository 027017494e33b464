import isSame from 'fast-deep-equal';
import type { Zone } from '$core/plan';
import { call } from '../call';
import { refresh } from '../refresh';
import type { ZoneInList } from './followers';

/** What one zone gave to others in one act. */
interface Given {
	/** The zone that gave, as it stood then. */
	readonly from: { readonly id: string; readonly zone: Zone };
	/** Each of the others as it was, and the revision at which what it was given stands. */
	readonly to: readonly {
		readonly id: string;
		readonly name: string;
		readonly was: Zone;
		readonly revision: number;
	}[];
}

const apply = (siteId: string, changes: readonly { id: string; revision: number; zone: Zone }[]) =>
	call('POST', `/api/v1/jobs/${siteId}/zones/apply`, { changes });

/** What zones gave to others from this window: one undo takes it back from all of them. */
class Together {
	#given = $state.raw<readonly Given[]>([]);

	/** Changes other zones, all or none; returns why not, or null. `zones` are those of the site, read again meanwhile. */
	async give(
		siteId: string,
		from: Given['from'],
		changes: readonly { readonly id: string; readonly revision: number; readonly zone: Zone }[],
		zones: () => readonly ZoneInList[]
	): Promise<string | null> {
		const before = zones();
		const answer = await apply(siteId, [...changes]);
		await refresh('fq:site');
		if (!answer.ok) return answer.sentence;
		const to = changes.map(({ id }) => ({
			id,
			name: before.find((one) => one.id === id)!.name,
			was: before.find((one) => one.id === id)!.document,
			revision: zones().find((one) => one.id === id)?.revision ?? 0
		}));
		this.#given = [...this.#given, { from, to }];
		return null;
	}

	/** What a zone gave last while it stood as it stands now; null where that was nothing. */
	lastOf(id: string, zone: Zone): Given | null {
		const last = this.#given.findLast(({ from }) => from.id === id);
		return last && isSame(last.from.zone, zone) ? last : null;
	}

	/** Takes it back from all zones, or from none where one was changed since; says which. */
	async takeBack(
		siteId: string,
		given: Given,
		zones: readonly ZoneInList[]
	): Promise<{ ok: boolean; said: string }> {
		const changed = given.to.filter(
			({ id, revision }) => zones.find((one) => one.id === id)?.revision !== revision
		);
		if (changed.length > 0)
			return {
				ok: false,
				said: `${changed.map(({ name }) => name).join(', ')}: changed since. Nothing was taken back in the other zones.`
			};
		const answer = await apply(
			siteId,
			given.to.map(({ id, revision, was }) => ({ id, revision, zone: was }))
		);
		if (!answer.ok) return { ok: false, said: answer.sentence };
		this.#given = this.#given.filter((one) => one !== given);
		await refresh('fq:site');
		const [only] = given.to;
		return {
			ok: true,
			said: `Undone in ${given.to.length === 1 ? only!.name : `${given.to.length} other zones`} too.`
		};
	}
}

export const together = new Together();
