<script lang="ts" generics="T extends string">
	import { ContentSwitcher, Switch } from 'carbon-components-svelte';

	let {
		label,
		views,
		value,
		onchange
	}: {
		label: string;
		/** One of them is shown: each by its id and its name. */
		views: readonly (readonly [T, string])[];
		value: T;
		onchange: (value: T) => void;
	} = $props();

	const at = $derived(views.findIndex(([id]) => id === value));
</script>

<ContentSwitcher
	aria-label={label}
	selectedIndex={at}
	on:change={({ detail }) => {
		const chosen = views[detail as number]?.[0];
		if (chosen !== undefined && chosen !== value) onchange(chosen);
	}}
>
	{#each views as [id, name] (id)}<Switch text={name} />{/each}
</ContentSwitcher>
