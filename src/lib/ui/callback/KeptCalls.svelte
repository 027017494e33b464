<script lang="ts">
	import type { CauseKind } from '$core/callback';
	import { dateOfDay, dateWords, wallAt } from '$core/civil';
	import type { ControlProfile } from '$core/control';
	import { againWords, callWords } from '$core/words';
	import type { GivenCall } from './callModel.svelte';

	/** The calls of a site or a zone, the latest first; what comes again stands out. */
	let {
		calls,
		openId = null,
		profile,
		timeZone,
		to = (id: string) => `?call=${id}`
	}: {
		calls: readonly GivenCall[];
		/** The one that is on the page. */
		openId?: string | null;
		profile: Pick<ControlProfile, 'panel'>;
		timeZone: string;
		to?: (id: string, one: GivenCall) => string;
	} = $props();

	const dateOf = (at: string) => dateWords(dateOfDay(Math.floor(wallAt(timeZone, Date.parse(at)) / 1440)));
	const again = $derived.by(() => {
		const times: Partial<Record<CauseKind, number>> = {};
		for (const { call } of calls)
			if (call.outcome) times[call.outcome.kind] = (times[call.outcome.kind] ?? 0) + 1;
		return Object.entries(times).filter(([, count]) => count > 1) as [CauseKind, number][];
	});
</script>

{#if calls.length > 0}
	<section aria-label="Calls">
		<h2>Calls</h2>
		{#each again as [kind, times] (kind)}<p class="signal">{againWords(kind, times)}</p>{/each}
		<ul>
			{#each calls as one (one.id)}
				<li class:here={one.id === openId}>
					<a href={to(one.id, one)}>{dateOf(one.at)}{one.call.zoneName && `, ${one.call.zoneName}`}</a>
					<span class="soft">
						{one.closedAt ? 'closed' : one.takenAt ? 'open' : 'from the customer, not taken yet'}{one.call
							.caller && `, ${one.call.caller}`}
					</span>
					<p>{callWords(one.call, profile)}</p>
					{#if one.call.promised && !one.closedAt}
						<p class="soft">
							Promised: {one.call.promised}{one.call.promisedBy &&
								`, until ${dateWords(one.call.promisedBy)}`}
						</p>
					{/if}
				</li>
			{/each}
		</ul>
	</section>
{/if}

<style>
	h2 {
		font-size: 1.05rem;
	}
	li {
		padding: 0.6rem 0.5rem;
		border-bottom: 1px solid var(--rule);
		overflow-wrap: anywhere;
	}
	.here {
		background: var(--sheet);
	}
</style>
