<script lang="ts">
	import { Select, SelectItem } from 'carbon-components-svelte';

	let {
		label,
		value,
		options,
		hideLabel = false,
		onchange
	}: {
		label: string;
		value: string;
		options: readonly { readonly value: string; readonly text: string }[];
		/** Whether only who does not see it hears the label. */
		hideLabel?: boolean;
		onchange: (value: string) => void;
	} = $props();
</script>

<Select
	labelText={label}
	{hideLabel}
	selected={value}
	on:change={(event) => onchange((event.target as HTMLSelectElement).value)}
>
	{#each options as option (option.value)}<SelectItem value={option.value} text={option.text} />{/each}
</Select>
