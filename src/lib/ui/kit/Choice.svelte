<script lang="ts" generics="T extends string">
	import { Select, SelectItem, SelectItemGroup } from 'carbon-components-svelte';

	type Option = { readonly value: T; readonly text: string; readonly disabled?: boolean };

	let {
		label,
		value,
		options = [],
		groups = [],
		hideLabel = false,
		disabled = false,
		help,
		small = false,
		onchange
	}: {
		label: string;
		value: T;
		options?: readonly Option[];
		/** Options that stand under a name of their own, after those that do not. */
		groups?: readonly { readonly name: string; readonly options: readonly Option[] }[];
		/** Whether only who does not see it hears the label. */
		hideLabel?: boolean;
		disabled?: boolean;
		help?: string;
		small?: boolean;
		onchange: (value: T) => void;
	} = $props();
</script>

<Select
	labelText={label}
	{hideLabel}
	{disabled}
	helperText={help}
	size={small ? 'sm' : undefined}
	selected={value}
	on:change={(event) => onchange((event.target as HTMLSelectElement).value as T)}
>
	{#each options as option (option.value)}
		<SelectItem value={option.value} text={option.text} disabled={option.disabled} />
	{/each}
	{#each groups as group (group.name)}
		<SelectItemGroup label={group.name}>
			{#each group.options as option (option.value)}
				<SelectItem value={option.value} text={option.text} disabled={option.disabled} />
			{/each}
		</SelectItemGroup>
	{/each}
</Select>
