<script lang="ts">
	import { dateWords } from '$core/civil';
	import { DUE_VIEW, type Due } from '$core/words';

	let { siteId, due, more }: { siteId: string; due: readonly Due[]; more: number } = $props();
</script>

{#if due.length > 0}
	<section aria-label="Due at this site">
		<h2>Due</h2>
		<ul>
			{#each due as one, i (i)}
				<li>
					<a href="/sites/{siteId}/zones/{one.zoneId}/{DUE_VIEW[one.kind]}">
						<strong class:signal={one.late}>{dateWords(one.on, 'short')}</strong>
						<span>{one.zoneName}: {one.sentence}</span>
					</a>
				</li>
			{/each}
			{#if more > 0}<li><a href="/due">{more} more</a></li>{/if}
		</ul>
	</section>
{/if}

<style>
	section {
		display: flex;
		gap: 0 1.25rem;
		align-items: baseline;
		margin-top: 0.75rem;
		padding: 0.35rem 0.75rem;
		background: var(--sheet);
		border-left: 4px solid var(--rule);
	}
	h2 {
		font-size: 1rem;
	}
	ul {
		display: flex;
		flex-wrap: wrap;
		gap: 0 1.75rem;
	}
	a {
		display: flex;
		flex-wrap: wrap;
		gap: 0 0.6rem;
		align-items: center;
		min-height: 32px;
		text-decoration: none;
	}
	a:hover {
		text-decoration: underline;
	}
	@media (max-width: 700px) {
		section {
			display: block;
		}
		a {
			align-items: baseline;
			min-height: 44px;
		}
	}
</style>
