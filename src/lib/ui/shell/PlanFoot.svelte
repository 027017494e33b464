<script lang="ts">
	import { nextView, nextWords, NOT_DRAWN, planCaptions, type PlacedZone } from '$core/words';
	import Button from '../kit/Button.svelte';
	import { zoneTabs } from './places';

	let {
		siteId,
		zone,
		path,
		isChanged
	}: {
		siteId: string;
		zone: PlacedZone;
		path: string;
		/** Whether the plan was changed and what follows from it is not known yet. */
		isChanged: boolean;
	} = $props();

	const { views } = $derived(zoneTabs(siteId, zone.id)[0]!);
	const captions: Readonly<Record<string, { words: string; bad: boolean }>> = $derived(planCaptions(zone));
	const view = $derived(nextView(zone.summary));
	const base = $derived(`/sites/${siteId}/zones/${zone.id}`);
</script>

<div class="foot no-print">
	<nav aria-label="Views of Plan">
		{#each views as one (one.id)}
			<a href={one.href} aria-current={path === one.href ? 'page' : undefined}>
				<span class="name">{one.name}</span>
				{#if captions[one.id]}<span class:signal={captions[one.id]!.bad}>{captions[one.id]!.words}</span>{/if}
			</a>
		{/each}
	</nav>
	{#if zone.undrawn}
		<span class="soft">{NOT_DRAWN}</span>
	{:else}
		<Button kind="next" href={view ? `${base}/${view}` : `/sites/${siteId}/visit`}
			>{isChanged && view === 'key-in' ? 'Key in' : nextWords(zone.summary)}</Button
		>
	{/if}
</div>

<style>
	.foot {
		position: sticky;
		bottom: 0;
		z-index: 1;
		display: flex;
		gap: 1.5rem;
		align-items: center;
		justify-content: space-between;
		min-height: 60px;
		padding: 6px var(--edge);
		border-top: 1px solid var(--rule);
		background: var(--sheet);
	}
	nav {
		display: flex;
		gap: 0 2rem;
		min-width: 0;
	}
	a {
		line-height: 44px;
		color: var(--soft);
		text-decoration: none;
	}
	.name {
		margin-right: 0.4rem;
		color: var(--ink);
	}
	a:hover .name {
		text-decoration: underline;
	}
	a[aria-current] .name {
		font-weight: 700;
	}
	@media (max-width: 860px) {
		nav {
			display: none;
		}
		.foot {
			justify-content: stretch;
		}
		.foot :global(a) {
			flex: 1 1 auto;
			max-width: none;
		}
	}
</style>
