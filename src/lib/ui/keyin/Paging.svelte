<script lang="ts">
	import type { ControlProfile } from '$core/control';
	import type { ReadBackGroup } from '$core/keying';
	import type { Stroke } from '$core/machine';
	import { strokesSaid } from '$core/words';
	import Strokes from '../panel/Strokes.svelte';

	let {
		profile,
		group,
		keys
	}: {
		profile: ControlProfile;
		group: ReadBackGroup;
		/** The keys to each value from the one before it, the first from rest. */
		keys: readonly (readonly Stroke[] | null)[];
	} = $props();

	/** What goes on from value to value, where it is always the same. */
	const on = $derived.by(() => {
		const rest = keys.slice(1).map((one) => JSON.stringify(one));
		const [first] = rest;
		return first && first !== 'null' && first !== '[]' && rest.every((one) => one === first)
			? keys[1]!
			: null;
	});
</script>

{#if profile.panel && keys[0]}
	<p class="paging">
		<span class="soft">From its normal display</span>
		<Strokes panel={profile.panel} strokes={keys[0]} />
		{#if on}<span class="soft">then, for each</span> <Strokes panel={profile.panel} strokes={on} />{/if}
	</p>
	{#if !on && keys.length > 1}
		<details>
			<summary>Keys to each value</summary>
			<ul>
				{#each group.fields as field, i (field.id)}
					{#if keys[i]?.length}<li>{field.what}: {strokesSaid(profile.panel, keys[i])}</li>{/if}
				{/each}
			</ul>
		</details>
	{/if}
{/if}

<style>
	.paging {
		display: flex;
		flex-wrap: wrap;
		gap: 0.25rem 0.75rem;
		align-items: baseline;
		margin: 0.5rem 0;
		font-size: 1.2rem;
		font-weight: 600;
	}
	.paging .soft {
		font-weight: 400;
		font-size: 1rem;
	}
	summary {
		min-height: 44px;
		line-height: 44px;
	}
</style>
