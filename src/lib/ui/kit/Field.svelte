<script lang="ts">
	import { TextInput } from 'carbon-components-svelte';
	import type { HTMLInputAttributes } from 'svelte/elements';

	let {
		label,
		value = $bindable(''),
		hideLabel = false,
		help,
		problem = null,
		small = false,
		ref = $bindable(null),
		oninput,
		onchange,
		...rest
	}: Omit<HTMLInputAttributes, 'value' | 'oninput' | 'onchange' | 'size'> & {
		label: string;
		value?: string;
		/** Whether only who does not see it hears the label. */
		hideLabel?: boolean;
		help?: string;
		/** What is wrong with what was written; null where nothing is. */
		problem?: string | null;
		small?: boolean;
		ref?: HTMLInputElement | null;
		/** With each letter. */
		oninput?: (value: string) => void;
		/** When it is left or Enter is pressed. */
		onchange?: (value: string) => void;
	} = $props();

	const given = $derived(rest as object);
</script>

<TextInput
	labelText={label}
	{hideLabel}
	helperText={help}
	invalid={problem !== null}
	invalidText={problem ?? ''}
	size={small ? 'sm' : undefined}
	bind:value
	bind:ref
	on:input={() => oninput?.(ref?.value ?? '')}
	on:change={() => onchange?.(ref?.value ?? '')}
	{...given}
/>
