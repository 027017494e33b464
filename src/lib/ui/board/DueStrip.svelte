<script lang="ts">
	import { dateWords } from '$core/civil';
	import { DUE_VIEW, type Due } from '$core/words';

	let { siteId, due, more }: { siteId: string; due: readonly Due[]; more: number } = $props();
</script>

{#if due.length > 0}
	<ul aria-label="Due at this site">
		{#each due as one, i (i)}
			<li>
				<a href="/sites/{siteId}/zones/{one.zoneId}/{DUE_VIEW[one.kind]}">
					<strong class:signal={one.late}>{dateWords(one.on, 'short')}</strong>
					<span>{one.zoneName}: {one.sentence}</span>
				</a>
				{#if more > 0 && i === due.length - 1}<a class="soft" href="/due">{more} more</a>{/if}
			</li>
		{/each}
	</ul>
{/if}

<style>
	ul {
		margin-top: 0.75rem;
		border-top: 2px solid var(--ink);
	}
	li {
		display: flex;
		gap: 1rem;
		justify-content: space-between;
		border-bottom: 1px solid var(--rule);
	}
	a {
		display: grid;
		grid-template-columns: 8.5rem 1fr;
		align-items: center;
		min-height: 40px;
		padding: 0.2rem 0;
		text-decoration: none;
	}
	a.soft {
		display: flex;
		flex: none;
	}
	a:hover {
		text-decoration: underline;
	}
	@media (max-width: 860px) {
		a {
			grid-template-columns: 1fr;
			align-content: center;
			min-height: 48px;
		}
	}
</style>
