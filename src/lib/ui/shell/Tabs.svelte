<script lang="ts">
	import type { Caption } from '$core/words';
	import { tabOf, type Tab } from './places';

	let {
		tabs,
		captions,
		label,
		path,
		gives = false
	}: {
		tabs: readonly Tab[];
		/** What stands under each; nothing where nothing is known. */
		captions: Readonly<Record<string, Caption>> | null;
		/** Of what these are the places. */
		label: string;
		path: string;
		/** Whether they give way on a narrow window, where one value at a time has it to itself. */
		gives?: boolean;
	} = $props();

	const here = $derived(tabOf(tabs, path));
</script>

<div class="places no-print" class:gives>
	{#if tabs.length > 1}
		<nav aria-label={label} class="tabs">
			{#each tabs as tab (tab.id)}
				{@const caption = captions?.[tab.id]}
				<a href={tab.views[0]!.href} aria-current={tab === here ? 'true' : undefined}>
					<span>{tab.name}</span>
					<span class="caption" class:signal={caption?.bad}>{caption?.words ?? '–'}</span>
				</a>
			{/each}
		</nav>
	{/if}
	{#if here && here.views.length > 1}
		<nav aria-label="Views of {here.name}" class="views" class:below={here.id === 'plan'}>
			{#each here.views as view (view.id)}
				<a href={view.href} aria-current={path === view.href ? 'page' : undefined}>{view.name}</a>
			{/each}
		</nav>
	{/if}
</div>

<style>
	nav {
		display: flex;
		padding: 0 var(--edge);
		border-bottom: 1px solid var(--rule);
	}
	a {
		color: var(--soft);
		text-decoration: none;
	}
	a:hover {
		color: var(--ink);
	}
	a[aria-current] {
		color: var(--ink);
		font-weight: 700;
	}
	.tabs a {
		display: grid;
		flex: 0 1 max-content;
		align-content: start;
		min-width: 172px;
		min-height: 58px;
		padding: 0.5rem 0.75rem 0 0;
		border-bottom: 3px solid transparent;
	}
	.tabs a[aria-current] {
		border-bottom-color: var(--ink);
	}
	.caption {
		min-height: 1.2em;
		font-size: var(--small);
		overflow-wrap: anywhere;
	}
	.views {
		gap: 0 1.5rem;
		overflow-x: auto;
	}
	.views a {
		flex: none;
		line-height: 44px;
	}
	@media (min-width: 861px) {
		/* they stand at the foot of the plan */
		.below {
			display: none;
		}
	}
	@media (max-width: 860px) {
		/* with large text they stand two and two */
		.tabs {
			flex-wrap: wrap;
		}
		.tabs a {
			flex: 1 1 4.4rem;
			min-width: 0;
			overflow-wrap: anywhere;
		}
		.gives {
			display: none;
		}
	}
</style>
