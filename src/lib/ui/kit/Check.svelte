<script lang="ts">
	import { Checkbox } from 'carbon-components-svelte';
	import type { Snippet } from 'svelte';

	let {
		label,
		checked = $bindable(false),
		disabled = false,
		hideLabel = false,
		children,
		onchange
	}: {
		label?: string;
		checked?: boolean;
		disabled?: boolean;
		/** Whether only who does not see it hears the label. */
		hideLabel?: boolean;
		/** The label, where it is more than words. */
		children?: Snippet;
		onchange?: (checked: boolean) => void;
	} = $props();
</script>

<Checkbox
	labelText={label ?? ''}
	{hideLabel}
	{disabled}
	bind:checked
	on:check={({ detail }) => onchange?.(detail)}
>
	<svelte:fragment slot="labelChildren">
		{#if children}{@render children()}{:else}{label}{/if}
	</svelte:fragment>
</Checkbox>
