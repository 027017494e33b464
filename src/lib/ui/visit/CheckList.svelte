<script lang="ts">
	import { reasonFor } from '$core/checks';
	import type { OnSite } from '$core/plan';
	import Button from '../kit/Button.svelte';
	import Field from '../kit/Field.svelte';
	import More from '../kit/More.svelte';
	import { type Check } from '$core/words';

	let {
		checked,
		siteId,
		onoverrule
	}: {
		checked: readonly {
			readonly id: string;
			readonly name: string;
			readonly checks: readonly Check[];
			readonly onSite: OnSite;
		}[];
		siteId: string;
		/** Takes the overruled checks of a zone anew. */
		onoverrule: (zoneId: string, overruled: OnSite['overruled']) => void;
	} = $props();

	const weight = { stop: 0, look: 1, note: 2 } as const;
	const marks = { stop: 'before sign-off', look: 'worth a look', note: 'to know' } as const;
	interface Row {
		readonly zone: (typeof checked)[number];
		readonly check: Check;
		readonly reason: string | null;
	}
	/** The checks, those that say the same of several zones together. */
	const groups = $derived.by(() => {
		const rows = checked.flatMap((zone) =>
			zone.checks.map((check): Row => ({ zone, check, reason: reasonFor(check, zone.onSite) }))
		);
		const found: Row[][] = [];
		for (const row of rows) {
			const same = found.find(
				([first]) =>
					first!.check.sentence === row.check.sentence && (first!.reason === null) === (row.reason === null)
			);
			if (same) same.push(row);
			else found.push([row]);
		}
		return found.sort(
			([a], [b]) =>
				weight[a!.check.severity] - weight[b!.check.severity] ||
				Number(a!.reason !== null) - Number(b!.reason !== null)
		);
	});
	let open = $state<string | null>(null);
	let reason = $state('');

	const hrefOf = (zoneId: string, view: Check['mend']['view']) =>
		view === 'visit' ? `/sites/${siteId}/visit` : `/sites/${siteId}/zones/${zoneId}/${view}`;

	function overrule(zone: (typeof checked)[number], check: Check) {
		onoverrule(zone.id, [
			...zone.onSite.overruled.filter((one) => one.check !== check.id),
			{ check: check.id, reason: reason.trim(), at: new Date().toISOString() }
		]);
		open = null;
		reason = '';
	}
</script>

{#snippet mends({ zone, check, reason: why }: Row)}
	<div class="keys">
		<Button href={hrefOf(zone.id, check.mend.view)}>{check.mend.words}</Button>
		{#if check.severity === 'stop' && why === null && open !== zone.id + check.id}
			<Button
				onclick={() => {
					open = zone.id + check.id;
					reason = '';
				}}>Accept</Button
			>
		{/if}
	</div>
{/snippet}
{#snippet overruling({ zone, check, reason: why }: Row)}
	{#if why}
		<p class="soft">Reason: {why}</p>
		<Button
			onclick={() =>
				onoverrule(
					zone.id,
					zone.onSite.overruled.filter((one) => one.check !== check.id)
				)}>Take the reason back</Button
		>
	{/if}
	{#if open === zone.id + check.id}
		<Field label="Why it may stay so" maxlength={400} bind:value={reason} />
		<div class="keys">
			<Button disabled={reason.trim().length < 8} onclick={() => overrule(zone, check)}
				>Accept with this reason</Button
			>
			<Button onclick={() => (open = null)}>Leave it</Button>
		</div>
	{/if}
{/snippet}

{#if groups.length === 0}
	<p>Nothing is missing.</p>
{/if}
<ul>
	{#each groups as rows (rows[0]!.zone.id + rows[0]!.check.id)}
		{@const first = rows[0]!}
		<li class={first.check.severity} class:overruled={first.reason !== null}>
			<span class="mark">{first.reason === null ? marks[first.check.severity] : 'accepted'}</span>
			{#if rows.length === 1}
				<div>
					<p><strong>{first.zone.name}:</strong> {first.check.sentence}</p>
					{@render overruling(first)}
				</div>
				{@render mends(first)}
			{:else}
				<div class="several">
					<More title="{rows.length} zones: {first.check.sentence}">
						{#each rows as row (row.zone.id)}
							<div class="one">
								<div>
									<p>{row.zone.name}</p>
									{@render overruling(row)}
								</div>
								{@render mends(row)}
							</div>
						{/each}
					</More>
				</div>
			{/if}
		</li>
	{/each}
</ul>

<style>
	ul {
		margin: 0.6rem 0 0;
	}
	li {
		display: grid;
		grid-template-columns: 8.5rem minmax(0, 1fr) auto;
		gap: 0.75rem;
		align-items: start;
		padding: 0.6rem 0;
		border-bottom: 1px solid var(--rule);
	}
	.mark {
		padding: 0.1rem 0.4rem;
		border: 1.5px solid var(--rule);
		border-radius: 3px;
		font-size: var(--small);
		text-align: center;
	}
	.stop .mark {
		border-color: var(--ink);
		background: var(--ink);
		color: var(--sheet);
		font-weight: 700;
	}
	.look .mark {
		border-color: var(--ink);
		font-weight: 700;
	}
	.overruled .mark {
		border-color: var(--ink);
		background: none;
		color: var(--ink);
	}
	.several {
		grid-column: 2 / -1;
	}
	.one {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem 1rem;
		align-items: center;
		justify-content: space-between;
		padding: 0.3rem 0 0.3rem 1rem;
		border-top: 1px solid var(--rule);
	}
	.keys {
		display: flex;
		flex-wrap: wrap;
		gap: 0.5rem;
	}
	@media (max-width: 600px) {
		li {
			grid-template-columns: min(8.5rem, 35%) minmax(0, 1fr);
			overflow-wrap: anywhere;
		}
		li > .keys {
			grid-column: 2;
		}
	}
	/* with large text nothing stands beside anything */
	@media (max-width: 22rem) {
		li {
			grid-template-columns: minmax(0, 1fr);
		}
		li > .keys,
		.several {
			grid-column: 1;
		}
	}
</style>
