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
	/** Under what each stands: what stops the sign-off, what may be looked at, what somebody accepted. */
	const parts = $derived(
		(
			[
				['Before sign-off', ({ check, reason: why }: Row) => check.severity === 'stop' && why === null],
				['Worth a look', ({ check, reason: why }: Row) => check.severity !== 'stop' && why === null],
				['Done', ({ reason: why }: Row) => why !== null]
			] as const
		)
			.map(([title, isHere]) => ({ title, groups: groups.filter(([first]) => isHere(first!)) }))
			.filter((part) => part.groups.length > 0)
	);
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
{#each parts as part (part.title)}
	<h2>{part.title}</h2>
	<ul>
		{#each part.groups as rows (rows[0]!.zone.id + rows[0]!.check.id)}
			{@const first = rows[0]!}
			<li>
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
{/each}

<style>
	h2 {
		margin-top: 1.2rem;
		font-size: 1.15rem;
	}
	li {
		display: grid;
		grid-template-columns: minmax(0, 1fr) auto;
		gap: 0.5rem 0.75rem;
		align-items: start;
		padding: 0.6rem 0;
		border-bottom: 1px solid var(--rule);
		overflow-wrap: anywhere;
	}
	.several {
		grid-column: 1 / -1;
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
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
